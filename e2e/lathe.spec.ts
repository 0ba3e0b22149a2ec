import { expect, test } from './page-test.ts';
import { newJob } from './new-job.ts';
import { chooseCutter, expectSaved, openBench, signIn, signOut } from './people.ts';

test('a valve stem on the lathe: turned, faced and bored, released, and read on the sheet', async ({
  page,
}) => {
  await signIn(page, 'engineer');
  await newJob(page, {
    number: 'CV-2612',
    part: 'Valve stem',
    alloy: '13-8Mo',
    machine: 'Two-axis lathe',
    quantity: 12,
  });
  const dialog = page.getByRole('dialog');
  const governs = page.getByRole('region', { name: 'What governs' });
  const results = page.getByRole('region', { name: 'Results' });

  // A slim stem out of the chuck alone: Burl says that it stands out too far, and what holds it.
  await page.getByRole('button', { name: 'Operation' }).click();
  await dialog.getByLabel('What is cut').selectOption('outside diameter');
  await dialog.getByLabel('Diameter before').fill('28');
  await dialog.getByLabel('Diameter after').fill('24');
  await dialog.getByLabel('Length').fill('150');
  await dialog.getByLabel('Part out of the jaws').fill('170');
  await chooseCutter(dialog, 'ins-rough-80');
  await dialog.getByRole('button', { name: 'Calculate' }).click();
  await expect(page.getByRole('group', { name: 'Half-section of the turned part' })).toBeVisible();
  await expect(governs).toContainText('Over limit');
  await expect(governs).toContainText(/chatter of the part|part overhang/);
  await governs.getByRole('button', { name: /^Preview: Hold the free end with the tailstock/ }).click();
  await governs.getByRole('button', { name: 'Apply' }).click();
  await expect(governs).not.toContainText('Over limit');
  await expect(page.getByRole('button', { name: /^Turned/ })).toContainText('tailstock');
  await expectSaved(page);

  // Depth by key in the drawing: the passes follow.
  await expect(results).toContainText(/passes\s*1fastest/);
  const depth = page.getByRole('slider', { name: 'Depth of cut' });
  await depth.focus();
  for (let i = 0; i < 20; i++) await page.keyboard.press('ArrowDown');
  await expect(results).toContainText(/passes\s*2fastest/);

  // Speed against diameter says where the cap holds.
  await expect(page.getByRole('region', { name: 'Speed against diameter' })).toContainText(
    /the cap of 2,800\srpm/,
  );
  await page.getByRole('tab', { name: 'Spindle' }).click();
  await expect(page.getByRole('region', { name: 'Power and torque' })).toBeVisible();

  // Faced to the centre.
  await page.getByRole('link', { name: 'CV-2612' }).click();
  await page.getByRole('button', { name: 'Operation' }).click();
  await dialog.getByLabel('What is cut').selectOption('end face');
  await dialog.getByLabel('From diameter').fill('28');
  await dialog.getByLabel('To diameter').fill('0');
  await dialog.getByLabel('Taken off').fill('0.4');
  await dialog.getByLabel('Part out of the jaws').fill('40');
  await chooseCutter(dialog, 'ins-fin-55');
  await dialog.getByRole('button', { name: 'Calculate' }).click();
  await expect(governs).toContainText(/from [\d.]+\smm down/);
  await expect(page.getByRole('button', { name: /^Turned/ })).toContainText('to the centre');

  // Bored by a bar that goes in: one that does not is no choice.
  await page.getByRole('link', { name: 'CV-2612' }).click();
  await page.getByRole('button', { name: 'Operation' }).click();
  await dialog.getByLabel('What is cut').selectOption('bore');
  await dialog.getByLabel('Diameter before').fill('11');
  await dialog.getByLabel('Diameter after').fill('12');
  await dialog.getByRole('button', { name: 'Calculate' }).click();
  await expect(dialog.getByRole('alert')).toContainText('Choose a cutter');
  await dialog.getByLabel('Diameter before').fill('22');
  await dialog.getByLabel('Diameter after').fill('23');
  await dialog.getByLabel('Length').fill('40');
  await dialog.getByLabel('Part out of the jaws').fill('60');
  await dialog.getByRole('button', { name: 'Calculate' }).click();
  await expect(governs).not.toContainText('Over limit');
  await expect(page.getByRole('group', { name: 'Half-section of the turned part' })).toBeVisible();

  await page.getByRole('link', { name: 'Request release' }).click();
  await page.getByLabel('Note to the approver').fill('First stems; measure both ends of the first part.');
  await page.getByRole('button', { name: 'Request release' }).click();
  await expect(page.getByText('You asked for this release')).toBeVisible();
  await signOut(page);

  await signIn(page, 'approver');
  await page.getByRole('link', { name: /CV-2612/ }).click();
  const decision = page.getByRole('region', { name: 'Decision' });
  const read = page.getByRole('checkbox', { name: /^Read: / });
  await expect(read.first()).toBeVisible();
  for (const box of await read.all()) await box.check();
  await decision.getByLabel('Reason or remark').fill('Evidence read.');
  await decision.getByRole('button', { name: 'Release', exact: true }).click();
  await expect(page.getByText('Revision 1, current')).toBeVisible();
  await signOut(page);

  await signIn(page, 'floor');
  await page.getByRole('link', { name: /CV-2612/ }).click();
  await expect(page.getByText(/out of the jaws, tailstock/).first()).toBeVisible();
  await expect(page.getByText(/spindle no faster than 2,800\srpm/).first()).toBeVisible();
});

test('a finished stem that chatters is cured by its tailstock, and taken back', async ({ page }) => {
  await signIn(page, 'engineer');
  await openBench(page, /CV-0612/, /Finish the stem/);
  const governs = page.getByRole('region', { name: 'What governs' });
  await expect(governs).toContainText('chatter of the part');
  await page.getByRole('button', { name: /^Turned/ }).click();
  await page.getByLabel('Free end', { exact: true }).selectOption('tailstock');
  await expect(governs).not.toContainText('Over limit');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(governs).toContainText('Over limit');
  await expectSaved(page);
});
