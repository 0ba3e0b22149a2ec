import {
  type Alloy,
  type Cutter,
  type Holder,
  InputError,
  type InputProblem,
  type Machine,
  madeOf,
  missingMaterials,
  type Operation,
  type OperationContext,
  type ResonanceBook,
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
  readonly resonance?: ResonanceBook;
  readonly stock?: readonly Stock[];
}

const sources = new WeakMap<Crib, Omit<ContextSource, 'quantity'>>();

/** The crib as a source; the same lists for the same crib. */
export function cribSource(crib: Crib, quantity: number): ContextSource {
  const known = sources.get(crib) ?? {
    alloys: crib.alloys.map((e) => e.document),
    machines: crib.machines.map((e) => e.document),
    cutters: crib.cutters.map((e) => e.document),
    holders: crib.holders.map((e) => e.document),
    ...crib.materials,
    resonance: crib.resonance,
    stock: crib.stock,
  };
  sources.set(crib, known);
  return { ...known, quantity };
}

/** The entries a job file carries as a source. */
export const fileSource = ({
  crib,
  job,
}: {
  readonly crib: Omit<ContextSource, 'quantity' | 'resonance' | 'stock'>;
  readonly job: { readonly quantity: number };
}): ContextSource => ({ ...crib, quantity: job.quantity });

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
  const { quantity, resonance } = source;
  const shelf = source.stock?.find((k) => k.cutterId === cutter.id);
  return {
    context: {
      alloy,
      machine,
      cutter,
      holder,
      ...made,
      quantity,
      ...(resonance && { resonance }),
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
