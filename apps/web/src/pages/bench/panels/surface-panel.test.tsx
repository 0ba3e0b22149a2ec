import { evaluate, type MillingOperation } from '@burl/core';
import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { CRIB, example } from '../../../../test/crib.ts';
import { show } from '../../../../test/page.tsx';
import SurfacePanel from './surface-panel.tsx';

vi.mock('../../../api/hooks.ts', () => ({ useCrib: () => ({ data: CRIB }) }));
afterEach(cleanup);

const { op, context } = example('Rough seal pocket A');
const open = () => {
  const none = vi.fn();
  show(
    <SurfacePanel
      op={op as MillingOperation}
      context={context}
      evaluation={evaluate(op, context)}
      readOnly={false}
      onSpeed={none}
      onMove={none}
      onPreview={none}
      onChange={none}
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
    expect(names()[0]).toMatch(/^Barrel form/);
    expect(names().some((n) => /^Ball/.test(n))).toBe(true);
    take('Hollow by', '30');
    expect(names()[0]).not.toMatch(/^Barrel form/);
    expect(names().find((n) => /^Barrel form/.test(n))).toMatch(/hollow by less/);
  });

  it('on a floor without a tilt a ball touches with its middle', () => {
    open();
    take('Slope', '0');
    take('Tilt of the cutter', '');
    expect(
      names()
        .filter((n) => /^Ball/.test(n))
        .every((n) => /tilt it/.test(n)),
    ).toBe(true);
  });

  it('says so where no rounded edge touches', () => {
    const panel = open();
    take('Scallop height', '900');
    expect(panel.getByText(/No cutter of the crib/)).toBeTruthy();
  });
});
