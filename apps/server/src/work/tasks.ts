import {
  evaluate,
  InputError,
  type Operation,
  type ToolMaterials,
  type OperationContext,
  problemsOf,
  trialBasis,
  withPeriodic,
  type Evaluation,
} from '@burl/core';
import { namedIn } from '@burl/contract/crib-files/named-in';
import { type Known, readCribFile, type ReadFile } from '@burl/contract/crib-files/read-crib-file';
import { reportOf } from '@burl/contract/crib-files/report';
import {
  type CribKind,
  type ImportReport,
  fileSource,
  type JobFile,
  type Job,
  operationsOf,
  jsonIn,
  checkJobFile,
  malformed,
  type Release,
  requireContext,
} from '@burl/contract';
import { sheetPdf } from '../sheet/sheet-pdf.ts';
import type { Judged } from '../store/judged-operations.ts';
import { type RouteSetup, summaryOf } from './job-summary.ts';
import { csvOf } from './operations-csv.ts';
import { diagnoseTrial } from './diagnose-trial.ts';
import { machineProgram } from './machine-program.ts';
import { propose } from './propose.ts';
import { readTrials } from './read-trials.ts';
import { requireJudged, tryEntry } from './try-entry.ts';

/** Values in the largest job file. */
const MOST_FILE_VALUES = 400_000;

/** A job file read, checked, and every operation in it judged possible. Throws an InputError that names what is wrong. */
function readJobFile(text: string): JobFile {
  const data = jsonIn(text);
  const wrong = malformed(data, MOST_FILE_VALUES);
  if (wrong) throw new InputError([wrong]);
  const file = checkJobFile(data);
  for (const { path, operation } of operationsOf(file)) {
    const problems = problemsOf(operation, requireContext(operation, fileSource(file), path));
    if (problems.length > 0)
      throw new InputError(problems.map((p) => ({ ...p, field: `${path}.document.${p.field}` })));
    requireJudged(operation, requireContext(operation, fileSource(file), path), path);
  }
  return file;
}

/** Judged on the periodic solution: the number that is approved. */
function judgeForRelease(
  document: Operation,
  given: OperationContext,
): { readonly context: OperationContext; readonly evaluation: Evaluation } {
  const context = withPeriodic(document, given);
  return { context, evaluation: evaluate(document, context) };
}

const summary = (
  job: Job,
  operations: readonly Judged[],
  route: readonly RouteSetup[],
): ReturnType<typeof summaryOf> => summaryOf(job, operations, route);

const sheet = (
  release: Release,
  options: { paper: 'A4' | 'LETTER'; units: 'metric' | 'inch' },
): Promise<Buffer> => sheetPdf(release, options);

const csv = csvOf;

/** What of the crib a file may mean. */
const namedInCrib = namedIn;

/** Entries of a crib file, read and checked. */
function readCrib(
  kind: CribKind,
  file: { readonly format: 'csv' | 'json'; readonly text: string },
  known: readonly Known[],
  materials: ToolMaterials,
  dryRun: boolean,
): ReadFile | ImportReport {
  const read = readCribFile(kind, file, known, materials);
  // What is not to be kept does not travel between threads.
  return dryRun || read.problems.length > 0 ? reportOf(read, false) : read;
}

/** What is worked out away from the requests, by name. */
export const TASKS = {
  readJobFile,
  tryEntry,
  judgeForRelease,
  summary,
  csv,
  sheet,
  namedInCrib,
  readCrib,
  trialBasis,
  diagnoseTrial,
  propose,
  readTrials,
  machineProgram,
};
export type Tasks = typeof TASKS;
