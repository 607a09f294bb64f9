import { BarDriver } from '../drivers/BarDriver';
import { PEOPLE, test } from '../fixtures/shop';

test('a new site like another: its name and height are typed, and its first pot is steeping', async ({
  house,
}) => {
  await house.signIn(PEOPLE.lead);
  await house.page.goto('/house');
  await house.press('New site');
  await house.choose('Begin with', 'the vessels, kettles, hours and limits of Harbour room');
  await house.press('Save the site');
  await house.expectFault('Give it a name.');
  await house.type('Name', 'Quay kiosk', { exact: true });
  await house.type('Altitude', '40');
  await house.press('Save the site');
  await house.expectThere('cell', 'Quay kiosk', { exact: true });
  await house.signOut();
  await house.press(/Quay kiosk/);
  await house.pick(PEOPLE.lead.name);
  await house.enterSecret(PEOPLE.lead.secret);
  await house.goTo('Bar');
  await house.expectSaid('Nothing on the bar.');
  await new BarDriver(house.page).start({ tea: 'Marrowick Broken', vessel: 'Grey pot' });
  await house.expectAllSaved();
});
