import type { EdgeMillingOperation, MillingOperation, Operation } from '@burl/core';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { type ComponentType, useState } from 'react';
import { afterEach, describe, expect, it } from 'vitest';
import { madeOf } from '../../../../test/made.ts';
import { show } from '../../../../test/page.tsx';
import type { NewOperation } from '../../../judging/new-operation.ts';
import type { CardProps } from './card.tsx';
import { EdgeCard } from './edge-card.tsx';
import { MillingCards } from './milling-cards.tsx';

afterEach(cleanup);

/** A card of a first cut with its form open; returns a reader of what the operation became. */
function open<O extends Operation>(
  made: NewOperation['made'],
  Cards: ComponentType<CardProps<O>>,
  title: RegExp,
) {
  const { op: start, context } = madeOf<O>(made, '316l');
  let now = start;
  function Holder() {
    const [op, setOp] = useState(start);
    now = op;
    return <Cards op={op} context={context} readOnly={false} onChange={(next) => setOp(next as O)} />;
  }
  show(<Holder />);
  fireEvent.click(screen.getByRole('button', { name: title }));
  return () => now;
}
const take = (label: RegExp, value: string): void => {
  const field = screen.getByLabelText(label);
  fireEvent.change(field, { target: { value } });
  fireEvent.blur(field);
};
const labels = (): string =>
  [...document.querySelectorAll('label')].map((l) => l.textContent ?? '').join('|');

describe('the card of an edge', () => {
  it('takes size, state and passes; empty is not asked', () => {
    const now = open<EdgeMillingOperation>('edge break', EdgeCard, /^Edge/);
    take(/^Chamfer width/, '0.8');
    take(/least off/, '');
    take(/^Passes/, '2');
    take(/^Sharpest inside corner/, '3');
    expect(now().edge).toMatchObject({ sizeMm: 0.8, leastMm: null, mostMm: 0.75, insideRadiusMm: 3 });
    expect(now().cut.passes).toBe(2);
  });

  it('takes length and sharpest inside corner of the contour from a drawing, and says what no tool goes into', async () => {
    const now = open<EdgeMillingOperation>('edge break', EdgeCard, /^Edge/);
    const drawing = (entities: readonly (readonly [number, string | number])[]): string =>
      [[0, 'SECTION'], [2, 'ENTITIES'], ...entities, [0, 'ENDSEC'], [0, 'EOF']]
        .map(([code, value]) => `${code}\n${value}`)
        .join('\n');
    const loop = (corners: readonly (readonly [number, number])[]) =>
      [
        [0, 'LWPOLYLINE'],
        [90, corners.length],
        [70, 1],
        ...corners.flatMap(([x, y]) => [
          [10, x],
          [20, y],
        ]),
      ] as [number, string | number][];
    const offer = (name: string, text: string): void => {
      fireEvent.change(screen.getByLabelText('Contour file'), {
        target: { files: [new File([text], name)] },
      });
    };
    const outside = loop([
      [0, 0],
      [60, 0],
      [60, 40],
      [0, 40],
    ]);
    const hole = [
      [0, 'CIRCLE'],
      [10, 30],
      [20, 20],
      [40, 6],
    ] as [number, string | number][];
    offer('flange.dxf', drawing([...outside, ...hole]));
    expect((await screen.findByRole('status')).textContent).toMatch(/^flange.dxf: 2 contours, 237.7.mm.$/);
    expect(now().edge.lengthMm).toBeCloseTo(200 + 12 * Math.PI, 2);
    expect(now().edge.insideRadiusMm).toBe(6);
    offer(
      'notch.dxf',
      drawing(
        loop([
          [0, 0],
          [60, 0],
          [60, 40],
          [40, 40],
          [40, 30],
          [0, 30],
        ]),
      ),
    );
    expect((await screen.findByRole('alert')).textContent).toMatch(/1 inside corner without an arc/);
    expect(now().edge).toMatchObject({ lengthMm: 200, insideRadiusMm: null });
    offer('photo.dxf', 'no drawing');
    await screen.findByText(/photo.dxf: this is no DXF drawing.*Nothing was changed/);
    expect(now().edge.lengthMm).toBe(200);
  });

  it('asks at the back how far and through what, and has a wall there at once', () => {
    const now = open<EdgeMillingOperation>('edge break', EdgeCard, /^Edge/);
    expect(labels()).not.toMatch(/Near face to far edge/);
    fireEvent.change(screen.getByLabelText('Which edge'), { target: { value: 'far' } });
    expect(now().edge).toMatchObject({ face: 'far', depthMm: 20 });
    expect(labels()).toMatch(/Near face to far edge/);
    expect(labels()).not.toMatch(/Sharpest inside corner/);
  });

  it('of a rounding and a line has no back; a line has no state', () => {
    const now = open<EdgeMillingOperation>('back edge', EdgeCard, /^Edge/);
    fireEvent.change(screen.getByLabelText('What is made'), { target: { value: 'engraving' } });
    expect(now().edge).toMatchObject({ form: 'engraving', face: 'near' });
    expect(labels()).toMatch(/Line width/);
    expect(labels()).not.toMatch(/ISO 13715|Which edge/);
  });
});

describe('the card of a groove and of a finishing cut', () => {
  it('a T-slot is told by its slot and what goes under, and turns into a dovetail at 60°', () => {
    const now = open<MillingOperation>('T-slot', MillingCards, /^Feature/);
    take(/^Slot above/, '13');
    take(/^Under each side/, '6');
    expect(now().feature).toMatchObject({ widthMm: 6, undercut: { throatMm: 13 } });
    fireEvent.change(screen.getByLabelText('Groove'), { target: { value: 'dovetail' } });
    expect(now().feature).toMatchObject({ slopeDeg: 60, undercut: { form: 'dovetail', throatMm: 13 } });
    fireEvent.change(screen.getByLabelText('Groove'), { target: { value: 'wall' } });
    expect(now().feature.undercut).toMatchObject({ form: 'wall', throatMm: null });
  });

  it('a rib asks for its thickness and which side comes when', () => {
    const now = open<MillingOperation>('finish wall', MillingCards, /^Feature/);
    expect(labels()).toMatch(/Cutter before/);
    expect(labels()).not.toMatch(/Thickness left/);
    fireEvent.change(screen.getByLabelText('Finishes'), { target: { value: 'rib' } });
    expect(now().feature.finishing).toMatchObject({ face: 'rib', ribMm: 3 });
    fireEvent.change(screen.getByLabelText('Sides'), { target: { value: 'one after the other' } });
    expect(now().feature.finishing!.inTurn).toBe(false);
    take(/^Edge past the floor/, '0.5');
    expect(now().feature.finishing!.pastFloorMm).toBe(0.5);
  });
});
