// npm run drag-frames: drags a handle of the demo job's bench in Chromium at 1280×800 and prints how much script each frame
// ran, plain and with the processor throttled to a quarter. Needs a running demo (BURL_URL, default the usual address).
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { ROOT } from './postgres.mjs';

const base = process.env.BURL_URL ?? 'http://127.0.0.1:4180';
/** Script a frame may run, ms, by throttling. */
const WANTED = { 1: 16, 4: 50 };
const STEPS = 120;
const ROUNDS = 3;
const SCRIPT = new Set(['EventDispatch', 'FunctionCall', 'FireAnimationFrame', 'TimerFire', 'RunMicrotasks']);

const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: JSON.parse(readFileSync(join(ROOT, 'e2e/chromium-args.json'), 'utf8')),
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(base);
await page.getByRole('button', { name: 'As engineer' }).click();
await page
  .getByRole('link', { name: /GW-1187/ })
  .first()
  .click();
await page.getByRole('link', { name: /Rough seal pocket/ }).click();
await page
  .getByRole('button', { name: /^Preview/ })
  .first()
  .waitFor({ timeout: 20_000 });
const cdp = await page.context().newCDPSession(page);

/** Events of a trace while `work` runs. */
async function traced(work) {
  const events = [];
  const collect = ({ value }) => events.push(...value);
  cdp.on('Tracing.dataCollected', collect);
  const complete = new Promise((resolve) => cdp.once('Tracing.tracingComplete', resolve));
  await cdp.send('Tracing.start', {
    transferMode: 'ReportEvents',
    traceConfig: { includedCategories: ['devtools.timeline', 'disabled-by-default-devtools.timeline'] },
  });
  await work();
  await cdp.send('Tracing.end');
  await complete;
  cdp.off('Tracing.dataCollected', collect);
  return events;
}

/** Milliseconds of script in each frame: the union of script events on the page's thread from one commit to the next. */
function scriptPerFrame(events) {
  const handled = events.find((e) => e.name === 'EventDispatch');
  const mine = events.filter((e) => e.pid === handled?.pid && e.tid === handled?.tid);
  const begins = mine
    .filter((e) => e.name === 'Commit')
    .map((e) => e.ts)
    .sort((a, b) => a - b);
  const spans = mine
    .filter((e) => e.ph === 'X' && SCRIPT.has(e.name) && e.dur > 0)
    .map((e) => [e.ts, e.ts + e.dur])
    .sort((a, b) => a[0] - b[0]);
  const merged = [];
  for (const [from, to] of spans) {
    const last = merged.at(-1);
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else merged.push([from, to]);
  }
  return begins.slice(1).map((end, i) => {
    const start = begins[i];
    let sum = 0;
    for (const [from, to] of merged) sum += Math.max(0, Math.min(to, end) - Math.max(from, start));
    return sum / 1000;
  });
}

async function drag(name) {
  const handle = page.getByRole('slider', { name });
  const box = await handle.boundingBox();
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let i = 1; i <= STEPS; i++) {
    await page.mouse.move(x, y + 14 * Math.sin((i / STEPS) * 4 * Math.PI));
    await page.waitForTimeout(8);
  }
  await page.mouse.up();
}

let failed = false;
/** Drags one handle, plain and throttled, and prints what the frames cost. */
async function measure(what, name) {
  for (const [rate, wanted] of Object.entries(WANTED)) {
    await cdp.send('Emulation.setCPUThrottlingRate', { rate: Number(rate) });
    await drag(name);
    const rounds = [];
    // Other work on a shared machine shows as single long frames: the best of a few rounds is the program's own.
    for (let round = 0; round < ROUNDS; round++) {
      await page.waitForTimeout(800);
      rounds.push(scriptPerFrame(await traced(() => drag(name))).filter((ms) => ms > 0.2));
    }
    const worst = (frames) => Math.max(...frames);
    const frames = rounds.sort((a, b) => worst(a) - worst(b))[0];
    const sorted = [...frames].sort((a, b) => a - b);
    const at = (p) => sorted[Math.min(sorted.length - 1, Math.floor(p * sorted.length))].toFixed(1);
    const most = worst(frames);
    failed ||= most > wanted;
    console.log(
      `${what}, ${rate === '1' ? 'plain' : `throttled ${rate}×`}: ${frames.length} frames, script median ${at(0.5)} ms, 95% ${at(0.95)} ms, longest ${most.toFixed(1)} ms (wanted: ${wanted} ms or less)`,
    );
  }
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 1 });
  const undo = page.getByRole('button', { name: 'Undo' });
  while (await undo.isEnabled()) await undo.click();
  await page.waitForTimeout(1500);
}

await measure('milling bench', 'Radial depth');
await page.goto(base);
await page
  .getByRole('link', { name: /TM-0231/ })
  .first()
  .click();
await page.getByRole('link', { name: /Drill 8 mm, Channels/ }).click();
await page.getByRole('slider', { name: 'Peck 1 to' }).waitFor();
await measure('bench of a hole', 'Peck 1 to');
await browser.close();
process.exitCode = failed ? 1 : 0;
