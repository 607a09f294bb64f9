import { v7 } from 'uuid';
import { now } from './clock.mjs';
import { PHONE } from './studio.mjs';

/** The ladder that was set up last is begun, and its first cups are poured off. */
async function pourLadder({ records, vesselCalled, post }) {
  const [ladder] = (
    await records(`/api/tastings?siteId=${(await vesselCalled('White pot')).siteId}`)
  ).tastings;
  const table = (at, act) => post(`/api/tastings/${ladder.id}/events`, { id: v7(), at, act });
  const began = now() - 134_000;
  await table(began, { kind: 'start' });
  const plan = (await records(`/api/tastings/${ladder.id}`)).exercise.cups.map(
    (c) => c.plan.seconds,
  );
  for (const [cup, s] of plan.entries())
    if (s < 130) await table(began + s * 1000 + 1200, { kind: 'pull', cup });
}

/** A ladder half poured, a sheet begun; the result of one that was revealed; a colour that was read. */
async function ladderAndColour(studio) {
  const { page, settle, role, go, pictureOf, shot, tile } = studio;
  const sheet = (picture) => tile('table-sheet', picture, { of: 2, columns: 2 });
  const colour = (picture) => tile('colour', picture, { of: 2 });
  await go('/table/new', 700);
  await role('button', 'Tea: change').click();
  await page.getByLabel('Type a name').fill('marrow');
  await page.keyboard.press('Enter');
  for (const name of ['Dov R.', 'Pela M.', 'Tam O.']) await role('button', name).click();
  await role('button', /^Set it up/).click();
  await settle();
  await pourLadder(studio);
  await settle(1200);
  await shot('table-run');
  await role('link', 'Taste').click();
  await settle();
  await role('tab', '4 Taste').click();
  await role('radio', 'Bitter: bitter').click();
  await role('radio', 'Strength: right').click();
  await role('radio', 'Sweet: little').click();
  await page.locator('.sheet-body').evaluate((e) => e.scrollTo(0, 0));
  await sheet(await pictureOf(PHONE));
  await role('button', 'Order the cups').click();
  await sheet(await pictureOf(PHONE));
  await go('/table', 700);
  await role('link', /Ladder of time.*revealed/).click();
  await settle(1500);
  await shot('table-result');
  await go('/table/colour', 700);
  await role('button', /^Malty black, weak/).click();
  await settle(1800);
  await colour(await pictureOf());
  await role('button', /too dark$/).click();
  await settle(1800);
  await page.locator('.work').evaluate((e) => e.scrollTo(0, 0));
  await colour(await pictureOf());
}

/** The marks of a taster on the first cup, and on the second. */
const marksOf = (taster, cup) =>
  cup === 0
    ? { strength: taster > 0 ? 1 : 0, bitterness: 1, astringency: 0, sweetness: -1, aroma: 0 }
    : {
        strength: 0,
        bitterness: taster === 0 ? 1 : 0,
        astringency: taster === 1 ? -1 : 0,
        sweetness: 0,
        aroma: taster > 1 ? -1 : 0,
      };
/** A round of a dial-in, brewed, tasted by all and revealed. */
async function tasteRound({ records, post }, id) {
  const round = (at, act) => post(`/api/tastings/${id}/events`, { id: v7(), at, act });
  const { exercise } = await records(`/api/tastings/${id}`);
  const from = now() - 900_000;
  await round(from, { kind: 'start' });
  for (const [cup, c] of exercise.cups.entries()) {
    await round(from, { kind: 'pour', cup });
    await round(from + c.plan.seconds * 1000, { kind: 'pull', cup });
  }
  for (const [i, t] of exercise.tasters.entries()) {
    for (const [cup, c] of exercise.cups.entries())
      await round(now(), {
        kind: 'keep',
        taster: t.id,
        code: c.codes[0],
        sheet: {
          marks: marksOf(i, cup),
          words: [],
        },
      });
    await round(now(), { kind: 'handIn', taster: t.id, order: null, choice: null });
  }
  await round(now(), { kind: 'reveal' });
}

/** Tastings: a ladder, its sheet and result, a colour, a dial-in after its second round. */
export async function tableScene(studio) {
  await ladderAndColour(studio);
  const { page, settle, role, go, shot } = studio;
  await go('/table', 700);
  await page.locator('a.tasting-row', { hasText: 'Dial-in of a lot' }).click();
  await settle();
  await role('button', 'Set up round 2').click();
  await settle();
  await tasteRound(studio, page.url().split('/').at(-1));
  await page.reload();
  await settle(1200);
  await shot('dial-in');
}
