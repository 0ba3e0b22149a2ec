import { counted, formatDay } from '@burl/core';
import type { LearntRecord } from '@burl/contract';
import { useState } from 'react';
import { toast } from 'sonner';
import { mutate } from 'swr';
import { call, messageOf } from '../../api/client.ts';
import { isJobList } from '../../api/hooks.ts';
import { Button } from '../../ui/button.tsx';
import { ReasonDialog } from '../../ui/reason-dialog.tsx';
import type { CribNames } from './crib-names.ts';

function wordsOf({ constant: c }: LearntRecord, names: CribNames): string {
  if (c.kind === 'life') {
    const any = c.shifts.find((s) => s.heatLot === null && s.machineId === null);
    return `${names.family(c.edgeFamily)} in ${names.alloy(c.alloyId)}: 30-minute speed ${Math.exp(any?.shift ?? 0).toFixed(2)} × the library (${counted(c.trials, 'edge')}, ${c.ended} with end seen or read from wear)`;
  }
  if (c.kind === 'force') {
    const any = c.lots.find((l) => l.heatLot === null);
    return `kc1.1 of ${names.alloy(c.alloyId)}: ${Math.exp(any?.shift ?? 0).toFixed(2)} × the library (${counted(c.trials, 'reading')})`;
  }
  return `${names.machine(c.machineId)}: drive efficiency ${c.efficiency.toFixed(2)}, idle ${c.idleKw.toFixed(2)} kW (${counted(c.trials, 'reading')})`;
}

/** Asks why a constant is taken back. */
function ReverseDialog({ record, onClose }: { record: LearntRecord; onClose: () => void }) {
  async function reverse(reason: string): Promise<void> {
    try {
      await call('POST', '/api/learnt/:id/reversal', { id: record.id }, { reason });
      await Promise.all([mutate('/api/learnt'), mutate('/api/crib'), mutate(isJobList)]);
      toast.success('Reversed. What counted before counts again.');
      onClose();
    } catch (e) {
      toast.error(messageOf(e));
    }
  }
  return (
    <ReasonDialog
      title="Reverse this constant: why?"
      label="Reason"
      does="Reverse"
      look="danger"
      onSay={reverse}
      onClose={onClose}
    />
  );
}

/** What was accepted as measured here, newest first, reversed ones too. */
export function LearntList({
  records,
  names,
  edit,
}: {
  records: readonly LearntRecord[];
  names: CribNames;
  edit: boolean;
}) {
  const [reversing, setReversing] = useState<LearntRecord | null>(null);
  return (
    <section aria-label="Measured here" className="rounded-xl border border-line bg-card p-4">
      <h2 className="text-lg">Measured here</h2>
      {records.length === 0 && <p className="text-soft">Nothing was accepted yet: the library counts.</p>}
      <ul className="divide-y divide-line">
        {records.map((r) => (
          <li key={r.id} className="flex flex-wrap items-center gap-3 py-1.5">
            <div className="flex-1">
              <p className={r.reversedAt ? 'text-soft line-through' : ''}>{wordsOf(r, names)}</p>
              <p className="text-[13px] text-soft">
                Accepted by {r.acceptedBy}, {formatDay(r.acceptedAt)}
                {r.note && `: “${r.note}”`}
                {r.question.leftOut.length > 0 && `; ${counted(r.question.leftOut.length, 'trial')} left out`}
                {r.reversedAt &&
                  `. Reversed by ${r.reversedBy}, ${formatDay(r.reversedAt)}: “${r.reverseReason}”`}
              </p>
            </div>
            {edit && !r.reversedAt && <Button onClick={() => setReversing(r)}>Reverse</Button>}
          </li>
        ))}
      </ul>
      {reversing && <ReverseDialog record={reversing} onClose={() => setReversing(null)} />}
    </section>
  );
}
