import type { Release } from '@burl/contract';
import { type BlockTable, formatMeasure, measuredAgainst, NOTHING_SEEN } from '@burl/core';
import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import { v4 as uuid } from 'uuid';
import { call, messageOf } from '../../api/client.ts';
import { useSystem } from '../../frame/preferences.tsx';
import { Button } from '../../ui/button.tsx';
import type { ProgramSource } from './source.ts';
import type { MachineSeen } from './use-machine.ts';

/** What the machine measures against what was predicted, and the way into the logbook. */
export function MachineRow({
  table,
  source,
  sheet,
  watching,
  seen,
  onWatch,
}: {
  table: BlockTable;
  source: ProgramSource;
  sheet: Release | undefined;
  watching: boolean;
  seen: MachineSeen;
  onWatch: () => void;
}) {
  const system = useSystem();
  const [logged, setLogged] = useState(false);
  const against = useMemo(() => measuredAgainst(table, seen.measured), [table, seen.measured]);
  const released = sheet?.snapshot.operations.find((o) => o.operationId === source.operationId);
  const percent = (v: number): string => formatMeasure(v / 100, 'percent', system);
  async function log(): Promise<void> {
    if (!against || !released || !sheet) return;
    try {
      await call(
        'POST',
        '/api/trials',
        {},
        {
          ...NOTHING_SEEN,
          id: uuid(),
          releaseId: sheet.id,
          operationId: released.operationId,
          at: new Date().toISOString(),
          machineSerial: 'PRACTICE-1',
          heatLot: sheet.snapshot.job.heatLot,
          edge: 1,
          features: 1,
          minutes: null,
          loadPercent: Math.round(against.measuredPercent),
          note: `${source.name}: load read from the machine's stream, ${against.lines} lines, ${against.ratio.toFixed(2)} times the prediction.`,
          corrects: null,
          photo: null,
          recording: null,
        },
      );
      setLogged(true);
      toast.success('The load is in the logbook as a trial.');
    } catch (e) {
      toast.error(messageOf(e));
    }
  }
  return (
    <div className="flex flex-wrap items-center gap-2 text-[13px]">
      <Button look="quiet" aria-pressed={watching} onClick={onWatch}>
        {watching ? 'Stop watching' : 'Watch the machine'}
      </Button>
      <span aria-live="polite">
        {seen.error !== null && <span className="text-over">{seen.error}. </span>}
        {watching && !against && 'Simulated machine: waiting for a cut at full feed.'}
        {against && (
          <>
            Simulated machine: load {percent(against.measuredPercent)}, predicted{' '}
            {percent(against.predictedPercent)}, over {against.lines} {against.lines === 1 ? 'line' : 'lines'}
            {seen.newest &&
              seen.newest.line > 0 &&
              `; line ${seen.newest.line} runs at ${percent(seen.newest.loadPercent)}`}
            .
          </>
        )}
      </span>
      {against && released && (
        <Button disabled={logged} onClick={() => void log()}>
          {logged ? 'In the logbook' : 'Hand to the logbook'}
        </Button>
      )}
    </div>
  );
}
