import { expect, type Page } from '@playwright/test';

/** A tasting: set up, run, tasted, read. */
export class TableDriver {
  constructor(readonly page: Page) {}

  async open(): Promise<void> {
    await this.page
      .getByRole('navigation', { name: 'Places' })
      .getByRole('link', { name: /Table$/ })
      .click();
    await expect(this.page.getByRole('main', { name: 'Table' })).toBeVisible();
  }
  async pick(what: string, choice: string | RegExp, typed?: string): Promise<void> {
    await this.page.getByRole('button', { name: `${what}: change` }).click();
    if (typed) await this.page.getByRole('combobox').fill(typed);
    await this.page.getByRole('option', { name: choice }).click();
  }
  async taster(name: string): Promise<void> {
    await this.page.getByRole('group', { name: 'Tasters' }).getByRole('button', { name }).click();
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
}
