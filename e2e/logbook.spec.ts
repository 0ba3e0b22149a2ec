import { readFile } from 'node:fs/promises';
import { expect, test } from './page-test.ts';
import { signIn, signOut } from './people.ts';

test.use({ site: 'logbook' });

const POCKET = 'Rough lock pocket';

/** A picture as a tablet's camera would hand it over. */
const photo = {
  name: 'edge.png',
  mimeType: 'image/png',
  buffer: Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  ),
};

/** A tenth of a second of silence. */
function recording(): { name: string; mimeType: string; buffer: Buffer } {
  const samples = 800;
  const head = Buffer.alloc(44);
  head.write('RIFF', 0);
  head.writeUInt32LE(36 + samples, 4);
  head.write('WAVEfmt ', 8);
  head.writeUInt32LE(16, 16);
  head.writeUInt16LE(1, 20);
  head.writeUInt16LE(1, 22);
  head.writeUInt32LE(8000, 24);
  head.writeUInt32LE(8000, 28);
  head.writeUInt16LE(1, 32);
  head.writeUInt16LE(8, 34);
  head.write('data', 36);
  head.writeUInt32LE(samples, 40);
  return {
    name: 'cut.wav',
    mimeType: 'audio/wav',
    buffer: Buffer.concat([head, Buffer.alloc(samples, 128)]),
  };
}

test('photo and recording go with a trial, also with the entry that puts it right', async ({ page }) => {
  await signIn(page, 'floor');
  await page
    .getByRole('link', { name: /TT-0412 Tidal/ })
    .first()
    .click();
  const wall = page.getByRole('region', { name: 'Prove-out of Rough outside wall' });
  await wall.getByRole('button', { name: /^Stop: Tool number and length/ }).click();
  await page.getByRole('textbox', { name: 'What is wrong' }).fill('Length at the control is 20 mm short');
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Photo').setInputFiles(photo);
  await expect(dialog.getByText('edge.png')).toBeVisible();
  await page.getByRole('button', { name: 'Report' }).click();

  await page.getByRole('button', { name: `Log trial of ${POCKET}` }).click();
  await dialog.getByRole('button', { name: 'Broken' }).click();
  await dialog.getByRole('button', { name: 'Corner' }).click();
  await dialog.getByLabel('Photo').setInputFiles(photo);
  await dialog.getByLabel('Recording').setInputFiles(recording());
  await dialog.getByRole('button', { name: 'Log', exact: true }).click();
  const logged = page.getByRole('listitem').filter({ hasText: 'Edge 5: broken (corner), 1 feature' });
  await logged.getByRole('button', { name: 'Correct' }).click();
  await dialog.getByRole('button', { name: 'Features on this edge more' }).click();
  await dialog.getByRole('button', { name: 'Save correction' }).click();
  await expect(page.getByText(/Edge 5: broken \(corner\), 2 features/)).toBeVisible();
  await expect(logged).toHaveCount(0);
  await signOut(page);

  // One finding of the trial as it was put right, one of the step; each with its photo.
  await signIn(page, 'engineer');
  const found = page.getByRole('region', { name: 'From the floor' });
  const broken = found.getByRole('listitem').filter({ hasText: 'Edge 5 broken (corner)' });
  await expect(broken).toHaveCount(1);
  await expect(broken).toContainText('in feature 2');
  await expect(broken.getByRole('link', { name: 'Photo' })).toBeVisible();
  const stopped = found.getByRole('listitem').filter({ hasText: '20 mm short' });
  const shown = await page.request.get(
    (await stopped.getByRole('link', { name: 'Photo' }).getAttribute('href'))!,
  );
  expect(shown.headers()['content-type']).toBe('image/png');
  expect(await shown.body()).toEqual(photo.buffer);
  await broken.getByRole('link', { name: 'What happened?' }).click();
  const picture = page.getByRole('img', { name: 'Edge as photographed at the machine' });
  await expect(picture).toBeVisible();
  expect(await picture.evaluate((i: HTMLImageElement) => i.naturalWidth)).toBe(1);
  const sound = page.locator('audio');
  await expect.poll(() => sound.evaluate((a: HTMLAudioElement) => a.duration)).toBeCloseTo(0.1, 3);
});

test('trials go out as CSV and come in by it: looked through first, whole or not at all', async ({
  page,
}) => {
  await signIn(page, 'engineer');
  await page.getByRole('link', { name: 'Logbook' }).click();
  const downloading = page.waitForEvent('download');
  await page.getByRole('link', { name: 'CSV' }).click();
  const csv = await readFile(await (await downloading).path(), 'utf8');
  const [head, ...lines] = csv.trim().split('\r\n');
  const count = page.getByRole('status').filter({ hasText: 'trials' });
  await expect(count).toHaveText(`${lines.length} trials`);
  // Two of them as of another shop: without an id of here.
  const others = lines.slice(0, 2).map((l) => l.replace(/^[^,]*/, ''));
  const file = (text: string) => ({ name: 'trials.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  const dialog = page.getByRole('dialog', { name: 'Import trials' });
  const alloy = others[1]!.split(',')[head!.split(',').indexOf('alloy')]!;
  await page
    .getByLabel('File of trials')
    .setInputFiles(file([head, others[0], others[1]!.replace(alloy, 'mithril')].join('\r\n')));
  await expect(dialog).toContainText('Nothing is kept before this is mended');
  await expect(dialog).toContainText('Row 2, alloy');
  await expect(dialog.getByRole('button', { name: 'Import' })).toBeDisabled();
  await dialog.getByRole('button', { name: 'Cancel' }).click();
  await page.getByLabel('File of trials').setInputFiles(file([head, ...others].join('\r\n')));
  await expect(dialog).toContainText('2 trials can be read and judged');
  await dialog.getByRole('button', { name: 'Import' }).click();
  await expect(page.getByText('2 trials kept.')).toBeVisible();
  await expect(count).toHaveText(`${lines.length + 2} trials`);
});

test('a constant from load meters: a trial left out, accepted, and reversed', async ({ page }) => {
  await signIn(page, 'engineer');
  await page.getByRole('link', { name: 'Logbook' }).click();
  await page.getByRole('link', { name: 'Learning' }).click();
  await page
    .getByRole('region', { name: /^Ti-6Al-4V/ })
    .getByRole('button', { name: /^Cutting force and drive/ })
    .click();
  const proposal = page.getByRole('region', { name: 'Proposal' });
  await expect(proposal.getByRole('heading', { name: /^Cutting force of Ti-6Al-4V/ })).toBeVisible();
  const from = proposal.getByText(/^Proposal from \d+ trials/);
  const trials = Number(/\d+/.exec(await from.innerText())![0]);
  await proposal.getByRole('button', { name: 'Leave out' }).first().click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Reason').fill('Meter read during a pause');
  await dialog.getByRole('button', { name: 'Leave out' }).click();
  await expect(from).toContainText(`from ${trials - 1} trials, 1 left out`);
  await expect(proposal).toContainText('left out: Meter read during a pause');
  await proposal.getByLabel('Note').fill('Five-axis trunnion, November');
  await proposal.getByRole('button', { name: 'Accept as measured here' }).click();
  const learnt = page.getByRole('region', { name: 'Measured here' });
  const accepted = learnt.getByRole('listitem').filter({ hasText: 'Five-axis trunnion, November' });
  await expect(accepted).toHaveCount(2);
  await expect(accepted.filter({ hasText: 'drive efficiency' })).toBeVisible();
  const record = accepted.filter({ hasText: 'kc1.1 of Ti-6Al-4V' });
  await expect(record).toContainText('1 trial left out');
  await record.getByRole('button', { name: 'Reverse' }).click();
  await dialog.getByLabel('Reason').fill('Meter was zeroed meanwhile');
  await dialog.getByRole('button', { name: 'Reverse' }).click();
  await expect(record).toContainText('Reversed by Ada Eder');
  await expect(record).toContainText('Meter was zeroed meanwhile');
  await expect(record.getByRole('button', { name: 'Reverse' })).toHaveCount(0);
});
