import type { Operation, TurningOperation } from '@burl/core';
import type { Job } from '@burl/contract';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { CRIB } from '../../../test/crib.ts';
import { pretendServer, show } from '../../../test/page.tsx';
import { NewOperationDialog } from './new-operation-dialog.tsx';

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const job = { id: 'j1', alloyId: '718-aged', machineId: 'vmc40-15kw-belt', quantity: 4 } as Job;

function open(
  answers: Record<string, unknown> = { 'POST /api/jobs/j1/operations': { id: 'new' } },
  of: Job = job,
) {
  const asked = pretendServer(answers);
  const made = vi.fn();
  show(<NewOperationDialog crib={CRIB} job={of} setupId="s1" onClose={vi.fn()} onMade={made} />);
  return { asked, made };
}
const field = (name: RegExp): HTMLInputElement => screen.getByLabelText<HTMLInputElement>(name);
const fill = (name: RegExp, value: string): void => {
  fireEvent.change(field(name), { target: { value } });
  fireEvent.blur(field(name));
};
const go = (): void => void fireEvent.click(screen.getByRole('button', { name: 'Calculate' }));
const cutters = (): string[] => [...field(/^Cutter/).querySelectorAll('option')].map((o) => o.textContent!);

describe('new operation', () => {
  it('offers the cutters of the kind, those for the alloy first', () => {
    open();
    const fit = cutters().map((c) => !c.includes('(not for group S)'));
    expect(fit).toEqual([...fit].sort((a, b) => Number(b) - Number(a)));
    expect(cutters().some((c) => c.startsWith('Carbide drill'))).toBe(false);
    fireEvent.change(field(/What is cut/), { target: { value: 'hole' } });
    expect(cutters().every((c) => /drill/i.test(c))).toBe(true);
    fill(/^Diameter/, '6.8');
    expect(cutters()[0]).toMatch(/6\.8 mm/);
  });

  it('sends a whole operation with numbers worked out', async () => {
    const { asked, made } = open();
    fill(/^Depth/, '18');
    fireEvent.change(field(/^Cutter/), { target: { value: 'em-bull-12-z5-re0.5-var' } });
    go();
    await waitFor(() => expect(made).toHaveBeenCalledWith('new'));
    const { body } = asked.at(-1)!;
    const { document, ...rest } = body as { document: Operation };
    expect(rest).toEqual({ setupId: 's1', name: 'Rough pocket' });
    expect(document).toMatchObject({
      kind: 'milling',
      alloyId: '718-aged',
      feature: { depthMm: 18, cornerRadiusMm: 8 },
      cut: { axialDepthMm: 18 },
    });
    expect(document.cut.speedRpm).toBeGreaterThan(500);
  });

  it('comes with the best cutter chosen', async () => {
    const { asked } = open();
    expect((await screen.findByLabelText<HTMLSelectElement>(/^Cutter/)).value).not.toBe('');
    go();
    await waitFor(() => expect(asked.at(-1)?.method).toBe('POST'));
  });

  it('says what is impossible, by field and range', async () => {
    const { asked } = open();
    fill(/^Width/, '8');
    fireEvent.change(field(/^Cutter/), { target: { value: 'em-bull-12-z5-re0.5-var' } });
    go();
    expect((await screen.findByRole('alert')).textContent).toMatch(/Width is 8; allowed: 12 mm or more/);
    expect(asked).toEqual([]);
  });

  it('says when no holder fits the machine, and passes on what the server refuses', async () => {
    open({}, { ...job, machineId: 'bench-2kw' });
    fireEvent.change(field(/What is cut/), { target: { value: 'face' } });
    fireEvent.change(field(/^Cutter/), { target: { value: 'face45-63-z6' } });
    go();
    expect((await screen.findByRole('alert')).textContent).toMatch(/No holder in the crib/);
    cleanup();
    const { made } = open({
      'POST /api/jobs/j1/operations': new Error('These numbers are released and locked.'),
    });
    fireEvent.change(field(/^Cutter/), { target: { value: 'em-bull-12-z5-re0.5-var' } });
    go();
    expect((await screen.findByRole('alert')).textContent).toBe('These numbers are released and locked.');
    expect(made).not.toHaveBeenCalled();
  });
});

describe('on a lathe', () => {
  const lathe: Job = { ...job, alloyId: 's13800-h1000', machineId: 'lathe-15kw' };
  const kinds = (): string[] =>
    [...field(/What is cut/).querySelectorAll('option')].map((o) => o.textContent!);

  it('offers what is turned; a mill does not', () => {
    open(undefined, lathe);
    expect(kinds().slice(0, 3)).toEqual(['outside diameter', 'bore', 'end face']);
    cleanup();
    open();
    expect(kinds()).not.toContain('bore');
  });

  it('sends a turned stretch with first numbers and a name that says it', async () => {
    const { asked } = open(undefined, lathe);
    fireEvent.change(field(/What is cut/), { target: { value: 'outside diameter' } });
    expect(cutters().every((c) => /insert/i.test(c))).toBe(true);
    fill(/Diameter before/, '40');
    fill(/Diameter after/, '36');
    fill(/^Length/, '30');
    fill(/Part out of the jaws/, '50');
    go();
    await waitFor(() => expect(asked).toHaveLength(1));
    const { name, document: op } = asked[0]!.body as { name: string; document: TurningOperation };
    expect(name).toBe('Turn 36');
    expect(op.stretch).toMatchObject({
      way: 'outside',
      startMm: 40,
      endMm: 36,
      lengthMm: 30,
      overhangMm: 50,
    });
    expect(op.cut.speedRpm).toBeGreaterThan(300);
    expect(op.tooling.holderId).toBe('turn-block-25');
  });

  it('says what is impossible by its field', async () => {
    open(undefined, lathe);
    fireEvent.change(field(/What is cut/), { target: { value: 'outside diameter' } });
    fill(/Diameter before/, '30');
    fill(/Diameter after/, '36');
    go();
    await waitFor(() => expect(screen.getByRole('alert').textContent).toMatch(/36.*allowed|allowed.*36/));
  });
});
