import type { BatchPlan } from '@burl/core';
import { amount } from '../../judging/amount.ts';
import { shareOfParts } from '../../judging/hole-words.ts';
import { Button } from '../../ui/button.tsx';
import { BatchCard, Num, Rows } from './card.tsx';

/** Chance to lose the part in each operation, what is in it by then, and the order that costs least. */
export function RiskCard({
  plan,
  quantity,
  names,
  onOrder,
}: {
  plan: BatchPlan;
  /** Good parts that are asked for. */
  quantity: number;
  names: ReadonlyMap<string, string>;
  /** Null for who may only read. */
  onOrder: ((order: readonly (readonly string[])[]) => void) | null;
}) {
  const { risk, money, first } = plan;
  const spares = first.parts - quantity;
  const show = (v: number): string => amount(v, money.currency);
  return (
    <BatchCard title="Risk in order">
      <div className="space-y-2">
        <p className="text-[13px]">
          {shareOfParts(risk.firstLost)} to lose the first piece, {shareOfParts(risk.lost)} each part after
          it; {show(risk.expectedLoss)} expected to be lost a part.{' '}
          {spares > 0 ? 'The spares make up for it' : 'Without a spare all are good'}{' '}
          {Math.round(100 * risk.sparesEnough)}% of the time.
          {risk.assumed && ` The blank at ${show(risk.blankValue)} is assumed.`}
        </p>
        <Rows head={['Operation', 'lost here', 'in the part by then', 'expected']}>
          {risk.operations.map((o) => (
            <tr key={o.id} className="border-b border-line align-top last:border-0">
              <td className="py-1">
                {o.name}
                <span className="block text-[12.5px] text-soft">
                  {o.ways
                    .slice(0, 3)
                    .map((w) => `${w.name} ${shareOfParts(w.chance)}`)
                    .join(', ')}
                </span>
                {o.warning && (
                  <span className="block text-[12.5px] font-semibold text-tight">risky and late</span>
                )}
              </td>
              <Num>{shareOfParts(o.chance)}</Num>
              <Num>{show(o.value)}</Num>
              <Num>{show(o.expectedLoss)}</Num>
            </tr>
          ))}
        </Rows>
        {risk.better && (
          <div className="text-[13px]">
            <p>
              Another order would lose {show(risk.expectedLoss - risk.better.expectedLoss)} less a part:{' '}
              {risk.better.order.map((s) => s.map((id) => names.get(id)).join(', ')).join(' | ')}.
            </p>
            {onOrder && (
              <Button className="mt-1" onClick={() => onOrder(risk.better!.order)}>
                Use this order
              </Button>
            )}
          </div>
        )}
        <p className="text-[12.5px] text-soft">
          What the model may be wrong about shows at the first piece; 15% of it is counted for the others
          (judgement).
        </p>
      </div>
    </BatchCard>
  );
}
