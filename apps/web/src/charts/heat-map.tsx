import { type ReactNode, useEffect, useRef } from 'react';
import { usePreferences } from '../frame/preferences.tsx';
import { rgbOf } from './chart-theme.ts';

/** Colour of one cell: this share of the way from the paper to a colour of the theme. */
export interface Tint {
  readonly colour: string;
  readonly share: number;
}

/**
 * Cells of a grid in the page's colours, the first row at the bottom; `text` says what the picture shows. What lies over it
 * is placed in per cent of its sides.
 */
export function HeatMap({
  text,
  columns,
  rows,
  tintOf,
  children,
}: {
  text: string;
  columns: number;
  rows: number;
  /** Asked for each cell; another function draws anew. */
  tintOf: (column: number, row: number) => Tint;
  children?: ReactNode;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { theme } = usePreferences();
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    const image = context.createImageData(columns, rows);
    const paper = rgbOf('card');
    const inks = new Map<string, readonly [number, number, number]>();
    const ink = (colour: string) => {
      const known = inks.get(colour) ?? rgbOf(colour);
      inks.set(colour, known);
      return known;
    };
    for (let row = 0; row < rows; row++) {
      for (let column = 0; column < columns; column++) {
        const { colour, share } = tintOf(column, row);
        const to = ink(colour);
        const at = ((rows - 1 - row) * columns + column) * 4;
        for (let k = 0; k < 3; k++) image.data[at + k] = paper[k]! + share * (to[k]! - paper[k]!);
        image.data[at + 3] = 255;
      }
    }
    context.putImageData(image, 0, 0);
  }, [tintOf, columns, rows, theme]);
  return (
    <div className="relative h-full">
      <canvas
        ref={canvas}
        width={columns}
        height={rows}
        role="img"
        aria-label={text}
        className="h-full w-full rounded border border-line"
        style={{ imageRendering: 'pixelated' }}
      />
      {children}
    </div>
  );
}
