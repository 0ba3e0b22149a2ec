import { expect, type Page, test } from './page-test.ts';
import { Hand } from './hand.ts';
import { signIn } from './people.ts';

const number = (page: Page, name: string) =>
  page.getByRole('region', { name: 'Numbers' }).getByLabel(name, { exact: true });

test('somebody who knows the screen has an answer by keyboard in under thirty seconds', async ({ page }) => {
  await signIn(page, 'engineer');
  const hand = new Hand(page);
  hand.think();
  await hand.key('q');
  await expect(page.getByRole('heading', { name: 'Quick' })).toBeVisible();
  // The first field has the focus: another name of the alloy, by its number.
  await expect(page.getByRole('combobox', { name: 'Alloy' })).toBeFocused();
  hand.think();
  await hand.type('2.4668 aged');
  await hand.key('Enter');
  // On to the machine by itself.
  hand.think();
  await hand.type('belt');
  await hand.key('Enter');
  hand.think();
  await hand.type('cut a slot');
  await hand.key('Tab');
  await hand.type('80');
  await expect(page.getByRole('combobox', { name: 'Alloy' })).toHaveValue(/718, solution treated and aged/);
  await expect(page.getByRole('combobox', { name: 'Machine' })).toHaveValue(/15 kW belt/);
  await expect(number(page, 'spindle speed')).toHaveValue(/^\d{3,4}$/);
  expect(hand.seconds).toBeLessThan(30);
  expect(hand.actions).toBeLessThan(45);
});

test('a newcomer has a usable number for an alloy he never cut in under two minutes', async ({ page }) => {
  await page.goto('/');
  const hand = new Hand(page);
  hand.think();
  await hand.press(page.getByRole('button', { name: 'As engineer' }));
  hand.think();
  await hand.press(page.getByRole('link', { name: 'Quick' }));
  for (const [label, typed, taken] of [
    ['Alloy', 'S32750', /Super duplex/],
    ['Machine', 'five', /Five-axis/],
  ] as const) {
    hand.think();
    const field = page.getByRole('combobox', { name: label });
    await hand.press(field);
    await hand.type(typed);
    hand.think();
    await hand.press(page.getByRole('option', { name: taken }));
    await expect(field).toHaveValue(taken);
  }
  hand.think();
  await hand.choose(page.getByLabel('I want to'), 'Drill a hole');
  for (const [label, value] of [
    ['Diameter', '10'],
    ['Depth', '40'],
  ] as const) {
    hand.think();
    await hand.press(page.getByLabel(label));
    await hand.type(value);
  }
  await hand.key('Tab');
  hand.think();
  const fn = Number(await number(page, 'feed per revolution').inputValue());
  const n = Number(await number(page, 'spindle speed').inputValue());
  // What a shop runs a 10 mm carbide drill at in super duplex: 40 to 80 m/min, 0.08 to 0.25 mm.
  expect((Math.PI * 10 * n) / 1000).toBeGreaterThan(30);
  expect((Math.PI * 10 * n) / 1000).toBeLessThan(90);
  expect(fn).toBeGreaterThan(0.06);
  expect(fn).toBeLessThan(0.28);
  await expect(page.getByRole('region', { name: 'What governs' })).toContainText(/limits clear/);
  expect(hand.seconds).toBeLessThan(120);
  expect(hand.actions).toBeLessThan(60);
});

test('an answer shows both unit systems, follows the hand, is carried by its link and becomes a job', async ({
  page,
}) => {
  await signIn(page, 'engineer');
  await page.goto('/quick?alloy=ti-6al-4v-annealed&want=pocket');
  await expect(page.getByRole('region', { name: 'Tools for this' })).toBeVisible({ timeout: 20_000 });
  await expect(page.getByRole('region', { name: 'Numbers' })).toContainText('SFM');
  await expect(page.getByText(/all limits met in \d+% of 400/)).toBeVisible({ timeout: 30_000 });
  await number(page, 'axial depth').fill('7');
  await number(page, 'axial depth').press('Enter');
  await expect(page.getByText('with your numbers')).toBeVisible();
  await expect(page).toHaveURL(/ap=7/);
  // A pull at the drawing, by key.
  await page.getByRole('slider', { name: /radial/i }).press('ArrowDown');
  await expect(page).toHaveURL(/ae=/);
  const speed = await number(page, 'spindle speed').inputValue();

  // Somebody else opens the link.
  const other = await page.context().newPage();
  await other.goto(page.url());
  await expect(number(other, 'axial depth')).toHaveValue('7');
  await expect(number(other, 'spindle speed')).toHaveValue(speed);
  await other.close();

  await page.getByRole('button', { name: 'Save as job' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Create job' }).click();
  await expect(dialog.getByRole('alert')).toContainText('A job needs a number');
  await dialog.getByLabel('Number').fill('Q-100');
  await dialog.getByLabel('Part').fill('From a question');
  await dialog.getByRole('button', { name: 'Create job' }).click();
  await expect(page.getByRole('region', { name: 'Parameters' })).toBeVisible();
  await expect(page.getByLabel('axial depth', { exact: true })).toHaveValue('7');

  // Asked once, it stays among the recent ones.
  await page.goto('/quick');
  await expect(page.getByRole('region', { name: 'Recent questions' })).toContainText('Rough a pocket');
});

test('a caller’s broken cutter: read from his words, settled by questions, copied and kept', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await signIn(page, 'engineer');
  await page.keyboard.press('w');
  const words = page.getByLabel(/What are they running/);
  await words.fill(
    'half inch 5 flute, 260 sfm, .004 a tooth, .050 stepover, .7 deep, grade 5 on the 40 taper belt, the tool broke',
  );
  await expect(page.getByLabel('Diameter')).toHaveValue('12.7');
  await expect(page.getByLabel('Cutting speed vc')).toHaveValue(/^79/);
  await expect(page.getByRole('combobox', { name: 'Alloy' })).toHaveValue(/grade 5/);
  await expect(page.getByRole('button', { name: 'Tool broken' })).toHaveAttribute('aria-pressed', 'true');

  const causes = page.getByRole('region', { name: 'Likely causes' });
  const leading = causes.getByRole('listitem').first();
  // Five questions at most; what a man at the machine would say whose tool cuts into its chips.
  const said: Readonly<Record<string, string>> = {
    'How does it sound?': 'Quiet',
    'What do the chips look like?': 'A nest',
    'Where on the path does it happen?': 'On the straight',
    'Does the coolant reach the cut all the time?': 'Weak or beside it',
    'Did anybody turn an override?': 'No',
    'What does an indicator on the tool read?': 'Up to 5 µm',
  };
  for (let asked = 0; asked < 5; asked++) {
    const question = page.getByRole('region', { name: 'To ask' }).getByRole('group').first();
    const text = (await question.getAttribute('aria-label'))!;
    await question.getByRole('button', { name: said[text]! }).click();
    await expect(page.getByRole('group', { name: text })).toHaveCount(0);
  }
  await expect(leading).toContainText('Chips cut again');
  await expect(page.getByRole('region', { name: 'First change' })).toContainText('Cheapest test');

  await page.getByRole('button', { name: 'Copy as text' }).click();
  const text = await page.evaluate(() => navigator.clipboard.readText());
  expect(text).toMatch(/Likely causes\n1\. Chips cut again/);
  expect(text).toMatch(/Assumed\n- /);
  expect(text).toMatch(/in\)|SFM/);

  await page.getByRole('button', { name: 'Save as job' }).click();
  await page.getByRole('dialog').getByLabel('Number').fill('CALL-1');
  await page.getByRole('dialog').getByLabel('Part').fill('Broken half inch');
  await page.getByRole('dialog').getByRole('button', { name: 'Create job' }).click();
  await expect(page.getByRole('region', { name: 'Parameters' })).toBeVisible();

  // And as a variant of what the draft has: tool and numbers go over, the feature stays.
  await page.goBack();
  await page.getByRole('button', { name: 'Save as variant' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: /GW-1187/ }).click();
  await dialog.getByRole('button', { name: 'Save under Rough seal pocket' }).click();
  await expect(page.getByRole('region', { name: 'Variants side by side' })).toBeVisible();
  await expect(page.getByRole('row', { name: /^Cutter/ })).toContainText('12.7');
});

test('a newcomer is shown round on the real screens, may leave at any step, and finds help for each place', async ({
  page,
}) => {
  await signIn(page, 'engineer');
  const steps = page.getByRole('region', { name: 'First steps' });
  const tour = page.locator('.driver-popover');
  // The longest tour goes through desk, route, bench and release.
  await steps.getByRole('button', { name: /From a job to its release/ }).click();
  for (const title of ['The desk', 'The route', 'The bench', 'Every limit behind it', 'Release']) {
    await expect(tour).toContainText(title);
    await tour.getByRole('button', { name: /^(Next|Done)/ }).click();
  }
  await expect(tour).toHaveCount(0);
  await expect(page).toHaveURL(/\/release$/);
  // Another one is left at its first step: one stays where one is.
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: 'Search or command' }).fill('tour squeal');
  await page.keyboard.press('Enter');
  await expect(tour).toContainText('Type what they say');
  await page.keyboard.press('Escape');
  await expect(tour).toHaveCount(0);
  await expect(page).toHaveURL(/\/quick\?said=/);

  const help = page.getByRole('link', { name: 'Help on this place' });
  await expect(help).toHaveAttribute('href', '/help/quick');
  await help.click();
  await expect(page.getByRole('heading', { name: 'Quick', level: 1 })).toBeVisible();
  for (const place of await page.getByRole('navigation', { name: 'Help by place' }).getByRole('link').all()) {
    await place.click();
    await expect(
      page.getByRole('region', { name: 'What to do' }).getByRole('listitem').first(),
    ).toBeVisible();
  }
  await page.goto('/');
  await steps.getByRole('button', { name: 'Hide first steps' }).click();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Desk' })).toBeVisible();
  await expect(steps).toHaveCount(0);
});
