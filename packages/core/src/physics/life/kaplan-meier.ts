/** A step of a survival curve: chance that an edge is still good from this life on. */
export interface SurvivalStep {
  readonly life: number;
  readonly alive: number;
}

/**
 * Survival of edges with those that were still good when last seen kept as such: the product of the shares that lived through each end.
 * Starts at 1 at life 0. Kaplan & Meier 1958.
 */
export function kaplanMeier(
  edges: readonly { readonly life: number; readonly ended: boolean }[],
): SurvivalStep[] {
  const sorted = [...edges].sort((a, b) => a.life - b.life || Number(b.ended) - Number(a.ended));
  const steps: SurvivalStep[] = [{ life: 0, alive: 1 }];
  let alive = 1;
  sorted.forEach(({ life, ended }, i) => {
    if (!ended) return;
    const atRisk = sorted.length - i;
    alive *= 1 - 1 / atRisk;
    steps.push({ life, alive });
  });
  const last = sorted.at(-1);
  if (last && !last.ended) steps.push({ life: last.life, alive });
  return steps;
}
