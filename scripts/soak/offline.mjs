// npm run soak -- offline [brews]: brews in the browser with the network cut at random moments, and the page closed
// and opened
// in between. Each brew must arrive once, whole. Prints JSON.
import mysql from 'mysql2/promise';
import { openChromium } from '../lib/chromium.mjs';
import { openHouse, round } from '../lib/house.mjs';
import { rowsOf } from '../lib/rows.mjs';

const [wanted = 40] = process.argv.slice(2).map(Number);
const house = await openHouse({ days: 1, name: 'limnos_offline' });
const server = await house.serve();
const browser = await openChromium();
const context = await browser.newContext({
  viewport: { width: 1280, height: 800 },
  locale: 'en-GB',
  baseURL: server.address,
});
let page = await context.newPage();
await page.goto('/');
await page
  .getByRole('button', { name: /^Dov R/ })
  .first()
  .click();
for (const d of '2718') await page.getByRole('button', { name: d, exact: true }).click();
await page.getByRole('button', { name: 'Sign in' }).click();
await page.getByRole('navigation', { name: 'Places' }).waitFor();
await page.waitForFunction(() => navigator.serviceWorker.controller !== null, undefined, {
  timeout: 20_000,
});
await page.waitForTimeout(2500);

const begun = performance.now();
const db = await mysql.createConnection(house.database.url(house.name));
const [{ n: before }] = await rowsOf(db, 'select count(*) as n from brews');
let cuts = 0;
let closed = 0;
let done = 0;
let on = true;
const flip = async (to) => {
  if (to !== on) {
    on = to;
    await context.setOffline(!on);
    if (!on) cuts += 1;
  }
};
const maybe = async () => {
  if (Math.random() < 0.35) await flip(!on);
};
/** Each so many brews a cold batch, from leaf in to thrown out. */
const COLD_EVERY = 4;
let coldDone = 0;
const place = (name) =>
  page
    .getByRole('navigation', { name: 'Places' })
    .getByRole('link', { name: new RegExp(`${name}$`) })
    .click();
async function coldBatch() {
  await place('Cold');
  await page.getByRole('link', { name: /^Start a batch/ }).click();
  await maybe();
  await page.getByRole('button', { name: /^Leaf in/ }).click();
  await maybe();
  await page.getByRole('button', { name: /^Leaf out/ }).click();
  await page.getByLabel('Why').selectOption('bad taste');
  await maybe();
  await page.getByRole('button', { name: 'Throw out' }).click();
  await page.getByText('This batch has ended.').waitFor();
  coldDone += 1;
  await place('Bar');
}
const [{ n: batchesBefore }] = await rowsOf(db, 'select count(*) as n from batches');
while (done < wanted) {
  if (done % COLD_EVERY === 0) await coldBatch();
  await maybe();
  await page.keyboard.press('n');
  await page.getByRole('button', { name: /^Water on: start/ }).waitFor();
  await maybe();
  await page.keyboard.press('Enter');
  await page.locator('.under').first().waitFor();
  if (Math.random() < 0.2) {
    // The tablet is closed and opened again, with the network as it is.
    await page.waitForTimeout(150);
    const next = await context.newPage();
    await page.close();
    page = next;
    closed += 1;
    await page.goto('/');
    await page.locator('.under').first().waitFor();
  }
  await maybe();
  await page.keyboard.press(' ');
  await page
    .getByRole('button', { name: /^Right/ })
    .first()
    .waitFor();
  await maybe();
  await page
    .getByRole('button', { name: /^Right/ })
    .first()
    .click();
  await page.getByText('Nothing on the bar.').waitFor();
  done += 1;
}
const waiting = await page.evaluate(() => document.querySelector('.unsaved')?.textContent ?? '');
await flip(true);
await page.getByText('All saved').waitFor({ timeout: 60_000 });
const rows = await rowsOf(
  db,
  'select id, state, verdict_kind as verdict from brews order by started_at desc limit ?',
  [wanted + 5],
);
const [{ n: after }] = await rowsOf(db, 'select count(*) as n from brews');
const mine = rows.slice(0, Number(after) - Number(before));
const events = await rowsOf(
  db,
  'select brew_id as id, group_concat(kind order by at, received) as kinds from brew_events where brew_id in (?) group by brew_id',
  [mine.map((r) => r.id)],
);
const batchRows = await rowsOf(
  db,
  "select b.id as id, group_concat(json_value(e.body, '$.kind') order by e.at, e.received) as kinds from batches b join batch_events e on e.batch_id = b.id where b.leaf_in > date_sub(utc_timestamp(), interval 1 day) group by b.id order by b.leaf_in desc limit ?",
  [coldDone],
);
const [{ n: batchesAfter }] = await rowsOf(db, 'select count(*) as n from batches');
console.log(
  JSON.stringify(
    {
      run: 'offline',
      brews: wanted,
      networkCut: cuts,
      pageClosedAndOpened: closed,
      seconds: round((performance.now() - begun) / 1000),
      waitingAtTheEnd: waiting,
      arrived: Number(after) - Number(before),
      whole: mine.filter((r) => r.state === 'judged' && r.verdict === 'right').length,
      coldBatches: coldDone,
      coldArrived: Number(batchesAfter) - Number(batchesBefore),
      coldStepsOnce: batchRows.filter((b) => b.kinds === 'lift,discard').length,
      eachStepOnce: events.filter((e) => e.kinds === 'start,pull,judge').length,
    },
    null,
    2,
  ),
);
await db.end();
await browser.close();
await house.close();
