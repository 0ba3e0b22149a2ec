import { measure, say } from '../../units/sentence.ts';
import { hardeningCautions } from '../holes/difficult-chips.ts';
import { HOLDS_PART } from '../lathe/held-part.ts';
import { LATHE_CAUTIONS } from '../lathe/lathe-cautions.ts';
import { seatCautions, seatNotes } from '../lathe/tool-seat.ts';
import { jawGripLimit } from '../lathe/limits/jaw-grip.ts';
import { spindleDirectionLimit } from '../lathe/limits/spindle-direction.ts';
import { slendernessLimit } from '../lathe/limits/part-overhang.ts';
import { spindleCapLimit } from '../lathe/limits/spindle-cap.ts';
import { OF_ALL } from '../limits/ladder-of-all.ts';
import { operationKind } from '../operation-kind.ts';
import type { Parameter } from '../parameter.ts';
import { setSpeedAndFeed } from '../set-speed-and-feed.ts';
import { checkGrooving } from './check-grooving.ts';
import { groovingMovables } from './grooving-movables.ts';
import { groovingNumbers } from './grooving-numbers.ts';
import type { GroovingOperation } from './grooving-operation.ts';
import { groovingState, type GroovingState } from './grooving-state.ts';
import { groovingSwitches } from './grooving-switches.ts';
import { bladeBucklingLimit, bladeOverhangLimit } from './limits/blade.ts';
import { firstPlungeLimit, grooveCornerLimit, grooveFitLimit } from './limits/fit.ts';
import { grooveChatterLimit, grooveRoughnessLimit, grooveWallLimit } from './limits/groove-part.ts';
import { grooveChipLimit, grooveChipsLimit, grooveFeedLimit, wideningLimit } from './limits/plunging.ts';
import { centreFeedLimit, partedLengthLimit, partingPlaceLimit, partThrownLimit } from './limits/parting.ts';
import { startingGrooving } from './starting-grooving.ts';

const PARAMETERS = ['n', 'vc', 'fn', 'vf', 'ap'] as const satisfies readonly Parameter[];

const VERBS = {
  outside: 'Groove',
  inside: 'Groove inside',
  face: 'Groove the face',
  'part-off': 'Part off',
} as const;
const CAUGHT = {
  nothing: '',
  catcher: 'Catcher under the part.',
  'sub-spindle': 'Sub-spindle holds the part, turning with it.',
} as const;

/** Grooves outside, inside and in faces, and parting. */
export const groovingKind = operationKind<GroovingOperation, GroovingState>({
  kind: 'grooving',
  tool: {
    toothless: true,
    named:
      'a grooving insert (inside one on a round bar, in a face one curved for it), a parting blade to part off',
    fits: ({ type, properties }, { groove }) => {
      const bar = properties.DCONMS !== undefined;
      const curved = properties['DAXX'] !== undefined;
      if (groove.way === 'part-off' || groove.way === 'outside')
        return (type === 'parting_insert' || type === 'grooving_insert') && !bar && !curved;
      return type === 'grooving_insert' && (groove.way === 'inside' ? bar : curved);
    },
  },
  verb: ({ groove }) => VERBS[groove.way],
  notes: ({ seat, cut, groove }) => [
    ...seatNotes(seat),
    say('Constant surface speed; spindle no faster than {0}.', measure(cut.capRpm, 'rpm')),
    ...(groove.support === 'chuck' ? [] : [say(`Free end held by ${HOLDS_PART[groove.support]}.`)]),
    ...(groove.way === 'part-off'
      ? [
          say(
            'Below ⌀ {0} feed {1}. Stop before zero; centre height +0.1/−0 mm.',
            measure(cut.slowBelowMm, 'mm'),
            measure(cut.slowShare * cut.feedPerRevMm, 'mm/rev'),
          ),
          ...(CAUGHT[groove.caughtBy] ? [say(CAUGHT[groove.caughtBy])] : []),
        ]
      : [say('One turn of dwell at the bottom at most; none where the alloy hardens.')]),
    ...(groove.way === 'face' ? [say(`First plunge at the ${cut.firstPlunge} end.`)] : []),
  ],
  parameters: PARAMETERS,
  shown: {
    set: ['vc', 'n', 'fn', 'ap'],
    watch: ['nMax', 'plunges', 'Fc', 'P', 'rim', 'Ra', 't'],
    follows: ['nMax', 'plunges', 'Fc', 'Ff', 'M', 'P', 'Q', 'aside', 'rim', 'Ra', 'T', 't'],
  },
  movables: groovingMovables,
  switches: groovingSwitches,
  checks: checkGrooving,
  speedDiameter: ({ groove }) => Math.max(groove.startMm, groove.endMm),
  set: (op, context, key, value, diameterMm) =>
    key === 'ap'
      ? { ...op, cut: { ...op.cut, depthMm: value } }
      : setSpeedAndFeed(op, context, key, value, diameterMm),
  start: startingGrooving,
  renew: (op, context, diameterMm) => {
    const { speedRpm, capRpm, feedPerRevMm } = startingGrooving(op, context, diameterMm);
    return { ...op.cut, speedRpm, capRpm, feedPerRevMm };
  },
  state: groovingState,
  numbers: groovingNumbers,
  rests: (s) => [s.asideMm],
  cautions: (op, context) => [
    ...LATHE_CAUTIONS,
    ...seatCautions(op, context.machine),
    ...(op.groove.way === 'part-off'
      ? [
          'A parted part is thrown: door shut, nothing in its way, never caught by hand.',
          'A long bar behind the spindle whips: guide it over its whole length, or cut it short.',
        ]
      : []),
    ...hardeningCautions(context),
  ],
  ladder: [
    ...OF_ALL.machine,
    spindleDirectionLimit,
    spindleCapLimit,
    ...OF_ALL.cutter,
    grooveFitLimit,
    firstPlungeLimit,
    grooveFeedLimit,
    grooveChipLimit,
    wideningLimit,
    bladeBucklingLimit,
    jawGripLimit,
    grooveCornerLimit,
    grooveWallLimit,
    grooveRoughnessLimit,
    slendernessLimit,
    bladeOverhangLimit,
    partingPlaceLimit,
    grooveChatterLimit,
    ...OF_ALL.life,
    centreFeedLimit,
    partThrownLimit,
    partedLengthLimit,
    grooveChipsLimit,
    ...OF_ALL.process,
  ],
});
