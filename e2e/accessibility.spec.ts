import AxeBuilder from '@axe-core/playwright';
import { expect, type Page, test } from './page-test.ts';
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
    name: 'new job',
    go: async (page) => {
      await page.getByRole('button', { name: 'New job' }).click();
      await expect(page.getByRole('dialog').getByLabel('Alloy')).toBeVisible();
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
      await expect(page.getByRole('row', { name: /^axial depth/ })).toContainText('differs');
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
    const axe = new AxeBuilder({ page });
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
  const wide = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  expect(wide, 'the page scrolls sideways').toBeLessThanOrEqual(0);
}

/** One visit is looked at in both themes and at both widths: contrast hangs on the theme alone, layout on the width. */
async function expectSoundInBothLooks(page: Page): Promise<void> {
  for (const [theme, width, height, rules] of [
    ['light', 1280, 800, null],
    ['dark', 1024, 768, OF_THE_LOOK],
  ] as const) {
    await test.step(`${theme}, ${width}×${height}`, async () => {
      await page.setViewportSize({ width, height });
      await page.evaluate((t) => (document.documentElement.dataset['theme'] = t), theme);
      await expectSound(page, rules);
    });
  }
}

test.describe('every place is sound, light and dark, wide and narrow:', () => {
  test.use({ colorScheme: 'light' });
  test('sign-in', async ({ page }) => {
    await page.goto('/');
    await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
    await expectSoundInBothLooks(page);
  });
  for (const place of PLACES) {
    test(place.name, async ({ page }) => {
      await signIn(page, place.as ?? 'engineer');
      await place.go(page);
      await expectSoundInBothLooks(page);
    });
  }
});
