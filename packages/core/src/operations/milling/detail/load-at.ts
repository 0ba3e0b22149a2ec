import { helixOf } from '../force-law-of.ts';
import type { MillingState } from '../milling-state.ts';
import { type MillingForces, millingForces } from '../../../physics/cutting/milling-forces.ts';
import { immersion } from '../../../physics/cutting/engagement.ts';

/** Forces of the same cutter and feed (times `feedShare`) at another width and depth of cut. */
export function loadAt(
  state: MillingState,
  radialMm: number,
  axialMm: number,
  feedShare: number,
): MillingForces {
  const { op, context, pitch, law, diameterInCutMm: d } = state;
  return millingForces(
    {
      bands: [
        {
          fromMm: 0,
          toMm: axialMm,
          radiusMm: d / 2,
          kapr: Math.PI / 2,
          arc: immersion(Math.min(radialMm, d), d, op.cut.direction),
        },
      ],
      pitch,
      helix: helixOf(context),
      feedPerToothMm: op.cut.feedPerToothMm * feedShare,
      runoutStepMm: pitch.map(() => 0),
    },
    law,
    36,
    8,
  );
}
