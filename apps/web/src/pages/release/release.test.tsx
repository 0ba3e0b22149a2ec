import { evaluate } from '@burl/core';
import type { Release } from '@burl/contract';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { example } from '../../../test/crib.ts';
import { person, pretendServer, show } from '../../../test/page.tsx';
import { Decide } from './decide.tsx';
import { Differences, Evidence } from './evidence.tsx';

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const { op, context } = example('Rough seal pocket A');
const operation = {
  operationId: 'o1',
  setup: 'Setup 1',
  name: 'Rough pocket',
  variant: 'A',
  document: op,
  context,
  evaluation: evaluate(op, context),
};
const release = { id: 'r1', jobId: 'j1', requestedById: 'engineer', state: 'requested' } as Release;

const open = (role: 'engineer' | 'approver', id?: string, more: Record<string, unknown> = {}) => {
  const asked = pretendServer({ 'GET /api/session': { person: person(role, id), demo: [] }, ...more });
  const done = vi.fn(async () => undefined);
  show(<Decide release={release} onDone={done} />);
  return { asked, done };
};

describe('decision', () => {
  it('is the second person’s, after every check', async () => {
    const { asked, done } = open('approver', undefined, { 'POST /api/releases/r1/decision': {} });
    const button = await screen.findByRole<HTMLButtonElement>('button', { name: 'Release' });
    expect(button.disabled).toBe(true);
    for (const box of screen.getAllByRole('checkbox')) fireEvent.click(box);
    expect(button.disabled).toBe(false);
    fireEvent.click(button);
    await waitFor(() => expect(done).toHaveBeenCalled());
    expect(asked.find((a) => a.method === 'POST')!.body).toEqual({
      decision: 'release',
      reason: '',
      checks: ['limits', 'assumptions', 'cautions'],
    });
  });

  it('can be taken back by unticking', async () => {
    open('approver');
    const button = await screen.findByRole<HTMLButtonElement>('button', { name: 'Release' });
    for (const box of screen.getAllByRole('checkbox')) fireEvent.click(box);
    fireEvent.click(screen.getAllByRole('checkbox')[1]!);
    expect(button.disabled).toBe(true);
  });

  it('shows what the server says when it refuses', async () => {
    const { done } = open('approver', undefined, {
      'POST /api/releases/r1/decision': new Error('reason must say why it goes back'),
    });
    fireEvent.click(await screen.findByRole('button', { name: 'Return' }));
    expect((await screen.findByRole('alert')).textContent).toBe('reason must say why it goes back');
    expect(done).not.toHaveBeenCalled();
  });

  it('is not offered for one’s own request, nor to an engineer', async () => {
    open('approver', 'engineer');
    expect(await screen.findByText(/You asked for this release; a second person/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Release' })).toBeNull();
    cleanup();
    open('engineer', 'somebody');
    expect(await screen.findByText('A person with the role approver decides.')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Release' })).toBeNull();
  });

  it('can be made unnecessary by withdrawing', async () => {
    const { asked, done } = open('engineer', undefined, { 'POST /api/releases/r1/withdrawal': {} });
    fireEvent.click(await screen.findByRole('button', { name: 'Withdraw the request' }));
    await waitFor(() => expect(done).toHaveBeenCalled());
    expect(asked.at(-1)).toMatchObject({ method: 'POST', path: '/api/releases/r1/withdrawal' });
  });
});

describe('evidence', () => {
  it('shows numbers, everything not clear in words, and what was measured against what is assumed', () => {
    pretendServer({});
    show(<Evidence op={operation} number={2} />);
    expect(screen.getByRole('heading', { level: 3 }).textContent).toBe('2 Rough pocket Setup 1, variant A');
    const open = operation.evaluation.limits.filter((l) => l.state !== 'clear');
    expect(
      screen.getAllByRole('listitem').filter((i) => /^(Over limit|Tight|Unproven)/.test(i.textContent!)),
    ).toHaveLength(open.length);
    expect(screen.getByText('runout measured at the tip')).toBeTruthy();
    expect(screen.getByText(/kc1\.1 of the crib/)).toBeTruthy();
  });

  it('says so when all is clear', () => {
    pretendServer({});
    const clear = {
      ...operation,
      evaluation: {
        ...operation.evaluation,
        limits: operation.evaluation.limits.filter((l) => l.state === 'clear'),
      },
    };
    show(<Evidence op={clear} number={1} />);
    expect(screen.getByText(/^All \d+ limits are clear/)).toBeTruthy();
  });

  it('shows a difference as before and after', () => {
    pretendServer({});
    show(
      <Differences
        list={[
          { path: 'cut.speedRpm', before: 900, after: 700 },
          { path: 'pins', before: ['n'], after: [] },
          { path: 'measured.hardness', before: null, after: 42 },
        ]}
      />,
    );
    const cells = screen
      .getAllByRole('row')
      .map((r) => [...r.querySelectorAll('td')].map((c) => c.textContent));
    expect(cells).toEqual([
      ['cut.speedRpm', '900', '700'],
      ['pins', 'n', 'none'],
      ['measured.hardness', 'none', '42'],
    ]);
  });
});
