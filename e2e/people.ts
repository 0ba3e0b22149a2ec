import { expect, type Locator, type Page } from '@playwright/test';

export type Role = 'engineer' | 'approver' | 'floor' | 'administrator';

/** Signs in as a demo person by the button on the page. */
export async function signIn(page: Page, role: Role): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: `As ${role}` }).click();
  await expect(page.getByRole('heading', { name: 'Desk' })).toBeVisible();
}

export async function signOut(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Sign out' }).click();
  await expect(page.getByRole('heading', { name: 'Demo accounts' })).toBeVisible();
}

/** Opens the route of a demo job. */
export async function openJob(page: Page, job: RegExp): Promise<void> {
  await page.getByRole('link', { name: job }).first().click();
  await expect(page.getByRole('heading', { name: job })).toBeVisible();
}

/** Opens an operation of a demo job on the bench. */
export async function openBench(page: Page, job: RegExp, operation: RegExp): Promise<void> {
  await page.getByRole('link', { name: job }).first().click();
  await page.getByRole('link', { name: operation }).click();
  await expect(page.getByRole('region', { name: 'Parameters' })).toBeVisible();
}

export const saved = (page: Page): Locator => page.getByRole('status', { name: 'Saving' });

/** Waits until nothing is left to send. */
export const expectSaved = (page: Page): Promise<void> => expect(saved(page)).toHaveText(/^saved/);

/** Takes every step back, so that the next test finds the demo as it was. */
export async function undoAll(page: Page): Promise<void> {
  // By its label: a note of what was just done may still offer an undo of its own.
  const undo = page.getByLabel('Undo', { exact: true });
  while (await undo.isEnabled()) await undo.click();
  await expectSaved(page);
}

/** Looks a cutter up in the long list of a dialog and chooses it. */
export async function chooseCutter(dialog: Locator, id: string): Promise<void> {
  await dialog.getByLabel('Find cutter').fill(id);
  await dialog.getByLabel(/^Cutter/).selectOption(id);
}
