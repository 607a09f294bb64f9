import { expect, type Locator, type Page } from '@playwright/test';

/** The book's own hands: open a tea, fill its forms, read what it says. */
export class BookDriver {
  constructor(readonly page: Page) {}

  async open(tea: string): Promise<void> {
    await this.page
      .getByRole('navigation', { name: 'Places' })
      .getByRole('link', { name: /Book$/ })
      .click();
    await this.page
      .getByRole('region', { name: 'Teas' })
      .getByRole('link', { name: new RegExp(tea) })
      .click();
    await expect(this.page.getByRole('heading', { name: tea })).toBeVisible();
  }
  async newTea(name: string): Promise<void> {
    await this.page
      .getByRole('navigation', { name: 'Places' })
      .getByRole('link', { name: /Book$/ })
      .click();
    await this.page.getByRole('link', { name: 'New tea' }).click();
    await this.type('Name', name);
  }
  field(label: string): Locator {
    return this.page.getByLabel(label, { exact: true });
  }
  async type(label: string, text: string): Promise<void> {
    await this.field(label).fill(text);
  }
  async choose(label: string, option: string): Promise<void> {
    await this.field(label).selectOption({ label: option });
  }
  async press(name: string | RegExp): Promise<void> {
    await this.page
      .getByRole('button', { name, exact: typeof name === 'string' })
      .first()
      .click();
  }
  expectPacket(words: RegExp): Promise<void> {
    return expect(this.page.getByTestId('packet')).toContainText(words);
  }
  lot(name: string): Locator {
    return this.page
      .getByRole('region', { name: 'Lots' })
      .getByRole('listitem')
      .filter({ hasText: name });
  }
  async openHistory(n: number): Promise<void> {
    await this.page.getByText('History', { exact: true }).nth(n).click();
  }
}
