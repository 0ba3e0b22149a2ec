import { turnedLength } from '../../operations/lathe/turned-kinds.ts';
import type { Alloy } from '../../crib/alloy.ts';
import { blockLump, warmingRow, type WarmStretch } from '../../physics/heat/part-warming.ts';
import { type Grip, type HeldPart, ROOM_C } from '../../physics/holding/holding-model.ts';
import { gripOf, HOLDINGS, type HoldingUse, holdingUse } from '../../physics/holding/holdings.ts';
import { kindOf } from '../../evaluation/registry.ts';
import type { Loads } from '../../operations/milling/milling-loads.ts';
import { FILM, INTO_PART } from '../../operations/part-heat.ts';
import type { LimitState } from '../../judging/result.ts';
import { normalBelow } from '../../numerics/normal.ts';
import { blankOf } from './job-plan.ts';
import { changeMinutes, operationMinutes } from './job-minutes.ts';
import type { JudgedJob, JudgedOperation, JudgedSetup } from './judged-job.ts';

/** Spread of what a holding stands and of the forces against it, as a factor: judgement. */
const SPREAD = Math.log(1.35);

/** Share of a drill's thrust that pulls the part up when the point breaks through. Judgement. */
const BREAKTHROUGH = 0.15;

/** Room a holder wants above a clamp, mm. */
const LEAST_ROOM = 3;

/** One operation against the holding of its setup. */
export interface HeldOperation {
  readonly id: string;
  readonly name: string;
  readonly sideN: number;
  readonly liftN: number;
  /** Temperature of the part at its end, after all that was cut before it, °C. */
  readonly temperatureC: number;
  /** What the holding stands at that temperature. */
  readonly grip: Grip;
  readonly use: HoldingUse;
  readonly state: LimitState;
  /** Room between clamps and the holder's nose at full depth, mm; null where nothing stands above the part. */
  readonly clearanceMm: number | null;
  /** Chance that the part moves: the holding fails without its factor. */
  readonly chance: number;
}

export interface HoldingReport {
  readonly setupId: string;
  readonly setup: string;
  /** Null where nobody said how the part is held, or its size is not known: then `lacks` says what. */
  readonly operations: readonly HeldOperation[] | null;
  readonly lacks: string | null;
  readonly factor: number;
  /** Temperature at which it lets go, °C; null where heat does not release it. */
  readonly releaseC: number | null;
  readonly hottestC: number;
  readonly worst: HeldOperation | null;
  /** What would give it room, where it has too little. */
  readonly mends: readonly string[];
  readonly cautions: readonly string[];
}

interface Push {
  readonly sideN: number;
  readonly liftN: number;
  readonly watts: number;
}

const worked = new WeakMap<JudgedOperation['evaluation'], Push>();

/** Forces of an operation on the part and the heat of its cut: of a mill through a turn, of a drill by its torque and thrust. */
function pushOf(o: JudgedOperation): Push {
  const before = worked.get(o.evaluation);
  if (before) return before;
  const { state } = kindOf(o.document).workOut(o.document, o.context);
  const watts = (state.torqueNm.value * 2 * Math.PI * state.speedRpm) / 60;
  // A milled hole is as hard on its part as its heaviest helix.
  const own = state as Partial<Pick<Loads, 'sideForceN' | 'liftN'>> & {
    readonly heaviest?: Pick<Loads, 'sideForceN' | 'liftN'>;
  };
  const milled = own.heaviest ?? own;
  // A drill turns the part about itself: as a couple across the part. Where it breaks through it pulls a part of its thrust up.
  const thrust = (state as { readonly thrustN?: { readonly value: number } }).thrustN?.value ?? 0;
  const push: Push = milled.sideForceN
    ? { sideN: milled.sideForceN.value, liftN: Math.max(0, milled.liftN?.value ?? 0), watts }
    : {
        sideN: (1000 * state.torqueNm.value) / Math.max(5, state.diameterInCutMm),
        liftN: BREAKTHROUGH * thrust,
        watts,
      };
  worked.set(o.evaluation, push);
  return push;
}

/** Temperatures of the part after each operation of a setup, all features in a row with their minutes and coolant, °C. */
export function temperaturesOf(setup: JudgedSetup, part: HeldPart, alloy: Alloy, job: JudgedJob): number[] {
  const row: WarmStretch[] = [];
  const ends: number[] = [];
  setup.operations.forEach((o, i) => {
    const m = operationMinutes(o, job.rates);
    const changed =
      i > 0 && o.document.tooling.cutterId !== setup.operations[i - 1]!.document.tooling.cutterId;
    const filmWM2K = FILM[o.document.coolant];
    if (changed) row.push({ watts: 0, minutes: changeMinutes(o.context, job.rates), filmWM2K: FILM.dry });
    row.push({
      watts: INTO_PART * pushOf(o).watts * (m.cutting / Math.max(1e-9, m.cutting + m.linking)),
      minutes: m.cutting + m.linking,
      filmWM2K,
    });
    ends.push(row.length - 1);
  });
  const rises = warmingRow(blockLump(part, alloy.density_kg_m3, alloy.specific_heat_j_kgk ?? 480), row);
  return ends.map((i) => ROOM_C + rises[i]!);
}

function depthOf({ document: op }: JudgedOperation): number {
  if ('feature' in op) return op.feature.depthMm;
  if ('hole' in op) return op.hole.depthMm;
  return 'edge' in op ? (op.edge.depthMm ?? op.edge.sizeMm) : turnedLength(op);
}

/** What gives a holding room: less heat, less force, a lower or a larger hold. */
function mendsOf(worst: HeldOperation, setup: JudgedSetup, releaseC: number | null): string[] {
  const list: string[] = [];
  const coolant = setup.operations.find((o) => o.id === worst.id)?.document.coolant;
  const hot = releaseC !== null && worst.temperatureC - ROOM_C > 0.3 * (releaseC - ROOM_C);
  if (hot && coolant !== 'flood' && coolant !== 'through-tool') list.push('flood, or mist in place of air');
  if (hot) list.push('let the part cool between operations');
  list.push('less stepover or feed: the force falls with them', 'a smaller or sharper cutter');
  if (worst.use.by === 'tilting') list.push('hold it lower and wider, or stop it against the cut');
  if (worst.use.by === 'twisting') list.push('a stop at the far end against twisting');
  if (worst.clearanceMm !== null && worst.clearanceMm < LEAST_ROOM)
    list.push('a longer stick-out, lower clamps, or clamps on the other side');
  return list;
}

/** Every operation of a setup against what holds its part, in every direction, at the temperature the part has by then. */
export function holdingReport(setup: JudgedSetup, job: JudgedJob): HoldingReport {
  const part = blankOf(job.plan);
  const { holding } = setup.plan;
  const model = holding && HOLDINGS[holding.kind];
  const none: HoldingReport = {
    setupId: setup.id,
    setup: setup.name,
    operations: null,
    lacks: !holding ? 'how the part is held' : !part ? 'the size of the part' : null,
    factor: model?.factor ?? 1,
    releaseC: (model && holding && model.releaseC(holding.values)) ?? null,
    hottestC: ROOM_C,
    worst: null,
    mends: [],
    cautions: model?.cautions ?? [],
  };
  if (!holding || !model || !part) return none;
  const temperatures = temperaturesOf(setup, part, job.alloy, job);
  const operations = setup.operations.map((o, i): HeldOperation => {
    const { sideN, liftN } = pushOf(o);
    const temperatureC = temperatures[i]!;
    const grip = gripOf(holding, part, temperatureC);
    // Cut at the far end of the part and down from its top: what twists and tilts most.
    const armMm = Math.max(part.lengthMm, part.widthMm) / 2;
    const heightMm = Math.max(0, part.heightMm - depthOf(o) / 2);
    const use = holdingUse({ sideN, liftN, heightMm, armMm }, grip, model.factor);
    const bare = use.share / model.factor;
    const above = holding.values['heightMm'];
    const clearanceMm = above === undefined ? null : o.document.tooling.stickOutMm - depthOf(o) - above;
    const strikes = clearanceMm !== null && clearanceMm < 0;
    const near = clearanceMm !== null && clearanceMm < LEAST_ROOM;
    return {
      id: o.id,
      name: o.name,
      sideN,
      liftN,
      temperatureC,
      grip,
      use,
      state: use.share > 1 || strikes ? 'over' : near || use.share * Math.exp(SPREAD) > 1 ? 'tight' : 'clear',
      clearanceMm,
      chance: bare <= 0 ? 0 : Number.isFinite(bare) ? normalBelow(Math.log(bare) / SPREAD) : 1,
    };
  });
  const worst = operations.reduce<HeldOperation | null>(
    (w, o) => (!w || o.use.share > w.use.share ? o : w),
    null,
  );
  return {
    ...none,
    operations,
    mends: worst && worst.state !== 'clear' ? mendsOf(worst, setup, none.releaseC) : [],
    hottestC: Math.max(ROOM_C, ...temperatures),
    worst,
  };
}
