import { madeOf } from '../../crib/tool-materials.ts';
import type { Offer } from '../choosing/rank-cutters.ts';
import { fittingHolders } from '../choosing/fitting-holder.ts';
import type { Alloy } from '../../crib/alloy.ts';
import type { OperationContext } from '../../operations/context.ts';
import { type Cutter, isDrill } from '../../crib/cutter.ts';
import type { HoleOperation } from '../../operations/hole-operation.ts';
import type { Holder } from '../../crib/holder.ts';
import type { Machine } from '../../crib/machine.ts';
import { UNSTATED_ECONOMICS, USUAL_WEAR_MM } from '../../operations/operation.ts';
import { setStickOut, withStartingCut } from '../../evaluation/starting-cut.ts';
import type { Economics, Measured } from '../../operations/operation.ts';

/** Where a part is made: its alloy and machine, what the crib offers, what was measured. */
export interface Shop {
  readonly alloy: Alloy;
  readonly machine: Machine;
  readonly offer: Offer;
  readonly quantity: number;
  readonly measured?: Measured;
  readonly economics?: Economics;
}

const UNMEASURED: Measured = { hardness: null, runoutUm: null, lifeSpeed30MMin: null, kc11NMm2: null };

/** Holder for a tool: a tapping holder for taps, else the stiffest that fits. */
export function holderFor(shop: Shop, cutter: Cutter): Holder | null {
  const fitting = fittingHolders(shop.offer.holders, shop.machine, cutter);
  const tapping = fitting.find((h) => h.kind === 'tap_holder');
  if (cutter.type.startsWith('tap_') && tapping) return tapping;
  return fitting.find((h) => h.kind !== 'tap_holder') ?? null;
}

type Draft<T> = T extends HoleOperation
  ? Pick<T, 'kind' | 'hole' | 'cut'> & Omit<T, keyof HoleBaseFields>
  : never;
type HoleBaseFields = Omit<HoleOperation, 'kind' | 'hole' | 'cut'>;
export type StepDraft = Draft<HoleOperation>;

/** A step with tool, holder, stick-out, coolant and first numbers; null where the crib has no holder for the tool. */
export function stepWith(
  shop: Shop,
  cutter: Cutter,
  draft: StepDraft,
  count: number,
  depthMm: number,
): { readonly op: HoleOperation; readonly context: OperationContext } | null {
  const holder = holderFor(shop, cutter);
  const made = madeOf(cutter, shop.offer);
  if (!holder || !made) return null;
  const context: OperationContext = {
    alloy: shop.alloy,
    machine: shop.machine,
    cutter,
    holder,
    ...made,
    quantity: shop.quantity,
    ...(shop.offer.shelves?.[cutter.id] && { shelf: shop.offer.shelves[cutter.id]! }),
  };
  const through =
    shop.machine.coolant.through_spindle &&
    cutter.extended.through_coolant === true &&
    holder.coolant.some((c) => c.includes('through'));
  const measured = shop.measured ?? UNMEASURED;
  const op = {
    alloyId: shop.alloy.id,
    machineId: shop.machine.id,
    tooling: {
      cutterId: cutter.id,
      holderId: holder.id,
      stickOutMm: setStickOut({ cutter }, depthMm),
    },
    coolant: through ? ('through-tool' as const) : ('flood' as const),
    // What was measured on another tool is not this one's: hardness and force belong to the lot.
    measured: { ...measured, runoutUm: null, lifeSpeed30MMin: null },
    flankWearMm: USUAL_WEAR_MM.finishing,
    featuresPerPart: count,
    featuresPerEdge: count,
    edgesOnShelf: null,
    economics: shop.economics ?? UNSTATED_ECONOMICS,
    workedOutFor: { alloyId: shop.alloy.id, cutterId: cutter.id, hardness: measured.hardness },
    pins: [],
    notes: '',
    ...draft,
  } as unknown as HoleOperation;
  const started = withStartingCut(op, context) as HoleOperation;
  // A way that says how it drills keeps that.
  const keeps = 'peck' in draft.cut ? { peck: draft.cut.peck } : {};
  return { op: { ...started, cut: { ...started.cut, ...keeps } } as HoleOperation, context };
}

/** Tools of the crib that could do a step, all ground for the alloy, short ones first. */
export function toolsFor(
  shop: Shop,
  fits: (c: Cutter) => boolean,
  off: (c: Cutter) => number = () => 0,
): Cutter[] {
  const plain = (c: Cutter): number =>
    c.extended.substrate.startsWith('hss') && !c.type.startsWith('tap_') ? 1 : 0;
  // Where the spindle brings coolant through, a drill without channels is not preferred to one with.
  const dry = (c: Cutter): number =>
    isDrill(c) && shop.machine.coolant.through_spindle && c.extended.through_coolant !== true ? 1 : 0;
  return shop.offer.cutters
    .filter((c) => belongs(shop, c) && fits(c) && holderFor(shop, c) !== null)
    .sort(
      (a, b) =>
        off(a) - off(b) ||
        plain(a) - plain(b) ||
        dry(a) - dry(b) ||
        (a.properties.LU ?? 0) - (b.properties.LU ?? 0),
    );
}

const belongs = (shop: Shop, c: Cutter): boolean => c.suits_iso_groups.includes(shop.alloy.iso513_group);

/** Tools that fit, best first; where there is none, why: none of that size, none for the alloy, or no holder for it. */
export function wanted(
  shop: Shop,
  lacking: string,
  fits: (c: Cutter) => boolean,
  off?: (c: Cutter) => number,
): { readonly tools: readonly Cutter[]; readonly missing: string } {
  const tools = toolsFor(shop, fits, off);
  if (tools.length > 0) return { tools, missing: '' };
  const sized = shop.offer.cutters.filter(fits);
  const [first] = sized;
  if (!first) return { tools, missing: `the crib lacks ${lacking}` };
  const held = sized.find((c) => belongs(shop, c));
  const missing = held
    ? `no holder of the crib takes ${held.name} in this spindle`
    : `${first.name} is ground for ${first.suits_iso_groups.join(', ')}, and ${shop.alloy.name} is ${shop.alloy.iso513_group}: the crib lacks ${lacking} for it`;
  return { tools, missing };
}
