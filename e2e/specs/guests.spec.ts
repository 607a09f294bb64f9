import type { Page } from '@playwright/test';
import { HouseDriver } from '../drivers/HouseDriver';
import { TableDriver } from '../drivers/TableDriver';
import { accessibilityFaults } from '../fixtures/accessibility';
import { expect, PEOPLE, test } from '../fixtures/shop';

const accessible = async (page: Page) =>
  expect(await accessibilityFaults(page, { advised: true })).toEqual([]);
const PHONE = { viewport: { width: 390, height: 844 } };

test('a guest sits down by the code and a name, tastes on a phone, and is read by name at the table', async ({
  house,
  tablet,
}) => {
  await house.signIn(PEOPLE.lead);
  const table = new TableDriver(house.page);
  await table.open();
  await house.page.keyboard.press('n');
  await table.pick('Exercise', 'Pair: time differs');
  await table.guests(2);
  await table.setUp();
  const code = await table.guestCode();
  const codes = await table.codes();
  await house.page.keyboard.press(' ');
  const phone = await tablet(PHONE);
  await phone.goto(`/guest?code=${code}`);
  const guest = new HouseDriver(phone);
  const seat = new TableDriver(phone);
  await guest.expectSaid('Taste with us');
  await accessible(phone);
  await guest.press('Sit down');
  await guest.expectSaid(/Type your name/);
  await guest.type('Your name', 'Mara');
  await guest.press('Sit down');
  await guest.expectSaid(/let a spoon cool/);
  await guest.expectSaidOnce('Mara');
  // A page that is opened again is the same guest.
  await phone.reload();
  await guest.expectSaid(/Taste from left to right/);
  await accessible(phone);
  // Without a server what is submitted waits on the phone, and goes by itself.
  await seat.chooseBowl(codes[0] ?? '');
  await phone.route('**/api/guests/**', (route) => route.abort());
  await guest.press(/^Submit/);
  await guest.expectSaid(/sent as soon as there is a connection/);
  await phone.unrouteAll({ behavior: 'ignoreErrors' });
  await guest.expectSaid(/Thank you, Mara/);
  await house.expectSaid(/Mara/);
  await house.expectSaid(/seat free/);
});
test('a guest reads nothing of the house: another address is the names to sign in by', async ({
  tablet,
}) => {
  const phone = await tablet(PHONE);
  await phone.goto('/guest?code=ZZZZZ9');
  const guest = new HouseDriver(phone);
  await guest.type('Your name', 'Ode');
  await guest.press('Sit down');
  await guest.expectSaid(/No table has this code now/);
  await guest.expectField('Code', 'ZZZZZ9');
  await phone.goto('/table');
  await guest.expectSaid(PEOPLE.lead.name);
});
