import type { Page } from '@playwright/test';
import { BarDriver } from '../drivers/BarDriver';
import { BookDriver } from '../drivers/BookDriver';
import { ColdDriver } from '../drivers/ColdDriver';
import { HouseDriver } from '../drivers/HouseDriver';
import { LogDriver } from '../drivers/LogDriver';
import { TableDriver } from '../drivers/TableDriver';
import { WhatIfDriver } from '../drivers/WhatIfDriver';
import { accessibilityFaults } from '../fixtures/accessibility';
import { ShopServer } from '../fixtures/server';
import { expect, PEOPLE, test } from '../fixtures/shop';

test('a wrong PIN is said, five bring a wait, and "not you" signs out', async ({ house }) => {
  await house.page.goto('/');
  await house.pick('Dov R.');
  await house.enterSecret('0000');
  await house.expectSaid('Not this PIN. Try again.');
  for (let i = 0; i < 4; i++) {
    await house.enterSecret('0000');
    await house.expectThere('img', '0 digits typed');
  }
  await house.expectSaid(/Wait \d+ s/);
  await house.expectDisabled('button', 'Sign in');
});

test('on a phone: a name, then its PIN, each with the screen to itself', async ({ tablet }) => {
  const page = await tablet({ viewport: { width: 390, height: 844 } });
  const house = new HouseDriver(page);
  await page.goto('/');
  await house.pick(PEOPLE.brewer.name);
  await house.expectInSight('button', 'Sign in');
  await house.enterSecret(PEOPLE.brewer.secret);
  await house.expectSaidOnce('Nothing on the bar.');
});
test('sign in, sign out, and a trainee is not offered what a lead is', async ({ house }) => {
  await house.signInByHand(PEOPLE.trainee);
  await house.goTo('Book');
  await house.follow(/Sennet Hollow/);
  await house.expectThere('heading', 'Versions');
  await house.expectNone('button', /New version/);
  await house.goTo('Shelf');
  await house.expectNone('link', 'New vessel');
  await house.signOut();
});

test('an empty house: first site and lead, a vessel, a tea with a spoon slip asked about, a person, and the first brew', async ({
  browser,
}) => {
  const shop = new ShopServer('empty');
  await shop.start();
  const page = await browser.newPage({ baseURL: shop.address });
  const [house, bar] = [new HouseDriver(page), new BarDriver(page)];
  await page.goto('/');
  await house.type('Site', 'High room', { exact: true });
  await house.type('Altitude', '1650');
  await house.expectSaid('Water boils at 94 °C there.');
  await house.type('Lead’s name', 'Maren S.');
  await house.type('Lead’s passphrase', 'short');
  await house.press('Begin the house');
  await house.expectSaid('A passphrase is 8 letters or more.');
  await house.expectField('Site', 'High room', { exact: true });
  await house.type('Lead’s passphrase', 'long enough now');
  await house.press('Begin the house');
  await house.expectSaid('Nothing on the bar.');
  // The empty bar says what comes first; each step is ticked off by what is there.
  const steps = house.inside('region', 'First steps');
  await steps.follow(/1\. Put a vessel on the shelf/);
  await house.type('Name', 'Round pot');
  await house.type('To the brim', '500');
  await house.type('To the fill mark', '600');
  await house.press('Put it on the shelf');
  await house.expectSaid('The mark cannot stand over the brim, 500 ml.');
  await house.type('To the fill mark', '420');
  await house.press('Put it on the shelf');
  await house.expectThere('heading', /Round pot/);

  await house.goTo('Bar');
  await steps.expectHere('Put a vessel on the shelf done');
  await steps.follow(/2\. Add a tea from its packet/);
  await house.type('Name', 'Quern Dusk');
  await house.choose('Spoon', 'teaspoon, 5 ml', { exact: true });
  await house.type('How many', '1');
  await house.type('Weighed', '7,5');
  await house.expectSaid(/Was it a tablespoon, three times as big/);
  await house.type('Weighed', '2,5');
  await house.type('Leaf', '3,6', { exact: true });
  await house.expectSaid(/3\.6 g per 100 ml is 3\.0 times the usual 1\.2/);
  await house.type('Leaf', '1,2', { exact: true });
  await house.type('Water on the leaf', '190');
  await house.press('Add the tea');
  await house.expectSaid(/Was it Fahrenheit/);
  await house.type('Water on the leaf', '194 F');
  await house.press('Add the tea');
  await house.expectThere('heading', 'Quern Dusk');
  await new BookDriver(page).expectVessels('Round pot');

  await house.goTo('Bar');
  await steps.expectHere('Weigh a spoon of this tea done');
  expect(await steps.leadsTo(/5\. Print its card/)).toMatch(/wall\.pdf$/);
  await house.goTo('House');
  await house.press('Someone new');
  await house.type('Name', 'Oda F.');
  await house.type('PIN', '12');
  await house.press('Add them');
  await house.expectSaid('A PIN is 4 to 12 digits.');
  await house.type('PIN', '9081');
  await house.press('Add them');
  await house.expectThere('cell', 'Oda F.', { exact: true });
  await house.signOut();
  await house.signInByHand({ name: 'Oda F.', secret: '9081' });
  await bar.start({ tea: 'Quern Dusk', vessel: 'Round pot' });
  await house.expectAllSaved();
  await page.close();
  await shop.stop();
});

test('a person reads in their own units, on every device; the wall stays as the site', async ({
  house,
  tablet,
}) => {
  await house.signIn(PEOPLE.brewer);
  await house.goTo('House');
  await house.press('Heat: °F');
  await house.press('Volumes: US fl oz');
  const other = new HouseDriver(await tablet());
  await other.signIn(PEOPLE.brewer);
  await other.goTo('Book');
  await other.follow(/Sennet Hollow/);
  await other.expectSaid(/^176°F$/);
  await other.expectWords('row', /White pot/, '16.9 fl oz');
  const lead = new HouseDriver(await tablet());
  await lead.signIn(PEOPLE.lead);
  await lead.goTo('Book');
  await lead.follow(/Sennet Hollow/);
  await lead.expectSaid(/^80°C$/);
});

test('vessels are edited and retired, never deleted; two leads on one vessel: the second is told', async ({
  house,
  tablet,
}) => {
  await house.signIn(PEOPLE.lead);
  await house.goTo('Shelf');
  await house.follow(/White pot/);
  await house.press(/^Edit/);
  const other = new HouseDriver(await tablet());
  await other.signIn({ name: 'Wen K.', secret: 'ridge by lamplight' });
  await other.page.goto(house.page.url());
  await other.press(/^Edit/);
  await other.type('To the fill mark', '480 ml');
  await other.press('Save the vessel');
  await other.expectThere('heading', /White pot/);
  await house.type('To the fill mark', '510 ml');
  await house.press('Save the vessel');
  await house.expectSaid(/changed by someone else meanwhile/);
  await house.expectField('To the fill mark', '510 ml');
  await house.press('Keep mine');
  await house.press('Save the vessel');
  await house.expectSaid('510 ml');
  await house.press('Retire');
  await house.press('Retire it');
  await house.expectSaid('Back on the shelf');
  await house.goTo('Log');
  await house.expectOneOf('img', 'White pot');
});

/** Every screen in both rooms. */
async function checkAxe(page: Page, where: string): Promise<void> {
  expect({ where, faults: await accessibilityFaults(page) }).toEqual({ where, faults: [] });
}

test('no accessibility violations at the bar, light and dim: signing in, running, judging, steps, device, locked', async ({
  house,
}) => {
  const { page } = house;
  await page.goto('/');
  await house.pick('Dov R.');
  await checkAxe(page, 'sign-in');
  await house.signIn(PEOPLE.lead);
  await checkAxe(page, 'empty bar');
  const bar = new BarDriver(page);
  await bar.start({ tea: 'Ostrey Deep', vessel: 'Lidded cup' });
  await bar.start({ tea: 'Tolvane Amber', vessel: 'White pot' });
  await bar.pull('Tolvane Amber');
  await checkAxe(page, 'bar');
  await bar.judge('Tolvane Amber');
  await bar.mark('Bitter: bitter');
  await checkAxe(page, 'judge');
  await page.goto('/');
  await bar.more('Ostrey Deep', 'Tasted with the leaf in');
  await house.expectDialog(/The clock runs on/);
  await checkAxe(page, 'taste');
  await page.keyboard.press('Escape');
  await bar.more('Ostrey Deep', 'Steps and readings');
  await house.expectDialog('Thermometer in it');
  await checkAxe(page, 'steps');
  await page.keyboard.press('Escape');
  await house.press(/Not you/);
  await house.expectDialog('Sound at the pull');
  await checkAxe(page, 'device');
  await house.press(/^Lock it/);
  await house.expectSaid(/Locked\. A steep can still be lifted/);
  await checkAxe(page, 'locked bar');
});

for (const [places, paths] of [
  ['start and shelf', ['/start', '/shelf', '/shelf/new', '/shelf/kettles/new']],
  ['book', ['/book', '/book/new', '/book/stock']],
  [
    'school',
    [
      '/school',
      '/school/board',
      '/school/weigh',
      '/school/diagnose',
      '/school/order',
      '/school/scale',
      '/school/spoons',
      '/school/fillLine',
      '/school/which',
      '/school/holding',
      '/school/fair',
      '/school/turns',
      '/school/shift',
      '/school/lesson/line',
      '/school/lesson/colour',
      '/school/lesson/words',
      '/school/courses',
      '/school/leaf/timeLadder',
    ],
  ],
  ['cold', ['/cold', '/cold/start', '/cold/plan', '/cold/fridge']],
  [
    'settings of the house',
    [
      '/house/hours',
      '/house/limits',
      '/house/calendar',
      '/house/backups',
      '/house/devices',
      '/house/audit',
      '/house/programs',
      '/house/attached',
    ],
  ],
  ['table', ['/table', '/table/colour', '/table/screen', '/table/new']],
  [
    'log and house',
    ['/log', '/log?pull=outside', '/log/trends', '/log/corrections', '/house', '/house/exchange'],
  ],
] as const) {
  test(`no accessibility violations in ${places}, light and dim`, async ({ house }) => {
    test.slow();
    const { page } = house;
    await house.signIn(PEOPLE.lead);
    for (const path of paths) {
      await page.goto(path);
      await house.expectDrawn();
      await checkAxe(page, path);
    }
    if (places === 'start and shelf') {
      await page.goto('/shelf');
      await house.follow(/Tall kettle/);
      await house.expectFigureThere('standing');
      await checkAxe(page, 'kettle');
    }
    if (places === 'book') {
      await page.goto('/book');
      await house.follow(/Sennet Hollow/);
      await house.expectThere('heading', 'Versions');
      await house.expectFigure('tolerance', 'strength');
      await checkAxe(page, 'tea');
      const tea = page.url();
      for (const [where, seen] of [
        ['advice', 'advice-words'],
        ['fit', 'fit-words'],
        ['colours', 'colours-words'],
      ] as const) {
        await page.goto(`${tea}/${where}`);
        await house.expectFigureThere(seen);
        await checkAxe(page, where);
      }
      await page.goto(tea);
      await house.expectThere('heading', 'Versions');
      await page.keyboard.press('i');
      await new WhatIfDriver(page).expectChart();
      await checkAxe(page, 'what if');
    }
    if (places === 'log and house') {
      await page.goto('/log?verdict=off');
      await new LogDriver(page).openFirst();
      await page.keyboard.press('a');
      await house.expectThere('radio', 'After the rescue');
      await checkAxe(page, 'taste again');
    }
    if (places === 'cold') {
      const cold = new ColdDriver(page);
      for (const [vessel, seen] of [
        ['Cold pitcher', 'Pour'],
        ['Cold jar', 'Lift and drain'],
      ] as const) {
        await cold.open();
        await cold.openBatch(vessel);
        await house.expectThere('heading', new RegExp(`^${seen}`));
        await checkAxe(page, vessel);
      }
    }
    if (places === 'table') {
      const table = new TableDriver(page);
      await table.taster('Dov R.');
      await table.setUp();
      await checkAxe(page, 'running');
      await house.follow('Taste', { exact: true });
      await house.expectThere('tab', /Look$/);
      await table.step('Taste');
      await checkAxe(page, 'sheet');
      await house.press('Order the cups');
      await checkAxe(page, 'order');
      await page.goto('/table');
      await house.follow(/Ladder of time.*revealed/);
      await house.expectThere('tab', 'Bitter');
      await checkAxe(page, 'result');
      await house.follow('Ilsa V.');
      await house.expectThere('heading', /^Beside the others/);
      await checkAxe(page, 'taster');
      for (const [row, seen] of [
        ['Dial-in of a lot', 'Proposed'],
        ['Infusers side by side', 'How sure'],
        ['Calibration of tasters', 'How to read it'],
      ] as const) {
        await page.goto('/table');
        await table.openTasting(row);
        await house.expectThere('heading', seen);
        await checkAxe(page, row);
      }
    }
    if (places === 'log and house') {
      await new BarDriver(page).openFinished({ tea: 'Tolvane Amber', vessel: 'White pot' });
      await checkAxe(page, 'brew');
    }
  });
}

test('six vessels fit the bar at 1280x800, 820x1180 and 390x844, with targets of 44 px', async ({
  house,
}) => {
  const { page } = house;
  const bar = new BarDriver(page);
  await house.signIn(PEOPLE.brewer);
  await bar.start({ tea: 'Corrow Light', vessel: 'Small pot' });
  for (const [i, [tea, vessel]] of (
    [
      ['Marrowick Broken', 'Grey pot'],
      ['Sennet Hollow', 'Release steeper'],
      ['Ostrey Deep', 'Lidded cup'],
      ['Tolvane Amber', 'Glass pot'],
    ] as const
  ).entries())
    await bar.began(20 + i, { tea, vessel }, i + 2);
  // One late: it says the most.
  await bar.began(900, { tea: 'Ullash White Bud', vessel: 'Lidded mug' }, 6);
  await bar.expectOnBar('Ullash White Bud');
  for (const [width, height] of [
    [1280, 800],
    [820, 1180],
    [390, 844],
  ] as const) {
    await page.setViewportSize({ width, height });
    await bar.expectPlates(6);
    const fits = () =>
      page.evaluate(() => {
        const bar = document.querySelector('main.bar');
        const edge = document.querySelector('.counter')?.getBoundingClientRect().top ?? 0;
        const plates = [...document.querySelectorAll('.plate, .act .btn, .row, .do-next .btn')].map(
          (e) => e.getBoundingClientRect(),
        );
        return {
          sideways: document.documentElement.scrollWidth <= innerWidth,
          under: plates.every((r) => r.bottom <= edge + 1),
          scrolls: (bar?.scrollHeight ?? 0) - (bar?.clientHeight ?? 0),
          small: [...document.querySelectorAll('.act .btn, .do-next .btn, .edge a, .head button')]
            .filter((b) => b.getClientRects().length > 0 && b.getBoundingClientRect().height < 43.5)
            .map((b) => `${b.textContent} ${b.getBoundingClientRect().height}`),
        };
      });
    // The page lays itself out anew a moment after it is turned.
    await expect
      .poll(async () => ({ at: width, ...(await fits()) }))
      .toEqual({ at: width, sideways: true, under: true, scrolls: 0, small: [] });
  }
});
