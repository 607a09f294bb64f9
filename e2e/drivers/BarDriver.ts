import { expect, type Page } from '@playwright/test';
import { v7 } from 'uuid';

type Pour = { tea: string; vessel: string; warm?: boolean };

/** The bar and the card before it: start, pull, judge. */
export class BarDriver {
  constructor(readonly page: Page) {}

  private column(tea: string) {
    return this.page.locator('.under', { has: this.page.getByText(tea) }).or(this.page.locator(`.under[data-brew="${tea}"]`));
  }
  async openStart(): Promise<void> {
    await this.page.getByRole('button', { name: /^Start a brew/ }).click();
    await expect(this.page.getByRole('region', { name: 'The card' })).toBeVisible();
  }
  async chooseTea(tea: string): Promise<void> {
    await this.page.getByRole('button', { name: 'Tea: change' }).click();
    await this.page.getByRole('combobox', { name: 'Type a name' }).fill(tea.slice(0, 6));
    await this.page.getByRole('option', { name: new RegExp(tea) }).click();
  }
  async chooseVessel(vessel: string): Promise<void> {
    await this.page.getByRole('button', { name: 'Vessel: change' }).click();
    await this.page.getByRole('option', { name: new RegExp(`^${vessel}`) }).click();
  }
  async typeAmount(text: string): Promise<void> {
    await this.page.getByRole('button', { name: 'Amount: change' }).click();
    await this.page.getByLabel('Or type it').fill(text);
    await this.page.getByRole('button', { name: 'Take it' }).click();
  }
  async start({ tea, vessel, warm = false }: Pour): Promise<void> {
    await this.openStart();
    await this.chooseTea(tea);
    await this.chooseVessel(vessel);
    await this.page.getByRole('button', { name: warm ? /^Warm the/ : /^Water on: start/ }).click();
    await this.expectOnBar(tea);
  }
  /** A brew that another tablet started so many seconds ago. */
  async standsSince(ago: number, { tea, vessel }: Pour): Promise<void> {
    const get = async (path: string) => (await (await this.page.request.get(path)).json()) as { teas: { id: string; name: string; house: { id: string } }[]; vessels: { id: string; name: string; siteId: string; mark: number }[] };
    const [book, shelf] = [await get('/api/book'), await get('/api/vessels')];
    const [t, v] = [book.teas.find((x) => x.name === tea), shelf.vessels.find((x) => x.name === vessel)];
    if (!t || !v) throw new Error(`no ${tea} or ${vessel}`);
    const body = { id: v7(), siteId: v.siteId, teaId: t.id, versionId: t.house.id, vesselId: v.id, water: v.mark, warmed: true, warming: false, place: 1, at: Date.now() - ago * 1000 };
    expect((await this.page.request.post('/api/brews', { data: body, headers: { origin: new URL(this.page.url()).origin } })).status()).toBe(200);
    await this.page.reload();
    await this.expectOnBar(tea);
  }
  leaf() {
    return this.page.getByTestId('leaf');
  }
  card() {
    return this.page.getByRole('region', { name: 'The card' });
  }
  async pull(tea: string): Promise<void> {
    await this.column(tea).getByRole('button').first().click();
  }
  async undo(): Promise<void> {
    await this.page.getByRole('button', { name: /^Undo/ }).click();
  }
  async judge(tea: string): Promise<void> {
    await this.column(tea).getByRole('button', { name: /^Judge/ }).click();
    await expect(this.page.getByRole('heading', { name: new RegExp(`Judge ${tea}`) })).toBeVisible();
  }
  async mark(what: string): Promise<void> {
    await this.page.getByRole('radio', { name: what }).click();
  }
  expectOnBar(tea: string) {
    return expect(this.column(tea)).toBeVisible();
  }
  expectGone(tea: string) {
    return expect(this.column(tea)).toHaveCount(0);
  }
  expectState(tea: string, words: RegExp | string) {
    return expect(this.column(tea)).toContainText(words);
  }
  /** The figure on a brew's plate, in seconds; negative when it is past. */
  async figure(tea: string): Promise<number> {
    const text = (await this.column(tea).locator('.plate b').textContent()) ?? '';
    const [m = '0', s = '0'] = text.replace('+', '').split(':');
    return (text.startsWith('+') ? -1 : 1) * (Number(m) * 60 + Number(s));
  }
}
