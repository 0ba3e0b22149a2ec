import { expect, type Page } from './page-test.ts';
import { signIn, signOut } from './people.ts';

/** From the route of a job: asked for by the engineer, read and given by the approver, opened as the floor has it. */
export async function released(page: Page, number: string, note: string): Promise<void> {
  const job = new RegExp(number);
  await page.getByRole('link', { name: 'Request release' }).click();
  await page.getByLabel('Note to the approver').fill(note);
  await page.getByRole('button', { name: 'Request release' }).click();
  await expect(page.getByText('You asked for this release')).toBeVisible();
  await signOut(page);
  await signIn(page, 'approver');
  await page.getByRole('link', { name: job }).click();
  await expect(page.getByRole('checkbox', { name: /^Read: / }).first()).toBeVisible();
  for (const box of await page.getByRole('checkbox', { name: /^Read: / }).all()) await box.check();
  const decision = page.getByRole('region', { name: 'Decision' });
  await decision.getByLabel('Reason or remark').fill('Read.');
  await decision.getByRole('button', { name: 'Release', exact: true }).click();
  await expect(page.getByText('Revision 1, current')).toBeVisible();
  await signOut(page);
  await signIn(page, 'floor');
  await page.getByRole('link', { name: job }).click();
  await expect(page.getByRole('region', { name: 'Prove-out', exact: true })).toBeVisible();
}
