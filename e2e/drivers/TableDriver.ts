import { expect, type Locator } from '@playwright/test';
import { Hands } from './Hands';

/** A tasting: set up, run, tasted, read. */
export class TableDriver extends Hands {
  async open(): Promise<void> {
    await this.page
      .getByRole('navigation', { name: 'Places' })
      .getByRole('link', { name: /Table$/ })
      .click();
    await expect(this.page.getByRole('main', { name: 'Table' })).toBeVisible();
  }
  async pick(what: string, choice: string | RegExp, typed?: string): Promise<void> {
    await this.page.getByRole('button', { name: `${what}: change` }).click();
    if (typed) await this.page.getByRole('combobox', { name: 'Type a name' }).fill(typed);
    await this.page.getByRole('option', { name: choice }).click();
  }
  async taster(name: string): Promise<void> {
    await this.page.getByRole('group', { name: 'Tasters' }).getByRole('button', { name }).click();
  }
  /** So many seats for guests. */
  async guests(seats: number): Promise<void> {
    await this.page.getByLabel('Seats for guests').selectOption(String(seats));
  }
  async guestCode(): Promise<string> {
    return (await this.page.locator('.guest-code').textContent()) ?? '';
  }
  /** Any of the bowls: the first. */
  chooseFirstBowl(): Promise<void> {
    return this.page.locator('.bowls button').first().click();
  }
  /** A taster's own cups beside what the others found. */
  expectCompared(cups: number): Promise<void> {
    return expect(this.page.locator('.compared tbody tr')).toHaveCount(cups);
  }
  /** One bowl of a pair or a triangle. */
  async chooseBowl(code: string): Promise<void> {
    await this.page.getByRole('radio', { name: code }).click();
  }
  async figure(cup: number, what: string, typed: string): Promise<void> {
    await this.page.getByRole('button', { name: new RegExp(`^Cup ${cup}, ${what}:`) }).click();
    await this.page.getByLabel(`Cup ${cup}, ${what}`, { exact: true }).fill(typed);
    await this.page.keyboard.press('Enter');
  }
  async setUp(): Promise<void> {
    await this.page.getByRole('button', { name: /^Set it up/ }).click();
    await expect(this.page.getByRole('button', { name: /^Start the clock/ })).toBeVisible();
  }
  /** Codes of the cups as the run screen lists them, weakest first. */
  codes(): Promise<string[]> {
    return this.page.locator('.weighed b').allTextContents();
  }
  act() {
    return this.page.locator('.run-act');
  }
  async poured(code: string): Promise<void> {
    await expect(this.page.locator('.rung', { hasText: code })).toContainText('poured');
  }
  async served(): Promise<string[]> {
    await expect(this.page.locator('.cups-strip b').first()).toBeVisible();
    return this.page.locator('.cups-strip b').allTextContents();
  }
  async step(name: string): Promise<void> {
    await this.page.getByRole('tab', { name: new RegExp(`${name}$`) }).click();
  }
  async mark(what: string): Promise<void> {
    await this.page.getByRole('radio', { name: what, exact: true }).click();
  }
  async keep(): Promise<void> {
    await this.page.getByRole('button', { name: /^Keep/ }).click();
  }
  /** Puts the cups in order with keys: each is walked up to its place. */
  async order(wanted: readonly string[]): Promise<void> {
    for (const [i, code] of wanted.entries()) {
      for (;;) {
        const now = await this.page
          .locator('.order-cups li')
          .evaluateAll((rows) => rows.map((r) => r.getAttribute('data-code')));
        const at = now.indexOf(code);
        if (at <= i) break;
        await this.page.getByRole('button', { name: new RegExp(`^${code}, place`) }).focus();
        await this.page.keyboard.press('Shift+ArrowUp');
      }
    }
  }
  async handIn(): Promise<void> {
    await this.page.getByRole('button', { name: /^Submit (sheet|order)$/ }).click();
  }
  expectHandedIn() {
    return expect(this.page.getByText(/^Submitted at/)).toBeVisible();
  }
  async openTasting(words: string): Promise<void> {
    await this.page.locator('a.tasting-row', { hasText: words }).click();
  }
  expectTastings(words: string, n: number): Promise<void> {
    return expect(this.page.locator('a.tasting-row', { hasText: words })).toHaveCount(n);
  }
  private sitting(name: string): Locator {
    return this.page.locator('.sitting li', { hasText: name });
  }
  /** A taster was called away. */
  async left(name: string): Promise<void> {
    await this.sitting(name).getByRole('button', { name: 'Left' }).click();
  }
  expectSitting(name: string, words: string): Promise<void> {
    return expect(this.sitting(name)).toContainText(words);
  }
  /** The code of the cup that is being tasted. */
  async cupNow(): Promise<string> {
    return (await this.page.locator('.cups-strip [aria-selected=true] b').textContent()) ?? '';
  }
  /** Opens the sheet that waits for whoever is here. */
  async openOwed(): Promise<void> {
    await this.page.locator('.owed a').click();
  }
  expectHeadline(words: RegExp | string): Promise<void> {
    return expect(this.page.locator('.headline')).toContainText(words);
  }
}
