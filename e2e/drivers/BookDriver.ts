import { expect, type Locator } from '@playwright/test';
import { Hands } from './Hands';

/** The book's own hands: open a tea, fill its forms, read what it says. */
export class BookDriver extends Hands {
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
  /** Its forms have many fields alike: each is named whole. */
  override async type(label: string, text: string): Promise<void> {
    await this.field(label).fill(text);
  }
  override async choose(label: string, option: string): Promise<void> {
    await this.field(label).selectOption({ label: option });
  }
  override async press(name: string | RegExp): Promise<void> {
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
  /** The figures of the recipe in the book. */
  expectFacts(words: string): Promise<void> {
    return expect(this.page.locator('.facts')).toContainText(words);
  }
  /** A version of the recipe, counted from the newest, 1. */
  version(n: number): Hands {
    return this.at(this.page.locator('.versions li').nth(n - 1));
  }
  /** The tea of the index that the keys stand on. */
  expectLit(tea: string): Promise<void> {
    return expect(this.page.locator('.teas a.lit')).toContainText(tea);
  }
}
