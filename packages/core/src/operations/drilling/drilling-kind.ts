import { measure, say } from '../../units/sentence.ts';
import { drillingMovables } from './drilling-movables.ts';
import { drillingSwitches } from './drilling-switches.ts';
import { drillingDiameter } from './drilling-diameter.ts';
import { startingDrilling } from './starting-drilling.ts';
import { setSpeedAndFeed } from '../set-speed-and-feed.ts';
import { checkDrilling } from './check-drilling.ts';
import { isDrill } from '../../crib/cutter.ts';
import { AXIAL } from '../parameter.ts';
import { operationKind } from '../operation-kind.ts';
import type { DrillingOperation } from './drilling-operation.ts';
import { OF_ALL } from '../limits/ladder-of-all.ts';
import { drillingNumbers } from './drilling-numbers.ts';
import { drillingState, type DrillingState } from './drilling-state.ts';
import { riskOf } from '../holes/hole-risk.ts';
import { hardeningCautions } from '../holes/difficult-chips.ts';
import type { Circumstance } from '../holes/hole-risk.ts';
import { breakthroughLimit } from './limits/breakthrough.ts';
import { chipEvacuationLimit } from './limits/chip-evacuation.ts';
import { coolantPressureLimit } from './limits/coolant-pressure.ts';
import { drillBucklingLimit } from './limits/drill-buckling.ts';
import { drillFeedHighLimit, drillFeedLowLimit } from './limits/drill-feed.ts';
import { drillReachLimit } from './limits/drill-reach.ts';
import { drillTorsionLimit } from './limits/drill-torsion.ts';
import { holeSizeLimit } from './limits/hole-size.ts';
import { holeStraightnessLimit } from './limits/hole-straightness.ts';
import { pilotNeededLimit } from './limits/pilot-needed.ts';
import { spotAngleLimit } from './limits/spot-angle.ts';
import { holeToleranceLimit } from '../holes/limits/hole-tolerance.ts';
import { holderGripLimit } from '../limits/holder-grip.ts';

function whatMakesWorse({ op: { hole } }: DrillingState): Circumstance[] {
  const list: Circumstance[] = [];
  const depth = hole.depthMm / hole.diameterMm;
  if (depth > 5) list.push({ factor: (depth / 5) ** 2, because: 'deep for a drill' });
  if (hole.crossHoles > 0) list.push({ factor: 1 + hole.crossHoles, because: 'cross holes on the way' });
  if (hole.entryAngleDeg > 3 && !hole.piloted) list.push({ factor: 3, because: 'starts on a slope' });
  return list;
}

/** Drilling of a hole, its pilot or its spot. */
export const drillingKind = operationKind<DrillingOperation, DrillingState>({
  kind: 'drilling',
  tool: {
    named: 'a drill, or for a spot a spotting drill',
    fits: (cutter, op) => isDrill(cutter) || (cutter.type === 'spot_drill' && op.role === 'spot'),
  },
  verb: (op) => (op.role === 'drill' ? 'Drill' : op.role === 'spot' ? 'Spot' : 'Pilot'),
  notes: (op) => [
    ...(op.role !== 'spot' && (op.hole.through || op.hole.crossHoles > 0) && op.cut.breakthroughFeed < 1
      ? [
          say(
            'Before breakthrough: feed at {0} of the rest.',
            measure(100 * op.cut.breakthroughFeed, 'percent'),
          ),
        ]
      : []),
    ...(op.hole.piloted
      ? [say('Enter the pilot slowly; full speed and coolant 1 to 2 mm above its bottom.')]
      : []),
  ],
  parameters: AXIAL,
  shown: {
    set: ['n', 'vf', 'fn', 'pecks'],
    watch: ['vc', 'depth', 'M', 'Ff', 'p', 't'],
    follows: ['Ff', 'M', 'P', 'p', 'u', 'theta', 'drift', 'T', 'metres', 't'],
  },
  movables: drillingMovables,
  switches: drillingSwitches,
  checks: checkDrilling,
  speedDiameter: drillingDiameter,
  set: setSpeedAndFeed,
  start: startingDrilling,
  state: drillingState,
  numbers: drillingNumbers,
  rests: (s) => [s.thrustN],
  risk: (s) => riskOf(s, { each: 2e-4, loses: 0.4 }, whatMakesWorse(s)),
  cautions: (op, context) => [
    ...(op.hole.through
      ? ['Reduce feed by a third to a half at breakthrough; the disc that drops out is hot and sharp.']
      : []),
    ...(op.hole.crossHoles > 0
      ? [
          'A burr stands inside the bore it meets: a foreign object once it breaks loose. Take it off and look in before the part is closed.',
        ]
      : []),
    ...hardeningCautions(context),
  ],
  pecks: (s) => s.pecks,
  ladder: [
    ...OF_ALL.machine,
    ...OF_ALL.cutter,
    holeSizeLimit,
    drillReachLimit,
    drillFeedLowLimit,
    drillFeedHighLimit,
    spotAngleLimit,
    coolantPressureLimit,
    chipEvacuationLimit,
    drillTorsionLimit,
    drillBucklingLimit,
    breakthroughLimit,
    holderGripLimit,
    pilotNeededLimit,
    holeToleranceLimit,
    holeStraightnessLimit,
    ...OF_ALL.life,
    ...OF_ALL.process,
  ],
});
