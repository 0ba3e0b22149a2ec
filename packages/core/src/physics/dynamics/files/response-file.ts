import { InputError } from '../../../units/input-error.ts';
import type { Receptance } from '../tip-structure.ts';

/** What a frequency response is of: displacement, velocity or acceleration per force. */
export type ResponseKind = 'receptance' | 'mobility' | 'accelerance';

/** Displacement of a response, m/N, from what it was measured as. Lines at zero frequency are left out. */
export function toReceptance(kind: ResponseKind, g: Receptance): Receptance {
  const keep = [...g.hz.keys()].filter((i) => g.hz[i]! > 0);
  const pick = (a: Float64Array): Float64Array => Float64Array.from(keep, (i) => a[i]!);
  const hz = pick(g.hz);
  let [re, im] = [pick(g.re), pick(g.im)];
  const times = kind === 'receptance' ? 0 : kind === 'mobility' ? 1 : 2;
  for (let n = 0; n < times; n++) {
    // Divided by iω.
    const [a, b] = [re, im];
    re = a.map((_, i) => b[i]! / (2 * Math.PI * hz[i]!));
    im = a.map((v, i) => -v / (2 * Math.PI * hz[i]!));
  }
  return { hz, re, im };
}

/** The other way round: a receptance as mobility or accelerance. */
export function fromReceptance(kind: ResponseKind, g: Receptance): Receptance {
  let { re, im } = g;
  const times = kind === 'receptance' ? 0 : kind === 'mobility' ? 1 : 2;
  for (let n = 0; n < times; n++) {
    const [a, b] = [re, im];
    re = a.map((_, i) => -b[i]! * 2 * Math.PI * g.hz[i]!);
    im = a.map((v, i) => v * 2 * Math.PI * g.hz[i]!);
  }
  return { hz: g.hz, re, im };
}

/** Refuses responses no one can calculate with: gaps, lines that do not rise, too few of them. */
export function requireResponse(g: Receptance): void {
  if (g.hz.length < 12) {
    throw new InputError([{ field: 'frequency response', value: g.hz.length, allowed: 'at least 12 lines' }]);
  }
  const steps: number[] = [];
  for (let i = 0; i < g.hz.length; i++) {
    if (!Number.isFinite(g.hz[i]!) || !Number.isFinite(g.re[i]!) || !Number.isFinite(g.im[i]!)) {
      throw new InputError([
        { field: `line ${i + 1}`, value: [g.hz[i], g.re[i], g.im[i]].map(String), allowed: 'numbers' },
      ]);
    }
    if (i > 0) {
      if (!(g.hz[i]! > g.hz[i - 1]!)) {
        throw new InputError([
          { field: `line ${i + 1}`, value: g.hz[i], allowed: `above ${g.hz[i - 1]} Hz` },
        ]);
      }
      steps.push(g.hz[i]! - g.hz[i - 1]!);
    }
  }
  const usual = [...steps].sort((a, b) => a - b)[steps.length >> 1]!;
  const gap = steps.findIndex((s) => s > 5.5 * usual);
  if (gap >= 0) {
    throw new InputError([
      {
        field: 'frequency response',
        value: `a gap from ${g.hz[gap]} to ${g.hz[gap + 1]} Hz`,
        allowed: `lines some ${usual.toPrecision(3)} Hz apart`,
      },
    ]);
  }
}
