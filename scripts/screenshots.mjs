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
await shot('sign-in');
await page.getByRole('button', { name: 'As engineer' }).click();
await page.getByRole('heading', { name: 'Desk' }).waitFor();
await shot('desk');
await page
  .getByRole('link', { name: /GW-1187/ })
  .first()
  .click();
await page.getByRole('heading', { name: /GW-1187/ }).waitFor();
await shot('route');
await page.getByRole('link', { name: /Rough seal pocket/ }).click();
await page
  .getByRole('button', { name: /^Preview/ })
  .first()
  .waitFor({ timeout: 20000 });
await page.waitForTimeout(600);
await shot('bench-milling');
await page.getByRole('button', { name: 'Dark page' }).click();
await shot('bench-dark');
await page.getByRole('button', { name: 'Light page' }).click();
await page.getByRole('link', { name: /Drill 6.8/ }).click();
await page.getByRole('img', { name: /the cut asks/ }).waitFor();
await shot('bench-drilling');
await page.getByRole('link', { name: 'Ask for release' }).click();
await page.getByRole('button', { name: 'Ask for release' }).waitFor();
await shot('release-ask');
await page.goto(`${base}/`);
await page
  .getByRole('link', { name: /CV-0093/ })
  .first()
  .click();
await page.getByRole('heading', { name: /Revision 1/ }).waitFor();
await shot('release-evidence');
await page.goto(`${base}/`);
await page.getByRole('link', { name: /Sheet of TT-0412/ }).click();
await page.getByRole('heading', { name: 'Prove-out' }).waitFor();
await shot('sheet');
await page.goto(`${base}/crib/alloys`);
await page.getByRole('heading', { name: 'Crib' }).waitFor();
await shot('crib');
await page.getByRole('button', { name: /Alloy 718, solution treated and aged/ }).click();
await shot('crib-entry');
await browser.close();
