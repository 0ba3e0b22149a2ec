import { useCallback } from 'react';
import { HeatMap, type Tint } from '../../charts/heat-map.tsx';
import type { Heard } from '../../workers/chatter-work.ts';

const LOWEST_DB = -70;

/** Loudness over time and frequency: when it began, and whether it stays. */
export function Spectrogram({ picture, chatterHz }: { picture: Heard['picture']; chatterHz: number | null }) {
  const times = picture.seconds.length;
  const lines = picture.hz.length;
  const tintOf = useCallback(
    (time: number, line: number): Tint => ({
      colour: 'series-1',
      share: Math.min(1, Math.max(0, 1 - picture.level[time * lines + line]! / LOWEST_DB)),
    }),
    [picture, lines],
  );
  const top = picture.hz[lines - 1] ?? 1;
  const lasted = `${(picture.seconds[times - 1] ?? 0).toFixed(1)} s`;
  return (
    <figure className="rounded-lg border border-line bg-card p-2">
      <figcaption className="mb-1 flex justify-between text-[12.5px] text-soft">
        <span>0 to {top.toFixed(0)} Hz, upward; time to the right</span>
        <span>{lasted}</span>
      </figcaption>
      <div className="h-32">
        <HeatMap
          text={`Loudness over ${lasted} and up to ${top.toFixed(0)} Hz${chatterHz ? `, chatter at ${chatterHz.toFixed(0)} Hz` : ''}.`}
          columns={times}
          rows={lines}
          tintOf={tintOf}
        >
          {chatterHz !== null && (
            <span
              className="absolute right-0 left-0 border-t-2 border-dashed border-over"
              style={{ bottom: `${(100 * chatterHz) / top}%` }}
            />
          )}
        </HeatMap>
      </div>
    </figure>
  );
}
