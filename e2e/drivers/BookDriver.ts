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
  /** What is said of changes where the first history is open. */
  expectChanges(words: RegExp): Promise<void> {
    return expect(this.page.locator('.changes').first()).toContainText(words);
  }
  /** The teas of the index, and no other. */
  expectTeas(...teas: readonly RegExp[]): Promise<void> {
    return expect(this.page.locator('.teas li')).toHaveText([...teas]);
  }
  /** The vessels a tea is worked out for. */
  expectVessels(words: string): Promise<void> {
    return expect(this.page.locator('.grid-table')).toContainText(words);
  }
  /** The colour the tea's cup is drawn in. */
  cupColour(): Promise<string | null> {
    return this.page
      .locator('main svg[width="68"] radialGradient stop')
      .first()
      .getAttribute('stop-color');
  }
  expectSwatches(count: number): Promise<void> {
    return expect(this.page.locator('.swatch-strip figure')).toHaveCount(count);
  }
  /** Cups that a fit leaves out. */
  expectLeftOut(cups: number): Promise<void> {
    return expect(this.page.locator('.fit-cups tr.out')).toHaveCount(cups);
  }
  /** How many readings of a kettle are kept on its page. */
  readingsKept(): Promise<number> {
    return this.page.locator('.readings li b').count();
  }
  /** One of a lot's pockets is used, at the lot that says so much is left. */
  usePocket(left: string): Promise<void> {
    return this.page
      .locator('.stock-row', { hasText: left })
      .getByRole('button', { name: /^One pocket fewer/ })
      .click();
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
