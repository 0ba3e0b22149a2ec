import type { CombinationDetail } from '@burl/contract';
import { frequencyGrid, receptanceOf, type TipMode } from '@burl/core';

/** Modes behind every tip here. */
export const MODES: readonly TipMode[] = [
  { hz: 812, damping: 0.04, stiffness: 2.2e7 },
  { hz: 1298, damping: 0.035, stiffness: 1.1e7 },
];
/** Their response, as a tap test would find it. */
export const measured = receptanceOf(MODES, frequencyGrid(60, 4000, 4));
/** A combination nobody has tapped yet. */
export const COMBINATION: CombinationDetail = {
  id: 'c1',
  machineId: 'axis5-24k',
  machineSerial: 'A5-0117',
  holderId: 'shrink-12-80',
  cutterId: 'em-bull-12-z5-re0.5-var',
  stickOutMm: 48,
  note: '',
  madeBy: 'Ada Eder',
  madeAt: '2026-11-23T08:00:00Z',
  version: 1,
  tips: [],
  earlier: [],
  cuts: [],
};
