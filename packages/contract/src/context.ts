import {
  type Accepted,
  type Alloy,
  type Cutter,
  type Held,
  edgeFamilyOf,
  type Holder,
  InputError,
  type InputProblem,
  learntFor,
  type LearntHere,
  type Machine,
  machineFor,
  madeOf,
  missingMaterials,
  type Operation,
  type OperationContext,
  type ResonanceBook,
  type ShopRates,
  type ToolMaterials,
} from '@burl/core';
import type { Crib, Stock } from './crib.ts';

/** Where the entries an operation names are looked up, and what the job adds. */
export interface ContextSource extends ToolMaterials {
  readonly alloys: readonly Alloy[];
  readonly machines: readonly Machine[];
  readonly cutters: readonly Cutter[];
  readonly holders: readonly Holder[];
  /** Parts in the batch. */
  readonly quantity: number;
  /** Lot of the job; absent or empty where nobody stated one. */
  readonly heatLot?: string;
  /** What trials taught; the same list as long as nothing was accepted or reversed. */
  readonly learnt?: readonly Accepted[];
  readonly resonance?: ResonanceBook;
  readonly stock?: readonly Stock[];
  readonly rates?: ShopRates;
  readonly held?: Held;
  readonly subSpindle?: boolean;
}

const sources = new WeakMap<Crib, Omit<ContextSource, 'quantity'>>();

/** What of a job bears on how its operations are judged. */
export interface Batch {
  readonly quantity: number;
  readonly heatLot: string;
  /** What the setup holds with; absent where nobody said, or where there is no setup. */
  readonly held?: Held;
  /** The part stands in the sub-spindle, which took it over. */
  readonly subSpindle?: boolean;
}

/** One part of no particular lot. */
export const ONE_PART: Batch = { quantity: 1, heatLot: '' };

/** The crib as a source; the same lists for the same crib. */
export function cribSource(crib: Crib, { quantity, heatLot, held, subSpindle }: Batch): ContextSource {
  const known = sources.get(crib) ?? {
    alloys: crib.alloys.map((e) => e.document),
    machines: crib.machines.map((e) => e.document),
    cutters: crib.cutters.map((e) => e.document),
    holders: crib.holders.map((e) => e.document),
    ...crib.materials,
    resonance: crib.resonance,
    stock: crib.stock,
    learnt: crib.learnt,
    rates: crib.rates.rates,
  };
  sources.set(crib, known);
  return { ...known, quantity, heatLot, ...(held && { held }), ...(subSpindle && { subSpindle }) };
}

/** The entries a job file carries as a source. */
export const fileSource = ({
  crib,
  job,
}: {
  readonly crib: Omit<ContextSource, 'quantity' | 'heatLot' | 'learnt' | 'resonance' | 'stock'>;
  readonly job: Batch;
}): ContextSource => ({
  ...crib,
  quantity: job.quantity,
  heatLot: job.heatLot,
});

const known = new WeakMap<readonly Accepted[], Map<string, LearntHere | undefined>>();

/** What was learnt that bears on an operation: the same object for the same question, so that nothing is judged anew for it. */
function learntHere(
  constants: readonly Accepted[],
  where: Parameters<typeof learntFor>[1],
): LearntHere | undefined {
  if (constants.length === 0) return undefined;
  const of = known.get(constants) ?? new Map<string, LearntHere | undefined>();
  known.set(constants, of);
  const key = JSON.stringify(where);
  if (!of.has(key)) of.set(key, learntFor(constants, where));
  return of.get(key);
}

/** More names than this are not read by anybody. */
const MOST_NAMED = 12;
const among = (ids: readonly string[]): string =>
  ids.length === 0 ? 'none is there' : ids.length > MOST_NAMED ? `${ids.length} are there` : ids.join(', ');

/** The context of an operation, or what it names that is not there. */
export function resolveContext(
  op: Operation,
  source: ContextSource,
): { readonly context: OperationContext } | { readonly missing: readonly InputProblem[] } {
  const missing: InputProblem[] = [];
  const entry = <T extends { readonly id: string }>(
    list: readonly T[],
    id: string,
    field: string,
  ): T | undefined => {
    const found = list.find((e) => e.id === id);
    if (!found)
      missing.push({ field, value: id, allowed: `an entry of the crib (${among(list.map((e) => e.id))})` });
    return found;
  };
  const alloy = entry(source.alloys, op.alloyId, 'alloyId');
  const machine = entry(source.machines, op.machineId, 'machineId');
  const holder = entry(source.holders, op.tooling.holderId, 'tooling.holderId');
  const cutter = entry(source.cutters, op.tooling.cutterId, 'tooling.cutterId');
  const made = cutter && madeOf(cutter, source);
  if (cutter)
    missing.push(...missingMaterials(cutter, source).map((p) => ({ ...p, field: `cutter.${p.field}` })));
  if (!alloy || !machine || !holder || !cutter || !made) return { missing };
  const { quantity, resonance, rates, held, subSpindle, heatLot = '' } = source;
  const learnt =
    source.learnt &&
    learntHere(source.learnt, {
      alloyId: alloy.id,
      edgeFamily: edgeFamilyOf(cutter),
      machineId: machine.id,
      heatLot,
    });
  const shelf = source.stock?.find((k) => k.cutterId === cutter.id);
  return {
    context: {
      alloy,
      machine: machineFor(op, machine, subSpindle),
      cutter,
      holder,
      ...made,
      quantity,
      ...(resonance && { resonance }),
      ...(learnt && { learnt }),
      ...(rates && { rates }),
      ...(held && { held }),
      ...(shelf && { shelf: { edges: shelf.edges, edgePrice: shelf.price } }),
    },
  };
}

/** The same where nothing may be missing. Throws an InputError that names each field, under `path` where there is one. */
export function requireContext(op: Operation, source: ContextSource, path = ''): OperationContext {
  const found = resolveContext(op, source);
  if ('context' in found) return found.context;
  throw new InputError(found.missing.map((p) => ({ ...p, field: path ? `${path}.${p.field}` : p.field })));
}
