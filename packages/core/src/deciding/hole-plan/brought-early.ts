/** The order of a setup with one operation and the steps before it in the same hole brought to the front of it. */
export function broughtEarly(
  route: readonly { readonly id: string; readonly holeId: string | null }[],
  id: string,
  place: number,
): string[] {
  const moving = route.find((r) => r.id === id);
  if (!moving) return route.map((r) => r.id);
  const at = route.indexOf(moving);
  const chain = route
    .filter((r, i) => i <= at && (r.id === id || (moving.holeId !== null && r.holeId === moving.holeId)))
    .map((r) => r.id);
  const rest = route.map((r) => r.id).filter((r) => !chain.includes(r));
  const front = route.slice(0, place).filter((r) => !chain.includes(r.id)).length;
  return [...rest.slice(0, front), ...chain, ...rest.slice(front)];
}
