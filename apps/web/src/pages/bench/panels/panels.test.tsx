import { limitMap, type MillingOperation, type Operation } from '@burl/core';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { example } from '../../../../test/crib.ts';
import { useDirectly } from '../../../../test/direct-work.ts';
import { show } from '../../../../test/page.tsx';
import { CostForm, PathForm } from '../given/path-form.tsx';
import OddsPanel from './odds-panel.tsx';
import PathPanel from './path-panel.tsx';
import WallPanel from './wall-panel.tsx';
import WindowPanel from './window-panel.tsx';
import { WindowPlot } from './window-plot.tsx';

vi.mock('../../../workers/use-heavy.ts', () => ({ useHeavy: useDirectly }));
vi.mock('comlink', () => ({ proxy: (f: unknown) => f }));
afterEach(cleanup);

const { op, context } = example('Rough seal pocket A');
const pocket = op as MillingOperation;
const LONG = { timeout: 30_000 };
const nothing = (): void => undefined;

describe('window of a cut', LONG, () => {
  const light = { ...pocket, cut: { ...pocket.cut, axialDepthMm: 4, feedPerToothMm: 0.09, speedRpm: 800 } };
  const map = limitMap(light, context, {
    x: 'ae',
    y: 'ap',
    columns: 60,
    rows: 40,
    confidence: 0.9,
    objective: 'metal',
  })!;

  it('names the borders of what is allowed and moves the working point by key', () => {
    const moved = vi.fn();
    show(<WindowPlot map={map} here={{ x: 1, y: 12 }} disabled={false} onMove={moved} />);
    expect(screen.getByRole('group').getAttribute('aria-label')).toMatch(/bounded by (?!nothing)\w/);
    const point = screen.getByRole('slider', { name: 'Working point' });
    expect(point.getAttribute('aria-valuetext')).toMatch(/radial depth 1.mm, axial depth 12.mm/);
    fireEvent.keyDown(point, { key: 'ArrowLeft' });
    expect(moved.mock.calls[0]![0]).toBeCloseTo(0.96, 2);
    fireEvent.keyDown(point, { key: 'ArrowUp', shiftKey: true });
    expect(moved.mock.calls[1]![1]).toBeCloseTo(15, 1);
  });

  it('says so where nothing on the map holds all limits', () => {
    const hopeless = limitMap({ ...pocket, edgesOnShelf: 0 }, context, {
      x: 'ae',
      y: 'ap',
      columns: 20,
      rows: 12,
      confidence: 0.9,
      objective: 'metal',
    })!;
    show(<WindowPlot map={hopeless} here={{ x: 1, y: 12 }} disabled={false} onMove={nothing} />);
    expect(screen.getByText(/No setting here clears every limit; closest limit edges in stock/)).toBeTruthy();
  });

  it('does not move while it is read only', () => {
    const moved = vi.fn();
    show(<WindowPlot map={map} here={{ x: 1, y: 12 }} disabled onMove={moved} />);
    fireEvent.keyDown(screen.getByRole('slider'), { key: 'ArrowLeft' });
    expect(moved).not.toHaveBeenCalled();
  });

  it('searches when asked, says what it found and what stops it, and hands it over for a preview', async () => {
    const preview = vi.fn<(p: { operation: Operation }) => void>();
    show(<WindowPanel op={pocket} context={context} readOnly={false} onMove={nothing} onPreview={preview} />);
    expect(screen.queryByRole('button', { name: 'Preview what was found' })).toBeNull();
    fireEvent.click(screen.getByRole('checkbox', { name: 'radial depth' }));
    fireEvent.click(screen.getByRole('button', { name: 'Optimise' }));
    fireEvent.click(await screen.findByRole('button', { name: 'Preview what was found' }, LONG));
    const found = preview.mock.calls[0]![0].operation as MillingOperation;
    expect(found.cut.radialEngagementMm).toBe(pocket.cut.radialEngagementMm);
    expect(screen.getByText(/limited by/)).toBeTruthy();
  });
});

describe('odds of a cut', LONG, () => {
  it('gives the chance that all holds, the limits in doubt and what to measure next', async () => {
    show(<OddsPanel op={pocket} context={context} />);
    expect(await screen.findByText(/All limits met in \d+% of 2,000 simulated cuts/, {}, LONG)).toBeTruthy();
    expect(screen.getByRole('row', { name: /^wall deflection/ })).toBeTruthy();
    expect(screen.getAllByText(/cuts uncertainty by \d+/).length).toBeGreaterThan(0);
  });
});

describe('path and wall of a cut', () => {
  it('lists the ways in with reasons and takes another', async () => {
    const change = vi.fn<(o: MillingOperation) => void>();
    show(<PathPanel op={pocket} context={context} readOnly={false} onChange={change} />);
    fireEvent.click(await screen.findByRole('button', { name: 'Enter by ramp' }));
    expect(change.mock.calls[0]![0].path.entry).toMatchObject({ method: 'ramp', rampAngleDeg: null });
    expect(screen.getByText('the pocket is closed on all sides')).toBeTruthy();
    expect(screen.getByText(/turned sharply in the corner it becomes \d+°/)).toBeTruthy();
  });

  it('draws the wall with its words: direction, rest, spring pass', async () => {
    show(<WallPanel op={pocket} context={context} />);
    expect(await screen.findByRole('img', { name: /Wall error 0\.\d+/ })).toBeTruthy();
    expect(screen.getByText('climb')).toBeTruthy();
    expect(screen.getByText(/not worth it/)).toBeTruthy();
  });
});

describe('path and cost forms', () => {
  const enter = (label: string, text: string): void => {
    const field = screen.getByLabelText(label);
    fireEvent.focus(field);
    fireEvent.change(field, { target: { value: text } });
    fireEvent.blur(field);
  };

  it('change strategy by its name, and leave what is empty to Burl', () => {
    const change = vi.fn<(o: MillingOperation) => void>();
    show(<PathForm op={pocket} readOnly={false} onChange={change as never} />);
    fireEvent.change(screen.getByLabelText('Strategy'), { target: { value: 'Trochoidal' } });
    expect(change.mock.calls[0]![0].path.strategy).toBe('trochoidal');
    enter('Ramp angle', '1.2');
    expect(change.mock.calls[1]![0].path.entry.rampAngleDeg).toBe(1.2);
    expect((screen.getByLabelText('Helix diameter') as HTMLInputElement).value).toBe('');
  });

  it('take the shop’s own money', () => {
    const change = vi.fn<(o: MillingOperation) => void>();
    show(<CostForm op={pocket} readOnly={false} onChange={change as never} />);
    enter('Machine, per hour', '112');
    expect(change.mock.calls[0]![0].economics.machinePerHour).toBe(112);
  });
});
