import type { ChatterCut } from '../chatter-cut.ts';
import { type ArnoldiOptions, dominantMultiplier, type Multiplier } from './dominant.ts';
import type { FreeModes } from './free-motion.ts';
import { feelsDepth, type PeriodFrame, periodFrame } from './period-frame.ts';
import { mapAt, type PeriodMap } from './period-map.ts';
import type { Resolution } from './resolution.ts';
import { transferred } from './transfer.ts';
import { wavesAbout } from './waves-about.ts';

/** What one depth does with a vibration. */
export interface Growth {
  readonly depthMm: number;
  /** ln |μ|. */
  readonly log: number;
  readonly map: PeriodMap;
  readonly top: Multiplier;
}

export interface GrowthAt {
  (depthMm: number, resolution: Resolution, arnoldi: ArnoldiOptions): Growth;
  /** The same depth once more from a start that knows nothing: the larger of both answers. */
  again(of: Growth, arnoldi: ArnoldiOptions): Growth;
  /** The least of those that grew: what is heard at the border, where just below it something else may be dying more slowly. */
  least(): Growth | null;
}

/**
 * Growth at depths of one cut at one speed: what leads at each depth is where the next one begins, and the first begins with waves
 * about a frequency, Hz, with which chatter is expected.
 */
export function growthAt(cut: ChatterCut, modes: FreeModes, rpm: number, aboutHz: number): GrowthAt {
  let last: Growth | null = null;
  let least: Growth | null = null;
  const taken = (depthMm: number, map: PeriodMap, top: Multiplier): Growth => {
    last = { depthMm, log: Math.log(Math.max(top.size, 1e-9)), map, top };
    if (last.log >= 0 && !(least && least.log < last.log)) least = last;
    return last;
  };
  // Where a depth does not change how teeth enter and leave, one frame serves them all.
  const frames = new Map<Resolution, PeriodFrame>();
  const frameAt = (depthMm: number, resolution: Resolution): PeriodFrame => {
    const frame = frames.get(resolution) ?? periodFrame(cut, modes, rpm, depthMm, resolution);
    if (!feelsDepth(cut)) frames.set(resolution, frame);
    return frame;
  };
  const at = (depthMm: number, resolution: Resolution, arnoldi: ArnoldiOptions): Growth => {
    const map = mapAt(frameAt(depthMm, resolution), depthMm);
    const near = last ? transferred(last.top, last.map, map) : wavesAbout(aboutHz, map, modes);
    return taken(depthMm, map, dominantMultiplier(map, arnoldi, near));
  };
  return Object.assign(at, {
    again(of: Growth, arnoldi: ArnoldiOptions): Growth {
      const top = dominantMultiplier(of.map, arnoldi);
      return top.size > of.top.size ? taken(of.depthMm, of.map, top) : of;
    },
    least: () => least,
  });
}
