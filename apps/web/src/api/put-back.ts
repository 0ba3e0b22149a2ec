import type { JobOperation, OperationBack, Setup } from '@burl/contract';

/** What puts an operation back where it stands now, with all its variants; `holeId` where its kind of hole has another id since. */
export function backOf(
  o: JobOperation,
  setups: readonly Setup[],
  holeId: string | null = o.holeId,
): OperationBack {
  const setup = setups.find((s) => s.id === o.setupId);
  const place = setup?.operations.findIndex((x) => x.id === o.id) ?? -1;
  return {
    setupId: o.setupId,
    name: o.name,
    place: place < 0 ? (setup?.operations.length ?? 0) : place,
    selected: o.selected,
    variants: o.variants.map(({ label, document }) => ({ label, document })),
    holeId,
    holeStep: o.holeStep,
  };
}
