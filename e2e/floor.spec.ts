import { expect, type Page, test } from './page-test.ts';
import { expectSaved, openJob, signIn, signOut } from './people.ts';

/** A 10-inch tablet held upright is narrower, one on a stand is this wide. */
test.use({ viewport: { width: 1024, height: 768 }, hasTouch: true, site: 'floor' });

const POCKET = 'Rough lock pocket';

async function openSheet(page: Page): Promise<void> {
  await page
    .getByRole('link', { name: /TT-0412 Tidal/ })
    .first()
    .tap();
  await expect(page.getByRole('heading', { name: /TT-0412 Tidal turbine/ })).toBeVisible();
}

/** Tool life of the lock plate's pocket on the bench, minutes. */
async function plateLife(page: Page): Promise<number> {
  await page.getByRole('link', { name: 'Burl, to the desk' }).click();
  await openJob(page, /TT-0420/);
  await page.getByRole('link', { name: /Rough plate pocket/ }).click();
  const life = page
    .getByRole('region', { name: 'Results' })
    .getByText(/Tool life/i)
    .locator('..');
  await expect(life).toContainText('min');
  return Number(/([\d.,]+)\smin/.exec(await life.innerText())![1]!.replace(',', ''));
}

test('from the sheet to what was learnt: prove-out, a trial in six taps without a line, diagnosis, constant, change point', async ({
  page,
  context,
}) => {
  await signIn(page, 'floor');
  await openSheet(page);

  // The last step of the pocket's prove-out is signed; one of another operation fails and goes before the engineer.
  const proof = page.getByRole('region', { name: `Prove-out of ${POCKET}` });
  await proof.getByRole('button', { name: /^Done: Raised by steps/ }).tap();
  await expect(proof).toContainText('all done');
  const wall = page.getByRole('region', { name: 'Prove-out of Rough outside wall' });
  await wall.getByRole('button', { name: /^Stop: Tool number and length/ }).tap();
  await page.getByRole('textbox', { name: 'What is wrong' }).fill('Length at the control is 20 mm short');
  await page.getByRole('button', { name: 'Report' }).tap();
  await expect(wall).toContainText('Stopped: Length at the control is 20 mm short, Mira Fontaine');
  await expect(page.getByText('waits in this browser')).toBeHidden();

  // The network drops; the third pocket's cutter breaks in the corner. Six taps.
  await context.setOffline(true);
  await expect(page.getByText('Offline. Keep working')).toBeVisible();
  await page.getByRole('button', { name: `Log trial of ${POCKET}` }).tap();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Broken' }).tap();
  await dialog.getByRole('button', { name: 'Corner' }).tap();
  await dialog.getByRole('button', { name: 'Features on this edge more' }).tap();
  await dialog.getByRole('button', { name: 'Features on this edge more' }).tap();
  await dialog.getByRole('button', { name: 'Log' }).tap();
  await expect(page.getByText('1 entry waits in this browser')).toBeVisible();
  await expect(page.getByText(/Edge 5: broken \(corner\), 3 features/)).toBeVisible();

  // The tablet is closed before it was sent. Opened again with a line, nothing is lost and nothing is there twice.
  await page.goto('about:blank');
  await context.setOffline(false);
  await page.goto('/');
  await openSheet(page);
  await expect(page.getByText('waits in this browser')).toBeHidden();
  await expect(page.getByText(/Edge 5: broken \(corner\), 3 features/)).toHaveCount(1);

  // Two more edges, worn.
  for (const features of [1, 2]) {
    await page.getByRole('button', { name: `Log trial of ${POCKET}` }).tap();
    await dialog.getByRole('button', { name: 'Worn' }).tap();
    for (let n = 1; n < features; n++)
      await dialog.getByRole('button', { name: 'Features on this edge more' }).tap();
    await dialog.getByRole('button', { name: 'Hum' }).tap();
    await dialog.getByRole('button', { name: 'Log' }).tap();
    await expect(page.getByText(new RegExp(`Edge ${5 + features}: worn`))).toHaveCount(1);
  }
  await signOut(page);

  // The engineer's desk shows what the floor found; the diagnosis is read, the finding answered.
  await signIn(page, 'engineer');
  const found = page.getByRole('region', { name: 'From the floor' });
  await expect(found).toContainText('Length at the control is 20 mm short');
  const broken = found.getByRole('listitem').filter({ hasText: 'Edge 5 broken (corner) in feature 3' });
  await broken.getByRole('link', { name: 'What happened?' }).click();
  const happened = page.getByRole('region', { name: 'What happened' });
  await expect(happened).toContainText('Load spike in a corner or at the entry');
  await expect(happened).toContainText('it broke in a corner');
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Burl, to the desk' }).click();
  await broken.getByRole('button', { name: 'Answer' }).click();
  await page
    .getByLabel('What is done about it')
    .fill('Change point and a larger corner radius in the next revision');
  await page.getByRole('dialog').getByRole('button', { name: 'Answer' }).click();
  await expect(broken).toBeHidden();

  // What the edges tell is accepted; the bench of another job with the same edges moves.
  const before = await plateLife(page);
  await page.getByRole('link', { name: 'Logbook' }).click();
  await page.getByRole('link', { name: 'Learning' }).click();
  await page
    .getByRole('region', { name: /^Ti-6Al-4V/ })
    .getByRole('button', { name: /^Tool life: Bull-nose end mill/ })
    .first()
    .click();
  const proposal = page.getByRole('region', { name: 'Proposal' });
  await expect(proposal.getByRole('link', { name: 'TT-0420 Rough plate pocket' })).toBeVisible();
  await proposal.getByLabel('Note').fill('Edges of the hub and of the plates before');
  await proposal.getByRole('button', { name: 'Accept as measured here' }).click();
  await expect(page.getByText('Accepted: measured here from now on.')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Measured here' })).toContainText(
    'Edges of the hub and of the plates before',
  );
  const after = await plateLife(page);
  expect(after).toBeLessThan(0.8 * before);
  await page.getByRole('tab', { name: 'Tool life' }).click();
  await expect(page.getByText(/^Measured here: 30-minute speed measured here/)).toBeVisible();

  // The hub is revised with a change point, released by another person, and the sheet says so.
  await page.getByRole('link', { name: 'Burl, to the desk' }).click();
  await openJob(page, /TT-0412/);
  await page.getByRole('link', { name: 'Release', exact: true }).click();
  await page.getByLabel('Reason for the next revision').fill('Edges broke: change point learnt');
  await page.getByRole('button', { name: 'Open the next revision' }).click();
  await page.getByRole('link', { name: POCKET }).click();
  await page.getByRole('tab', { name: 'Tool life' }).click();
  const choice = page.getByRole('button', { name: /^Attended: change after/ });
  const features = /after (\d+)/.exec(await choice.innerText())![1]!;
  await choice.click();
  await expectSaved(page);
  await page.getByRole('link', { name: 'Request release' }).click();
  await page.getByLabel(`Program of ${POCKET}`).fill('04122');
  await page.getByLabel('Note to the approver').fill('Change point from the edges logged here.');
  await page.getByRole('button', { name: 'Request release' }).click();
  await expect(page.getByText('You asked for this release')).toBeVisible();
  await signOut(page);

  await signIn(page, 'approver');
  await page
    .getByRole('link', { name: /TT-0412 Tidal/ })
    .first()
    .click();
  const decision = page.getByRole('region', { name: 'Decision' });
  await expect(page.getByRole('checkbox', { name: /^Read: / }).first()).toBeVisible();
  for (const box of await page.getByRole('checkbox', { name: /^Read: / }).all()) await box.check();
  await decision.getByRole('button', { name: 'Release', exact: true }).click();
  await expect(page.getByText('Revision 2, current')).toBeVisible();
  await signOut(page);

  await signIn(page, 'floor');
  await openSheet(page);
  await expect(page.getByText('Revision 2')).toBeVisible();
  const facts = page.getByLabel(`To know for ${POCKET}`);
  await expect(facts).toContainText(
    new RegExp(`after ${features} features?, never inside one; .* fails? earlier`),
  );
  await expect(page.locator('article').filter({ hasText: POCKET })).toContainText('04122');
});
