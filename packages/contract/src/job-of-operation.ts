import { EMPTY_SETUP_PLAN, type Operation, type OperationContext, type ToolMaterials } from '@burl/core';
import { JOB_FILE_FORMAT, JOB_FILE_VERSION, type JobFile } from './job-file.ts';
import type { JobFields } from './jobs.ts';

/** A job of one operation as a file, with the crib entries it rests on: what a question becomes when it is kept. */
export function jobOfOperation(
  job: JobFields,
  name: string,
  document: Operation,
  { alloy, machine, cutter, holder }: OperationContext,
  { substrates, coatings }: ToolMaterials,
): JobFile {
  const named = <T>(all: Readonly<Record<string, T>>, key: string): Record<string, T> =>
    Object.hasOwn(all, key) ? { [key]: all[key]! } : {};
  return {
    format: JOB_FILE_FORMAT,
    version: JOB_FILE_VERSION,
    job,
    holes: [],
    setups: [
      {
        name: 'Setup 1',
        plan: EMPTY_SETUP_PLAN,
        operations: [{ name, hole: null, step: null, selected: 'A', variants: [{ label: 'A', document }] }],
      },
    ],
    crib: {
      alloys: [alloy],
      machines: [machine],
      cutters: [cutter],
      holders: [holder],
      substrates: named(substrates, cutter.extended.substrate),
      coatings: named(coatings, cutter.extended.coating),
    },
  };
}
