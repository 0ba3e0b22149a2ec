import {
  simulatedHammer,
  type TipMode,
  writeHammerCsv,
  writeResponseCsv,
  writeUniversalFile,
} from '@burl/core';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { COMBINATION, measured, MODES } from '../../../test/combination.ts';
import { CRIB } from '../../../test/crib.ts';
import { useDirectly } from '../../../test/direct-work.ts';
import { pretendServer, type Request, show } from '../../../test/page.tsx';
import { heavyApi } from '../../workers/heavy-api.ts';
import { TapPanel } from './tap-panel.tsx';

vi.mock('../../workers/use-heavy.ts', () => ({
  useHeavy: useDirectly,
  askWorker: (_lane: string, ask: (api: typeof heavyApi) => unknown) => Promise.resolve(ask(heavyApi)),
}));
vi.mock('react-chartjs-2', () => ({
  Line: ({ 'aria-label': label }: { 'aria-label': string }) => <div role="img" aria-label={label} />,
}));
afterEach(cleanup);

const LONG = { timeout: 60_000 };
interface Kept {
  axis: string;
  source: string;
  origin: string;
  modes: TipMode[];
  receptance: { hz: number[]; re: number[]; im: number[] } | null;
  coherence: number[] | null;
}

describe('files of a tip', LONG, () => {
  let asked: Request[];
  beforeEach(() => {
    asked = pretendServer({ 'POST /api/resonance/c1/tips': { id: 't' } });
    show(<TapPanel combination={COMBINATION} crib={CRIB} edit />);
  });
  const choose = (name: string, text: string): void => {
    const input = screen.getByLabelText('Frequency response or tap test');
    fireEvent.change(input, { target: { files: [new File([text], name)] } });
  };
  /** A reading is looked at first, and counts when it is kept. */
  const kept = async (): Promise<Kept> => {
    const keep = await screen.findByRole('button', { name: 'Save' }, LONG);
    expect(asked.some((a) => a.method === 'POST')).toBe(false);
    fireEvent.click(keep);
    await waitFor(() => expect(asked.some((a) => a.method === 'POST')).toBe(true), LONG);
    return asked.find((a) => a.method === 'POST')!.body as Kept;
  };
  /** The two modes that are behind every file here, as closely as a fit finds them. */
  const expectModes = (modes: readonly TipMode[], within = 0.03): void => {
    for (const m of MODES) {
      const near = modes.find((f) => Math.abs(f.hz / m.hz - 1) < 0.02);
      expect(near, `a mode near ${m.hz} Hz`).toBeDefined();
      expect(Math.abs(near!.stiffness / m.stiffness - 1)).toBeLessThan(within);
    }
  };

  it('a table of the response becomes modes, kept with the response and the file’s name', async () => {
    choose('tip-x.csv', writeResponseCsv(measured));
    const body = await kept();
    expect(body).toMatchObject({ axis: 'x', source: 'measured', origin: 'tip-x.csv', coherence: null });
    expect(body.receptance!.hz).toHaveLength(measured.hz.length);
    expectModes(body.modes);
  });

  it('a universal file of the accelerance, in the direction that is shown', async () => {
    fireEvent.click(screen.getByRole('button', { name: 'y' }));
    choose('tip.UFF', writeUniversalFile(measured, { name: 'tip', kind: 'accelerance', direction: 'y' }));
    const body = await kept();
    expect(body.axis).toBe('y');
    expectModes(body.modes);
  });

  it('raw hits in milliseconds and shares of gravity, faulty ones left out', async () => {
    const record = simulatedHammer(MODES, { seed: 3, hits: 6, faults: { 2: 'double hit' } });
    const rows = writeHammerCsv(record)
      .split('\n')
      .slice(1)
      .map((line) => {
        if (line === '') return line;
        const [t, f, a] = line.split(',').map(Number) as [number, number, number];
        return `${(1000 * t).toFixed(6)},${f},${a / 9.80665}`;
      });
    choose('hits.csv', ['Time (ms),Force (N),Acceleration (g)', ...rows].join('\n'));
    const body = await kept();
    expect(body.coherence!.length).toBe(body.receptance!.hz.length);
    expectModes(body.modes, 0.1);
  });

  it.each([
    [
      'a table with words in it',
      'a.csv',
      `${writeResponseCsv(measured)}\nend of file`,
      /line \d+ is "end of file"/,
    ],
    ['hits in volts', 'v.csv', 'time (s),force (V),acceleration (g)\n0,0,0\n1e-5,0,0', /calibrated/],
    [
      'hits with a hole in time',
      't.csv',
      'time (s),force (N),acceleration (g)\n0,0,0\n1,0,0\n2,0,0\n9,0,0',
      /even steps/,
    ],
    ['no universal file', 'x.uff', 'something else', /no data set 58/],
  ])('%s: refused by name, and nothing is sent', async (_, name, text, message) => {
    choose(name, text);
    expect((await screen.findByRole('alert', {}, LONG)).textContent).toMatch(message);
    expect(asked.some((a) => a.method === 'POST')).toBe(false);
    // The next file takes the message away.
    choose('tip-x.csv', writeResponseCsv(measured));
    await kept();
    expect(screen.queryByRole('alert')).toBeNull();
  });

  it.each([
    ['micrometres under a header that says metres', 1e6],
    ['metres under a header that says millimetres', 1e-3],
  ])('a tip no cutter can have is shown with the reason, and cannot be kept: %s', async (_, by) => {
    const scaled = { ...measured, re: measured.re.map((v) => by * v), im: measured.im.map((v) => by * v) };
    choose('tip.csv', writeResponseCsv(scaled));
    const dialog = within(await screen.findByRole('dialog', {}, LONG));
    expect(dialog.getByRole('alert').textContent).toMatch(/N\/µm; allowed: 0\.5 to 500 N\/µm/);
    expect((dialog.getByRole('button', { name: 'Save' }) as HTMLButtonElement).disabled).toBe(true);
    fireEvent.click(dialog.getByRole('button', { name: 'Cancel' }));
    expect(asked.some((a) => a.method === 'POST')).toBe(false);
  });

  it('amplitude in µm/N and phase in degrees, with semicolons and decimal commas', async () => {
    const comma = (v: number): string => v.toPrecision(9).replace('.', ',');
    const rows = Array.from(measured.hz, (f, i) => {
      const [re, im] = [measured.re[i]!, measured.im[i]!];
      return [f, 1e6 * Math.hypot(re, im), (Math.atan2(im, re) * 180) / Math.PI].map(comma).join(';');
    });
    choose('phase.txt', ['Hz;amplitude (µm/N);phase (deg)', ...rows].join('\n'));
    expectModes((await kept()).modes);
  });
});
