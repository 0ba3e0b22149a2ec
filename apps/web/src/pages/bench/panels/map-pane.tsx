import type { LimitMap } from '@burl/core';
import type { ReactNode } from 'react';
import { InlineChoice } from '../../../ui/inline-choice.tsx';
import { HeavyState } from '../../../workers/heavy-state.tsx';
import type { Heavy } from '../../../workers/use-heavy.ts';
import { WindowPlot } from './window-plot.tsx';

/** A map of what all limits leave: what lies across and up, other choices, and the map once it is worked out. */
export function MapPane<K extends string>({
  map,
  free,
  x,
  y,
  name,
  onX,
  onY,
  here,
  readOnly,
  onMove,
  children,
}: {
  map: Heavy<LimitMap<K>>;
  free: readonly K[];
  x: K;
  y: K;
  name: (key: K) => string;
  onX: (key: K) => void;
  onY: (key: K) => void;
  /** Where a number stands. */
  here: (key: K) => number;
  readOnly: boolean;
  onMove: (changes: readonly (readonly [K, number])[]) => void;
  children?: ReactNode;
}) {
  const { data } = map;
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <InlineChoice
          label="across"
          value={x}
          options={free.filter((k) => k !== y)}
          name={name}
          onTake={onX}
        />
        <InlineChoice label="up" value={y} options={free.filter((k) => k !== x)} name={name} onTake={onY} />
        {children}
        {map.busy && <HeavyState what="the map" heavy={map} />}
      </div>
      <div className={`min-h-0 flex-1 ${map.stale ? 'opacity-60' : ''}`}>
        {data ? (
          <WindowPlot
            map={data}
            here={{ x: here(data.x.key), y: here(data.y.key) }}
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
    </>
  );
}
