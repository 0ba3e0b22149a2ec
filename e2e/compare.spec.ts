import { expect, type Page, test } from './page-test.ts';
import { expectSaved, openBench, signIn, undoAll } from './people.ts';

const value = async (page: Page, name: string): Promise<number> =>
  Number((await page.getByRole('textbox', { name, exact: true }).inputValue()).replace(/\s/g, ''));

const minutesOf = (text: string): number => Number(/([\d.]+)/.exec(text.replaceAll(',', ''))?.[1]);

test.describe('balancing the plate pocket in aged titanium', () => {
  test.beforeEach(async ({ page }) => {
    await signIn(page, 'engineer');
    await openBench(page, /TT-0420/, /Rough plate pocket/);
  });

  test('the working point of the map is dragged and moved by key; borders carry the names of limits', async ({
    page,
  }) => {
    await page.getByRole('tab', { name: 'Window' }).click();
    await page.getByRole('button', { name: 'Larger chart' }).click();
    const map = page.getByRole('group', { name: /Map of radial depth and axial depth/ });
    await expect(map).toHaveAccessibleName(/bounded by .*(wall deflection|cutting speed|chip)/, {
      timeout: 20_000,
    });
    const before = [await value(page, 'radial depth'), await value(page, 'axial depth')];
    const point = page.getByRole('slider', { name: 'Working point' });
    const box = (await point.boundingBox())!;
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x - 60, y + 50, { steps: 6 });
    await page.mouse.up();
    expect(await value(page, 'radial depth')).toBeLessThan(before[0]!);
    expect(await value(page, 'axial depth')).toBeLessThan(before[1]!);
    const dragged = await value(page, 'radial depth');
    await point.focus();
    await page.keyboard.press('ArrowRight');
    await expect.poll(() => value(page, 'radial depth')).toBeGreaterThan(dragged);
    await expect(point).toHaveAttribute('aria-valuetext', /radial depth .* axial depth/);
    // The map stays while the point moves about in it.
    await expect(page.getByRole('status').filter({ hasText: 'Calculating the map' })).toHaveCount(0);
    await undoAll(page);
  });

  test('the search finds a better cut at 90%, is previewed, applied, and all of it undone', async ({
    page,
  }) => {
    const start = await Promise.all(
      ['spindle speed', 'feed per tooth', 'axial depth', 'radial depth'].map((n) => value(page, n)),
    );
    await page.getByRole('tab', { name: 'Window' }).click();
    await page.getByRole('button', { name: 'Larger chart' }).click();
    await page.getByRole('combobox', { name: 'find' }).selectOption('cost');
    await page.getByRole('button', { name: 'Optimise', exact: true }).click();
    const found = page.getByRole('button', { name: 'Preview what was found' });
    await expect(found).toBeVisible({ timeout: 30_000 });
    await expect(page.getByText(/costs \d+% of the present cut/)).toBeVisible();
    await found.click();
    await expect(page.getByText('Preview: what changes is tinted')).toBeVisible();
    await page.getByRole('button', { name: 'Apply what was found' }).click();
    await expect(page.getByRole('region', { name: 'What governs' })).toContainText('Clear');
    const after = await Promise.all(
      ['spindle speed', 'feed per tooth', 'axial depth', 'radial depth'].map((n) => value(page, n)),
    );
    expect(after).not.toEqual(start);
    await page.getByRole('button', { name: 'Larger chart' }).click();
    await undoAll(page);
    const back = await Promise.all(
      ['spindle speed', 'feed per tooth', 'axial depth', 'radial depth'].map((n) => value(page, n)),
    );
    expect(back).toEqual(start);
    await expectSaved(page);
  });

  test('three strategies and two cutters are laid side by side, and the page says why one wins', async ({
    page,
  }) => {
    await page.getByRole('button', { name: 'Strategies', exact: true }).click();
    const view = page.getByRole('region', { name: 'Strategies side by side' });
    await view
      .getByLabel('Cutter of column 3')
      .selectOption({ label: 'Corner-radius end mill 12 mm, RE 1, variable pitch and helix' });
    await view.getByLabel('Strategy of column 3').selectOption('constant-engagement');
    await view.getByRole('button', { name: 'Another column' }).click();
    await view.getByLabel('Strategy of column 4').selectOption('trochoidal');
    await expect(view.getByRole('button', { name: /^Use column/ })).toHaveCount(4, { timeout: 60_000 });
    await expect(view.getByRole('button', { name: 'Use column 4 in the operation' })).toBeEnabled({
      timeout: 60_000,
    });
    const cells = view.getByRole('row', { name: /^Cycle time per feature/ }).getByRole('cell');
    const minutes = (await cells.allTextContents()).map(minutesOf);
    expect(minutes).toHaveLength(4);
    const best = minutes.indexOf(Math.min(...minutes));
    await expect(cells.nth(best)).toContainText('best');
    await expect(view.getByText(/wins on .*cycle time/)).toBeVisible();
    await expect(view.getByRole('region', { name: 'Why one wins' })).toContainText(
      /cm³\/min|moving without cutting/,
    );
    await expect(view.getByRole('region', { name: 'When to use which' })).toContainText(
      'Spindle power, edge length',
    );
    await view.getByRole('button', { name: `Use column ${best + 1} in the operation` }).click();
    await expect(page.getByRole('region', { name: 'Parameters' })).toBeVisible();
    await undoAll(page);
  });

  test('a cutter is chosen from the ranking; the others carry what tells against them', async ({ page }) => {
    test.slow();
    await page.getByRole('button', { name: 'Cutter', exact: true }).click();
    const view = page.getByRole('region', { name: 'Choosing the cutter' });
    const takes = view.getByRole('button', { name: /^Use .* in the operation/ });
    await expect(takes.first()).toBeEnabled({ timeout: 120_000 });
    expect(await takes.count()).toBeGreaterThan(1);
    expect(await takes.count()).toBeLessThanOrEqual(5);
    await expect(
      view.getByText('Corner-radius end mill 8 mm, RE 0.5, variable pitch').locator('..'),
    ).toContainText('reach 24 mm; depth 25 mm');
    await expect(view.getByRole('region', { name: 'Larger or shorter' })).toContainText('as stiff');
    const name = (await takes.first().getAttribute('aria-label'))!.replace(/^Use | in the operation$/g, '');
    await takes.first().click();
    await expect(page.getByRole('button', { name: /^Cutter in holder/ })).toContainText(name);
    await undoAll(page);
  });

  test('variants stand side by side with differences marked', async ({ page }) => {
    await page.getByRole('button', { name: 'Add a variant' }).click();
    await page.getByRole('button', { name: 'Variant B' }).click();
    await expect(page.getByRole('button', { name: 'Variant B' })).toHaveAttribute('aria-pressed', 'true');
    const depth = page.getByLabel('axial depth', { exact: true });
    await depth.fill('8');
    await depth.press('Enter');
    await expectSaved(page);
    await page.getByRole('button', { name: 'Variants', exact: true }).click();
    const row = page.getByRole('row', { name: /^axial depth/ });
    await expect(row).toContainText('+56%');
    // What is equal comes when it is asked for.
    await expect(page.getByRole('row', { name: /^Machine/ })).toHaveCount(0);
    await page.getByRole('button', { name: /^Show \d+ equal rows/ }).click();
    await expect(page.getByRole('row', { name: /^Machine/ })).toBeVisible();
    await page.getByRole('button', { name: 'Cut', exact: true }).click();
    await page.getByRole('button', { name: 'Variant A' }).click();
    await expect(depth).toHaveValue('12.5');
  });

  test('the odds name the chance that all holds and what to measure next', async ({ page }) => {
    await page.getByRole('tab', { name: 'Confidence' }).click();
    await expect(page.getByText(/All limits met in .* of 2,000 simulated cuts/)).toBeVisible({
      timeout: 30_000,
    });
    await expect(page.getByRole('heading', { name: 'Measure next' })).toBeVisible();
    await expect(page.getByText(/cuts uncertainty by \d+%/).first()).toBeVisible();
  });

  test('heat, wall, one turn and path answer from their workers', async ({ page }) => {
    await page.getByRole('tab', { name: 'Heat' }).click();
    await expect(page.getByText(/heats for .* and cools for .* ms/)).toBeVisible();
    await page.getByRole('tab', { name: 'Wall' }).click();
    await expect(page.getByText(/Wall error/)).toBeVisible();
    await page.getByRole('tab', { name: 'Forces' }).click();
    await expect(page.getByText(/(tool breaks|holder slips|spindle stalls) at/).first()).toBeVisible();
    await page.getByRole('tab', { name: 'Path' }).click();
    await expect(page.getByText('recommended')).toBeVisible();
    await page.getByRole('button', { name: 'Enter by ramp' }).click();
    await expect(page.getByRole('button', { name: /^Path/ })).toContainText('entry: ramp');
    await undoAll(page);
  });
});

test('a pair of changes is applied where no single one is enough, and undone', async ({ page }) => {
  await signIn(page, 'engineer');
  await openBench(page, /TT-0420/, /Rough plate pocket/);
  // Depth pinned, a thin chip and nothing left for a finisher: a narrower or thinner cut alone makes the edge rub.
  const feed = page.getByRole('textbox', { name: 'feed per tooth', exact: true });
  await feed.fill('0.09');
  await feed.press('Enter');
  await page.getByRole('button', { name: /^Feature/ }).click();
  await page.getByLabel('Stock to leave').fill('0');
  await page.getByLabel('Stock to leave').press('Enter');
  await page.getByLabel('Wall tolerance').fill('0.05');
  await page.getByLabel('Wall tolerance').press('Enter');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Pin axial depth' }).click();
  const governs = page.getByRole('region', { name: 'What governs' });
  const pair = governs.getByRole('button', { name: /^Preview: .* and .* → / }).first();
  await expect(pair).toBeEnabled({ timeout: 20_000 });
  await pair.click();
  await governs.getByRole('button', { name: 'Apply' }).click();
  await expect(page.getByRole('button', { name: /^wall deflection/ })).toContainText('Clear');
  await undoAll(page);
});
