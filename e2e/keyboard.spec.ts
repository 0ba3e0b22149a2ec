import { expect, type Page, test } from './page-test.ts';

/** Tabs until the wanted control has the focus; fails when it cannot be reached. */
async function tabTo(page: Page, name: RegExp): Promise<void> {
  for (let i = 0; i < 120; i++) {
    await page.keyboard.press('Tab');
    const found = await page.evaluate(() => {
      const e = document.activeElement;
      const labels =
        e instanceof HTMLInputElement || e instanceof HTMLSelectElement || e instanceof HTMLTextAreaElement
          ? [...(e.labels ?? [])].map((l) => l.textContent)
          : [];
      // A region or the page itself holds everybody's words; only a control's own count.
      const own = e?.matches('button, a, [role=slider], [role=option]') ? e.textContent : '';
      return e ? `${e.getAttribute('aria-label') ?? ''} ${labels.join(' ')} ${own ?? ''}` : '';
    });
    if (name.test(found)) return;
  }
  throw new Error(`${name} cannot be reached with Tab`);
}

test('the whole path by keyboard alone', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Burl' })).toBeVisible();
  await tabTo(page, /As engineer/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Desk' })).toBeVisible();

  await page.keyboard.press('n');
  await tabTo(page, /Number/);
  await page.keyboard.type('K-1');
  await tabTo(page, /Part/);
  await page.keyboard.type('Keyboard part');
  await tabTo(page, /Alloy/);
  await page.keyboard.type('718 treated and aged');
  await page.keyboard.press('Enter');
  // On to the machine by itself.
  await page.keyboard.type('15 kW belt');
  await page.keyboard.press('Enter');
  await tabTo(page, /Create job/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'K-1 Keyboard part' })).toBeVisible();

  await page.keyboard.press('a');
  await expect(page.getByRole('dialog')).toBeVisible();
  await tabTo(page, /Find cutter/);
  await page.keyboard.type('Corner-radius 12 5fl variable');
  await page.keyboard.press('Enter');
  await tabTo(page, /Calculate/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Limits' })).toBeVisible();

  await tabTo(page, /Axial depth/);
  await page.keyboard.press('ArrowDown');
  await tabTo(page, /^spindle speed /);
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowUp');
  await expect(page.getByRole('status', { name: 'Saving' })).toHaveText(/saved \d/);
  await tabTo(page, /\d+ clear$/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^\s*wall deflection/);
  await page.keyboard.press('Enter');
  await expect(page.getByText('stepped Euler–Bernoulli beam on springs')).toBeVisible();
  await page.keyboard.press('Control+k');
  await page.keyboard.type('Undo');
  await page.keyboard.press('Enter');
  await tabTo(page, /Request release/);
  await page.keyboard.press('Enter');
  await tabTo(page, /Note to the approver/);
  await page.keyboard.type('By keyboard: library data, prove-out attended.');
  await tabTo(page, /^ *Request release$/);
  await page.keyboard.press('Enter');
  await expect(page.getByText('You asked for this release')).toBeVisible();
});
