import { expect, type Locator } from '@playwright/test';
import { Hands } from './Hands';

type Word =
  'Tea' | 'Site' | 'Person' | 'Since' | 'Verdict' | 'Vessel' | 'Method' | 'Lot' | 'Pull' | 'Noted';

/** The log, its trends and one brew's page, as somebody reads them. */
export class LogDriver extends Hands {
  private get rows(): Locator {
    return this.page.locator('a.log-row');
  }
  private pickOf(word: Word): Locator {
    return this.page.getByRole('button', { name: `${word}: change` });
  }

  expectBrews(): Promise<void> {
    return expect(this.rows.first()).toBeVisible();
  }
  /** Cup, vessel and pull of each brew are drawn in its own line. */
  async expectDrawnInTheirLines(): Promise<void> {
    for (const row of (await this.rows.all()).slice(0, 3)) {
      const line = await row.boundingBox();
      for (const drawing of await row.locator('svg').all()) {
        const box = await drawing.boundingBox();
        if (!line || !box) throw new Error('a line or its drawing is not on the page');
        expect(box.y + box.height).toBeLessThanOrEqual(line.y + line.height + 1);
        expect(box.y).toBeGreaterThan(line.y - line.height / 2);
      }
    }
  }
  morePicks(): Promise<void> {
    return this.page.getByRole('button', { name: 'More picks' }).click();
  }
  /** Puts another word into the sentence. */
  async pick(word: Word, option: string | RegExp): Promise<void> {
    await this.pickOf(word).click();
    await this.page.getByRole('option', { name: option, exact: true }).click();
  }
  /** Some letters of a tea's name, and Enter. */
  async findTea(letters: string): Promise<void> {
    await this.pickOf('Tea').click();
    await this.page.getByRole('combobox').fill(letters);
    await this.page.keyboard.press('Enter');
  }
  /** What may be picked for a word; the list stays open. */
  async expectChoices(word: Word, choices: readonly string[]): Promise<void> {
    await this.pickOf(word).click();
    await expect(this.page.getByRole('option')).toHaveText([...choices]);
  }
  chooseOption(option: string | RegExp): Promise<void> {
    return this.page.getByRole('option', { name: option }).click();
  }
  expectPicked(word: Word, text: string): Promise<void> {
    return expect(this.pickOf(word)).toHaveText(text);
  }

  /** There are brews, and every one of them says so: waited for, since a new view comes over the network. */
  async expectEvery(says: string | RegExp): Promise<void> {
    await expect(this.rows.filter({ hasNotText: says })).toHaveCount(0);
    await expect(this.rows.filter({ hasText: says }).first()).toBeVisible();
  }
  /** Every brew was pulled out of its window: early or late stands at its figure. */
  async expectEveryOutOfItsWindow(): Promise<void> {
    const off = this.page.locator('.error em');
    await expect(this.rows.filter({ hasNot: off })).toHaveCount(0);
    await expect(this.rows.filter({ has: off }).first()).toBeVisible();
  }
  /** How many brews the list says it has. */
  async counted(): Promise<number> {
    const words = await this.page.getByText(/\d+ brews?, \d+ ended in the window/).textContent();
    return Number(/^(\d+)/.exec(words ?? '')?.[1]);
  }
  expectCounts(): Promise<void> {
    return expect(this.page.getByText(/\d+ brews?, /)).toBeVisible();
  }
  showEveryBrew(): Promise<void> {
    return this.page.getByRole('button', { name: 'Show every brew here' }).click();
  }
  /** The list as a file: its lines. */
  async asCsv(): Promise<string[]> {
    const [file] = await Promise.all([
      this.page.waitForEvent('download'),
      this.page.getByRole('link', { name: 'As CSV' }).click(),
    ]);
    const text = (await (await file.createReadStream()).toArray()).join('');
    return text.trim().split('\r\n');
  }

  /** By its key, from the list. */
  async openTrends(): Promise<void> {
    await expect(this.page.getByRole('link', { name: /^Trends/ })).toBeVisible();
    await this.page.keyboard.press('t');
  }
  expectChart(): Promise<void> {
    return expect(this.page.getByRole('group', { name: /\d+ brews, mean .*limits/ })).toBeVisible();
  }
  expectChartOrNone(): Promise<void> {
    const chart = this.page.getByRole('group', { name: /brews/ });
    return expect(chart.or(this.page.getByText('No brew is like that.'))).toBeVisible();
  }
  expectDrifts(words: RegExp): Promise<void> {
    return expect(this.page.getByRole('region', { name: 'What drifts' })).toContainText(words);
  }
  asTable(): Promise<void> {
    return this.page.getByRole('button', { name: /^As a table/ }).click();
  }
  expectTable(name: string): Promise<void> {
    return expect(this.page.getByRole('table', { name })).toBeVisible();
  }
  openCorrections(): Promise<void> {
    return this.page.getByRole('link', { name: 'Corrections' }).click();
  }
  expectRow(table: string, row: RegExp): Promise<void> {
    const rows = this.page.getByRole('table', { name: table });
    return expect(rows.getByRole('row', { name: row })).toBeVisible();
  }

  expectTimeLine(words: RegExp): Promise<void> {
    return expect(this.page.getByRole('img', { name: words })).toBeVisible();
  }
  /** Another steep of the same leaf, from a brew's page. */
  async openSteep(name: RegExp): Promise<void> {
    await expect(this.page.getByText('Its leaf')).toBeVisible();
    await this.page.getByRole('link', { name }).click();
  }
  /** So many lines say all of these words. */
  expectLines(count: number, ...words: readonly string[]): Promise<void> {
    return expect(this.linesOf(words)).toHaveCount(count);
  }
  /** Of the lines that say all of these words one says this too, counted from the newest, 1. */
  expectLine(n: number, words: readonly string[], says: string | RegExp): Promise<void> {
    return expect(this.linesOf(words).nth(n - 1)).toContainText(says);
  }
  private linesOf(words: readonly string[]): Locator {
    return words.reduce((rows, hasText) => rows.filter({ hasText }), this.rows);
  }
  /** What was done, on a brew's page. */
  expectEvents(words: string): Promise<void> {
    return expect(this.page.locator('.events')).toContainText(words);
  }
  openBrewOf(words: string): Promise<void> {
    return this.rows.filter({ hasText: words }).first().click();
  }
  async openFirst(): Promise<void> {
    await this.rows.first().click();
    await expect(this.page.getByRole('heading', { name: 'What happened' })).toBeVisible();
  }
  /** What the brew's page says of its verdict. */
  async verdict(): Promise<string> {
    return (
      (await this.page
        .locator('p')
        .filter({ hasText: /^Verdict/ })
        .textContent()) ?? ''
    );
  }
  /** A second taste of the cup, begun and kept by keys. */
  async tasteAgain(what: { cup: string; colour: string; taste: string }): Promise<void> {
    await this.page.keyboard.press('a');
    await this.page.getByRole('radio', { name: what.cup }).click();
    await this.page.getByRole('radio', { name: what.colour }).first().click();
    await this.page.getByRole('radio', { name: what.taste, exact: true }).click();
    await this.page.getByRole('heading', { level: 1 }).click();
    await this.page.keyboard.press('Enter');
  }
  expectTastedAgain(words: RegExp): Promise<void> {
    return expect(
      this.page
        .locator('p')
        .filter({ hasText: /^Tasted again/ })
        .last(),
    ).toHaveText(words);
  }
}
