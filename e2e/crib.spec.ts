import { expect, test } from './page-test.ts';
import { chooseCutter, openJob, signIn } from './people.ts';

test.describe('a crib is filled', () => {
  test.beforeEach(async ({ page }) => {
    await signIn(page, 'engineer');
    await page.goto('/crib/cutters');
    await expect(page.getByLabel('Search cutters')).toBeVisible();
  });

  test('the 6 mm five-flute is found at once among all there are', async ({ page }) => {
    await page.getByLabel('Search cutters').fill('6 5fl titanium');
    const rows = page.getByRole('region', { name: 'Table of cutters' }).getByRole('row');
    await expect(rows.nth(1)).toContainText('end mill 6 mm, 5 flutes');
    for (const row of (await rows.allTextContents()).slice(1)) expect(row).toContain('6 mm, 5 flutes');
  });

  test('from a family: three numbers, a drawing that follows, and it cuts in a job', async ({ page }) => {
    await page.getByRole('button', { name: 'New cutter' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('Ground for').selectOption('titanium');
    for (const [label, value] of [
      [/^Diameter/, '11'],
      [/^Flutes/, '5'],
      [/^Reach/, '38'],
    ] as const) {
      await dialog.getByLabel(label).fill(value);
      await dialog.getByLabel(label).press('Tab');
    }
    await expect(dialog.getByRole('img')).toHaveAttribute('aria-label', /diameter 11/);
    await expect(dialog.getByRole('table', { name: 'What follows' })).toContainText('next standard shank');
    await dialog.getByLabel('Name').fill('Ti mill 11, our grind');
    await dialog.getByRole('button', { name: 'Create' }).click();
    await expect(dialog.getByRole('heading', { name: 'Ti mill 11, our grind' })).toBeVisible();
    await expect(dialog).toContainText('from the family end mill, solid carbide');
    await page.keyboard.press('Escape');
    await page.goto('/');
    await openJob(page, /GW-1187/);
    await page.getByRole('button', { name: 'Operation' }).first().click();
    await chooseCutter(page.getByRole('dialog'), 'shop-ti-mill-11-our-grind');
    await page.getByRole('dialog').getByRole('button', { name: 'Calculate' }).click();
    await expect(page.getByRole('region', { name: 'Limits' })).toBeVisible();
  });

  test('from a copy: changed in a form, with what was changed and why', async ({ page }) => {
    await page.getByLabel('Search cutters').fill('drill 5 8xd');
    await page
      .getByRole('button', { name: /^Carbide drill 5.* 8xD/ })
      .first()
      .click();
    const dialog = page.getByRole('dialog');
    await dialog.getByRole('button', { name: 'Copy to shop crib' }).click();
    await dialog.getByLabel('Id').fill('shop-drill-5-long');
    await dialog.getByLabel('Name').fill('Drill 5, reground');
    await dialog.getByRole('button', { name: 'Copy' }).click();
    await dialog.getByRole('button', { name: 'Edit' }).click();
    const reach = dialog.getByLabel(/^Reach, LU/);
    await reach.fill('420');
    await reach.press('Enter');
    await expect(dialog.getByRole('alert')).toContainText('overall length');
    await reach.fill('42');
    await reach.press('Enter');
    await dialog.getByLabel('Why (kept with the change)').fill('reground twice');
    await dialog.getByRole('button', { name: 'Save' }).click();
    await expect(dialog).toContainText('Reach: 45 → 42');
    await expect(dialog).toContainText('reground twice');
  });

  test('from a spreadsheet: what is wrong is said by row and column, then it comes in whole', async ({
    page,
  }) => {
    await page.getByRole('button', { name: 'Import' }).click();
    const dialog = page.getByRole('dialog');
    const choose = (rows: readonly string[]) =>
      dialog.getByLabel('Crib file').setInputFiles({
        name: 'tools.csv',
        mimeType: 'text/csv',
        buffer: Buffer.from(['Name,Type,Diameter,Flutes,Groups,Edges in stock,Place', ...rows].join('\n')),
      });
    await choose(['Alu 8,end mill,8,3,N,5,Drawer 9', 'Alu 9,end mill,nine,3,N,5,Drawer 9']);
    await expect(dialog.getByRole('region', { name: 'What to mend' })).toContainText('nine');
    await expect(dialog.getByRole('button', { name: 'Import' })).toBeDisabled();
    await choose(['Alu 8,end mill,8,3,N,5,Drawer 9', 'Alu 9,end mill,9,3,N,5,Drawer 9']);
    await dialog.getByRole('button', { name: 'Import 2 cutters' }).click();
    await expect(dialog).toBeHidden();
    await page.getByLabel('Shop’s own').check();
    await page.getByLabel('Search cutters').fill('alu 9');
    const row = page.getByRole('row', { name: /Alu 9/ });
    await expect(row).toContainText('Drawer 9');
    // And changed where it stands.
    await page.getByLabel('Edit in the table').check();
    const edges = page.getByLabel('Edges in stock of Alu 9');
    await edges.fill('4');
    await edges.press('Enter');
    await page.getByLabel('Edit in the table').uncheck();
    await expect(row).toContainText('4');
  });

  test('the last one is taken from the shelf, and the job that needed it says so', async ({ page }) => {
    const job = page.getByRole('link', { name: /TT-0420/ }).first();
    await page.goto('/');
    await openJob(page, /TT-0420/);
    await page.getByRole('link', { name: /Rough plate pocket/ }).click();
    const cutter = await page
      .getByRole('region', { name: 'Inputs' })
      .getByText(/end mill/)
      .first()
      .textContent();
    // What was set aside for the operation is not: what the crib counts is.
    await page.getByRole('button', { name: /^Feature/ }).click();
    const own = page.getByLabel('Edges in stock');
    await own.fill('');
    await own.press('Enter');
    await expect(page.getByRole('status', { name: 'Saving' })).toHaveText(/^saved/);
    await page.goto('/crib/cutters');
    await page.getByLabel('Search cutters').fill(cutter!.trim());
    await page.getByRole('button', { name: cutter!.trim() }).click();
    const dialog = page.getByRole('dialog');
    const edges = dialog.getByLabel('Edges in stock');
    await edges.fill('1');
    await edges.press('Enter');
    await expect(dialog.getByText('counted').first()).toBeVisible();
    await dialog.getByRole('button', { name: 'Take one edge' }).click();
    await expect(dialog.getByText('taken from the shelf')).toBeVisible();
    await expect(edges).toHaveValue('0');
    await page.keyboard.press('Escape');
    await page.goto('/');
    await expect(page.getByRole('listitem').filter({ has: job })).toContainText('edges in stock', {
      timeout: 30_000,
    });
    // The next test finds the shelf as it was.
    await page.goto('/crib/cutters');
    await page.getByLabel('Search cutters').fill(cutter!.trim());
    await page.getByRole('button', { name: cutter!.trim() }).click();
    await edges.fill('24');
    await edges.press('Enter');
    await expect(
      dialog
        .getByText('Edges: 0 → 24')
        .or(dialog.getByText(/0 → 24/))
        .first(),
    ).toBeVisible();
  });
});
