import { BarDriver } from '../drivers/BarDriver';
import { expect, PEOPLE, test } from '../fixtures/shop';

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
  await house.changeTo(/Quay kiosk/, PEOPLE.lead);
  await house.expectSaid('Nothing on the bar.');
  await new BarDriver(house.page).start({ tea: 'Marrowick Broken', vessel: 'Grey pot' });
  await house.expectAllSaved();
});

test('a new site has its vessels at once where the event stream does not get through', async ({
  house,
}) => {
  await house.losesStream();
  await house.signIn(PEOPLE.lead);
  await house.goTo('House');
  await house.press('New site');
  await house.choose('Begin with', 'the vessels, kettles, hours and limits of Harbour room');
  await house.type('Name', 'Quay kiosk', { exact: true });
  await house.type('Altitude', '40');
  await house.press('Save the site');
  await house.expectThere('cell', 'Quay kiosk', { exact: true });
  await house.changeTo(/Quay kiosk/, PEOPLE.lead);
  await new BarDriver(house.page).start({ tea: 'Marrowick Broken', vessel: 'Grey pot' });
  await house.expectAllSaved();
});

test('a tablet that goes from a busy site to a quiet one reads the quiet one’s bar, and not for ever', async ({
  house,
}) => {
  await house.signIn(PEOPLE.lead);
  const bar = new BarDriver(house.page);
  // So much was told to the pages of this site that the other's numbers are all below.
  for (const [tea, vessel] of [
    ['Marrowick Broken', 'Grey pot'],
    ['Sennet Hollow', 'Release steeper'],
    ['Tolvane Amber', 'Glass pot'],
  ] as const)
    await bar.standsSince(20, { tea, vessel });
  await house.expectAllSaved();
  await house.changeTo(/Ridge hut/, PEOPLE.lead);
  await house.expectSaid('Nothing on the bar.');
  const readings = await house.readingsWithin('/api/bar', 3000);
  expect(readings).toBeLessThan(3);
});

test('a tablet that loses the network while its lead signs in at another site does not show the bar it left', async ({
  house,
}) => {
  await house.signIn(PEOPLE.lead);
  const bar = new BarDriver(house.page);
  await bar.standsSince(20, { tea: 'Marrowick Broken', vessel: 'Grey pot' });
  await house.expectAllSaved();
  await house.cutOff('**/api/bar');
  await house.changeTo(/Ridge hut/, PEOPLE.lead);
  await house.expectSaid('The bar cannot be read just now.');
  await bar.expectGone('Marrowick Broken');
});

test('a site that reads twelve hours and the month first: the clock, the log and the hours say it so', async ({
  house,
}) => {
  await house.signIn(PEOPLE.lead);
  await house.page.goto('/house');
  await house.press('New site');
  await house.type('Name', 'Weir house', { exact: true });
  await house.type('Altitude', '60');
  await house.choose('Begin with', 'the vessels, kettles, hours and limits of Harbour room');
  await house.choose('Dates', 'Nov 3');
  await house.choose('Times', '2:05 pm');
  await house.choose('Week begins on', 'Sunday');
  await house.press('Save the site');
  await house.expectThere('cell', 'Weir house', { exact: true });
  await house.changeTo(/Weir house/, PEOPLE.lead);
  await house.expectSaid(/^\d{1,2}:\d\d [ap]m$/);
  await new BarDriver(house.page).start({ tea: 'Marrowick Broken', vessel: 'Grey pot' });
  await house.expectAllSaved();
  await house.goTo('House');
  await house.follow('Hours');
  await house.expectField('Somebody is there, Sunday', '7:30 am-10:30 pm');
  await house.type('Somebody is there, Sunday', '9 am-1pm, 2 pm-9:30 pm');
  await house.pressFirst('Sunday’s for every day');
  await house.press('Save the hours');
  await house.page.goto('/house/hours');
  await house.expectField('Somebody is there, Saturday', '9 am-1 pm, 2 pm-9:30 pm');
});
