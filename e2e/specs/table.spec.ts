import type { Page } from '@playwright/test';
import { HouseDriver } from '../drivers/HouseDriver';
import { TableDriver } from '../drivers/TableDriver';
import { expect, PEOPLE, test } from '../fixtures/shop';

const PHONE = { viewport: { width: 390, height: 844 } };
const TIMES = ['0:05', '0:06', '0:07', '0:08'];
const BITTER = ['Bitter: none', 'Bitter: soft', 'Bitter: bitter', 'Bitter: harsh'];

/** A lead's ladder of four short times for two, set up in the page. */
async function ladder(page: Page): Promise<TableDriver> {
  const table = new TableDriver(page);
  await table.open();
  await page.keyboard.press('n');
  await table.pick('Tea', /Marrowick Broken/, 'marrow');
  await table.taster(PEOPLE.brewer.name);
  for (const [i, t] of TIMES.entries()) await table.figure(i + 1, 'time', t);
  await table.setUp();
  return table;
}
/** Every cup poured off as its time comes. */
async function brewed(table: TableDriver): Promise<string[]> {
  const codes = await table.codes();
  await table.page.keyboard.press(' ');
  for (const code of codes) {
    await expect(table.act()).toContainText(`Poured off ${code}`);
    await table.page.keyboard.press(' ');
    await table.poured(code);
  }
  return codes;
}
/** One sheet: each cup marked by what it really was, then the order. */
async function tasted(
  table: TableDriver,
  codes: readonly string[],
  left = TIMES.length,
): Promise<void> {
  for (let i = 0; i < left; i++) {
    const code = await table.cupNow();
    await table.step('Taste');
    await table.mark(BITTER[codes.indexOf(code)] ?? '');
    await table.keep();
  }
  await table.order(codes);
  await table.handIn();
  await table.expectHandedIn();
}

test('a ladder: set up, run on one clock, tasted blind on a phone and at the table, revealed with its result', async ({
  house,
  tablet,
}) => {
  await house.signIn(PEOPLE.lead);
  const table = await ladder(house.page);
  await house.expectSaidOnce('Only the time differs.');
  // Somebody who does not taste here is told so, and sees no code.
  const guest = new HouseDriver(await tablet(PHONE));
  await guest.signIn(PEOPLE.trainee);
  await guest.page.goto(`/table/${house.page.url().split('/').at(-1) ?? ''}/taste`);
  await guest.expectSaid('You do not taste at this one.');
  const phone = new HouseDriver(await tablet(PHONE));
  await phone.signIn(PEOPLE.brewer);
  await phone.page.goto('/table');
  const codes = await brewed(table);
  await new TableDriver(phone.page).openOwed();
  const sheet = new TableDriver(phone.page);
  expect([...(await sheet.served())].sort()).toEqual([...codes].sort());
  await phone.expectUnsaid(/(?<!\d)0:0[5-8]/);
  await tasted(sheet, codes);
  await expect(table.act()).toBeDisabled();
  await new TableDriver(house.page).expectSitting('Dov R.', 'submitted');
  await house.follow('Taste', { exact: true });
  await tasted(table, codes);
  await house.follow('To the table');
  await expect(table.act()).toContainText('Reveal');
  await house.page.keyboard.press(' ');
  await house.expectSaidOnce(/Bitterness begins between 0:0\d and 0:\d\d/);
  await house.expectWords('row', /Dov R\./, 'all right');
  await house.expectSaid(/two of two in true order; by chance one in 24 each/i);
  // The taster’s own page: every cup beside what the others found.
  await house.follow('Dov R.');
  await house.expectSaid('Every cup in its true order.');
  await table.expectCompared(4);
  await house.page.keyboard.press('Escape');
  const [file] = await Promise.all([house.page.waitForEvent('download'), house.follow('As CSV')]);
  const lines = (await (await file.createReadStream()).toArray()).join('').split('\r\n');
  expect(lines).toHaveLength(9);
  // The phone that handed in is told, and shows the result.
  await phone.expectSaidOnce(/Bitterness begins between/);
  await phone.page.reload();
  await phone.expectSaidOnce(/Bitterness begins between/);
});

test('what goes wrong: spilled, labels mixed up, a taster called away, a pour taken back; the result names it', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  const table = await ladder(page);
  const codes = await table.codes();
  await page.keyboard.press(' ');
  await page.keyboard.press(' ');
  await table.poured(codes[0] ?? '');
  await page.keyboard.press('z');
  await expect(table.act()).toContainText(`Poured off ${codes[0]}`);
  for (const code of codes.slice(0, 3)) {
    await expect(table.act()).toContainText(`Poured off ${code}`);
    await page.keyboard.press(' ');
  }
  await page.keyboard.press('x');
  await house.inside('dialog').press(codes[3] ?? '');
  await house.inside('dialog').press('spilled', { exact: true });
  await house.press('Wrong code');
  for (const c of [codes[0], codes[2]])
    await house.inside('dialog').press(c ?? '', { exact: true });
  await house.press(`Swap ${codes[0]} and ${codes[2]}`);
  await house.expectSaid(/^Codes swapped:/);
  await table.left('Dov R.');
  await house.follow('Taste', { exact: true });
  // Three cups are served; the bowl called by the third code held the first cup.
  await tasted(table, [codes[2] ?? '', codes[1] ?? '', codes[0] ?? ''], 3);
  await house.follow('To the table');
  await page.keyboard.press(' ');
  await house.expectSaid(new RegExp(`Left out: ${codes[3]}, spilled\\.`));
  await house.expectSaid(/Codes put right before the reveal/);
  await house.expectSaid(/Not submitted: Dov R\./);
  await house.expectSaid(/One taster can prove nothing/);
  await house.expectWords('row', /Ilsa V\./, 'all right');
});

test('a sheet on a phone: what was begun survives a reload, what was handed in without a network is sent once when it is back', async ({
  house,
  tablet,
}) => {
  await house.signIn(PEOPLE.lead);
  const table = await ladder(house.page);
  const codes = await brewed(table);
  const phone = new HouseDriver(await tablet(PHONE));
  await phone.signIn(PEOPLE.brewer);
  await phone.page.goto('/table');
  await new TableDriver(phone.page).openOwed();
  const sheet = new TableDriver(phone.page);
  await sheet.step('Taste');
  await sheet.mark('Sweet: little');
  await phone.page.reload();
  await sheet.step('Taste');
  await phone.expectChecked('radio', 'Sweet: little');
  let sent = 0;
  await phone.page.route('**/api/tastings/**', (r) =>
    r.request().method() === 'POST' ? r.abort() : r.continue(),
  );
  await tasted(sheet, codes);
  await phone.expectSaid(/It waits on this device/);
  await phone.page.unroute('**/api/tastings/**');
  await phone.page.route('**/api/tastings/**', (r) => {
    if (r.request().postData()?.includes('handIn')) sent += 1;
    return r.continue();
  });
  await phone.expectUnsaid(/It waits on this device/);
  expect(sent).toBe(1);
  await new TableDriver(house.page).expectSitting('Dov R.', 'submitted');
});

test('like for like: two things that differ are said, and must be meant; a bad figure is said beside it', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  const table = new TableDriver(page);
  await table.open();
  await house.follow(/^Set up a tasting/);
  await table.figure(2, 'leaf', '9');
  await house.expectSaid(/Besides the time, the leaf differs/);
  await house.expectDisabled('button', /^Set it up/);
  await house.tick('It is meant so');
  await house.expectEnabled('button', /^Set it up/);
  await table.figure(1, 'time', '2 hours');
  await house.expectOneFault('A time from 0:05');
  await house.press('As it was worked out');
  await house.expectSaid('Only the time differs.');
});

test('a triangle: each chooses the odd one; chance is counted against guessing', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  const table = new TableDriver(page);
  await table.open();
  await page.keyboard.press('n');
  await table.pick('Exercise', 'Triangle: time differs');
  for (const [i, t] of ['0:05', '0:08'].entries()) await table.figure(i + 1, 'time', t);
  await table.setUp();
  await page.keyboard.press(' ');
  for (let i = 0; i < 4; i++) {
    await expect(table.act()).toContainText(/Water on|Poured off/);
    await page.keyboard.press(' ');
    await page.waitForTimeout(150);
  }
  await house.follow('Taste', { exact: true });
  await table.chooseFirstBowl();
  await house.press(/^Submit \d{3}/);
  await house.follow('To the table');
  await page.keyboard.press(' ');
  await house.expectSaid(/[01] of 1 could find the odd one/);
  await house.expectSaid(/n = 1, p = (0\.333|1) \(exact binomial, one-sided\)/);
  await house.expectSaid(/So few can prove nothing: at least 3 must all agree/);
});

test('a lesson with leaf is set out filled in, is tasted, and stands as done on its course', async ({
  house,
}) => {
  const { page } = house;
  const table = new TableDriver(page);
  await house.signIn(PEOPLE.brewer);
  await page.goto('/school/lesson/fourTimes');
  await house.expectSaid(/^Taste comes out of the leaf first/);
  await page.keyboard.press('Enter');
  // The trainer reads what to expect before anything is set out.
  await house.expectWords('table', 'Four times', '0:45');
  await house.expectThere('link', /^Set out/);
  await page.keyboard.press('Enter');
  await house.expectSaidOnce('Only the time differs.');
  await house.expectSaidOnce('Four cups, four times');
  for (const [i, t] of TIMES.entries()) await table.figure(i + 1, 'time', t);
  await table.setUp();
  const lesson = house.inside('region', 'Lesson');
  await lesson.expectSaid(/In which cup does the bitterness begin/);
  const sheet = await house.leadsTo('Trainer’s sheet');
  expect((await page.request.get(sheet)).headers()['content-type']).toContain('pdf');
  const codes = await brewed(table);
  await house.follow('Taste', { exact: true });
  await tasted(table, codes);
  await house.follow('To the table');
  await expect(table.act()).toContainText('Reveal');
  await page.keyboard.press(' ');
  await house.expectSaid(/Past the window, more minutes give more bitterness/);
  await page.goto('/school/lesson/fourTimes');
  const course = house.inside('region', 'The course');
  await course.atItem(/^Taste: Four cups/).expectHere('done');
});
test('a trainee reads what a lesson asks, and nothing of how its cups are made', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.trainee);
  await page.goto('/school/leaf/heatPair');
  await house.expectSaid(/You taste without knowing which cup is which/);
  await house.expectUnsaid(/95 °C|gives more bitterness/);
  await house.expectNone('link', /^Set out/);
});
