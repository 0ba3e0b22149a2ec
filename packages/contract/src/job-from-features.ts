import { EMPTY_SETUP_PLAN, type JobPlan, type OfferedFeature, type SetupPlan, type Side } from '@burl/core';
import type { Crib } from './crib.ts';
import { cribOfJob } from './crib-of-job.ts';
import { JOB_FILE_FORMAT, JOB_FILE_VERSION, type JobFile } from './job-file.ts';
import type { JobFields } from './jobs.ts';

/** A feature of the plan with the operations it was offered. */
export interface MadeFeature {
  readonly side: Side;
  readonly offered: OfferedFeature;
}

/** Sides in the order their setups are run: the top first, what lies on it last. */
const FIRST: readonly Side[] = ['top', 'bottom', 'left', 'right', 'front', 'back'];

/** Setups of a part: one for each side something is cut from, faces first in each. */
function setupsOf(
  features: readonly MadeFeature[],
  plan: SetupPlan,
  holeOf: (f: MadeFeature) => number | null,
): JobFile['setups'] {
  const sides = FIRST.filter((s) => features.some((f) => f.side === s));
  const used = sides.length > 0 ? sides : (['top'] as const);
  return used.map((side, i) => ({
    name: `Setup ${i + 1}`,
    plan: { ...plan, up: side },
    operations: features
      .filter((f) => f.side === side)
      .flatMap((f) =>
        f.offered.operations.map((o) => ({
          name: o.name,
          hole: holeOf(f),
          step: o.step,
          selected: 'A' as const,
          variants: [{ label: 'A' as const, document: o.document }],
        })),
      )
      .sort((a, b) => Number(opens(b)) - Number(opens(a))),
  }));
}

const opens = (o: JobFile['setups'][number]['operations'][number]): boolean => {
  const document = o.variants[0]?.document;
  return document?.kind === 'milling' && document.feature.kind === 'face';
};

/** A job from the features of its part as a file, with the crib entries its operations rest on: it goes in whole or not at all. */
export function jobFromFeatures(
  job: JobFields & { readonly plan: JobPlan },
  features: readonly MadeFeature[],
  setup: Partial<SetupPlan>,
  crib: Pick<Crib, 'alloys' | 'machines' | 'cutters' | 'holders' | 'materials'>,
): JobFile {
  const holes = features.filter((f) => f.offered.demand !== null);
  const setups = setupsOf(features, { ...EMPTY_SETUP_PLAN, ...setup }, (f) =>
    f.offered.demand ? holes.indexOf(f) : null,
  );
  return {
    format: JOB_FILE_FORMAT,
    version: JOB_FILE_VERSION,
    job,
    holes: holes.map((f) => ({ demand: f.offered.demand!, chosen: null, changes: {} })),
    setups,
    crib: cribOfJob(job, setups, crib),
  };
}
