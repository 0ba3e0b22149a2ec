import { expect, test } from './page-test.ts';
import { newJob } from './new-job.ts';
import { released } from './released.ts';
import { chooseCutter, expectSaved, signIn } from './people.ts';

test('a bonnet of 718: faced, finished, grooved, its edges broken from both sides, in the order that leaves no burr inside', async ({
  page,
}) => {
  await signIn(page, 'engineer');
  await newJob(page, {
    number: 'CV-1907',
    part: 'Valve bonnet',
    alloy: '718 aged',
    machine: '22 kW direct',
    quantity: 6,
  });
  const dialog = page.getByRole('dialog');
  const governs = page.getByRole('region', { name: 'What governs' });
  const add = async (what: string, cutter: string, sizes: Readonly<Record<string, string>> = {}) => {
    await page.getByRole('button', { name: 'Operation', exact: true }).click();
    await dialog.getByLabel('What is cut').selectOption(what);
    for (const [label, value] of Object.entries(sizes)) await dialog.getByLabel(label).fill(value);
    if (cutter) await chooseCutter(dialog, cutter);
    await dialog.getByRole('button', { name: 'Calculate' }).click();
    await expect(governs).toBeVisible();
  };
  const route = () => page.getByRole('link', { name: 'CV-1907' }).click();

  // The face is faced with a wiper mill; asked for Ra 0.8, the cut says what it leaves.
  await add('face', 'face45-wiper-63-z6', { Length: '160', Width: '110', Depth: '0.4' });
  await page.getByRole('button', { name: /^Feature/ }).click();
  await page.getByLabel('Ra required').fill('0.8');
  await page.getByLabel('Ra required').blur();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('region', { name: 'Results' })).toContainText(/roughness0\.\d+.µm/);
  await expectSaved(page);

  // Floor and wall of a pocket whose rougher was a size larger than its corners: pick them out first.
  await route();
  await add('finish floor and wall', '', { 'Cutter before': '20', 'Inside corners, R': '6' });
  await expect(governs).toContainText(/Pick the corners out first/);
  await page.getByRole('button', { name: /^Feature/ }).click();
  await page.getByLabel('Cutter before').fill('12');
  await page.getByLabel('Cutter before').blur();
  await page.keyboard.press('Escape');
  await expect(governs).not.toContainText('Over limit');
  await expectSaved(page);

  // A ring groove for a seal, by a mill that leaves both walls to be cut apart.
  await route();
  await add('ring groove in a face', '');
  await expect(page.getByRole('button', { name: /^Feature/ })).toContainText('Ring groove in a face');
  await expect(governs).not.toContainText('Over limit');

  // All edges, then the cross bore: drilled last it leaves its burr where nobody gets at it.
  await route();
  await add('edge break', 'chamfer-90-10-z4', { 'Chamfer width': '0.4', 'Length of the contour': '780' });
  await expect(page.getByRole('group', { name: 'Section of the edge' })).toContainText(/below the near face/);
  await expect(page.locator('[data-end="chamfer_mill"]').first()).toBeVisible();
  await route();
  await page.getByRole('button', { name: 'Operation', exact: true }).click();
  await dialog.getByLabel('What is cut').selectOption('hole');
  await dialog.getByLabel('Diameter').fill('12');
  await dialog.getByLabel('Depth').fill('18');
  await dialog.getByLabel('through').check();
  await chooseCutter(dialog, 'drill-12-3xd');
  await dialog.getByRole('button', { name: 'Calculate' }).click();
  await expect(page.getByLabel('Section of the hole')).toBeVisible();
  await route();

  // From behind only a head that goes through is offered; a hole too small for it is refused at once.
  await add('back edge', 'backchamfer-8-z4', {
    'Chamfer width': '0.3',
    'Length of the contour': '37.7',
    'Near face to far edge': '18',
    'Hole it goes through': '12',
  });
  await expect(page.getByRole('group', { name: 'Section of the edge' })).toContainText(/off the hole’s wall/);
  await page.getByRole('button', { name: /^Edge/ }).click();
  await page.getByLabel('Hole or slot it goes through').fill('8');
  await page.getByLabel('Hole or slot it goes through').blur();
  await page.keyboard.press('Escape');
  await expect(governs).toContainText(/Head 8.mm and 0\.2.mm a side; opening 8.mm/);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(governs).not.toContainText('Over limit');
  await expectSaved(page);

  // The route tells where burrs stand and the order that leaves fewest; one press takes it.
  await route();
  const burrs = page.getByRole('region', { name: 'Burrs' });
  await expect(burrs).toContainText(/Order of Setup 1 that leaves fewest/);
  await expect(burrs).toContainText(/Drill 12 × 18 earlier/);
  await burrs.getByRole('button', { name: 'Use this order' }).click();
  await expect(burrs).not.toContainText('leaves fewest');

  // Released, the sheet says how the back edge is reached, what state it has, and that a loose burr is a foreign object.
  await released(page, 'CV-1907', 'First bonnet; look at the cross bore.');
  const sheet = page.getByRole('main');
  await expect(sheet).toContainText(/Chamfer 0\.3.mm × 45°, 37\.7.mm of contour, at the back/);
  await expect(sheet).toContainText(/−0\.15.mm to −0\.45.mm \(ISO 13715\)/);
  await expect(sheet).toContainText(/middle of the opening/);
  await expect(sheet).toContainText(/foreign objects/);
  await expect(sheet).toContainText(/Floor first/);
});
