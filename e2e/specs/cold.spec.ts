import { ColdDriver } from '../drivers/ColdDriver';
import { HouseDriver } from '../drivers/HouseDriver';
import { expect, PEOPLE, serverTest, test } from '../fixtures/shop';

test('a batch in two touches; lifted early it asks, is poured only once it is cold, and each is taken back', async ({
  house,
}) => {
  const cold = new ColdDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  await cold.open();
  await cold.startWhatIsOffered();
  await house.expectSaid(/infusing, best/);
  await house.expectSaid(
    /The window begins in .*Lift the leaf now only if the liquor\s+tastes right\./,
  );
  await house.expectAllSaved();
  await house.press(/^Leaf out/);
  await house.expectSaid(/Not cold yet\. Pour from about/);
  await house.expectAllSaved();
  await house.page.keyboard.press('z');
  await house.expectSaid(/infusing, best/);
  await house.expectAllSaved();
  await cold.open();
  await cold.expectState('Small pitcher', 'infusing, best');
  // A taken pitcher takes no other leaf, and says what stands in it.
  await house.follow(/^Start a batch/);
  await house.press(/^Small pitcher/);
  await house.expectSaid(/is in the Small pitcher\. Empty the pitcher first, or choose another\./);
  await house.expectDisabled('button', /^Leaf in/);
});

test('a drawn batch: a glass, more than is left, counted, thrown out with its reason; it is then among what ended', async ({
  house,
}) => {
  const cold = new ColdDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  await cold.open();
  await cold.expectState('Cold pitcher', /305\sml/);
  await cold.openBatch('Cold pitcher');
  await house.expectSaid(/305\sml left/);
  await house.page.keyboard.press('g');
  await house.expectSaid(/85\sml left/);
  await cold.volume('Another amount, poured', '400', 'Poured');
  await house.expectFault(/Only 85\sml should be left\. Measure the liquor in the pitcher\./);
  await house.expectField('Another amount, poured', '400');
  await cold.volume('Liquor left, measured', '120 ml', 'Measured');
  await house.expectSaid(/120\sml left/);
  await cold.volume('Water added', 'a little', 'Added');
  await house.expectField('Water added', 'a little');
  await house.press('Throw out');
  await house.expectOneFault('Choose a reason.');
  await cold.throwOut('bad taste');
  await house.expectSaid('This batch has ended.');
  await house.expectSaid(/120\sml thrown out: bad taste, Dov R\./);
  await house.expectAllSaved();
  await cold.open();
  await cold.expectGone('Cold pitcher');
  await house.unfold(/ended in the last three days/);
  await house.expectThere('link', /Sennet Hollow, Cold pitcher: thrown out/);
});

test('the other tablet sees at once what was lifted here', async ({ house, tablet }) => {
  const other = new HouseDriver(await tablet());
  await house.signIn(PEOPLE.brewer);
  await other.signIn(PEOPLE.other);
  const [here, there] = [new ColdDriver(house.page), new ColdDriver(other.page)];
  await there.open();
  await there.expectState('Cold jar', 'lift leaf by');
  await here.open();
  await here.openBatch('Cold jar');
  await house.press(/^Leaf out/);
  await there.expectState('Cold jar', /keep until|pour from/);
});

test('the fridge is read in two touches; a bad reading is said beside it and what was typed stays', async ({
  house,
}) => {
  const cold = new ColdDriver(house.page);
  await house.signIn(PEOPLE.trainee);
  await cold.open();
  await cold.readFridge('60');
  await house.expectFault('A fridge is colder than that. Read the thermometer again.');
  await cold.expectTyped('60');
  await cold.typeReading('4,6');
  await house.press('Take it');
  await house.expectWords('button', /^Fridge/, /4\.6/);
  await house.expectAllSaved();
});

test('keys alone: walk the batches, open one, lift it, start another', async ({ house }) => {
  const cold = new ColdDriver(house.page);
  const { keyboard } = house.page;
  await house.signIn(PEOPLE.brewer);
  await cold.open();
  await keyboard.press('ArrowDown');
  await keyboard.press('ArrowUp');
  await keyboard.press('Enter');
  await house.expectThere('heading', 'Lift and drain');
  await keyboard.press('l');
  await house.expectSaid(/leaf out/);
  await keyboard.press('Escape');
  await expect(house.page).toHaveURL(/\/cold$/);
  await keyboard.press('n');
  await house.expectThere('button', /^Leaf in/);
  await keyboard.press('Enter');
  await house.expectSaid(/infusing, best/);
});

serverTest(
  'with the server gone a batch is started and another poured; both arrive once when it is back',
  async ({ house, shop }) => {
    const cold = new ColdDriver(house.page);
    await house.signIn(PEOPLE.brewer);
    await cold.open();
    // What the pages need is fetched once before the server goes.
    await house.follow(/^Start a batch/);
    await house.expectThere('button', /^Leaf in/);
    await house.page.keyboard.press('Escape');
    await cold.openBatch('Cold pitcher');
    await house.expectSaid(/305\sml left/);
    await shop.kill();
    await house.page.keyboard.press('g');
    await house.expectSaid(/85\sml left/);
    await house.expectUnsaved(1);
    await house.page.keyboard.press('Escape');
    await house.page.keyboard.press('n');
    await house.press(/^Leaf in/);
    await house.expectSaid(/infusing, best/);
    await house.expectUnsaved(2);
    await shop.start();
    await house.expectAllSaved();
    await cold.open();
    await cold.expectState('Small pitcher', 'infusing, best');
    await cold.expectState('Cold pitcher', /85\sml/);
  },
);

test('the week is planned as it is typed; kept, it stands under the batches, and is started from there', async ({
  house,
  tablet,
}) => {
  const cold = new ColdDriver(house.page);
  await house.signIn(PEOPLE.lead);
  await cold.openPlan();
  const all = await cold.glassesAsked();
  // What is taken out is no longer asked for.
  await house.press('Take Marrowick Broken, extract, out of the plan');
  await expect.poll(() => cold.glassesAsked()).toBeLessThan(all);
  const asked = await cold.glassesAsked();
  const wanted = await cold.wanted(/^Sennet Hollow/, 2);
  await cold.want(/^Sennet Hollow/, 2, 'six');
  await house.expectFault('0 to 500');
  await cold.want(/^Sennet Hollow/, 2, String(wanted + 2));
  await cold.expectAsked(asked + 2);
  await cold.expectPlanned();
  await cold.stays(0).check();
  await cold.expectPlanned();
  await expect(cold.stays(0)).toBeChecked();
  // A batch that is skipped leaves its pitcher free, until it is used again.
  await cold.skipFirstIn('Cold jar');
  await house.expectSaid(/Cold jar stays free from/);
  await cold.expectPlanned();
  await house.press(/^Use Cold jar again/);
  await house.expectUnsaid(/Cold jar stays free from/);
  await cold.expectPlanned();
  // Two at once: the second is told, and may keep its own.
  const other = new HouseDriver(await tablet());
  const theirs = new ColdDriver(other.page);
  await other.signIn(PEOPLE.brewer);
  await theirs.openPlan();
  await house.press(/^Keep the plan/);
  await expect(house.page).toHaveURL(/\/cold$/);
  await cold.expectPlannedBatches(8);
  await other.press(/^Keep the plan/);
  await other.expectSaid(/The plan was changed by someone else meanwhile\./);
  await other.press('Keep mine');
  await other.press(/^Keep the plan/);
  await expect(other.page).toHaveURL(/\/cold$/);
  // Started from the plan, it is planned no longer.
  await cold.startPlannedIn('Small pitcher');
  await house.press(/^Leaf in/);
  await house.expectSaid(/infusing, best/);
  await house.expectAllSaved();
  await cold.open();
  await cold.expectState('Small pitcher', 'infusing, best');
});
test('a planned batch is dragged along its hours: it comes to the nearest hand and stays there', async ({
  house,
}) => {
  const cold = new ColdDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  await cold.open();
  const before = await cold.plannedStates();
  await cold.dragPlanned(3);
  await house.expectSaid(/: leaf in .*, lift .*\. Plan again to fit the rest\./);
  await expect.poll(() => cold.plannedStates()).not.toEqual(before);
  const after = await cold.plannedStates();
  await cold.open();
  expect(await cold.plannedStates()).toEqual(after);
  // A touch that moves nothing is no drag.
  await cold.dragPlanned(0);
  expect(await cold.plannedStates()).toEqual(after);
});

test('without the hours of the site nothing is planned; typed with a slip it is said beside it, nothing is lost', async ({
  house,
}) => {
  const cold = new ColdDriver(house.page);
  await house.signIn(PEOPLE.lead);
  await house.page.goto('/house/hours');
  await house.type('Services, Monday', 'eleven to two');
  await house.press('Save the hours');
  await house.expectFault(/“eleven two” is no range|“eleven to two” is no range/);
  await house.expectField('Services, Monday', 'eleven to two');
  await house.type('Services, Monday', '11-14, 14:30-18');
  await house.press('Add a day');
  await house.press('Save the hours');
  await house.expectFault('Choose the date.');
  await house.type('Date', '2026-03-17', { exact: true });
  await house.type('Services, 2026-03-17', '12-15');
  await house.press('Save the hours');
  await expect(house.page).toHaveURL(/\/house$/);
  await cold.openPlan();
  await house.page.goto('/house/hours');
  await house.expectField('Services, Monday', '11:00-14:00, 14:30-18:00');
  await house.expectField('Services, 2026-03-17', '12:00-15:00');
});
test('limits of the site: a slip is said beside it, laxer than the guidance is said, shorter holds at once', async ({
  house,
}) => {
  const cold = new ColdDriver(house.page);
  await house.signIn(PEOPLE.lead);
  await house.page.goto('/house/limits');
  await house.type('Keep, h', 'three days', { exact: true });
  await house.press('Save the limits');
  await house.expectFault(/not a number/);
  await house.expectField('Keep, h', 'three days', { exact: true });
  await house.type('Keep, h', '100', { exact: true });
  await house.expectSaid(/Keep: more than the usual guidance\./);
  await house.type('Keep, h', '30', { exact: true });
  await house.type('Local food code', 'Food rules of Harbour district');
  await house.type('Link to the code', 'rules of the harbour');
  await house.type('Tea kept hot: at least, °C', '63');
  await house.press('Save the limits');
  await house.expectFault(/A link begins with/);
  await house.type('Link to the code', 'https://rules.example/food');
  await house.press('Save the limits');
  await expect(house.page).toHaveURL(/\/house$/);
  await house.expectSaid(/The code at Harbour room: Food rules of Harbour district/);
  await house.expectSaid(/Tea that is kept hot stays at 63\s°C or hotter/);
  await cold.open();
  await house.expectSaid(/30 hours after lifting/);
});

test('warm, then cold, in the lidded cup: the bar counts its hot minute, says what goes on then, and is late', async ({
  house,
  shop,
}) => {
  const cold = new ColdDriver(house.page);
  await house.signIn(PEOPLE.lead);
  const tea = await cold.addWarmTea('Sennet Dew');
  await cold.startWarm(tea, 'Lidded cup');
  await house.expectAllSaved();
  await house.page.goto('/');
  await cold.expectHotStage(
    /Sennet Dew, Lidded cup: leave the lid off\. Then pour \d+\sml of water at \d+\s°C/,
  );
  await cold.expectHotStage(/about \d+\s°C: lift the leaf from \d\d:\d\d to \d\d:\d\d/);
  await house.page.keyboard.press('p');
  await cold.expectNoHotStage();
  await house.page.keyboard.press('z');
  await cold.expectHotStage('lid off');
  await house.press(/^Cold water on/);
  await cold.expectNoHotStage();
  await house.expectAllSaved();
  // Another, two minutes ago: nobody poured.
  await cold.beganWarm(tea, 'Lidded mug', shop.now() - 120_000);
  await cold.expectHotStage(/Late by\+\d+:\d\d/);
  await cold.expectHotStage('Lidded mug');
});
