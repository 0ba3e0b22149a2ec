import type { Operation } from './operation.ts';
import type { OperationContext } from './context.ts';
import type { SpeedWindow } from '../crib/alloy.ts';
import { isHighSpeedSteel } from './context.ts';
import { isIndexable } from '../crib/cutter.ts';
import { INDEXABLE_DRILL, INSERT_SIGMA, insertFactor, insertModel } from '../physics/life/insert-life.ts';
import { type Estimate, power, sigmaOf, uncertain, type Source } from '../judging/estimate.ts';
import { type LifeCut, speedForLife, withinValidity } from '../physics/life/taylor.ts';
import { jetBar, speedUnderJet } from './lathe/coolant-jet.ts';
import { learntLifeOf } from './learnt-here.ts';
import { lifeSpeedSources, speedHardnessFactor } from './sources.ts';

/** Life of an edge below which the engagement runs it too hot to be called a roughing cut, minutes. */
export const SHORTEST_LIFE_MIN = 15;
/**
 * Life of an edge beyond which nobody has tried, minutes: ten times the longest trial (60 min). Taylor's power law goes on for
 * ever; edges are then ended by chipping, corrosion or whoever counts them.
 */
export const LONGEST_LIFE_MIN = 600;
/** Scatter of life from edge to edge in one set-up (log). */
const WITHIN_SETUP: Source = {
  id: 'edge-to-edge',
  label: 'scatter from edge to edge',
  kind: 'model',
  sigma: 0.3,
  narrowBy: 'log several edges; it does not vanish',
};
/** Sources added where the cut lies outside what the life model was stated for. */
const OUTSIDE: Source = {
  id: 'life-outside',
  label: 'cut lies outside the life model’s range, held at its edge',
  kind: 'model',
  sigma: 0.2,
  narrowBy: 'a trial at this engagement',
};

/** The step from a solid mill's speed to an insert's. */
const INSERT: Source = {
  id: 'insert-speed',
  label: 'speed of an insert, estimated from that of a solid mill',
  kind: 'assumed',
  sigma: INSERT_SIGMA,
  narrowBy: 'measure wear on one insert in a trial',
};

export interface LifeState {
  /** Minutes of cutting an edge lasts; null where wear does not end it. */
  readonly lifeMin: Estimate | null;
  readonly speedLimitMMin: Estimate;
  readonly notes: readonly string[];
  /** What the library says of this very cut, before anything learnt here: what trials are held against. Absent without a model. */
  readonly library?: LibraryLife;
}

/** The thirty-minute speed of a cut by the library. */
export interface LibraryLife {
  readonly speed30MMin: number;
  readonly taylorN: number;
  /** Standard deviation of its logarithm. */
  readonly sigma: number;
}

const middle = (w: SpeedWindow): number | null => (w === null || w === 'not used' ? null : (w[0] + w[1]) / 2);

/** How far the speed at which a polymer softens lies off: by grade, edge and how the chip leaves. */
const SOFTENING: Source = {
  id: 'softening-speed',
  label: 'speed at which the polymer softens',
  kind: 'assumed',
  sigma: 0.15,
  narrowBy: 'a trial cut: look whether chips weld or strings form',
};

/** Share of the diameter in the cut at which the three windows of speed are stated. */
const [LOW, MODERATE_FROM, MODERATE_TO, HEAVY] = [0.1, 0.2, 0.4, 0.5];

/** High end of a mill’s speed window at this radial engagement, m/min, between the three that are stated; null without. */
function windowEnd(context: OperationContext, radialOverDiameter: number): number | null {
  const w = context.alloy.vc_windows_m_min;
  const end = (window: SpeedWindow): number | null =>
    window === null || window === 'not used' ? null : window[1];
  if (isHighSpeedSteel(context)) return end(w.hss_milling);
  const c = w.carbide_milling;
  const [low, moderate, heavy] = [
    end(c.low_ae_under_0_1),
    end(c.moderate_ae_0_2_0_4),
    end(c.heavy_ae_over_0_5),
  ];
  if (low === null || moderate === null || heavy === null) return null;
  const x = radialOverDiameter;
  const between = (a: number, b: number, from: number, to: number): number =>
    a + (b - a) * Math.min(1, Math.max(0, (x - from) / (to - from)));
  return x <= MODERATE_TO
    ? between(low, moderate, LOW, MODERATE_FROM)
    : between(moderate, heavy, MODERATE_TO, HEAVY);
}

/** A polymer ends a cut by softening, not an edge by wear: its speed is held to the window, its life is not counted. */
function softening(context: OperationContext, cut: LifeCut): LifeState | null {
  const most = windowEnd(context, cut.radialOverDiameter);
  return most === null
    ? null
    : {
        lifeMin: null,
        speedLimitMMin: uncertain(most, SOFTENING),
        notes: ['wear does not end an edge in a polymer'],
      };
}

/** Life and speed limit of a milling cut, or null where the crib has no life model for it. */
export function millingLife(
  op: Operation,
  context: OperationContext,
  cut: LifeCut,
  vc: number,
  /** Of the speed of an even cut: less where an edge is struck otherwise than by its own turns. */
  share = 1,
): LifeState | null {
  const solid = context.alloy.taylor_milling_coated_carbide;
  if (!solid) return softening(context, cut);
  const insert = isIndexable(context.cutter);
  const model = insert ? insertModel(solid, context.alloy) : solid;
  let vc30 = op.measured.lifeSpeed30MMin ?? model.vc_m_min.life_30_min * speedHardnessFactor(op, context);
  const notes: string[] = [];
  if (isHighSpeedSteel(context)) {
    const windows = context.alloy.vc_windows_m_min;
    const hss = middle(windows.hss_milling);
    const carbide = middle(windows.carbide_milling.moderate_ae_0_2_0_4);
    if (hss === null || carbide === null) return null;
    if (op.measured.lifeSpeed30MMin === null) vc30 *= hss / carbide;
    notes.push('carbide life model scaled to high-speed steel by the speed windows');
  }
  if (insert) {
    if (op.measured.lifeSpeed30MMin === null) {
      vc30 *= insertFactor(context.alloy, context.cutter.extended.coating);
    }
    notes.push('speed of a coated insert, from that of a solid mill by what is cut');
  }
  const held = withinValidity(model, cut);
  if (held.outside.length > 0) notes.push(`${held.outside.join(' and ')} outside the life model's range`);
  const sources = lifeSpeedSources(op, context, model.log_std_vc30_between_shops);
  if (held.outside.length > 0) sources.push(OUTSIDE);
  if (insert && op.measured.lifeSpeed30MMin === null) sources.push(INSERT);
  return lifeFromSpeed(
    op,
    context,
    uncertain(share * speedForLife(model, vc30, held.cut, 30), ...sources),
    model.n,
    vc,
    notes,
  );
}

/**
 * Life and the fifteen-minute speed from the thirty-minute speed of this very cut and Taylor's exponent: the library's, or what edges
 * of this family taught here. An own figure stated with the operation goes before both.
 */
function lifeFromSpeed(
  op: Operation,
  context: OperationContext,
  library: Estimate,
  libraryN: number,
  vc: number,
  notes: readonly string[],
): LifeState {
  const learnt = op.measured.lifeSpeed30MMin === null ? learntLifeOf(op, context) : null;
  const speed30 = learnt
    ? {
        value: library.value * learnt.factor,
        terms: [
          { source: learnt.speed, sensitivity: 1 },
          // How sure it is of this cut outside the model's range no trial elsewhere tells.
          ...library.terms.filter((t) => t.source === OUTSIDE),
        ],
      }
    : library;
  const n = learnt ? libraryN / learnt.slopeFactor : libraryN;
  const life = power({ value: speed30.value / vc, terms: speed30.terms }, 1 / n);
  const scatter = learnt ? learnt.scatter : WITHIN_SETUP;
  return {
    lifeMin: {
      value: Math.min(LONGEST_LIFE_MIN, 30 * life.value),
      terms: [
        ...life.terms,
        { source: scatter, sensitivity: 1 },
        // The further from the speed at which edges were run, the more the slope counts.
        ...(learnt ? [{ source: learnt.slope, sensitivity: Math.log(life.value) }] : []),
      ],
    },
    speedLimitMMin: { value: speed30.value * (30 / SHORTEST_LIFE_MIN) ** n, terms: speed30.terms },
    notes: learnt ? [...notes, learnt.note] : notes,
    library: { speed30MMin: library.value, taylorN: libraryN, sigma: sigmaOf(library) },
  };
}

/** Life from a window whose ends are read as the 60- and 15-minute speeds; that fixes Taylor's exponent. Wide on purpose. */
function lifeFromWindow(
  op: Operation,
  context: OperationContext,
  vc: number,
  window: SpeedWindow | undefined,
  share: number,
  note: string,
): LifeState | null {
  if (!window || window === 'not used') return null;
  const [low, high] = window;
  const n = Math.log(high / low) / Math.log(4);
  const speed30 =
    op.measured.lifeSpeed30MMin ?? share * Math.sqrt(low * high) * speedHardnessFactor(op, context);
  const speed = uncertain(speed30, ...lifeSpeedSources(op, context, 0.25));
  return lifeFromSpeed(op, context, speed, n, vc, [note]);
}

/** Speed window of a drill of this cutting material. */
export const drillWindow = (context: OperationContext): SpeedWindow =>
  isHighSpeedSteel(context)
    ? context.alloy.vc_windows_m_min.drill_hss
    : context.alloy.vc_windows_m_min.drill_carbide;

/** Life of a drill. The crib gives only a speed window for drills. */
export const drillingLife = (op: Operation, context: OperationContext, vc: number): LifeState | null =>
  lifeFromWindow(
    op,
    context,
    vc,
    drillWindow(context),
    context.cutter.type === 'drill_indexable' ? INDEXABLE_DRILL[context.alloy.iso513_group] : 1,
    'drill life read from the speed window: its ends taken as 60 and 15 minutes',
  );

/** A reamer runs at this share of a drill's speed: the middle of a third and a half. Rule G-66. */
export const REAMING_SHARE = 0.42;

/** Life of a reamer, from the drills' window. */
export const reamingLife = (op: Operation, context: OperationContext, vc: number): LifeState | null =>
  lifeFromWindow(
    op,
    context,
    vc,
    drillWindow(context),
    REAMING_SHARE,
    'reamer life read from the drills’ window at two fifths of its speed',
  );

/** Life of a boring bar's insert, from the turning window. */
export const boringLife = (op: Operation, context: OperationContext, vc: number): LifeState | null =>
  lifeFromWindow(
    op,
    context,
    vc,
    context.alloy.vc_windows_m_min.carbide_turning,
    1,
    'life of the insert read from the turning window',
  );

/** Feed and depth the turning windows are read at, mm, and how the speed falls with them. Handbooks of machining data, rounded. */
const TURNED = { feedMm: 0.2, feedExponent: 0.25, depthMm: 1.5, depthExponent: 0.1 } as const;
/** An edge struck every turn is run slower. */
const INTERRUPTED = 0.8;

/** Window of what the insert is made of. */
export function turningWindow({ alloy, cutter }: OperationContext): SpeedWindow | undefined {
  const { substrate } = cutter.extended;
  const w = alloy.vc_windows_m_min;
  if (substrate.startsWith('ceramic')) return w.ceramic_turning;
  return substrate.startsWith('cbn') ? w.cbn_turning : w.carbide_turning;
}

/** Life of a turning insert, from the window of what it is made of, at this feed and depth. */
export function turningLife(
  op: Operation,
  context: OperationContext,
  vc: number,
  cut: { readonly feedMm: number; readonly depthMm: number; readonly interrupted: boolean },
): LifeState | null {
  const held = (ratio: number): number => Math.min(2, Math.max(0.5, ratio));
  const share =
    held(cut.feedMm / TURNED.feedMm) ** -TURNED.feedExponent *
    held(cut.depthMm / TURNED.depthMm) ** -TURNED.depthExponent *
    (cut.interrupted ? INTERRUPTED : 1) *
    speedUnderJet(jetBar(op, context), context.alloy);
  return lifeFromWindow(
    op,
    context,
    vc,
    turningWindow(context),
    share,
    'life of the insert read from the turning window at this feed and depth',
  );
}

/** Life of a tap, from its own window. */
export const tappingLife = (op: Operation, context: OperationContext, vc: number): LifeState | null =>
  lifeFromWindow(
    op,
    context,
    vc,
    context.alloy.vc_windows_m_min.tap_hss_e,
    1,
    'tap life read from the speed window: its ends taken as 60 and 15 minutes',
  );

/** Life of a chamfer mill: a light milling cut. */
export const chamferLife = (
  op: Operation,
  context: OperationContext,
  vc: number,
  chipMm: number,
  widthOverDiameter: number,
): LifeState | null =>
  millingLife(
    op,
    context,
    {
      chipMm,
      radialOverDiameter: Math.max(0.02, widthOverDiameter),
      axialOverDiameter: Math.max(0.05, widthOverDiameter),
    },
    vc,
  );

/** Life of a thread mill: narrow milling at its whole length. */
export const threadMillingLife = (
  op: Operation,
  context: OperationContext,
  vc: number,
  chipMm: number,
  stepoverOverDiameter: number,
): LifeState | null =>
  millingLife(
    op,
    context,
    { chipMm, radialOverDiameter: Math.max(0.02, stepoverOverDiameter), axialOverDiameter: 1 },
    vc,
  );
