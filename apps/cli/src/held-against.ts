import { type Alloy, blankInSetup, type BlankSizes, InputError, type ProgramOperation } from '@burl/core';
import {
  type Crib,
  fileSource,
  type JobFile,
  operationAsItStands,
  operationsOf,
  operationsOfRelease,
  type Release,
  requireContext,
} from '@burl/contract';

/** What a program is held against, and the alloys whose numbers it may carry instead. */
export interface HeldAgainst {
  readonly operations: readonly ProgramOperation[];
  readonly alloys: readonly Alloy[];
  /** The job's blank in the setup of the first of them. */
  readonly blank: BlankSizes | null;
}

/** Those whose name holds a word; all without one. Throws an InputError where none does. */
function named(
  operations: readonly ProgramOperation[],
  word: string | undefined,
): readonly ProgramOperation[] {
  if (word === undefined) return operations;
  const found = operations.filter((o) => o.name.toLowerCase().includes(word.toLowerCase()));
  if (found.length === 0)
    throw new InputError([
      { field: '--operation', value: word, allowed: operations.map((o) => o.name).join(', ') },
    ]);
  return found;
}

/** The chosen variants of a job file, judged as they stand. */
export function fromFile(file: JobFile, word: string | undefined): HeldAgainst {
  const source = fileSource(file);
  const operations = operationsOf(file)
    .filter((o) => o.selected)
    .map(({ name, operation, path }) =>
      operationAsItStands(
        { id: path, name, document: operation, workOffset: '' },
        requireContext(operation, source, path),
      ),
    );
  const held = named(operations, word);
  const setup = file.setups.find((_, i) => held[0]?.id.startsWith(`setups[${i}].`));
  return {
    operations: held,
    alloys: source.alloys,
    blank: setup && file.job.plan ? blankInSetup(file.job.plan, setup.plan.up) : null,
  };
}

/** The operations of a released sheet. */
export const fromSheet = (
  { snapshot }: Pick<Release, 'snapshot'>,
  crib: Crib,
  word: string | undefined,
): HeldAgainst => {
  const operations = named(operationsOfRelease(snapshot), word);
  const setup = snapshot.setups?.find((s) => s.operationIds.includes(operations[0]?.id ?? ''));
  return {
    operations,
    alloys: crib.alloys.map((e) => e.document),
    blank: setup && snapshot.job.plan ? blankInSetup(snapshot.job.plan, setup.plan.up) : null,
  };
};
