import { expect } from '@playwright/test';
import { v7 } from 'uuid';
import { Hands } from './Hands';

type Pour = { tea: string; vessel: string; warm?: boolean };

/** A full bar: tea, vessel, and how many seconds ago its water went on. */
const TWELVE = [
  ['Marrowick Broken', 'Grey pot', 60],
  ['Sennet Hollow', 'Release steeper', 40],
  ['Ostrey Deep', 'Lidded cup', 5],
  ['Tolvane Amber', 'Glass pot', 320],
  ['Corrow Light', 'Small pot', -5],
  ['Ullash White Bud', 'Lidded mug', 30],
  ['Iveline First', 'White pot', 100],
  ['Dunvarrow Roast', 'Ball mug', 90],
  ['Osk Flower', 'Pot A', 40],
  ['Corrow Roast', 'Pot B', 70],
  ['Quillorn Steam', 'Pot C', 2],
  ['Vennick Gold', 'Pot D', 90],
] as const;

/** The bar and the card before it: start, pull, judge. */
export class BarDriver extends Hands {
  private column(tea: string) {
    return this.page
      .locator('.under', { has: this.page.getByText(tea) })
      .or(this.page.locator(`.under[data-brew="${tea}"]`));
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
  /** The kettle its water is heated in. */
  async chooseKettle(name: RegExp): Promise<void> {
    const pick = this.page.getByRole('combobox', { name: 'Kettle' });
    const label = await pick.locator('option', { hasText: name }).textContent();
    await pick.selectOption({ label: label ?? '' });
  }
  async typeAmount(text: string): Promise<void> {
    await this.page.getByRole('button', { name: 'Amount: change' }).click();
    await this.page.getByLabel('Water', { exact: true }).fill(text);
    await this.page.getByRole('button', { name: 'Use this volume' }).click();
  }
  /** So many cups of liquor, each of so much. */
  async typeCups(count: string, each: string): Promise<void> {
    await this.page.getByRole('button', { name: 'Amount: change' }).click();
    await this.type('Cups of liquor', count);
    await this.type('Liquor in each cup', each);
    await this.press('Use these cups');
  }
  /** What the guest asks for, with milk or without. */
  async wish(strength: string, milk?: string): Promise<void> {
    const list = this.page.getByRole('button', { name: 'Guest’s wish: change' });
    await list.click();
    await this.touch('option', strength, { exact: true });
    if (milk === undefined) return;
    await list.click();
    await this.press(milk);
  }
  /** Opens what is typed of a pot that is not on the shelf. */
  async otherPot(): Promise<void> {
    await this.page.getByRole('button', { name: 'Vessel: change' }).click();
    await this.press('A pot that is not on the shelf');
  }
  /** The house serves a tea in turns from now on. */
  async serveInTurns(tea: string): Promise<void> {
    const { teas } = (await (await this.page.request.get('/api/book')).json()) as {
      teas: {
        id: string;
        name: string;
        method: string;
        house: { number: number; recipe: { handling: object } };
      }[];
    };
    const found = teas.find((t) => t.name === tea);
    if (!found) throw new Error(`no ${tea}`);
    const { recipe, number } = found.house;
    await this.send(`/api/teas/${found.id}/versions`, {
      ...{ id: v7(), method: found.method, basedOn: number, as: 'house', settles: [] },
      ...{ recipe: { ...recipe, handling: { ...recipe.handling, order: 'turns' } } },
      reason: 'cups alike',
    });
    await this.page.reload();
  }
  async start({ tea, vessel, warm = false }: Pour): Promise<void> {
    await this.openStart();
    await this.chooseTea(tea);
    await this.chooseVessel(vessel);
    await this.page.getByRole('button', { name: warm ? /^Warm the/ : /^Water on: start/ }).click();
    await this.expectOnBar(tea);
  }
  /** What was brewed last, once more. @returns the tea */
  async brewAgain(): Promise<string> {
    const again = this.page.locator('.again button').first();
    const tea = (await again.locator('.tea').textContent()) ?? '';
    await again.click();
    return tea;
  }
  /** Two taps on what the only brew wants next. */
  doubleHand(): Promise<void> {
    return this.page.locator('.under .act').getByRole('button').first().dblclick();
  }
  /** The one button that does what a brew wants next. */
  hand(tea: string) {
    return this.column(tea).locator('.act').getByRole('button').first();
  }
  private async records(path: string) {
    return (await (await this.page.request.get(path)).json()) as {
      teas: { id: string; name: string; house: { id: string } }[];
      vessels: { id: string; name: string; siteId: string; mark: number }[];
    };
  }
  private async send(path: string, data: object): Promise<void> {
    const answer = await this.page.request.post(path, {
      data,
      headers: { origin: new URL(this.page.url()).origin },
    });
    expect(answer.status(), await answer.text()).toBe(200);
  }
  /** A brew that another tablet started so many seconds ago; negative: that is being made ready. Its id. */
  async began(ago: number, { tea, vessel }: Pour, place = 1): Promise<string> {
    const [book, shelf] = [await this.records('/api/book'), await this.records('/api/vessels')];
    const [t, v] = [
      book.teas.find((x) => x.name === tea),
      shelf.vessels.find((x) => x.name === vessel),
    ];
    if (!t || !v) throw new Error(`no ${tea} or ${vessel}`);
    const id = v7();
    const at = (await this.now()) - Math.abs(ago) * 1000;
    await this.send('/api/brews', {
      id,
      siteId: v.siteId,
      teaId: t.id,
      versionId: t.house.id,
      vesselId: v.id,
      water: v.mark,
      warmed: true,
      warming: ago < 0,
      place,
      at,
    });
    return id;
  }
  /** Twelve brews, each begun at another moment. */
  async fill(): Promise<void> {
    await this.needVessels('White pot', ['Pot A', 'Pot B', 'Pot C', 'Pot D']);
    for (const [i, [tea, vessel, ago]] of TWELVE.entries())
      await this.began(ago, { tea, vessel }, i + 1);
  }
  /** The shop's own time. */
  private async now(): Promise<number> {
    return ((await (await this.page.request.get('/api/house')).json()) as { now: number }).now;
  }
  /** A brew that was poured, pulled at its best and judged right, some minutes ago. Its id. */
  async finished(pour: Pour): Promise<string> {
    const id = await this.began(600, pour);
    const now = await this.now();
    const happened = (ago: number, body: object) =>
      this.send(`/api/brews/${id}/events`, { id: v7(), at: now - ago * 1000, ...body });
    await happened(360, { kind: 'pull' });
    await happened(200, { kind: 'close' });
    return id;
  }
  /** Opens the page of a brew that is finished. */
  async openFinished(pour: Pour): Promise<void> {
    await this.page.goto(`/log/${await this.finished(pour)}`);
    await expect(this.page.getByRole('heading', { name: 'What happened' })).toBeVisible();
  }
  async standsSince(ago: number, pour: Pour): Promise<void> {
    await this.began(ago, pour);
    await this.page.reload();
    await this.expectOnBar(pour.tea);
  }
  /** More vessels of a kind that is there, over the house's own interface. */
  async needVessels(like: string, names: readonly string[]): Promise<void> {
    const found = (await this.records('/api/vessels')).vessels.find(
      (v) => v.name === like,
    ) as unknown as Record<string, unknown>;
    const { id: _id, rev: _rev, retired: _retired, siteId, ...facts } = found;
    for (const name of names) await this.send('/api/vessels', { ...facts, name, id: v7(), siteId });
  }
  /** Something seldom, from a brew's menu. */
  async more(tea: string, what: string | RegExp): Promise<void> {
    await this.column(tea)
      .getByRole('button', { name: `More for ${tea}` })
      .click();
    await this.page.getByRole('menuitem', { name: what }).click();
  }
  async right(tea: string): Promise<void> {
    await this.column(tea)
      .getByRole('button', { name: /^Right/ })
      .click();
  }
  /** The step beside the clock's own: its words, and the touch that confirms it. */
  step(tea: string) {
    return this.column(tea).locator('.step-beside');
  }
  async confirmStep(tea: string): Promise<void> {
    await this.step(tea).getByRole('button').click();
  }
  expectPlaces(n: number) {
    return expect(this.page.locator('.under')).toHaveCount(n);
  }
  /** On a phone: a line for each brew, the first three and what to do next whole on the screen. */
  async expectRows(n: number): Promise<void> {
    const rows = this.page.locator('.row');
    await expect(rows).toHaveCount(n);
    for (const i of [0, 1, 2]) await expect(rows.nth(i)).toBeInViewport({ ratio: 1 });
    await expect(this.page.locator('.do-next button').first()).toBeInViewport({ ratio: 1 });
  }
  /** A plate for each brew. */
  expectPlates(n: number): Promise<void> {
    return expect(this.page.locator('.plate')).toHaveCount(n);
  }
  /** On a phone: leaf, water, heat and time stay in sight. */
  async expectInReach(words: RegExp): Promise<void> {
    const inReach = this.page.locator('.in-reach');
    await expect(inReach).toBeInViewport({ ratio: 1 });
    await expect(inReach).toContainText(words);
  }
  /** Nothing of the bar lies outside the screen. */
  async expectAllInSight(): Promise<void> {
    const outside = await this.page.evaluate(
      () =>
        [...document.querySelectorAll('.under, .field')].filter((e) => {
          const r = e.getBoundingClientRect();
          return (
            r.bottom >
              (document.querySelector('.counter')?.getBoundingClientRect().top ?? innerHeight) +
                1 ||
            r.right > innerWidth + 1 ||
            r.top < 0
          );
        }).length,
    );
    expect(outside).toBe(0);
  }

  // The queue.
  async putInQueue(forWhom: string): Promise<void> {
    await this.page.getByRole('button', { name: /^Up next, for/ }).click();
    await this.page.getByLabel('For whom').fill(forWhom);
    await this.page.getByRole('button', { name: 'Put it in the queue' }).click();
  }
  async expectQueue(teas: readonly string[]): Promise<void> {
    await expect(this.page.locator('.queue li')).toHaveCount(teas.length);
    await expect
      .poll(() =>
        this.page
          .locator('.queue li')
          .evaluateAll((rows) => rows.map((r) => r.getAttribute('data-order'))),
      )
      .toEqual(teas);
  }
  /** The keys act on that order. */
  takeQueued(tea: string): Promise<void> {
    return this.queued(tea)
      .getByRole('button', { name: /^Start/ })
      .focus();
  }
  /** One order is dragged to just over another. */
  async dragQueued(tea: string, over: string): Promise<void> {
    const { mouse } = this.page;
    const from = await this.queued(tea).getByRole('button', { name: /^Drag/ }).boundingBox();
    const to = await this.queued(over).boundingBox();
    if (!from || !to) throw new Error('nothing to drag');
    const [x, y] = [from.x + from.width / 2, from.y + from.height / 2];
    await mouse.move(x, y);
    await mouse.down();
    for (let i = 1; i <= 12; i++) await mouse.move(x, y + ((to.y - from.y - 4) * i) / 12);
    await mouse.up();
  }
  private queued(tea: string) {
    return this.page.locator(`.queue li[data-order="${tea}"]`);
  }
  leaf() {
    return this.page.getByTestId('leaf');
  }
  card() {
    return this.page.getByRole('region', { name: 'The card' });
  }
  async pull(tea: string): Promise<void> {
    await this.hand(tea).click();
  }
  /** One of the buttons under a brew, by its words. */
  act(tea: string, words: string): Promise<void> {
    return this.column(tea)
      .getByRole('button', { name: new RegExp(`^${words}`) })
      .click();
  }
  async undo(): Promise<void> {
    await this.page.getByRole('button', { name: /^Undo/ }).click();
  }
  async judge(tea: string): Promise<void> {
    await this.column(tea)
      .getByRole('button', { name: /^Judge/ })
      .click();
    await expect(
      this.page.getByRole('heading', { name: new RegExp(`Judge ${tea}`) }),
    ).toBeVisible();
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
  /** The only brew on the bar says so. */
  expectOnly(words: string | RegExp): Promise<void> {
    return expect(this.page.locator('.under')).toContainText(words);
  }
  /** What stands under a place of the shelf. */
  place(n: number): Hands {
    return this.at(this.page.locator(`.under[data-place="${n}"]`));
  }
  /** The frame round the screen, seen across the room. */
  expectFrame(kind: 'late'): Promise<void> {
    return expect(this.page.getByTestId('across')).toHaveClass(new RegExp(kind));
  }
  /** A vessel is drawn whose words say so. */
  expectVessel(words: string): Promise<void> {
    return expect(this.page.locator('.field', { hasText: words })).toBeVisible();
  }
}
