import { expect } from '@playwright/test';
import { HouseDriver } from '../drivers/HouseDriver';
import { PEOPLE, test } from '../fixtures/shop';

test('a tablet is paired by a code, is called by its name, and forgets what it read when it is taken out', async ({
  house,
  tablet,
}) => {
  await house.signIn(PEOPLE.lead);
  await house.goTo('House');
  await house.follow('Devices');
  await house.expectSaid('No device is paired yet.');
  await house.press('New device');
  await house.press('Make a code');
  await house.expectOneFault('Give it a name.');
  await house.type('Name of the device', 'Left tablet');
  await house.press('Make a code');
  const code = await house.figureText('pairing-code');

  const left = new HouseDriver(await tablet());
  await left.page.goto('/');
  await left.press('Pair this device');
  await left.type('Code from House, Devices', 'AAAA-AAAA');
  await left.press('Pair', { exact: true });
  await left.expectOneFault('No device has this code now.');
  await left.type('Code from House, Devices', code);
  await left.press('Pair', { exact: true });
  await left.expectNone('textbox', 'Code from House, Devices');
  await left.signInByHand(PEOPLE.brewer);
  await left.goTo('Bar');
  await left.press(/Not you/);
  await left.expectSaid('This device is paired as Left tablet.');
  await left.page.reload();

  await house.press('Done');
  await house.page.reload();
  await house.expectSaid(/Dov R\..*on Left tablet/);
  await house.press('Change Left tablet');
  await house.press('Take the device out of the house');
  await house.expectOneFault('Everybody who is signed in on Left tablet is signed out at once');
  await house.press('Take Left tablet out now');
  await house.expectSaid(/taken out just now/);

  await left.page.reload();
  await left.expectSaid('This device was taken out of the house.');
  expect(await left.keptHere('read')).not.toEqual(expect.arrayContaining(['book']));
  await left.pick(PEOPLE.brewer.name);
  await left.enterSecret(PEOPLE.brewer.secret);
  await left.expectSaid('This device was taken out of the house. A lead pairs it again');

  // A new code, and it is in again.
  await house.press('Change Left tablet');
  await house.press('New code');
  const again = await house.figureText('pairing-code');
  await left.press('Pair this device');
  await left.type('Code from House, Devices', again);
  await left.press('Pair', { exact: true });
  await left.expectNone('textbox', 'Code from House, Devices');
  await left.signInByHand(PEOPLE.brewer);
});

test('who is signed in where: one session is ended, and that device asks for a name', async ({
  house,
  tablet,
}) => {
  await house.signIn(PEOPLE.lead);
  const other = new HouseDriver(await tablet());
  await other.signIn(PEOPLE.brewer);
  await house.page.goto('/house/devices');
  await house.press(/^End the session of Dov R\./);
  await house.expectUnsaid(/Dov R\..*on/);
  await other.page.reload();
  await other.expectThere('heading', 'Who is brewing?');
});
