import type { TrialFileReport } from '@burl/contract';
import { FileUp } from 'lucide-react';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import { mutate } from 'swr';
import { call, messageOf } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { SheetDialog } from '../../ui/sheet-dialog.tsx';

/** Trials from a CSV file: looked through first, then kept whole or not at all. */
export function ImportTrials() {
  const file = useRef<HTMLInputElement>(null);
  const [read, setRead] = useState<{ readonly text: string; readonly report: TrialFileReport } | null>(null);
  const send = (text: string, dryRun: boolean): Promise<TrialFileReport> =>
    call('POST', '/api/trials/import', {}, { text, dryRun });

  async function look(chosen: File): Promise<void> {
    try {
      const text = await chosen.text();
      setRead({ text, report: await send(text, true) });
    } catch (e) {
      toast.error(`${messageOf(e)} Nothing was kept.`);
    }
  }
  async function keep(): Promise<void> {
    if (!read) return;
    try {
      const { taken } = await send(read.text, false);
      await mutate((key) => typeof key === 'string' && /^\/api\/(trial|fits)/.test(key));
      toast.success(`${taken} trials kept.`);
      setRead(null);
    } catch (e) {
      toast.error(`${messageOf(e)} Nothing was kept.`);
    }
  }
  return (
    <>
      <input
        ref={file}
        type="file"
        accept=".csv,text/csv"
        className="hidden"
        aria-label="File of trials"
        onChange={(e) => {
          const chosen = e.target.files?.[0];
          e.target.value = '';
          if (chosen) void look(chosen);
        }}
      />
      <Button onClick={() => file.current?.click()}>
        <FileUp size={15} aria-hidden="true" /> Import
      </Button>
      {read && (
        <SheetDialog open onClose={() => setRead(null)} title="Import trials" size="wide">
          {read.report.problems.length === 0 ? (
            <p>
              {read.report.rows} trials can be read and judged. Those that are in the logbook already stay as
              they are.
            </p>
          ) : (
            <>
              <p>Nothing is kept before this is mended:</p>
              <ul className="my-2 list-disc pl-5">
                {read.report.problems.map((p) => (
                  <li key={`${p.row} ${p.column}`}>
                    {p.row === 0 ? 'Headings' : `Row ${p.row}`}
                    {p.column && `, ${p.column}`}: {p.problem}
                  </li>
                ))}
              </ul>
            </>
          )}
          <div className="mt-3 flex justify-end gap-2">
            <Button onClick={() => setRead(null)}>Cancel</Button>
            <Button look="main" disabled={read.report.problems.length > 0} onClick={() => void keep()}>
              Import
            </Button>
          </div>
        </SheetDialog>
      )}
    </>
  );
}
