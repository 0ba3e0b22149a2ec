import { expect, test } from './page-test.ts';
import { newJob } from './new-job.ts';
import { chooseCutter, expectSaved, saved, signIn, signOut } from './people.ts';

test('three people take a job from request to sheet', async ({ page }) => {
  await signIn(page, 'engineer');

  // The request: a part in aged Alloy 718 on the 15 kW machine.
  await page.getByRole('button', { name: 'New job' }).click();
  await page.getByRole('button', { name: 'Create job' }).click();
  await expect(page.getByText('A number or name people will look for')).toBeVisible();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await newJob(page, {
    number: 'GW-2001',
    part: 'Choke body',
    alloy: '718 treated and aged',
    machine: '15 kW belt',
    quantity: 8,
  });
  const dialog = page.getByRole('dialog');

  // A pocket with the 12 mm five-flute cutter.
  await page.getByRole('button', { name: 'Operation' }).click();
  await dialog.getByLabel('Depth').fill('18');
  await chooseCutter(dialog, 'em-bull-12-z5-re0.5-var');
  await dialog.getByRole('button', { name: 'Calculate' }).click();
  await expect(page.getByRole('region', { name: 'Limits' })).toBeVisible();
  await expect(page.getByLabel('spindle speed', { exact: true })).not.toHaveValue('');

  // Wide and deep: something is over; a remedy is previewed, applied, and clears it.
  await page.getByLabel('radial depth', { exact: true }).fill('3');
  await page.getByLabel('radial depth', { exact: true }).press('Enter');
  const governs = page.getByRole('region', { name: 'What governs' });
  await expect(governs).toContainText('wall deflection');
  await expect(governs).toContainText('Over limit');
  await governs.getByRole('button', { name: /^Preview: Raise stock to leave/ }).click();
  await expect(page.getByText('Preview: what changes is tinted')).toBeVisible();
  await governs.getByRole('button', { name: 'Apply' }).click();
  await expect(governs).not.toContainText('Governs: wall deflection');
  await expectSaved(page);

  // Undo brings the cut back, redo the remedy.
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(governs).toContainText('wall deflection');
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(governs).not.toContainText('Governs: wall deflection');

  // An 8 mm hole five ×D deep.
  await page.getByRole('link', { name: 'GW-2001' }).click();
  await page.getByRole('button', { name: 'Operation' }).click();
  await dialog.getByLabel('What is cut').selectOption('hole');
  await dialog.getByLabel('Diameter').fill('8');
  await dialog.getByLabel('Depth').fill('40');
  await chooseCutter(dialog, 'shop-drill-8-6xd');
  await dialog.getByRole('button', { name: 'Calculate' }).click();
  await expect(page.getByLabel('Section of the hole')).toBeVisible();
  await expect(page.getByText('5.0×D deep')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Results' })).toContainText('thrust');

  // Release is asked for.
  await page.getByRole('link', { name: 'Request release' }).click();
  await page
    .getByLabel('Note to the approver')
    .fill('First choke body; library data, prove out under my eyes.');
  await page.getByRole('button', { name: 'Request release' }).click();
  await expect(page.getByText('You asked for this release')).toBeVisible();
  const jobUrl = page.url().replace('/release', '');
  await signOut(page);

  // The approver returns it once, then releases.
  await signIn(page, 'approver');
  await page.getByRole('link', { name: /GW-2001/ }).click();
  const decision = page.getByRole('region', { name: 'Decision' });
  await expect(decision.getByRole('button', { name: 'Release', exact: true })).toBeDisabled();
  await decision.getByRole('button', { name: 'Return' }).click();
  await expect(decision.getByRole('alert')).toContainText('say why it goes back');
  for (const box of await page.getByRole('checkbox', { name: /^Read: / }).all()) await box.check();
  await decision.getByLabel('Reason or remark').fill('Evidence read.');
  await decision.getByRole('button', { name: 'Release', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Sheet' })).toBeVisible();
  await expect(page.getByText('Revision 1, current')).toBeVisible();
  await signOut(page);

  // The floor reads the sheet and may not edit.
  await signIn(page, 'floor');
  await expect(page.getByRole('button', { name: 'New job' })).toHaveCount(0);
  await page.getByRole('link', { name: /GW-2001/ }).click();
  await expect(page.getByRole('region', { name: 'Prove-out', exact: true })).toBeVisible();
  await expect(page.getByText('Revision 1, released by Leo Lindqvist')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Cautions' }).first()).toBeVisible();
  await page.getByRole('button', { name: 'inch' }).click();
  await expect(page.getByText(/ipm/).first()).toBeVisible();
  const pdf = await page.request.get(
    await page.getByRole('link', { name: 'A4' }).evaluate((a: HTMLAnchorElement) => a.href),
  );
  expect(pdf.headers()['content-type']).toBe('application/pdf');
  await page.goto(`${jobUrl}`);
  await expect(page.getByRole('button', { name: 'Operation' })).toHaveCount(0);
  await page.getByRole('link', { name: /Rough pocket/ }).click();
  await expect(saved(page)).toHaveText('read only');
});
