import { type Source, uncertain } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { HOLDINGS } from '../../../physics/holding/holdings.ts';
import { gripLoss } from '../../../physics/turning/jaw-grip.ts';
import { leastChipWidth } from '../../../physics/turning/least-chip-width.ts';
import { held } from '../../holes/limits/assessments.ts';
import type { OperationContext } from '../../context.ts';
import { outsideDiameter, smallestDiameter } from '../turning-operation.ts';
import type { TurningState } from '../turning-state.ts';

/** Overhang over diameter a part is turned at, by what holds its free end. Rules of the trade. */
const SLENDER = { chuck: 5, tailstock: 12, steady: 25 } as const;

/** A part that stands out too far whips, bends and climbs over the tool. */
export const slendernessLimit: Limit<TurningState> = {
  id: 'part-overhang',
  reads: 'setup',
  group: 'vibration',
  name: 'part overhang',
  assess({ slenderness, op: { stretch } }) {
    const most = SLENDER[stretch.support];
    return held(
      slenderness,
      most,
      'ratio',
      `part held by ${stretch.support === 'chuck' ? 'the chuck alone' : stretch.support}`,
      {
        why: () =>
          say('Part stands out {0}×D; {1}×D allowed.', measure(slenderness, 'ratio'), measure(most, 'ratio')),
        formula: 'L/D ≤ 5 in the chuck, 12 with tailstock, 25 with steady rest',
        inputs: () => [input('L', 'part overhang', stretch.overhangMm, 'mm')],
        source: 'workshop rule; the machine’s manual decides',
      },
    );
  },
};

const SIZE_MODEL: Source = {
  id: 'turned-size',
  label: 'bending of part and tool',
  kind: 'model',
  sigma: 0.25,
  narrowBy: 'measure the diameter at both ends of the first part',
};

/** Part and tool give way more in one place than in another: the diameter runs. */
export const turnedSizeLimit: Limit<TurningState> = {
  id: 'turned-size',
  group: 'accuracy',
  name: 'diameter along the cut',
  asks: 'forces',
  assess({ sizeErrorMm, op: { stretch }, passiveN }) {
    if (stretch.toleranceMm === null || stretch.way === 'face') return null;
    const most = stretch.toleranceMm / 2;
    return held(
      { value: sizeErrorMm.value, terms: [...sizeErrorMm.terms, { source: SIZE_MODEL, sensitivity: 1 }] },
      most,
      'mm-fine',
      'half the tolerance',
      {
        why: () =>
          say(
            'Diameter differs by {0} along the cut; {1} allowed (half the tolerance).',
            measure(sizeErrorMm.value, 'mm-fine'),
            measure(most, 'mm-fine'),
          ),
        formula: 'ΔD = 2·(δ most − δ least) + what of the tool varies',
        inputs: () => [input('Fp', 'passive force', passiveN.value, 'N')],
        source: 'Euler–Bernoulli; chuck taken as rigid',
      },
    );
  },
};

const MARKS: Source = {
  id: 'feed-marks',
  label: 'measured over theoretical roughness',
  kind: 'model',
  sigma: 0.3,
  narrowBy: 'measure Ra on the first part',
};

/** Feed marks of the nose. */
export const turnedRoughnessLimit: Limit<TurningState> = {
  id: 'turned-roughness',
  group: 'accuracy',
  name: 'surface roughness',
  assess({ raUm, theoreticalRaUm, op: { stretch, cut } }) {
    const asked = stretch.raUm;
    if (asked === null) return null;
    return held(uncertain(raUm, MARKS), asked, 'um-fine', 'drawing', {
      why: () =>
        say(
          'Feed marks Ra {0}, in this alloy Ra {1}; {2} required.',
          measure(theoreticalRaUm, 'um-fine'),
          measure(raUm, 'um-fine'),
          measure(asked, 'um-fine'),
        ),
      formula: 'Ra = f²/(18·√3·RE) times 1.2 to 1.7, or what the rounded edge squeezes',
      inputs: () => [input('fn', 'feed per revolution', cut.feedPerRevMm, 'mm/rev')],
      source: 'Brammertz 1961; judgement rule G-82',
    });
  },
};

/** Damping of a part in a chuck, and what a worn land at usual speeds adds to the least chip width. Judgement, wide on purpose. */
const PART_DAMPING = 0.03;
const LAND_HELPS = 1.6;
const CHATTER_MODEL: Source = {
  id: 'part-mode',
  label: 'stiffness and damping of the part in its chuck, not measured',
  kind: 'assumed',
  sigma: 0.35,
  narrowBy: 'tap the part in the chuck, or log whether it squealed',
};

/** A slender part chatters from some width of chip on, at any speed. */
export const partChatterLimit: Limit<TurningState> = {
  id: 'part-chatter',
  group: 'vibration',
  name: 'chatter of the part',
  asks: 'forces',
  assess({ op: { stretch }, chip, acrossMPa, partStiffnessNMm, partHz }) {
    if (stretch.way !== 'outside') return null;
    const { widthMm, hz } = leastChipWidth(
      { stiffnessNMm: partStiffnessNMm, dampingRatio: PART_DAMPING, naturalHz: partHz },
      acrossMPa,
    );
    const allowed = uncertain(LAND_HELPS * widthMm, CHATTER_MODEL);
    return held(chip.acrossMm, allowed, 'mm', 'part between its supports', {
      why: () =>
        say(
          'Edge across the part {0}, most of it the nose; this part chatters from {1} on, near {2}.',
          measure(chip.acrossMm, 'mm'),
          measure(allowed.value, 'mm'),
          measure(hz, 'Hz'),
        ),
      formula: '∫cos²κ db ≤ 1.6·2·k·ζ·(1+ζ)/Kf',
      inputs: () => [
        input('k', 'stiffness of the part', partStiffnessNMm / 1000, 'N/um'),
        input('Kf', 'cutting stiffness across the edge', acrossMPa, 'N/mm2'),
      ],
      source: 'Tlusty & Poláček 1963; damping and land estimated',
    });
  },
};

/**
 * Jaws and chuck where nobody stated them: three jaws of this weight, this far out, of a chuck of this size, and what it pushes with.
 * Estimates of the class.
 */
const CHUCK = {
  jaws: 3,
  massKg: 0.9,
  sizeMm: 254,
  radiusShare: 0.36,
  friction: 0.2,
  forceN: 60_000,
} as const;

/** Grip against sliding along and round the part at rest, N, and whether the setup states it. */
function gripOf({ held: given }: OperationContext): {
  readonly kind: 'chuck' | 'collet';
  readonly liftN: number;
  readonly stated: boolean;
} {
  if (given && (given.kind === 'chuck' || given.kind === 'collet'))
    return { kind: given.kind, liftN: given.liftN, stated: true };
  return { kind: 'chuck', liftN: CHUCK.friction * CHUCK.forceN, stated: false };
}

/** The cut must not turn the part in its jaws or push it through them; the jaws' own weight loosens them as they turn. */
export const jawGripLimit: Limit<TurningState> = {
  id: 'jaw-grip',
  group: 'strength',
  name: 'chuck grip',
  asks: 'forces',
  assess({ context, op: { stretch }, cuttingN, feedN, diameterInCutMm, speedRpm, fastestRpm }) {
    const { kind, liftN, stated } = gripOf(context);
    const size = context.machine.turning_spindle?.chuck_mm ?? CHUCK.sizeMm;
    const jaws = {
      count: CHUCK.jaws,
      massKg: CHUCK.massKg * (size / CHUCK.sizeMm) ** 3,
      radiusMm: CHUCK.radiusShare * size,
    };
    const gripped = outsideDiameter(stretch);
    /** Where the part is large it is turned with more, where it is small it runs faster. */
    const at = (diameterMm: number, rpm: number) => {
      const lossN = kind === 'collet' ? 0 : CHUCK.friction * gripLoss(jaws, rpm);
      const left = Math.max(1, liftN - lossN);
      const asked = Math.hypot((cuttingN.value * diameterMm) / gripped, feedN.value) * HOLDINGS[kind].factor;
      return { rpm, lossN, left, asked };
    };
    const [large, small] = [at(diameterInCutMm, speedRpm), at(smallestDiameter(stretch), fastestRpm)];
    const worst = large.asked / large.left > small.asked / small.left ? large : small;
    return {
      ...held(
        { value: worst.asked, terms: cuttingN.terms },
        worst.left,
        'N',
        stated ? 'holding of the setup' : 'usual chuck, not stated',
        {
          why: () =>
            say(
              `Cut asks for {0} of grip; {1} left at {2}${stated ? '' : ' in a usual chuck: state yours with the setup'}.`,
              measure(worst.asked, 'N'),
              measure(worst.left, 'N'),
              measure(worst.rpm, 'rpm'),
            ),
          formula: 'factor·√((Fc·D/Dg)² + Ff²) ≤ μ·(F − 3·m·r·ω²)',
          inputs: () => [
            input('Fc', 'cutting force', cuttingN.value, 'N'),
            input('loss', 'taken by the jaws’ weight', worst.lossN / CHUCK.friction, 'N'),
          ],
          source: 'Coulomb friction; centrifugal force of the jaws, estimated',
        },
      ),
      // A chuck nobody stated proves nothing.
      ...(stated
        ? {}
        : { share: null, verdict: worst.asked > worst.left ? ('tight' as const) : ('clear' as const) }),
    };
  },
};

/** No faster than the spindle of the part turns. */
export const spindleCapLimit: Limit<TurningState> = {
  id: 'spindle-cap',
  group: 'machine',
  name: 'spindle cap',
  assess({ fastestRpm, capAtMm, context: { machine } }) {
    return held(fastestRpm, machine.max_rpm, 'rpm', `${machine.name}, spindle of the part`, {
      why: () =>
        say(
          capAtMm === null
            ? 'Part turns up to {0}; {1} allowed (spindle). Never above what chuck and jaws are rated for.'
            : 'Part turns up to {0}, the cap, from {2} down; {1} allowed (spindle). Never above what chuck and jaws are rated for.',
          measure(fastestRpm, 'rpm'),
          measure(machine.max_rpm, 'rpm'),
          measure(capAtMm ?? 0, 'mm'),
        ),
      formula: 'min(cap, 1000·vc/(π·d)) ≤ n max',
      inputs: () => [input('n', 'fastest in this stretch', fastestRpm, 'rpm')],
      source: 'machine record; the chuck’s plate decides',
    });
  },
};
