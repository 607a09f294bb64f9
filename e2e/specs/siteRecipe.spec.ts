import { PEOPLE, test } from '../fixtures/shop';

test('a site with a recipe of its own: seen with its reason beside the house’s, taken here, and given up again', async ({
  house,
}) => {
  await house.signIn(PEOPLE.lead);
  await house.goTo('Book');
  await house.follow(/Vennick Gold/);
  await house.expectSaid('Ridge hut brews version 3');
  await house.expectSaid(/because of its altitude: Water boils at 94 °C there/);
  await house.follow('Both cups');
  await house.expectThere('heading', /^3 against 2/);
  await house.page.goBack();
  await house.press('Brew it at Harbour room only');
  await house.press('Brew it here');
  await house.expectFault('Say why: the next lead reads it.');
  await house.choose('Because of', 'its kettles and vessels');
  await house.type('Why', 'Our pots lose more heat.', { exact: true });
  await house.press('Brew it here');
  await house.expectSaid('Harbour room has a recipe of its own for Vennick Gold.');
  await house.expectSaid('Harbour room brews version 3');
  await house.expectSaid('4:20');
  await house.press('As the house again');
  await house.expectUnsaid('Harbour room brews version 3');
  await house.expectSaid('3:45');
});
