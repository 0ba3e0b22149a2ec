import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { expect, type Page, test } from './page-test.ts';
import { openJob, signIn } from './people.ts';

// Its copies are of jobs that other tests plan anew.
test.use({ site: 'programs' });

const root = resolve(import.meta.dirname, '..');
const findingsOf = (page: Page) => page.getByRole('region', { name: 'Findings' });

/** Own copy of a demo job, made by its file. */
async function copyOf(page: Page, number: string, as: string): Promise<string> {
  const jobs = (await (await page.request.get('/api/jobs')).json()) as { id: string; number: string }[];
  const file = (await (
    await page.request.get(`/api/jobs/${jobs.find((j) => j.number === number)!.id}/export`)
  ).json()) as {
    job: { number: string };
  };
  const made = await page.request.post('/api/jobs/import', {
    data: { ...file, job: { ...file.job, number: as } },
  });
  return ((await made.json()) as { job: { id: string } }).job.id;
}

test('a mailed program of the seal pocket: its faults found, rewritten, read, exported and clean from the command line', async ({
  page,
}) => {
  await signIn(page, 'engineer');
  await openJob(page, /GW-1187/);
  await page.getByRole('link', { name: 'Programs', exact: true }).last().click();
  const findings = findingsOf(page);
  await expect(findings).toContainText('Engagement spike', { timeout: 60_000 });
  await expect(findings).toContainText('Bore feed is the edge’s');
  await expect(findings).toContainText(/fits .* with this cutter/);

  // A finding takes text, picture and strip to its place; the keys go on from there.
  await findings.getByRole('button', { name: /Bore feed is the edge/ }).click();
  const place = page.getByRole('slider', { name: 'Place in the program' });
  const bore = Number(await place.inputValue());
  await expect(page.getByText(/^line 106:/)).toBeVisible();
  await page.getByRole('heading', { name: 'Findings' }).click();
  await page.keyboard.press('.');
  await expect(place).toHaveValue(String(bore + 1));
  await page.getByLabel('Colour by').selectOption('force');
  await expect(page.getByRole('img', { name: /Peak force along the program/ })).toBeVisible();

  // The difference is read line by line, with its reason.
  await page.getByRole('button', { name: 'Rewrite feeds' }).click();
  const dialog = page.getByRole('dialog', { name: /Rewrite o1187-mailed/ });
  const changes = dialog.getByRole('region', { name: 'Changes by line' });
  await expect(changes.getByRole('row', { name: /S2650 M3.*S1060 M3.*speed of the release/ })).toBeVisible({
    timeout: 60_000,
  });
  await expect(changes).toContainText('slows down before the contact rises');
  await expect(changes).toContainText('inside arc: the edge keeps its feed');
  await dialog.getByRole('button', { name: 'Take it' }).click();
  await expect(findings).not.toContainText('Fault', { timeout: 60_000 });
  await expect(findings).toContainText('slowed for');

  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export' }).click();
  const folder = mkdtempSync(join(tmpdir(), 'burl-programs-'));
  const path = join(folder, 'o1187.nc');
  await (await download).saveAs(path);
  const text = readFileSync(path, 'latin1');
  expect(text).toContain('(POSTED FROM THE FLANGE JOB)\r\n');
  expect(text).not.toContain('S2650');

  // Kept with the job: where it came from is known.
  await page.getByRole('button', { name: 'Keep with GW-1187' }).click();
  await expect(page.getByRole('button', { name: 'Keep with GW-1187' })).toHaveCount(0);
  const jobs = (await (await page.request.get('/api/jobs')).json()) as { id: string; number: string }[];
  const job = jobs.find((j) => j.number === 'GW-1187')!;
  const kept = (await (await page.request.get(`/api/jobs/${job.id}/programs`)).json()) as {
    id: string;
    rewrite: { fromId: string; changes: number } | null;
    stock: unknown;
  }[];
  expect(kept[0]!.rewrite).toMatchObject({ fromId: kept[1]!.id });
  expect(kept[0]!.rewrite!.changes).toBeGreaterThan(50);

  // The command line says the same of both files.
  writeFileSync(join(folder, 'stock.json'), JSON.stringify(kept[0]!.stock));
  writeFileSync(
    join(folder, 'job.json'),
    await (await page.request.get(`/api/jobs/${job.id}/export`)).text(),
  );
  const mailed = (await (await page.request.get(`/api/programs/${kept[1]!.id}/text`)).json()) as {
    base64: string;
  };
  writeFileSync(join(folder, 'mailed.nc'), Buffer.from(mailed.base64, 'base64'));
  const check = (file: string) =>
    spawnSync(
      join(root, 'node_modules/.bin/tsx'),
      [
        join(root, 'apps/cli/src/main.ts'),
        'check',
        join(folder, file),
        '--release',
        join(folder, 'job.json'),
        '--operation',
        'Rough seal pocket',
        '--stock',
        join(folder, 'stock.json'),
      ],
      { encoding: 'utf8' },
    );
  expect(check('mailed.nc').status).toBe(1);
  const clean = check('o1187.nc');
  expect(`${clean.stdout}${clean.stderr}`).not.toContain('fault');
  expect(clean.status).toBe(0);
  rmSync(folder, { recursive: true });
});

test('the thread-milling program of a manifold is written, and nothing is found in it', async ({ page }) => {
  await signIn(page, 'engineer');
  const id = await copyOf(page, 'TM-0231', 'TM-9231');
  await page.goto(`/jobs/${id}/holes`);
  await page
    .getByRole('navigation', { name: 'Hole groups' })
    .getByRole('button', { name: /Flange threads/ })
    .click();
  await page.getByRole('button', { name: 'Use: drill and mill the thread' }).click();
  const inRoute = page.getByRole('region', { name: 'In the route' });
  await inRoute.getByRole('button', { name: /Put/ }).click();
  await expect(inRoute).toContainText('Mill thread M6');
  await page.goto(`/programs?job=${id}`);
  await page.getByLabel('Held against').selectOption({ label: 'Mill thread M6, Flange threads' });
  await page.getByRole('button', { name: 'Write', exact: true }).click();
  const dialog = page.getByRole('dialog', { name: /Write a program for Mill thread M6/ });
  await dialog.getByLabel(/^Places/).fill('48 0\n0 48\n-48 0');
  await dialog.getByLabel('Arcs by').selectOption('radius');
  await dialog.getByRole('button', { name: 'Write it' }).click();
  await expect(page.getByLabel('NC text')).toContainText('CHECK DATUM, TOOL AND LENGTH');
  await expect(findingsOf(page)).toContainText('Nothing found.', { timeout: 60_000 });

  // Something typed into it is found at once, and undone with it.
  await page.getByLabel('NC text').click();
  await page.keyboard.press('ControlOrMeta+Home');
  for (let k = 0; k < 6; k++) await page.keyboard.press('ArrowDown');
  await page.keyboard.press('End');
  await page.keyboard.type('\nG77 X1');
  await expect(findingsOf(page)).toContainText('Not followed: G77', { timeout: 30_000 });
});

test('a file without a job is read alone, and says so', async ({ page }) => {
  await signIn(page, 'engineer');
  await page.goto('/programs');
  await expect(page.getByRole('heading', { name: 'Open an NC program' })).toBeVisible();
  await page.getByLabel('NC file').setInputFiles({
    name: 'plate.nc',
    mimeType: 'text/plain',
    buffer: Buffer.from(
      'G21 G90\r\nT1 M6\r\nS900 M3\r\nG0 X0 Y0 Z5\r\nG1 Z-2 F100\r\nX40\r\nG68 R10\r\nM30\r\n',
    ),
  });
  await expect(findingsOf(page)).toContainText('Held against nothing');
  await expect(findingsOf(page)).toContainText('Not followed: G68');
  await expect(page.getByRole('img', { name: 'Path from above' })).toBeVisible();
});

test('the load of the simulated machine is read line by line, held against the prediction, and handed to the logbook', async ({
  page,
}) => {
  await signIn(page, 'engineer');
  const jobs = (await (await page.request.get('/api/jobs')).json()) as { id: string; number: string }[];
  await page.goto(`/programs?job=${jobs.find((j) => j.number === 'TT-0412')!.id}`);
  await expect(findingsOf(page)).toContainText('Nothing found.', { timeout: 60_000 });
  await page.getByRole('button', { name: 'Watch the machine' }).click();
  await expect(page.getByText(/Simulated machine: load .*%, predicted .*%/)).toBeVisible({ timeout: 90_000 });
  await page.getByRole('button', { name: 'Hand to the logbook' }).click();
  await expect(page.getByRole('button', { name: 'In the logbook' })).toBeVisible();
  const { id } = jobs.find((j) => j.number === 'TT-0412')!;
  const trials = (await (await page.request.get(`/api/jobs/${id}/trials`)).json()) as {
    loadPercent: number;
    note: string;
  }[];
  expect(trials[0]!.note).toContain('load read from the machine');
  expect(trials[0]!.loadPercent).toBeGreaterThan(0);
});
