import type { OperationContext } from '../domain/context.ts';
import { outerDiameter } from '../domain/cutter.ts';
import { InputError } from '../domain/input-error.ts';
import type { MillingOperation, Operation } from '../domain/operation.ts';
import type { Holder } from '../domain/holder.ts';
import type { Evaluation, LimitResult, LimitState } from '../domain/evaluation.ts';
import { say, measure, type Sentence } from '../units/sentence.ts';
import type { Unit } from '../units/unit.ts';
import { evaluate, judgeLimit, limitOf } from './evaluate.ts';
import { withStartingCut } from './starting-cut.ts';

/** A change that clears a limit, what it does to the rest, and the operation after it. */
export interface Remedy {
  readonly id: string;
  readonly title: Sentence;
  readonly operation: Operation;
  readonly state: LimitState;
  /** Minutes more (or less) for one feature. */
  readonly minutesMore: number;
  /** Features an edge lasts after over before; null where no life is known. */
  readonly lifeFactor: number | null;
  /** Limits it pushes over that were not. */
  readonly pushesOver: readonly string[];
  /** Size of the change, as a share; the order among remedies that push nothing over. */
  readonly size: number;
}

/** A thing that can be moved: reads and writes one number of the operation. */
interface Lever {
  readonly id: string;
  readonly unit: Unit;
  readonly label: string;
  readonly low: number;
  readonly high: number;
  /** Values are rounded to this step, towards the safe side. */
  readonly step: number;
  read(op: Operation): number;
  write(op: Operation, value: number): Operation;
}

const cutLever = <K extends keyof MillingOperation['cut']>(key: K) => ({
  read: (op: Operation): number => Number((op as MillingOperation).cut[key]),
  write: (op: Operation, value: number): Operation =>
    ({ ...op, cut: { ...op.cut, [key]: value } }) as Operation,
});

function levers(op: Operation, context: OperationContext): Lever[] {
  const { cutter, machine, holder } = context;
  const p = cutter.properties;
  const most = Math.min(machine.max_rpm, p.RPMX ?? Infinity, holder.max_rpm || Infinity);
  const speed: Lever = {
    id: 'speed',
    unit: 'rpm',
    label: 'Speed',
    low: Math.max(10, machine.min_rpm ?? 0),
    high: most,
    step: 10,
    ...cutLever('speedRpm'),
  };
  const stickOut: Lever = {
    id: 'stick-out',
    unit: 'mm',
    label: 'Stick-out',
    low: Math.min(op.tooling.stickOutMm, p.LPR ?? op.tooling.stickOutMm),
    high: Math.min((p.OAL ?? 400) - 10, op.tooling.stickOutMm * 2),
    step: 0.5,
    read: (o) => o.tooling.stickOutMm,
    write: (o, value) => ({ ...o, tooling: { ...o.tooling, stickOutMm: value } }),
  };
  const features: Lever = {
    id: 'looks',
    unit: 'pieces',
    label: op.kind === 'milling' ? 'Features between looks' : 'Holes between looks',
    low: 1,
    high: op.featuresPerEdge,
    step: 1,
    read: (o) => o.featuresPerEdge,
    write: (o, value) => ({ ...o, featuresPerEdge: value }),
  };
  if (op.kind === 'drilling') {
    return [
      { id: 'feed', unit: 'mm/rev', label: 'Feed', low: 0.005, high: 0.8, step: 0.002, ...drillFeed },
      speed,
      stickOut,
      features,
    ];
  }
  const diameter = outerDiameter(cutter);
  // A slot is as wide as the cutter; its width is no lever.
  const width: Lever[] =
    op.feature.kind === 'slot'
      ? []
      : [
          {
            id: 'width',
            unit: 'mm',
            label: 'Stepover',
            low: 0.02 * diameter,
            high: diameter,
            step: 0.02,
            ...cutLever('radialEngagementMm'),
          },
        ];
  return [
    ...width,
    {
      id: 'depth',
      unit: 'mm',
      label: 'Depth',
      low: 0.05,
      high: Math.min(p.APMX ?? 0, op.tooling.stickOutMm),
      step: 0.1,
      ...cutLever('axialDepthMm'),
    },
    {
      id: 'feed',
      unit: 'mm/tooth',
      label: 'Feed per tooth',
      low: 0.002,
      high: 3,
      step: 0.001,
      ...cutLever('feedPerToothMm'),
    },
    speed,
    stickOut,
    {
      id: 'allowance',
      unit: 'mm',
      label: 'Leave for the finisher',
      low: op.feature.allowanceMm,
      high: Math.min(op.feature.allowanceMm * 3, 1.5),
      step: 0.05,
      read: (o) => (o.kind === 'milling' ? o.feature.allowanceMm : 0),
      write: (o, value) =>
        o.kind === 'milling' ? { ...o, feature: { ...o.feature, allowanceMm: value } } : o,
    },
    features,
  ];
}

const drillFeed = {
  read: (op: Operation): number => (op.kind === 'drilling' ? op.cut.feedPerRevMm : 0),
  write: (op: Operation, value: number): Operation =>
    op.kind === 'drilling' ? { ...op, cut: { ...op.cut, feedPerRevMm: value } } : op,
};

/** Evaluates, or null where the change is impossible. */
function attempt(op: Operation, context: OperationContext): Evaluation | null {
  try {
    return evaluate(op, context);
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
}

/** The limit after a change, or null where the change is impossible. */
function limitAfter(op: Operation, context: OperationContext, limitId: string): LimitResult | null {
  try {
    return judgeLimit(op, context, limitId);
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
}

const clears = (op: Operation, context: OperationContext, limitId: string): boolean =>
  limitAfter(op, context, limitId)?.state === 'clear';

/** Points tried from the present value to the lever's end before the border is closed in on. */
const SCAN = 6;
const BISECTIONS = 7;

/** Smallest move of a lever in one direction that clears the limit, or null. */
function smallestMove(
  lever: Lever,
  op: Operation,
  context: OperationContext,
  limitId: string,
  end: number,
): number | null {
  const start = lever.read(op);
  if (start === end || !(end > 0)) return null;
  // A lever the limit does not feel at all is not searched.
  const now = limitAfter(op, context, limitId);
  const far = limitAfter(lever.write(op, end), context, limitId);
  if (now?.share && far?.share && now.state === far.state && now.share.value === far.share.value) return null;
  // Geometric steps: a stepover may have to fall to a tenth, and the small changes are tried first.
  const at = (share: number): number => start * (end / start) ** share;
  let last = 0;
  let found: number | null = null;
  for (let i = 1; i <= SCAN; i++) {
    const share = (i / SCAN) ** 1.5;
    if (clears(lever.write(op, at(share)), context, limitId)) {
      found = share;
      break;
    }
    last = share;
  }
  if (found === null) return null;
  let enough: number = found;
  for (let i = 0; i < BISECTIONS; i++) {
    const middle: number = (last + enough) / 2;
    if (clears(lever.write(op, at(middle)), context, limitId)) enough = middle;
    else last = middle;
  }
  const exact = at(enough);
  const rounded =
    (end > start ? Math.ceil(exact / lever.step - 1e-9) : Math.floor(exact / lever.step + 1e-9)) * lever.step;
  const tidy = Number(rounded.toFixed(4));
  return tidy >= lever.low && tidy <= lever.high ? tidy : Number(exact.toPrecision(4));
}

function describe(lever: Lever, op: Operation, after: Operation): Sentence {
  const from = measure(lever.read(op), lever.unit);
  const to = measure(lever.read(after), lever.unit);
  if (lever.id === 'speed' && op.kind === 'milling') {
    return say('Speed {0} → {1}, table feed with it so that the chip stays', from, to);
  }
  return say(`${lever.label} {0} → {1}`, from, to);
}

function remedyFrom(
  id: string,
  title: Sentence,
  after: Operation,
  context: OperationContext,
  before: Evaluation,
  size: number,
): Remedy | null {
  const e = attempt(after, context);
  if (!e) return null;
  const wasOver = new Set(before.limits.filter((l) => l.state === 'over').map((l) => l.id));
  const total = (x: Evaluation): number => x.time.cutting + x.time.linking;
  return {
    id,
    title,
    operation: after,
    state: e.state,
    minutesMore: total(e) - total(before),
    lifeFactor:
      e.featuresPerEdge && before.featuresPerEdge
        ? e.featuresPerEdge.value / before.featuresPerEdge.value
        : null,
    pushesOver: e.limits.filter((l) => l.state === 'over' && !wasOver.has(l.id)).map((l) => l.name),
    size,
  };
}

/** Pinned parameters a lever would move. */
const MOVES: Readonly<Record<string, readonly string[]>> = {
  speed: ['n', 'vc', 'vf'],
  feed: ['fz', 'vf', 'hex', 'fn'],
  depth: ['ap'],
  width: ['ae', 'hex'],
};

/** Changes of kind rather than amount: confirm or rework numbers, pecks, a pilot, coolant, climb. */
function switches(
  op: Operation,
  context: OperationContext,
): { id: string; title: Sentence; after: Operation }[] {
  const list: { id: string; title: Sentence; after: Operation }[] = [];
  const workedOutFor = { alloyId: op.alloyId, cutterId: op.tooling.cutterId, hardness: op.measured.hardness };
  list.push({
    id: 'rework',
    title: say('Work speed and feed out again for this alloy and cutter'),
    after: withStartingCut(op, context),
  });
  list.push({
    id: 'confirm',
    title: say('Confirm the present numbers for this alloy and cutter'),
    after: { ...op, workedOutFor },
  });
  for (const coolant of ['flood', 'through-tool', 'air'] as const) {
    if (coolant !== op.coolant)
      list.push({ id: `coolant-${coolant}`, title: say(`Coolant to ${coolant}`), after: { ...op, coolant } });
  }
  if (op.kind === 'drilling') {
    if (op.cut.peck !== 'plan')
      list.push({
        id: 'peck-plan',
        title: say('Peck as planned for this depth and coolant'),
        after: { ...op, cut: { ...op.cut, peck: 'plan' } },
      });
    if (!op.hole.piloted)
      list.push({
        id: 'pilot',
        title: say('Drill a pilot first'),
        after: { ...op, hole: { ...op.hole, piloted: true } },
      });
  }
  return list;
}

/** Levers tried two at a time when none is enough alone. */
const PAIRS: readonly (readonly [string, string])[] = [
  ['depth', 'width'],
  ['width', 'feed'],
  ['depth', 'speed'],
  ['width', 'speed'],
  ['feed', 'speed'],
];

function bestPair(
  list: readonly Lever[],
  op: Operation,
  context: OperationContext,
  limitId: string,
  before: Evaluation,
): Remedy | null {
  let best: Remedy | null = null;
  for (const [a, b] of PAIRS) {
    const first = list.find((l) => l.id === a);
    const second = list.find((l) => l.id === b);
    if (!first || !second) continue;
    for (const share of [0.75, 0.5, 0.3]) {
      const half = first.write(op, Math.max(first.low, first.read(op) * share));
      const value = smallestMove(second, half, context, limitId, second.low);
      if (value === null) continue;
      const after = second.write(half, value);
      const size = Math.abs(Math.log(share)) + Math.abs(Math.log(value / second.read(op)));
      if (best && best.size <= size) continue;
      const title = say(
        `${first.label} {0} → {1} and ${second.label.toLowerCase()} {2} → {3}`,
        measure(first.read(op), first.unit),
        measure(first.read(after), first.unit),
        measure(second.read(op), second.unit),
        measure(value, second.unit),
      );
      best = remedyFrom(`${a}+${b}`, title, after, context, before, size) ?? best;
    }
  }
  return best;
}

/**
 * Single changes that make a limit clear, smallest first; one that pushes another limit over comes last and says so.
 * When no single one is enough, the best pair. Pinned parameters are not moved. `holders` are others to try the
 * cutter in. Empty when the limit is clear. Throws on an impossible operation or a limit that does not apply.
 */
export function remediesFor(
  op: Operation,
  context: OperationContext,
  limitId: string,
  holders: readonly Holder[] = [],
): Remedy[] {
  const before = evaluate(op, context);
  if (limitOf(before, limitId).state === 'clear') return [];
  const list = levers(op, context).filter((l) => !(MOVES[l.id] ?? []).some((key) => op.pins.includes(key)));
  const found: Remedy[] = [];
  for (const s of switches(op, context)) {
    if (!clears(s.after, context, limitId)) continue;
    const remedy = remedyFrom(s.id, s.title, s.after, context, before, s.id === 'rework' ? 0.4 : 0.2);
    if (remedy) found.push(remedy);
  }
  for (const lever of list) {
    for (const end of [lever.low, lever.high]) {
      const value = smallestMove(lever, op, context, limitId, end);
      if (value === null || value === lever.read(op)) continue;
      const after = lever.write(op, value);
      if (!clears(after, context, limitId)) continue;
      const size = Math.abs(Math.log(value / lever.read(op)));
      const remedy = remedyFrom(lever.id, describe(lever, op, after), after, context, before, size);
      if (remedy) found.push(remedy);
    }
  }
  for (const holder of holders) {
    if (holder.id === op.tooling.holderId) continue;
    const after: Operation = { ...op, tooling: { ...op.tooling, holderId: holder.id } };
    const inIt = { ...context, holder };
    if (judgeLimit(after, inIt, 'holder-fit')?.state !== 'clear' || !clears(after, inIt, limitId)) continue;
    const remedy = remedyFrom(
      `holder-${holder.id}`,
      say(`Hold it in ${holder.name}`),
      after,
      inIt,
      before,
      0.5,
    );
    if (remedy) found.push(remedy);
  }
  if (found.length === 0) {
    const pair = bestPair(list, op, context, limitId, before);
    if (pair) found.push(pair);
  }
  return found.sort((a, b) => a.pushesOver.length - b.pushesOver.length || a.size - b.size);
}
