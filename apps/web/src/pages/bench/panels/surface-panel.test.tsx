import { evaluate, type MillingOperation, type Operation, PLAIN_FINISHING, PLAIN_SURFACE } from '@burl/core';
import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { CRIB, example } from '../../../../test/crib.ts';
import { show } from '../../../../test/page.tsx';
import SurfacePanel from './surface-panel.tsx';

vi.mock('../../../api/hooks.ts', () => ({ useCrib: () => ({ data: CRIB }) }));
afterEach(cleanup);

const { op, context } = example('Rough seal pocket A');
const rough = op as MillingOperation;
const surface: MillingOperation = {
  ...rough,
  feature: {
    ...rough.feature,
    kind: 'side',
    lengthMm: 80,
    widthMm: 20,
    depthMm: 0.2,
    cornerRadiusMm: null,
    slopeDeg: 30,
    scallopMm: 0.005,
    allowanceMm: 0,
    finishing: { ...PLAIN_FINISHING, face: 'surface', floorMm: 12, surface: PLAIN_SURFACE },
  },
};
const open = (shown: MillingOperation = rough, onChange: (op: Operation) => void = vi.fn()) => {
  const none = vi.fn();
  show(
    <SurfacePanel
      op={shown}
      context={context}
      evaluation={evaluate(shown, context)}
      readOnly={false}
      onSpeed={none}
      onMove={none}
      onPreview={none}
      onChange={onChange}
    />,
  );
  return within(screen.getByRole('region', { name: 'Surface' }));
};
const take = (label: string, value: string): void => {
  fireEvent.change(screen.getByLabelText(label), { target: { value } });
  fireEvent.blur(screen.getByLabelText(label));
};
const names = (): string[] => screen.getAllByRole('rowheader').map((h) => h.textContent ?? '');

describe('cutters on one surface', () => {
  it('the barrel comes first on a steep slope, and last where the surface is hollow', () => {
    open();
    take('Most tilt', '40');
    expect(names()[0]).toMatch(/^Barrel form/);
    expect(names().some((n) => /^Ball/.test(n))).toBe(true);
    take('Hollow by', '30');
    expect(names()[0]).not.toMatch(/^Barrel form/);
    expect(names().find((n) => /^Barrel form/.test(n))).toMatch(/hollow by less/);
  });

  it('on a floor without a tilt a ball touches with its middle', () => {
    open();
    take('Slope', '0');
    take('Most tilt', '');
    const balls = () => names().filter((n) => /^Ball/.test(n));
    expect(balls().length).toBeGreaterThan(0);
    expect(balls().every((n) => /only tilted by 1\d°, on five axes/.test(n))).toBe(true);
    take('Most tilt', '20');
    expect(balls().some((n) => !/tilted/.test(n))).toBe(true);
  });

  it('says so where no rounded edge touches', () => {
    const panel = open();
    take('Scallop height', '900');
    expect(panel.getByText(/No cutter of the crib/)).toBeTruthy();
  });

  it('nothing is used where the cut makes no surface: it says where one is added', () => {
    const panel = open();
    expect(panel.getByText(/curved surface/)).toBeTruthy();
    expect(panel.queryByRole('button', { name: /^Use / })).toBeNull();
  });

  it('the one that is used comes with its tilt, its reach and first numbers that keep the ridges', () => {
    const changed = vi.fn<(op: Operation) => void>();
    const panel = open(surface, changed);
    take('Most tilt', '60');
    fireEvent.click(panel.getByRole('button', { name: /^Use Barrel form/ }));
    const used = changed.mock.calls[0]![0] as MillingOperation;
    expect(used.tooling.cutterId).toBe('barrel-12-z6');
    expect(used.feature.finishing!.surface!.tiltDeg).toBeGreaterThan(50);
    expect(used.tooling.stickOutMm).toBeGreaterThan(14);
    const cutter = CRIB.cutters.find((c) => c.id === 'barrel-12-z6')!.document;
    const judged = evaluate(used, { ...context, cutter });
    expect(judged.limits.find((l) => l.id === 'scallop')!.state).not.toBe('over');
    expect(judged.limits.find((l) => l.id === 'surface-contact')!.state).toBe('clear');
    // The surface stays what the drawing says.
    expect(used.feature.slopeDeg).toBe(30);
    expect(used.feature.scallopMm).toBe(0.005);
  });
});
