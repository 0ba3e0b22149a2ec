import { expect, type Page } from './page-test.ts';

/** What a new job is asked for at least; alloy and machine by words their lists find first. */
export interface Wanted {
  readonly number: string;
  readonly part: string;
  readonly alloy: string;
  readonly machine: string;
  readonly quantity?: number;
}

export async function choose(page: Page, label: string, words: string): Promise<void> {
  const box = page.getByRole('combobox', { name: label, exact: true });
  await box.fill(words);
  await box.press('Enter');
}

/** A new job from the desk; returns with its route open. */
export async function newJob(page: Page, wanted: Wanted): Promise<void> {
  await page.getByRole('button', { name: 'New job' }).click();
  await page.getByLabel('Number', { exact: true }).fill(wanted.number);
  await page.getByLabel('Part', { exact: true }).fill(wanted.part);
  await choose(page, 'Alloy', wanted.alloy);
  await choose(page, 'Machine', wanted.machine);
  if (wanted.quantity) await page.getByLabel('Quantity').fill(String(wanted.quantity));
  await page.getByRole('button', { name: 'Create job' }).click();
  await expect(page.getByRole('heading', { name: `${wanted.number} ${wanted.part}` })).toBeVisible();
}
