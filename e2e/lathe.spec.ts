import { expect, test } from './page-test.ts';
import { newJob } from './new-job.ts';
import { chooseCutter, expectSaved, openBench, signIn, signOut } from './people.ts';

test('a valve stem on the lathe: turned, faced and bored, released, and read on the sheet', async ({
  page,
}) => {
  await signIn(page, 'engineer');
  await newJob(page, {
    number: 'CV-2612',
    part: 'Valve stem',
    alloy: '13-8Mo',
    machine: 'Two-axis lathe',
    quantity: 12,
  });
  const dialog = page.getByRole('dialog');
  const governs = page.getByRole('region', { name: 'What governs' });
  const results = page.getByRole('region', { name: 'Results' });

  // A slim stem out of the chuck alone: Burl says that it stands out too far, and what holds it.
  await page.getByRole('button', { name: 'Operation' }).click();
  await dialog.getByLabel('What is cut').selectOption('outside diameter');
  await dialog.getByLabel('Diameter before').fill('28');
  await dialog.getByLabel('Diameter after').fill('24');
  await dialog.getByLabel('Length').fill('150');
  await dialog.getByLabel('Part out of the jaws').fill('170');
  await chooseCutter(dialog, 'ins-rough-80');
  await dialog.getByRole('button', { name: 'Calculate' }).click();
  await expect(page.getByRole('group', { name: 'Half-section of the turned part' })).toBeVisible();
  await expect(governs).toContainText('Over limit');
  await expect(governs).toContainText(/chatter of the part|part overhang/);
  await governs.getByRole('button', { name: /^Preview: Hold the free end with the tailstock/ }).click();
  await governs.getByRole('button', { name: 'Apply' }).click();
  await expect(governs).not.toContainText('Over limit');
  await expect(page.getByRole('button', { name: /^Turned/ })).toContainText('tailstock');
  await expectSaved(page);

  // Depth by key in the drawing: the passes follow.
  await expect(results).toContainText(/passes\s*1fastest/);
  const depth = page.getByRole('slider', { name: 'Depth of cut' });
  await depth.focus();
  for (let i = 0; i < 20; i++) await page.keyboard.press('ArrowDown');
  await expect(results).toContainText(/passes\s*2fastest/);

  // Speed against diameter says where the cap holds.
  await expect(page.getByRole('region', { name: 'Speed against diameter' })).toContainText(
    /the cap of 2,800\srpm/,
  );
  await page.getByRole('tab', { name: 'Spindle' }).click();
  await expect(page.getByRole('region', { name: 'Power and torque' })).toBeVisible();

  // Faced to the centre.
  await page.getByRole('link', { name: 'CV-2612' }).click();
  await page.getByRole('button', { name: 'Operation' }).click();
  await dialog.getByLabel('What is cut').selectOption('end face');
  await dialog.getByLabel('From diameter').fill('28');
  await dialog.getByLabel('To diameter').fill('0');
  await dialog.getByLabel('Taken off').fill('0.4');
  await dialog.getByLabel('Part out of the jaws').fill('40');
  await chooseCutter(dialog, 'ins-fin-55');
  await dialog.getByRole('button', { name: 'Calculate' }).click();
  await expect(governs).toContainText(/from [\d.]+\smm down/);
  await expect(page.getByRole('button', { name: /^Turned/ })).toContainText('to the centre');

  // Bored by a bar that goes in: one that does not is no choice.
  await page.getByRole('link', { name: 'CV-2612' }).click();
  await page.getByRole('button', { name: 'Operation' }).click();
  await dialog.getByLabel('What is cut').selectOption('bore');
  await dialog.getByLabel('Diameter before').fill('11');
  await dialog.getByLabel('Diameter after').fill('12');
  await dialog.getByRole('button', { name: 'Calculate' }).click();
  await expect(dialog.getByRole('alert')).toContainText('Choose a cutter');
  await dialog.getByLabel('Diameter before').fill('22');
  await dialog.getByLabel('Diameter after').fill('23');
  await dialog.getByLabel('Length').fill('40');
  await dialog.getByLabel('Part out of the jaws').fill('60');
  await dialog.getByRole('button', { name: 'Calculate' }).click();
  await expect(governs).not.toContainText('Over limit');
  await expect(page.getByRole('group', { name: 'Half-section of the turned part' })).toBeVisible();

  await page.getByRole('link', { name: 'Request release' }).click();
  await page.getByLabel('Note to the approver').fill('First stems; measure both ends of the first part.');
  await page.getByRole('button', { name: 'Request release' }).click();
  await expect(page.getByText('You asked for this release')).toBeVisible();
  await signOut(page);

  await signIn(page, 'approver');
  await page.getByRole('link', { name: /CV-2612/ }).click();
  const decision = page.getByRole('region', { name: 'Decision' });
  const read = page.getByRole('checkbox', { name: /^Read: / });
  await expect(read.first()).toBeVisible();
  for (const box of await read.all()) await box.check();
  await decision.getByLabel('Reason or remark').fill('Evidence read.');
  await decision.getByRole('button', { name: 'Release', exact: true }).click();
  await expect(page.getByText('Revision 1, current')).toBeVisible();
  await signOut(page);

  await signIn(page, 'floor');
  await page.getByRole('link', { name: /CV-2612/ }).click();
  await expect(page.getByText(/out of the jaws, tailstock/).first()).toBeVisible();
  await expect(page.getByText(/spindle no faster than 2,800\srpm/).first()).toBeVisible();
});

test('a finished stem that chatters is cured by its tailstock, and taken back', async ({ page }) => {
  await signIn(page, 'engineer');
  await openBench(page, /CV-0612/, /Finish the stem/);
  const governs = page.getByRole('region', { name: 'What governs' });
  await expect(governs).toContainText('chatter of the part');
  await page.getByRole('button', { name: /^Turned/ }).click();
  await page.getByLabel('Free end', { exact: true }).selectOption('tailstock');
  await expect(governs).not.toContainText('Over limit');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(governs).toContainText('Over limit');
  await expectSaved(page);
});

test('a bar is grooved, threaded, drilled on its axis, flattened by a driven tool and parted', async ({
  page,
}) => {
  await signIn(page, 'engineer');
  await newJob(page, {
    number: 'CV-2613',
    part: 'Valve spindle',
    alloy: '13-8Mo',
    machine: 'Turning centre 18 kW',
    quantity: 12,
  });
  const dialog = page.getByRole('dialog');
  const governs = page.getByRole('region', { name: 'What governs' });
  const begin = async (what: string, sizes: Readonly<Record<string, string>>) => {
    await page.getByRole('button', { name: 'Operation' }).click();
    await dialog.getByLabel('What is cut').selectOption(what);
    for (const [name, value] of Object.entries(sizes))
      await dialog.getByLabel(new RegExp(`^${name}`)).fill(value);
    await dialog.getByRole('button', { name: 'Calculate' }).click();
  };

  const toRoute = () => page.getByRole('link', { name: 'CV-2613' }).click();

  // A groove near the end of a slender stem squeals; the tailstock cures it.
  await begin('groove', {
    'Diameter before': '30',
    'Diameter at the bottom': '25',
    Width: '3.6',
    'From the free end': '12',
    'Part out of the jaws': '150',
  });
  await expect(page.getByRole('group', { name: 'Half-section of the grooved part' })).toBeVisible();
  await expect(governs).toContainText(/chatters from .* \(the part where the groove is\)/);
  await governs.getByRole('button', { name: /^Preview: Hold the free end with the tailstock/ }).click();
  await governs.getByRole('button', { name: 'Apply' }).click();
  await expect(governs).not.toContainText('Over limit');
  await expectSaved(page);

  // Ways to make it side by side; the window of feed and speed.
  await page.getByRole('button', { name: 'Strategies' }).click();
  const ways = page.getByRole('region', { name: 'Ways side by side' });
  await expect(ways).toContainText('Sideways in layers');
  await expect(ways).toContainText('shortest');
  await ways.getByRole('button', { name: 'Use: Plunge beside plunge' }).click();
  await expect(page.getByText('Applied. Undo restores the previous cut.')).toBeVisible();
  await page.getByRole('tab', { name: 'Window' }).click();
  await expect(page.getByRole('group', { name: /^Map of feed and spindle speed; bounded by/ })).toBeVisible();

  await toRoute();
  await begin('thread outside', { Length: '22', 'Part out of the jaws': '60' });
  await expect(page.getByRole('group', { name: 'Half-section of the threaded part' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Passes' })).toContainText(/Depths .* without infeed/);

  await toRoute();
  await begin('hole', { Diameter: '8.5', Depth: '20', 'Part diameter': '30', 'Part out of the jaws': '60' });
  await expect(page.getByRole('button', { name: /^In the lathe/ })).toContainText('the part turns');

  await toRoute();
  await begin('side', {
    Length: '30',
    'Stock on the side': '3',
    Depth: '6',
    'Part diameter': '30',
    'Part out of the jaws': '60',
  });
  await expect(page.getByRole('button', { name: /^In the lathe/ })).toContainText('the driven tool turns');
  await expect(page.getByRole('button', { name: /^Machine/ })).toContainText(/6,000\srpm/);

  // Parted at a cap that throws nothing; at the spindle's own speed the part flies.
  await toRoute();
  await begin('part off', { 'Bar diameter': '30', 'Length of the part': '40', 'Part out of the jaws': '60' });
  await expect(governs).not.toContainText('Over limit');
  await page.getByRole('button', { name: /^Parted/ }).click();
  await page.getByLabel('Spindle cap').fill('3500');
  await page.getByLabel('Spindle cap').press('Enter');
  await expect(governs).toContainText(/Part comes off at 3,500\srpm/);
  await page.getByLabel('What takes the part').selectOption('the sub-spindle');
  await expect(governs).not.toContainText('Over limit');
});

test('a profile comes from a drawing; what the insert leaves of it is drawn and another insert follows it', async ({
  page,
}) => {
  await signIn(page, 'engineer');
  await openBench(page, /CV-0612/, /Turn the guide neck/);
  const governs = page.getByRole('region', { name: 'What governs' });
  const section = page.getByRole('group', { name: 'Half-section of the turned part' });
  await expect(section).toContainText(/falls 26\.6°, the edge follows 32°/);
  await page.getByRole('button', { name: /^Profile/ }).click();
  const corners = [
    [110, 15],
    [60, 15],
    [58.5, 13],
    [40, 13],
    [38, 15],
    [20, 15],
  ];
  const drawing = [
    ['0', 'SECTION', '2', 'ENTITIES', '0', 'LWPOLYLINE', '90', '6', '70', '0'],
    ...corners.map(([x, y]) => ['10', `${x}`, '20', `${y}`]),
    ['0', 'ENDSEC', '0', 'EOF'],
  ]
    .flat()
    .join('\n');
  await page.getByLabel('Profile file').setInputFiles({
    name: 'neck.dxf',
    mimeType: 'application/dxf',
    buffer: Buffer.from(drawing),
  });
  await expect(page.getByLabel('Piece 2, length')).toHaveValue('1.5');
  await page.keyboard.press('Escape');
  await expect(governs).toContainText(/trailing edge follows 32°.*uncut/);
  await expect(section).toContainText(/uncut: falls 53\.1°/);
  await governs
    .getByRole('button', { name: /^Preview/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Apply' }).click();
  await expect(section).toContainText(/falls 53\.1°, the edge follows 72\.5°/);
  await expect(governs).not.toContainText('profile reach');
  await expectSaved(page);
});
