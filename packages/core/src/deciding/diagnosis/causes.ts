import { isHole } from '../../operations/hole-operation.ts';
import { type DiagnosisCase, lifeShare, limitIn, shareOf, shows } from './case.ts';

/** Something seen or calculated that speaks for a cause (odds above 1) or against it. */
export interface Clue {
  readonly odds: number;
  readonly because: string;
}

/** A cause of broken and short-lived edges. */
export interface CauseKind {
  readonly id: string;
  readonly name: string;
  /** How often it is behind such an edge before anything is known of it; weights of all causes. */
  readonly usual: number;
  /** Limits it shows in, the most telling first: what clears one of them is the first change. */
  readonly limits: readonly string[];
  readonly clues: (at: DiagnosisCase) => readonly (Clue | false)[];
  /** The cheapest look that would tell. */
  readonly test: string;
}

const percent = (share: number): string => (share > 3 ? '>300%' : `${Math.round(100 * share)}%`);
/** A limit as a clue: the more of it is used, the more it speaks for the cause; little of it speaks against. */
function limitClue(at: DiagnosisCase, id: string, name: string, sharpness = 2): Clue | false {
  const share = shareOf(at, id);
  if (!limitIn(at, id) || share <= 0) return false;
  const odds = Math.min(12, Math.max(0.25, (share / 0.85) ** sharpness));
  if (odds > 0.8 && odds < 1.25) return false;
  return { odds, because: `${name} at ${percent(share)} of its limit` };
}
const seen = (is: boolean, odds: number, because: string): Clue | false => is && { odds, because };

/** What ends edges, by the trade; weights and odds are judgement, stated in docs/judgement-rules.md. */
export const CAUSES: readonly CauseKind[] = [
  {
    id: 'heat',
    name: 'Too hot: speed for this engagement',
    usual: 1.2,
    limits: ['cutting-speed'],
    clues: (at) => [
      limitClue(at, 'cutting-speed', 'cutting speed', 3),
      seen(at.seen.chipColour === 'blue', 4, 'blue chips'),
      seen(at.seen.chipColour === 'silver', 0.5, 'silver chips'),
      seen(at.seen.glow === true, 5, 'it glowed'),
      seen(
        at.seen.coolantSeen === 'off' || at.seen.coolantSeen === 'weak',
        2.5,
        `coolant was ${at.seen.coolantSeen}`,
      ),
      seen(at.seen.ending === 'worn', 2, 'it wore rather than broke'),
      seen(at.seen.speedOverride > 105, 2, `speed override stood at ${at.seen.speedOverride}%`),
      seen(at.seen.brokeAt !== null, 0.5, 'it failed at one place, heat works all along'),
    ],
    test: 'Run one feature at 85% speed with the feed moved with it; look at colour and wear.',
  },
  {
    id: 'thin-chip',
    name: 'Chip too thin: it rubbed',
    usual: 0.8,
    limits: ['chip-thin', 'drill-feed-low'],
    clues: (at) => [
      limitClue(at, 'chip-thin', 'minimum chip thickness'),
      limitClue(at, 'drill-feed-low', 'minimum feed'),
      seen(at.seen.chipForm === 'powder', 3, 'chips like powder'),
      seen(at.seen.feedOverride < 85, 3, `feed override stood at ${at.seen.feedOverride}%`),
      seen(at.seen.sound === 'hum', 1.3, 'it hummed'),
      seen(at.seen.ending === 'broken', 0.5, 'a rubbing edge wears, it seldom breaks'),
    ],
    test: 'One feature at full feed per tooth and half the depth: does the hum and the shine go?',
  },
  {
    id: 'thick-chip',
    name: 'Chip too thick: overload',
    usual: 1,
    limits: ['chip-thick', 'drill-feed-high', 'bending-stress', 'drill-torsion', 'tap-breaking'],
    clues: (at) => [
      limitClue(at, 'chip-thick', 'maximum chip thickness'),
      limitClue(at, 'drill-feed-high', 'maximum feed'),
      limitClue(at, 'bending-stress', 'bending stress'),
      limitClue(at, 'drill-torsion', 'torsion'),
      limitClue(at, 'tap-breaking', 'tapping torque'),
      seen(shows(at, 'stall'), 1.8, 'the spindle stalls'),
      seen(at.seen.feedOverride > 105, 2.5, `feed override stood at ${at.seen.feedOverride}%`),
      seen(
        at.seen.speedOverride < 95 && at.seen.feedOverride >= 100,
        4,
        `speed was lowered to ${at.seen.speedOverride}% and the feed was not`,
      ),
      seen(at.seen.ending === 'broken' && (lifeShare(at) ?? 1) < 0.1, 2, 'it broke almost at once'),
      seen(at.seen.ending === 'worn', 0.3, 'it wore'),
    ],
    test: 'Look at the fracture: a clean break right above the cut is overload. One feature at 80% feed.',
  },
  {
    id: 'runout',
    name: 'Runout: one tooth cuts for the others',
    usual: 0.8,
    limits: [],
    clues: (at) => [
      seen(at.op.measured.runoutUm === null, 1.4, 'runout was not measured'),
      seen((at.op.measured.runoutUm ?? 0) > 15, 3, `runout ${at.op.measured.runoutUm} µm`),
      seen(
        at.op.measured.runoutUm !== null && at.op.measured.runoutUm <= 6,
        0.4,
        `runout only ${at.op.measured.runoutUm} µm`,
      ),
      seen(at.seen.ending === 'chipped', 2, 'an edge chipped'),
      seen(at.seen.finish === 'poor', 1.4, 'poor finish'),
    ],
    test: 'Dial the tip in the spindle (2 min). Compare the teeth under a glass: uneven wear is runout.',
  },
  {
    id: 'spike',
    name: 'Load spike in a corner or at the entry',
    usual: 1,
    limits: ['corner-spike', 'ramp-angle', 'lead-in', 'corner-fit'],
    clues: (at) => [
      seen(at.seen.brokeAt === 'corner', 6, 'it broke in a corner'),
      seen(at.seen.brokeAt === 'entry', 4, 'it broke at the entry'),
      seen(at.seen.brokeAt === 'straight', 0.25, 'it broke on a straight'),
      limitClue(at, 'corner-spike', 'corner engagement'),
      limitClue(at, 'corner-fit', 'cutter in the corner'),
      limitClue(at, 'ramp-angle', 'ramp angle'),
      limitClue(at, 'lead-in', 'lead-in'),
      seen(at.seen.ending === 'worn', 0.2, 'it wore'),
    ],
    test: 'Watch the load meter through one corner with an old edge; or rerun the corner with a larger path radius.',
  },
  {
    id: 'recut',
    name: 'Chips cut again',
    usual: 0.8,
    limits: ['chip-space', 'chips-out', 'chip-bulk'],
    clues: (at) => [
      limitClue(at, 'chip-space', 'chip space'),
      limitClue(at, 'chips-out', 'chip evacuation'),
      seen(at.seen.chipForm === 'nest', 8, 'a nest of chips'),
      seen(at.seen.chipForm === 'long', 1.6, 'long chips'),
      seen(
        at.seen.brokeAt === 'floor' || at.seen.brokeAt === 'pecking',
        2.5,
        `it failed at the ${at.seen.brokeAt === 'floor' ? 'floor' : 'peck'}`,
      ),
      seen(
        at.seen.coolantSeen === 'weak' || at.seen.coolantSeen === 'off',
        2,
        'nothing washed the chips out',
      ),
      seen(isHole(at.op), 1.3, 'chips of a hole have one way out'),
    ],
    test: 'Blow the feature out half-way with an air gun: does the sound change? Look for chips pressed into the wall.',
  },
  {
    id: 'chatter',
    name: 'Chatter',
    usual: 0.9,
    limits: ['limit-depth'],
    clues: (at) => [
      seen(at.seen.sound === 'squeal', 7, 'it squealed'),
      seen(at.seen.sound === 'quiet', 0.15, 'it was quiet'),
      seen(limitIn(at, 'limit-depth')?.state === 'over', 4, 'the stability limit is over'),
      seen(limitIn(at, 'limit-depth')?.state === 'clear', 0.5, 'the stability limit is clear'),
      seen(at.seen.ending === 'chipped', 1.5, 'an edge chipped'),
      seen(at.seen.finish === 'poor', 1.6, 'poor finish'),
      seen(shows(at, 'wall-off'), 1.3, 'the wall is off'),
    ],
    test: 'Record five seconds of the cut and read it on Chatter; or look for marks across the wall.',
  },
  {
    id: 'thermal-cracks',
    name: 'Thermal cracks: coolant came and went',
    usual: 0.5,
    limits: ['coolant-match'],
    clues: (at) => [
      seen(at.seen.coolantSeen === 'interrupted', 8, 'coolant was interrupted'),
      seen(at.seen.coolantSeen === 'as stated', 0.5, 'coolant was as stated'),
      seen(
        at.op.coolant === 'flood' && ['H', 'P'].includes(at.context.alloy.iso513_group),
        1.5,
        'flood on an interrupted cut in steel',
      ),
      seen(at.seen.ending === 'chipped', 1.6, 'an edge chipped'),
    ],
    test: 'Look at the rake under a glass: fine cracks square to the edge, a comb, are thermal.',
  },
  {
    id: 'held',
    name: 'Workholding let go',
    usual: 0.4,
    limits: ['workholding', 'workholding-lift', 'workholding-heat', 'holder-grip'],
    clues: (at) => [
      limitClue(at, 'workholding', 'holding force'),
      limitClue(at, 'workholding-lift', 'part lift'),
      limitClue(at, 'workholding-heat', 'workholding temperature'),
      seen(at.seen.part === 'scrapped', 2, 'the part was lost'),
      seen(at.seen.ending === 'worn', 0.2, 'it wore'),
    ],
    test: 'Mark the part against its seat with a pen, run one feature, look whether the line has moved.',
  },
  {
    id: 'inherited',
    name: 'Numbers of another alloy, tool or hardness',
    usual: 0.4,
    limits: ['inherited-numbers', 'material-match'],
    clues: (at) => [
      seen(
        limitIn(at, 'inherited-numbers')?.state === 'over',
        8,
        'speeds and feeds were set for something else',
      ),
      seen(limitIn(at, 'material-match')?.state === 'over', 4, 'the cutter does not belong in this material'),
      seen(at.op.measured.hardness === null, 1.3, 'hardness was not measured'),
      seen((lifeShare(at) ?? 1) < 0.2, 1.5, 'it reached a small part of its life'),
      seen(
        limitIn(at, 'inherited-numbers')?.state === 'clear',
        0.6,
        'speeds and feeds were confirmed for this',
      ),
    ],
    test: 'Read tool number, length and first block at the control against the sheet; measure the hardness.',
  },
  {
    id: 'worn-out',
    name: 'Dull: it had done its work',
    usual: 1,
    limits: ['edge-life'],
    clues: (at) => {
      const share = lifeShare(at);
      const wear = at.seen.wearMm;
      return [
        share !== null && {
          odds: Math.min(8, Math.max(0.1, share ** 1.5)),
          because: `it had run ${percent(share)} of the life expected`,
        },
        seen(at.seen.ending === 'worn', 3, 'it wore'),
        seen(at.seen.ending === 'broken', 0.6, 'a dull edge wears before it breaks'),
        wear !== null && {
          odds: wear >= 0.3 ? 4 : wear >= 0.2 ? 1.5 : 0.3,
          because: `flank wear ${wear} mm`,
        },
        seen(at.seen.burr === 'heavy', 2, 'heavy burr'),
        seen(
          at.earlier.length >= 2 && at.earlier.every((e) => e.lifeShare < 0.6),
          1.8,
          'the edges before it did not last either',
        ),
      ];
    },
    test: 'Take the next edge out after half as many features and measure its flank wear.',
  },
  {
    id: 'overhang',
    name: 'Overhang: the tool bends',
    usual: 0.6,
    limits: ['wall-error', 'long-reach', 'bar-ratio', 'drill-buckling'],
    clues: (at) => [
      limitClue(at, 'long-reach', 'reach'),
      limitClue(at, 'wall-error', 'wall error'),
      limitClue(at, 'bar-ratio', 'bar overhang'),
      limitClue(at, 'drill-buckling', 'buckling'),
      seen(at.seen.brokeAt === 'exit', 1.6, 'it failed at the exit, where a bent tool springs back'),
      // A wall that is off was made by a tool that stood elsewhere, whatever was calculated.
      seen(shows(at, 'wall-off'), 25, 'the wall is off'),
    ],
    test: 'Push the tip by hand with a dial on it, or shorten the stick-out by a diameter for one feature.',
  },
  {
    id: 'spindle',
    name: 'Spindle: not enough power or torque at this speed',
    usual: 0.2,
    limits: ['spindle-torque', 'spindle-power'],
    clues: (at) => [
      // One and the same load: the nearer of the two limits counts, not both.
      shareOf(at, 'spindle-power') >= shareOf(at, 'spindle-torque')
        ? limitClue(at, 'spindle-power', 'spindle power', 3)
        : limitClue(at, 'spindle-torque', 'spindle torque', 3),
      // A spindle that stalls lacks torque, whatever its curve promises: a slack belt, a wrong gear, a drive in reduced power.
      seen(shows(at, 'stall'), 60, 'the spindle stalls'),
      seen(at.seen.loadPercent !== null && at.seen.loadPercent > 100, 4, 'the load meter stood above 100%'),
      seen(at.seen.ending === 'worn', 0.3, 'it wore'),
    ],
    test: 'Run the same cut at half the axial depth and read the load meter in the cut and out of it.',
  },
  {
    id: 'accident',
    name: 'None of these: a bad edge, a hard spot, a knock',
    usual: 0.5,
    limits: [],
    clues: (at) => [
      seen(
        at.earlier.length >= 2 && at.earlier.every((e) => !e.ended),
        2.5,
        'the edges before it were sound',
      ),
      seen(at.earlier.filter((e) => e.ended).length >= 2, 0.2, 'edges before it failed too'),
    ],
    test: 'Run the next edge just the same and look at it after one feature.',
  },
];
