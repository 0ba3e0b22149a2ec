import { expect, type Page, test } from './page-test.ts';
import { chooseCutter, expectSaved, signIn } from './people.ts';
import { newJob } from './new-job.ts';

/** A cut somebody knows from the floor, as it is typed; mm and rpm. */
interface KnownCut {
  readonly what: string;
  readonly kind: 'pocket' | 'slot' | 'hole';
  readonly size: Readonly<Record<string, string>>;
  readonly cutter: string;
  readonly typed: Readonly<Record<string, string>>;
  /** Limits of which one at least is over where the cut fails; none where it is run every day. */
  readonly fails?: RegExp;
}

interface KnownJob {
  readonly number: string;
  readonly part: string;
  readonly alloy: string;
  readonly machine: string;
  readonly cuts: readonly KnownCut[];
}

const TI_POCKET = { kind: 'pocket', size: { Depth: '24' }, cutter: 'em-bull-12-z5-re0.5-var' } as const;

const HSS_HOLE = { kind: 'hole', size: { Diameter: '6', Depth: '15' }, cutter: 'drill-6-hss' } as const;

const JOBS: readonly KnownJob[] = [
  {
    number: 'TT-2101',
    part: 'Blade root',
    alloy: 'Ti-6Al-4V annealed',
    machine: 'five-axis',
    cuts: [
      {
        what: 'light and two ×D deep',
        ...TI_POCKET,
        typed: {
          'spindle speed': '2122',
          'feed per tooth': '0.1',
          'axial depth': '24',
          'radial depth': '0.96',
        },
      },
      {
        what: 'at 200 m/min',
        ...TI_POCKET,
        typed: {
          'axial depth': '12',
          'radial depth': '6',
          'feed per tooth': '0.1',
          'spindle speed': '5300',
        },
        fails: /cutting speed|tool life/,
      },
      {
        what: 'rubbing',
        ...TI_POCKET,
        typed: {
          'spindle speed': '2122',
          'axial depth': '12',
          'radial depth': '0.6',
          'feed per tooth': '0.008',
        },
        fails: /minimum chip thickness/,
      },
    ],
  },
  {
    number: 'GW-2102',
    part: 'Clamp ring',
    alloy: '1045',
    machine: '15 kW belt',
    cuts: [
      {
        what: 'slot half a diameter deep',
        kind: 'slot',
        size: { Width: '12', Depth: '6' },
        cutter: 'em-bull-12-z4-re1-var',
        typed: { 'spindle speed': '2918', 'feed per tooth': '0.055', 'axial depth': '6' },
      },
      {
        what: 'slot two ×D deep in one go',
        kind: 'slot',
        size: { Width: '12', Depth: '24' },
        cutter: 'em-bull-12-z4-re1-var',
        typed: { 'spindle speed': '3979', 'feed per tooth': '0.08', 'axial depth': '24' },
        fails: /power|bending|chip space|flutes|grip|stability limit/,
      },
      {
        what: 'slot with a small mill',
        kind: 'slot',
        size: { Width: '6', Depth: '4' },
        cutter: 'em-flat-6-z4',
        typed: { 'spindle speed': '4775', 'feed per tooth': '0.02', 'axial depth': '2' },
      },
      {
        what: 'hole with a high-speed steel drill',
        ...HSS_HOLE,
        typed: { 'spindle speed': '1167', 'feed per revolution': '0.1' },
      },
    ],
  },
  {
    number: 'GW-2103',
    part: 'Gauge block',
    alloy: '1045',
    machine: 'bench mill',
    cuts: [
      {
        what: 'shallow slot',
        kind: 'slot',
        size: { Width: '12', Depth: '4' },
        cutter: 'em-flat-12-z2',
        typed: { 'spindle speed': '1592', 'feed per tooth': '0.04', 'axial depth': '1' },
      },
      {
        what: 'slot a diameter deep',
        kind: 'slot',
        size: { Width: '12', Depth: '12' },
        cutter: 'em-flat-12-z2',
        typed: { 'spindle speed': '2400', 'feed per tooth': '0.08', 'axial depth': '12' },
        fails: /power|torque|stability limit|grip/,
      },
      {
        what: 'high-speed steel at four times its speed',
        ...HSS_HOLE,
        typed: { 'spindle speed': '5000', 'feed per revolution': '0.1' },
        fails: /cutting speed/,
      },
    ],
  },
];

async function openedJob(page: Page, job: KnownJob): Promise<string> {
  await page.goto('/');
  await newJob(page, job);
  return page.url();
}

/** Names of the limits that are over once the page has settled. */
async function over(page: Page): Promise<string[]> {
  await expectSaved(page);
  const list = page.getByRole('region', { name: 'Limits' }).getByRole('button', { name: /: Over limit/ });
  return (await list.evaluateAll((all) => all.map((b) => b.getAttribute('aria-label') ?? b.textContent))).map(
    String,
  );
}

for (const job of JOBS)
  test(`cuts known from the floor, typed by hand: ${job.alloy} on ${job.machine}`, async ({ page }) => {
    await signIn(page, 'engineer');
    const url = await openedJob(page, job);
    for (const cut of job.cuts) {
      await page.goto(url);
      await page.getByRole('button', { name: 'Operation' }).click();
      const dialog = page.getByRole('dialog');
      await dialog.getByLabel('What is cut').selectOption(cut.kind);
      await dialog.getByLabel('Name').fill(cut.what);
      for (const [label, value] of Object.entries(cut.size))
        await dialog.getByLabel(new RegExp(`^${label}`)).fill(value);
      await chooseCutter(dialog, cut.cutter);
      await dialog.getByRole('button', { name: 'Calculate' }).click();
      await expect(page.getByRole('region', { name: 'Limits' })).toBeVisible();
      for (const [label, value] of Object.entries(cut.typed)) {
        const box = page.getByRole('textbox', { name: label, exact: true });
        await box.fill(value);
        await box.press('Enter');
      }
      const found = await over(page);
      if (cut.fails) expect(found.join(), cut.what).toMatch(cut.fails);
      else expect(found, cut.what).toEqual([]);
    }
  });
