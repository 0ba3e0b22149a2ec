import AxeBuilder from '@axe-core/playwright';
import { expect, type Page, test } from './page-test.ts';
import { pageFaults } from './page-faults.ts';
import { openBench, openJob, type Role, signIn } from './people.ts';

interface Place {
  readonly name: string;
  /** Who sees it; an engineer when nothing is said. */
  readonly as?: Role;
  readonly go: (page: Page) => Promise<void>;
}

const PLACES: readonly Place[] = [
  { name: 'desk', go: async () => undefined },
  {
    name: 'quick question',
    go: async (page) => {
      await page.goto('/quick');
      await expect(page.getByRole('region', { name: 'Tools for this' })).toBeVisible({ timeout: 20_000 });
    },
  },
  {
    name: 'what they are running',
    go: async (page) => {
      const said = '12 mm five flute, 80 m/min, 0.1 a tooth, 1 mm stepover, grade 5, it squeals';
      await page.goto(`/quick?said=${encodeURIComponent(said)}`);
      await expect(page.getByRole('region', { name: 'First change' })).toBeVisible();
    },
  },
  {
    name: 'programs',
    go: async (page) => {
      await openJob(page, /GW-1187/);
      await page.getByRole('link', { name: 'Programs', exact: true }).last().click();
      await expect(page.getByRole('button', { name: /Bore feed is the edge/ })).toBeVisible({
        timeout: 30_000,
      });
    },
  },
  {
    name: 'new job',
    go: async (page) => {
      await page.getByRole('button', { name: 'New job' }).click();
      await page.getByLabel('Part length').fill('60');
      await page.getByLabel('Part width').fill('24');
      await page.getByLabel('Part height').fill('6');
      await page.getByLabel('Top', { exact: false }).first().fill('1');
      await page.getByRole('button', { name: 'Add feature' }).click();
      await expect(page.getByRole('img', { name: /with the part in it/ })).toBeVisible();
    },
  },
  {
    name: 'batch',
    go: async (page) => {
      await page
        .getByRole('link', { name: /CV-0588/ })
        .first()
        .click();
      await page.getByRole('link', { name: 'Batch', exact: true }).click();
      await expect(page.getByRole('region', { name: 'Alone at night' })).toBeVisible();
    },
  },
  {
    name: 'route',
    go: async (page) => {
      await page
        .getByRole('link', { name: /GW-1187/ })
        .first()
        .click();
      await expect(page.getByRole('heading', { name: /GW-1187/ })).toBeVisible();
    },
  },
  {
    name: 'holes of a part',
    go: async (page) => {
      await openJob(page, /GS-0140/);
      await page.getByRole('link', { name: /^Holes/ }).click();
      await expect(page.getByRole('region', { name: 'Recommendation' })).toBeVisible();
    },
  },
  {
    name: 'reaming bench',
    go: async (page) => openBench(page, /GS-0140/, /Ream 10 mm/),
  },
  {
    name: 'milling bench',
    go: async (page) => {
      await openBench(page, /GW-1187/, /Rough seal pocket/);
      await page
        .getByRole('button', { name: /^Preview/ })
        .first()
        .waitFor();
      await page.getByRole('button', { name: /^wall deflection/ }).click();
    },
  },
  {
    name: 'turning bench',
    go: async (page) => {
      await openBench(page, /CV-0612/, /Finish the stem/);
      await expect(page.getByRole('region', { name: 'Speed against diameter' })).toBeVisible();
    },
  },
  {
    name: 'ways to groove',
    go: async (page) => {
      await openBench(page, /CV-0612/, /Groove for the seal/);
      await page.getByRole('button', { name: 'Strategies', exact: true }).click();
      await expect(page.getByRole('region', { name: 'Ways side by side' })).toContainText('shortest');
    },
  },
  {
    name: 'window of the cut',
    go: async (page) => {
      await openBench(page, /TT-0420/, /Rough plate pocket/);
      await page.getByRole('tab', { name: 'Window' }).click();
      await page.getByRole('button', { name: 'Larger chart' }).click();
      await expect(page.getByRole('slider', { name: 'Working point' })).toBeVisible({ timeout: 60_000 });
    },
  },
  {
    name: 'wall and path',
    go: async (page) => {
      await openBench(page, /TT-0420/, /Rough plate pocket/);
      await page.getByRole('tab', { name: 'Wall' }).click();
      await expect(page.getByText(/Wall error/)).toBeVisible();
      await page.getByRole('tab', { name: 'Path' }).click();
      await expect(page.getByText('recommended')).toBeVisible();
    },
  },
  {
    name: 'strategies',
    go: async (page) => {
      await openBench(page, /TT-0420/, /Rough plate pocket/);
      await page.getByRole('button', { name: 'Strategies', exact: true }).click();
      await expect(page.getByRole('button', { name: 'Use column 2 in the operation' })).toBeEnabled({
        timeout: 40_000,
      });
    },
  },
  {
    name: 'variants',
    go: async (page) => {
      await openBench(page, /GW-1187/, /Rough seal pocket/);
      await page.getByRole('button', { name: 'Variants', exact: true }).click();
      await expect(page.getByRole('row', { name: /^axial depth/ })).toContainText('%');
    },
  },
  {
    name: 'drilling bench',
    go: async (page) => {
      await openBench(page, /GW-1187/, /Drill 8.5/);
      await page.getByRole('img', { name: /power needed/ }).waitFor();
    },
  },
  {
    name: 'tip of a combination',
    go: async (page) => {
      await page.goto('/resonance');
      await page.getByRole('img', { name: /Tool-tip FRF/ }).waitFor();
    },
  },
  {
    name: 'lobes',
    go: async (page) => {
      await page.goto('/resonance?tab=lobes');
      await page.getByRole('img', { name: /stable up to/ }).waitFor({ timeout: 40_000 });
      // The periodic border goes on in a worker; the page is as it will be.
      await page.getByRole('button', { name: 'Stop calculating the lobes' }).click();
    },
  },
  {
    name: 'sound',
    go: async (page) => {
      await page.goto('/resonance?tab=sound');
      await page.getByRole('button', { name: /^chatter/ }).click();
      await page.getByText(/Chatter at .* sure/).waitFor({ timeout: 20_000 });
    },
  },
  {
    name: 'release',
    go: async (page) => {
      await page
        .getByRole('link', { name: /CV-0093/ })
        .first()
        .click();
      await expect(page.getByRole('region', { name: 'Request' })).toBeVisible();
    },
  },
  {
    name: 'sheet',
    go: async (page) => {
      const id = await page.request
        .get('/api/jobs')
        .then(
          async (r) =>
            ((await r.json()) as { id: string; number: string }[]).find((j) => j.number === 'TT-0412')!.id,
        );
      await page.goto(`/jobs/${id}/floor`);
      await expect(page.getByRole('region', { name: 'Prove-out', exact: true })).toBeVisible();
    },
  },
  {
    name: 'trial on the floor',
    as: 'floor',
    go: async (page) => {
      await page
        .getByRole('link', { name: /TT-0412/ })
        .first()
        .click();
      await page.getByRole('button', { name: 'Log trial of Rough lock pocket' }).click();
      await page.getByRole('dialog').getByRole('button', { name: 'Broken' }).click();
      await page.getByRole('dialog').getByRole('button', { name: /^More/ }).click();
    },
  },
  {
    name: 'logbook',
    go: async (page) => {
      await page.goto('/logbook');
      await expect(page.getByRole('table')).toBeVisible();
    },
  },
  {
    name: 'what happened',
    go: async (page) => {
      await page.getByRole('link', { name: 'What happened?' }).first().click();
      await expect(page.getByRole('region', { name: 'What happened' })).toBeVisible();
    },
  },
  {
    name: 'plots of the logbook',
    go: async (page) => {
      await page.goto('/logbook/plots');
      await expect(page.getByRole('img', { name: /Measured against expected life/ })).toBeVisible();
    },
  },
  {
    name: 'learning',
    go: async (page) => {
      await page.goto('/logbook/learning');
      await page
        .getByRole('button', { name: /^Tool life: Bull-nose end mill/ })
        .first()
        .click();
      await expect(page.getByRole('region', { name: 'Proposal' })).toBeVisible();
    },
  },
  {
    name: 'crib',
    go: async (page) => {
      await page.goto('/crib/cutters');
      await expect(page.getByRole('table')).toBeVisible();
    },
  },
  {
    name: 'people',
    as: 'administrator',
    go: async (page) => {
      await page.getByRole('link', { name: 'People' }).click();
      await expect(page.getByRole('row', { name: /Ada Eder/ })).toBeVisible();
    },
  },
  {
    name: 'own account',
    go: async (page) => {
      await page.setViewportSize({ width: 1280, height: 800 });
      await page.getByRole('button', { name: /^Your account/ }).click();
      await expect(page.getByRole('dialog').getByLabel('New password')).toBeVisible();
    },
  },
  {
    name: 'assemblies',
    go: async (page) => {
      await page.goto('/crib/assemblies');
      await expect(page.getByRole('heading', { name: 'New assembly' })).toBeVisible();
    },
  },
];

/** Rules whose answer hangs on theme or width; the others are the same in every look. */
const OF_THE_LOOK = ['color-contrast', 'target-size'];

async function expectSound(page: Page, rules: readonly string[] | null): Promise<void> {
  // What is still arriving may be replaced under the checker's hands; what is wrong with the page stays wrong.
  await expect(async () => {
    // No page of ours has a frame of another origin, for which the checker would open a window each time.
    const axe = new AxeBuilder({ page }).options({ resultTypes: ['violations'] }).setLegacyMode();
    const { violations } = await (
      rules
        ? axe.withRules([...rules])
        : axe.withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    ).analyze();
    const found = violations.map(
      (v) =>
        `${v.id}: ${v.nodes
          .map((n) => n.target.join(' '))
          .slice(0, 4)
          .join(' | ')}`,
    );
    expect(found).toEqual([]);
  }).toPass({ timeout: 60_000 });
}

/** Sizes a place is looked at in: two windows, a tablet held upright and a phone, the last two by touch. */
const SIZES = [
  { width: 1280, height: 800, touch: false },
  { width: 1024, height: 768, touch: false },
  { width: 800, height: 1280, touch: true },
  { width: 390, height: 844, touch: true },
] as const;

/** What is asked of a look beside its layout: every rule once, then the colours of the other theme where the layout is another. */
const rulesOf = (theme: string, width: number): readonly string[] | null | 'none' =>
  theme === 'light' && width === 1280 ? null : theme === 'dark' && width === 390 ? OF_THE_LOOK : 'none';

/** One visit is looked at in four sizes and both themes: nothing overflows, overlaps, is cut or too small, and axe finds nothing. */
async function expectSoundInEveryLook(page: Page): Promise<void> {
  const glass = await page.context().newCDPSession(page);
  for (const { width, height, touch } of SIZES) {
    await page.setViewportSize({ width, height });
    await glass.send('Emulation.setTouchEmulationEnabled', { enabled: touch });
    for (const theme of ['light', 'dark'] as const) {
      await test.step(`${theme}, ${width}×${height}`, async () => {
        await page.evaluate((t) => (document.documentElement.dataset['theme'] = t), theme);
        // What is still arriving may lie on what it replaces for a moment.
        await expect(async () => {
          expect(await page.evaluate(pageFaults, { touch, width })).toEqual([]);
        }).toPass({ timeout: 15_000 });
        const rules = rulesOf(theme, width);
        if (rules !== 'none') await expectSound(page, rules);
      });
    }
  }
}

test.describe('every place is sound in four sizes and both themes:', () => {
  test.use({ colorScheme: 'light' });
  test('sign-in', async ({ page }) => {
    await page.goto('/');
    await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
    await expectSoundInEveryLook(page);
  });
  for (const place of PLACES) {
    test(place.name, async ({ page }) => {
      await signIn(page, place.as ?? 'engineer');
      await place.go(page);
      await expectSoundInEveryLook(page);
    });
  }
});
