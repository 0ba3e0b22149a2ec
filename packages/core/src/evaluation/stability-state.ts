import type { OperationContext } from '../domain/context.ts';
import type { MillingOperation } from '../domain/operation.ts';
import type { ChatterCut } from '../dynamics/chatter-cut.ts';
import { chatterCutOf } from '../dynamics/chatter-of.ts';
import { depthAtTip } from '../dynamics/depth-along-tool.ts';
import { chatterRange } from '../dynamics/fixed-speed.ts';
import {
  type Belief,
  learn,
  priorBelief,
  quickBelief,
  type TestCut,
  unknownsOf,
} from '../dynamics/learning/belief.ts';
import { gridFor, quickBorder, type ResponseGrid, responseGrid } from '../dynamics/learning/quick-border.ts';
import { NEGLIGIBLE } from '../dynamics/periodic/limit-depth.ts';
import { type Observation, trueSpeed } from '../domain/resonance.ts';
import { tipKnowledge, type TipKnowledge } from '../dynamics/tip-knowledge.ts';
import {
  softestMode,
  type TipMode,
  type TipStructure,
  withoutStiffModes,
} from '../dynamics/tip-structure.ts';
import type { Source } from '../uncertainty/estimate.ts';
import type { LoadInput } from './milling-loads.ts';
import { millingInput } from './milling-input.ts';

/** What decides whether a cut chatters, and how well each of it is known. */
export interface StabilityState {
  readonly knowledge: TipKnowledge;
  /** The structure after what the notebook taught. */
  readonly structure: TipStructure;
  /** The cut after what the notebook taught, and as the library has it. */
  readonly cut: ChatterCut;
  readonly cut0: ChatterCut;
  /** The mode that gives most. */
  readonly mode: TipMode;
  /** Cuts at the machine that speak of this combination. */
  readonly testCuts: number;
  /** Depth of this cut that counts at the tip, mm. */
  readonly tipDepthMm: number;
  /** Log standard deviations of what the border rests on. */
  readonly sigma: {
    readonly hz: number;
    readonly stiffness: number;
    readonly damping: number;
    readonly processDamping: number;
  };
  /** What the periodic verdict of this very cut is kept under. */
  readonly key: () => string;
  /** Border at the tip, mm, and its frequency; null depth where nothing in reach chatters. `learnt` is the log standard deviation after test cuts. */
  border(): {
    readonly depthMm: number | null;
    readonly hz: number | null;
    readonly periodic: boolean;
    readonly learnt: number | null;
  };
  /** The averaged cut's border at another speed. */
  borderAt(rpm: number): { readonly depthMm: number | null; readonly hz: number | null };
}

/** Indentation coefficient and land are both estimates. */
export const PROCESS_DAMPING: Source = {
  id: 'process-damping',
  label: 'damping by the edge’s land on the wave',
  kind: 'assumed',
  sigma: 0.4,
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

interface Border {
  readonly depthMm: number | null;
  readonly hz: number | null;
}

/** Grids of a structure's response made before, and borders read from them. */
interface Worked {
  readonly id: number;
  readonly grids: Map<string, ResponseGrid>;
  readonly borders: Map<string, Border>;
}

const worked = new WeakMap<TipStructure, Worked>();
const KEPT = 3000;
let structures = 0;

function workedOf(structure: TipStructure): Worked {
  const found = worked.get(structure) ?? { id: ++structures, grids: new Map(), borders: new Map() };
  worked.set(structure, found);
  return found;
}

/** Ratio between the speeds grids are made for: one serves all speeds up to the next. */
const GRID_RATIO = 1.3;

/** Below this the lobes lie closer than a grid can tell, and a worn edge damps more than here: rpm. */
const SLOWEST_RPM = 30;

function borderOf(cut: ChatterCut, structure: TipStructure, speedRpm: number): Border {
  const rpm = Math.max(SLOWEST_RPM, speedRpm);
  const { grids, borders } = workedOf(structure);
  const key = `${rpm}|${cut.entry}|${cut.exit}|${cut.tangential}|${cut.radial}|${cut.dampingNPerM}|${cut.diameterMm}|${cut.pitch.join()}`;
  const known = borders.get(key);
  if (known) return known;
  const slow = GRID_RATIO ** Math.floor(Math.log(rpm) / Math.log(GRID_RATIO));
  const gridKey = `${slow}|${cut.pitch.join()}`;
  let grid = grids.get(gridKey);
  if (!grid) {
    const giving = withoutStiffModes(structure, NEGLIGIBLE);
    const { fromHz, toHz, stepHz } = gridFor(cut, chatterRange(giving), slow);
    grid = responseGrid(giving, fromHz, toHz, stepHz);
    if (grids.size >= 40) grids.delete(grids.keys().next().value!);
    grids.set(gridKey, grid);
  }
  const { depthMm, hz } = quickBorder(cut, grid, rpm);
  const border = depthMm === Infinity ? { depthMm: null, hz: null } : { depthMm, hz };
  if (borders.size >= KEPT) borders.delete(borders.keys().next().value!);
  borders.set(key, border);
  return border;
}

const beliefs = new Map<string, Belief>();

/** Observations of this combination, in any alloy and at any width. */
export const observationsOf = (op: MillingOperation, context: OperationContext): readonly Observation[] =>
  (context.resonance?.observations ?? []).filter(
    (o) =>
      o.machineId === context.machine.id &&
      o.holderId === context.holder.id &&
      o.cutterId === context.cutter.id &&
      Math.abs(o.stickOutMm - op.tooling.stickOutMm) <= 0.5 &&
      (!context.resonance?.serial || o.machineSerial === context.resonance.serial),
  );

/** The cut an observation was made at. Another alloy's observation speaks of the structure through its own forces. */
export function testCutOf(
  o: Observation,
  op: MillingOperation,
  context: OperationContext,
  mode: TipMode,
): TestCut {
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
    tipDepthMm: depthAtTip(mode, o.axialDepthMm, o.stickOutMm),
    heard: o.heard,
    hz: o.hz,
  };
}

/** What is believed of the structure after all test cuts; remembered by what it was learnt from. */
export function beliefOf(
  op: MillingOperation,
  context: OperationContext,
  knowledge: TipKnowledge,
  worlds = 300,
): Belief {
  const observations = observationsOf(op, context);
  const mode = softestMode(knowledge.structure);
  const tests = observations.map((o) => testCutOf(o, op, context, mode));
  const key = JSON.stringify([knowledge.structure, knowledge.sigma, tests, worlds]);
  const known = beliefs.get(key);
  if (known) return known;
  let belief = priorBelief(knowledge.structure, knowledge.sigma, { worlds });
  tests.forEach((t, i) => (belief = learn(belief, t, 17 + i)));
  if (beliefs.size >= 60) beliefs.delete(beliefs.keys().next().value!);
  beliefs.set(key, belief);
  return belief;
}

const learntBefore = new WeakMap<Belief, Learnt>();

interface Learnt {
  readonly structure: TipStructure;
  readonly processDamping: number;
  readonly sigma: StabilityState['sigma'];
}

/** The structure at the middle of a belief; the same object each time. */
function learnt(belief: Belief): Learnt {
  const known = learntBefore.get(belief) ?? learnFrom(belief);
  learntBefore.set(belief, known);
  return known;
}

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

/** Works out what the stability of a milling cut rests on; borders only when asked. */
export function stabilityState(
  op: MillingOperation,
  context: OperationContext,
  input: Pick<LoadInput, 'bands' | 'pitch' | 'kc11' | 'diameter'>,
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
  const mode = softestMode(structure);
  const rpm = op.cut.speedRpm;
  const key = (): string => JSON.stringify([structure, cut, rpm, op.tooling.stickOutMm]);
  return {
    knowledge,
    structure,
    cut,
    cut0,
    mode,
    testCuts: seen.length,
    tipDepthMm: depthAtTip(mode, op.cut.axialDepthMm, op.tooling.stickOutMm),
    sigma,
    key,
    border() {
      const verdict = context.periodic && context.periodic.key === key() ? context.periodic : null;
      const averaged = borderOf(cut, structure, rpm);
      if (!belief) {
        const { depthMm, hz } = verdict ?? averaged;
        return { depthMm, hz, periodic: verdict !== null, learnt: null };
      }
      const { depthMm, hz, sigma: learnt } = quickBelief(belief, cut0, rpm);
      if (depthMm === Infinity) return { depthMm: null, hz: null, periodic: verdict !== null, learnt };
      // The interrupted cut against the averaged one is alike in all worlds: one of them tells the ratio.
      const ratio =
        verdict?.depthMm && averaged.depthMm
          ? Math.min(2, Math.max(0.5, verdict.depthMm / averaged.depthMm))
          : 1;
      return { depthMm: depthMm * ratio, hz, periodic: verdict !== null, learnt };
    },
    borderAt(n) {
      if (!belief) return borderOf(cut, structure, n);
      const { depthMm, hz } = quickBelief(belief, cut0, n);
      return depthMm === Infinity ? { depthMm: null, hz: null } : { depthMm, hz };
    },
  };
}
