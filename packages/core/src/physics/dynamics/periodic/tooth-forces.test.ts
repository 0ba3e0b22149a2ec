import { describe, expect, it } from 'vitest';
import { randomCut } from '../../../../fixtures/random-cut.ts';
import { toothFactors } from '../../../../golden/tooth-factors.ts';
import { type ChatterCut, directionOf } from '../chatter-cut.ts';
import { engagementOf } from './engaged-teeth.ts';
import { readAt, spanAt, spansOf } from './span.ts';
import { toothForces } from './tooth-forces.ts';

const RESOLUTION = { nodes: 8, wavesPerPiece: 1.25, turnPerPiece: 0.7 };

/** Random cuts as they are, with straight teeth, and with a helix of each tooth's own. */
const cuts: readonly (readonly [string, ChatterCut, number])[] = Array.from({ length: 12 }, (_, i) => {
  const { cut, rpm } = randomCut(i + 1);
  const helices = cut.pitch.map((_, j) => 0.5 + 0.06 * (j % 3));
  const straight = cut.pitch.map(() => 0);
  return [
    [`${i + 1}`, cut, rpm],
    [`${i + 1}, straight`, { ...cut, helix: straight }, rpm],
    [`${i + 1}, unequal helix`, { ...cut, helix: helices, dampingNPerM: 2e4 }, rpm],
  ] as const;
}).flat();

describe('forces of the teeth', () => {
  it.each(cuts)('of cut %s are at every node those of sines written out', (_, cut, rpm) => {
    const depthMm = 4;
    const engagement = engagementOf(cut, depthMm);
    const spans = spansOf(engagement, 3, RESOLUTION);
    const { cutting, damping, delayed } = toothForces(cut, rpm, engagement, spans, [0, 1]);
    const alone = toothForces(cut, rpm, engagement, spans, [1]).cutting;
    let reads = 0;
    for (const { from, to, nodes, first } of spans) {
      for (let a = 0; a < nodes.count; a++) {
        const share = Math.min(1 - 1e-9, Math.max(1e-9, nodes.at[a]!));
        const theta = from + (to - from) * share;
        const sum = [0, 0, 0];
        for (const tooth of engagement.teeth) {
          const factors = toothFactors(cut, tooth, engagement.period, theta);
          factors?.forEach((f, k) => (sum[k]! += f));
        }
        const [ss, sc, cc] = sum as [number, number, number];
        const wanted = directionOf(cut, ss, sc, cc);
        const scale = Math.max(cut.tangential, cut.radial) * 1e6;
        wanted.forEach((w, k) => {
          expect(Math.abs(cutting[first * 4 + k * nodes.count + a]! - w) / scale).toBeLessThan(1e-9);
        });
        expect(alone[first + a]).toBe(cutting[first * 4 + 3 * nodes.count + a]);
        if (!delayed) continue;
        // What delayed teeth press with adds up to what the teeth do.
        const [begin, end] = [delayed.start[first + a]!, delayed.start[first + a + 1]!];
        wanted.forEach((w, k) => {
          let all = 0;
          for (let i = begin; i < end; i++) all += delayed.pressing[4 * i + k]!;
          expect(Math.abs(all - w) / scale).toBeLessThan(1e-9);
        });
        reads += end - begin;
      }
    }
    expect(delayed?.from.length ?? 0).toBe(reads);
    expect(damping === null).toBe(!cut.dampingNPerM);
  });

  it.each(cuts.filter(([, cut]) => new Set(cut.pitch).size > 1))(
    'of cut %s read the wave one delay ago',
    (_, cut, rpm) => {
      const engagement = engagementOf(cut, 4);
      const spans = spansOf(engagement, 3, RESOLUTION);
      const { delayed } = toothForces(cut, rpm, engagement, spans, [0, 1]);
      const delays = new Set(engagement.teeth.map(({ delay }) => delay));
      const shares = new Float64Array(64);
      for (const { from, to, nodes, first } of spans) {
        for (let a = 0; a < nodes.count; a++) {
          const place = from + (to - from) * nodes.at[a]!;
          const possible = [...delays].map((delay) => {
            const before = place - delay < -1e-12 ? 1 : 0;
            const left = place - delay + before * engagement.period;
            const span = spanAt(spans, left + (a === 0 ? 1e-10 : a === nodes.count - 1 ? -1e-10 : 0));
            readAt(span, left, shares);
            return { before, from: 2 * span.first, shares: [...shares.subarray(0, span.nodes.count)] };
          });
          for (let i = delayed!.start[first + a]!; i < delayed!.start[first + a + 1]!; i++) {
            const at = delayed!.at[i]!;
            const own = delayed!.shares.subarray(at, at + delayed!.count[i]!);
            const same = possible.some(
              (p) =>
                p.before === delayed!.before[i] &&
                p.from === delayed!.from[i] &&
                p.shares.every((share, k) => Math.abs(share - own[k]!) < 1e-9),
            );
            expect(same).toBe(true);
          }
        }
      }
    },
  );
});
