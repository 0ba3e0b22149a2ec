import { expect, test } from './page-test.ts';
import { newJob } from './new-job.ts';
import { released } from './released.ts';
import { expectSaved, signIn } from './people.ts';

test('a blade fillet at 30°: ball, bull nose and barrel compared, one taken with its tilt, released and on the sheet', async ({
  page,
}) => {
  await signIn(page, 'engineer');
  await newJob(page, {
    number: 'TT-1930',
    part: 'Blade root',
    alloy: 'Ti-6Al-4V (grade 5), annealed',
    machine: 'Five-axis',
    quantity: 4,
  });
  const dialog = page.getByRole('dialog');
  const governs = page.getByRole('region', { name: 'What governs' });
  await page.getByRole('button', { name: 'Operation', exact: true }).click();
  await dialog.getByLabel('What is cut').selectOption('curved surface');
  await expect(dialog.getByLabel(/^Slope/)).toHaveValue('30');
  await dialog.getByLabel('Width up the slope').fill('20');
  await dialog.getByLabel('Foot below the face').fill('18');
  await dialog.getByRole('button', { name: 'Calculate' }).click();
  await expect(governs).toBeVisible();

  // Upright the ball touches on its flank; the slope is drawn as it lies, with the ridges it leaves.
  await expect(page.locator('[data-surface="30"]')).toBeVisible();
  await expect(page.locator('[data-end="end_mill_ball"]').first()).toBeVisible();
  await expect(page.getByRole('img', { name: /^Ridges 0\.00[45]/ })).toBeVisible();

  // All shapes on the same surface: the barrel asks for a tilt, which five axes have.
  await page.getByRole('tab', { name: 'Surface' }).click();
  const surface = page.getByRole('region', { name: 'Surface' });
  await expect(surface.getByRole('rowheader', { name: /[Bb]arrel cutter/ }).first()).toBeVisible();
  await surface.getByLabel('Most tilt').fill('');
  await surface.getByLabel('Most tilt').blur();
  // On three axes a ball is the quickest: a barrel touches with its small corner only.
  await expect(surface.getByRole('rowheader').first()).toContainText(/^Ball/);

  // Side by side with what each costs and pushes; the barrel is laid on the slope and the view follows.
  await page.getByRole('button', { name: 'Strategies', exact: true }).click();
  const ways = page.getByRole('region', { name: 'Ways side by side' });
  for (const shape of [/^Ball/, /^Bull nose/, /barrel/i])
    await expect(ways.getByRole('columnheader', { name: shape }).first()).toBeVisible({ timeout: 20_000 });
  await expect(ways.getByRole('rowheader', { name: 'Peak radial force' })).toBeVisible();
  await ways.getByRole('button', { name: /^Use: Taper barrel/ }).click();
  await expect(page.locator('[data-end="end_mill_barrel"]').first()).toBeVisible();
  await expect(page.locator('[data-surface="30"]')).toHaveCount(0);
  await expect(page.getByRole('button', { name: /^Feature/ })).toContainText(/tilt \d/);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator('[data-surface="30"]')).toBeVisible();

  // A hollow narrower than the ball is said at once, with both radii.
  await page.getByRole('button', { name: /^Feature/ }).click();
  await page.getByLabel('Hollow by').fill('3');
  await page.getByLabel('Hollow by').blur();
  await page.keyboard.press('Escape');
  await expect(governs).toContainText(/hollow by R 3/);
  await page.getByRole('button', { name: /^Feature/ }).click();
  await page.getByLabel('Hollow by').fill('30');
  await page.getByLabel('Hollow by').blur();
  await page.getByLabel('Tilt of the cutter').fill('5');
  await page.getByLabel('Tilt of the cutter').blur();
  await page.keyboard.press('Escape');
  await expect(governs).not.toContainText('Over limit');
  await expectSaved(page);

  await page.getByRole('link', { name: 'TT-1930' }).click();
  await released(page, 'TT-1930', 'Fillet by the ball, tilted.');
  const sheet = page.getByRole('main');
  await expect(sheet).toContainText(
    /curved surface finished, 80.mm × 20.mm at 30° to a floor, 0\.2.mm of stock, ridges up to 0\.005/,
  );
  await expect(sheet).toContainText(/From the bottom up/);
  await expect(sheet).toContainText(/Tilted 5° towards its flank: prove out holder, head and fixture/);
});
