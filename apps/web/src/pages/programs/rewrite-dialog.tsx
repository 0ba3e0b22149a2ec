import {
  type CheckSettings,
  type LineChange,
  type Rewritten,
  type RewriteSettings,
  USUAL_REWRITE,
} from '@burl/core';
import { useEffect, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { Choice } from '../../ui/form-parts.tsx';
import { FormError } from '../../ui/form-error.tsx';
import { SheetDialog } from '../../ui/sheet-dialog.tsx';
import { messageOf } from '../../api/client.ts';
import { askWorker } from '../../workers/use-heavy.ts';
import { duration } from '../../judging/amount.ts';

/** Changes shown at once; the rest is in the file. */
const SHOWN = 400;

/** What stood on each line and what stands there now, with the reason. */
function Changes({ changes }: { changes: readonly LineChange[] }) {
  return (
    <div
      tabIndex={0}
      role="region"
      aria-label="Changes by line"
      className="h-[44vh] overflow-auto rounded-lg border border-line"
    >
      <table className="w-full text-left text-[13px]">
        <thead className="sticky top-0 bg-paper">
          <tr>
            {['Line', 'Before', 'After', 'Why'].map((h) => (
              <th key={h} scope="col" className="px-3 py-1.5 font-semibold">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="align-top">
          {changes.slice(0, SHOWN).map((c) => (
            <tr key={c.line} className="border-t border-line">
              <td className="px-3 py-1 tabular-nums">{c.line}</td>
              <td className="px-3 py-1 font-mono text-soft">{c.before}</td>
              <td className="px-3 py-1 font-mono whitespace-pre">
                {c.after.length === 0 ? '(gone)' : c.after.join('\n')}
              </td>
              <td className="px-3 py-1">{c.why}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {changes.length > SHOWN && (
        <p className="p-3 text-soft">
          {(changes.length - SHOWN).toLocaleString('en')} more change the same way.
        </p>
      )}
    </div>
  );
}

const ARCS = ['left alone', '0.005', '0.01', '0.02'] as const;

/** The same program with the feeds of the release: what is held, the difference by block, minutes before and after. */
export function RewriteDialog({
  name,
  text,
  settings,
  onTake,
  onClose,
}: {
  name: string;
  text: string;
  settings: CheckSettings;
  onTake: (done: Rewritten) => void;
  onClose: () => void;
}) {
  const [wish, setWish] = useState<RewriteSettings>(USUAL_REWRITE);
  const [answer, setAnswer] = useState<{
    readonly wish: RewriteSettings;
    readonly done: Rewritten | null;
    readonly failed: string | null;
  } | null>(null);
  useEffect(() => {
    let wanted = true;
    askWorker('rewrite', (api) => api.rewrite(text, settings, wish)).then(
      (done) => wanted && setAnswer({ wish, done, failed: null }),
      (e: unknown) => wanted && setAnswer({ wish, done: null, failed: messageOf(e) }),
    );
    return () => {
      wanted = false;
    };
  }, [text, settings, wish]);
  const current = answer?.wish === wish ? answer : null;
  const done = current?.done ?? null;
  const failed = current?.failed ?? null;
  const set = (change: Partial<RewriteSettings>): void => setWish((w) => ({ ...w, ...change }));
  const arcs = ARCS.find((a) => Number(a) === wish.arcToleranceMm) ?? 'left alone';
  return (
    <SheetDialog
      open
      size="widest"
      title={`Rewrite ${name}`}
      description="Speeds and feeds of the release, slower before the contact rises, arcs compensated. Everything else stays."
      onClose={onClose}
    >
      <div className="mb-3 grid grid-cols-2 gap-3 sm:grid-cols-4">
        <Choice
          label="Hold the"
          value={wish.hold}
          options={['chip', 'load'] as const}
          readOnly={false}
          onTake={(hold) => set({ hold })}
        />
        <Choice
          label="Speeds"
          value={wish.speeds ? 'of the release' : 'as they are'}
          options={['of the release', 'as they are'] as const}
          readOnly={false}
          onTake={(v) => set({ speeds: v === 'of the release' })}
        />
        <Choice
          label="Divide lines before corners"
          value={wish.divide ? 'yes' : 'no'}
          options={['yes', 'no'] as const}
          readOnly={false}
          onTake={(v) => set({ divide: v === 'yes' })}
        />
        <Choice
          label="Arcs for short lines, mm"
          value={arcs}
          options={ARCS}
          readOnly={false}
          onTake={(v) => set({ arcToleranceMm: v === 'left alone' ? null : Number(v) })}
        />
      </div>
      {failed && <FormError message={failed} />}
      {!done && !failed && (
        <p role="status" className="text-soft">
          Rewriting
        </p>
      )}
      {done && (
        <>
          <p className="mb-2" aria-live="polite">
            <span className="font-semibold">
              {done.changes.length === 0
                ? 'Nothing changes.'
                : `${done.changes.length} ${done.changes.length === 1 ? 'line changes' : 'lines change'}.`}
            </span>{' '}
            {duration(done.minutesBefore)} before, {duration(done.minutesAfter)} after.
            {done.arcs > 0 &&
              ` ${done.arcs} arcs; ${Math.round(100 * (1 - done.bytesAfter / done.bytesBefore))}% smaller.`}
          </p>
          <Changes changes={done.changes} />
          <div className="mt-3 flex justify-end gap-2">
            <Button onClick={onClose}>Leave it</Button>
            <Button look="main" disabled={done.changes.length === 0} onClick={() => onTake(done)}>
              Take it
            </Button>
          </div>
        </>
      )}
    </SheetDialog>
  );
}
