import { BarDriver } from '../drivers/BarDriver';
import { ColdDriver } from '../drivers/ColdDriver';
import { HouseDriver } from '../drivers/HouseDriver';
import { expect, PEOPLE, test } from '../fixtures/shop';

// What waits on a device is sent in the name of whoever did it, and a record the server fails on does not hold up the
// rest.

type Kept = {
  startedBy: { name: string };
  pulledBy: { name: string } | null;
  tea: { name: string };
};
const onBar = async (house: HouseDriver): Promise<Kept[]> =>
  ((await (await house.page.request.get('/api/bar')).json()) as { brews?: Kept[] }).brews ?? [];

test('a brew that one person started without a network is sent under that person’s name, whoever signs in first', async ({
  house,
}) => {
  const { page } = house;
  const bar = new BarDriver(page);
  await house.signInByHand(PEOPLE.brewer);
  await page.route('**/api/brews', (r) =>
    r.request().method() === 'POST' ? r.abort() : r.continue(),
  );
  await bar.start({ tea: 'Tolvane Amber', vessel: 'White pot' });
  await house.expectUnsaved(1);
  await house.signOut();
  await house.expectSaid(/Dov R\.: sign in and your records are sent/);
  await page.unroute('**/api/brews');
  await house.pick(PEOPLE.other.name);
  await house.enterSecret(PEOPLE.other.secret);
  await house.expectSaid(/1 not saved yet, some wait for Dov R\./);
  // The other person's own work is sent at once.
  await bar.start({ tea: 'Marrowick Broken', vessel: 'Grey pot' });
  await expect
    .poll(async () => (await onBar(house)).map((b) => [b.tea.name, b.startedBy.name]))
    .toEqual([['Marrowick Broken', PEOPLE.other.name]]);
  await house.press('Show records');
  await house.expectSaid('This record waits until Dov R. signs in on this device.');
  await page.keyboard.press('Escape');
  // Something done to a brew that the server does not know yet waits with its start.
  await bar.pull('Tolvane Amber');
  await house.expectUnsaved(2);
  await house.signOut();
  await house.pick(PEOPLE.brewer.name);
  await house.enterSecret(PEOPLE.brewer.secret);
  await expect
    .poll(
      async () => (await onBar(house)).find((b) => b.tea.name === 'Tolvane Amber')?.startedBy.name,
    )
    .toBe(PEOPLE.brewer.name);
  await house.expectSaid(/1 not saved yet, some wait for Tam O\./);
  await house.signOut();
  await house.pick(PEOPLE.other.name);
  await house.enterSecret(PEOPLE.other.secret);
  await house.expectAllSaved();
  expect((await onBar(house)).find((b) => b.tea.name === 'Tolvane Amber')?.pulledBy?.name).toBe(
    PEOPLE.other.name,
  );
});

test('a record that the server fails on five times is set aside and shown; the rest goes on; tried again, it is kept', async ({
  house,
}) => {
  const { page } = house;
  const bar = new BarDriver(page);
  await house.signIn(PEOPLE.brewer);
  const bad = await bar.began(200, { tea: 'Tolvane Amber', vessel: 'White pot' });
  await bar.began(200, { tea: 'Marrowick Broken', vessel: 'Grey pot' }, 2);
  await bar.expectOnBar('Marrowick Broken');
  let tries = 0;
  await page.route(`**/api/brews/${bad}/events`, (r) => {
    tries += 1;
    return r.fulfill({
      status: 500,
      json: { code: 'internal', message: 'Something went wrong here.' },
    });
  });
  await bar.pull('Tolvane Amber');
  await bar.pull('Marrowick Broken');
  await house.expectSaidOnce(/1 set aside/);
  expect(tries).toBe(5);
  await expect
    .poll(
      async () =>
        (await onBar(house)).find((b) => b.tea.name === 'Marrowick Broken')?.pulledBy?.name,
    )
    .toBe(PEOPLE.brewer.name);
  // It is still there, and still aside, when the page is loaded again.
  await page.reload();
  await house.expectSaidOnce(/1 set aside/);
  await page.unroute(`**/api/brews/${bad}/events`);
  await house.press('Show records');
  await house.expectSaid(/End of the steep of Tolvane Amber/);
  await house.press('Try again');
  await page.keyboard.press('Escape');
  await house.expectAllSaved();
  expect((await onBar(house)).find((b) => b.tea.name === 'Tolvane Amber')?.pulledBy?.name).toBe(
    PEOPLE.brewer.name,
  );
});

test('a cold batch that a clock far ahead began is set aside, not lost; sent again, the server has the batch', async ({
  house,
}) => {
  const { page } = house;
  const cold = new ColdDriver(page);
  await house.signIn(PEOPLE.brewer);
  await cold.open();
  const ahead = 'The clock of this device is 10 minutes ahead. Set the clock.';
  await page.route('**/api/batches', (r) =>
    r.request().method() === 'POST'
      ? r.fulfill({ status: 409, json: { code: 'clock.ahead', message: ahead } })
      : r.continue(),
  );
  await cold.startWhatIsOffered();
  await house.expectSaid(/1 set aside/);
  await page.unroute('**/api/batches');
  await house.press('Show records');
  await house.expectSaid(ahead);
  await house.press('Try again');
  await page.keyboard.press('Escape');
  await house.expectAllSaved();
  await cold.open();
  await cold.expectState('Small pitcher', 'infusing, best');
});
