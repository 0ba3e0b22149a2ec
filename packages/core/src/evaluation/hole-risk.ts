import type { HoleRisk } from '../judging/result.ts';
import type { HoleOperation } from '../operations/hole-operation.ts';
import { chanceAbove, chanceOfAny } from '../operations/holes/break-chance.ts';
import { isDifficultToClear } from '../operations/drilling/drilling-state.ts';
import type { HoleState } from '../operations/holes/hole-state.ts';

/**
 * Mishaps of one hole that no strength model sees (a chip that jams, a hard spot, a missed chamfer), and the share of
 * them that costs the part. Assumed; orders of magnitude a shop would recognise.
 */
const MISHAPS: Readonly<Record<HoleOperation['kind'], { readonly each: number; readonly loses: number }>> = {
  drilling: { each: 2e-4, loses: 0.4 },
  reaming: { each: 2e-4, loses: 0.6 },
  boring: { each: 1e-4, loses: 0.5 },
  'hole-milling': { each: 5e-5, loses: 0.1 },
  chamfering: { each: 2e-5, loses: 0.1 },
  tapping: { each: 2e-4, loses: 0.7 },
  'thread-milling': { each: 1e-4, loses: 0.05 },
};

/** What makes mishaps likelier, and by how much. */
function circumstances(state: HoleState): { readonly factor: number; readonly because: string }[] {
  const { op, context } = state;
  const { hole } = op;
  const list: { factor: number; because: string }[] = [];
  const depth = hole.depthMm / hole.diameterMm;
  if (isDifficultToClear(context)) list.push({ factor: 2, because: 'chips of this alloy string and weld' });
  if (op.kind === 'tapping') {
    if (!hole.through) list.push({ factor: 2, because: 'a blind hole keeps its chips' });
    if (depth > 1.5) list.push({ factor: depth / 1.5, because: 'deep for a tap' });
    if (hole.diameterMm < 6) list.push({ factor: 2, because: 'a thin tap' });
  }
  if (op.kind === 'drilling') {
    if (depth > 5) list.push({ factor: (depth / 5) ** 2, because: 'deep for a drill' });
    if (hole.crossHoles > 0) list.push({ factor: 1 + hole.crossHoles, because: 'cross holes on the way' });
    if (hole.entryAngleDeg > 3 && !hole.piloted) list.push({ factor: 3, because: 'starts on a slope' });
  }
  return list;
}

/** Chance that one of `count` holes costs the part. */
export const chanceLost = (risk: HoleRisk | undefined, count: number): number =>
  risk ? risk.loses * (1 - (1 - risk.lot) * (1 - chanceOfAny(risk.each, count))) : 0;

/** What may go wrong: strength by its own band, handling by circumstances. */
export function riskOf(state: HoleState): HoleRisk {
  const { each, loses } = MISHAPS[state.op.kind];
  const list = circumstances(state);
  const mishap = Math.min(
    0.3,
    list.reduce((product, c) => product * c.factor, each),
  );
  const breaking = state.breaking ? chanceAbove(state.breaking) : 0;
  const because = list.map((c) => c.because);
  if (breaking > mishap) because.unshift('close to what breaks the tool');
  return { lot: breaking, each: mishap, loses, because };
}
