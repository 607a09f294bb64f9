/** A fit of a tea's cups, and the advice of all of them. */
export async function fitScene({ page, settle, go, teaCalled, pictureOf, tile }) {
  const take = async () => tile('fit', await pictureOf(), { of: 2, columns: 2 });
  await go(`/book/${(await teaCalled('Marrowick Broken')).id}/fit`);
  await take();
  await page.goto(`/book/${(await teaCalled('Lammer Breaks')).id}/advice`);
  await page.getByRole('button', { name: 'Make it a trial' }).click();
  await settle(1500);
  await page.keyboard.press('c');
  await settle(6000);
  await take();
}
