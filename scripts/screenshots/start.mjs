/** A brew whose time is found by tasting, its leaf out of the water; given up again. */
async function byTasting({ page, role, settle, pictureOf }) {
  await role('button', 'Find by tasting').click();
  await role('button', /^Water on: start/).click();
  await settle(4000);
  await role('button', /^Leaf out/).click();
  await settle();
  const picture = await pictureOf();
  await page.keyboard.press('Escape');
  await role('button', /^More for/).click();
  await role('menuitem', 'Give it up').click();
  await role('button', 'Wrong tea').click();
  return picture;
}
/** A tea's card for a guest who measures in US teaspoons and ounces. */
async function guestCardOf({ teaCalled, printed }, name) {
  const { id } = await teaCalled(name);
  const home = 'water=700&spoon=usTeaspoon&volume=usFlOz&degrees=F';
  return printed(`/api/teas/${id}/guest.pdf?${home}`, 137);
}

/**
 * A start: as the house has it, as a guest asks for it, in a pot not on the shelf; water from a kettle that only boils; a
 * brew by tasting; a card to take home.
 */
export async function startScene(studio) {
  const { page, settle, role, go, pictureOf, tile } = studio;
  const keep = (picture) => tile('start', picture, { of: 6, columns: 3 });
  await page.keyboard.press('n');
  await settle();
  await keep(await pictureOf());
  await go('/start?strength=1&milk=tenth&cups=4&each=110', 700);
  await keep(await pictureOf());
  await role('button', 'Vessel: change').click();
  await role('button', 'A pot that is not on the shelf').click();
  await page.getByLabel('The pot holds, to the brim').fill('24 fl oz');
  await settle();
  await keep(await pictureOf());
  await page.keyboard.press('Escape');
  await go('/start', 700);
  await role('button', 'Quillorn Steam').click();
  const urn = page.locator('option', { hasText: 'Counter urn' });
  await page.getByLabel('Kettle', { exact: true }).selectOption(await urn.getAttribute('value'));
  await settle();
  await keep(await pictureOf());
  await keep(await byTasting(studio));
  await keep(await guestCardOf(studio, 'Kestry Pearl'));
}
