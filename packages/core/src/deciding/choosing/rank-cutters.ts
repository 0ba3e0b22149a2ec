import type { Operation } from '../../operations/operation.ts';
import { MILLING_LADDER } from '../../operations/milling/milling-kind.ts';
import { madeOf } from '../../crib/tool-materials.ts';
import type { OperationContext } from '../../operations/context.ts';
import { type Cutter, outerDiameter } from '../../crib/cutter.ts';
import type { Holder } from '../../crib/holder.ts';
import type { MillingOperation } from '../../operations/milling/milling-operation.ts';
import { judgeLimits } from '../../evaluation/evaluate.ts';
import { millingState } from '../../operations/milling/milling-state.ts';
import { worthOf } from '../search/objective.ts';
import { InputError, problemSentence } from '../../units/input-error.ts';
import { placeOf } from './doubt.ts';
import { type Measure, measure, say, type Sentence } from '../../units/sentence.ts';
import {
  begin,
  isLaidOut,
  layOut,
  type LayOutWish,
  operationFor,
  type StrategyLayout,
} from '../strategies/lay-out.ts';
import { narrowest } from '../../physics/path/feature-geometry.ts';
import { type CutterShelf, withShelfOf } from '../remedies/other-cutters.ts';
import { toolDoubt, toolFits } from '../../evaluation/check-operation.ts';
import { fittingHolders } from './fitting-holder.ts';

/** What the crib offers. */
export interface Offer extends CutterShelf {
  readonly holders: readonly Holder[];
}

export interface RankedCutter {
  readonly cutterId: string;
  readonly name: string;
  /** What disqualifies it; empty for a candidate. */
  readonly against: readonly Sentence[];
  /** Worked out for the best candidates; null otherwise. */
  readonly layout: StrategyLayout | null;
}

export interface Ranking {
  /** Best first. */
  readonly best: readonly RankedCutter[];
  readonly disqualified: readonly RankedCutter[];
  /** Larger or shorter tools, in words. */
  readonly sizes: readonly Sentence[];
}

/** Candidates balanced in full, and shown. */
const SHOWN = 5;
/** Candidates given a quick look at first. */
const LOOKED_AT = 9;

/** Context of the same operation with another cutter in the best holder that fits; null where none does. */
export function contextWith(
  op: Pick<Operation, 'tooling'>,
  context: OperationContext,
  cutter: Cutter,
  offer: Offer,
): OperationContext | null {
  const made = madeOf(cutter, offer);
  if (!made) return null;
  if (cutter.id === op.tooling.cutterId) return { ...context, cutter, ...made };
  const fitting = fittingHolders(offer.holders, context.machine, cutter);
  // The holder of the operation stays where it fits: nobody changes holders without a reason.
  const holder = fitting.find((h) => h.id === op.tooling.holderId) ?? fitting[0];
  return holder ? { ...withShelfOf(context, cutter.id, offer.shelves), cutter, holder, ...made } : null;
}

/** Face mills whose inserts make no wall: what they leave there is another cut. */
const SLOPING = /^face_mill_(?:45|round)/;

/** Limits that tell against a cutter as such, whatever speed and feed. */
const AGAINST = MILLING_LADDER.filter((l) => l.ofCutter).map((l) => l.id);

/** Everything that disqualifies a cutter here: substrate, coating, reach, axial depth for flute count, rating, size. */
export function reasonsAgainst(
  op: MillingOperation,
  context: OperationContext,
  cutter: Cutter,
  offer: Offer,
): Sentence[] {
  const list: Sentence[] = [];
  const { alloy } = context;
  const d = outerDiameter(cutter);
  const face = cutter.type.startsWith('face_mill');
  if (!cutter.suits_iso_groups.includes(alloy.iso513_group))
    list.push(say(`rated for ISO ${cutter.suits_iso_groups.join(', ')}, not for ISO ${alloy.iso513_group}`));
  const at = contextWith(op, context, cutter, offer);
  if (!at) list.push(say('no holder in stock takes it on this spindle'));
  const doubt = toolDoubt(op, cutter);
  if (doubt) list.push(say(doubt));
  if (/^end_mill_(?:ball|barrel|lens)/.test(cutter.type))
    list.push(say('its round end leaves no flat floor'));
  if (op.feature.kind !== 'face' && SLOPING.test(cutter.type))
    list.push(say('its lead angle leaves no square wall'));
  const gap = narrowest(op.feature);
  if (gap < d - 1e-9) list.push(say('{0} does not go into {1}', measure(d, 'mm'), measure(gap, 'mm')));
  if ((cutter.properties.LU ?? Infinity) < op.feature.depthMm)
    list.push(
      say(
        'reach {0}; depth {1}',
        measure(cutter.properties.LU ?? 0, 'mm'),
        measure(op.feature.depthMm, 'mm'),
      ),
    );
  if (
    face &&
    (op.feature.kind === 'pocket' || op.feature.kind === 'slot') &&
    (cutter.properties.RMPX ?? 0) < 0.5
  )
    list.push(say('its end face cannot ramp into a closed feature'));
  if (op.feature.allowanceMm === 0 && op.feature.cornerRadiusMm !== null && d / 2 > op.feature.cornerRadiusMm)
    list.push(
      say('too large for the {0} corner that this cut finishes', measure(op.feature.cornerRadiusMm, 'mm')),
    );
  const slot = cutter.max_slot_depth_over_d;
  if (op.feature.kind === 'slot' && slot !== undefined && slot < 0.3)
    list.push(say(`${cutter.properties.ZEFP ?? 'so many'} flutes have no room for chips at full width`));
  if (!at || list.length > 0) return list;
  try {
    const limits = judgeLimits(operationFor(op, at, op.path.strategy), at, AGAINST);
    return limits.filter((l) => l.state === 'over').map((l) => say(l.name));
  } catch (error) {
    if (error instanceof InputError) return error.problems.map(problemSentence);
    throw error;
  }
}

/** One of those that differ in their corner radius alone, the first: nine of a kind are no choice. */
export function unlike<C extends { readonly cutter: Cutter }>(candidates: readonly C[]): C[] {
  const seen = new Set<string>();
  return candidates.filter(({ cutter: { type, properties: p, extended: x } }) => {
    const shape = /^end_mill_(flat|bull)$/.test(type) ? 'end mill' : type;
    const key = [shape, p.DC, p.ZEFP ?? p.NOF, p.APMX, p.LU, x.substrate, x.pitch, p.FHA].join('/');
    return seen.size < seen.add(key).size;
  });
}

/** How many times as stiff, as anybody would say it. */
const tenths = (times: number): Measure => measure(Number(times.toFixed(1)), 'ratio');

/** What bigger and shorter does to stiffness, against the present tool. Rule G-09: with D⁴ and L³. */
function sizeWords(
  op: MillingOperation,
  present: Cutter,
  best: readonly RankedCutter[],
  offer: Offer,
): Sentence[] {
  const words: Sentence[] = [];
  const d0 = outerDiameter(present);
  const stickOut = op.tooling.stickOutMm;
  const shortest = Math.max(op.feature.depthMm + 2, 0.5 * d0);
  if (shortest < stickOut - 1)
    words.push(
      say(
        'The same tool {0} shorter would still reach and be {1} times as stiff.',
        measure(stickOut - shortest, 'mm'),
        tenths((stickOut / shortest) ** 3),
      ),
    );
  for (const r of best) {
    const cutter = offer.cutters.find((c) => c.id === r.cutterId);
    if (!cutter || !r.layout) continue;
    const d = outerDiameter(cutter);
    if (Math.abs(d / d0 - 1) < 0.05) continue;
    const times = (d / d0) ** 4 * (stickOut / r.layout.operation.tooling.stickOutMm) ** 3;
    const left = measure(r.layout.leavesInCornerMm, 'mm');
    words.push(
      d > d0
        ? say(
            `${cutter.name} is {0} times as stiff at this stick-out and leaves {1} in the corners.`,
            tenths(times),
            left,
          )
        : say(
            `${cutter.name} has {0} of the stiffness and gets further into the corners: {1} left.`,
            measure(100 * times, 'percent'),
            left,
          ),
    );
  }
  return words.slice(0, 4);
}

/**
 * The crib's cutters for this feature, alloy, machine: disqualified ones with their reasons, the rest balanced against all
 * limits, clear ones first and ordered by the objective within a state. `onDone` is told after each candidate with the best so
 * far and stops the work by returning false; null comes back then.
 */
export function rankCutters(
  op: MillingOperation,
  context: OperationContext,
  offer: Offer,
  wish: LayOutWish,
  onDone: (done: number, of: number, best: readonly RankedCutter[]) => boolean = () => true,
): Ranking | null {
  const disqualified: RankedCutter[] = [];
  const candidates: { cutter: Cutter; context: OperationContext; promise: number }[] = [];
  for (const cutter of offer.cutters.filter((c) => toolFits(op, c))) {
    const against = reasonsAgainst(op, context, cutter, offer);
    const at = against.length === 0 ? contextWith(op, context, cutter, offer) : null;
    const begun = at ? begin(op, at, op.path.strategy) : null;
    if (at && begun && 'operation' in begun) {
      const promise = worthOf(wish.objective, millingState(begun.operation, at));
      candidates.push({ cutter, context: at, promise });
    } else
      disqualified.push({
        cutterId: cutter.id,
        name: cutter.name,
        against: begun && 'impossible' in begun ? [say(begun.impossible)] : against,
        layout: null,
      });
  }
  const worth = (l: StrategyLayout): number =>
    wish.objective === 'metal'
      ? l.minutes.total
      : wish.objective === 'life'
        ? -(l.featuresPerEdge?.value ?? 0)
        : l.cost;
  // Features per edge are the more the better: doubt takes from them.
  const priced = (l: StrategyLayout): number => (worth(l) < 0 ? worth(l) / l.doubt : worth(l) * l.doubt);
  const order = (a: StrategyLayout, b: StrategyLayout): number =>
    placeOf(a.state) - placeOf(b.state) || priced(a) - priced(b);
  // The quick look keeps the most promising by what the numbers they begin with are worth.
  // Of equals the one with the larger corner radius: it runs cooler and its corner holds (rule G-07).
  const radius = (c: Cutter): number => c.properties.RE ?? 0;
  candidates.sort((a, b) => b.promise - a.promise || radius(b.cutter) - radius(a.cutter));
  const looked = unlike(candidates).slice(0, LOOKED_AT);
  const best: RankedCutter[] = [];
  for (const [i, c] of looked.entries()) {
    const layout = layOut(op, c.context, op.path.strategy, wish);
    if (isLaidOut(layout)) {
      best.push({ cutterId: c.cutter.id, name: c.cutter.name, against: [], layout });
      best.sort((a, b) => order(a.layout!, b.layout!));
    }
    if (!onDone(i + 1, looked.length, best.slice(0, SHOWN))) return null;
  }
  const shown = best.slice(0, SHOWN);
  return { best: shown, disqualified, sizes: sizeWords(op, context.cutter, shown, offer) };
}
