import { evaluate } from '@burl/core';
import { type Release, releaseChecks } from '@burl/contract';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { example } from '../../../test/crib.ts';
import { person, pretendServer, show } from '../../../test/page.tsx';
import { Decide } from './decide.tsx';
import { Cautions, Differences, Evidence, EvidenceList, Guesses } from './evidence.tsx';
import { useTicks } from './use-ticks.ts';

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
const release = {
  id: 'r1',
  jobId: 'j1',
  requestedById: 'engineer',
  state: 'requested',
  snapshot: { job: {}, operations: [operation] },
} as unknown as Release;

/** The page around a decision: evidence and cautions with their ticks. */
function Page({ may, onDone }: { may: boolean; onDone: () => Promise<void> }) {
  const ticks = useTicks(release, may);
  return (
    <>
      <EvidenceList operations={release.snapshot.operations} ticks={ticks} />
      <Cautions ticks={ticks} />
      <Decide release={release} ticks={ticks} onDone={onDone} />
    </>
  );
}

const open = (role: 'engineer' | 'approver', id?: string, more: Record<string, unknown> = {}) => {
  const asked = pretendServer({ 'GET /api/session': { person: person(role, id), demo: [] }, ...more });
  const done = vi.fn(async () => undefined);
  show(<Page may={role === 'approver' && id === undefined} onDone={done} />);
  return { asked, done };
};
const tickAll = (): void => {
  for (const box of screen.getAllByRole('checkbox')) fireEvent.click(box);
};

describe('decision', () => {
  it('is the second person’s, after a tick beside every open limit, every caution and what is assumed', async () => {
    const { asked, done } = open('approver', undefined, { 'POST /api/releases/r1/decision': {} });
    const button = await screen.findByRole<HTMLButtonElement>('button', { name: 'Release' });
    expect(button.disabled).toBe(true);
    const limits = operation.evaluation.limits.filter((l) => l.state !== 'clear').length;
    expect(screen.getAllByRole('checkbox')).toHaveLength(limits + operation.evaluation.cautions.length + 1);
    tickAll();
    expect(button.disabled).toBe(false);
    fireEvent.click(button);
    await waitFor(() => expect(done).toHaveBeenCalled());
    const { checks, ...rest } = asked.find((a) => a.method === 'POST')!.body as { checks: string[] };
    expect(rest).toEqual({ decision: 'release', reason: '' });
    expect([...checks].sort()).toEqual(
      releaseChecks(release.snapshot)
        .map((c) => c.id)
        .sort(),
    );
  });

  it('can be taken back by unticking', async () => {
    open('approver');
    const button = await screen.findByRole<HTMLButtonElement>('button', { name: 'Release' });
    tickAll();
    fireEvent.click(screen.getAllByRole('checkbox')[1]!);
    expect(button.disabled).toBe(true);
    expect(screen.getByText(/^1 of \d+ still to tick/)).toBeTruthy();
  });

  it('has no ticks for those who may not decide', async () => {
    open('engineer', 'somebody');
    await screen.findByText('A person with the role approver decides.');
    expect(screen.queryAllByRole('checkbox')).toEqual([]);
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
          {
            operationId: 'o1',
            name: 'Rough pocket',
            kind: 'changed',
            differences: [
              { path: 'cut.speedRpm', before: 900, after: 700 },
              { path: 'pins', before: ['n'], after: [] },
              { path: 'measured.hardness', before: null, after: 42 },
            ],
          },
          { operationId: 'o2', name: 'Drill', kind: 'added', differences: [] },
        ]}
      />,
    );
    const cells = screen
      .getAllByRole('row')
      .slice(1)
      .map((r) => [...r.querySelectorAll('td')].map((c) => c.textContent));
    expect(cells).toEqual([
      ['Rough pocket', 'Speed', '900', '700'],
      ['Rough pocket', 'Pins', 'n', 'none'],
      ['Rough pocket', 'Hardness', 'none', '42'],
      ['Drill', 'added'],
    ]);
  });

  it('clear operations are folded, the worst stands first, guesses are counted with what settles most', () => {
    pretendServer({});
    const clear = {
      ...operation,
      operationId: 'o2',
      name: 'Face',
      evaluation: {
        ...operation.evaluation,
        state: 'clear' as const,
        limits: operation.evaluation.limits.filter((l) => l.state === 'clear'),
      },
    };
    const { container } = show(
      <>
        <EvidenceList operations={[clear, operation]} ticks={null} />
        <Guesses operations={[clear, operation]} />
      </>,
    );
    const [first] = container.querySelectorAll('article, details');
    expect(first!.textContent).toContain('Rough pocket');
    expect(container.querySelector('details')!.open).toBe(false);
    expect(screen.getByText(/One measurement settles most/)).toBeTruthy();
  });
});
