import type { CombinationDetail } from '@burl/contract';
import {
  InputError,
  isHammerCsv,
  readHammerCsv,
  readResponseCsv,
  readUniversalFile,
  type Receptance,
  type TipMode,
} from '@burl/core';
import { useState } from 'react';
import { toast } from 'sonner';
import { call, messageOf } from '../../api/client.ts';
import { refreshChatter } from '../../api/hooks.ts';
import { askWorker } from '../../workers/use-heavy.ts';
import { stored } from './stored-response.ts';
import type { TipReading } from './tip-preview.tsx';

export type Axis = 'x' | 'y';

/** A tap test or a table of modes before it is kept. */
export interface FoundTip {
  readonly modes: readonly TipMode[];
  readonly receptance: Receptance | null;
  readonly coherence?: Float64Array;
  readonly misfit: number | null;
}

/** A tap test tells nothing of the motion along the tool: that is the model's, mode by nearest mode. */
function withShapes(modes: readonly TipMode[], model: readonly TipMode[]): TipMode[] {
  return modes.map(({ hz, damping, stiffness }) => {
    const off = (m: TipMode): number => Math.abs(Math.log(m.hz / hz));
    const [near] = [...model].sort((a, b) => off(a) - off(b));
    return { hz, damping, stiffness, ...(near?.shape ? { shape: near.shape } : {}) };
  });
}

/** Reads a file of hits or of a response and fits its modes. Throws an InputError when there is no response in it. */
async function readTip(chosen: File, axis: Axis): Promise<TipReading> {
  const text = await chosen.text();
  if (isHammerCsv(text)) {
    const hits = readHammerCsv(text);
    return { ...(await askWorker('tap', (api) => api.readHits(hits))), axis, origin: chosen.name };
  }
  const receptance = /\.(uff|unv)$/i.test(chosen.name)
    ? readUniversalFile(text).find((s) => s.receptance)?.receptance
    : readResponseCsv(text).receptance;
  if (!receptance)
    throw new InputError([
      { field: chosen.name, value: 'time records only', allowed: 'a frequency response' },
    ]);
  const fit = await askWorker('tap', (api) => api.fit(receptance));
  return { ...fit, receptance, axis, origin: chosen.name };
}

/** Reading, keeping and restoring tap tests of a combination, and what went wrong. */
export interface TipRecords {
  readonly failed: string | null;
  /** What was read of a file, to be looked at before it is kept. */
  readonly reading: TipReading | null;
  readonly read: (chosen: File, axis: Axis) => void;
  readonly drop: () => void;
  readonly keep: (axis: Axis, found: FoundTip, origin: string) => void;
  readonly restore: (id: string) => void;
}

/** `kept` is told the direction of each record that was saved. */
export function useTipRecords(
  combination: CombinationDetail,
  model: Readonly<Record<Axis, readonly TipMode[]>>,
  kept: (axis: Axis) => void,
): TipRecords {
  const [failed, setFailed] = useState<string | null>(null);
  const [reading, setReading] = useState<TipReading | null>(null);
  async function attempt(work: () => Promise<void>): Promise<void> {
    setFailed(null);
    try {
      await work();
    } catch (error) {
      setFailed(messageOf(error));
    }
  }
  return {
    failed,
    reading,
    read: (chosen, axis) => void attempt(async () => setReading(await readTip(chosen, axis))),
    drop: () => setReading(null),
    keep: (axis, found, origin) => {
      setReading(null);
      void attempt(async () => {
        await call(
          'POST',
          '/api/resonance/:id/tips',
          { id: combination.id },
          {
            axis,
            source: found.receptance ? 'measured' : 'table',
            modes: withShapes(found.modes, model[axis]),
            receptance: found.receptance ? stored(found.receptance) : null,
            coherence: found.coherence ? [...found.coherence] : null,
            misfit: found.misfit,
            origin,
          },
        );
        await refreshChatter();
        kept(axis);
        toast.success(
          `${found.receptance ? 'Tap test' : 'Table of modes'} along ${axis} saved. Every operation uses it now.`,
        );
      });
    },
    restore: (id) =>
      void attempt(async () => {
        await call('POST', '/api/resonance/tips/:id/restore', { id });
        await refreshChatter();
        toast.success('Restored. Every operation uses it now.');
      }),
  };
}
