import { memoryBeside, memoryOf } from '../../numerics/memory.ts';
import type { OperationContext } from '../context.ts';
import type { MillingOperation } from './milling-operation.ts';
import {
  depthAlongTool,
  depthAtTip,
  modeHeardAt,
  structureAtDepth,
} from '../../physics/dynamics/along-tool.ts';
import {
  averagedBorderAt,
  borderCloud,
  CLOSE_SHIFTS,
  QUICK_SHIFTS,
} from '../../physics/dynamics/border-cloud.ts';
import {
  chanceOf,
  depthOfChance,
  spreadOf,
  type WeightedBorder,
} from '../../physics/dynamics/chatter-chance.ts';
import type { ChatterCut } from '../../physics/dynamics/chatter-cut.ts';
import { chatterCutOf } from './chatter-of.ts';
import {
  type Belief,
  priorBelief,
  type TestCut,
  unknownsOf,
} from '../../physics/dynamics/learning/belief.ts';
import { learn } from '../../physics/dynamics/learning/learn.ts';
import { HEARING, quickBorders } from '../../physics/dynamics/learning/world-border.ts';
import { type Heard, type Observation, speaksFor, trueSpeed } from '../../physics/dynamics/resonance-book.ts';
import { tipKnowledge, type TipKnowledge } from '../../physics/dynamics/tip-knowledge.ts';
import type { TipMode, TipStructure } from '../../physics/dynamics/tip-structure.ts';
import { sigmaOf, type Source, uncertain } from '../../judging/estimate.ts';
import type { LoadInput } from './milling-loads.ts';
import { millingInput } from './milling-input.ts';

/** How likely a cut chatters, and what that rests on. */
export interface ChatterChance {
  /** Chance that this very cut chatters. */
  readonly chance: number;
  /** Depth along the tool with an even chance, mm; null where no depth in reach has one. */
  readonly evenMm: number | null;
  /** This cut over the even-chance depth, both as they count at the tip. */
  readonly share: number;
  /** Frequency it would be heard at, Hz, and the mode that moves most there; null where nothing chatters. */
  readonly hz: number | null;
  readonly mode: TipMode | null;
  /** Worked out by the periodic solution. */
  readonly periodic: boolean;
  /** Log standard deviations of the border by what is not known: frequencies, land, way of reckoning. */
  readonly spread: { readonly frequency: number; readonly land: number; readonly model: number };
}

/** A cut logged at the machine that is this very cut or bounds it. */
export interface SameCut {
  readonly heard: Heard;
  readonly rpm: number;
  readonly depthMm: number;
}

/** What decides whether a cut chatters, and how well each of it is known. */
export interface StabilityState {
  readonly knowledge: TipKnowledge;
  /** The structure after what the test cuts taught. */
  readonly structure: TipStructure;
  /** The cut after what the test cuts taught, and as the library has it. */
  readonly cut: ChatterCut;
  readonly cut0: ChatterCut;
  /** Cuts at the machine that speak of this combination. */
  readonly testCuts: number;
  /** A logged cut that settles this one, worst first; null where none does. */
  readonly same: SameCut | null;
  /** Log standard deviations of what the border rests on. */
  readonly sigma: {
    readonly hz: number;
    readonly stiffness: number;
    readonly damping: number;
    readonly processDamping: number;
  };
  /** What the periodic verdict of this very cut is kept under. */
  readonly key: () => string;
  /** Worked out when first asked. */
  chatter(): ChatterChance;
  /** The averaged cut's border at another speed, felt as at this depth, mm along the tool. */
  borderAt(rpm: number): { readonly depthMm: number | null; readonly hz: number | null };
}

/** The land is an estimate (σ 0.4) and its damping goes with the square. */
export const PROCESS_DAMPING: Source = {
  id: 'process-damping',
  label: 'damping by the edge’s land on the wave',
  kind: 'assumed',
  sigma: 0.8,
  narrowBy: 'log test cuts at low speed',
};

/** The averaged cut against the periodic solution. */
export const AVERAGED_CUT: Source = {
  id: 'averaged-cut',
  label: 'averaged cut in place of the interrupted one',
  kind: 'model',
  sigma: 0.14,
  narrowBy: 'wait for the periodic solution',
};

/** How fast the force grows with the chip: the linear pair against Kienzle's slope. */
export const CHIP_SLOPE: Source = {
  id: 'chip-slope',
  label: 'growth of the force with the chip',
  kind: 'model',
  sigma: 0.15,
  narrowBy: 'identify the cutting coefficients in two feeds',
};

/** How a border moves with damping: half of it is the cut's own. */
export const DAMPING_SENSITIVITY = 0.8;

/** Observations of this combination, in any alloy and at any width. */
export const observationsOf = (op: MillingOperation, context: OperationContext): readonly Observation[] =>
  (context.resonance?.observations ?? []).filter(
    (o) =>
      o.machineId === context.machine.id &&
      o.holderId === context.holder.id &&
      o.cutterId === context.cutter.id &&
      Math.abs(o.stickOutMm - op.tooling.stickOutMm) <= 0.5 &&
      speaksFor(context.resonance?.serial ?? null, o.machineSerial),
  );

/** The cut an observation was made at. Another alloy's observation speaks of the structure through its own forces. */
export function testCutOf(o: Observation, op: MillingOperation, context: OperationContext): TestCut {
  const as: MillingOperation = {
    ...op,
    cut: {
      ...op.cut,
      axialDepthMm: o.axialDepthMm,
      radialEngagementMm: o.radialEngagementMm,
      feedPerToothMm: o.feedPerToothMm,
      direction: o.direction,
      speedRpm: trueSpeed(o),
    },
  };
  const cut = chatterCutOf(as, context, millingInput(as, context));
  return {
    cut,
    rpm: trueSpeed(o),
    depthMm: o.axialDepthMm,
    heard: o.heard,
    hz: o.hz,
  };
}

/** Test cuts a belief is weighed by: the latest tell most, and each costs as much as the first. */
const MOST_TESTS = 16;
/** Worlds a belief holds where nobody asks for more: the bench and the lobes then say the same. */
export const WORLDS = 240;
const beliefs = memoryOf<Belief>(60);

/** What is believed of the structure after all test cuts; remembered by what it was learnt from. */
export function beliefOf(
  op: MillingOperation,
  context: OperationContext,
  knowledge: TipKnowledge,
  worlds = WORLDS,
): Belief {
  const tests = observationsOf(op, context)
    .slice(-MOST_TESTS)
    .map((o) => testCutOf(o, op, context));
  const stickOutMm = op.tooling.stickOutMm;
  return beliefs.recall(
    JSON.stringify([knowledge.structure, knowledge.sigma, stickOutMm, tests, worlds]),
    () =>
      tests.reduce(
        (belief, t, i) => learn(belief, t, 17 + i),
        priorBelief(knowledge.structure, knowledge.sigma, { worlds, stickOutMm }),
      ),
  );
}

interface Learnt {
  readonly structure: TipStructure;
  readonly processDamping: number;
  readonly sigma: StabilityState['sigma'];
}

/** The structure at the middle of a belief; the same object each time. */
const learnt = memoryBeside(learnFrom);

function learnFrom(belief: Belief): Learnt {
  const u = unknownsOf(belief);
  const shift =
    (axis: 'x' | 'y') =>
    (m: TipMode): TipMode => ({
      ...m,
      hz: m.hz * Math.exp(u[`hz-${axis}`].mean),
      stiffness: m.stiffness * Math.exp(u[`stiffness-${axis}`].mean - u.cutting.mean),
      damping: Math.min(0.5, m.damping * Math.exp(u.damping.mean)),
    });
  return {
    structure: { x: belief.structure.x.map(shift('x')), y: belief.structure.y.map(shift('y')) },
    processDamping: Math.exp(u['process-damping'].mean - u.cutting.mean),
    sigma: {
      hz: Math.max(u['hz-x'].sigma, u['hz-y'].sigma),
      stiffness: Math.max(u['stiffness-x'].sigma, u['stiffness-y'].sigma),
      damping: u.damping.sigma,
      processDamping: u['process-damping'].sigma,
    },
  };
}

/** Speeds nearer than this are the same to the lobes. */
const SAME_SPEED = 0.02;
const WORST_FIRST: readonly Heard[] = ['chatter', 'marginal', 'stable'];

/**
 * What was heard of this very cut: same alloy and direction, speed within 2%. A cut that chattered no deeper and no wider than
 * this one says that this one does; a calm one no shallower and no narrower says that it does not.
 */
function sameCutOf(
  op: MillingOperation,
  context: OperationContext,
  seen: readonly Observation[],
): SameCut | null {
  const { cut } = op;
  const found = seen
    .filter((o) => o.alloyId === context.alloy.id && o.direction === cut.direction)
    .filter((o) => Math.abs(trueSpeed(o) / cut.speedRpm - 1) <= SAME_SPEED)
    .filter((o) =>
      o.heard === 'stable'
        ? o.axialDepthMm >= cut.axialDepthMm - 1e-9 && o.radialEngagementMm >= cut.radialEngagementMm - 1e-9
        : o.axialDepthMm <= cut.axialDepthMm + 1e-9 && o.radialEngagementMm <= cut.radialEngagementMm + 1e-9,
    )
    .sort((a, b) => WORST_FIRST.indexOf(a.heard) - WORST_FIRST.indexOf(b.heard));
  const [worst] = found;
  return worst ? { heard: worst.heard, rpm: trueSpeed(worst), depthMm: worst.axialDepthMm } : null;
}

/** How a border moves with the land's damping where nobody has worked it out. */
const QUICK_LAND = 0.4;

/** What the periodic solution leaves of the doubt about the way of reckoning: runout and what is not in the model. */
const PERIODIC_DOUBT = 0.05;

/** Log standard deviation of a border from what multiplies it: stiffness, damping, force. */
const multiplyingSigma = (sigma: StabilityState['sigma'], forces: readonly Source[], model: number): number =>
  Math.hypot(
    sigma.stiffness,
    DAMPING_SENSITIVITY * sigma.damping,
    sigmaOf(uncertain(1, ...forces)),
    CHIP_SLOPE.sigma,
    model,
  );

/** Chance from borders in worlds that differ; depths are felt as at this cut's. */
function chanceFrom(
  op: MillingOperation,
  structure: TipStructure,
  borders: readonly WeightedBorder[],
  sigma: number,
  rest: Pick<ChatterChance, 'hz' | 'periodic' | 'spread'>,
): ChatterChance {
  const depth = op.cut.axialDepthMm;
  const stickOut = op.tooling.stickOutMm;
  const even = depthOfChance(borders, 0.5, sigma);
  const chance = chanceOf(borders, depth, sigma);
  if (even === Infinity) return { ...rest, chance, evenMm: null, share: 0, hz: null, mode: null };
  const felt = structureAtDepth(structure, depth, stickOut);
  const mode = rest.hz === null ? null : modeHeardAt(felt, rest.hz);
  const own = mode ? ([...structure.x, ...structure.y].find((m) => m.hz === mode.hz) ?? mode) : null;
  const along = own ? depthAlongTool(own, (even * depthAtTip(own, depth, stickOut)) / depth, stickOut) : even;
  return { ...rest, chance, evenMm: along > stickOut ? null : along, share: depth / even, mode: own };
}

/** Works out what the stability of a milling cut rests on; borders only when asked. */
export function stabilityState(
  op: MillingOperation,
  context: OperationContext,
  input: Pick<LoadInput, 'bands' | 'pitch' | 'kc11' | 'diameter' | 'meanChip' | 'sources'>,
): StabilityState {
  const knowledge = tipKnowledge(
    context,
    op.tooling.stickOutMm,
    context.resonance?.tips ?? [],
    context.resonance?.serial ?? null,
  );
  const seen = observationsOf(op, context);
  const cut0 = chatterCutOf(op, context, input);
  let cut = cut0;
  let { structure } = knowledge;
  let sigma: StabilityState['sigma'] = { ...knowledge.sigma, processDamping: PROCESS_DAMPING.sigma };
  const belief = seen.length > 0 ? beliefOf(op, context, knowledge) : null;
  if (belief) {
    const after = learnt(belief);
    structure = after.structure;
    sigma = after.sigma;
    cut = { ...cut, dampingNPerM: (cut.dampingNPerM ?? 0) * after.processDamping };
  }
  const rpm = op.cut.speedRpm;
  const at = { depthMm: op.cut.axialDepthMm, stickOutMm: op.tooling.stickOutMm };
  const key = (): string => JSON.stringify([structure, cut, rpm, op.tooling.stickOutMm]);

  const fromWorlds = (b: Belief, ratio: number, periodic: boolean): ChatterChance => {
    const found = quickBorders(b, cut0, rpm, at.depthMm);
    const borders = found.map(({ tipMm, mode }) => ({
      depthMm:
        tipMm === Infinity || !mode
          ? Infinity
          : (ratio * tipMm * at.depthMm) / depthAtTip(mode, at.depthMm, at.stickOutMm),
      weight: 1 / found.length,
    }));
    const heard = found
      .filter((f) => f.mode)
      .map((f) => f.hz)
      .sort((a, c) => a - c);
    const doubt = found.reduce((sum, f) => sum + f.doubt, 0) / found.length;
    const model = Math.hypot(HEARING, periodic ? PERIODIC_DOUBT : Math.hypot(AVERAGED_CUT.sigma, doubt));
    return chanceFrom(op, structure, borders, model, {
      hz: heard[heard.length >> 1] ?? null,
      periodic,
      spread: { frequency: spreadOf(borders), land: 0, model },
    });
  };

  let worked: ChatterChance | null = null;
  return {
    knowledge,
    structure,
    cut,
    cut0,
    testCuts: seen.length,
    same: sameCutOf(op, context, seen),
    sigma,
    key,
    chatter() {
      if (worked) return worked;
      const verdict = context.periodic && context.periodic.key === key() ? context.periodic : null;
      const ratio = verdict ? Math.exp(verdict.overAveraged) : 1;
      if (belief) return (worked = fromWorlds(belief, ratio, verdict !== null));
      const cloud = borderCloud(
        cut,
        structure,
        rpm,
        at,
        { hz: sigma.hz, land: sigma.processDamping },
        verdict ? CLOSE_SHIFTS : QUICK_SHIFTS,
      );
      const model = verdict ? PERIODIC_DOUBT : Math.hypot(AVERAGED_CUT.sigma, cloud.middle.doubt);
      const borders = cloud.all.map((b) => ({ ...b, depthMm: b.depthMm * ratio }));
      // A hand on a handle is shown the land as it is; what it may be off by is about this much.
      const land = verdict ? spreadOf(cloud.byLand) : QUICK_LAND * sigma.processDamping;
      const multiplying = multiplyingSigma(sigma, input.sources, Math.hypot(model, verdict ? 0 : land));
      return (worked = chanceFrom(op, structure, borders, multiplying, {
        hz: verdict?.hz ?? cloud.middle.hz,
        periodic: verdict !== null,
        spread: {
          frequency: spreadOf(cloud.byFrequency),
          land,
          model,
        },
      }));
    },
    borderAt: (n) => averagedBorderAt(cut, structure, n, at),
  };
}
