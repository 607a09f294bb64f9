import { BarDriver } from '../drivers/BarDriver';
import { expect, PEOPLE, test } from '../fixtures/shop';

test('a kettle for this brew: its own setting and what that gives, or its boil; the queue says which suits', async ({
  house,
}) => {
  await house.signIn(PEOPLE.brewer);
  const bar = new BarDriver(house.page);
  await bar.openStart();
  await bar.chooseTea('Quillorn Steam');
  await bar.chooseVessel('Grey pot');
  await expect(bar.card()).toContainText(/at 85.°C/);
  await expect(bar.card()).toContainText(/7\d.°C on the leaf/);
  await bar.chooseKettle(/^Counter urn/);
  await expect(bar.card()).toContainText('boiled');
  await expect(bar.card()).toContainText(/ml cold first/);
  await house.press(/^Water on: start/);
  await bar.more('Quillorn Steam', 'Steps and readings');
  await house.expectDialog(/Boil the Counter urn; \d+.ml cold first/);
  await house.page.keyboard.press('Escape');
  await bar.openStart();
  await bar.chooseTea('Quillorn Steam');
  await bar.chooseVessel('White pot');
  await bar.putInQueue('Window');
  await house.expectSaid(/Window, White pot, (Tall kettle at|Counter urn boiled)/);
});

test('a kettle that only boils: its water waits, and the bar says when it is right', async ({
  house,
}) => {
  await house.signIn(PEOPLE.brewer);
  const bar = new BarDriver(house.page);
  await bar.openStart();
  await bar.chooseTea('Tolvane Amber');
  await bar.chooseVessel('Grey pot');
  await bar.chooseKettle(/^Counter urn/);
  await house.press(/^Warm the/);
  await bar.expectOnBar('Tolvane Amber');
  await bar.act('Tolvane Amber', 'Warmed');
  await bar.act('Tolvane Amber', 'Leaf in');
  await bar.act('Tolvane Amber', 'Boiled');
  await bar.expectState('Tolvane Amber', /Water ready in \d+:\d\d/);
  await bar.expectState('Tolvane Amber', /Wait \d+:\d\d off the boil/);
  await bar.act('Tolvane Amber', 'Water on');
  await bar.more('Tolvane Amber', 'Steps and readings');
  await house.expectDialog(/Boil the Counter urn\s*done.*Wait \d+:\d\d off the boil\s*done/s);
});
