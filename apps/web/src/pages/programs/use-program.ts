import type { Crib, JobDetail, ProgramEntry, Release } from '@burl/contract';
import type { CheckSettings, ProgramOperation, Rewritten, Stock } from '@burl/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import { toast } from 'sonner';
import { mutate } from 'swr';
import { call, messageOf } from '../../api/client.ts';
import { charactersOf } from '../../ui/file-text.ts';
import type { Heavy } from '../../workers/use-heavy.ts';
import type { ProgramPicture } from '../../workers/program-work.ts';
import { blankOfJob, operationsOfJob, settingsOf } from './held-against.ts';
import { type ProgramSource, sourceOf } from './source.ts';
import { useChecked } from './use-checked.ts';

/** What a page of programs knows of its job. */
export interface JobOfPrograms {
  readonly crib: Crib;
  readonly detail: JobDetail | null;
  readonly sheet: Release | undefined;
  readonly kept: readonly ProgramEntry[];
}

export interface OpenProgram {
  readonly source: ProgramSource | null;
  /** Every operation of the job that can be judged, and those the program is held against. */
  readonly all: readonly ProgramOperation[];
  readonly held: readonly ProgramOperation[];
  readonly settings: CheckSettings | null;
  readonly checked: Heavy<ProgramPicture>;
  readonly picture: ProgramPicture | null;
  /** Changes words of the address; null removes one. */
  go(change: Readonly<Record<string, string | null>>): void;
  choose(program: string): void;
  openFile(file: File | undefined): Promise<void>;
  openWritten(name: string, text: string, stock: Stock, speeds: readonly number[]): void;
  edit(text: string): void;
  takeStock(stock: Stock): Promise<void>;
  takeRewritten(done: Rewritten): void;
  keep(): Promise<void>;
}

/** A rewriting that has not been kept: where it came from, and what it did. */
interface Made {
  readonly fromId: string;
  readonly done: Rewritten;
}

/** Keeps a program with a job, with how it came about. */
const keepWith = (
  jobId: string,
  source: ProgramSource,
  about: {
    readonly operationId: string | null;
    readonly stock: Stock | null;
    readonly made: Made | null;
    readonly releaseId: string | null;
  },
): Promise<ProgramEntry> =>
  call(
    'POST',
    '/api/jobs/:id/programs',
    { id: jobId },
    {
      operationId: about.operationId,
      file: { name: source.name, type: 'text/plain', base64: btoa(source.text) },
      stock: about.stock,
      rewrite: about.made && {
        fromId: about.made.fromId,
        releaseId: about.releaseId,
        minutesBefore: about.made.done.minutesBefore,
        minutesAfter: about.made.done.minutesAfter,
        changes: about.made.done.changes.length,
      },
    },
  );

/** The program that is open: from the job, from a file, or just written, and what is done with it. */
export function useProgram({ crib, detail, sheet, kept }: JobOfPrograms, may: boolean): OpenProgram {
  const [params, setParams] = useSearchParams();
  const [source, setSource] = useState<ProgramSource | null>(null);
  const [speeds, setSpeeds] = useState<readonly number[]>([]);
  const [made, setMade] = useState<Made | null>(null);
  const looked = useRef<string | null>(null);

  const all = useMemo(() => (detail ? operationsOfJob(detail, crib, sheet) : []), [detail, crib, sheet]);
  const operationId = params.get('op') ?? source?.operationId ?? '';
  const held = useMemo(() => {
    const own = all.filter((o) => o.id === operationId);
    return own.length > 0 ? own : all;
  }, [all, operationId]);
  const settings = useMemo(() => {
    const blank = detail && blankOfJob(detail, operationId || null);
    return source && settingsOf(source, held, blank, crib, speeds);
  }, [source, held, detail, operationId, crib, speeds]);
  const text = useMemo(() => (source ? { now: source.text } : null), [source]);
  const checked = useChecked(text, settings);
  const picture = source ? checked.data : null;

  const wanted = params.get('program') ?? kept[0]?.id ?? null;
  const open = (next: Omit<ProgramSource, 'file'>, tried: readonly number[] = []): void => {
    looked.current = wanted;
    setSource(sourceOf(next));
    setSpeeds(tried);
    setMade(null);
  };
  useEffect(() => {
    const entry = kept.find((p) => p.id === wanted);
    if (!entry || looked.current === entry.id) return;
    looked.current = entry.id;
    call('GET', '/api/programs/:id/text', { id: entry.id }).then(
      ({ base64 }) => {
        const { name, operationId: of, stock } = entry;
        setSource(sourceOf({ name, text: atob(base64), kept: entry, operationId: of, stock }));
        setSpeeds([]);
        setMade(null);
      },
      (e: unknown) => toast.error(messageOf(e)),
    );
  }, [wanted, kept]);

  const go: OpenProgram['go'] = (change) =>
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

  async function keep(): Promise<void> {
    if (!source || !detail) return;
    const own = detail.setups
      .flatMap((s) => s.operations)
      .find((o) => held.length === 1 && o.id === held[0]!.id);
    try {
      const entry = await keepWith(detail.job.id, source, {
        operationId: own?.id ?? null,
        stock: picture?.stock ?? source.stock,
        made,
        releaseId: sheet?.id ?? null,
      });
      looked.current = entry.id;
      setSource((s) => s && { ...s, kept: entry });
      await mutate(`/api/jobs/${detail.job.id}/programs`);
      go({ program: entry.id });
      toast.success(`${entry.name} is kept with ${detail.job.number}.`);
    } catch (e) {
      toast.error(messageOf(e));
    }
  }

  return {
    source,
    all,
    held,
    settings,
    checked,
    picture,
    go,
    keep,
    choose(program) {
      looked.current = null;
      go({ program });
    },
    async openFile(file) {
      if (!file) return;
      open({
        name: file.name,
        text: await charactersOf(file),
        kept: null,
        operationId: operationId || null,
        stock: null,
      });
    },
    openWritten: (name, written, stock, tried) =>
      open({ name, text: written, kept: null, operationId: held[0]?.id ?? null, stock }, tried),
    edit: (t) => setSource((s) => s && { ...s, text: t, kept: null }),
    async takeStock(stock) {
      if (source?.kept && may) {
        const entry = await call('PUT', '/api/programs/:id/stock', { id: source.kept.id }, { stock });
        await mutate(`/api/jobs/${entry.jobId}/programs`);
      }
      setSource((s) => s && { ...s, stock });
    },
    takeRewritten(done) {
      if (!source) return;
      const name = source.name.replace(/(\.[^.]*)?$/, (ending) => `-rewritten${ending}`);
      setMade(source.kept ? { fromId: source.kept.id, done } : null);
      setSource(sourceOf({ ...source, name, text: done.text, kept: null }));
      toast.success(`${done.changes.length} lines changed. Export it or keep it with the job.`);
    },
  };
}
