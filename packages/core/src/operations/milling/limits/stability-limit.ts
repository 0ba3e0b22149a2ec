import type { MillingState } from '../milling-state.ts';
import type { LimitState } from '../../../judging/result.ts';
import {
  AVERAGED_CUT,
  CHIP_SLOPE,
  type ChatterChance,
  DAMPING_SENSITIVITY,
  PROCESS_DAMPING,
  type StabilityState,
} from '../stability-state.ts';
import type { Trust } from '../../../physics/dynamics/tip-knowledge.ts';
import { cuttingForceSources } from '../../sources.ts';
import {
  type Estimate,
  exact,
  over,
  sensitiveTo,
  type Source,
  uncertain,
} from '../../../judging/estimate.ts';
import { measure, say, type Sentence } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';

const NARROW: Readonly<Record<Trust, string>> = {
  measured: 'repeat the tap test',
  coupled: 'tap-test at this stick-out',
  table: 'tap-test this combination',
  generic: 'tap-test this combination, or log test cuts',
};

function structureSources({ knowledge, sigma, testCuts }: StabilityState): readonly Source[] {
  const kind =
    testCuts > 0 || knowledge.trust === 'measured'
      ? 'measured'
      : knowledge.trust === 'generic'
        ? 'assumed'
        : 'library';
  const narrowBy = NARROW[knowledge.trust];
  const of = (id: string, what: string, sd: number): Source => ({
    id,
    label: `${what} of the tip, ${knowledge.from}`,
    kind,
    sigma: sd,
    narrowBy,
  });
  return [
    of('tip-stiffness', 'stiffness', sigma.stiffness),
    of('tip-damping', 'damping', sigma.damping),
    of('tip-frequency', 'frequency', sigma.hz),
  ];
}

/** The even-chance depth with what it rests on, mm; null where no depth in reach chatters. */
function limitDepthEstimate(state: MillingState): Estimate | null {
  const { stability, op, context } = state;
  const { knowledge, testCuts, sigma } = stability;
  const chatter = stability.chatter();
  if (chatter.evenMm === null) return null;
  const { spread } = chatter;
  if (testCuts > 0) {
    return uncertain(chatter.evenMm, {
      id: 'test-cuts',
      label: `${testCuts} test ${testCuts === 1 ? 'cut' : 'cuts'} here, on modes ${knowledge.from}`,
      kind: 'measured',
      sigma: Math.max(0.02, Math.hypot(spread.frequency, spread.model)),
      narrowBy: 'log one more test cut near the border',
    });
  }
  const [stiffness, damping, frequency] = structureSources(stability);
  let e: Estimate = exact(chatter.evenMm);
  e = sensitiveTo(e, stiffness!, 1);
  e = sensitiveTo(e, damping!, DAMPING_SENSITIVITY);
  for (const source of cuttingForceSources(op, context).sources) e = sensitiveTo(e, source, -1);
  e = sensitiveTo(e, CHIP_SLOPE, -1);
  e = sensitiveTo(e, PROCESS_DAMPING, spread.land / Math.max(1e-6, sigma.processDamping));
  if (sigma.hz > 0) e = sensitiveTo(e, frequency!, spread.frequency / sigma.hz);
  return chatter.periodic ? e : sensitiveTo(e, { ...AVERAGED_CUT, sigma: spread.model }, 1);
}

/** Chances that part the states of a cut nobody has measured; the 10 and 90% points of every other band. */
const LIKELY_CALM = 0.1;
const EVEN = 0.5;
const LIKELY_CHATTER = 0.9;

/** State by the chance of chatter. Where nobody has measured, a middling chance proves nothing. */
export function stateOfChance(chance: number, measured: boolean): LimitState {
  if (chance <= LIKELY_CALM) return 'clear';
  if (chance <= EVEN) return 'tight';
  return measured || chance >= LIKELY_CHATTER ? 'over' : 'unproven';
}

/** What was heard of this very cut has the last word. */
function stateOf(stability: StabilityState, chatter: ChatterChance): LimitState {
  const { same, knowledge, testCuts } = stability;
  const state = stateOfChance(chatter.chance, knowledge.trust !== 'generic' || testCuts > 0);
  if (same?.heard === 'chatter') return 'over';
  if (same?.heard === 'marginal') return state === 'over' ? 'over' : 'tight';
  if (same?.heard === 'stable') return state === 'clear' ? 'clear' : 'tight';
  return state;
}

const percent = (chance: number): string =>
  chance < 0.01 ? 'under 1%' : chance > 0.99 ? 'over 99%' : `${Math.round(100 * chance)}%`;

function sentenceOf(state: MillingState, chatter: ChatterChance): Sentence {
  const { stability, op } = state;
  const { same, knowledge, testCuts } = stability;
  if (same && same.heard !== 'marginal') {
    return say(
      same.heard === 'chatter'
        ? 'Chatter was logged here: {0} deep at {1}.'
        : 'Stable was logged here: {0} deep at {1}.',
      measure(same.depthMm, 'mm'),
      measure(same.rpm, 'rpm'),
    );
  }
  const rpm = measure(op.cut.speedRpm, 'rpm');
  const basis =
    knowledge.trust === 'generic' && testCuts === 0
      ? 'typical values only. Tap-test, or log test cuts.'
      : `${knowledge.from}${testCuts > 0 ? `, ${testCuts} test ${testCuts === 1 ? 'cut' : 'cuts'}` : ''}.`;
  if (chatter.evenMm === null) {
    return say(
      `No depth in reach is likely to chatter at {0} (chance at this depth ${percent(chatter.chance)}); ${basis}`,
      rpm,
    );
  }
  return say(
    `Chance of chatter ${percent(chatter.chance)} at {0}; 50% at {1}, chatter near {2}; ${basis}`,
    rpm,
    measure(chatter.evenMm, 'mm'),
    measure(chatter.hz ?? 0, 'Hz'),
  );
}

/** Depth of the cut against the depth at which it begins to chatter at this speed. */
export const stabilityLimit: Limit<MillingState> = {
  id: 'limit-depth',
  group: 'vibration',
  name: 'stability limit',
  asks: 'borders',
  needsTip: true,
  lobed: true,
  assess(state) {
    const { op, stability } = state;
    if (op.path.strategy === 'plunge') return null;
    const chatter = stability.chatter();
    const estimate = limitDepthEstimate(state);
    const depth = op.cut.axialDepthMm;
    return {
      predicted: { estimate: exact(depth), unit: 'mm' },
      allowed: estimate && {
        value: estimate.value,
        unit: 'mm',
        from: `50% chance of chatter, ${chatter.periodic ? 'periodic solution' : 'averaged cut, an overview'}`,
      },
      share: estimate ? over(exact(depth), estimate) : exact(chatter.share),
      verdict: stateOf(stability, chatter),
      why: () => sentenceOf(state, chatter),
      formula: 'P = Σ wᵢ·Φ(ln(ap/ap lim,ᵢ)/σ), ap lim from det(I − ap·(W(t), delay, modes)) = 0',
      inputs: () => [
        input('ap', 'axial depth', depth, 'mm'),
        input('P', 'chance of chatter', 100 * chatter.chance, 'percent'),
        ...(chatter.mode
          ? [
              input('fn', 'mode that chatters', chatter.mode.hz, 'Hz'),
              input('ζ', 'its damping', chatter.mode.damping * 100, 'percent'),
              input('k', 'its stiffness', chatter.mode.stiffness / 1e6, 'N/um'),
            ]
          : []),
        input('Ktc', 'force that grows with the chip', stability.cut.tangential, 'N/mm2'),
        input('Kd', 'process damping', (stability.cut.dampingNPerM ?? 0) / 1000, 'N/mm'),
      ],
      source:
        'Insperger & Stépán 2004 by spectral segments, Altintas & Budak 1995 as the overview; process damping Wu 1989; modes ' +
        stability.knowledge.from,
    };
  },
};
