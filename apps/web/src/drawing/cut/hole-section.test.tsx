import { evaluate, type HoleOperation, type Operation, type OperationContext } from '@burl/core';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { KINDS, stepOf } from '../../../test/steps.ts';
import { PreferencesProvider } from '../../frame/preferences.tsx';
import { HoleSection } from './hole-section.tsx';
import { depthCurves } from './hole-curves.tsx';

afterEach(cleanup);

function draw({ op, context }: { op: HoleOperation; context: OperationContext }, readOnly = false) {
  const [onStickOut, onPecks] = [vi.fn(), vi.fn()];
  const onChange = (next: Operation, gesture: string) =>
    gesture === 'pecks' && 'peck' in next.cut ? onPecks(next.cut.peck) : onStickOut(next.tooling.stickOutMm);
  const { container } = render(
    <PreferencesProvider>
      <HoleSection
        op={op}
        context={context}
        evaluation={evaluate(op, context)}
        readOnly={readOnly}
        onParameter={vi.fn()}
        onChange={onChange}
      />
    </PreferencesProvider>,
  );
  return { container, onStickOut, onPecks };
}
const withHole = (
  step: { op: HoleOperation; context: OperationContext },
  hole: object,
  cut: object = {},
) => ({
  context: step.context,
  op: { ...step.op, hole: { ...step.op.hole, ...hole }, cut: { ...step.op.cut, ...cut } } as HoleOperation,
});
/** Points of a path of straight lines, h and v made whole. */
function pointsOf(d: string): [number, number][] {
  const points: [number, number][] = [];
  let at: [number, number] = [0, 0];
  for (const [, letter, rest] of d.matchAll(/([MLHV])\s*([-\d.\s]+)/g)) {
    const [a, b] = rest!.trim().split(/\s+/).map(Number) as [number, number];
    at = letter === 'H' ? [a, at[1]] : letter === 'V' ? [at[0], a] : [a, b];
    points.push(at);
  }
  return points;
}

describe('section of every kind of step', () => {
  it.each(KINDS)(
    '%s: all of its drawing has numbers, says how far the tool stands out, and lets one change it',
    (kind) => {
      const step = stepOf(kind);
      const { container, onStickOut } = draw(step);
      expect(container.innerHTML).not.toMatch(/NaN|Infinity|undefined/);
      const out = step.op.tooling.stickOutMm;
      expect(screen.getByText(new RegExp(`out ${out}`))).toBeTruthy();
      fireEvent.keyDown(screen.getByRole('slider', { name: 'Stick-out' }), { key: 'ArrowUp' });
      expect(onStickOut).toHaveBeenCalledWith(out + 0.5);
    },
  );

  it.each(KINDS)('%s: in inch nothing of it is in millimetres', (kind) => {
    localStorage.setItem('burl.units', 'inch');
    try {
      draw(stepOf(kind));
      expect(screen.queryByText(/\bmm\b/)).toBeNull();
      expect(screen.getByText(/^stick-out .*in$/)).toBeTruthy();
    } finally {
      localStorage.removeItem('burl.units');
    }
  });

  it('through, blind, and the rim of a chamfer are told apart', () => {
    const mill = stepOf('hole-milling');
    draw(mill);
    expect(screen.getByText('through')).toBeTruthy();
    cleanup();
    draw(withHole(mill, { through: false }));
    expect(screen.getByText('blind')).toBeTruthy();
    cleanup();
    draw(stepOf('chamfering'));
    expect(screen.getByText('rim of the hole')).toBeTruthy();
    expect(screen.queryByText(/×D deep/)).toBeNull();
  });

  it('a chamfer mill’s flank lies on the rim it leaves, as wide as it is asked', () => {
    for (const widthMm of [0.3, 0.8, 1.4]) {
      const step = withHole(stepOf('chamfering'), {}, { widthMm });
      const { container } = draw(step);
      const [stock, tool] = ['url(#stock)', 'var(--tool)'].map((f) =>
        container.querySelector(`path[fill="${f}"]`),
      );
      const rim = pointsOf(stock!.getAttribute('d')!);
      // Left edge of the bevel: on the face, then down to the wall.
      const [outer, wall] = [rim[1]!, rim[2]!];
      expect(wall[1] - outer[1]).toBeCloseTo(wall[0] - outer[0], 6);
      const scale = (wall[0] - outer[0]) / widthMm;
      expect(scale).toBeGreaterThan(5);
      const body = pointsOf(tool!.getAttribute('d')!);
      const lowest = Math.max(...body.map((p) => p[1]));
      const tip = Math.min(...body.filter((p) => p[1] === lowest).map((p) => p[0]));
      // At forty-five degrees the flank's line through the tip meets the face at the bevel's outer edge, a line's width off.
      expect(Math.abs(tip - (lowest - outer[1]) - outer[0])).toBeLessThan(1.6);
      cleanup();
    }
  });

  it('a mill stands against the wall it cuts and never wider than the hole', () => {
    const { container } = draw(stepOf('thread-milling'));
    const stock = pointsOf(container.querySelector('path[fill="url(#stock)"]')!.getAttribute('d')!);
    const wall = stock.filter(([x]) => x > 190 && x < 380)[0]![0];
    const body = container.querySelector('rect[fill="var(--tool)"]')!;
    const right = Number(body.getAttribute('x')) + Number(body.getAttribute('width'));
    expect(Math.abs(right - wall)).toBeLessThan(2);
  });

  it('cross holes, a sloped entry and a hole that was there before are drawn', () => {
    const drill = stepOf('drilling');
    expect(draw(withHole(drill, { crossHoles: 2 })).container.querySelectorAll('ellipse')).toHaveLength(2);
    cleanup();
    const face = (step: typeof drill) =>
      pointsOf(draw(step).container.querySelector('path[fill="url(#stock)"]')!.getAttribute('d')!)[0]![1];
    const flat = face(drill);
    cleanup();
    expect(face(withHole(drill, { entryAngleDeg: 6 }) as typeof drill)).toBeLessThan(flat);
    cleanup();
    const dashed = draw(stepOf('reaming')).container.querySelectorAll('line[y1="62"]');
    expect(dashed).toHaveLength(2);
  });

  it('coolant comes down the tool or from beside it, and chips only where they climb', () => {
    const drill = stepOf('drilling');
    const chips = 'path[stroke-width="1.1"]';
    expect(draw(drill).container.querySelectorAll(chips)).toHaveLength(3);
    cleanup();
    expect(draw(stepOf('reaming')).container.querySelectorAll(chips)).toHaveLength(0);
    cleanup();
    const wet = (coolant: HoleOperation['coolant']) => {
      const { container } = draw({ ...drill, op: { ...drill.op, coolant } });
      const drawn = [
        container.querySelectorAll('line[stroke-dasharray="7 4"]').length,
        container.querySelectorAll('path[stroke-dasharray="7 4"]').length,
      ];
      cleanup();
      return drawn;
    };
    expect(wet('through-tool')).toEqual([1, 0]);
    expect(wet('flood')).toEqual([0, 1]);
    expect(wet('dry')).toEqual([0, 0]);
  });
});

describe('pecks on the depth axis', () => {
  it('the handle moves one stroke between its neighbours; the others and the retract stay', () => {
    const listed = withHole(stepOf('drilling'), {}, { peck: { toMm: [20, 40, 60], retract: 'full' } });
    const { onPecks } = draw(listed);
    fireEvent.keyDown(screen.getByRole('slider', { name: 'Peck 2 to' }), { key: 'ArrowUp' });
    expect(onPecks).toHaveBeenLastCalledWith({ toMm: [20, 40.1, 60], retract: 'full' });
    fireEvent.keyDown(screen.getByRole('slider', { name: 'Peck 2 to' }), { key: 'End' });
    expect(onPecks).toHaveBeenLastCalledWith({ toMm: [20, 59.8, 60], retract: 'full' });
    fireEvent.keyDown(screen.getByRole('slider', { name: 'Peck 1 to' }), { key: 'Home' });
    expect(onPecks).toHaveBeenLastCalledWith({ toMm: [0.2, 40, 60], retract: 'full' });
  });

  it('pecks too close for a handle each keep some, and none can be moved by a reader', () => {
    const many = Array.from({ length: 30 }, (_, i) => 2.5 * (i + 1));
    const { onPecks } = draw(
      withHole(stepOf('drilling'), {}, { peck: { toMm: many, retract: 'full' } }),
      true,
    );
    const handles = screen.getAllByRole('slider', { name: /^Peck/ });
    expect(handles.length).toBeGreaterThan(2);
    expect(handles.length).toBeLessThan(30);
    fireEvent.keyDown(handles[0]!, { key: 'ArrowUp' });
    expect(onPecks).not.toHaveBeenCalled();
    expect(screen.getByText(/31 pecks, full retract between/)).toBeTruthy();
  });
});

describe('curves down the hole', () => {
  it('a drill’s torque grows within a stroke and falls back when the chips are cleared', () => {
    const { op, context } = withHole(stepOf('drilling'), {}, { peck: { toMm: [40], retract: 'full' } });
    const [torque, heat] = depthCurves(op, context);
    expect([torque!.unit, heat!.unit]).toEqual(['Nm', 'degC']);
    const half = torque!.points.length / 2;
    const [first, second] = [torque!.points.slice(0, half), torque!.points.slice(half)];
    expect([first[0]![0], first.at(-1)![0], second[0]![0], second.at(-1)![0]]).toEqual([0, 40, 40, 80]);
    expect(first.at(-1)![1]).toBeGreaterThan(first[0]![1]);
    expect(second[0]![1]).toBeLessThan(first.at(-1)![1]);
    expect(torque!.most).toBeGreaterThan(0);
    for (const curve of [torque!, heat!])
      for (const [d, v] of curve.points)
        expect([Number.isFinite(d), Number.isFinite(v)]).toEqual([true, true]);
  });

  it('a tap has a torque that may not be passed; other steps have a view from above instead', () => {
    const tap = stepOf('tapping');
    const [torque] = depthCurves(tap.op, tap.context);
    expect(torque!.unit).toBe('Nm');
    for (const kind of ['reaming', 'boring', 'hole-milling', 'chamfering', 'thread-milling'] as const) {
      const step = stepOf(kind);
      expect(depthCurves(step.op, step.context)).toEqual([]);
      draw(step);
      expect(screen.getByText('From above')).toBeTruthy();
      cleanup();
    }
  });

  it('from above a hole says what it opens from and to, a chamfer by twice its width', () => {
    draw(stepOf('boring'));
    expect(screen.getByText(/29\.5\smm → 30\smm/)).toBeTruthy();
    cleanup();
    const chamfer = stepOf('chamfering');
    draw(chamfer);
    const { diameterMm } = chamfer.op.hole;
    const text = new RegExp(`${diameterMm}\\smm → ${diameterMm + 2 * chamfer.op.cut.widthMm}\\smm`);
    expect(screen.getByText(text)).toBeTruthy();
  });

  it('a post a small mill would leave stands in the middle', () => {
    const mill = stepOf('hole-milling');
    const post = 'circle[stroke="var(--tight)"]';
    const posts = (stepovers: number) =>
      draw(withHole(mill, {}, { stepovers })).container.querySelectorAll(post).length;
    expect(posts(1)).toBe(1);
    cleanup();
    expect(posts(2)).toBe(0);
  });
});
