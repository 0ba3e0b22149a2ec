import { test as base } from '@playwright/test';
import { ownServer } from './own-server.ts';

export { expect, type Locator, type Page } from '@playwright/test';

interface PageFixtures {
  /** Runs beside every test: an error thrown in the page, something the content policy stops, or a fault of the server fails the test. */
  readonly sound: undefined;
}

interface WorkerFixtures {
  /** Address of this worker's own server. */
  readonly address: string;
  /** Tests that change the demo for good name a site of their own: another name is another worker with a server of its own. */
  readonly site: string;
}

/** Playwright's test, on this worker's own server, and told what the page itself had to complain about. */
export const test = base.extend<PageFixtures, WorkerFixtures>({
  site: ['demo', { scope: 'worker', option: true }],
  address: [
    async ({ site: _ }, use) => {
      const server = await ownServer();
      await use(server.url);
      await server.stop();
    },
    { scope: 'worker' },
  ],
  baseURL: async ({ address }, use) => use(address),
  sound: [
    async ({ page }, use, info) => {
      const faults: string[] = [];
      page.on('pageerror', (error) => faults.push(error.stack ?? error.message));
      // A router catches what a page throws, and only the console hears of it.
      const said: string[] = [];
      page.on('console', (message) => {
        if (message.type() !== 'error') return;
        said.push(message.text());
        // What the content policy stops is a script, a style or an address that has no business on the page.
        if (/Content Security Policy/i.test(message.text())) faults.push(message.text());
      });
      page.on('response', (answer) => {
        if (answer.status() >= 500)
          faults.push(`${answer.status()} on ${answer.request().method()} ${answer.url()}`);
      });
      await use(undefined);
      // What the page showed tells more of a failure than the locator that was not found.
      if (info.status !== info.expectedStatus)
        console.log(
          `${page.url()} showed:\n${await page.innerText('body').catch(() => 'nothing')}\nand its console said:\n${said.join('\n')}`,
        );
      if (faults.length > 0) throw new Error(`the page had faults of its own:\n${faults.join('\n')}`);
    },
    { auto: true },
  ],
});
