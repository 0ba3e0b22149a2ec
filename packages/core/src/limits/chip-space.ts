import type { MillingState } from '../evaluation/milling-state.ts';
import { type Source, uncertain } from '../uncertainty/estimate.ts';
import { measure, say } from '../units/sentence.ts';
import { input, type Limit, shareOf } from './limit.ts';

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

/** Chips of one tooth have to find room in one flute: half of the gullet at the most. */
export const chipSpaceLimit: Limit<MillingState> = {
  id: 'chip-space',
  group: 'cutter',
  name: 'chip space',
  assess({ op: { cut }, context: { alloy, cutter } }) {
    const gullet = cutter.extended.chip_gullet_area_mm2;
    if (!gullet) return null;
    const bulk = bulking(alloy.iso513_group, alloy.ratings_0_3.segmented_chip);
    const needed = uncertain(cut.feedPerToothMm * cut.radialEngagementMm * bulk, BULK);
    return {
      predicted: { estimate: needed, unit: 'mm2' },
      allowed: { value: gullet / 2, unit: 'mm2', from: `${cutter.name}, half of the gullet` },
      share: shareOf(needed, gullet / 2),
      why: () =>
        say(
          'A chip takes {0} of section; half the flute is {1}.',
          measure(needed.value, 'mm2'),
          measure(gullet / 2, 'mm2'),
        ),
      formula: 'fz·ae·B ≤ 0.5·A gullet',
      inputs: () => [
        input('fz', 'feed per tooth', cut.feedPerToothMm, 'mm/tooth'),
        input('ae', 'radial engagement', cut.radialEngagementMm, 'mm'),
        input('B', 'bulking', bulk, 'ratio'),
        input('A', 'gullet area', gullet, 'mm2'),
      ],
      source: 'judgement rule G-03',
    };
  },
};
