import { v7 } from 'uuid';
import { BarDriver } from '../drivers/BarDriver';
import { HouseDriver } from '../drivers/HouseDriver';
import { WhatIfDriver } from '../drivers/WhatIfDriver';
import { expect, PEOPLE, test } from '../fixtures/shop';

test('the card says what the cup will be, and on what that rests', async ({ house }) => {
  const bar = new BarDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  await bar.openStart();
  await bar.chooseTea('Tolvane Amber');
  await bar.chooseVessel('White pot');
  const forecast = house.page.getByTestId('forecast');
  await expect(forecast).toContainText(/Strength:\s*full/);
  await expect(forecast).toContainText(
    /Caffeine, rough: \d+–\d+ mg in the pot, \d+–\d+ mg a cup of 150 ml/,
  );
  await expect(forecast).toContainText('Style default, not fitted yet');
  await bar.chooseTea('Mereth Mint');
  await expect(forecast).toContainText('No caffeine');
});

test('a late pull: the judge already says what to expect; the bar shows it passing from thin to over', async ({
  house,
}) => {
  const bar = new BarDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  await bar.standsSince(60, { tea: 'Tolvane Amber', vessel: 'White pot' });
  await expect(house.page.getByRole('img', { name: /^The cup now: (watery|light)/ })).toBeVisible();
  await bar.standsSince(600, { tea: 'Sennet Hollow', vessel: 'Glass pot' });
  await expect(
    house.page.getByRole('img', { name: /^The cup now: (mellow|full|strong)/ }),
  ).toBeVisible();
  await bar.pull('Sennet Hollow');
  await bar.judge('Sennet Hollow');
  await expect(house.page.getByTestId('expect')).toContainText(
    /darker.*more bitter.*than its house cup/i,
  );
  await bar.mark('Bitter: bitter');
  await expect(house.page.getByTestId('change')).toHaveText('Lift it in its window');
  await house.expectSaid(/Brew it to the recipe first/);
});

test('what if: the cup answers at once, is held, and becomes the trial recipe; the trial is brewed and adopted', async ({
  house,
}) => {
  const whatIf = new WhatIfDriver(house.page);
  const bar = new BarDriver(house.page);
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  await whatIf.open('Tolvane Amber');
  await whatIf.expectWords(/No difference/);
  await whatIf.move('Time', 18);
  await whatIf.expectAt('Time', '5:30');
  await whatIf.expectWords(/stronger.*more bitter.*drier/i);
  await page.keyboard.press('h');
  await whatIf.expectWords(/No difference/);
  await whatIf.move('Time', -18);
  await whatIf.expectWords(/lighter.*less bitter/i);
  await page.keyboard.press('0');
  await whatIf.pick('Infuser', 'small ball');
  await whatIf.expectWords(/lighter/i);
  await whatIf.pick('Motion', 'stirred');
  await house.expectSaid(/infuser, stirring\): compare with care/);
  await page.keyboard.press('0');
  await whatIf.type('Water', '9000');
  await house.expectSaid('Over the brim.');
  await page.keyboard.press('Escape');

  await whatIf.open('Tolvane Amber');
  await whatIf.move('Heat', -4);
  await page.getByRole('button', { name: 'Make this the trial recipe' }).click();
  await page.getByLabel('Why').fill('Softer for the afternoon');
  await page.getByRole('button', { name: 'Put it on trial' }).click();
  await house.expectSaid('Tolvane Amber: version 3 is on trial.');
  const trial = page.locator('.versions li').first();
  await expect(trial).toContainText('trial');
  await expect(trial).toContainText('86');
  await expect(page.locator('.facts')).toContainText('90');
  await trial.getByRole('link', { name: 'Brew the trial' }).click();
  await expect(bar.card()).toContainText('on trial, version 3');
  await page.goBack();
  await page
    .locator('.versions li')
    .first()
    .getByRole('button', { name: 'Make it the house recipe' })
    .click();
  await expect(page.locator('.facts')).toContainText('86');
});

test('what if at altitude: heat that water cannot have there is said, and the cup shown is the one that can be', async ({
  house,
}) => {
  const whatIf = new WhatIfDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  await whatIf.open('Brannoch Large Leaf');
  await whatIf.type('Altitude', '3000 m');
  await house.expectSaid(/Out of reach: at 3000 m/);
  await whatIf.expectWords(/lighter/i);
  await whatIf.type('Altitude', 'high');
  await expect(house.page.getByRole('alert')).toContainText('not a number');
  await expect(house.page.getByRole('button', { name: /trial recipe/ })).toHaveCount(0);
});

test('is a spoon good enough: answered by a study in a worker, with what to mend first; other schools beside the table', async ({
  house,
}) => {
  await house.signIn(PEOPLE.brewer);
  await house.goTo('Book');
  await house.page.getByRole('link', { name: /Lammer Breaks/ }).click();
  await expect(house.page.getByTestId('tolerance')).toContainText(
    /This teaspoon of this tea is 2\.7 g ±0\.09\. Good enough/,
  );
  await expect(house.page.getByTestId('tolerance')).toContainText(
    /spoon as weighed here, scale ±0\.1 g/,
  );
  await expect(house.page.getByRole('row', { name: /Ball mug/ })).toContainText(
    /matched \d\.\d g, \d:\d\d/,
  );
  await house.expectSaid(/The leaf is lifted out: go linear/);
});

test('leaf matched to a known cup: chosen in a version, worked out for every vessel', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  await house.goTo('Book');
  await page.getByRole('link', { name: /Tolvane Amber/ }).click();
  await page.getByRole('button', { name: /New version/ }).click();
  await page.getByLabel('Leaf in other vessels').selectOption('match');
  await page.getByLabel('its water').fill('500');
  await page.getByLabel('its leaf').fill('6,5');
  await page.getByLabel('Why').fill('The White pot is right');
  await page.getByRole('button', { name: 'Make it the house recipe' }).click();
  await house.expectSaid('Say in which vessel the cup is known.');
  await expect(page.getByLabel('its leaf')).toHaveValue('6,5');
  await page.getByLabel('The known cup is brewed in').selectOption({ label: 'White pot' });
  await page.getByRole('button', { name: 'Make it the house recipe' }).click();
  await house.expectSaid('version 3 is the house recipe');
  await expect(page.getByRole('row', { name: /White pot/ })).toContainText('6.5 g');
  await expect(page.getByRole('row', { name: /Grey pot/ })).toContainText(/10\.\d g/);
  await house.expectSaid(/leaf matched to a known cup/);
});

test('versions compared: values, cups, and back by a new version', async ({ house }) => {
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  await house.goTo('Book');
  await page.getByRole('link', { name: /Sennet Hollow/ }).click();
  await page.getByRole('link', { name: /^Compare/ }).click();
  await expect(page.getByRole('columnheader', { name: /Version 2/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /^Leaf/ })).toContainText(/1\d % (more|less)/);
  await house.expectSaid(/brews? used version 2, none version 1/);
  await page.getByRole('button', { name: 'Go back to 1' }).click();
  await expect(page.getByLabel('Why')).toHaveValue('Back to version 1');
  await page.getByLabel('Why').fill('The packet was right');
  await page.getByRole('button', { name: 'Go back', exact: true }).click();
  await house.expectSaid('Sennet Hollow: version 3 is the house recipe.');
  await expect(page.getByRole('heading', { name: 'Versions' })).toBeVisible();
  await page.keyboard.press('v');
  await expect(page.getByRole('columnheader', { name: /Version 3/ })).toBeVisible();
  await page.keyboard.press(']');
  await expect(page).toHaveURL(/left=3&right=1/);
  await expect(page.getByText('no line differs')).toBeVisible();
});

test('the scaling board: so many cups by a time, bad answers beside the pick, so many grams', async ({
  house,
}) => {
  const { page } = house;
  const pick = async (label: string, text: string) => {
    await page.getByRole('button', { name: `${label}: change` }).click();
    await page.getByRole('textbox', { name: label }).fill(text);
    await page.keyboard.press('Enter');
  };
  await house.signIn(PEOPLE.brewer);
  await house.goTo('Book');
  await page.getByRole('link', { name: /Sennet Hollow/ }).click();
  await page.getByRole('link', { name: /^For a service/ }).click();
  await pick('Cups', '0');
  await expect(page.getByRole('alert')).toContainText('A service must be more than 1 cups');
  await expect(page.getByRole('textbox', { name: 'Cups' })).toHaveValue('0');
  await page.keyboard.press('Escape');
  await pick('Cups', '18');
  await pick('By', '25:00');
  await expect(page.getByRole('alert')).toContainText('A time, such as 15:00.');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('region', { name: 'What it takes' })).toContainText(
    /pours in 2 rounds/,
  );
  await house.expectSaid(/First poured waits \d+ minutes/);
  await pick('Price of a kilo', '124,50');
  await expect(page.getByRole('region', { name: 'What it takes' })).toContainText(/0\.\d\d? a cup/);
  await page.getByRole('button', { name: 'I have so many grams' }).click();
  await pick('Leaf', '11');
  await expect(page.getByRole('row', { name: /White pot/ })).toContainText('once full, 4.5 g left');
  await expect(page.getByRole('row', { name: /Grey pot/ })).toContainText('once full');
});

test('the wall card opens as a PDF; its code opens the brew ready on the bar', async ({
  house,
}) => {
  const { page } = house;
  const bar = new BarDriver(page);
  await house.signIn(PEOPLE.brewer);
  await house.goTo('Book');
  await page.getByRole('link', { name: /Tolvane Amber/ }).click();
  const href = await page.getByRole('link', { name: 'A5', exact: true }).getAttribute('href');
  const pdf = await page.request.get(href ?? '');
  expect([pdf.status(), pdf.headers()['content-type']]).toEqual([200, 'application/pdf']);
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
  // What the code on it says, as a scanner would open it.
  const teaId = /teas\/([^/]+)/.exec(href ?? '')?.[1] ?? '';
  const { vessels } = (await (await page.request.get('/api/vessels')).json()) as {
    vessels: { id: string; name: string }[];
  };
  await page.goto(
    `/start?tea=${teaId}&vessel=${vessels.find((v) => v.name === 'Grey pot')?.id ?? ''}`,
  );
  await expect(bar.card()).toContainText('Tolvane Amber');
  await expect(page.getByRole('button', { name: 'Vessel: change' })).toHaveText('Grey pot');
});

test('two leads at the versions: the second is told by whom and can go on; a trial that was replaced is not taken', async ({
  house,
  tablet,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  const book = async () =>
    (
      (await (await page.request.get('/api/book')).json()) as {
        teas: { id: string; name: string; house: { recipe: object } }[];
      }
    ).teas.find((t) => t.name === 'Sennet Hollow');
  const tea = await book();
  const made = async (as: 'house' | 'trial', basedOn: number, reason: string) => {
    const answer = await page.request.post(`/api/teas/${tea?.id}/versions`, {
      data: {
        id: v7(),
        method: 'pot',
        basedOn,
        as,
        recipe: tea?.house.recipe,
        reason,
        settles: [],
      },
      headers: { origin: new URL(page.url()).origin },
    });
    expect(answer.status()).toBe(200);
  };
  await page.goto(`/book/${tea?.id}/versions`);
  await page.getByRole('button', { name: 'Go back to 1' }).click();
  await page.getByLabel('Why').fill('Mine, typed while theirs came');
  await made('house', 2, 'From another tablet');
  await page.getByRole('button', { name: 'Go back', exact: true }).click();
  await house.expectSaid(/Ilsa V\. made version 3 meanwhile: “From another tablet”/);
  await expect(page.getByLabel('Why')).toHaveValue('Mine, typed while theirs came');
  await page.getByRole('button', { name: 'Theirs seen' }).click();
  await house.expectSaid(/Version 4 will have the recipe of version 1/);
  await page.getByRole('button', { name: 'Go back', exact: true }).click();
  await house.expectSaid('Sennet Hollow: version 4 is the house recipe.');

  await made('trial', 4, 'First try');
  // This page does not hear of the second before its own.
  await page.route('**/api/live*', (r) => r.abort());
  await page.reload();
  const take = page.getByRole('button', { name: 'Make it the house recipe' });
  await expect(take).toBeVisible();
  await made('trial', 5, 'Second try');
  await take.click();
  await house.expectSaid(/Not taken\..*no longer on trial/);
  const other = new HouseDriver(await tablet());
  await other.signIn(PEOPLE.lead);
  await other.page.goto(`/book/${tea?.id}`);
  await other.page.getByRole('button', { name: 'Make it the house recipe' }).click();
  await other.expectSaid('Sennet Hollow: version 6 is the house recipe.');
});
