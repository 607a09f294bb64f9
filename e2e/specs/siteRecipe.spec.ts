import { PEOPLE, test } from '../fixtures/shop';

test('a site with a recipe of its own: seen with its reason beside the house’s, taken here, and given up again', async ({
  house,
}) => {
  await house.signIn(PEOPLE.lead);
  await house.goTo('Book');
  await house.follow(/Vennick Gold/);
  await house.expectSaid('Ridge hut brews version 3');
  await house.expectSaid(/because of its altitude: Water boils at 94 °C there/);
  await house.follow('Compare both cups');
  await house.expectThere('heading', /^3 against 2/);
  await house.page.goBack();
  await house.press('Brew version 3 at Harbour room only');
  await house.press('Brew version 3 here');
  await house.expectFault('Type the reason for the next lead.');
  await house.choose('Because of', 'its kettles and vessels');
  await house.type('Reason', 'Our pots lose more heat.', { exact: true });
  await house.press('Brew version 3 here');
  await house.expectSaid('Harbour room now brews its own recipe of Vennick Gold.');
  await house.expectSaid('Harbour room brews version 3');
  await house.expectSaid('4:20');
  await house.press('Back to the house recipe');
  await house.expectUnsaid('Harbour room brews version 3');
  await house.expectSaid('3:45');
});
