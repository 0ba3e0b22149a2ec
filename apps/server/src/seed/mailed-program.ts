import { type Stock, stockBlock } from '@burl/core';

/** The bonnet with its pocket opened to a few millimetres of its walls, and a bore through its floor. Zero in the middle, on top. */
export const BONNET_STOCK: Stock = {
  ...stockBlock([-60, -45, -40], [60, 45, 0], [{ x: 0, y: 0, diameterMm: 27, floor: null }]),
  pockets: [{ low: [-38, -23], high: [38, 23], cornerMm: 8, floor: -24 }],
};

/** Half width and length of the centre’s path on the last ring, and of the first. */
const LAST = { x: 38.7, y: 23.7 };
const RINGS = 7;
const LEVELS = [-12, -24];
/** Speed and feed of a steel the shop runs with the same cutter: left in by mistake. */
const SPEED = 2650;
const FEED = 795;
/** Path of the centre in the bore of 29 with a cutter of 12, at the feed of the straight cuts: the edge runs 1.7 times as fast. */
const BORE = 8.5;

/**
 * A program as it may come by mail for the seal pocket of the bonnet: rings that turn on the spot in the corners, the bore fed as if its
 * edge were its centre, and another alloy's speed.
 */
export function mailedProgram(): string {
  const lines = [
    '%',
    'O1187 (SEAL POCKET AND BORE)',
    '(POSTED FROM THE FLANGE JOB)',
    'N10 G21 G90 G17 G40 G80 G94',
    'N20 T4 M6 (12 MM, 5 TEETH)',
    `N30 G54 S${SPEED} M3`,
    'N40 G43 H4',
    'N50 G0 X0 Y0 Z20',
    'N60 M8',
  ];
  let n = 70;
  const put = (text: string): void => {
    lines.push(`N${n} ${text}`);
    n += 10;
  };
  for (const z of LEVELS) {
    put(`G0 Z${z + 2}`);
    put(`G1 Z${z} F${FEED}`);
    for (let ring = 1; ring <= RINGS; ring++) {
      const inset = (RINGS - ring) * 0.95;
      const [x, y] = [LAST.x - inset, LAST.y - inset].map((v) => v.toFixed(2));
      put(`G1 X${x} Y0${ring === 1 ? ` (LEVEL ${-z})` : ''}`);
      put(`Y${y}`);
      put(`X-${x}`);
      put(`Y-${y}`);
      put(`X${x}`);
      put('Y0');
    }
    put('X0');
    put('G0 Z2');
  }
  put('(SEAL BORE 29)');
  put('G0 Z-22');
  put(`G1 Z-36 F${FEED}`);
  put(`X${BORE}`);
  put(`G3 I-${BORE}`);
  put('G1 X0');
  put('G0 Z50');
  put('M9');
  put('M5');
  put('M30');
  lines.push('%');
  return `${lines.join('\r\n')}\r\n`;
}
