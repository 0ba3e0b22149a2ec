import {
  type Batch,
  blankOperation,
  type Crib,
  type CribDocuments,
  type CribEntry,
  type CribKind,
  cribSource,
  resolveContext,
} from '@burl/contract';
import {
  evaluate,
  InputError,
  isDrill,
  isMillingCutter,
  type Operation,
  type OperationContext,
} from '@burl/core';

/** Throws an InputError where an operation cannot be judged to numbers: an entry it names is beyond what can be reckoned with. */
export function requireJudged(op: Operation, context: OperationContext, path: string): void {
  let lost: string | undefined;
  try {
    const e = evaluate(op, context);
    lost =
      e.limits.find((l) => [l.predicted?.value, l.share?.value].some(Number.isNaN))?.name ??
      e.numbers.find((n) => Number.isNaN(n.value))?.key;
  } catch (error) {
    if (error instanceof InputError) throw error;
    lost = 'its limits';
  }
  if (lost !== undefined)
    throw new InputError([
      { field: path, value: lost, allowed: 'numbers a cut can be judged with; this one has no answer' },
    ]);
}

/** Entries to try a new one with: the built-in ones of three kinds, and one mill and one drill. */
export function partnersIn(crib: Crib): Crib {
  const built = <E extends CribEntry>(list: readonly E[]): E[] => list.filter((e) => e.origin === 'built-in');
  const cutters = built(crib.cutters);
  const first = (is: (c: CribDocuments['cutters']) => boolean) =>
    cutters.filter((e) => is(e.document)).slice(0, 1);
  return {
    ...crib,
    alloys: built(crib.alloys),
    machines: built(crib.machines),
    holders: built(crib.holders),
    cutters: [...first(isMillingCutter), ...first(isDrill)],
    assemblies: [],
    resonance: { serial: null, tips: [], observations: [] },
  };
}

const TEN: Batch = { quantity: 10, heatLot: '' };
const POCKET = { kind: 'pocket', lengthMm: 80, widthMm: 60, depthMm: 10, cornerRadiusMm: 20 } as const;

/**
 * Judges a pocket and a hole with an entry that is about to be saved, among partners of the crib that fit it. What those cuts cannot be
 * (a face mill in a small pocket) is no fault of the entry; a judgement without an answer is, and so is one that never comes: whoever
 * asks sets a time.
 */
export function tryEntry<K extends CribKind>(kind: K, document: CribDocuments[K], partners: Crib): void {
  const own: CribEntry<K> = {
    id: document.id,
    origin: 'shop',
    copiedFrom: null,
    version: 1,
    retired: false,
    document,
  };
  const others = (partners[kind] as readonly CribEntry[]).filter((e) => e.id !== document.id);
  // Of its own kind it stands alone, so that it is the one that is taken.
  const crib = { ...partners, [kind]: kind === 'cutters' ? [own, ...others] : [own] } as Crib;
  const [alloy, machine] = [crib.alloys[0], crib.machines[0]];
  const tools = (kind === 'cutters' ? crib.cutters.slice(0, 1) : crib.cutters).map((c) => c.document);
  if (!alloy || !machine) return;
  for (const cutter of tools.filter((c) => isDrill(c) || isMillingCutter(c))) {
    const diameterMm = cutter.properties.DC ?? 0;
    const size = isDrill(cutter) ? { diameterMm, depthMm: 2 * diameterMm, through: false, count: 4 } : POCKET;
    try {
      const op = blankOperation(crib, { alloyId: alloy.id, machineId: machine.id, ...TEN }, cutter.id, size);
      const found = op && resolveContext(op, cribSource(crib, TEN));
      if (op && found && 'context' in found) requireJudged(op, found.context, 'document');
    } catch (error) {
      const ofEntry = !(error instanceof InputError) || error.problems.some((p) => p.field === 'document');
      if (!ofEntry) continue;
      if (error instanceof InputError) throw error;
      throw new InputError([
        {
          field: 'document',
          value: document.name,
          allowed: 'an entry a cut can be judged with; this one has no answer',
        },
      ]);
    }
  }
}
