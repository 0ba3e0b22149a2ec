import { measure, say, type Sentence } from '../../units/sentence.ts';
import type { Way } from './way.ts';

/** Which way is best at what, and why the others are not. */
export interface WaysVerdict {
  readonly quickest: string | null;
  readonly cheapest: string | null;
  readonly calmest: string | null;
  readonly because: readonly Sentence[];
}

const forceOf = (w: Way): number =>
  w.evaluation.numbers.find((n) => n.key === 'Fc' || n.key === 'F')?.value ?? Infinity;

/** Ways that break a limit win nothing; `searched` ones did so at every speed and feed that was tried. */
export function verdictOfWays(ways: readonly Way[], searched = false): WaysVerdict {
  const sound = ways.filter((w) => w.evaluation.state !== 'over');
  const least = (of: (w: Way) => number): Way | null =>
    sound.length === 0 ? null : sound.reduce((a, b) => (of(a) <= of(b) ? a : b));
  const [quick, cheap, calm] = [least((w) => w.minutes), least((w) => w.cost), least(forceOf)];
  const slow = sound.length > 1 ? sound.reduce((a, b) => (a.minutes >= b.minutes ? a : b)) : null;
  const because: Sentence[] = [];
  if (quick && slow && slow.minutes > 1.05 * quick.minutes)
    because.push(
      say(
        `“${quick.name}” takes {0}, “${slow.name}” {1}.`,
        measure(quick.minutes, 'min'),
        measure(slow.minutes, 'min'),
      ),
    );
  if (calm && quick && calm !== quick)
    because.push(
      say(
        `“${calm.name}” cuts with {0} against {1}: the part gives way less.`,
        measure(forceOf(calm), 'N'),
        measure(forceOf(quick), 'N'),
      ),
    );
  for (const w of ways.filter((way) => way.evaluation.state === 'over')) {
    const limit = w.evaluation.limits.find((l) => l.id === w.evaluation.governing)!;
    because.push({
      ...limit.why,
      text: `“${w.name}” is over${searched ? ' at any speed and feed tried' : ''}: ${limit.why.text}`,
    });
  }
  return {
    quickest: quick?.id ?? null,
    cheapest: cheap?.id ?? null,
    calmest: calm?.id ?? null,
    because,
  };
}
