// npm run screenshots: takes one picture of each main view of a running demo (BURL_URL, default the usual address).
import { mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { ROOT } from './postgres.mjs';

const base = process.env.BURL_URL ?? 'http://127.0.0.1:4180';
const folder = process.argv[2] ?? join(ROOT, 'docs/screenshots');
const only = process.argv[3];
mkdirSync(folder, { recursive: true });

const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: JSON.parse(readFileSync(join(ROOT, 'e2e/chromium-args.json'), 'utf8')),
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
page.on('pageerror', (error) => console.error('page error', error.message));
page.on('console', (message) => message.type() === 'error' && console.error('console', message.text()));
const shot = async (name) => {
  if (only && !name.includes(only)) return;
  await page.waitForTimeout(500);
  await page.screenshot({ path: join(folder, `${name}.png`) });
  console.log(name);
};

await page.goto(base);
await page.getByRole('button', { name: 'As engineer' }).waitFor();
await page.getByRole('button', { name: 'As engineer' }).click();
await page.getByRole('heading', { name: 'Desk' }).waitFor();
await shot('desk');
await page
  .getByRole('link', { name: /CV-0715/ })
  .first()
  .click();
await page.getByRole('heading', { name: /CV-0715/ }).waitFor();
await shot('route');
await page.goto(`${base}/`);
await page
  .getByRole('link', { name: /GW-1187/ })
  .first()
  .click();
await page.getByRole('link', { name: /Rough seal pocket/ }).click();
await page
  .getByRole('button', { name: /^Preview/ })
  .first()
  .waitFor({ timeout: 20000 });
await page.waitForTimeout(600);
await shot('bench-milling');
await page.goto(`${base}/`);
await page
  .getByRole('link', { name: /CV-0612/ })
  .first()
  .click();
await page.getByRole('link', { name: /Finish the stem/ }).click();
await page
  .getByRole('button', { name: /^Preview: Hold the free end/ })
  .first()
  .waitFor();
await shot('bench-turning');
await page.goto(`${base}/`);
await page
  .getByRole('link', { name: /TT-0420/ })
  .first()
  .click();
await page.getByRole('link', { name: /Rough plate pocket/ }).click();
await page.getByRole('tab', { name: 'Window' }).click();
await page.getByRole('button', { name: 'Larger chart' }).click();
await page.getByRole('slider', { name: 'Working point' }).waitFor();
await page.getByRole('status').filter({ hasText: 'Calculating the map' }).waitFor({ state: 'detached' });
await shot('bench-window');
await page.getByRole('button', { name: 'Larger chart' }).click();
await page.getByRole('button', { name: 'Strategies', exact: true }).click();
const strategies = page.getByRole('region', { name: 'Strategies side by side' });
await strategies
  .getByLabel('Cutter of column 3')
  .selectOption({ label: 'Corner-radius end mill 12 mm, RE 1, variable pitch and helix' });
await strategies.getByLabel('Strategy of column 3').selectOption('constant-engagement');
await page.getByRole('button', { name: 'Use column 3 in the operation' }).waitFor({ timeout: 60000 });
await page.waitForTimeout(3000);
await shot('compare-strategies');
await page.goto(`${base}/`);
await page
  .getByRole('link', { name: /GW-1187/ })
  .first()
  .click();
await page.getByRole('link', { name: /Drill 6.8/ }).click();
await page.getByRole('img', { name: /power needed/ }).waitFor();
await shot('bench-drilling');
await page.goto(`${base}/`);
await page
  .getByRole('link', { name: /CV-0093/ })
  .first()
  .click();
await page.getByRole('heading', { name: /Revision 1/ }).waitFor();
await shot('release-evidence');
await page.goto(`${base}/`);
await page
  .getByRole('link', { name: /GW-1187/ })
  .first()
  .click();
await page.getByRole('heading', { name: /GW-1187/ }).waitFor();
await page.getByRole('link', { name: 'Programs', exact: true }).last().click();
await page.getByRole('button', { name: /Bore feed is the edge/ }).click();
await shot('programs');
await page.goto(`${base}/`);
await page.getByRole('link', { name: /Sheet of TT-0412/ }).click();
await page.getByRole('region', { name: 'Prove-out', exact: true }).waitFor();
await page.getByRole('heading', { name: /^2 Rough lock pocket/ }).evaluate((h) => h.scrollIntoView());
await shot('sheet');
await page.getByRole('button', { name: 'Log trial of Rough lock pocket' }).click();
const trial = page.getByRole('dialog');
for (const tap of ['Broken', 'Corner', 'Reworked', 'Squeal', 'Nest', 'Straw'])
  await trial.getByRole('button', { name: tap }).click();
await shot('trial');
await page.goto(`${base}/logbook/learning`);
await page
  .getByRole('button', { name: /^Tool life: Bull-nose end mill/ })
  .first()
  .click();
await page.getByRole('region', { name: 'Proposal' }).waitFor();
await shot('learning');
await page.goto(`${base}/`);
await page
  .getByRole('link', { name: /TM-0231/ })
  .first()
  .click();
await page.getByRole('heading', { name: /TM-0231/ }).waitFor();
await page.getByRole('link', { name: /^Holes/ }).click();
await page
  .getByRole('navigation', { name: 'Hole groups' })
  .getByRole('button', { name: /Flange threads/ })
  .click();
await page.getByRole('article', { name: 'Drill and tap' }).waitFor();
await shot('holes');
await page.goto(`${base}/resonance`);
await page.getByRole('img', { name: /Tool-tip FRF/ }).waitFor();
await page.getByRole('tab', { name: 'Lobes' }).click();
await page.getByText(/The periodic solution is used/).waitFor({ timeout: 90000 });
await page.getByRole('status').filter({ hasText: 'Calculating the lobes' }).waitFor({ state: 'detached' });
await shot('chatter-lobes');
await page.goto(`${base}/`);
await page
  .getByRole('link', { name: /CV-0588/ })
  .first()
  .click();
await page.getByRole('link', { name: 'Batch', exact: true }).click();
await page.getByRole('region', { name: 'Holding' }).waitFor();
await shot('batch');
await page.goto(`${base}/`);
await page
  .getByRole('link', { name: /CV-0715/ })
  .first()
  .click();
await page.getByRole('link', { name: /Break the back edge/ }).click();
await page.getByRole('group', { name: 'Section of the edge' }).waitFor();
await shot('bench-edge');
await page.goto(`${base}/crib/cutters`);
await page.getByLabel('Search cutters').fill('12 5fl');
await page.getByRole('row', { name: /Corner-radius end mill 12 mm, 5 flutes/ }).waitFor();
await shot('crib');
await page.goto(`${base}/quick?alloy=ti-6al-4v-annealed&machine=vmc40-15kw-belt&want=pocket`);
await page.getByRole('region', { name: 'Tools for this' }).waitFor();
await page.getByText(/all limits met in/).waitFor({ timeout: 30000 });
await shot('quick');
const said =
  '12 mm five flute, 80 m/min, 0.1 a tooth, 1 mm stepover, 18 deep, grade 5 on the 40 taper belt, it squeals and chips corners';
await page.goto(`${base}/quick?said=${encodeURIComponent(said)}`);
await page.getByRole('region', { name: 'To ask' }).waitFor();
await shot('running');
await browser.close();
