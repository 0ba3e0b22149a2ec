import {
  FREE_PARAMETERS,
  type FreeParameter,
  type LimitMap,
  mapRange,
  type MillingOperation,
  movableOf,
  readFree,
  writeFree,
} from '@burl/core';
import { proxy } from 'comlink';
import { useState } from 'react';
import { InlineChoice } from '../../../ui/inline-choice.tsx';
import { HeavyState } from '../../../workers/heavy-state.tsx';
import { question } from '../../../workers/question.ts';
import { useHeavy } from '../../../workers/use-heavy.ts';
import { type Confidence, confidenceName, CONFIDENCES } from '../aims.ts';
import type { PanelProps } from './panel-props.ts';
import { WindowPlot } from './window-plot.tsx';
import { WindowSearch } from './window-search.tsx';

/** Points of the map. */
const COLUMNS = 120;
const ROWS = 80;

/** The window that all limits leave for any two parameters, and the search for the best cut inside it. */
export default function WindowPanel({
  op,
  context,
  readOnly,
  onMove,
  onPreview,
}: Pick<PanelProps<MillingOperation>, 'op' | 'context' | 'readOnly' | 'onMove' | 'onPreview'>) {
  const [x, setX] = useState<FreeParameter>('ae');
  const [y, setY] = useState<FreeParameter>('ap');
  const [confidence, setConfidence] = useState<Confidence>(0.9);
  // The working point is not part of the question: the map stays while it is moved about.
  const [rx, ry] = [mapRange(x, op, context), mapRange(y, op, context)];
  const base = writeFree(writeFree(op, x, rx.high), y, ry.high);
  const map = useHeavy<LimitMap>(
    'map',
    question('map', base, context, x, y, rx.low, ry.low, confidence),
    (api, progress) =>
      api.map(
        op,
        context,
        { x, y, columns: COLUMNS, rows: ROWS, confidence, objective: 'metal' },
        proxy((early: LimitMap) => progress.early(early)),
        proxy((part: number) => progress.part(part)),
      ),
  );
  const { data } = map;
  const name = (k: FreeParameter): string => movableOf(op, context, k).name.toLowerCase();
  return (
    <div className="flex h-full min-h-0 flex-col gap-1.5">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <InlineChoice
          label="across"
          value={x}
          options={FREE_PARAMETERS.filter((k) => k !== y)}
          name={name}
          onTake={setX}
        />
        <InlineChoice
          label="up"
          value={y}
          options={FREE_PARAMETERS.filter((k) => k !== x)}
          name={name}
          onTake={setY}
        />
        <InlineChoice
          label="Confidence"
          value={confidence}
          options={CONFIDENCES}
          name={confidenceName}
          onTake={setConfidence}
        />
        {map.busy && <HeavyState what="the map" heavy={map} />}
      </div>
      <div className={`min-h-0 flex-1 ${map.stale ? 'opacity-60' : ''}`}>
        {data ? (
          <WindowPlot
            map={data}
            here={{ x: readFree(op, data.x.key), y: readFree(op, data.y.key) }}
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
      <WindowSearch
        op={op}
        context={context}
        confidence={confidence}
        readOnly={readOnly}
        onPreview={onPreview}
      />
    </div>
  );
}
