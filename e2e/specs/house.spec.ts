import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { BarDriver } from '../drivers/BarDriver';
import { HouseDriver } from '../drivers/HouseDriver';
import { TableDriver } from '../drivers/TableDriver';
import { ShopServer } from '../fixtures/server';
import { expect, PEOPLE, test } from '../fixtures/shop';

test('a wrong PIN is said, five bring a wait, and "not you" signs out', async ({ house }) => {
  await house.page.goto('/');
  await house.pick('Dov R.');
  await house.type('0000');
  await house.expectSaid('Not this PIN. Try again.');
  for (let i = 0; i < 4; i++) {
    await house.type('0000');
    await expect(house.page.getByRole('img', { name: '0 digits typed' })).toBeVisible();
  }
  await house.expectSaid(/Wait \d+ s/);
  await expect(house.page.getByRole('button', { name: 'Sign in' })).toBeDisabled();
});

test('on a phone: a name, then its PIN, each with the screen to itself', async ({ tablet }) => {
  const page = await tablet({ viewport: { width: 390, height: 844 } });
  const house = new HouseDriver(page);
  await page.goto('/');
  await house.pick(PEOPLE.brewer.name);
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeInViewport({ ratio: 1 });
  await house.type(PEOPLE.brewer.secret);
  await expect(page.getByText('Nothing on the bar.')).toBeVisible();
});
test('sign in, sign out, and a trainee is not offered what a lead is', async ({ house }) => {
  await house.signInByHand(PEOPLE.trainee);
  await house.goTo('Book');
  await house.page.getByRole('link', { name: /Sennet Hollow/ }).click();
  await expect(house.page.getByRole('heading', { name: 'Versions' })).toBeVisible();
  await expect(house.page.getByRole('button', { name: /New version/ })).toHaveCount(0);
  await house.goTo('Shelf');
  await expect(house.page.getByRole('link', { name: 'New vessel' })).toHaveCount(0);
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
  await page.getByLabel('Site', { exact: true }).fill('High room');
  await page.getByLabel('Altitude').fill('1650');
  await house.expectSaid('Water boils at 94 °C there.');
  await page.getByLabel('Lead’s name').fill('Maren S.');
  await page.getByLabel('Lead’s passphrase').fill('short');
  await page.getByRole('button', { name: 'Begin the house' }).click();
  await house.expectSaid('A passphrase is 8 letters or more.');
  await expect(page.getByLabel('Site', { exact: true })).toHaveValue('High room');
  await page.getByLabel('Lead’s passphrase').fill('long enough now');
  await page.getByRole('button', { name: 'Begin the house' }).click();
  await house.expectSaid('Nothing on the bar.');
  // The empty bar says what comes first; each step is ticked off by what is there.
  const steps = page.getByRole('region', { name: 'First steps' });
  await steps.getByRole('link', { name: /1\. Put a vessel on the shelf/ }).click();
  await page.getByLabel('Name').fill('Round pot');
  await page.getByLabel('To the brim').fill('500');
  await page.getByLabel('To the fill mark').fill('600');
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await house.expectSaid('The mark cannot stand over the brim, 500 ml.');
  await page.getByLabel('To the fill mark').fill('420');
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(page.getByRole('heading', { name: /Round pot/ })).toBeVisible();

  await house.goTo('Bar');
  await expect(steps).toContainText('Put a vessel on the shelf done');
  await steps.getByRole('link', { name: /2\. Add a tea from its packet/ }).click();
  await page.getByLabel('Name').fill('Quern Dusk');
  await page.getByLabel('Spoon', { exact: true }).selectOption('metricTeaspoon');
  await page.getByLabel('How many').fill('1');
  await page.getByLabel('Weighed').fill('7,5');
  await house.expectSaid(/Was it a tablespoon, three times as big/);
  await page.getByLabel('Weighed').fill('2,5');
  await page.getByLabel('Leaf', { exact: true }).fill('3,6');
  await house.expectSaid(/3\.6 g per 100 ml is 3\.0 times the usual 1\.2/);
  await page.getByLabel('Leaf', { exact: true }).fill('1,2');
  await page.getByLabel('Water on the leaf').fill('190');
  await page.getByRole('button', { name: 'Add the tea' }).click();
  await house.expectSaid(/Was it Fahrenheit/);
  await page.getByLabel('Water on the leaf').fill('194 F');
  await page.getByRole('button', { name: 'Add the tea' }).click();
  await expect(page.getByRole('heading', { name: 'Quern Dusk' })).toBeVisible();
  await expect(page.locator('.grid-table')).toContainText('Round pot');

  await house.goTo('Bar');
  await expect(steps).toContainText('Weigh a spoon of this tea done');
  await expect(steps.getByRole('link', { name: /5\. Print its card/ })).toHaveAttribute(
    'href',
    /wall\.pdf$/,
  );
  await house.goTo('House');
  await page.getByRole('button', { name: 'Someone new' }).click();
  await page.getByLabel('Name').fill('Oda F.');
  await page.getByLabel('PIN').fill('12');
  await page.getByRole('button', { name: 'Add them' }).click();
  await house.expectSaid('A PIN is 4 to 12 digits.');
  await page.getByLabel('PIN').fill('9081');
  await page.getByRole('button', { name: 'Add them' }).click();
  await expect(page.getByRole('cell', { name: 'Oda F.', exact: true })).toBeVisible();
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
  await house.page.getByRole('button', { name: 'Heat: °F' }).click();
  await house.page.getByRole('button', { name: 'Volumes: US fl oz' }).click();
  const other = new HouseDriver(await tablet());
  await other.signIn(PEOPLE.brewer);
  await other.goTo('Book');
  await other.page.getByRole('link', { name: /Sennet Hollow/ }).click();
  await other.expectSaid(/^176°F$/);
  await expect(other.page.getByRole('row', { name: /White pot/ })).toContainText('16.9 fl oz');
  const lead = new HouseDriver(await tablet());
  await lead.signIn(PEOPLE.lead);
  await lead.goTo('Book');
  await lead.page.getByRole('link', { name: /Sennet Hollow/ }).click();
  await lead.expectSaid(/^80°C$/);
});

test('vessels are edited and retired, never deleted; two leads on one vessel: the second is told', async ({
  house,
  tablet,
}) => {
  await house.signIn(PEOPLE.lead);
  await house.goTo('Shelf');
  await house.page.getByRole('link', { name: /White pot/ }).click();
  await house.page.getByRole('button', { name: /^Edit/ }).click();
  const other = new HouseDriver(await tablet());
  await other.signIn({ name: 'Wen K.', secret: 'ridge by lamplight' });
  await other.page.goto(house.page.url());
  await other.page.getByRole('button', { name: /^Edit/ }).click();
  await other.page.getByLabel('To the fill mark').fill('480 ml');
  await other.page.getByRole('button', { name: 'Save the vessel' }).click();
  await expect(other.page.getByRole('heading', { name: /White pot/ })).toBeVisible();
  await house.page.getByLabel('To the fill mark').fill('510 ml');
  await house.page.getByRole('button', { name: 'Save the vessel' }).click();
  await house.expectSaid(/changed by someone else meanwhile/);
  await expect(house.page.getByLabel('To the fill mark')).toHaveValue('510 ml');
  await house.page.getByRole('button', { name: 'Keep mine' }).click();
  await house.page.getByRole('button', { name: 'Save the vessel' }).click();
  await house.expectSaid('510 ml');
  await house.page.getByRole('button', { name: 'Retire' }).click();
  await house.page.getByRole('button', { name: 'Retire it' }).click();
  await house.expectSaid('Back on the shelf');
  await house.goTo('Log');
  await expect(house.page.getByRole('img', { name: 'White pot' }).first()).toBeVisible();
});

/**
 * Every screen in both rooms: all rules in the light one; the dim one changes colours and nothing else. Vessels are
 * drawn, and hidden from readers.
 */
async function checkAxe(page: Page, where: string): Promise<void> {
  const faults = async (room: string, rules: AxeBuilder) =>
    (await rules.exclude('svg.vessel[aria-hidden]').setLegacyMode(true).analyze()).violations.map(
      (v) => `${where}, ${room}: ${v.id} ${v.nodes[0]?.target.join(' ')}`,
    );
  const found = await faults(
    'light',
    new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']),
  );
  await page.evaluate(() => {
    document.documentElement.dataset.theme = 'dim';
  });
  found.push(...(await faults('dim', new AxeBuilder({ page }).withRules(['color-contrast']))));
  await page.evaluate(() => {
    document.documentElement.dataset.theme = 'light';
  });
  expect(found).toEqual([]);
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
  await bar.more('Ostrey Deep', 'Steps and readings');
  await expect(page.getByRole('dialog')).toContainText('Thermometer in it');
  await checkAxe(page, 'steps');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /Not you/ }).click();
  await expect(page.getByRole('dialog')).toContainText('Sound at the pull');
  await checkAxe(page, 'device');
  await page.getByRole('button', { name: /^Lock it/ }).click();
  await house.expectSaid(/Locked\. A steep can still be lifted/);
  await checkAxe(page, 'locked bar');
});

for (const [places, paths] of [
  ['start and shelf', ['/start', '/shelf', '/shelf/new', '/shelf/kettles/new']],
  ['book', ['/book', '/book/new']],
  ['table', ['/table', '/table/colour', '/table/rescue', '/table/screen', '/table/new']],
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
      await expect(page.locator('main')).toBeVisible();
      await expect(page.getByText(/^Fetching/)).toHaveCount(0);
      await checkAxe(page, path);
    }
    if (places === 'start and shelf') {
      await page.goto('/shelf');
      await page.getByRole('link', { name: /Tall kettle/ }).click();
      await expect(page.getByTestId('standing')).toBeVisible();
      await checkAxe(page, 'kettle');
    }
    if (places === 'book') {
      await page.goto('/book');
      await page.getByRole('link', { name: /Sennet Hollow/ }).click();
      await expect(page.getByRole('heading', { name: 'Versions' })).toBeVisible();
      await expect(page.getByTestId('tolerance')).toContainText('strength');
      await checkAxe(page, 'tea');
      const tea = page.url();
      for (const [where, seen] of [
        ['fit', 'fit-words'],
        ['colours', 'colours-words'],
      ] as const) {
        await page.goto(`${tea}/${where}`);
        await expect(page.getByTestId(seen)).toBeVisible();
        await checkAxe(page, where);
      }
      await page.goto(tea);
      await expect(page.getByRole('heading', { name: 'Versions' })).toBeVisible();
      await page.keyboard.press('i');
      await expect(page.locator('.recharts-surface')).toBeVisible();
      await checkAxe(page, 'what if');
    }
    if (places === 'table') {
      const table = new TableDriver(page);
      await table.taster('Dov R.');
      await table.setUp();
      await checkAxe(page, 'running');
      await page.getByRole('link', { name: 'Taste', exact: true }).click();
      await expect(page.getByRole('tab', { name: /Look$/ })).toBeVisible();
      await table.step('Taste');
      await checkAxe(page, 'sheet');
      await page.getByRole('button', { name: 'Order the cups' }).click();
      await checkAxe(page, 'order');
      await page.goto('/table');
      await page.getByRole('link', { name: /Ladder of time.*revealed/ }).click();
      await expect(page.getByRole('tab', { name: 'Bitter' })).toBeVisible();
      await checkAxe(page, 'result');
      await page.getByRole('link', { name: 'Ilsa V.' }).click();
      await expect(page.getByRole('heading', { name: /^Beside the others/ })).toBeVisible();
      await checkAxe(page, 'taster');
      for (const [row, seen] of [
        ['Dial-in of a lot', 'Proposed'],
        ['Infusers side by side', 'How sure'],
        ['Calibration of tasters', 'How to read it'],
      ] as const) {
        await page.goto('/table');
        await page.locator('a.tasting-row', { hasText: row }).click();
        await expect(page.getByRole('heading', { name: seen })).toBeVisible();
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
    await expect(page.locator('.plate')).toHaveCount(6);
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
