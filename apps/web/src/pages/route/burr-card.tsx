import { type BurrPlan, formatMeasure, type RoutedBurr } from '@burl/core';
import { useState } from 'react';
import { useSystem } from '../../frame/preferences.tsx';
import { Button } from '../../ui/button.tsx';
import type { SetupOrder } from './route-facts.ts';

/** Burrs shown before the rest is asked for. */
const SHOWN = 4;

function Line({ burr }: { burr: RoutedBurr }) {
  const system = useSystem();
  return (
    <li className="border-t border-line pt-1.5 text-[13px]">
      <span className="font-semibold">{burr.name}</span>: about{' '}
      {formatMeasure(burr.heightMm, 'mm-fine', system)}, {burr.where}
      <span className="block text-soft">
        {burr.because}; {burr.words}
      </span>
      <span className="block text-soft">Least: {burr.direction}.</span>
      {burr.goneBy ? (
        <span className="block">Gone with {burr.goneBy.name}.</span>
      ) : (
        <span className="block text-tight">Stays. {burr.remedy}</span>
      )}
    </li>
  );
}

/** Where burrs will stand, what takes each off, and the order that leaves fewest. */
export function BurrCard({
  plan: { burrs, orders },
  readOnly,
  onOrder,
}: {
  plan: BurrPlan;
  readOnly: boolean;
  onOrder: (next: readonly SetupOrder[]) => void;
}) {
  const [all, setAll] = useState(false);
  if (burrs.length === 0) return null;
  const staying = burrs.filter((b) => b.goneBy === null);
  const sorted = burrs.toSorted(
    (a, b) => Number(b.goneBy === null) - Number(a.goneBy === null) || b.heightMm - a.heightMm,
  );
  const shown = all ? sorted : sorted.slice(0, SHOWN);
  return (
    <section aria-label="Burrs" className="rounded-lg border border-line bg-card p-3">
      <h2 className="mb-1">Burrs</h2>
      <p>
        <span className={`text-2xl font-bold ${staying.length > 0 ? 'text-tight' : ''}`}>
          {staying.length}
        </span>{' '}
        of {burrs.length} stay on the part
      </p>
      {orders.map((order) => (
        <div key={order.setupId} className="my-1.5 rounded-md bg-raised p-2 text-[13px]">
          <p className="font-semibold">Order of {order.name} that leaves fewest</p>
          <ul className="list-disc pl-4">
            {order.moves.map((m) => (
              <li key={m.operationId}>
                {m.name} earlier: {m.because}
              </li>
            ))}
          </ul>
          {!readOnly && (
            <Button
              className="mt-1.5"
              onClick={() => onOrder([{ id: order.setupId, operations: order.operationIds }])}
            >
              Use this order
            </Button>
          )}
        </div>
      ))}
      <ul className="mt-1 space-y-1.5">
        {shown.map((b, i) => (
          <Line key={`${b.operationId}-${b.where}-${String(i)}`} burr={b} />
        ))}
      </ul>
      {sorted.length > SHOWN && (
        <Button className="mt-2" onClick={() => setAll(!all)}>
          {all ? 'Show fewer' : `Show all ${String(sorted.length)}`}
        </Button>
      )}
      <p className="mt-2 text-[12.5px] text-soft">
        Loose burrs are foreign objects: look into every bore and thread before the part is closed. Heights
        are judgement, held against no measured burr.
      </p>
    </section>
  );
}
