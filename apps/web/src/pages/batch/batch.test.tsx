import { operationsOf, parseJobFile, type JobDetail } from '@burl/contract';
import { batchPlan, type SetupPlan } from '@burl/core';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { CRIB } from '../../../test/crib.ts';
import { pretendServer, show } from '../../../test/page.tsx';
import { amount, duration } from '../../judging/amount.ts';
import { judgedJob } from '../../judging/judged-job.ts';
import { HoldingCard } from './holding-card.tsx';
import { MinutesCard } from './minutes-card.tsx';
import { MoneyCard } from './money-card.tsx';
import { NightCard } from './night-card.tsx';
import { RatesDialog } from './rates-dialog.tsx';
import { RiskCard } from './risk-card.tsx';
import { takeRoute } from './take-route.ts';
import { ToolsCard } from './tools-card.tsx';

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const file = parseJobFile(
  readFileSync(
    resolve(import.meta.dirname, '../../../../../docs/examples/wellhead-bonnet.burl.json'),
    'utf8',
  ),
);
/** The example job as the server would answer it. */
function detail(change: Partial<SetupPlan> = {}): JobDetail {
  return {
    job: {
      ...file.job,
      id: 'j',
      status: 'draft',
      revision: 1,
      revisionReason: null,
      version: 1,
      updatedAt: '',
      updatedBy: '',
    },
    holes: [],
    setups: file.setups.map((s, i) => ({
      id: `s${i}`,
      name: s.name,
      position: i,
      version: 1,
      plan: { ...s.plan, ...change },
      operations: s.operations.map((o, k) => ({
        id: `o${i}${k}`,
        setupId: `s${i}`,
        name: o.name,
        position: k,
        holeId: null,
        holeStep: null,
        selected: o.selected,
        version: 1,
        variants: o.variants.map((v) => ({
          ...v,
          id: `v${i}${k}`,
          version: 1,
          updatedAt: '',
          updatedBy: '',
        })),
      })),
    })),
  } as JobDetail;
}
const planOf = (of: JobDetail) => batchPlan(judgedJob(of, CRIB)!, 0.9);

describe('the batch', () => {
  it('amounts carry their currency, minutes read as a shop says them', () => {
    expect(amount(1254.4, 'EUR')).toBe('1,254\u00a0EUR');
    expect(amount(7.9, 'CHF')).toBe('7.90\u00a0CHF');
    expect(duration(4.26)).toBe('4.3\u00a0min');
    expect(duration(92)).toBe('92\u00a0min');
    expect(duration(1369)).toBe('22\u00a0h 49\u00a0min');
    expect(duration(3000)).toBe('50\u00a0h');
  });

  it('every operation of the job is in its cost and its risk, and what it goes into adds up', () => {
    const plan = planOf(detail());
    show(<MoneyCard plan={plan} onRates={null} />);
    for (const { name } of operationsOf(file).filter((o) => o.selected))
      expect(screen.getByText(name.split(' / ')[1]!.replace(/ [A-D]$/, ''))).toBeTruthy();
    expect(screen.getByText('Together').closest('tr')!.textContent).toContain(
      amount(plan.money.batch, 'EUR'),
    );
    expect(screen.queryByRole('button', { name: 'Rates of the shop' })).toBeNull();
    cleanup();
    const ordered = vi.fn();
    show(
      <RiskCard
        quantity={12}
        plan={{ ...plan, risk: { ...plan.risk, better: { order: [['o01', 'o00']], expectedLoss: 0 } } }}
        names={
          new Map([
            ['o00', 'first'],
            ['o01', 'second'],
          ])
        }
        onOrder={ordered}
      />,
    );
    fireEvent.click(screen.getByRole('button', { name: 'Use this order' }));
    expect(ordered).toHaveBeenCalledWith([['o01', 'o00']]);
  });

  it('the timeline says every stretch in words', () => {
    show(<MinutesCard plan={planOf(detail({ partsPerLoad: 2 }))} />);
    const bars = screen.getAllByRole('img', { name: /^One load of / });
    expect(bars.length).toBeGreaterThan(0);
    expect(bars[0]!.getAttribute('aria-label')).toMatch(/Load, loading/);
    expect(screen.getAllByText(/, 2 a load/).length).toBe(bars.length);
  });

  it('a setup without a holding says what it lacks; one with a vice is judged', () => {
    show(<HoldingCard plan={planOf(detail())} />);
    expect(screen.getAllByText(/not judged; enter how the part is held/).length).toBeGreaterThan(0);
    cleanup();
    const vice = {
      kind: 'vice',
      values: { forceN: 20000, jawMm: 150, grippedMm: 10, friction: 0.15 },
    } as const;
    show(<HoldingCard plan={planOf(detail({ holding: vice }))} />);
    expect(screen.getAllByRole('columnheader', { name: 'holds' }).length).toBeGreaterThan(0);
  });

  it('asks for the night at another confidence, and warns', () => {
    const asked = vi.fn();
    show(<NightCard plan={planOf(detail())} confidence={0.9} onConfidence={asked} />);
    fireEvent.change(screen.getByRole('combobox', { name: 'Confidence' }), { target: { value: '0.99' } });
    expect(asked).toHaveBeenCalledWith(0.99);
    expect(screen.getByText(/Only where site rules and a qualified person allow it/)).toBeTruthy();
  });

  it('a shelf that ends names the part', () => {
    const plan = planOf(detail());
    const short = { ...plan, tools: plan.tools.map((t) => ({ ...t, onShelf: 0, shortFromPart: 1 })) };
    show(<ToolsCard plan={short} />);
    expect(screen.getAllByText('runs out on part 1').length).toBe(plan.tools.length);
  });

  it('a route is taken as new variants that are chosen; what was planned stays', async () => {
    const of = detail();
    const [first] = of.setups[0]!.operations;
    const document = first!.variants[0]!.document;
    const asked = pretendServer({
      [`POST /api/operations/${first!.id}/variants`]: { id: 'new', label: 'B', version: 3 },
      'PUT /api/variants/new': {},
      [`PUT /api/operations/${first!.id}`]: {},
    });
    await takeRoute(of, { changed: [{ id: first!.id, name: first!.name, document }] } as never);
    expect(asked.map((a) => `${a.method} ${a.path}`)).toEqual([
      `POST /api/operations/${first!.id}/variants`,
      'PUT /api/variants/new',
      `PUT /api/operations/${first!.id}`,
    ]);
    expect(asked[1]!.body).toEqual({ document, version: 3 });
    expect(asked[2]!.body).toMatchObject({ selected: 'B', version: 1 });
  });

  it('rates go in with the version they were read at; what is refused is said', async () => {
    const asked = pretendServer({ 'PUT /api/shop-rates': new Error('Somebody was quicker.') });
    show(<RatesDialog crib={CRIB} machineId={file.job.machineId} onClose={vi.fn()} />);
    const dialog = within(screen.getByRole('dialog'));
    fireEvent.change(dialog.getByLabelText('Currency'), { target: { value: 'chf' } });
    fireEvent.click(dialog.getByRole('button', { name: 'Save rates' }));
    await waitFor(() => expect(asked).toHaveLength(1));
    expect(asked[0]!.body).toMatchObject({ version: 0, rates: { currency: 'CHF', machinePerHour: 90 } });
    expect((await dialog.findByRole('alert')).textContent).toBe('Somebody was quicker.');
  });
});
