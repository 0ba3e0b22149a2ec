import { type Alloy, wantsDry } from '../../crib/alloy.ts';
import { type Cutter, isMillingCutter, outerDiameter } from '../../crib/cutter.ts';
import type { Machine } from '../../crib/machine.ts';
import { madeOf } from '../../crib/tool-materials.ts';
import { edgePlan } from '../batch/edge-plan.ts';
import { problemsOf } from '../../evaluation/check-operation.ts';
import { evaluate } from '../../evaluation/evaluate.ts';
import { withStartingCut } from '../../evaluation/starting-cut.ts';
import type { OperationContext } from '../../operations/context.ts';
import { type CoolantKind, UNSTATED_ECONOMICS, USUAL_WEAR_MM } from '../../operations/operation-base.ts';
import type { Operation } from '../../operations/operation.ts';
import {
  BLANK_CUT,
  type MillingOperation,
  usualPath,
  type WorkholdingKind,
} from '../../operations/milling/milling-operation.ts';
import { PLAIN_FINISHING } from '../../physics/path/finishing.ts';
import { type MillingFeatureKind, PLAIN_FEATURE } from '../../physics/path/feature.ts';
import { fittingHolders } from '../choosing/fitting-holder.ts';
import { type FirstCut, firstCuts } from '../choosing/first-cuts.ts';
import { contextWith, type Offer } from '../choosing/rank-cutters.ts';
import { isLaidOut, layOut, type LayOutWish } from '../strategies/lay-out.ts';
import { type HoleDemand, PLAIN_DEMAND } from '../hole-plan/hole-demand.ts';
import { planHole } from '../hole-plan/plan-hole.ts';
import { chosenOf } from '../hole-plan/plan-part.ts';
import type { StepKey } from '../hole-plan/recipe.ts';
import type { PartFeature } from './job-plan.ts';

/** Where the features of a part are made. */
export interface PartShop {
  readonly alloy: Alloy;
  readonly machine: Machine;
  readonly offer: Offer;
  readonly quantity: number;
  /** Measured, in the scale of the alloy's table. */
  readonly hardness: number | null;
  readonly workholding: WorkholdingKind;
}

/** An operation a feature offers, worked out with the best tool of the crib. */
export interface OfferedOperation {
  readonly name: string;
  readonly document: Operation;
  /** Step of a hole; null for milling. */
  readonly step: StepKey | null;
}

export interface OfferedFeature {
  readonly operations: readonly OfferedOperation[];
  /** Demand of a hole, for its plan; null for milling. */
  readonly demand: HoleDemand | null;
  /** What could not be offered, in words. */
  readonly lacks: readonly string[];
}

/** Left for the finisher, mm, where the part asks for a size or a surface. */
const ALLOWANCE = 0.2;
/** Tolerance from which a wall wants a cut of its own, mm, and roughness, Ra in µm. */
const CLOSE_MM = 0.06;
const SMOOTH_UM = 1.6;
/** A slot this narrow is made by one cutter its own size: there is no room for another. */
const NARROW_SLOT_MM = 4;

const wantsFinish = ({ toleranceMm, raUm }: PartFeature): boolean =>
  (toleranceMm !== null && toleranceMm <= CLOSE_MM) || (raUm !== null && raUm <= SMOOTH_UM);

/** What the alloy's record wants, where the machine has it. */
function coolantFor(alloy: Alloy, machine: Machine): CoolantKind {
  return wantsDry(alloy) && machine.coolant.air_blast ? 'air' : 'flood';
}

interface Draft {
  readonly name: string;
  readonly kind: MillingFeatureKind;
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly allowanceMm: number;
  readonly cornerRadiusMm: number | null;
  readonly stockMm: number | null;
  readonly finishing: boolean;
  /** Cutters that may do it. */
  readonly fits: (c: Cutter) => boolean;
}

/** What a drawing without a word allows either way, mm; ISO 2768-m. */
const plainTolerance = (sizeMm: number): number => (sizeMm <= 6 ? 0.1 : sizeMm <= 30 ? 0.2 : 0.3);

const everyCutter = (): boolean => true;

/** Milling a feature takes: roughing, and finishing where the drawing asks for it. */
function draftsOf(f: PartFeature): Draft[] {
  const called = f.name.trim() || f.kind;
  const finish = wantsFinish(f);
  const left = finish ? ALLOWANCE : 0;
  const rough = (kind: MillingFeatureKind, change: Partial<Draft> = {}): Draft => ({
    name: `${finish ? 'Rough' : 'Mill'} ${called}`,
    kind,
    lengthMm: f.lengthMm,
    widthMm: f.widthMm,
    allowanceMm: left,
    cornerRadiusMm: f.cornerRadiusMm,
    stockMm: null,
    finishing: !finish,
    fits: everyCutter,
    ...change,
  });
  const wall = (lengthMm: number): Draft => ({
    name: `Finish ${called}`,
    kind: 'side',
    lengthMm,
    widthMm: ALLOWANCE,
    allowanceMm: 0,
    cornerRadiusMm: null,
    stockMm: null,
    finishing: true,
    // What goes round the wall has to go into its corners and into the feature.
    fits: (c) =>
      (f.cornerRadiusMm === null || f.kind !== 'pocket' || outerDiameter(c) <= 2 * f.cornerRadiusMm) &&
      (f.kind !== 'slot' && f.kind !== 'pocket' ? true : outerDiameter(c) < Math.min(f.widthMm, f.lengthMm)),
  });
  const around = 2 * (f.lengthMm + f.widthMm);
  switch (f.kind) {
    case 'pocket':
      return finish ? [rough('pocket'), wall(around)] : [rough('pocket')];
    case 'slot':
      // There is no room for a second cutter in a narrow slot: the first makes its size.
      return finish && f.widthMm > NARROW_SLOT_MM
        ? [rough('slot', { cornerRadiusMm: null }), wall(2 * f.lengthMm)]
        : [rough('slot', { name: `Mill ${called}`, allowanceMm: 0, cornerRadiusMm: null, finishing: true })];
    case 'wall':
      return finish
        ? [rough('side', { cornerRadiusMm: null }), wall(f.lengthMm)]
        : [rough('side', { cornerRadiusMm: null })];
    case 'boss':
      return finish
        ? [rough('boss', { cornerRadiusMm: null, stockMm: 5 }), wall(around)]
        : [rough('boss', { cornerRadiusMm: null, stockMm: 5 })];
    default:
      return [rough('face', { cornerRadiusMm: null, allowanceMm: 0, finishing: true })];
  }
}

/** Height over the width of a closed slot at which its ramp begins: its levels are shallow, and every one is ramped through air. */
const START_OVER_WIDTH = 0.05;

/** Path of a feature: from outside where it is open. */
function pathOf(d: Draft, f: PartFeature): MillingOperation['path'] {
  const usual = usualPath(d.kind);
  if (d.kind !== 'slot') return usual;
  const { entry } = usual;
  return {
    ...usual,
    entry:
      f.openEnds > 0
        ? { ...entry, method: 'outside' }
        : { ...entry, startHeightMm: Math.min(entry.startHeightMm, START_OVER_WIDTH * d.widthMm) },
  };
}

/** What is asked of numbers that one would begin with and that are over a limit here. */
const WISHES: readonly LayOutWish[] = [0.9, 0.7, 0.5].map((confidence) => ({
  objective: 'cost',
  confidence,
  budget: 300,
}));

/** A first cut as it is offered: balanced where the numbers one would begin with are over a limit. */
function settled(best: FirstCut, context: OperationContext, offer: Offer): MillingOperation {
  const { operation } = best;
  const cutter = offer.cutters.find((c) => c.id === best.cutterId)!;
  const at = best.state === 'over' ? contextWith(operation, context, cutter, offer) : null;
  const holder = offer.holders.find((h) => h.id === operation.tooling.holderId);
  if (!at || !holder) return operation;
  for (const wish of WISHES) {
    const row = layOut(operation, { ...at, holder }, operation.path.strategy, wish);
    if (isLaidOut(row) && row.state !== 'over') return row.operation;
  }
  return operation;
}

/** One milling operation with the best first cut of the crib; in words what it lacks where no tool can. */
function milled(d: Draft, f: PartFeature, shop: PartShop): OfferedOperation | string {
  const { alloy, machine, offer } = shop;
  const cutters = offer.cutters.filter((c) => isMillingCutter(c) && d.fits(c));
  for (const cutter of cutters) {
    const holder = fittingHolders(offer.holders, machine, cutter)[0];
    const made = madeOf(cutter, offer);
    if (!holder || !made) continue;
    const context: OperationContext = { alloy, machine, cutter, holder, ...made, quantity: shop.quantity };
    const op: MillingOperation = {
      kind: 'milling',
      alloyId: alloy.id,
      machineId: machine.id,
      tooling: {
        cutterId: cutter.id,
        holderId: holder.id,
        stickOutMm: cutter.properties.LPR ?? cutter.properties.LF ?? 40,
      },
      coolant: coolantFor(alloy, machine),
      measured: { hardness: shop.hardness, runoutUm: null, lifeSpeed30MMin: null, kc11NMm2: null },
      flankWearMm: d.finishing ? USUAL_WEAR_MM.finishing : USUAL_WEAR_MM.roughing,
      featuresPerEdge: 1,
      featuresPerPart: f.count,
      edgesOnShelf: null,
      economics: UNSTATED_ECONOMICS,
      workedOutFor: { alloyId: alloy.id, cutterId: cutter.id, hardness: shop.hardness },
      pins: [],
      notes: '',
      feature: {
        ...PLAIN_FEATURE,
        kind: d.kind,
        lengthMm: d.lengthMm,
        widthMm: d.widthMm,
        depthMm: f.depthMm,
        cornerRadiusMm: d.cornerRadiusMm,
        stockMm: d.stockMm,
        through: f.through,
        ...(d.kind === 'slot' && { openEnds: f.openEnds === 0 ? 0 : f.openEnds === 1 ? 1 : 2 }),
        allowanceMm: d.allowanceMm,
        wallToleranceMm: f.toleranceMm ?? plainTolerance(f.widthMm),
        raUm: d.finishing ? f.raUm : null,
      },
      workholding: { kind: shop.workholding, capacityN: null, liftCapacityN: null, releaseC: null },
      forceLaw: 'kienzle',
      path: pathOf(d, f),
      cut: BLANK_CUT,
    };
    const [best] = firstCuts(op, context, { ...offer, cutters });
    if (!best) break;
    const document: Operation = {
      ...asFinishing(settled(best, context, offer), f, shop),
      workedOutFor: { alloyId: alloy.id, cutterId: best.cutterId, hardness: shop.hardness },
    };
    return { name: d.name, document: withChangePoint(document, shop), step: null };
  }
  return `${d.name}: no tool of the crib`;
}

/** A wall that is finished with what a finishing cut begins with, where that holds all limits; as it is of everything else. */
function asFinishing(op: MillingOperation, f: PartFeature, shop: PartShop): MillingOperation {
  if (op.feature.kind !== 'side' || op.feature.allowanceMm > 0) return op;
  const context = contextFor(op, shop);
  if (!context) return op;
  const finishing = { ...PLAIN_FINISHING, floorMm: Math.max(op.feature.depthMm, f.depthMm) };
  const draft: MillingOperation = { ...op, feature: { ...op.feature, finishing } };
  if (problemsOf(draft, context).length > 0) return op;
  const begun = withStartingCut(draft, context) as MillingOperation;
  return evaluate(begun, context).state === 'over' ? op : begun;
}

/** Where an offered operation runs; null where the crib lacks a part of it. */
function contextFor(op: Operation, { alloy, machine, quantity, offer }: PartShop): OperationContext | null {
  const cutter = offer.cutters.find((c) => c.id === op.tooling.cutterId);
  const holder = offer.holders.find((h) => h.id === op.tooling.holderId);
  const made = cutter && madeOf(cutter, offer);
  return cutter && holder && made ? { alloy, machine, cutter, holder, ...made, quantity } : null;
}

/** With an edge changed where it costs least, where wear is known. */
function withChangePoint(document: Operation, shop: PartShop): Operation {
  const context = contextFor(document, shop);
  if (!context) return document;
  const plan = edgePlan(document, context, evaluate(document, context));
  return plan ? { ...document, featuresPerEdge: plan.attended.features } : document;
}

const demandOf = (f: PartFeature): HoleDemand => ({
  ...PLAIN_DEMAND,
  name: f.name.trim() || (f.thread ?? `Hole ${f.diameterMm} mm`),
  thread: f.thread,
  diameterMm: f.diameterMm,
  depthMm: f.depthMm,
  through: f.through,
  grade: f.thread === null && f.toleranceMm !== null && f.toleranceMm <= 0.03 ? 8 : null,
  raUm: f.raUm,
  pattern: f.count > 1 ? { kind: 'scattered', count: f.count, betweenMm: 40 } : { kind: 'single' },
});

/**
 * The operations that make a feature, roughing and finishing, each worked out with the best tool the crib has; of a hole the way
 * that costs least. Nothing is saved: the engineer edits what is offered.
 */
export function operationsFor(f: PartFeature, shop: PartShop): OfferedFeature {
  if (f.kind === 'hole') {
    const demand = demandOf(f);
    const plan = planHole(
      { alloy: shop.alloy, machine: shop.machine, offer: shop.offer, quantity: shop.quantity },
      demand,
    );
    const taken = chosenOf(plan, null);
    return {
      demand,
      lacks: taken ? [] : [`${demand.name}: no method with tools in the crib`],
      operations: (taken?.steps ?? [])
        .filter((s) => !s.leftOut)
        .map((s) => ({ name: `${s.name}: ${demand.name}`, document: s.op, step: s.key })),
    };
  }
  const made = draftsOf(f).map((d) => milled(d, f, shop));
  return {
    demand: null,
    operations: made.filter((m) => typeof m !== 'string'),
    lacks: made.filter((m) => typeof m === 'string'),
  };
}
