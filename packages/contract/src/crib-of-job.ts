import type { Operation } from '@burl/core';
import type { Crib } from './crib.ts';
import type { CribKind } from './crib-kinds.ts';
import type { JobFile } from './job-file.ts';

/** The crib entries a job names, whole, as its file carries them. */
export function cribOfJob(
  job: Pick<JobFile['job'], 'alloyId' | 'machineId'>,
  setups: JobFile['setups'],
  crib: Pick<Crib, CribKind | 'materials'>,
): JobFile['crib'] {
  const documents: Operation[] = setups.flatMap((s) =>
    s.operations.flatMap((o) => o.variants.map((v) => v.document)),
  );
  const named = <K extends CribKind>(kind: K, ids: readonly string[]) =>
    crib[kind].filter((e) => ids.includes(e.id)).map((e) => e.document) as unknown as JobFile['crib'][K];
  const made = <T>(all: Readonly<Record<string, T>>, ids: readonly string[]): Record<string, T> =>
    Object.fromEntries(Object.entries(all).filter(([id]) => ids.includes(id)));
  const cutters = named(
    'cutters',
    documents.map((d) => d.tooling.cutterId),
  );
  return {
    alloys: named('alloys', [job.alloyId, ...documents.map((d) => d.alloyId)]),
    machines: named('machines', [
      job.machineId,
      ...setups.flatMap((s) => s.plan.machineId ?? []),
      ...documents.map((d) => d.machineId),
    ]),
    cutters,
    holders: named(
      'holders',
      documents.map((d) => d.tooling.holderId),
    ),
    substrates: made(
      crib.materials.substrates,
      cutters.map((c) => c.extended.substrate),
    ),
    coatings: made(
      crib.materials.coatings,
      cutters.map((c) => c.extended.coating),
    ),
  };
}
