/** An operation as grouping sees it. */
export interface ToolUse {
  readonly id: string;
  readonly cutterId: string;
  readonly holeId: string | null;
}

/** How often a tool is loaded when the operations run in this order. */
export const toolLoads = (route: readonly ToolUse[]): number =>
  route.filter((r, i) => r.cutterId !== route[i - 1]?.cutterId).length;

/**
 * The same operations with steps of holes that share a tool beside each other. Only runs of hole steps are reordered,
 * never across a milling operation, and each hole keeps the order of its own steps: of the steps that may come next the
 * tool already loaded goes on, else the one most steps wait for.
 */
export function groupByTool(route: readonly ToolUse[]): string[] {
  const order: string[] = [];
  let run: ToolUse[] = [];
  let loaded: string | null = null;
  const flush = (): void => {
    const left = [...run];
    while (left.length > 0) {
      const ready = left.filter((r, i) => !left.slice(0, i).some((b) => b.holeId === r.holeId));
      const waiting = (cutterId: string): number => ready.filter((r) => r.cutterId === cutterId).length;
      const next =
        ready.find((r) => r.cutterId === loaded) ??
        ready.reduce((a, b) => (waiting(b.cutterId) > waiting(a.cutterId) ? b : a));
      loaded = next.cutterId;
      order.push(next.id);
      left.splice(left.indexOf(next), 1);
    }
    run = [];
  };
  for (const r of route) {
    if (r.holeId !== null) {
      run.push(r);
      continue;
    }
    flush();
    order.push(r.id);
    loaded = r.cutterId;
  }
  flush();
  return order;
}
