import {
  type Crib,
  type JobDetail,
  LARGEST_PROGRAM,
  mayEdit,
  type ProgramEntry,
  type Release,
} from '@burl/contract';
import {
  BLOCK_NUMBERS,
  type BlockNumber,
  blockOfLine,
  formatMeasure,
  type Rewritten,
  type Stock,
  stockBlock,
} from '@burl/core';
import { FilePlus2, FileUp, Pause, Play, Save, Upload } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useSearchParams } from 'react-router';
import { toast } from 'sonner';
import { mutate } from 'swr';
import { call, messageOf } from '../../api/client.ts';
import { useCrib, useJob, useJobs, usePrograms, useSession, useSheet } from '../../api/hooks.ts';
import { Crumbs } from '../../frame/crumbs.tsx';
import { useSystem } from '../../frame/preferences.tsx';
import { duration } from '../../judging/amount.ts';
import { Button } from '../../ui/button.tsx';
import { ComboBox } from '../../ui/combo-box.tsx';
import { InlineChoice } from '../../ui/inline-choice.tsx';
import { Loading } from '../../ui/page-states.tsx';
import { HeavyState } from '../../workers/heavy-state.tsx';
import { FindingsList } from './findings-list.tsx';
import { operationsOfJob, settingsOf } from './held-against.ts';
import { Opened } from './opened.tsx';
import { PathPicture } from './path-picture.tsx';
import { ProgramEditor } from './program-editor.tsx';
import { RewriteDialog } from './rewrite-dialog.tsx';
import {
  base64OfText,
  exportText,
  type ProgramSource,
  sourceOf,
  textOfBase64,
  textOfFile,
} from './source.ts';
import { StockDialog } from './stock-dialog.tsx';
import { Strip } from './strip.tsx';
import { useChecked } from './use-checked.ts';
import { WriteDialog } from './write-dialog.tsx';

/** NC programs of the job in the address, or of a file somebody opens. */
export default function ProgramsPage() {
  const [params] = useSearchParams();
  const jobId = params.get('job') ?? '';
  const { data: crib } = useCrib();
  const { data: detail } = useJob(jobId);
  const { data: sheet } = useSheet(jobId);
  const { data: kept } = usePrograms(jobId);
  if (!crib || (jobId && (!detail || !kept))) return <Loading what="the programs" />;
  return (
    <Workplace
      key={jobId}
      crib={crib}
      detail={jobId ? (detail ?? null) : null}
      sheet={jobId ? sheet : undefined}
      kept={jobId ? (kept ?? []) : []}
    />
  );
}

const NUMBERS = Object.keys(BLOCK_NUMBERS) as BlockNumber[];
/** Text that is edited on the page; larger ones are looked at. */
const EDITED_MOST = 2_000_000;
/** Blocks played a second. */
const PLAY_MS = 60;

type Asking = 'stock' | 'write' | 'rewrite' | null;

function Workplace({
  crib,
  detail,
  sheet,
  kept,
}: {
  crib: Crib;
  detail: JobDetail | null;
  sheet: Release | undefined;
  kept: readonly ProgramEntry[];
}) {
  const [params, setParams] = useSearchParams();
  const system = useSystem();
  const { data: session } = useSession();
  const may = session?.person ? mayEdit(session.person.role) : false;
  const { data: jobs } = useJobs({ search: '' });
  const [source, setSource] = useState<ProgramSource | null>(null);
  const [speeds, setSpeeds] = useState<readonly number[]>([]);
  const [made, setMade] = useState<{ readonly fromId: string; readonly done: Rewritten } | null>(null);
  const [at, setAt] = useState(0);
  const [shown, setShown] = useState<BlockNumber>('arc');
  const [asking, setAsking] = useState<Asking>(null);
  const [playing, setPlaying] = useState(false);
  const chooser = useRef<HTMLInputElement>(null);

  const all = useMemo(() => (detail ? operationsOfJob(detail, crib, sheet) : []), [detail, crib, sheet]);
  const operationId = params.get('op') ?? source?.operationId ?? '';
  const held = useMemo(() => {
    const own = all.filter((o) => o.id === operationId);
    return own.length > 0 ? own : all;
  }, [all, operationId]);
  const settings = useMemo(
    () => (source ? settingsOf(source, held, crib, speeds) : null),
    [source, held, crib, speeds],
  );
  const text = useMemo(() => (source ? { now: source.text } : null), [source]);
  const checked = useChecked(text, settings);
  const picture = source ? checked.data : null;
  const table = picture?.table ?? null;
  const findings = picture?.result?.findings ?? [];
  const line = table && table.count > 0 ? table.line[Math.min(at, table.count - 1)]! : 1;

  const open = (next: Omit<ProgramSource, 'file'>): void => {
    setSource(sourceOf(next));
    setAt(0);
    setSpeeds([]);
    setMade(null);
    setPlaying(false);
  };
  const wanted = params.get('program') ?? kept[0]?.id ?? null;
  const looked = useRef<string | null>(null);
  useEffect(() => {
    const entry = kept.find((p) => p.id === wanted);
    if (!entry || looked.current === entry.id) return;
    looked.current = entry.id;
    call('GET', '/api/programs/:id/text', { id: entry.id }).then(
      ({ base64 }) =>
        open({
          name: entry.name,
          text: textOfBase64(base64),
          kept: entry,
          operationId: entry.operationId,
          stock: entry.stock,
        }),
      (e: unknown) => toast.error(messageOf(e)),
    );
  }, [wanted, kept]);

  const go = (change: Record<string, string | null>): void =>
    setParams(
      (old) => {
        for (const [k, v] of Object.entries(change)) {
          if (v === null) old.delete(k);
          else old.set(k, v);
        }
        return old;
      },
      { replace: true },
    );

  async function openFile(file: File | undefined): Promise<void> {
    if (!file) return;
    looked.current = wanted;
    open({
      name: file.name,
      text: await textOfFile(file),
      kept: null,
      operationId: operationId || null,
      stock: null,
    });
  }
  async function keep(): Promise<void> {
    if (!source || !detail) return;
    try {
      const entry = await call(
        'POST',
        '/api/jobs/:id/programs',
        { id: detail.job.id },
        {
          operationId:
            held.length === 1 && detail.setups.some((s) => s.operations.some((o) => o.id === held[0]!.id))
              ? held[0]!.id
              : null,
          file: { name: source.name, type: 'text/plain', base64: base64OfText(source.text) },
          stock: picture?.stock ?? source.stock,
          rewrite: made && {
            fromId: made.fromId,
            releaseId: sheet?.id ?? null,
            minutesBefore: made.done.minutesBefore,
            minutesAfter: made.done.minutesAfter,
            changes: made.done.changes.length,
          },
        },
      );
      looked.current = entry.id;
      setSource((s) => s && { ...s, kept: entry });
      await mutate(`/api/jobs/${detail.job.id}/programs`);
      go({ program: entry.id });
      toast.success(`${entry.name} is kept with ${detail.job.number}.`);
    } catch (e) {
      toast.error(messageOf(e));
    }
  }
  async function takeStock(stock: Stock): Promise<void> {
    if (source?.kept && may) {
      const entry = await call('PUT', '/api/programs/:id/stock', { id: source.kept.id }, { stock });
      await mutate(`/api/jobs/${entry.jobId}/programs`);
    }
    setSource((s) => s && { ...s, stock });
  }
  const rewritten = (done: Rewritten): void => {
    const from = source?.kept?.id ?? null;
    const name = source!.name.replace(/(\.[^.]*)?$/, (ending) => `-rewritten${ending}`);
    setSource((s) => s && sourceOf({ ...s, name, text: done.text, kept: null }));
    setMade(from ? { fromId: from, done } : null);
    setAt(0);
    setAsking(null);
    toast.success(`${done.changes.length} lines changed. Export it or keep it with the job.`);
  };

  const last = Math.max(0, (table?.count ?? 1) - 1);
  const step = (by: number): void => setAt((i) => Math.max(0, Math.min(last, i + by)));
  useEffect(() => {
    if (!playing) return;
    const jump = Math.max(1, Math.round(last / 600));
    const timer = setInterval(
      () =>
        setAt((i) => {
          if (i + jump >= last) setPlaying(false);
          return Math.min(last, i + jump);
        }),
      PLAY_MS,
    );
    return () => clearInterval(timer);
  }, [playing, last]);
  useHotkeys('period', () => step(1), [last]);
  useHotkeys('comma', () => step(-1), [last]);
  useHotkeys('o', () => chooser.current?.click(), []);

  const values = table?.values[shown];
  const most = useMemo(() => (values ? values.reduce((m, v) => Math.max(m, v), 0) : 1), [values]);
  const value = values && table && table.count > 0 ? values[Math.min(at, last)]! : 0;
  const total = table && table.count > 0 ? table.minutes[last]! : 0;

  return (
    <div
      className="flex h-full min-h-[640px] flex-col gap-2 p-3"
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) => {
        e.preventDefault();
        void openFile(e.dataTransfer.files[0]);
      }}
    >
      <Crumbs
        trail={
          detail
            ? [{ label: detail.job.number, to: `/jobs/${detail.job.id}` }, { label: 'Programs' }]
            : [{ label: 'Programs' }]
        }
      />
      <h1 className="sr-only">Programs</h1>
      <div className="flex flex-wrap items-end gap-2">
        <div className="w-56">
          <ComboBox
            label="Job"
            placeholder="hold it against a job"
            list={(jobs ?? []).map((j) => ({ id: j.id, name: `${j.number} ${j.part}` }))}
            value={detail?.job.id ?? ''}
            onTake={(id) => setParams({ job: id })}
          />
        </div>
        {detail && (
          <InlineChoice
            label="Held against"
            value={held.length === 1 ? held[0]!.id : ''}
            options={['', ...all.map((o) => o.id)]}
            name={(id) =>
              all.find((o) => o.id === id)?.name ??
              (sheet ? `sheet, rev ${sheet.revision}` : 'all as they stand')
            }
            onTake={(id) => go({ op: id || null })}
          />
        )}
        {kept.length > 0 && (
          <InlineChoice
            label="Program"
            value={source?.kept?.id ?? ''}
            options={[...(source?.kept ? [] : ['']), ...kept.map((p) => p.id)]}
            name={(id) =>
              kept.find((p) => p.id === id)?.name ?? (source ? `${source.name} (not kept)` : 'none')
            }
            onTake={(id) => {
              looked.current = null;
              go({ program: id });
            }}
          />
        )}
        <input
          ref={chooser}
          type="file"
          aria-label="NC file"
          className="sr-only"
          tabIndex={-1}
          onChange={(e) => {
            void openFile(e.target.files?.[0]);
            e.target.value = '';
          }}
        />
        <Button onClick={() => chooser.current?.click()}>
          <FileUp size={15} aria-hidden="true" /> Open file
        </Button>
        {held.length === 1 && (
          <Button onClick={() => setAsking('write')}>
            <FilePlus2 size={15} aria-hidden="true" /> Write
          </Button>
        )}
        {source && (
          <>
            <Button onClick={() => setAsking('stock')}>Material</Button>
            <Button look="main" disabled={held.length === 0} onClick={() => setAsking('rewrite')}>
              Rewrite feeds
            </Button>
            <Button onClick={() => exportText(source.name, source.text)}>
              <Upload size={15} aria-hidden="true" /> Export
            </Button>
            {detail && may && !source.kept && (
              <Button disabled={source.text.length > LARGEST_PROGRAM} onClick={() => void keep()}>
                <Save size={15} aria-hidden="true" /> Keep with {detail.job.number}
              </Button>
            )}
          </>
        )}
      </div>
      {!source ? (
        <Opened onOpen={() => chooser.current?.click()} />
      ) : (
        <div className="grid min-h-0 flex-1 grid-cols-[minmax(240px,26%)_minmax(0,1fr)_minmax(260px,27%)] gap-2 max-[1000px]:grid-cols-1">
          <section aria-label="Text" className="flex min-h-0 flex-col max-[1000px]:h-[420px]">
            <ProgramEditor
              file={source.file}
              text={source.text}
              line={line}
              findings={findings}
              readOnly={source.text.length > EDITED_MOST}
              onLine={(l) => table && setAt(blockOfLine(table, l))}
              onText={(t) => setSource((s) => s && { ...s, text: t, kept: null })}
            />
          </section>
          <section aria-label="Path" className="flex min-h-0 flex-col gap-2">
            <div className="flex flex-wrap items-center gap-3">
              <InlineChoice
                label="Colour by"
                value={shown}
                options={NUMBERS}
                name={(k) => BLOCK_NUMBERS[k].name}
                onTake={setShown}
              />
              <span className="text-[13px] tabular-nums">
                line {line}: <b>{formatMeasure(value, BLOCK_NUMBERS[shown].unit, system)}</b>
                <span className="text-soft">
                  {' '}
                  of {formatMeasure(most, BLOCK_NUMBERS[shown].unit, system)} at most
                </span>
              </span>
              <span className="ml-auto text-[13px] text-soft">{duration(total)}</span>
            </div>
            {table && values ? (
              <div className="rounded-lg border border-line bg-card">
                <PathPicture
                  table={table}
                  values={values}
                  most={most}
                  stock={picture?.stock ?? null}
                  view="above"
                  at={at}
                  height={300}
                  onTake={setAt}
                />
                <PathPicture
                  table={table}
                  values={values}
                  most={most}
                  stock={picture?.stock ?? null}
                  view="side"
                  at={at}
                  height={110}
                  onTake={setAt}
                />
              </div>
            ) : (
              <div className="h-[410px] rounded-lg border border-line bg-card" />
            )}
            <div className="flex items-center gap-2">
              <Button
                look="quiet"
                aria-label={playing ? 'Stop playing' : 'Play the cut'}
                onClick={() => (at >= last ? (setAt(0), setPlaying(true)) : setPlaying(!playing))}
              >
                {playing ? <Pause size={16} aria-hidden="true" /> : <Play size={16} aria-hidden="true" />}
              </Button>
              <input
                type="range"
                aria-label="Place in the program"
                aria-valuetext={`line ${line}`}
                min={0}
                max={last}
                value={Math.min(at, last)}
                onChange={(e) => setAt(Number(e.target.value))}
                className="w-full accent-(--accent)"
              />
            </div>
            {table && (
              <div className="h-[130px] rounded-lg border border-line bg-card p-1">
                <Strip table={table} shown={shown} at={at} measured={null} onTake={setAt} />
              </div>
            )}
          </section>
          <section
            aria-label="Findings"
            className="flex min-h-0 flex-col rounded-lg border border-line bg-card"
          >
            <div className="border-b border-line px-3 py-2">
              <h2 className="font-semibold">Findings</h2>
              {picture?.stockAssumed && (
                <p className="text-[13px] text-soft">
                  Material assumed: a block round the path. Say what it is under Material.
                </p>
              )}
              {held.length === 0 && (
                <p className="text-[13px] text-soft">
                  Held against nothing: choose a job for loads and released numbers.
                </p>
              )}
              {table && table.left > 0 && (
                <p className="text-[13px] text-soft">
                  {table.left.toLocaleString('en')} moves are checked and not drawn.
                </p>
              )}
              <HeavyState what="the program" heavy={checked} />
            </div>
            <div
              className={`min-h-0 flex-1 overflow-auto ${checked.stale || checked.busy ? 'opacity-60' : ''}`}
            >
              {picture?.result && (
                <FindingsList
                  findings={findings}
                  line={line}
                  onTake={(f) =>
                    table &&
                    setAt(f.block !== null && f.block < table.count ? f.block : blockOfLine(table, f.line))
                  }
                />
              )}
            </div>
          </section>
        </div>
      )}
      {asking === 'stock' && source && (
        <StockDialog
          stock={picture?.stock ?? source.stock ?? stockBlock([0, 0, -20], [100, 60, 0])}
          onTake={takeStock}
          onClose={() => setAsking(null)}
        />
      )}
      {asking === 'write' && held[0] && (
        <WriteDialog
          operation={held[0]}
          title={`${detail!.job.number} ${held[0].name}`}
          onTake={(name, written, stock, tried) => {
            looked.current = wanted;
            open({ name, text: written, kept: null, operationId: held[0]!.id, stock });
            setSpeeds(tried);
          }}
          onClose={() => setAsking(null)}
        />
      )}
      {asking === 'rewrite' && source && settings && (
        <RewriteDialog
          name={source.name}
          text={source.text}
          settings={settings}
          onTake={rewritten}
          onClose={() => setAsking(null)}
        />
      )}
    </div>
  );
}
