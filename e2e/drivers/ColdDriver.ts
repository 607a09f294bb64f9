import { expect } from '@playwright/test';
import { v7 } from 'uuid';
import { startingRecipe } from '#core/recipes';
import { Hands } from './Hands';

const METHOD = 'warmThenCold';
type WarmTea = { readonly teaId: string; readonly versionId: string };

/** Cold batches, as hands at the fridge use them. */
export class ColdDriver extends Hands {
  async open(): Promise<void> {
    await this.page.goto('/cold');
    await expect(this.page.getByRole('heading', { name: 'Cold', exact: true })).toBeAttached();
    await expect(this.page.locator('.loading')).toHaveCount(0);
  }
  private row(vessel: string) {
    return this.page
      .getByRole('list', { name: /^Batches/ })
      .getByRole('listitem')
      .filter({ hasText: vessel });
  }
  /** How the batch in that vessel stands, in its one line. */
  expectState(vessel: string, words: string | RegExp): Promise<void> {
    return expect(this.row(vessel)).toContainText(words);
  }
  expectGone(vessel: string): Promise<void> {
    return expect(this.row(vessel)).toHaveCount(0);
  }
  openBatch(vessel: string): Promise<void> {
    return this.row(vessel).getByRole('link').click();
  }
  /** The tea and pitcher that are offered, in two touches. */
  async startWhatIsOffered(): Promise<void> {
    await this.follow(/^Start a batch/);
    await this.press(/^Leaf in/);
  }
  async readFridge(typed: string): Promise<void> {
    await this.press(/^Fridge/);
    await this.typeReading(typed);
    await this.press('Take it');
  }
  typeReading(typed: string): Promise<void> {
    return this.type('Fridge, °C', typed, { exact: true });
  }
  expectTyped(text: string): Promise<void> {
    return this.expectField('Fridge, °C', text, { exact: true });
  }
  async throwOut(why: string): Promise<void> {
    await this.choose('Why', why);
    await this.press('Throw out');
  }
  async volume(label: string, typed: string, button: string): Promise<void> {
    await this.type(label, typed);
    await this.press(button, { exact: true });
  }

  async openPlan(): Promise<void> {
    await this.page.goto('/cold/plan');
    await this.expectPlanned();
  }
  /** Of the planned batches in that vessel the first is not made. */
  skipFirstIn(vessel: string): Promise<void> {
    return this.page
      .getByRole('button', { name: new RegExp(`^Skip the batch in ${vessel}`) })
      .first()
      .click();
  }
  /** The planner has come to its end. */
  expectPlanned(): Promise<void> {
    return expect(this.page.getByRole('button', { name: /^Keep the plan/ })).toBeEnabled();
  }
  /** Glasses of a tea on the day that is so many days from the first one shown. */
  private glasses(tea: RegExp, day: number) {
    return this.page.getByRole('row', { name: tea }).getByRole('textbox').nth(day);
  }
  async want(tea: RegExp, day: number, glasses: string): Promise<void> {
    await this.glasses(tea, day).fill(glasses);
    await this.glasses(tea, day).press('Enter');
  }
  async wanted(tea: RegExp, day: number): Promise<number> {
    return Number(await this.glasses(tea, day).inputValue());
  }
  /** "of 76": glasses that are asked of the plan. */
  private asked() {
    return this.page.getByRole('region', { name: 'The plan' }).getByText(/^of \d+$/);
  }
  async glassesAsked(): Promise<number> {
    return Number((await this.asked().innerText()).slice(3));
  }
  expectAsked(glasses: number): Promise<void> {
    return expect(this.asked()).toHaveText(`of ${glasses}`);
  }
  private plannedRows() {
    return this.page.getByRole('list', { name: 'Planned batches' }).getByRole('listitem');
  }
  expectPlannedBatches(count: number): Promise<void> {
    return expect(this.plannedRows()).toHaveCount(count);
  }
  startPlannedIn(vessel: string): Promise<void> {
    return this.plannedRows().filter({ hasText: vessel }).first().getByRole('link').click();
  }
  /** When the leaf of each planned batch goes in, as its row says. */
  plannedStates(): Promise<string[]> {
    return this.plannedRows().locator('.cold-state').allInnerTexts();
  }
  /** Drags the first planned batch so many hours on. */
  async dragPlanned(hours: number): Promise<void> {
    const lane = this.plannedRows().first().locator('.movable');
    const box = await lane.boundingBox();
    if (!box) throw new Error('no planned batch is in sight');
    const [x, y] = [box.x + box.width / 3, box.y + box.height - 6];
    await this.page.mouse.move(x, y);
    await this.page.mouse.down();
    await this.page.mouse.move(x + hours * 11, y, { steps: 4 });
    await this.page.mouse.up();
  }
  stays(batch: number) {
    return this.page.getByRole('checkbox', { name: /stays there$/ }).nth(batch);
  }

  private async send(path: string, data: object): Promise<void> {
    const headers = { origin: new URL(this.page.url()).origin };
    const answer = await this.page.request.post(path, { data, headers });
    expect(answer.status(), await answer.text()).toBe(200);
  }
  private async vessel(name: string): Promise<{ id: string; siteId: string; mark: number }> {
    const shelf = (await (await this.page.request.get('/api/vessels')).json()) as {
      vessels: { id: string; name: string; siteId: string; mark: number }[];
    };
    const found = shelf.vessels.find((v) => v.name === name);
    if (!found) throw new Error(`no ${name}`);
    return found;
  }
  /** A tea of that name that is brewed warm, then cold. */
  async addWarmTea(name: string): Promise<WarmTea> {
    const ids = { teaId: v7(), versionId: v7() };
    await this.send('/api/teas', {
      ...{ id: ids.teaId, versionId: ids.versionId, name, style: 'green-pan', method: METHOD },
      ...{ words: '', allergens: '', note: '', blend: '', packet: '', caffeine: '', cautions: '' },
      ...{ leaf: { form: null, season: null, traits: [] }, colour: null, weighing: null },
      ...{ spoon: 'dessertSpoon', recipe: startingRecipe('green-pan', METHOD) },
    });
    return ids;
  }
  /** Begun here, in that vessel. */
  async startWarm({ teaId }: WarmTea, vessel: string): Promise<void> {
    const { id } = await this.vessel(vessel);
    await this.page.goto(`/cold/start?tea=${teaId}&method=${METHOD}&vessel=${id}`);
    await this.press(/^Leaf in/);
  }
  /** Begun at that moment on another device. */
  async beganWarm({ teaId, versionId }: WarmTea, vessel: string, at: number): Promise<void> {
    const { id: vesselId, siteId, mark } = await this.vessel(vessel);
    const of = { teaId, versionId, vesselId, lotId: null };
    await this.send('/api/batches', { id: v7(), siteId, ...of, water: mark, waterAt: 12, at });
  }
  /** The key that a new probe sends with, shown once. */
  probeKey(): Promise<string> {
    return this.page.locator('code').first().innerText();
  }
  private hotStages() {
    return this.page.getByRole('region', { name: 'Hot stage of cold tea' });
  }
  expectHotStage(words: string | RegExp): Promise<void> {
    return expect(this.hotStages()).toContainText(words);
  }
  expectNoHotStage(): Promise<void> {
    return expect(this.hotStages()).toHaveCount(0);
  }
}
