import type { CribKind, ImportReport } from '@burl/contract';
import { FileUp } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { mutate } from 'swr';
import { call, messageOf } from '../../../api/client.ts';
import { Button } from '../../../ui/button.tsx';
import { SheetDialog } from '../../../ui/sheet-dialog.tsx';

interface Chosen {
  readonly name: string;
  readonly format: 'csv' | 'json';
  readonly text: string;
}

/** Headings that are enough for a kind, with a line or two as they are filled in. */
const TEMPLATES: Readonly<Partial<Record<CribKind, string>>> = {
  cutters: [
    'Name,Type,DC [mm],Flutes,RE [mm],APMX [mm],LU [mm],Rated for ISO groups,Coating,Edges in stock,Place,Price of an edge',
    'Rougher 12,bull-nose end mill,12,5,1,26,36,S M,AlTiN,6,Cabinet 1,85',
    'Drill 8.5,carbide drill,8.5,,,,34,P M K,,4,Cabinet 3,52',
  ].join('\r\n'),
  holders: [
    'Name,Kind,Spindles it fits,DCONWS min [mm],DCONWS max [mm],LPR [mm]',
    'Shrink 12 short,Shrink-fit chuck,BT40; HSK-A63,12,12,80',
    'Collet 16 slim,Collet chuck,BT30; BT40,0.5,10,100',
  ].join('\r\n'),
};

const names = (list: readonly string[], all: number): string =>
  list.slice(0, 8).join(', ') + (all > 8 ? ` and ${all - 8} more` : '');

/** What a file would do, or what is wrong in it, row by row. */
function Report({ report }: { report: ImportReport }) {
  const { rows, counts, same, problems, more, unread } = report;
  const wrong = problems.length + more;
  return (
    <div aria-live="polite">
      <p className="font-semibold">
        {wrong > 0
          ? `${wrong} ${wrong === 1 ? 'value' : 'values'} to mend in ${rows} rows. Nothing is brought in before.`
          : `${rows} rows: ${counts.added} new, ${counts.changed} changed, ${same} as they are${counts.shelves > 0 ? `; ${counts.shelves} shelves counted` : ''}.`}
      </p>
      {counts.added > 0 && wrong === 0 && (
        <p className="text-[13px]">New: {names(report.added, counts.added)}</p>
      )}
      {counts.changed > 0 && wrong === 0 && (
        <p className="text-[13px]">Changed: {names(report.changed, counts.changed)}</p>
      )}
      {unread.length > 0 && (
        <p className="text-[13px] text-soft">Columns nobody reads here: {unread.join(', ')}</p>
      )}
      {wrong > 0 && (
        <div
          className="mt-2 max-h-[46vh] overflow-auto rounded-md border border-line"
          tabIndex={0}
          role="region"
          aria-label="What to mend"
        >
          <table className="w-full text-left text-[13px]">
            <thead>
              <tr className="border-b border-line">
                <th className="px-2 py-1">Row</th>
                <th className="px-2">Column</th>
                <th className="px-2">Value</th>
                <th className="px-2">Allowed</th>
              </tr>
            </thead>
            <tbody>
              {problems.map((p, i) => (
                <tr key={i} className="border-b border-line last:border-0">
                  <td className="px-2 py-1">{p.row}</td>
                  <td className="px-2">{p.column}</td>
                  <td className="px-2">{String(p.value)}</td>
                  <td className="px-2">{p.allowed}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {more > 0 && <p className="p-2 text-soft">and {more} more</p>}
        </div>
      )}
    </div>
  );
}

/** Entries from a spreadsheet: read and told first, then brought in whole or not at all. */
export function ImportDialog({ kind, onClose }: { kind: CribKind; onClose: () => void }) {
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [report, setReport] = useState<ImportReport | null>(null);
  const [busy, setBusy] = useState(false);
  const [failed, setFailed] = useState<string | null>(null);

  async function send(file: Chosen, dryRun: boolean): Promise<void> {
    setBusy(true);
    setFailed(null);
    try {
      const { format, text } = file;
      const next = await call('POST', '/api/crib/:kind/import', { kind }, { format, text, dryRun });
      setReport(next);
      if (!next.saved) return;
      await mutate('/api/crib');
      toast.success(`${next.counts.added} new, ${next.counts.changed} changed.`);
      onClose();
    } catch (error) {
      setFailed(messageOf(error));
    } finally {
      setBusy(false);
    }
  }
  async function choose(file: File | undefined): Promise<void> {
    if (!file) return;
    const next: Chosen = {
      name: file.name,
      format: /\.json$/i.test(file.name) ? 'json' : 'csv',
      text: await file.text(),
    };
    setReport(null);
    setChosen(next);
    await send(next, true);
  }
  const template = TEMPLATES[kind];
  const ready = report && !report.saved && report.problems.length === 0 && report.more === 0;
  const work = report ? report.counts.added + report.counts.changed : 0;
  const shelves = report?.counts.shelves ?? 0;
  return (
    <SheetDialog
      open
      onClose={onClose}
      title={`Import ${kind}`}
      description="A spreadsheet saved as CSV, or a JSON file. Columns are found by ISO 13399 symbols or everyday words; a heading may say [in]. What a row leaves out follows from its type and diameter."
      size="wide"
    >
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <label className="inline-flex min-h-8 cursor-pointer items-center gap-1.5 rounded-md border border-accent bg-accent px-3 py-1 font-semibold text-on-accent focus-within:outline-2">
          <FileUp size={15} aria-hidden="true" /> Choose file
          <input
            type="file"
            aria-label="Crib file"
            accept=".csv,.json,text/csv,application/json"
            className="sr-only"
            onChange={(e) => {
              void choose(e.target.files?.[0]);
              e.target.value = '';
            }}
          />
        </label>
        {template && (
          <a
            href={`data:text/csv;charset=utf-8,${encodeURIComponent(template)}`}
            download={`burl-${kind}-template.csv`}
            className="font-semibold text-accent underline-offset-2 hover:underline"
          >
            Template with two lines
          </a>
        )}
        {chosen && <span className="text-soft">{chosen.name}</span>}
        {busy && <span className="text-soft">Reading…</span>}
      </div>
      {failed && (
        <p role="alert" className="mb-2 text-over">
          {failed}
        </p>
      )}
      {report && <Report report={report} />}
      <div className="mt-3 flex justify-end gap-2">
        <Button onClick={onClose}>Cancel</Button>
        <Button
          look="main"
          disabled={!ready || work + shelves === 0 || busy}
          onClick={() => chosen && void send(chosen, false)}
        >
          {work > 0 && ready
            ? `Import ${work} ${kind}`
            : shelves > 0 && ready
              ? `Count ${shelves} shelves`
              : 'Import'}
        </Button>
      </div>
    </SheetDialog>
  );
}
