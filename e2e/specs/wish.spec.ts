import { BarDriver } from '../drivers/BarDriver';
import { BookDriver } from '../drivers/BookDriver';
import type { HouseDriver } from '../drivers/HouseDriver';
import { expect, PEOPLE, test } from '../fixtures/shop';

/** The start card of a tea in a vessel. */
async function startCard(house: HouseDriver, tea: string, vessel: string): Promise<BarDriver> {
  const bar = new BarDriver(house.page);
  await bar.openStart();
  await bar.chooseTea(tea);
  await bar.chooseVessel(vessel);
  return bar;
}

test('a guest who likes it stronger, with milk: more leaf, the milk, and judged as it was asked for', async ({
  house,
}) => {
  await house.signIn(PEOPLE.brewer);
  const bar = await startCard(house, 'Tolvane Amber', 'White pot');
  await expect(bar.leaf()).toHaveText('6g');
  await bar.wish('stronger', 'A tenth of milk');
  await house.expectFigure('wish', /leaf 6 → \d/i);
  await house.expectFigure('wish', /Milk: 4\d.ml/);
  await house.expectFigure('wish', 'The house recipe stays as it is.');
  await expect(bar.card()).toContainText('milk, in the cup');
  await house.press(/^Water on: start/);
  await bar.expectOnBar('Tolvane Amber');
  await house.expectSaid(/stronger, a tenth of milk/);
  await bar.pull('Tolvane Amber');
  await house.expectSaid(/of liquor, 4\d.ml of milk/);
  await bar.judge('Tolvane Amber');
  await house.expectSaid(/judge the cup that the guest asked for, with the milk in/);
  await house.expectSaid(/before the milk goes in/);
});

test('an order keeps what the guest asked for until it is started', async ({ house }) => {
  await house.signIn(PEOPLE.brewer);
  const bar = await startCard(house, 'Tolvane Amber', 'White pot');
  await bar.typeCups('3', '120');
  await bar.wish('lighter');
  await house.press('Up next, for ...');
  await house.type('For whom', 'Window table');
  await house.press('Put it in the queue');
  await house.expectSaid(/Window table, White pot, 3 cups of 120.ml, lighter/);
  await house.press(/^Start Tolvane Amber, Window table/);
  await bar.expectOnBar('Tolvane Amber');
  await house.expectSaid(/White pot · lighter/);
});

test('four cups of a size pour what was asked for; in turns each is told its mark', async ({
  house,
}) => {
  await house.signIn(PEOPLE.lead);
  await new BarDriver(house.page).serveInTurns('Tolvane Amber');
  const bar = await startCard(house, 'Tolvane Amber', 'White pot');
  await bar.typeCups('4', '110');
  await expect(bar.card()).toContainText('440 ml pours off, 4 cups of 110 ml');
  await bar.typeCups('9', '200');
  await expect(bar.card()).toContainText('Over the brim: it holds 620 ml');
  await bar.typeCups('0', '110');
  await house.expectOneFault('Type 1 to 12 cups');
  await house.page.keyboard.press('Escape');
  await bar.typeCups('4', '110');
  await house.press(/^Water on: start/);
  await bar.expectOnBar('Tolvane Amber');
  await bar.more('Tolvane Amber', 'Steps and readings');
  await house.expectDialog(/Twice 55.ml into each cup: to its mark, 110.ml/);
  await house.expectDialog(/cup 1 would be \d\.\d of 10 strong and cup 4 \d\.\d/);
});

test('a pot that is not on the shelf is brewed in at once; a lead keeps it', async ({ house }) => {
  await house.signIn(PEOPLE.lead);
  const bar = await startCard(house, 'Tolvane Amber', 'White pot');
  const dialog = house.inside('dialog', 'A pot that is not on the shelf');
  await bar.otherPot();
  await dialog.press('Brew in this pot');
  await dialog.expectFault(/./);
  await dialog.type('The pot holds, to the brim', '24 fl oz');
  await dialog.press('Brew in this pot');
  await expect(bar.card()).toContainText('7.2');
  await house.press(/^Water on: start/);
  await bar.expectOnBar('Tolvane Amber');
  await house.expectSaid(/pot of 710.ml/);
  await house.expectAllSaved();
  await startCard(house, 'Tolvane Amber', 'White pot');
  await bar.otherPot();
  await dialog.type('The pot holds, to the brim', '900');
  await dialog.press('Keep the pot on the shelf');
  await dialog.expectFault('Name the pot');
  await dialog.type('Name, to keep the pot on the shelf', 'Guest pot');
  await dialog.press('Keep the pot on the shelf');
  await house.expectThere('button', 'Guest pot', { exact: true });
});

test('a guest takes a card home: their spoon, their units, on two papers', async ({ house }) => {
  await house.signIn(PEOPLE.lead);
  await new BookDriver(house.page).open('Tolvane Amber');
  await house.press('Guest card');
  const dialog = house.inside('dialog', 'Tolvane Amber to take home');
  await dialog.expectNone('link', 'Print on A6');
  await dialog.type('Water the guest pours on', 'a lot');
  await dialog.expectFault('not a volume');
  await dialog.touch('radio', 'US fl oz');
  await dialog.type('Water the guest pours on', '24');
  await dialog.choose('Spoon at home', 'US teaspoon');
  const address = await dialog.leadsTo('Print on A6');
  expect(address).toMatch(/guest\.pdf\?water=709\.8&spoon=usTeaspoon&volume=usFlOz/);
  const paper = await house.page.request.get(address);
  expect([paper.status(), paper.headers()['content-type']]).toEqual([200, 'application/pdf']);
});

test('steps of the house’s own: typed in the recipe, on the card, asked for at the bar at their moment', async ({
  house,
}) => {
  await house.signIn(PEOPLE.lead);
  const book = new BookDriver(house.page);
  await book.open('Tolvane Amber');
  await book.press(/^New version/);
  await book.unfold(/^Handling: rinse/);
  await book.press('Another own step');
  await book.type('Step 1: what is done', 'Shake the leaf flat');
  await book.press('Another own step');
  await book.type('Step 2: what is done', 'Sweep the froth');
  await book.choose('When step 2 is done', 'while it steeps');
  await book.type('Why', 'As we do it by hand');
  await book.press(/^Make it the house recipe/);
  await book.expectSaid(/Shake the leaf flat\. Sweep the froth\./);
  await house.goTo('Bar');
  const bar = await startCard(house, 'Tolvane Amber', 'White pot');
  await expect(bar.card()).toContainText('Shake the leaf flat. Sweep the froth.');
  await house.press(/^Water on: start/);
  await bar.expectOnBar('Tolvane Amber');
  await house.expectSaid('Sweep the froth, now');
  await expect(bar.hand('Tolvane Amber')).toContainText('Done');
  await bar.hand('Tolvane Amber').click();
  await house.expectSaid(/Sweep the froth, done/);
});

test('a steep ended by its colour: the cup it looks like is touched, and the verdict begins with it', async ({
  house,
}) => {
  await house.signIn(PEOPLE.brewer);
  const bar = new BarDriver(house.page);
  await bar.start({ tea: 'Tolvane Amber', vessel: 'White pot' });
  await bar.more('Tolvane Amber', 'End the steep by colour');
  await house.inside('dialog').touch('radio', /2 · lighter/);
  await house.expectSaid(/by eye at 0:\d\d: colour lighter/);
  await bar.judge('Tolvane Amber');
  await house.expectChecked('radio', /2 · lighter/);
});
