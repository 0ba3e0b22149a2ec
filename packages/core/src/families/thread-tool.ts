import type { ThreadForm } from '../physics/holes/hole.ts';
import { THREAD_SERIES } from '../physics/threads/thread-table.ts';
import type { ChoiceField } from './family.ts';

const SERIES = ['metric-coarse', 'metric-fine', 'unc', 'unf'] as const;
const MOST_MAJOR = 25.5;

/** Threads for which tools are made here. */
export const THREADS: readonly ThreadForm[] = SERIES.flatMap((id) =>
  THREAD_SERIES.find((s) => s.id === id)!.threads.filter((t) => t.majorMm >= 1.9 && t.majorMm <= MOST_MAJOR),
);

export const threadChoice: ChoiceField = {
  key: 'thread',
  label: 'Thread',
  options: THREADS.map((t) => ({ value: t.designation, label: t.designation })),
};

/** A thread as a part of an id. */
export const threadInId = ({ designation }: ThreadForm): string =>
  designation
    .toLowerCase()
    .replace(/[#\s]+/g, ' ')
    .trim()
    .replaceAll('/', '.')
    .replaceAll(' ', '-');

/** Hole before cutting: major less pitch, as the usual drill tables have it, mm. */
export const cutHole = ({ majorMm, pitchMm }: ThreadForm): number =>
  Math.round(20 * (majorMm - pitchMm)) / 20;
/** Hole before forming: metal flows into half of the pitch, mm. */
export const formHole = ({ majorMm, pitchMm }: ThreadForm): number =>
  Math.round(20 * (majorMm - pitchMm / 2)) / 20;
