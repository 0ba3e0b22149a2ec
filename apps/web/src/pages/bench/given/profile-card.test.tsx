import { evaluate, limitOf, type OperationContext, type TurningOperation } from '@burl/core';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { show } from '../../../../test/page.tsx';
import { turned } from '../../../../test/turned.ts';
import { TurnedSection } from '../../../drawing/cut/turned-section.tsx';
import { ProfileCard } from './profile-card.tsx';
import { TurnedCard } from './turned-card.tsx';

afterEach(cleanup);

/** The cards on an operation as the bench holds it; what it became can be read. */
function open(
  { op: start, context }: { op: TurningOperation; context: OperationContext },
  readOnly = false,
): () => TurningOperation {
  let now = start;
  function Holder() {
    const [op, setOp] = useState(start);
    now = op;
    const props = { op, context, readOnly, onChange: (next: unknown) => setOp(next as TurningOperation) };
    return (
      <>
        <TurnedCard {...props} />
        <ProfileCard {...props} />
        <TurnedSection {...props} evaluation={evaluate(op, context)} onParameter={vi.fn()} />
      </>
    );
  }
  show(<Holder />);
  return () => now;
}
const press = (name: RegExp | string): void => {
  fireEvent.click(screen.getByRole('button', { name }));
};
const take = (label: RegExp | string, value: string): void => {
  const input = screen.getByLabelText(label);
  fireEvent.change(input, { target: { value } });
  fireEvent.blur(input);
};
const offer = (name: string, text: string): void => {
  fireEvent.change(screen.getByLabelText('Profile file'), { target: { files: [new File([text], name)] } });
};
const STRETCH = { startMm: 40, endMm: 36, lengthMm: 60, overhangMm: 90 } as const;

describe('a profile by hand', () => {
  it('begins as the stretch it was, grows by pieces, and the stretch follows', () => {
    const now = open(turned(STRETCH));
    expect(screen.getByRole('button', { name: /One diameter/ })).toBeTruthy();
    press(/^Profile/);
    press('Enter pieces');
    expect(now().stretch.profile!.elements).toMatchObject([{ kind: 'step', toMm: 36, lengthMm: 60 }]);
    press('cone');
    take('Piece 2, to diameter', '38');
    take('Piece 2, length', '8');
    press('arc');
    take('Piece 3, radius', '5');
    fireEvent.change(screen.getByLabelText('Piece 3, side'), { target: { value: 'bulging' } });
    expect(now().stretch).toMatchObject({ startMm: 42, endMm: 36, lengthMm: 70 });
    expect(now().stretch.profile!.elements[2]).toMatchObject({ kind: 'arc', radiusMm: 5, side: 'bulging' });
    fireEvent.change(screen.getByLabelText('Piece 3'), { target: { value: 'step' } });
    expect(now().stretch.profile!.elements[2]).toMatchObject({ kind: 'step', radiusMm: null });
    press('Take away piece 3');
    take('Allowance on it', '0.4');
    expect(now().stretch.profile).toMatchObject({ skinMm: 0.4 });
    expect(now().stretch.startMm).toBeCloseTo(38.8, 9);
    fireEvent.click(screen.getAllByRole('button', { name: 'One diameter' }).at(-1)!);
    expect(now().stretch.profile).toBeNull();
  });

  it('says which diameter it begins at only where no step does', () => {
    open(turned(STRETCH));
    press(/^Profile/);
    press('Enter pieces');
    expect(screen.queryByLabelText('Begins at diameter')).toBeNull();
    fireEvent.change(screen.getByLabelText('Piece 1'), { target: { value: 'cone' } });
    expect(screen.getByLabelText('Begins at diameter')).toBeTruthy();
  });

  it('is none of a face, and goes when the way is another', () => {
    const now = open(turned(STRETCH));
    press(/^Profile/);
    press('Enter pieces');
    fireEvent.keyDown(document.activeElement!, { key: 'Escape' });
    press(/^Turned/);
    fireEvent.change(screen.getByLabelText('Way'), { target: { value: 'face' } });
    expect(now().stretch.profile).toBeNull();
    expect(screen.queryByRole('button', { name: /^Profile/ })).toBeNull();
  });

  it('is only read by whoever may not change it', () => {
    open(turned(STRETCH), true);
    press(/^Profile/);
    expect(screen.queryByRole('button', { name: 'Enter pieces' })).toBeNull();
    expect(screen.queryByRole('button', { name: 'DXF or CSV' })).toBeNull();
  });
});

describe('a profile from a file', () => {
  it('takes the place of the diameter, and what the insert cannot follow is drawn', async () => {
    const { op, context } = turned(STRETCH);
    const now = open({ op, context });
    press(/^Profile/);
    offer('neck.csv', 'z,d\n0,36\n-20,36\n-22,30\n-40,30\n-40,36\n-60,36\n');
    await waitFor(() => expect(now().stretch.profile?.elements).toHaveLength(4));
    expect(now().stretch).toMatchObject({ endMm: 30, lengthMm: 60, startMm: 40 });
    const limit = limitOf(evaluate(now(), context), 'profile-reach');
    expect(limit.state).toBe('over');
    const left = document.querySelectorAll('[data-left]');
    expect(left.length).toBeGreaterThan(0);
    expect(Number(left[0]!.getAttribute('data-left'))).toBeCloseTo(limit.predicted!.value, 3);
    const text = screen.getByRole('group', { name: 'Half-section of the turned part' }).textContent!;
    expect(text.replaceAll('\u00a0', ' ')).toMatch(/mm uncut: falls 56\.3°, edge 5/);
    const drawn = [...document.querySelectorAll('path, rect, polyline')].map((e) => e.outerHTML).join(' ');
    expect(drawn).not.toMatch(/NaN|Infinity|undefined/);
  });

  it('that cannot be read says why, and changes nothing', async () => {
    const now = open(turned(STRETCH));
    press(/^Profile/);
    offer('part.dxf', 'no drawing');
    expect((await screen.findByRole('alert')).textContent).toMatch(/part\.dxf: .*Nothing was changed/);
    expect(now().stretch.profile).toBeUndefined();
    offer('back.csv', 'z,d\n0,20\n-10,20\n-5,25\n-30,25\n');
    await waitFor(() => expect(screen.getByRole('alert').textContent).toMatch(/goes back/));
    offer('fine.csv', 'z,d\n0,20\n-10,20\n');
    await waitFor(() => expect(now().stretch.profile?.elements).toHaveLength(1));
    expect(screen.queryByRole('alert')).toBeNull();
  });
});

describe('how the tool sits', () => {
  it('is the usual until somebody says otherwise, and the heel is told of', () => {
    const { op, context } = turned(STRETCH);
    const now = open({ op, context });
    press(/^Turned/);
    expect(screen.getByLabelText<HTMLSelectElement>('Spindle turns').value).toBe('forward');
    expect(screen.getByLabelText<HTMLSelectElement>('Edge faces').value).toBe('down');
    fireEvent.change(screen.getByLabelText('Spindle turns'), { target: { value: 'reverse' } });
    expect(now().seat).toEqual({ rotation: 'reverse', edge: 'down' });
    expect(limitOf(evaluate(now(), context), 'spindle-direction').state).toBe('over');
    fireEvent.change(screen.getByLabelText('Edge faces'), { target: { value: 'up' } });
    expect(limitOf(evaluate(now(), context), 'spindle-direction').state).toBe('clear');
  });
});
