import { expect, test } from './page-test.ts';
import { expectSaved, openJob, signIn, signOut, undoAll } from './people.ts';

test('blind M6 threads and deep holes of a manifold: planned, chosen, edited, moved early, released and read on the sheet', async ({
  page,
}) => {
  test.setTimeout(90_000);
  await signIn(page, 'engineer');
  await openJob(page, /TM-0231/);

  // The tapped way stands last, behind the roughing: the route says so and moves it with its drill.
  const stations = page.getByRole('region', { name: 'Setup 1' }).getByRole('listitem');
  await expect(stations.filter({ hasText: 'Tap M6' })).toContainText('Risky and late');
  const minutes = await page.getByRole('region', { name: 'The part' }).textContent();
  const early = page.getByRole('button', { name: /^Bring it before Rough the sump/ });
  // What goes along with one that is moved is told of no more either.
  for (let left = await early.count(); left > 0; left = await early.count()) {
    await early.last().click();
    await expect.poll(() => early.count()).toBeLessThan(left);
  }
  await expect(page.getByText('The order was changed.').first()).toBeVisible();
  await expect(stations.last()).toContainText('Rough the sump');

  // Threads milled instead of tapped: the recommendation says why.
  await page.getByRole('link', { name: /^Holes/ }).click();
  const kinds = page.getByRole('navigation', { name: 'Hole groups' });
  await kinds.getByRole('button', { name: /Flange threads/ }).click();
  const recommendation = page.getByRole('region', { name: 'Recommendation' });
  await expect(recommendation).toContainText('Recommended: drill and mill the thread');
  await expect(recommendation).toContainText(/Scrap risk .* against/);
  const tapped = page.getByRole('article', { name: 'Drill and tap' });
  const milled = page.getByRole('article', { name: 'Drill and mill the thread' });
  await expect(tapped).toContainText('In use');
  const summary = page.getByLabel('All holes');
  const before = await summary.textContent();
  await milled.getByRole('button', { name: 'Use: drill and mill the thread' }).click();
  await expect(milled).toContainText('In use');
  await expect(summary).not.toHaveText(before!);

  // A step changed in the plan: feed of the drill; undone again.
  const feed = milled.getByLabel('Feed of: Drill 5.2 mm');
  const usual = await feed.inputValue();
  await feed.fill('0.07');
  await feed.press('Enter');
  await expect(feed).toHaveValue('0.07');
  await page
    .getByRole('region', { name: 'Requirement' })
    .getByRole('button', { name: 'Undo', exact: true })
    .click();
  await expect(feed).toHaveValue(usual);

  const inRoute = page.getByRole('region', { name: 'In the route' });
  await expect(inRoute).toContainText('differs from the method chosen');
  await inRoute.getByRole('button', { name: 'Put these in their place' }).click();
  await expect(inRoute).toContainText('Mill thread M6');
  await expect(inRoute).toContainText('The steps of the chosen method are in the route');

  // The bolt holes go into the route as well.
  await kinds.getByRole('button', { name: /Bolt holes/ }).click();
  await page.getByRole('button', { name: 'Put into the route' }).click();
  await expect(page.getByRole('region', { name: 'In the route' })).toContainText('Drill 8.5 mm, Bolt holes');

  await page.getByRole('link', { name: 'TM-0231' }).click();
  await expect(page.getByRole('region', { name: 'The part' })).not.toHaveText(minutes!);
  await expect(stations.filter({ hasText: 'Mill thread M6' })).toHaveCount(1);
  await expect(stations.filter({ hasText: 'Tap M6' })).toHaveCount(0);

  // A stroke of the deep drill is taken hold of.
  await page.getByRole('link', { name: /Drill 8 mm, Channels/ }).click();
  const section = page.getByRole('group', { name: 'Section of the hole' });
  const stroke = section.getByRole('slider', { name: 'Peck 1 to' });
  await stroke.focus();
  const depth = Number(await stroke.getAttribute('aria-valuenow'));
  for (let i = 0; i < 5; i++) await stroke.press('ArrowUp');
  await expect(stroke).not.toHaveAttribute('aria-valuenow', String(depth));
  await page.getByRole('tab', { name: 'Depth' }).click();
  await expect(page.getByText(/one peck ends/).first()).toBeVisible();
  await expectSaved(page);
  await undoAll(page);
  await expect(stroke).toHaveAttribute('aria-valuenow', String(depth));
  await expectSaved(page);

  // Released by the second person and read on the sheet.
  await page.getByRole('link', { name: 'TM-0231' }).click();
  await page.getByRole('link', { name: 'Request release' }).click();
  await page.getByRole('button', { name: 'Request release' }).click();
  await expect(page.getByText('You asked for this release')).toBeVisible();
  const jobUrl = page.url().replace('/release', '');
  await signOut(page);
  await signIn(page, 'approver');
  await openJob(page, /TM-0231/);
  const decision = page.getByRole('region', { name: 'Decision' });
  await expect(decision.getByRole('button', { name: 'Release', exact: true })).toBeDisabled();
  for (const box of await page.getByRole('checkbox', { name: /^Read: / }).all()) await box.check();
  await decision.getByRole('button', { name: 'Release', exact: true }).click();
  await expect(page.getByText('Revision 1, current')).toBeVisible();
  await page.goto(`${jobUrl}/floor`);
  await expect(page.getByText(/Mill the thread M6, 12.*deep, blind, pre-hole 5.2/)).toBeVisible();
  await expect(page.getByText(/Climb from the bottom up, pitch 1/)).toBeVisible();
  await expect(page.getByText(/Pecks to/)).toBeVisible();
});

test('a reamed H7 in cobalt-chromium: stated anew, understood, and what cannot be is refused by name', async ({
  page,
}) => {
  await signIn(page, 'engineer');
  await openJob(page, /GS-0140/);
  await page.getByRole('link', { name: /^Holes/ }).click();
  await page.getByRole('button', { name: 'Hole', exact: true }).click();
  const asked = page.getByRole('region', { name: 'Requirement' });
  const take = async (label: string, value: string): Promise<void> => {
    await asked.getByLabel(label, { exact: true }).fill(value);
    await asked.getByLabel(label, { exact: true }).press('Enter');
  };
  await expect(asked.getByLabel('Name', { exact: true })).toHaveValue('Hole 2');
  await take('Name', 'Pin holes');
  await take('Diameter', '10');
  await take('Depth', '18');
  await take('Tolerance grade, IT', '7');
  await expect(page.getByRole('region', { name: 'Recommendation' })).toContainText(
    'Recommended: drill and ream',
  );
  await expect(page.getByRole('article', { name: 'Drill without pecking' })).toContainText('hole size');
  await expect(page.getByRole('region', { name: 'Not possible here' })).toContainText('the crib lacks');
  await take('Depth', '900');
  await expect(page.getByRole('alert').filter({ hasText: 'Depth is' })).toContainText('allowed');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Recommendation' })).toContainText(
    'Recommended: drill and ream',
  );

  await asked.getByLabel('Thread').selectOption('1/4-20 UNC');
  await expect(page.getByRole('region', { name: 'Not possible here' })).toContainText(/1\/4-20 UNC/);
  await page.getByRole('button', { name: 'Remove Pin holes' }).click();
  await expect(page.getByText('Pin holes was removed.')).toBeVisible();
});

test('what was removed by mistake comes back where it stood: one operation, and a kind of hole with its steps', async ({
  page,
}) => {
  await signIn(page, 'engineer');
  await openJob(page, /GS-0140/);
  const stations = page.getByRole('listitem').filter({ has: page.getByRole('button', { name: /^Move / }) });
  const names = (): Promise<string[]> => stations.getByRole('link').allTextContents();
  await expect(stations.first()).toBeVisible();
  const before = await names();
  const reamed = before.findIndex((n) => /Ream 10 mm/.test(n));
  expect(reamed).toBeGreaterThan(0);
  const note = page.getByRole('listitem').filter({ hasText: 'was removed.' });

  await page.getByRole('button', { name: 'Remove Drill 9.8 mm' }).click();
  await expect(stations).toHaveCount(before.length - 1);
  await note.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(names).toEqual(before);

  await page.getByRole('link', { name: /^Holes/ }).click();
  const kinds = page.getByRole('navigation', { name: 'Hole groups' });
  const kind = await kinds.getByRole('button').first().textContent();
  await page.getByRole('button', { name: /^Remove / }).click();
  await expect(kinds.getByRole('button')).toHaveCount(0);
  await note.last().getByRole('button', { name: 'Undo' }).click();
  await expect(kinds.getByRole('button')).toHaveCount(1);
  expect(await kinds.getByRole('button').first().textContent()).toBe(kind);
  await expect(page.getByRole('region', { name: 'In the route' })).toContainText('Ream 10 mm');
  await page.getByRole('link', { name: 'GS-0140' }).click();
  await expect.poll(names).toEqual(before);
});
