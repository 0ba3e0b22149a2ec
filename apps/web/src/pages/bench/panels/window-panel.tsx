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
import { question } from '../../../workers/question.ts';
import { useHeavy } from '../../../workers/use-heavy.ts';
import { type Confidence, confidenceName, CONFIDENCES } from '../aims.ts';
import { MapPane } from './map-pane.tsx';
import type { PanelProps } from './panel-props.ts';
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
  const name = (k: FreeParameter): string => movableOf(op, context, k).name.toLowerCase();
  return (
    <div className="flex h-full min-h-0 flex-col gap-1.5">
      <MapPane
        map={map}
        free={FREE_PARAMETERS}
        x={x}
        y={y}
        name={name}
        onX={setX}
        onY={setY}
        here={(k) => readFree(op, k)}
        readOnly={readOnly}
        onMove={onMove}
      >
        <InlineChoice
          label="Confidence"
          value={confidence}
          options={CONFIDENCES}
          name={confidenceName}
          onTake={setConfidence}
        />
      </MapPane>
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
