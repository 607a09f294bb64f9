import { BarDriver } from '../drivers/BarDriver';
import { BookDriver } from '../drivers/BookDriver';
import { expect, PEOPLE, test } from '../fixtures/shop';

const TEA = 'Tolvane Amber';

test('a time is found by tasting: leaf out, leaf in again, right; the lead hears of it and tries it', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.brewer);
  const bar = new BarDriver(page);
  await bar.openStart();
  await bar.chooseTea(TEA);
  await bar.chooseVessel('White pot');
  await house.press('Find by tasting');
  await expect(bar.card()).toContainText(
    'Taste at 0:45, then every 30 s, until the taste is right',
  );
  await house.press(/^Water on: start/);
  await bar.expectOnBar(TEA);
  await house.expectSaid(/By tasting, next taste in/);
  await bar.act(TEA, 'Leaf out');
  await house.expectDialog(/The clock waits while the leaf is out/);
  await house.press('Much too thin');
  await house.press('Leaf in again');
  await house.expectSaid(/Tasted 0:\d\d much too thin/);
  await bar.more(TEA, 'Tasted with the leaf in');
  await house.expectDialog(/The clock runs on/);
  await house.press('Right', { exact: true });
  await house.press('End the steep now');
  await bar.judge(TEA);
  await house.expectFigure('change', /shorter/);
  await house.press('Keep, tell the lead');
  await bar.expectGone(TEA);
  await house.expectAllSaved();
  await house.signOut();
  await house.signIn(PEOPLE.lead);
  await new BookDriver(page).open(TEA);
  await house.expectSaid(/the recipe has 4:00/);
  await house.followFirst('The brew');
  await house.expectSaid(/Tasted on the way/);
  await house.press(/^Try 0:\d\d as the best time$/);
  await house.expectSaid(/version \d+ is on trial/);
});

test('the leaf taken out for a taste: the clock stands, and the steep goes on to its own time', async ({
  house,
}) => {
  await house.signIn(PEOPLE.brewer);
  const bar = new BarDriver(house.page);
  await bar.began(65, { tea: TEA, vessel: 'White pot' });
  await bar.expectOnBar(TEA);
  await bar.more(TEA, 'Leaf out to taste');
  await house.expectDialog(/in the water/);
  await house.page.keyboard.press('Escape');
  await house.expectSaid(/Leaf out, steeped/);
  await house.expectSaid(/Out for 0:0\d, not counted/);
  const stood = await bar.figure(TEA);
  await house.page.waitForTimeout(2200);
  expect(await bar.figure(TEA)).toBe(stood);
  await bar.act(TEA, 'Leaf in');
  await house.expectSaid(/Steeping, left/);
  // Undone, the leaf is out as it was.
  await bar.undo();
  await house.expectSaid(/Leaf out, steeped/);
});

test('leaf that stays in: its cups one by one, less leaf for them, the first cup, the next and hot water again', async ({
  house,
}) => {
  await house.signIn(PEOPLE.brewer);
  const bar = new BarDriver(house.page);
  await bar.openStart();
  await bar.chooseTea(TEA);
  await bar.otherPot();
  const dialog = house.inside('dialog', 'A pot that is not on the shelf');
  await dialog.type('The pot holds, to the brim', '620');
  await dialog.choose('The leaf lies in', 'loose leaf');
  await dialog.press('Brew in this pot');
  await house.expectFigure('one-by-one', /5 min apart: (\d(\.\d)?, ){3}\d(\.\d)? of 10/);
  await house.press('Taper the leaf');
  await house.expectFigure('one-by-one', /Tapered from 6\.3.g/);
  await expect(bar.leaf()).toHaveText(/^[345](\.\d)?g$/);
  await house.press(/^Water on: start/);
  await bar.more(TEA, 'Pour one cup, the rest stays on the leaf');
  const cups = house.inside('dialog', `Cup by cup: ${TEA}`);
  await cups.expectSaid(/3\d\d.ml left/);
  await cups.expectSaid(/Hot water again now:/);
  await cups.press(/^Next cup, 150.ml/);
  await cups.expectSaid(/2\d\d.ml left/);
  await cups.press(/^Fill the pot up, 300.ml/);
  await cups.expectSaid(/5\d\d.ml left/);
  await house.page.keyboard.press('Escape');
  await house.expectSaid(/2 cups poured, the rest on the leaf; filled up once/);
  await bar.judge(TEA);
});
