import { edgePlan, formatMeasure } from '@burl/core';
import type { ReleasedOperation } from '@burl/contract';
import { useSystem } from '../../frame/preferences.tsx';

/** Tools of the sheet in the order they are needed: pocket, holder, lengths, edges for the batch. */
export function ToolList({
  operations,
  quantity,
}: {
  operations: readonly ReleasedOperation[];
  quantity: number;
}) {
  const system = useSystem();
  const mm = (v: number): string => formatMeasure(v, 'mm', system);
  const seen = new Map<string, ReleasedOperation>();
  for (const op of operations) {
    const { tooling } = op.document;
    const key = `${tooling.cutterId} ${tooling.holderId} ${tooling.stickOutMm} ${op.atMachine?.pocket ?? ''}`;
    if (!seen.has(key)) seen.set(key, op);
  }
  return (
    <section aria-label="Tools" className="print-block rounded-xl border border-line bg-card p-4">
      <h2 className="mb-1">Tools</h2>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Table of tools">
        <table className="w-full">
          <thead className="text-left text-[13px] text-soft">
            <tr>
              <th className="font-normal">Pocket</th>
              <th className="font-normal">Tool and holder</th>
              <th className="font-normal">Gauge</th>
              <th className="font-normal">Stick-out</th>
              <th className="font-normal">Edges for {quantity}</th>
            </tr>
          </thead>
          <tbody>
            {[...seen.values()].map((op) => {
              const plan = edgePlan(op.document, op.context, op.evaluation);
              return (
                <tr key={op.operationId} className="border-t border-line align-top">
                  <td className="py-1 pr-3 font-bold">
                    {op.atMachine?.pocket ? `T${op.atMachine.pocket}` : '–'}
                  </td>
                  <td className="py-1 pr-3">
                    {op.context.cutter.name}
                    <span className="block text-[13px] text-soft">{op.context.holder.name}</span>
                  </td>
                  <td className="py-1 pr-3 whitespace-nowrap">
                    {typeof op.atMachine?.gaugeLengthMm === 'number'
                      ? mm(op.atMachine.gaugeLengthMm)
                      : 'measure'}
                  </td>
                  <td className="py-1 pr-3 whitespace-nowrap">{mm(op.document.tooling.stickOutMm)}</td>
                  <td className="py-1 whitespace-nowrap">
                    {plan ? Math.ceil(plan.edgesForBatch) : '–'}
                    {typeof plan?.shelfEndsOnPart === 'number' && (
                      <strong className="block text-[13px] text-over">
                        shelf ends on part {plan.shelfEndsOnPart}
                      </strong>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </section>
  );
}
