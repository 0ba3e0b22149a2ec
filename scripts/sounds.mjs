// npm run sounds: makes the recordings that ship with Burl by running cuts step by step (a simulation, no machine).
import { mkdirSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { installModules, runTool } from './install.mjs';
import { ROOT } from './postgres.mjs';

installModules();
runTool('vite', ['build', '--ssr', 'src/index.ts', '--outDir', 'dist/bench', '--logLevel', 'error'], {
  cwd: join(ROOT, 'packages/core'),
});
const { soundOf } = await import(join(ROOT, 'packages/core/dist/bench/index.js'));
const { WaveFile } = createRequire(import.meta.url)('wavefile');

/** 16 bits, scaled to the loudest sample. */
function writeWav({ rate, samples }) {
  const most = samples.reduce((a, s) => Math.max(a, Math.abs(s)), 1e-12);
  const file = new WaveFile();
  file.fromScratch(
    1,
    rate,
    '16',
    Int16Array.from(samples, (s) => Math.round((s / most) * 32_000)),
  );
  return file.toBuffer();
}
const RAD = Math.PI / 180;
const even = (teeth) => Array.from({ length: teeth }, () => (360 / teeth) * RAD);
const tip = {
  x: [{ hz: 1480, damping: 0.03, stiffness: 1.6e7 }],
  y: [{ hz: 1390, damping: 0.028, stiffness: 1.5e7 }],
};
const five = {
  pitch: even(5),
  entry: 147 * RAD,
  exit: Math.PI,
  tangential: 1950,
  radial: 560,
  diameterMm: 12,
  dampingNPerM: 20000,
};
const two = {
  pitch: even(2),
  entry: Math.PI - Math.acos(0.9),
  exit: Math.PI,
  tangential: 600,
  radial: 200,
  diameterMm: 10,
};
const slender = { x: [{ hz: 922, damping: 0.011, stiffness: 0.03993 * (2 * Math.PI * 922) ** 2 }], y: [] };
const folder = join(ROOT, 'apps/web/public/sounds');
mkdirSync(folder, { recursive: true });
for (const [name, sound] of Object.entries({
  calm: soundOf(five, tip, { rpm: 2400, depthMm: 1.2, feedPerToothMm: 0.06 }),
  chatter: soundOf(five, tip, { rpm: 2400, depthMm: 4.5, feedPerToothMm: 0.06 }),
  flip: soundOf(two, slender, { rpm: 10500, depthMm: 3.6, feedPerToothMm: 0.1 }),
})) {
  writeFileSync(join(folder, `${name}.wav`), writeWav(sound));
  console.log(`${name}.wav`);
}
