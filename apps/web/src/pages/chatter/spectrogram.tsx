import { useEffect, useRef } from 'react';
import { usePreferences } from '../../frame/preferences.tsx';
import type { Heard } from '../../workers/chatter-work.ts';
import { rgbOf } from './stability-map.tsx';

const LOWEST_DB = -70;

/** Loudness over time and frequency: when it began, and whether it stays. */
export function Spectrogram({ picture, chatterHz }: { picture: Heard['picture']; chatterHz: number | null }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { theme } = usePreferences();
  const rows = picture.seconds.length;
  const columns = picture.hz.length;
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    const image = context.createImageData(rows, columns);
    const [low, high] = [rgbOf('card'), rgbOf('series-1')];
    for (let t = 0; t < rows; t++) {
      for (let f = 0; f < columns; f++) {
        const share = Math.min(1, Math.max(0, 1 - picture.level[t * columns + f]! / LOWEST_DB));
        const at = ((columns - 1 - f) * rows + t) * 4;
        for (let k = 0; k < 3; k++) image.data[at + k] = low[k]! + share * (high[k]! - low[k]!);
        image.data[at + 3] = 255;
      }
    }
    context.putImageData(image, 0, 0);
  }, [picture, rows, columns, theme]);
  const top = picture.hz[columns - 1] ?? 1;
  const text = `Loudness over ${(picture.seconds[rows - 1] ?? 0).toFixed(1)} s and up to ${top.toFixed(0)} Hz${chatterHz ? `, chatter at ${chatterHz.toFixed(0)} Hz` : ''}.`;
  return (
    <figure className="rounded-lg border border-line bg-card p-2">
      <figcaption className="mb-1 flex justify-between text-[12.5px] text-soft">
        <span>0 to {top.toFixed(0)} Hz, upward; time to the right</span>
        <span>{(picture.seconds[rows - 1] ?? 0).toFixed(1)} s</span>
      </figcaption>
      <div className="relative h-32">
        <canvas
          ref={canvas}
          width={rows}
          height={columns}
          role="img"
          aria-label={text}
          className="h-full w-full"
          style={{ imageRendering: 'pixelated' }}
        />
        {chatterHz !== null && (
          <span
            className="absolute right-0 left-0 border-t-2 border-dashed border-over"
            style={{ bottom: `${(100 * chatterHz) / top}%` }}
          />
        )}
      </div>
    </figure>
  );
}
