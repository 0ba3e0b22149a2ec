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
import { question } from '../../../workers/question.ts';
import { useHeavy } from '../../../workers/use-heavy.ts';
import { MapPane } from './map-pane.tsx';
import type { PanelProps } from './panel-props.ts';

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
  const name = (k: LatheFree): string => movableOf(op, context, k).name.toLowerCase();
  return (
    <div className="flex h-full min-h-0 flex-col gap-1.5">
      <MapPane
        map={map}
        free={free}
        x={x}
        y={y}
        name={name}
        onX={setX}
        onY={setY}
        here={(k) => readLathe(op, k)}
        readOnly={readOnly}
        onMove={onMove}
      />
    </div>
  );
}
