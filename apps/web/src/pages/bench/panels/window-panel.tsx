import {
  formatMeasure,
  FREE_PARAMETERS,
  type FreeParameter,
  type LimitMap,
  mapRange,
  type MillingOperation,
  type Objective,
  type OperationContext,
  readFree,
  type SearchResult,
  writeFree,
} from '@burl/core';
import { proxy } from 'comlink';
import { useState } from 'react';
import { useSystem } from '../../../frame/preferences.tsx';
import { question } from '../../../workers/question.ts';
import { useHeavy } from '../../../workers/use-heavy.ts';
import { Button } from '../../../ui/button.tsx';
import { HeavyState } from '../../../workers/heavy-state.tsx';
import { WindowPlot } from './window-plot.tsx';

const NAMES: Readonly<Record<FreeParameter, string>> = {
  n: 'spindle speed',
  fz: 'feed per tooth',
  ap: 'axial depth',
  ae: 'radial depth',
  stickOut: 'stick-out',
};
export const OBJECTIVE_NAMES: Readonly<Record<Objective, string>> = {
  metal: 'highest MRR',
  life: 'longest tool life',
  cost: 'lowest cost',
};
export const CONFIDENCES = [0.5, 0.7, 0.8, 0.9, 0.95] as const;

export function Choice<T extends string | number>({
  label,
  value,
  options,
  name,
  onTake,
}: {
  label: string;
  value: T;
  options: readonly T[];
  name: (v: T) => string;
  onTake: (v: T) => void;
}) {
  return (
    <label className="flex items-center gap-1 text-[13px] text-soft">
      {label}
      <select
        value={value}
        onChange={(e) => onTake(options.find((o) => String(o) === e.target.value) ?? value)}
        className="min-h-7 rounded-md border border-line bg-raised px-1 text-ink"
      >
        {options.map((o) => (
          <option key={o} value={o}>
            {name(o)}
          </option>
        ))}
      </select>
    </label>
  );
}

/** The window that all limits leave for any two parameters, and the search for the best cut inside it. */
export default function WindowPanel({
  op,
  context,
  readOnly,
  onMove,
  onPreview,
}: {
  op: MillingOperation;
  context: OperationContext;
  readOnly: boolean;
  onMove: (changes: readonly (readonly [FreeParameter, number])[]) => void;
  onPreview: (found: { id: string; operation: MillingOperation }) => void;
}) {
  const [x, setX] = useState<FreeParameter>('ae');
  const [y, setY] = useState<FreeParameter>('ap');
  const [confidence, setConfidence] = useState<(typeof CONFIDENCES)[number]>(0.9);
  const [objective, setObjective] = useState<Objective>('metal');
  const [free, setFree] = useState<readonly FreeParameter[]>(['n', 'fz', 'ap', 'ae']);
  const [asked, setAsked] = useState<string | null>(null);

  // The working point is not part of the question: the map stays while it is moved about.
  const [rx, ry] = [mapRange(x, op, context), mapRange(y, op, context)];
  const base = writeFree(writeFree(op, x, rx.high), y, ry.high);
  const key = question('map', base, context, x, y, rx.low, ry.low, confidence);
  const map = useHeavy<LimitMap>('map', key, (api, progress) =>
    api.map(
      op,
      context,
      { x, y, columns: 120, rows: 80, confidence, objective: 'metal' },
      proxy((early: LimitMap) => progress.early(early)),
      proxy((part: number) => progress.part(part)),
    ),
  );

  const wish = { free, objective, confidence };
  const searchKey = question('search', op, context, wish);
  const search = useHeavy<SearchResult>(
    'search',
    asked === searchKey ? searchKey : null,
    (api) => api.search(op, context, wish),
    0,
  );
  const found = asked === searchKey ? search.data : null;

  return (
    <div className="flex h-full min-h-0 flex-col gap-1.5">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <Choice
          label="across"
          value={x}
          options={FREE_PARAMETERS.filter((k) => k !== y)}
          name={(k) => NAMES[k]}
          onTake={setX}
        />
        <Choice
          label="up"
          value={y}
          options={FREE_PARAMETERS.filter((k) => k !== x)}
          name={(k) => NAMES[k]}
          onTake={setY}
        />
        <Choice
          label="Confidence"
          value={confidence}
          options={CONFIDENCES}
          name={(c) => `${c * 100}%`}
          onTake={setConfidence}
        />
        {map.busy && <HeavyState what="the map" heavy={map} />}
      </div>
      <div className={`min-h-0 flex-1 ${map.stale ? 'opacity-60' : ''}`}>
        {map.data ? (
          <WindowPlot
            map={map.data}
            here={{ x: readFree(op, map.data.x.key), y: readFree(op, map.data.y.key) }}
            disabled={readOnly}
            onMove={(a, b) =>
              onMove([
                [map.data!.x.key, a],
                [map.data!.y.key, b],
              ])
            }
          />
        ) : (
          !map.busy && <HeavyState what="the map" heavy={map} />
        )}
      </div>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line pt-1.5">
        <fieldset className="flex flex-wrap items-center gap-x-2 text-[13px]">
          <legend className="sr-only">Varied by the search</legend>
          <span className="text-soft">Vary:</span>
          {FREE_PARAMETERS.map((k) => (
            <label key={k} className="flex items-center gap-1">
              <input
                type="checkbox"
                checked={free.includes(k)}
                onChange={(e) => setFree(e.target.checked ? [...free, k] : free.filter((f) => f !== k))}
              />
              {NAMES[k]}
            </label>
          ))}
        </fieldset>
        <Choice
          label="find"
          value={objective}
          options={['metal', 'life', 'cost'] as const}
          name={(o) => OBJECTIVE_NAMES[o]}
          onTake={setObjective}
        />
        <Button look="main" disabled={readOnly || free.length === 0} onClick={() => setAsked(searchKey)}>
          Optimise
        </Button>
        {asked === searchKey && search.busy && <HeavyState what="the best cut" heavy={search} />}
        {search.error && asked === searchKey && (
          <p role="alert" className="text-over">
            {search.error}
          </p>
        )}
        {found && !search.busy && (
          <Found found={found} op={op} objective={objective} readOnly={readOnly} onPreview={onPreview} />
        )}
      </div>
    </div>
  );
}

function Found({
  found,
  op,
  objective,
  readOnly,
  onPreview,
}: {
  found: SearchResult;
  op: MillingOperation;
  objective: Objective;
  readOnly: boolean;
  onPreview: (found: { id: string; operation: MillingOperation }) => void;
}) {
  const system = useSystem();
  if (found.blockedBy.length > 0)
    return (
      <p role="status" className="text-over">
        No setting clears: {found.blockedBy.map((s) => s.name).join(', ')}.
      </p>
    );
  const gain = found.worth / found.before;
  const units = { n: 'rpm', fz: 'mm/tooth', ap: 'mm', ae: 'mm', stickOut: 'mm' } as const;
  const changes = FREE_PARAMETERS.filter((k) => readFree(found.operation, k) !== readFree(op, k)).map(
    (k) => `${NAMES[k]} ${formatMeasure(readFree(found.operation, k), units[k], system)}`,
  );
  const better =
    objective === 'cost'
      ? `costs ${(100 / gain).toFixed(0)}% of the present cut`
      : `${gain.toFixed(2)} × the present cut`;
  return (
    <p role="status" className="flex flex-wrap items-center gap-2 text-[13px]">
      <span>
        <b>{changes.join(', ') || 'The present cut is the best'}</b>: {better}
        {found.beforeHeld ? '' : ', which does not meet all limits'}; limited by{' '}
        {found.stoppedBy.map((s) => s.name).join(', ') || 'the ranges'}.
      </span>
      {changes.length > 0 && (
        <Button disabled={readOnly} onClick={() => onPreview({ id: 'search', operation: found.operation })}>
          Preview what was found
        </Button>
      )}
    </p>
  );
}
