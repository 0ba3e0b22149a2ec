import { bench, describe } from 'vitest';
import { squareCutter } from '../src/programs/engage/cutter-shape.ts';
import { makeEngager } from '../src/programs/engage/engage.ts';
import { makeHeightField } from '../src/programs/engage/height-field.ts';
import { block } from '../src/programs/engage/stock.ts';
import type { Motion } from '../src/programs/read/motion.ts';
import { PLAIN_SETTINGS, readProgram } from '../src/programs/read/read-program.ts';
import { plainEngagement } from './plain-sampling.ts';

/** Short lines of half a millimetre to and fro with a stepover of a tenth of the cutter, 12 mm. */
const BLOCKS = 10_000;
const lines = ['G21 G90', 'T1 M6', 'S6000 M3', 'G0 X-10 Y0 Z-5', 'G1 X-9 F2000'];
for (let n = 0; n < BLOCKS; n++) {
  const [row, k] = [Math.floor(n / 400), n % 400];
  const x = row % 2 ? 200 - k * 0.5 : k * 0.5;
  lines.push(`X${x.toFixed(3)} Y${(row * 1.2 + 0.2 * Math.sin(k / 20)).toFixed(3)}`);
}
const text = lines.join('\n');
const STOCK = block([0, -10, -20], [200, 60, 0]);
const motions: Motion[] = [];
readProgram(text, PLAIN_SETTINGS, { motion: (m) => motions.push(m) });

describe(`${BLOCKS.toLocaleString('en')} short lines, 12 mm cutter, 0.25 mm grid`, () => {
  bench('reading alone', () => void readProgram(text, PLAIN_SETTINGS, { motion: () => undefined }));
  bench('contact by the grid and its passes', () => {
    const shape = squareCutter(12);
    const engager = makeEngager(makeHeightField(STOCK, 0.25), () => shape);
    for (const m of motions) engager.run(m);
  });
  bench('plain sampling of every step', () => {
    const run = plainEngagement(STOCK, 6, 0.25);
    for (const m of motions) run(m);
  });
});

const ENDS = {
  ball: { radiusMm: 6, flatMm: 0, cornerMm: 6, slope: 0 },
  'bull nose': { radiusMm: 6, flatMm: 4.5, cornerMm: 1.5, slope: 0 },
};
const wavy: Motion[] = [];
const waves = text
  .split('\n')
  .map((line, k) => (line.startsWith('X') ? `${line} Z${(-5 - 0.5 * Math.sin(k / 14)).toFixed(3)}` : line));
readProgram(waves.join('\n'), PLAIN_SETTINGS, { motion: (m) => wavy.push(m) });

describe.each(Object.entries(ENDS))(`${BLOCKS.toLocaleString('en')} short lines, 12 mm %s`, (_, shape) => {
  bench('level', () => {
    const engager = makeEngager(makeHeightField(STOCK, 0.25), () => shape);
    for (const m of motions) engager.run(m);
  });
  bench('another height in every line', () => {
    const engager = makeEngager(makeHeightField(STOCK, 0.25), () => shape);
    for (const m of wavy) engager.run(m);
  });
});
