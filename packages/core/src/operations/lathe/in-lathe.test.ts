import { describe, expect, it } from 'vitest';
import { contextOf, DOWEL_HOLE, SEAL_POCKET, SHIPPED } from '../../../fixtures/crib.ts';
import { problemsOf } from '../../evaluation/check-operation.ts';
import { evaluate, limitOf, numberOf } from '../../evaluation/evaluate.ts';
import type { Operation } from '../operation.ts';
import { type InLathe, PLAIN_IN_LATHE } from './in-lathe.ts';
import { machineFor } from './lathe-spindle.ts';

const machine = (id: string) => SHIPPED.machines.find((m) => m.id === id)!;
const on = <O extends Operation>(op: O, machineId: string, inLathe?: Partial<InLathe>): O => ({
  ...op,
  machineId,
  tooling: { ...op.tooling, holderId: 'driven-collet-32' },
  ...(inLathe && { inLathe: { ...PLAIN_IN_LATHE, ...inLathe } }),
});
const fields = (op: Operation): string[] => problemsOf(op, contextOf(op)).map((p) => p.field);

describe('what turns on a lathe', () => {
  const turning = machine('lathe-driven-18kw');
  const millTurn = machine('millturn-26kw');

  it('a mill is driven by the turret, a drill on the axis meets the turning part', () => {
    expect(machineFor(on(SEAL_POCKET, turning.id), turning).max_rpm).toBe(turning.driven_tools!.max_rpm);
    expect(machineFor(on(DOWEL_HOLE, turning.id, { turns: 'part' }), turning).max_rpm).toBe(turning.max_rpm);
    expect(machineFor(on(DOWEL_HOLE, turning.id, { turns: 'tool' }), turning).power_torque).toEqual(
      turning.driven_tools!.power_torque,
    );
  });

  it('a mill-turn centre turns its milling spindle, or the part', () => {
    expect(machineFor(on(SEAL_POCKET, millTurn.id), millTurn)).toBe(millTurn);
    expect(machineFor(on(DOWEL_HOLE, millTurn.id, { turns: 'part' }), millTurn).max_rpm).toBe(
      millTurn.turning_spindle!.max_rpm,
    );
  });

  it('is judged by the torque of that spindle', () => {
    const shares = (['part', 'tool'] as const).map((turns) => {
      const op = on(DOWEL_HOLE, turning.id, { turns });
      return limitOf(evaluate(op, contextOf(op)), 'spindle-torque').share!.value;
    });
    expect(shares[1]).toBeGreaterThan(3 * shares[0]!);
  });

  it('names what cannot be', () => {
    expect(fields(on(SEAL_POCKET, 'lathe-15kw'))).toContain('machineId');
    expect(fields(on(SEAL_POCKET, turning.id, { turns: 'part' }))).toContain('inLathe.turns');
    expect(fields(on(SEAL_POCKET, 'vmc40-15kw-belt', {}))).toContain('inLathe');
    expect(fields(on(SEAL_POCKET, turning.id, { diameterMm: 40, boreMm: 45 }))).toContain('inLathe.boreMm');
    expect(fields(on(SEAL_POCKET, turning.id, {}))).toEqual([]);
  });

  it('drives no faster than the unit is rated for', () => {
    const op = on({ ...SEAL_POCKET, cut: { ...SEAL_POCKET.cut, speedRpm: 8000 } }, turning.id, {});
    const e = evaluate(op, contextOf(op));
    expect(limitOf(e, 'spindle-speed').state).toBe('over');
    expect(numberOf(e, 'n').value).toBe(8000);
  });
});
