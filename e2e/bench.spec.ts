import { expect, type Page, test } from './page-test.ts';
import { expectSaved, openBench, saved, signIn, undoAll } from './people.ts';

test.describe('bench', () => {
  test.beforeEach(async ({ page }) => {
    await signIn(page, 'engineer');
    await openBench(page, /GW-1187/, /Rough seal pocket/);
  });

  // What a test took back has to be sent before the next one opens the same operation.
  test.afterEach(({ page }) => expectSaved(page));

  const numberOf = async (page: Page, name: string): Promise<number> =>
    Number((await page.getByLabel(name, { exact: true }).inputValue()).replace(/\s/g, ''));

  test('a handle is dragged and everything moves with it, then undone', async ({ page }) => {
    const depth = await numberOf(page, 'axial depth');
    const handle = page.getByRole('slider', { name: 'Axial depth' });
    const box = (await handle.boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2, box.y + 45, { steps: 8 });
    await page.mouse.up();
    const dragged = await numberOf(page, 'axial depth');
    expect(dragged).toBeLessThan(depth - 1);
    await page.keyboard.press('Control+z');
    await expect.poll(() => numberOf(page, 'axial depth')).toBe(depth);
  });

  test('handles move by keyboard, by the step a person enters or ten times as far', async ({ page }) => {
    const depth = await numberOf(page, 'axial depth');
    await page.getByRole('slider', { name: 'Axial depth' }).focus();
    await page.keyboard.press('ArrowDown');
    await expect.poll(() => numberOf(page, 'axial depth')).toBeCloseTo(depth - 0.05, 5);
    await page.keyboard.press('Shift+ArrowDown');
    await expect.poll(() => numberOf(page, 'axial depth')).toBeCloseTo(depth - 0.55, 5);
    await page.keyboard.press('Control+z');
    await page.keyboard.press('Control+z');
    await expect.poll(() => numberOf(page, 'axial depth')).toBe(depth);
  });

  test('a parameter drives the others and a pin holds', async ({ page }) => {
    const chip = await numberOf(page, 'max chip thickness');
    await page.getByRole('button', { name: 'Pin max chip thickness' }).click();
    const width = page.getByLabel('radial depth', { exact: true });
    const feed = await numberOf(page, 'feed per tooth');
    await width.fill('2');
    await width.press('Enter');
    expect(await numberOf(page, 'max chip thickness')).toBeCloseTo(chip, 4);
    expect(await numberOf(page, 'feed per tooth')).toBeLessThan(feed);
    await undoAll(page);
  });

  test('why: formula, values, band and what would narrow it', async ({ page }) => {
    await page.getByRole('button', { name: 'Why: spindle power' }).click();
    const why = page.getByRole('region', { name: 'Why: spindle power' });
    await expect(why).toContainText('P = 2π·n·M');
    await expect(why).toContainText('80% range');
    await expect(why).toContainText('What would narrow it most');
    // The reasons stand beside the drawing, never over it.
    const [reasons, drawing] = await Promise.all(
      [why, page.getByRole('region', { name: 'The cut', exact: true })].map((l) => l.boundingBox()),
    );
    expect(reasons!.x).toBeGreaterThanOrEqual(drawing!.x + drawing!.width);
    await page.keyboard.press('Escape');
    await expect(why).toHaveCount(0);
    // Clear limits are behind their count.
    await page.getByRole('button', { name: /\d+ clear$/ }).click();
    await page.getByRole('button', { name: /^flute chip space/ }).click();
    await expect(page.getByText('judgement rule G-03')).toBeVisible();
  });

  test('the impossible is refused with field and range, and nothing saved is lost', async ({ page }) => {
    const sent: string[] = [];
    page.on(
      'request',
      (r) => r.method() === 'PUT' && r.url().includes('/api/variants') && sent.push(r.url()),
    );
    const depth = page.getByLabel('axial depth', { exact: true });
    await page.clock.install();
    await depth.fill('60');
    await depth.press('Enter');
    await expect(page.getByRole('alert')).toContainText('Axial depth is 60; allowed: 0 to 26.4 mm');
    // Long after every save would have gone, on the page's own clock.
    await page.clock.runFor(20_000);
    expect(sent).toEqual([]);
    await page.reload();
    await expect(page.getByLabel('axial depth', { exact: true })).toHaveValue('24');
  });

  test('inch is shown and typed', async ({ page }) => {
    await page.keyboard.press('Alt+u');
    await expect(page.getByLabel('axial depth', { exact: true })).toHaveValue('0.9449');
    const depth = page.getByLabel('axial depth', { exact: true });
    await depth.fill('0.5');
    await depth.press('Enter');
    await page.getByRole('button', { name: 'mm', exact: true }).click();
    await expect(page.getByLabel('axial depth', { exact: true })).toHaveValue('12.7');
    await undoAll(page);
  });

  test('the chart is a handle for the speed', async ({ page }) => {
    const speed = await numberOf(page, 'spindle speed');
    const box = (await page.getByRole('img', { name: /power needed/ }).boundingBox())!;
    await page.mouse.click(box.x + box.width * 0.5, box.y + box.height * 0.5);
    expect(await numberOf(page, 'spindle speed')).toBeGreaterThan(speed * 2);
    await page.getByRole('button', { name: 'Undo' }).click();
    expect(await numberOf(page, 'spindle speed')).toBe(speed);
  });

  test('another variant is chosen, and the cutter is picked by search', async ({ page }) => {
    await page.getByRole('button', { name: 'Variant B' }).click();
    await expect(page.getByLabel('axial depth', { exact: true })).toHaveValue('6');
    await page.getByRole('button', { name: 'Variant A' }).click();
    await expect(page.getByLabel('axial depth', { exact: true })).toHaveValue('24');
    await page.getByRole('button', { name: /^Cutter in holder/ }).click();
    await page.getByPlaceholder('Search cutters').fill('RE 1, variable');
    await page.getByRole('option', { name: /Corner-radius end mill 12 mm, RE 1/ }).click();
    const limits = page.getByRole('region', { name: 'Limits' });
    await expect(
      limits.getByRole('button', { name: /speeds and feeds confirmed ?: Over limit/ }),
    ).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).click();
    await limits.getByRole('button', { name: /\d+ clear$/ }).click();
    await expect(limits.getByRole('button', { name: /speeds and feeds confirmed ?: Clear/ })).toBeVisible();
  });
});

test('two people in one operation: told, asked, and neither loses work', async ({ browser }) => {
  const [a, b] = [await (await browser.newContext()).newPage(), await (await browser.newContext()).newPage()];
  await signIn(a, 'engineer');
  await openBench(a, /GW-1187/, /Drill 8.5/);
  await signIn(b, 'approver');
  await openBench(b, /GW-1187/, /Drill 8.5/);
  await expect(b.getByText('Ada Eder is in this operation too')).toBeVisible();
  const set = async (page: typeof a, rpm: string) => {
    await page.getByLabel('spindle speed', { exact: true }).fill(rpm);
    await page.getByLabel('spindle speed', { exact: true }).press('Enter');
  };
  await set(a, '700');
  await expectSaved(a);
  await set(b, '650');
  const dialog = b.getByRole('dialog', { name: /Ada Eder saved this operation meanwhile/ });
  await expect(dialog).toContainText('700');
  await expect(dialog).toContainText('650');
  await dialog.getByRole('button', { name: 'Use theirs' }).click();
  await expect(b.getByLabel('spindle speed', { exact: true })).toHaveValue('700');
  await b.getByRole('button', { name: 'Undo' }).click();
  await expect(b.getByLabel('spindle speed', { exact: true })).toHaveValue('650');
  await expect(saved(b)).toHaveText(/saved \d\d:\d\d/);
});

test('work goes on without a line and is sent when it is back', async ({ page, context }) => {
  await signIn(page, 'engineer');
  await openBench(page, /GW-1187/, /Drill 6.8/);
  await context.setOffline(true);
  await page.getByLabel('spindle speed', { exact: true }).fill('620');
  await page.getByLabel('spindle speed', { exact: true }).press('Enter');
  await expect(saved(page)).toHaveText('offline');
  await context.setOffline(false);
  await expectSaved(page);
  await page.reload();
  await expect(page.getByLabel('spindle speed', { exact: true })).toHaveValue('620');
});
