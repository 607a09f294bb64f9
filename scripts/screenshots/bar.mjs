import { v7 } from 'uuid';
import { now } from './clock.mjs';
import { PHONE, TABLET } from './studio.mjs';

/** Six more brews, on pots bought for it, and three orders. */
async function fillTheBar({ vesselCalled, teaCalled, post, stands }) {
  const like = await vesselCalled('White pot');
  const { id: _id, rev: _rev, retired: _retired, ...facts } = like;
  for (const name of ['Blue pot', 'Tall pot', 'Oval pot', 'Pot by the window'])
    await post('/api/vessels', { ...facts, id: v7(), name });
  for (const [i, [tea, vessel, ago]] of [
    ['Marrowick Broken', 'Grey pot', 73],
    ['Dunvarrow Roast', 'Ball mug', 150],
    ['Osk Flower', 'Blue pot', 40],
    ['Iveline First', 'Tall pot', 148],
    ['Corrow Roast', 'Oval pot', 96],
    ['Vennick Gold', 'Pot by the window', 148],
  ].entries())
    await stands(tea, vessel, ago, i + 7);
  for (const [i, [tea, forWhom]] of [
    ['Mereth Mint', 'window table'],
    ['Haldrin Shade', 'two at the bar'],
    ['Orrin Hearth', 'to take out'],
  ].entries())
    await post('/api/orders', {
      id: v7(),
      siteId: like.siteId,
      teaId: (await teaCalled(tea)).id,
      vesselId: null,
      water: null,
      forWhom,
      rank: i,
      at: now(),
    });
}

/** Six on the bar; twelve, on a screen, a tablet and a phone; one of them judged. */
export async function barScene(studio) {
  const { context, page, settle, role, go, records, post, stands, pictureOf, shot, tile } = studio;
  const keep = (picture) => tile('bar-twelve', picture, { of: 3, columns: 3 });
  await go('/');
  // One, then six with one of them late, then twelve with three waiting.
  await stands('Tolvane Amber', 'White pot', 150, 2);
  await go('/');
  await stands('Ostrey Deep', 'Lidded cup', 24, 1);
  await stands('Quillorn Steam', 'Small pot', 94, 3);
  await stands('Sennet Hollow', 'Release steeper', 156, 4);
  await stands('Corrow Light', 'Glass pot', 20, 5, true);
  await stands('Ullash White Bud', 'Lidded mug', 58, 6);
  await settle(1200);
  await shot('bar');
  await fillTheBar(studio);
  await settle(1200);
  await keep(await pictureOf());
  await keep(await pictureOf(TABLET));
  await keep(await pictureOf(PHONE));
  await context.setOffline(true);
  await page.locator('.under[data-brew="Quillorn Steam"] .act .btn').first().click();
  await settle(1000);
  await context.setOffline(false);
  await go('/', 4000);
  await page
    .locator('.under[data-brew="Quillorn Steam"]')
    .getByRole('button', { name: /^Judge/ })
    .click();
  await settle();
  await role('radio', '4 · darker').click();
  await role('radio', 'Bitter: bitter').click();
  await role('radio', 'Drying: dry').click();
  await role('radio', 'Sweet: little').click();
  await settle();
  await shot('judge');
  for (const b of (await records('/api/bar')).brews.filter(
    (x) => x.place > 6 || x.tea.name === 'Sennet Hollow',
  ))
    await post(`/api/brews/${b.id}/events`, {
      id: v7(),
      at: now(),
      kind: 'abandon',
      reason: 'Spilled',
    });
  await go('/', 700);
}
