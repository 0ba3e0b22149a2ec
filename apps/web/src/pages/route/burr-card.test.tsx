import type { BurrPlan, MissingEntryHole } from '@burl/core';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { show } from '../../../test/page.tsx';
import { WHOLE_CRIB } from '../../../test/crib.ts';
import { entryHole } from '../../judging/entry-hole.ts';
import { BurrCard } from './burr-card.tsx';
import { EntryHolesCard } from './entry-holes-card.tsx';

afterEach(cleanup);

const burr = (name: string, heightMm: number, gone: string | null): BurrPlan['burrs'][number] => ({
  setupId: 's',
  operationId: name,
  name,
  place: 'near',
  where: 'rim',
  direction: 'round inwards',
  because: 'teeth run along the edge',
  words: 'rolls over',
  rootMm: heightMm / 3,
  heightMm,
  goneBy: gone === null ? null : { operationId: gone, name: gone },
  remedy: gone === null ? 'Break the edge in this setup.' : null,
});
const ORDER = {
  setupId: 's',
  name: 'Setup 1',
  operationIds: ['drill', 'edges'],
  moves: [{ operationId: 'drill', name: 'Drill', because: 'holes before edges' }],
};

describe('burrs beside the route', () => {
  it('those that stay come first, the rest is asked for', () => {
    const burrs = ['a', 'b', 'c', 'd', 'e'].map((n, i) => burr(n, 0.1 + i / 10, i === 2 ? null : 'edges'));
    show(<BurrCard plan={{ burrs, orders: [] }} readOnly={false} onOrder={vi.fn()} />);
    const items = (): string[] => screen.getAllByRole('listitem').map((li) => li.textContent ?? '');
    expect(items()).toHaveLength(4);
    expect(items()[0]).toMatch(/^c: about .*Stays\. Break the edge/);
    expect(items()[1]).toMatch(/^e: .*Gone with edges\./);
    fireEvent.click(screen.getByRole('button', { name: 'Show all 5' }));
    expect(items()).toHaveLength(5);
    expect(screen.getByRole('region', { name: 'Burrs' }).textContent).toMatch(/1 of 5 stay/);
  });

  it('the order is taken by its button, and by nobody who may not edit', () => {
    const onOrder = vi.fn();
    const plan = { burrs: [burr('a', 0.2, null)], orders: [ORDER] };
    show(<BurrCard plan={plan} readOnly={false} onOrder={onOrder} />);
    fireEvent.click(screen.getByRole('button', { name: 'Use this order' }));
    expect(onOrder).toHaveBeenCalledWith([{ id: 's', operations: ['drill', 'edges'] }]);
    cleanup();
    show(<BurrCard plan={plan} readOnly onOrder={onOrder} />);
    expect(screen.queryByRole('button', { name: 'Use this order' })).toBeNull();
    cleanup();
    show(<BurrCard plan={{ burrs: [], orders: [] }} readOnly={false} onOrder={onOrder} />);
    expect(screen.queryByRole('region')).toBeNull();
  });
});

describe('holes cutters go down in', () => {
  const MISSING: MissingEntryHole = {
    setupId: 's',
    operationId: 'p',
    name: 'Rough pocket',
    diameterMm: 12.6,
    depthMm: 23.7,
    count: 2,
  };
  const job = { alloyId: '718-aged', machineId: 'vmc40-22kw-direct', quantity: 4, heatLot: '' };

  it('are told with the drilling that is missing', () => {
    const onDrill = vi.fn();
    show(<EntryHolesCard missing={[MISSING]} readOnly={false} onDrill={onDrill} />);
    expect(screen.getByRole('region', { name: 'Entry holes' }).textContent).toMatch(
      /none of 12\.6.mm or more/,
    );
    fireEvent.click(screen.getByRole('button', { name: 'Add the drilling' }));
    expect(onDrill).toHaveBeenCalledWith(MISSING);
  });

  it('are drilled by the smallest drill that lets the cutter down and reaches', () => {
    const input = entryHole(WHOLE_CRIB, job, MISSING, 'metric');
    if (typeof input === 'string') throw new Error(input);
    expect(input.name).toBe('Drill the entry of Rough pocket');
    expect(input.document).toMatchObject({
      kind: 'drilling',
      featuresPerPart: 2,
      hole: { depthMm: 23.7, diameterMm: 12.6, through: false },
    });
    expect(entryHole(WHOLE_CRIB, job, { ...MISSING, diameterMm: 80 }, 'metric')).toMatch(
      /No drill of the crib/,
    );
  });
});
