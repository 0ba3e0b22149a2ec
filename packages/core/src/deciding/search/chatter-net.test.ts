import { describe, expect, it } from 'vitest';
import { contextOf, LOCK_POCKET } from '../../../fixtures/crib.ts';
import { genericStructure } from '../../physics/dynamics/assembly-of.ts';
import { millingState } from '../../operations/milling/milling-state.ts';
import { chatterNet } from './chatter-net.ts';
import { writeFree } from '../../operations/milling/milling-movables.ts';
import { atCell, limitMap, mapRange } from './limit-map.ts';
import { sharesAt } from './shares.ts';
import { normalDeviate } from '../../numerics/normal.ts';

const bare = contextOf(LOCK_POCKET);
const { machine, holder, cutter } = bare;
const { stickOutMm } = LOCK_POCKET.tooling;
/** The pocket's combination, softer than its class and tapped: chatter is judged. */
const context = {
  ...bare,
  resonance: {
    serial: null,
    observations: [],
    tips: [
      {
        machineSerial: 'SN-1',
        machineId: machine.id,
        holderId: holder.id,
        cutterId: cutter.id,
        stickOutMm,
        source: 'measured' as const,
        measuredOn: null,
        structure: softer(genericStructure(bare, stickOutMm)),
      },
    ],
  },
};

function softer({ x, y }: ReturnType<typeof genericStructure>): ReturnType<typeof genericStructure> {
  const soften = (modes: typeof x) =>
    modes.map((m) => ({ ...m, stiffness: 0.3 * m.stiffness, damping: 0.6 * m.damping }));
  return { x: soften(x), y: soften(y) };
}

describe('chance of chatter between worked-out points', () => {
  const x = mapRange('ae', LOCK_POCKET, context);
  const y = mapRange('ap', LOCK_POCKET, context);
  const build = (u: number, v: number) => writeFree(writeFree(LOCK_POCKET, 'ae', u), 'ap', v);
  const stateAt = (u: number, v: number) => millingState(build(u, v), context);

  it('is within 0.08 of the chance worked out there, at nineteen of twenty points', () => {
    const net = chatterNet(x, y, stateAt)!;
    let off = 0;
    const shares = [0.07, 0.31, 0.52, 0.77, 0.94];
    for (const i of shares) {
      for (const j of shares.slice(1)) {
        const [u, v] = [x.low * (x.high / x.low) ** i, y.low * (y.high / y.low) ** j];
        const exact = stateAt(u, v).stability.chatter().chance;
        if (Math.abs(net(build(u, v)).chance - exact) > 0.08) off++;
      }
    }
    expect(off).toBeLessThanOrEqual(1);
  });

  it('works a node out once', () => {
    let asked = 0;
    const net = chatterNet(x, y, (u, v) => {
      asked++;
      return stateAt(u, v);
    })!;
    const op = build(Math.sqrt(x.low * x.high), Math.sqrt(y.low * y.high));
    net(op);
    net(op);
    expect(asked).toBeLessThanOrEqual(4);
  });

  it('saves nothing along speed, which moves the lobes', () => {
    expect(chatterNet(mapRange('n', LOCK_POCKET, context), y, stateAt)).toBeNull();
  });

  it('a fine map forbids for chatter where judging each point by itself does, at 24 of 25 points', () => {
    const [columns, rows] = [36, 24];
    const map = limitMap(LOCK_POCKET, context, {
      x: 'ae',
      y: 'ap',
      columns,
      rows,
      confidence: 0.9,
      objective: 'metal',
    })!;
    const shares = map.shares[map.limits.findIndex((l) => l.id === 'limit-depth')]!;
    const seen = new Set<boolean>();
    let off = 0;
    for (let column = 2; column < columns; column += 7) {
      for (let row = 1; row < rows; row += 5) {
        const state = stateAt(atCell(map.x, column, columns), atCell(map.y, row, rows));
        const forbidden = sharesAt(state, normalDeviate(0.9)).find((s) => s.id === 'limit-depth')!.forbids;
        seen.add(forbidden);
        if (shares[row * columns + column]! > 1 !== forbidden) off++;
      }
    }
    expect(seen.size).toBe(2);
    expect(off).toBeLessThanOrEqual(1);
  });
});
