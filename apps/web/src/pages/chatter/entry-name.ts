/** Name of an entry of the crib, or its id when it is not there any more. */
export const entryName = (
  list: readonly { readonly id: string; readonly document: { readonly name: string } }[],
  id: string,
): string => list.find((e) => e.id === id)?.document.name ?? id;
