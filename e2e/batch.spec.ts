import { Hand } from './hand.ts';
import { newJob } from './new-job.ts';
import { expect, type Locator, type Page, test } from './page-test.ts';
import { signIn, signOut } from './people.ts';

/** Types into a field found by its label. */
async function fill(page: Page, hand: Hand, label: string | RegExp, text: string): Promise<void> {
  const field = page.getByLabel(label, { exact: typeof label === 'string' }).first();
  await field.focus();
  await page.keyboard.press('ControlOrMeta+a');
  await hand.type(text);
  await hand.key('Tab');
}

/** Types sizes of a feature by their names. */
async function sizes(features: Locator, hand: Hand, typed: Readonly<Record<string, string>>): Promise<void> {
  for (const [label, text] of Object.entries(typed)) {
    await features.getByLabel(new RegExp(`^${label}`)).focus();
    await hand.key('ControlOrMeta+a');
    await hand.type(text);
    await hand.key('Tab');
  }
}

async function take(page: Page, hand: Hand, label: string, words: string): Promise<void> {
  await page.getByRole('combobox', { name: label, exact: true }).focus();
  hand.think();
  await hand.type(words);
  await hand.key('Enter');
}

test('thirty wear plates: from the request to a release, with minutes, cost, night, first piece and bond', async ({
  page,
}) => {
  await signIn(page, 'engineer');
  const hand = new Hand(page);
  await hand.press(page.getByRole('button', { name: 'New job' }));
  await fill(page, hand, 'Number', 'CV-2001');
  await fill(page, hand, 'Part', 'Wear plate');
  await take(page, hand, 'Alloy', 'd2 hardened');
  await take(page, hand, 'Machine', 'bench mill');
  await fill(page, hand, 'Quantity', '30');
  await fill(page, hand, 'Spare blanks', '3');
  await fill(page, hand, /^Hardness/, '58');
  await fill(page, hand, /^Part length/, '60');
  await fill(page, hand, /^Part width/, '24');
  await fill(page, hand, /^Part height/, '6');
  await fill(page, hand, /^Bottom/, '0.3');
  await fill(page, hand, /^Blank price/, '38');
  await page.getByLabel('Held by').selectOption('adhesive');
  await fill(page, hand, /^Bonded area/, '1300');
  // Features once: nine slots from the top, the back from below.
  await page.getByLabel('Feature', { exact: true }).selectOption('slot');
  await fill(page, hand, /^How many/, '9');
  await fill(page, hand, 'Called', 'slots');
  const features = page.getByRole('region', { name: 'Features' });
  await sizes(features, hand, { Length: '24', Width: '2', Depth: '2' });
  await hand.press(page.getByRole('button', { name: 'Add feature' }));
  await page.getByLabel('Feature', { exact: true }).selectOption('face');
  await page.getByLabel('From', { exact: true }).selectOption('bottom');
  await sizes(features, hand, {
    'How many': '1',
    Called: 'back',
    Length: '60',
    Width: '24',
    'Stock to face off': '0.3',
  });
  await hand.press(page.getByRole('button', { name: 'Add feature' }));
  await expect(features.getByText('9 × slots, 24 × 2 × 2 mm, from the top')).toBeVisible();
  await hand.press(page.getByRole('button', { name: 'Create job' }));
  await expect(page.getByRole('heading', { name: 'CV-2001 Wear plate' })).toBeVisible({ timeout: 60_000 });
  // Two setups with their operations, worked out, none of them over; a newcomer is here in two minutes.
  await expect(page.getByRole('link', { name: /Mill slots/ })).toBeVisible();
  await expect(page.getByRole('link', { name: /Mill back/ })).toBeVisible();
  await expect(page.getByText('Over limit')).toHaveCount(0);
  expect(hand.seconds).toBeLessThan(120);

  // Four a load, and a word to the second setup on what it locates on.
  await hand.press(page.getByRole('button', { name: 'Set up Setup 1' }));
  await fill(page, hand, /^Parts a load/, '4');
  await fill(page, hand, 'Work offset', 'G54');
  await hand.press(page.getByRole('button', { name: 'Save setup' }));
  await expect(page.getByText('4 parts a load')).toBeVisible();
  await hand.press(page.getByRole('button', { name: 'Set up Setup 2' }));
  await fill(page, hand, 'Locates on, finished before', 'the slotted face');
  await hand.press(page.getByRole('button', { name: 'Save setup' }));
  await expect(page.getByRole('dialog')).toHaveCount(0);

  await hand.press(page.getByRole('link', { name: 'Batch', exact: true }));
  const card = (name: string) => page.getByRole('region', { name, exact: true });
  await expect(page.getByText('33 blanks in 2 setups')).toBeVisible();
  await expect(card('Minutes')).toContainText('4 a load');
  await expect(card('Cost')).toContainText(/Together.*EUR/);
  await expect(card('Cost')).toContainText(/Blanks.*1,254\sEUR/);
  await expect(card('Holding')).toContainText(/part up to \d+\s°C, lets go at 80\s°C/);
  await expect(card('First piece and distortion')).toContainText('33 parts would go through the first setup');
  await expect(card('First piece and distortion')).toContainText('the slotted face is finished and clean');
  await expect(card('Alone at night')).toContainText(/One night, \d+ parts? in/);
  await expect(card('Edges for the batch')).toContainText('not counted');

  // The light-radial school beside what is planned.
  await hand.press(page.getByRole('button', { name: 'Compare' }));
  const routes = card('The same job run otherwise');
  await expect(routes.getByRole('columnheader', { name: 'As planned' })).toBeVisible({ timeout: 60_000 });
  await expect(routes.getByRole('columnheader', { name: /Light radial/ })).toBeVisible();
  await expect(routes.getByText(/worse|better/).first()).toBeVisible();

  // A dearer machine hour shows at once; the rates hold for the shop and are put back.
  const cost = await card('Cost')
    .getByRole('cell', { name: /EUR a part$/ })
    .innerText();
  await page.getByRole('button', { name: 'Rates of the shop' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel(/^Hour of Bench mill/).fill('180');
  await dialog.getByRole('button', { name: 'Save rates' }).click();
  await expect(card('Cost').getByRole('cell', { name: /EUR a part$/ })).not.toHaveText(cost);
  await page.getByRole('button', { name: 'Rates of the shop' }).click();
  await dialog.getByLabel(/^Hour of Bench mill/).fill('');
  await dialog.getByRole('button', { name: 'Save rates' }).click();
  await expect(card('Cost').getByRole('cell', { name: /EUR a part$/ })).toHaveText(cost);

  // Release: what the batch puts at stake is ticked beside the limits.
  await page.getByRole('link', { name: 'CV-2001' }).click();
  await hand.press(page.getByRole('link', { name: 'Request release' }));
  await page
    .getByLabel('Note to the approver')
    .fill('First batch of these plates; one piece goes through both setups.');
  await hand.press(page.getByRole('button', { name: 'Request release' }));
  await expect(page.getByRole('region', { name: 'Batch' })).toContainText('33 blanks');
  expect(hand.seconds).toBeLessThan(600);
  const url = page.url();
  await signOut(page);

  await signIn(page, 'approver');
  await page.goto(url);
  const ticks = page.getByRole('main').getByRole('checkbox');
  await expect(page.getByRole('region', { name: 'Batch' }).getByRole('checkbox').first()).toBeVisible();
  for (const tick of await ticks.all()) await tick.check();
  await page.getByRole('button', { name: 'Release', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Sheet' })).toBeVisible();
  await page.getByRole('link', { name: 'Open and print' }).click();
  const sheet = page.getByRole('region', { name: 'Setups and batch' });
  await expect(sheet).toContainText('Held by adhesive');
  await expect(sheet).toContainText('One piece goes through every setup first');
  await expect(sheet).toContainText(/33 blanks; [\d.]+ min a part/);
});

test('a feature more brings its operations into a setup', async ({ page }) => {
  await signIn(page, 'engineer');
  await newJob(page, {
    number: 'TM-2002',
    part: 'Gasket plate',
    alloy: 'S32750',
    machine: '22 kW direct',
    quantity: 4,
  });
  await page.getByRole('button', { name: 'Feature', exact: true }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Called').fill('gasket pocket');
  await dialog.getByLabel(/^Tolerance/).fill('0.04');
  await dialog.getByLabel(/^Tolerance/).press('Tab');
  await dialog.getByRole('button', { name: 'Add operations' }).click();
  await expect(dialog).toHaveCount(0, { timeout: 60_000 });
  await expect(page.getByRole('link', { name: /Rough gasket pocket/ })).toBeVisible();
  await expect(page.getByRole('link', { name: /Finish gasket pocket/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Move / })).toHaveCount(2);
});

test('an empty setup is removed, a full one keeps its button to itself', async ({ page }) => {
  await signIn(page, 'engineer');
  await page
    .getByRole('link', { name: /CV-0588/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Setup', exact: true }).click();
  await page.getByRole('button', { name: 'Set up Setup 3' }).click();
  await page.getByRole('button', { name: 'Remove setup' }).click();
  await expect(page.getByRole('heading', { name: /^Setup 3/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Set up Setup 1' }).click();
  await expect(page.getByRole('button', { name: 'Save setup' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Remove setup' })).toHaveCount(0);
  // A holding that cannot be is refused by its field, and nothing is lost.
  await page.getByLabel(/^Share of cure reached/).fill('1.4');
  await page.getByLabel(/^Share of cure reached/).press('Tab');
  await page.getByRole('button', { name: 'Save setup' }).click();
  await expect(page.getByRole('alert')).toContainText(/cure/i);
});
