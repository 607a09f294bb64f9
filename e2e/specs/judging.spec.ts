import { BarDriver } from '../drivers/BarDriver';
import { BookDriver } from '../drivers/BookDriver';
import { LogDriver } from '../drivers/LogDriver';
import { TableDriver } from '../drivers/TableDriver';
import { PEOPLE, test } from '../fixtures/shop';

const TEA = 'Tolvane Amber';
const SAID = 'juniper';

test('a cup is judged with what else is seen of it, and found again by its own word', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  const bar = new BarDriver(page);
  await bar.began(245, { tea: TEA, vessel: 'White pot' });
  await page.reload();
  await bar.pull(TEA);
  await bar.judge(TEA);
  // Hot black tea: the page says how long until it can be tasted, and rings if asked to.
  await house.expectSaid(/hot: about \d+:\d\d until a tasting cup is at 65 °C/);
  await house.press('Ring then');
  await house.press('Do not ring');
  await house.press('hazy', { exact: true });
  await house.expectSaid(/Check the water first/);
  await house.press(/^Words for this cup/);
  await house.press('brisk', { exact: true });
  await house.press('another', { exact: true });
  await house.type('Another word', SAID);
  await page.keyboard.press('Enter');
  await house.press(/^Words for the infused leaf/);
  await house.press('even', { exact: true });
  await house.press('All as it should be');
  await bar.expectGone(TEA);
  await house.expectAllSaved();
  await house.goTo('Log');
  const log = new LogDriver(page);
  await log.morePicks();
  await log.pick('Noted', SAID);
  await log.expectLines(1);
  await log.openFirst();
  await house.expectSaid(`hazy; brisk, ${SAID}; leaf even`);
});

test('a tin is counted, brewed from, and says what is left; pockets are filled and taken', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  await new BookDriver(page).open(TEA);
  await house.goTo('Book');
  await house.followFirst('Leaf in stock');
  await house.press(/^Count Tolvane Amber/);
  await house.type('Leaf there now', '-4');
  await house.press('Save the count');
  await house.expectFault(/must be more than nothing/);
  await house.type('Leaf there now', '333');
  await house.press('Save the count');
  await house.expectSaid(/333 g counted/);
  await house.press('Fill pockets');
  await house.type('Pockets filled', '12');
  await house.press('Pockets are filled');
  await house.expectSaid(/12 of 12 pockets of [\d.]+ g left/);
  await new BookDriver(page).usePocket('12 of 12');
  await house.expectSaid(/11 of 12 pockets/);
});

test('whoever changed the filter says so with one touch', async ({ house }) => {
  await house.signIn(PEOPLE.brewer);
  await house.goTo('House');
  await house.expectSaid(/The water filter is in order/);
  await house.press('Filter changed today');
  await house.expectNone('button', 'Filter changed today');
});

test('two teas are set side by side, each by its own recipe', async ({ house }) => {
  await house.signIn(PEOPLE.lead);
  const table = new TableDriver(house.page);
  await table.open();
  await house.follow(/^Set up a tasting/);
  await table.pick('Exercise', 'Teas side by side');
  await house.expectSaid('Only the tea differs.');
  await table.pick('Exercise', 'Waters on one extract');
  await house.expectSaid(/Hot water goes into the middle/);
  await house.expectNone('heading', 'Weigh out');
  await table.pick('Exercise', 'Waters side by side');
  await table.pick('Cup 2, water', 'filtered');
  await house.expectSaid(/The water is the same in every cup/);
});
