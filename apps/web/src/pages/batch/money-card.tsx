import type { BatchPlan } from '@burl/core';
import { amount } from '../../judging/amount.ts';
import { Button } from '../../ui/button.tsx';
import { BatchCard, Num, Rows } from './card.tsx';

/** What the batch, a part and each operation cost, in the shop's currency. */
export function MoneyCard({ plan, onRates }: { plan: BatchPlan; onRates: (() => void) | null }) {
  const { money } = plan;
  const show = (v: number): string => amount(v, money.currency);
  return (
    <BatchCard title="Cost" aside={onRates && <Button onClick={onRates}>Rates of the shop</Button>}>
      <div className="space-y-3">
        <Rows head={['Batch', money.currency, 'share']}>
          {money.lines.map((l) => (
            <tr key={l.name} className="border-b border-line">
              <td className="py-1">{l.name}</td>
              <Num>{show(l.batch)}</Num>
              <Num>{Math.round((100 * l.batch) / money.batch)}%</Num>
            </tr>
          ))}
          <tr className="font-semibold">
            <td className="py-1">Together</td>
            <Num>{show(money.batch)}</Num>
            <Num>{show(money.perPart)} a part</Num>
          </tr>
        </Rows>
        <Rows head={['Operation, a part', 'machine', 'edges', 'together']}>
          {money.operations.map((o) => (
            <tr key={o.id} className="border-b border-line last:border-0">
              <td className="py-1">{o.name}</td>
              <Num>{show(o.machine)}</Num>
              <Num>{show(o.edges)}</Num>
              <Num>{show(o.total)}</Num>
            </tr>
          ))}
        </Rows>
        {money.assumed.length > 0 && (
          <p className="text-[12.5px] text-soft">Assumed, not stated: {money.assumed.join('; ')}.</p>
        )}
      </div>
    </BatchCard>
  );
}
