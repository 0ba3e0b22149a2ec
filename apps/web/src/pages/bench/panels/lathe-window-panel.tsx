import {
  type LatheFree,
  latheFreeOf,
  latheRange,
  type LimitMap,
  movableOf,
  readLathe,
  type TurnedOperation,
  writeLathe,
} from '@burl/core';
import { proxy } from 'comlink';
import { useState } from 'react';
import { InlineChoice } from '../../../ui/inline-choice.tsx';
import { HeavyState } from '../../../workers/heavy-state.tsx';
import { question } from '../../../workers/question.ts';
import { useHeavy } from '../../../workers/use-heavy.ts';
import type { PanelProps } from './panel-props.ts';
import { WindowPlot } from './window-plot.tsx';

/** Points of the map. */
const COLUMNS = 90;
const ROWS = 60;

/** The window that all limits leave for two numbers of a lathe cut; each at the high end of its band. */
export default function LatheWindowPanel({
  op,
  context,
  readOnly,
  onMove,
}: Pick<PanelProps<TurnedOperation>, 'op' | 'context' | 'readOnly' | 'onMove'>) {
  const free = latheFreeOf(op);
  const [x, setX] = useState<LatheFree>('fn');
  const [y, setY] = useState<LatheFree>(op.kind === 'turning' ? 'ap' : 'n');
  const [rx, ry] = [latheRange(x, op, context), latheRange(y, op, context)];
  // The working point is not part of the question: the map stays while it is moved about.
  const base = writeLathe(writeLathe(op, x, rx.high), y, ry.high);
  const map = useHeavy<LimitMap<LatheFree>>(
    'map',
    question('lathe map', base, context, x, y, rx.low, ry.low),
    (api, progress) =>
      api.latheMap(
        op,
        context,
        { x, y, columns: COLUMNS, rows: ROWS },
        proxy((early: LimitMap<LatheFree>) => progress.early(early)),
        proxy((part: number) => progress.part(part)),
      ),
  );
  const { data } = map;
  const name = (k: LatheFree): string => movableOf(op, context, k).name.toLowerCase();
  return (
    <div className="flex h-full min-h-0 flex-col gap-1.5">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <InlineChoice
          label="across"
          value={x}
          options={free.filter((k) => k !== y)}
          name={name}
          onTake={setX}
        />
        <InlineChoice label="up" value={y} options={free.filter((k) => k !== x)} name={name} onTake={setY} />
        {map.busy && <HeavyState what="the map" heavy={map} />}
      </div>
      <div className={`min-h-0 flex-1 ${map.stale ? 'opacity-60' : ''}`}>
        {data ? (
          <WindowPlot
            map={data}
            here={{ x: readLathe(op, data.x.key), y: readLathe(op, data.y.key) }}
            disabled={readOnly}
            onMove={(a, b) =>
              onMove([
                [data.x.key, a],
                [data.y.key, b],
              ])
            }
          />
        ) : (
          !map.busy && <HeavyState what="the map" heavy={map} />
        )}
      </div>
    </div>
  );
}
