import { readFileSync } from 'node:fs';
import { expect, test } from './page-test.ts';
import { signIn } from './people.ts';

test('desk: search, palette and a refused file', async ({ page }) => {
  await signIn(page, 'engineer');
  await page.getByLabel('Search jobs').fill('tidal');
  await expect(page.getByRole('link', { name: /TT-0412 Tidal/ })).toBeVisible();
  await expect(page.getByRole('link', { name: /GW-1187/ })).toHaveCount(0);
  await page.getByLabel('Search jobs').fill('');
  await page.getByLabel('Job file').setInputFiles({
    name: 'holiday.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"photo"}'),
  });
  await expect(page.getByText(/not a job file.*Nothing was changed/)).toBeVisible();
  // A hand quicker than the server still gets what it asked for, though operations of the job are found before it.
  await page.route('**/api/jobs?*', async (route) => {
    await new Promise((later) => setTimeout(later, 1500));
    await route.continue();
  });
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: 'Search or command' }).fill('CV-0093');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'CV-0093 Cryogenic valve body' })).toBeVisible();
  // A machine by its kind, though its name spells the number.
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: 'Search or command' }).fill('5-axis');
  await page.getByRole('option', { name: /Five-axis trunnion.*machine$/ }).click();
  await expect(page).toHaveURL(/crib\/machines/);
  await expect(page.getByRole('row', { name: /Five-axis trunnion/ })).toBeVisible();
});

test('a job goes out as a file and comes in as a job', async ({ page }) => {
  await signIn(page, 'engineer');
  await page
    .getByRole('link', { name: /TT-0412/ })
    .first()
    .click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Job file' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('TT-0412.burl.json');
  const buffer = readFileSync(await download.path());
  await page.getByRole('link', { name: 'Burl, to the desk' }).click();
  await page
    .getByLabel('Job file')
    .setInputFiles({ name: 'copy.json', mimeType: 'application/json', buffer });
  await expect(page.getByRole('heading', { name: /TT-0412/ })).toBeVisible();
  await expect(page.getByText('revision 1, Draft')).toBeVisible();
});

test('route: operations are carried to another place by keyboard', async ({ page }) => {
  await signIn(page, 'engineer');
  await page
    .getByRole('link', { name: /GW-1187/ })
    .first()
    .click();
  const first = page.getByRole('region', { name: 'Setup 1, top' }).getByRole('listitem').first();
  // Each step is told to screen readers: the next key waits for that.
  const told = page.locator('[id^="DndLiveRegion"]');
  const carry = async (handle: string, key: string): Promise<void> => {
    await page.getByRole('button', { name: handle, exact: true }).focus();
    await page.keyboard.press('Space');
    await expect(told).toContainText('moved over');
    const over = await told.textContent();
    await page.keyboard.press(key);
    await expect(told).not.toHaveText(over!);
    await page.keyboard.press('Space');
  };
  await expect(first).toContainText('Face the flange');
  await carry('Move Face the flange', 'ArrowDown');
  await expect(first).toContainText('Rough seal pocket');
  await page.reload();
  await expect(first).toContainText('Rough seal pocket');
  await carry('Move Face the flange', 'ArrowUp');
  await expect(first).toContainText('Face the flange');
});

test('crib: provenance is shown, a copy is made and changed, nonsense refused', async ({ page }) => {
  await signIn(page, 'engineer');
  await page.getByRole('link', { name: 'Crib' }).click();
  await page.getByLabel('Search alloys').fill('718, solution treated');
  await page.getByRole('button', { name: 'Alloy 718, solution treated and aged' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('machining textbook kc tables');
  await dialog.getByRole('button', { name: 'Copy to shop crib' }).click();
  await dialog.getByLabel('Id').fill('shop-718-lot-g17');
  await dialog.getByLabel('Name').fill('Alloy 718, lot G-17');
  await dialog.getByRole('button', { name: 'Copy' }).click();
  await expect(dialog.getByRole('heading', { name: 'Alloy 718, lot G-17' })).toBeVisible();
  await dialog.getByRole('button', { name: 'Edit' }).click();
  const usual = dialog.getByLabel('kc1.1, usual');
  await usual.fill('9');
  await usual.press('Enter');
  await expect(dialog.getByRole('alert')).toBeVisible();
  await expect(dialog.getByRole('button', { name: 'Save' })).toBeDisabled();
  await usual.fill('2800');
  await usual.press('Enter');
  await dialog.getByLabel('Why (kept with the change)').fill('cuts of lot G-17');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog).toContainText('2800 (2350 to 3100)');
  await expect(dialog).toContainText('Ada Eder, ');
  await expect(dialog).toContainText('kc1.1: 2700 → 2800');
});

test('released numbers are locked until the next revision is opened with a reason', async ({ page }) => {
  await signIn(page, 'engineer');
  await page.getByRole('link', { name: 'Sheet of TT-0412' }).click();
  await page.goto(page.url().replace('/floor', '/release'));
  await expect(page.getByText('Revision 1, current')).toBeVisible();
  await page.getByLabel('Reason for the next revision').fill('Edge chipped at hole nine');
  await page.getByRole('button', { name: 'Open the next revision' }).click();
  await expect(page.getByRole('heading', { name: 'Revision 2: what would go out' })).toBeVisible();
  await page.getByRole('link', { name: /Drill 5/ }).click();
  await page.getByLabel('spindle speed', { exact: true }).fill('2400');
  await page.getByLabel('spindle speed', { exact: true }).press('Enter');
  await expect(page.getByRole('status', { name: 'Saving' })).toHaveText(/saved \d/);
  await page.getByRole('link', { name: 'Request release' }).click();
  await page.getByLabel('Note to the approver').fill('Slower after the chipped edge.');
  await page.getByRole('button', { name: 'Request release' }).click();
  const differences = page.getByRole('region', { name: 'Differences' });
  await expect(differences).toContainText('Against revision 1');
  await expect(differences.getByRole('row', { name: /Speed/ })).toContainText('2670');
  await expect(differences).toContainText('2400');
});
