import type { MillingFeatureKind } from '../../operation.ts';
import type { MillingOperation } from '../milling-operation.ts';
import type { MillingState } from '../milling-state.ts';
import { type Source, uncertain } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit, used } from '../../../judging/limit.ts';

/** Room a chip takes over its solid section, by how it comes off. */
const bulking = (group: string, segmented: number): number => {
  if (group === 'S' || group === 'M') return segmented >= 2 ? 5 : 7;
  return group === 'N' ? 5 : 4;
};

const BULK: Source = {
  id: 'chip-bulk',
  label: 'how loosely the chips pack',
  kind: 'assumed',
  sigma: 0.25,
  narrowBy: 'look at the chips of a trial cut',
};

/** Length of flute above the cut that still takes chips, in diameters, by how open the feature is. */
const OPEN: Readonly<Record<MillingFeatureKind, number>> = {
  face: 2,
  side: 1,
  boss: 1,
  pocket: 0.75,
  slot: 0.35,
};
/** Room a chip loses with each diameter it has to climb beyond the first. */
const CLIMB = 0.25;

/** Share of the flute a chip can fill: a skim's chip has the whole flute above it, a deep slot's has walls on both sides. */
function fillOf({ cut, feature }: MillingOperation, diameterMm: number): number {
  const above = OPEN[feature.kind] * diameterMm;
  const closed = feature.kind === 'slot' || feature.kind === 'pocket';
  const climb = closed ? 1 + CLIMB * Math.max(0, feature.depthMm / diameterMm - 1) : 1;
  return (climb * cut.axialDepthMm) / (cut.axialDepthMm + above);
}

/** Chips of one tooth have to find room in one flute: half of the gullet at the most. */
export const chipSpaceLimit: Limit<MillingState> = {
  id: 'chip-space',
  group: 'cutter',
  name: 'flute chip space',
  assess({ op, context: { alloy, cutter }, diameterInCutMm }) {
    const { cut } = op;
    const gullet = cutter.extended.chip_gullet_area_mm2;
    if (!gullet) return null;
    const bulk = bulking(alloy.iso513_group, alloy.ratings_0_3.segmented_chip);
    const fill = fillOf(op, diameterInCutMm);
    const needed = uncertain(cut.feedPerToothMm * cut.radialEngagementMm * bulk * fill, BULK);
    return {
      predicted: { estimate: needed, unit: 'mm2' },
      allowed: { value: gullet / 2, unit: 'mm2', from: `${cutter.name}, half of the gullet` },
      ...used(needed, gullet / 2),
      why: () =>
        say(
          'Chip section {0}; {1} allowed (half the gullet).',
          measure(needed.value, 'mm2'),
          measure(gullet / 2, 'mm2'),
        ),
      formula: 'fz·ae·B·ap/(ap + open length) ≤ 0.5·A gullet',
      inputs: () => [
        input('fz', 'feed per tooth', cut.feedPerToothMm, 'mm/tooth'),
        input('ae', 'radial depth', cut.radialEngagementMm, 'mm'),
        input('B', 'bulking', bulk, 'ratio'),
        input('fill', 'share of the flute it has to use', fill, 'ratio'),
        input('A', 'gullet area', gullet, 'mm2'),
      ],
      source: 'judgement rule G-03',
    };
  },
};
