import { describe, expect, it } from 'vitest';
import { evenSamples } from './even-samples.ts';
import { freeModes, freePropagator } from './free-motion.ts';
import { type PieceMotion, pieceMotion } from './piece-motion.ts';
import { pieceNodes } from './piece-nodes.ts';

const STIFFNESS = 2e7;
const modesOf = (hz: number, damping = 0.03) =>
  freeModes({ x: [{ hz, damping, stiffness: STIFFNESS }], y: [] });

/** What the motion of a single mode says, by what it is from: displacement at a node, and at the end. */
function readOf({ numbers, directions: [own] }: PieceMotion, count: number) {
  const { flown, forced } = own!;
  return {
    moved: (a: number, force: number) => numbers[forced + force * (count + 2) + a]!,
    end: (force: number) => numbers[forced + force * (count + 2) + count]!,
    /** From displacement and from speed over ω at the start. */
    free: (a: number) => [numbers[flown + a]!, numbers[flown + 2 * count + a]!] as const,
    /** The same for the speed over ω. */
    speed: (a: number) => [numbers[flown + count + a]!, numbers[flown + 3 * count + a]!] as const,
  };
}

/** Displacement of a mode at rest under a force from t = 0 on, by small steps of Simpson's rule over Duhamel's integral, m. */
function duhamel(hz: number, damping: number, force: (t: number) => number, t: number): number {
  const w = 2 * Math.PI * hz;
  const turning = w * Math.sqrt(1 - damping ** 2);
  const mass = STIFFNESS / w ** 2;
  const steps = 4000;
  let sum = 0;
  for (let i = 0; i <= steps; i++) {
    const s = (t * i) / steps;
    const weight = i === 0 || i === steps ? 1 : i % 2 ? 4 : 2;
    sum += weight * force(s) * Math.exp(-damping * w * (t - s)) * Math.sin(turning * (t - s));
  }
  return (sum * t) / (3 * steps) / (mass * turning);
}

describe('even places of a piece', () => {
  it.each([3, 5, 8, 12, 16])('%s nodes: a polynomial through them is laid on itself', (count) => {
    const { at } = pieceNodes(count);
    const { steps, nearest } = evenSamples(count, 3 * count);
    const power = (x: number): number => (x - 0.3) ** (count - 1) + x;
    for (let a = 0; a < count; a++) {
      let laid = 0;
      for (let i = 0; i <= steps; i++) laid += nearest[i * count + a]! * power(i / steps);
      expect(laid).toBeCloseTo(power(at[a]!), 8);
    }
  });
});

describe('answer of the structure within a piece', () => {
  it.each([0.3, 0.8, 1.25])('follows %s waves of a mode at every node', (waves) => {
    const [hz, damping, count] = [900, 0.03, 12];
    const length = waves / hz;
    const { moved, end } = readOf(pieceMotion(modesOf(hz, damping), count, length, false), count);
    const { at } = pieceNodes(count);
    const force = (t: number): number => 100 + 300 * (t / length) ** 2;
    const scale = 400 / STIFFNESS;
    for (let a = 0; a < count; a++) {
      const exact = duhamel(hz, damping, force, at[a]! * length);
      const found = at.reduce((sum, x, b) => sum + moved(a, b) * force(x * length), 0);
      expect(Math.abs(found - exact) / scale).toBeLessThan(2e-5);
    }
    const last = at.reduce((sum, x, b) => sum + end(b) * force(x * length), 0);
    expect(last / duhamel(hz, damping, force, length)).toBeCloseTo(1, 5);
  });

  it('a mode that is six times too quick gives way as a spring does, without its ringing', () => {
    const [hz, count] = [6000, 8];
    const length = 7.5 / hz;
    const { moved } = readOf(pieceMotion(modesOf(hz, 0.02), count, length, true), count);
    const { at } = pieceNodes(count);
    for (let a = 1; a + 1 < count; a++) {
      const found = at.reduce((sum, x, b) => sum + moved(a, b) * 100 * (1 + x), 0);
      expect(found / ((100 * (1 + at[a]!)) / STIFFNESS)).toBeGreaterThan(0.7);
      expect(found / ((100 * (1 + at[a]!)) / STIFFNESS)).toBeLessThan(1.3);
    }
  });

  it('speeds at the nodes are those of the exact motion', () => {
    const [hz, damping, count] = [900, 0.03, 12];
    const length = 0.8 / hz;
    const { numbers, directions } = pieceMotion(modesOf(hz, damping), count, length, true);
    const { at } = pieceNodes(count);
    const force = (t: number): number => 100 + 300 * (t / length) ** 2;
    const little = length / 1000;
    const moved = (t: number): number => duhamel(hz, damping, force, t);
    for (let a = 1; a + 1 < count; a++) {
      const t = at[a]! * length;
      const exact = (moved(t + little) - moved(t - little)) / (2 * little);
      const found = at.reduce(
        (sum, x, b) => sum + numbers[directions[0]!.speeds + b * count + a]! * force(x * length),
        0,
      );
      expect(Math.abs(found - exact) / ((400 / STIFFNESS) * 2 * Math.PI * hz)).toBeLessThan(5e-4);
    }
  });

  it('free flight through a piece is exact, however long', () => {
    const modes = modesOf(700);
    const { numbers } = pieceMotion(modes, 8, 0.004, true);
    expect([...numbers.subarray(0, 4)]).toEqual([...freePropagator(modes, 0.004)]);
    const { free, speed } = readOf(pieceMotion(modes, 8, 0.5 / 700, true), 8);
    pieceNodes(8).at.forEach((x, a) => {
      const exact = freePropagator(modes, (x * 0.5) / 700);
      free(a).forEach((found, k) => expect(found).toBeCloseTo(exact[k]!, 3));
      speed(a).forEach((found, k) => expect(found / modes.omega[0]!).toBeCloseTo(exact[2 + k]!, 3));
    });
  });
});
