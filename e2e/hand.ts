import type { Page } from './page-test.ts';

/** What a person needs for one action by hand and eye, s: a key, a press of the mouse with the way there, a thought before a step. */
const [KEY, PRESS, THOUGHT] = [0.28, 1.3, 1.35] as const;

/** Counts what a person does, and how long that takes somebody of middling speed (keystroke-level model, Card 1980). */
export class Hand {
  seconds = 0;
  actions = 0;
  readonly page: Page;

  constructor(page: Page) {
    this.page = page;
  }

  async type(text: string): Promise<void> {
    await this.page.keyboard.type(text);
    this.seconds += KEY * text.length;
    this.actions += text.length;
  }
  async key(name: string): Promise<void> {
    await this.page.keyboard.press(name);
    this.seconds += KEY;
    this.actions += 1;
  }
  async press(what: ReturnType<Page['getByRole']>): Promise<void> {
    await what.click();
    this.seconds += PRESS;
    this.actions += 1;
  }
  /** Opens a list and takes an entry: set at once, since the list of the browser itself stays open over what comes next. */
  async choose(list: ReturnType<Page['getByRole']>, label: string): Promise<void> {
    await list.selectOption({ label });
    this.seconds += 2 * PRESS;
    this.actions += 2;
  }
  think(): void {
    this.seconds += THOUGHT;
  }
}
