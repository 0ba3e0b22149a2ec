import type { CombinationDetail } from '@burl/contract';
import { InputError, softestMode, type TipMode } from '@burl/core';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { COMBINATION, measured, MODES } from '../../../test/combination.ts';
import { CRIB } from '../../../test/crib.ts';
import { useDirectly } from '../../../test/direct-work.ts';
import { pretendServer, show } from '../../../test/page.tsx';
import { simulatedRunOf, simulatedTap } from '../../workers/chatter-work.ts';
import { CombinationDialog } from './combination-dialog.tsx';
import { askedOf, NOTHING_ASKED, operationOf } from './cut-asked.ts';
import { LobesPanel, rangeOf } from './lobes-panel.tsx';
import { MapPicture } from './stability-map.tsx';
import { UnseenModes } from './modes-table.tsx';
import { attachmentOf } from './attachment.ts';
import { TestCutsPanel } from './test-cuts-panel.tsx';
import { PlanPanel } from './plan-panel.tsx';
import { SlenderPanel } from './slender-panel.tsx';
import { TapPanel } from './tap-panel.tsx';

vi.mock('../../workers/use-heavy.ts', () => ({ useHeavy: useDirectly, askWorker: vi.fn() }));
vi.mock('react-chartjs-2', () => ({
  Line: ({ 'aria-label': label }: { 'aria-label': string }) => <div role="img" aria-label={label} />,
}));
afterEach(cleanup);

const TAPPED: CombinationDetail = {
  ...COMBINATION,
  tips: (['x', 'y'] as const).map((axis) => ({
    id: axis,
    combinationId: 'c1',
    axis,
    source: 'measured',
    modes: MODES,
    receptance: { hz: [...measured.hz], re: [...measured.re], im: [...measured.im] },
    coherence: null,
    misfit: 0.02,
    origin: 'tap.csv',
    madeBy: 'Ada Eder',
    madeAt: '2026-11-23T08:00:00Z',
  })),
};
const { machineSerial, machineId, holderId, cutterId, stickOutMm } = COMBINATION;
const KEY = { machineSerial, machineId, holderId, cutterId, stickOutMm };
const told = {
  ...CRIB,
  resonance: {
    serial: null,
    observations: [],
    tips: [{ ...KEY, source: 'measured' as const, structure: { x: MODES, y: MODES }, measuredOn: null }],
  },
};
const LONG = { timeout: 60_000 };

describe('the cut that is asked for', () => {
  it('follows from the cutter where nobody set a number', () => {
    const { op } = operationOf(CRIB, COMBINATION, NOTHING_ASKED)!;
    expect(op.tooling).toMatchObject({ holderId: 'shrink-12-80', stickOutMm: 48 });
    expect(op.cut.radialEngagementMm).toBeCloseTo(3);
    expect(
      operationOf(CRIB, COMBINATION, { ...NOTHING_ASKED, speedRpm: 3000, depthMm: 7 })!.op.cut,
    ).toMatchObject({
      speedRpm: 3000,
      axialDepthMm: 7,
    });
  });

  it('is nothing where the crib lacks the cutter or the cut is impossible', () => {
    expect(operationOf(CRIB, { ...COMBINATION, cutterId: 'gone' }, NOTHING_ASKED)).toBeNull();
    expect(operationOf(CRIB, COMBINATION, { ...NOTHING_ASKED, radialMm: 40 })).toBeNull();
    expect(askedOf(undefined, 'x')).toBeNull();
  });

  it('is drawn over speeds round its own, up to what the machine has', () => {
    const range = rangeOf(2000, 3000, 48, 12);
    expect([range.fromRpm, range.toRpm]).toEqual([1000, 3000]);
    expect(range.mostMm).toBeGreaterThan(12);
  });
});

describe('the simulated hammer', LONG, () => {
  it('finds the same hidden spindle each time, near but not at the class values, and its faulty hits', () => {
    const parts = {
      machine: CRIB.machines.find((m) => m.id === machineId)!.document,
      holder: CRIB.holders.find((h) => h.id === holderId)!.document,
      cutter: CRIB.cutters.find((c) => c.id === cutterId)!.document,
      substrate: CRIB.materials.substrates['wc-fine-10co']!,
    };
    const [one, again] = [1, 2].map(() => simulatedTap(parts, 48, 'x', 5));
    expect(one!.modes).toEqual(again!.modes);
    expect(
      one!.hits
        .map((h) => h.fault)
        .filter(Boolean)
        .sort(),
    ).toEqual(['cable fault', 'double hit']);
    expect(simulatedTap(parts, 48, 'x', 6).modes[0]!.hz).not.toBeCloseTo(one!.modes[0]!.hz, 1);
    expect(softestMode({ x: one!.modes, y: [] }).hz).toBeGreaterThan(600);
  });

  it('the simulation is stable at a shallow depth and not at a deep one', () => {
    const { op, context } = operationOf(told, COMBINATION, NOTHING_ASKED)!;
    expect(simulatedRunOf(op, context, 2400, 0.5).stable).toBe(true);
    const wild = simulatedRunOf(op, context, 2400, 30);
    expect(wild.stable).toBe(false);
    expect(wild.ms.length).toBe(wild.xMm.length);
  });
});

describe('modes under what a tap tells', () => {
  const modes = [860, 1450].map((hz) => ({ hz, damping: 0.04, stiffness: 3e7 }));

  it('are named, with what is known of them; nothing is said where all are seen', () => {
    const { unmount } = show(<UnseenModes modes={modes} fromHz={1100} />);
    expect(screen.getByText(/^860\sHz: under 1,100\sHz .* damping near the usual 4%/)).toBeTruthy();
    unmount();
    show(<UnseenModes modes={modes} fromHz={500} />);
    expect(screen.queryByText(/860/)).toBeNull();
  });
});

describe('tip of a combination', LONG, () => {
  it('says what is known: class values first, the tap test after', () => {
    show(<TapPanel combination={COMBINATION} crib={CRIB} edit />);
    expect(screen.getByText('generic')).toBeTruthy();
    cleanup();
    show(<TapPanel combination={TAPPED} crib={told} edit />);
    expect(screen.getByText('measured')).toBeTruthy();
    expect(
      screen.getByRole('img', { name: /along x, magnitude. 2 modes; the softest at 1298 Hz/ }),
    ).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'imaginary' }));
    expect(screen.getByRole('img', { name: /imaginary/ })).toBeTruthy();
  });

  it('keeps a tap test with the motion along the tool the model has', async () => {
    const asked = pretendServer({ 'POST /api/resonance/c1/tips': { id: 't' } });
    show(<TapPanel combination={COMBINATION} crib={CRIB} edit />);
    // A real machine is not tapped by a simulation.
    expect(screen.queryByRole('button', { name: /tap test along/ })).toBeNull();
    cleanup();
    show(<TapPanel combination={{ ...COMBINATION, machineSerial: 'PRACTICE 1' }} crib={CRIB} edit />);
    fireEvent.click(screen.getByRole('button', { name: 'Simulated tap test along x' }));
    const dialog = await screen.findByRole('dialog');
    fireEvent.click(await within(dialog).findByRole('button', { name: 'Save' }, LONG));
    await waitFor(() => expect(asked.some((a) => a.method === 'POST')).toBe(true));
    const body = asked.find((a) => a.method === 'POST')!.body as { modes: TipMode[]; source: string };
    expect(body.source).toBe('measured');
    expect(body.modes[0]!.shape![0]).toBeCloseTo(1, 6);
  });

  it('keeps modes that are stated as a table, not as a measurement', async () => {
    const asked = pretendServer({ 'POST /api/resonance/c1/tips': { id: 't' } });
    show(<TapPanel combination={TAPPED} crib={told} edit />);
    fireEvent.click(screen.getByRole('button', { name: 'Enter modes' }));
    const field = screen.getByLabelText('Damping 1, %');
    fireEvent.change(field, { target: { value: '5' } });
    fireEvent.blur(field);
    fireEvent.click(screen.getByRole('button', { name: 'Remove mode 2' }));
    fireEvent.click(screen.getByRole('button', { name: 'Keep them' }));
    await waitFor(() => expect(asked.some((a) => a.method === 'POST')).toBe(true));
    const body = asked.find((a) => a.method === 'POST')!.body as { modes: TipMode[]; source: string };
    expect([body.source, body.modes.length, body.modes[0]!.damping]).toEqual(['table', 1, 0.05]);
  });

  it('brings an earlier record back', async () => {
    const asked = pretendServer({ 'POST /api/resonance/tips/old/restore': { id: 't' } });
    const earlier = { ...TAPPED.tips[0]!, id: 'old', origin: 'before-crash.csv' };
    show(<TapPanel combination={{ ...TAPPED, earlier: [earlier] }} crib={told} edit />);
    fireEvent.click(screen.getByRole('button', { name: 'Bring back x: before-crash.csv' }));
    await waitFor(() => expect(asked.some((a) => a.method === 'POST')).toBe(true));
  });

  it('is only looked at by someone who may not edit', () => {
    show(<TapPanel combination={TAPPED} crib={told} edit={false} />);
    expect(screen.queryByRole('button', { name: /Tap test/ })).toBeNull();
    expect(screen.getByRole('button', { name: 'CSV' })).toBeTruthy();
  });
});

function Whole({ part }: { part: 'lobes' | 'plan' }) {
  const cut = operationOf(told, TAPPED, NOTHING_ASKED)!;
  const picture = useDirectly('resonance', 'one', (api) =>
    api.resonance(
      cut.op,
      cut.context,
      { ...rangeOf(2140, 24000, 48, 12), periodic: 2, columns: 15, rows: 8, worlds: 80 },
      (() => undefined) as never,
      (() => undefined) as never,
    ),
  );
  return part === 'lobes' ? (
    <LobesPanel
      crib={told}
      combination={TAPPED}
      asked={NOTHING_ASKED}
      onAsk={asked}
      cut={cut}
      picture={picture as never}
    />
  ) : (
    <PlanPanel title="A5-0117" picture={picture as never} asked={NOTHING_ASKED} onAsk={asked} />
  );
}
const asked = vi.fn();

describe('map of stability', () => {
  it('says how much of it settles, and where the cut stands', () => {
    const map = {
      rpm: Float64Array.of(1000, 2000, 3000),
      depthMm: Float64Array.of(1, 2),
      growth: Float64Array.of(-1, -1, -1, 1, -0.5, 1),
      computed: 6,
    };
    const { container } = show(<MapPicture map={map} rpm={2000} depthMm={1} />);
    expect(screen.getByRole('img', { name: /1000 to 3000 rpm .* 67% of it settles/ })).toBeTruthy();
    const point = container.querySelector('circle')!;
    // In the middle of the plot, which leaves room for its axes.
    expect([Number(point.getAttribute('cx')), Number(point.getAttribute('cy'))]).toEqual([
      (54 + 720 - 14) / 2,
      (12 + 380 - 42) / 2,
    ]);
    expect(screen.getByText('spindle speed, rpm')).toBeTruthy();
  });
});

describe('lobes and plan', LONG, () => {
  it('says how deep a cut may go, how sure that is, and which number is approved', async () => {
    show(<Whole part="lobes" />);
    const text = await screen.findByText(/^At .* stable up to/, {}, LONG);
    expect(text.textContent).toMatch(/ at 95% confidence\. .* used for release/);
    const depthSaid = (): number =>
      Number(/stable up to ([\d.]+)/.exec(screen.getByText(/^At .* stable up to/).textContent!)![1]);
    const sure = depthSaid();
    fireEvent.change(screen.getByLabelText('Stable at'), { target: { value: '0.5' } });
    expect(depthSaid()).toBeGreaterThan(sure);
    const depth = screen.getByLabelText('Axial depth');
    fireEvent.change(depth, { target: { value: '6' } });
    fireEvent.blur(depth);
    expect(asked).toHaveBeenLastCalledWith({ ...NOTHING_ASKED, depthMm: 6 });
  });

  it('proposes cuts with their chance of chatter, and a ladder whose feed goes with the speed', async () => {
    show(<Whole part="plan" />);
    const looks = await screen.findAllByRole('button', { name: 'Show on lobes' }, LONG);
    fireEvent.click(looks[0]!);
    expect((asked.mock.lastCall![0] as { speedRpm: number }).speedRpm).toBeGreaterThan(500);
    const rows = within(screen.getByRole('region', { name: 'Speed ladder' })).getAllByRole('row');
    const cells = (row: HTMLElement): string[] =>
      within(row)
        .getAllByRole('cell')
        .map((c) => c.textContent ?? '');
    expect(rows.length).toBeGreaterThan(6);
    expect(cells(rows[1]!)[1]).toMatch(/rpm/);
  });
});

describe('notebook', () => {
  const cut = operationOf(told, TAPPED, NOTHING_ASKED)!;

  it('logs what was heard, with the numbers of the cut unless others are given', async () => {
    const sent = pretendServer({ 'POST /api/resonance/c1/cuts': { id: 'n' } });
    show(<TestCutsPanel combination={TAPPED} cut={cut} edit />);
    fireEvent.click(screen.getByRole('button', { name: 'chatter' }));
    const hz = screen.getByLabelText('Chatter frequency');
    fireEvent.change(hz, { target: { value: '1400' } });
    fireEvent.blur(hz);
    fireEvent.click(screen.getByRole('button', { name: 'Log cut' }));
    await waitFor(() => expect(sent.some((a) => a.method === 'POST')).toBe(true));
    expect(sent.find((a) => a.method === 'POST')!.body).toMatchObject({
      heard: 'chatter',
      hz: 1400,
      rpm: cut.op.cut.speedRpm,
      overridePercent: 100,
      attachment: null,
    });
  });

  it('says what the server refuses, and keeps what was typed', async () => {
    const refusal = new InputError([
      { field: 'axialDepthMm', value: 60, allowed: 'up to the stick-out, 48 mm' },
    ]);
    pretendServer({ 'POST /api/resonance/c1/cuts': refusal });
    show(<TestCutsPanel combination={TAPPED} cut={cut} edit />);
    const note = screen.getByLabelText('Note');
    fireEvent.change(note, { target: { value: 'hum' } });
    fireEvent.click(screen.getByRole('button', { name: 'Log cut' }));
    expect((await screen.findByRole('alert')).textContent).toContain(
      'Axial depth is 60; allowed: up to the stick-out, 48 mm',
    );
    expect((note as HTMLInputElement).value).toBe('hum');
  });

  it('sends nothing while a frequency cannot be read, and names alloy and machine before it does', () => {
    const sent = pretendServer({ 'POST /api/resonance/c1/cuts': { id: 'n' } });
    show(<TestCutsPanel combination={TAPPED} cut={cut} edit />);
    expect(screen.getByText(/In Ti-6Al-4V.*climb, on /)).toBeDefined();
    const hz = screen.getByLabelText('Chatter frequency') as HTMLInputElement;
    fireEvent.change(hz, { target: { value: 'abc' } });
    fireEvent.blur(hz);
    fireEvent.click(screen.getByRole('button', { name: 'Log cut' }));
    expect([hz.value, hz.validationMessage]).toEqual(['abc', 'abc is no number']);
    expect(sent.filter((a) => a.method === 'POST')).toEqual([]);
  });

  it('takes sounds and pictures only, and not too large ones', async () => {
    const sound = await attachmentOf(new File([new Uint8Array([1, 2, 3])], 'a.wav', { type: 'audio/wav' }));
    expect(sound).toEqual({ name: 'a.wav', type: 'audio/wav', base64: 'AQID' });
    await expect(attachmentOf(new File(['x'], 'a.txt', { type: 'text/plain' }))).rejects.toThrow(
      /a sound or a picture/,
    );
    const large = new File([new Uint8Array(8_100_000)], 'b.wav', { type: 'audio/wav' });
    await expect(attachmentOf(large)).rejects.toThrow(/8.1 MB; allowed: up to 8 MB/);
  });
});

describe('a new combination', () => {
  it('takes a holder that fits the cutter, and what the bench sent along', async () => {
    const sent = pretendServer({ 'POST /api/resonance': { id: 'made' } });
    const made = vi.fn();
    show(
      <CombinationDialog crib={CRIB} start={{ stickOutMm: 38 }} onClose={() => undefined} onMade={made} />,
    );
    fireEvent.change(screen.getByLabelText('Machine'), { target: { value: machineId } });
    fireEvent.change(screen.getByLabelText('Cutter'), { target: { value: cutterId } });
    fireEvent.change(screen.getByLabelText('Serial number'), { target: { value: 'A5-9' } });
    fireEvent.click(screen.getByRole('button', { name: 'Create' }));
    await waitFor(() => expect(made).toHaveBeenCalledWith('made'));
    const body = sent.find((a) => a.method === 'POST')!.body as { holderId: string; stickOutMm: number };
    expect(body.stickOutMm).toBe(38);
    const holder = CRIB.holders.find((h) => h.id === body.holderId)!.document;
    expect(holder.bore_diameter_mm[0]).toBeLessThanOrEqual(12);
    expect(holder.bore_diameter_mm[1]).toBeGreaterThanOrEqual(12);
  });
});

describe('boring bars and slender drills', () => {
  it('say from which depth they sing, and what is impossible', () => {
    show(<SlenderPanel crib={CRIB} />);
    const bar = screen.getByRole('region', { name: 'Boring bar' });
    const type = (label: string, value: string): void => {
      const field = within(bar).getByLabelText(label);
      fireEvent.change(field, { target: { value } });
      fireEvent.blur(field);
    };
    expect(within(bar).getByRole('status').textContent).toMatch(/No depth chatters/);
    type('Overhang', '100');
    type('Cutting speed', '200');
    expect(within(bar).getByRole('status').textContent).toMatch(/From .* deep it chatters near/);
    type('Bore', '12');
    expect(within(bar).getByRole('alert').textContent).toMatch(/bore is 12; allowed: from 20 mm/);
    expect(screen.getByText(/Lobed holes at the start near/)).toBeTruthy();
  });
});
