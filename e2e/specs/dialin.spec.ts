import type { Page } from '@playwright/test';
import { v7 } from 'uuid';
import type { OpenTasting } from '../../src/contracts/tastings';
import { HouseDriver } from '../drivers/HouseDriver';
import { TableDriver } from '../drivers/TableDriver';
import { expect, PEOPLE, test } from '../fixtures/shop';

const idOf = (page: Page): string => /table\/([0-9a-f-]+)/.exec(page.url())?.[1] ?? '';
/** Every cup brewed to its plan, some minutes ago. */
async function brewedBefore(page: Page): Promise<OpenTasting> {
  const id = idOf(page);
  const view = (await (await page.request.get(`/api/tastings/${id}`)).json()) as OpenTasting;
  const { now } = (await (await page.request.get('/api/house')).json()) as { now: number };
  const start = now - 900_000;
  const does = async (act: object, at: number) =>
    expect(
      (
        await page.request.post(`/api/tastings/${id}/events`, {
          data: { id: v7(), at: Math.round(at), act },
          headers: { origin: new URL(page.url()).origin },
        })
      ).status(),
    ).toBe(200);
  await does({ kind: 'start' }, start);
  for (const [cup, c] of view.exercise.cups.entries()) {
    await does({ kind: 'pour', cup }, start + 1000);
    await does({ kind: 'pull', cup }, start + 1000 + c.plan.seconds * 1000);
  }
  return view;
}

test('a lot is dialled in: corrected cups beside the old until one is right; a version with the story is made of it', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  const table = new TableDriver(page);
  await table.open();
  await table.openTasting('Dial-in of a lot, round 1');
  await house.expectFigure('dial-in-words', /(Strength|Bitter) \+/);
  await house.expectThere('heading', 'Proposed');
  // A figure may be changed first; the round before is left as it was made.
  await table.figure(2, 'time', '1:45');
  await house.press('Set up round 2');
  await house.expectSaidOnce(/Lot 11, spring, round 2/);
  const first = page.url();
  const view = await brewedBefore(page);
  expect(view.exercise.cups).toHaveLength(2);
  expect(view.exercise.cups[1]?.plan.seconds).toBe(105);
  for (const name of ['Wen K.', 'Dov R.', 'Tam O.']) await table.left(name);
  await house.follow('Taste', { exact: true });
  for (let i = 0; i < 2; i++) {
    const code = await table.cupNow();
    await table.step('Taste');
    if (view.exercise.cups[0]?.codes.includes(code)) await table.mark('Bitter: bitter');
    await house.press(/is right$/);
    await table.keep();
  }
  // No order is asked for.
  await house.expectThere('heading', 'Submit your sheet');
  await table.handIn();
  await table.expectHandedIn();
  await house.follow('To the table');
  await page.keyboard.press(' ');
  await house.expectFigure(
    'dial-in-words',
    'Right: every mark within half a step, after two rounds',
  );
  await house.press(/Make it version \d, the house’s/);
  await house.expectSaidOnce(/Version \d, and Lot 11, spring is dialled in on it/);
  await house.follow('See it beside the one before');
  await house.expectSaid(/Dial-in of Lot 11, spring, 2 rounds/);
  // The round before says that it was gone on from, and leads there.
  await table.open();
  await table.expectTastings('Dial-in of a lot', 1);
  await page.goto(first);
  await page.goto(`/table/${view.rounds[0]?.id ?? ''}`);
  await house.follow('To round 2');
  await expect(page).toHaveURL(first);
});

test('a new lot’s dial-in is set up from its tea; a bag beside loose leaf, and steeps of one leaf, are set up as what they are', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  await house.goTo('Book');
  await house.follow(/Sennet Hollow/);
  await house.follow('Dial it in');
  await house.expectText('button', 'Exercise: change', 'Dial-in of a lot');
  await house.expectWords('button', 'Lot: change', 'Lot 11, spring');
  const table = new TableDriver(page);
  await table.pick('Exercise', 'A bag beside loose leaf');
  await house.expectSaidOnce('Only the infuser differs.');
  await table.pick('Cup 2, infuser', 'loose leaf');
  await house.expectSaidOnce(/The infuser is the same in every cup/);
  await table.pick('Cup 2, infuser', 'tetrahedral bag');
  await table.pick('Exercise', 'Steeps of one leaf');
  await house.expectSaidOnce(/each steep is poured off into its own bowl/);
  await table.setUp();
  const view = await brewedBefore(page);
  expect(view.exercise.cups.map((c) => c.plan.steep)).toEqual([1, 2]);
  await page.reload();
  // What instruments say is kept with its cup.
  await house.press('Measured');
  const code = view.exercise.cups[0]?.codes[0] ?? '';
  await house.type(`${code}, dissolved, %`, '9');
  await house.inside('dialog').expectFault('at most 6 %');
  await house.type(`${code}, dissolved, %`, '0.31');
  await house.inside('dialog').pressFirst('Keep');
  await house.expectAllSaved();
  await house.inside('dialog').followFirst('Read the colour');
  const lab = (
    /at ([-\d.]+), ([-\d.]+), ([-\d.]+)/.exec(await house.textOf(/is expected at/)) ?? []
  ).slice(1);
  for (const [i, name] of ['L*', 'a*', 'b*'].entries())
    await house.type(name, lab[i] ?? '', { exact: true });
  await house.press('Keep with this cup');
  await house.press('Measured');
  await house.expectField(`${code}, dissolved, %`, '0.31');
  await house.inside('dialog').expectThere('link', /^Colour [+−]0 %/);
  await page.keyboard.press('Escape');
  await house.follow('Taste', { exact: true });
  for (let i = 0; i < 2; i++) {
    await table.step('Taste');
    await table.mark(i === 0 ? 'Strength: right' : 'Strength: light');
    await table.keep();
  }
  await table.handIn();
  await house.follow('To the table');
  await page.keyboard.press(' ');
  await table.expectHeadline(
    /Steep 2: (less|more) strength than steep 1 for one of one: chance could do that/,
  );
});

test('a calibration on a phone: scores by finger and by key, and afterwards one’s own name alone', async ({
  house,
  tablet,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  const table = new TableDriver(page);
  await table.open();
  await page.keyboard.press('n');
  await table.pick('Exercise', 'Calibration of tasters');
  await table.taster(PEOPLE.brewer.name);
  await table.setUp();
  const view = await brewedBefore(page);
  const phone = new HouseDriver(await tablet({ viewport: { width: 390, height: 844 } }));
  await phone.signIn(PEOPLE.brewer);
  await phone.page.goto(`/table/${view.id}/taste`);
  const sheet = new TableDriver(phone.page);
  expect(await sheet.served()).toHaveLength(4);
  const scored = async (t: TableDriver, up: number) => {
    for (let i = 0; i < 4; i++) {
      await t.step('Taste');
      await t.expectSetting(/^Bitter/, 'not scored');
      await t.takeSlider(/^Bitter/);
      for (let k = 0; k < up; k++) await t.page.keyboard.press('ArrowRight');
      await t.expectSetting(/^Bitter/, String(5 + up / 2));
      await t.keep();
    }
    await t.handIn();
    await t.expectHandedIn();
  };
  await scored(sheet, 4);
  await page.reload();
  await house.follow('Taste', { exact: true });
  await scored(table, 1);
  await house.follow('To the table');
  await page.keyboard.press(' ');
  await table.expectHeadline(/scores bitter 1\.9 marks (above|below) the others/);
  await house.expectThere('row', /Dov R\./);
  await phone.page.reload();
  await new TableDriver(phone.page).expectHeadline('Your own scores');
  await phone.expectThere('row', /Dov R\./);
  await phone.expectUnsaid('Ilsa V.');
});
