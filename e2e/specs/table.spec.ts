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
    const code =
      (await table.page.locator('.cups-strip [aria-selected=true] b').textContent()) ?? '';
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
  await expect(house.page.getByText('Only the time differs.')).toBeVisible();
  // Somebody who does not taste here is told so, and sees no code.
  const guest = new HouseDriver(await tablet(PHONE));
  await guest.signIn(PEOPLE.trainee);
  await guest.page.goto(`/table/${house.page.url().split('/').at(-1) ?? ''}/taste`);
  await guest.expectSaid('You do not taste at this one.');
  const phone = new HouseDriver(await tablet(PHONE));
  await phone.signIn(PEOPLE.brewer);
  await phone.page.goto('/table');
  const codes = await brewed(table);
  await phone.page.locator('.owed a').click();
  const sheet = new TableDriver(phone.page);
  expect([...(await sheet.served())].sort()).toEqual([...codes].sort());
  await expect(phone.page.getByText(/(?<!\d)0:0[5-8]/)).toHaveCount(0);
  await tasted(sheet, codes);
  await expect(table.act()).toBeDisabled();
  await expect(house.page.locator('.sitting li', { hasText: 'Dov R.' })).toContainText('submitted');
  await house.page.getByRole('link', { name: 'Taste', exact: true }).click();
  await tasted(table, codes);
  await house.page.getByRole('link', { name: 'To the table' }).click();
  await expect(table.act()).toContainText('Reveal');
  await house.page.keyboard.press(' ');
  await expect(house.page.getByText(/Bitterness begins between 0:0\d and 0:\d\d/)).toBeVisible();
  await expect(house.page.getByRole('row', { name: /Dov R\./ })).toContainText('all right');
  await house.expectSaid(/two of two in true order; by chance one in 24 each/i);
  // The taster’s own page: every cup beside what the others found.
  await house.page.getByRole('link', { name: 'Dov R.' }).click();
  await house.expectSaid('Every cup in its true order.');
  await expect(house.page.locator('.compared tbody tr')).toHaveCount(4);
  await house.page.keyboard.press('Escape');
  const [file] = await Promise.all([
    house.page.waitForEvent('download'),
    house.page.getByRole('link', { name: 'As CSV' }).click(),
  ]);
  const lines = (await (await file.createReadStream()).toArray()).join('').split('\r\n');
  expect(lines).toHaveLength(9);
  // The phone that handed in is told, and shows the result.
  await expect(phone.page.getByText(/Bitterness begins between/)).toBeVisible();
  await phone.page.reload();
  await expect(phone.page.getByText(/Bitterness begins between/)).toBeVisible();
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
  await page.getByRole('dialog').getByRole('button', { name: codes[3] }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'spilled', exact: true }).click();
  await page.getByRole('button', { name: 'Wrong code' }).click();
  for (const c of [codes[0], codes[2]])
    await page.getByRole('dialog').getByRole('button', { name: c, exact: true }).click();
  await page.getByRole('button', { name: `Swap ${codes[0]} and ${codes[2]}` }).click();
  await house.expectSaid(/^Codes swapped:/);
  await page
    .locator('.sitting li', { hasText: 'Dov R.' })
    .getByRole('button', { name: 'Left' })
    .click();
  await page.getByRole('link', { name: 'Taste', exact: true }).click();
  // Three cups are served; the bowl called by the third code held the first cup.
  await tasted(table, [codes[2] ?? '', codes[1] ?? '', codes[0] ?? ''], 3);
  await page.getByRole('link', { name: 'To the table' }).click();
  await page.keyboard.press(' ');
  await house.expectSaid(new RegExp(`Left out: ${codes[3]}, spilled\\.`));
  await house.expectSaid(/Codes put right before the reveal/);
  await house.expectSaid(/Not submitted: Dov R\./);
  await house.expectSaid(/One taster can prove nothing/);
  await expect(page.getByRole('row', { name: /Ilsa V\./ })).toContainText('all right');
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
  await phone.page.locator('.owed a').click();
  const sheet = new TableDriver(phone.page);
  await sheet.step('Taste');
  await sheet.mark('Sweet: little');
  await phone.page.reload();
  await sheet.step('Taste');
  await expect(phone.page.getByRole('radio', { name: 'Sweet: little' })).toBeChecked();
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
  await expect(phone.page.getByText(/It waits on this device/)).toHaveCount(0, { timeout: 15_000 });
  expect(sent).toBe(1);
  await expect(house.page.locator('.sitting li', { hasText: 'Dov R.' })).toContainText('submitted');
});

test('like for like: two things that differ are said, and must be meant; a bad figure is said beside it', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  const table = new TableDriver(page);
  await table.open();
  await page.getByRole('link', { name: /^Set up a tasting/ }).click();
  await table.figure(2, 'leaf', '9');
  await house.expectSaid(/Besides the time, the leaf differs/);
  await expect(page.getByRole('button', { name: /^Set it up/ })).toBeDisabled();
  await page.getByLabel('It is meant so').check();
  await expect(page.getByRole('button', { name: /^Set it up/ })).toBeEnabled();
  await table.figure(1, 'time', '2 hours');
  await expect(page.getByRole('alert').filter({ hasText: 'A time from 0:05' })).toBeVisible();
  await page.getByRole('button', { name: 'As it was worked out' }).click();
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
  await page.getByRole('link', { name: 'Taste', exact: true }).click();
  await page.locator('.bowls button').first().click();
  await page.getByRole('button', { name: /^Submit \d{3}/ }).click();
  await page.getByRole('link', { name: 'To the table' }).click();
  await page.keyboard.press(' ');
  await house.expectSaid(/[01] of 1 could find the odd one/);
  await house.expectSaid(/n = 1, p = (0\.333|1) \(exact binomial, one-sided\)/);
  await house.expectSaid(/So few can prove nothing: at least 3 must all agree/);
});
