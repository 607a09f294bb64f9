import type { Locator } from '@playwright/test';
import { BarDriver } from '../drivers/BarDriver';
import { expect, PEOPLE, test } from '../fixtures/shop';

/** There are rows, and every one of them is like that: waited for, since a new view comes over the network. */
async function expectEvery(rows: Locator, like: { hasText?: string | RegExp; has?: Locator }) {
  const others = {
    ...(like.hasText ? { hasNotText: like.hasText } : {}),
    ...(like.has ? { hasNot: like.has } : {}),
  };
  await expect(rows.filter(others)).toHaveCount(0);
  await expect(rows.filter(like).first()).toBeVisible();
}

test('the log’s filters are its sentence and its address; the view is exported as it stands', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  await house.goTo('Log');
  await expect(page.locator('a.log-row').first()).toBeVisible();
  await page.getByRole('button', { name: 'More picks' }).click();
  await page.getByRole('button', { name: 'Pull: change' }).click();
  await page.getByRole('option', { name: 'out of its window' }).click();
  await expect(page).toHaveURL(/pull=outside/);
  await expect(page.locator('a.log-row .error em').first()).toBeVisible();
  const rows = page.locator('a.log-row');
  await expectEvery(rows, { has: page.locator('.error em') });
  await page.getByRole('button', { name: 'Person: change' }).click();
  await page.getByRole('option', { name: 'Pela M.' }).click();
  await expectEvery(rows, { hasText: 'Pela M.' });
  await page.reload();
  await expect(page.getByRole('button', { name: 'Pull: change' })).toHaveText('out of its window');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'As CSV' }).click(),
  ]);
  const text = (await (await file.createReadStream()).toArray()).join('');
  const lines = text.trim().split('\r\n');
  expect(lines[0]).toContain('from_best_s,pull,started_by');
  expect(
    lines.slice(1).every((l) => l.includes('Pela M.') && /,(early|late|forgotten),/.test(l)),
  ).toBe(true);
  const told = await page.getByText(/\d+ brews?, \d+ ended in the window/).textContent();
  expect(lines.length - 1).toBe(Number(/^(\d+)/.exec(told ?? '')?.[1]));
  await page.getByRole('button', { name: 'Since: change' }).click();
  await page.getByRole('option', { name: 'today' }).click();
  await expect(page).toHaveURL(/since=\d{4}-\d\d-\d\d/);
});

test('the log filters by tea, person, site and verdict', async ({ house }) => {
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  await house.goTo('Log');
  await page.getByRole('button', { name: 'Tea: change' }).click();
  await page.getByRole('combobox').fill('tolv');
  await page.keyboard.press('Enter');
  await expectEvery(page.locator('a.log-row'), { hasText: 'Tolvane Amber' });
  await page.getByRole('button', { name: 'Tea: change' }).click();
  await page.getByRole('option', { name: 'any tea' }).click();
  await page.getByRole('button', { name: 'Person: change' }).click();
  await page.getByRole('option', { name: 'Pela M.' }).click();
  await page.getByRole('button', { name: 'Verdict: change' }).click();
  await page.getByRole('option', { name: 'right', exact: true }).click();
  await expect(page).toHaveURL(/verdict=right/);
  await expect(page.getByText(/\d+ brews?, /)).toBeVisible();
  await expectEvery(page.locator('a.log-row'), { hasText: /Pela M\..*right/s });
  await page.getByRole('button', { name: 'Site: change' }).click();
  await page.getByRole('option', { name: 'Ridge hut' }).click();
  await house.expectSaid('No brew is like that.');
});

test('what one person did, picked out, is offered to that person and to leads', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.brewer);
  await house.goTo('Log');
  await page.getByRole('button', { name: 'Person: change' }).click();
  await expect(page.getByRole('option')).toHaveText(['anyone', 'Dov R., my own']);
  await page.getByRole('option', { name: /my own/ }).click();
  await expectEvery(page.locator('a.log-row'), { hasText: 'Dov R.' });
});

test('nothing like that: it says so, and one touch shows every brew again', async ({ house }) => {
  await house.signIn(PEOPLE.brewer);
  await house.page.goto('/log?until=2001-01-01');
  await house.expectSaid('No brew is like that.');
  await house.page.getByRole('button', { name: 'Show every brew here' }).click();
  await expect(house.page.locator('a.log-row').first()).toBeVisible();
});

test('trends: the chart with its limits, what drifts with its evidence, a point opens its brew; own figures only', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.brewer);
  await house.goTo('Log');
  await expect(page.getByRole('link', { name: /^Trends/ })).toBeVisible();
  await page.keyboard.press('t');
  await expect(page.getByRole('group', { name: /\d+ brews, mean .*limits/ })).toBeVisible();
  await expect(page.getByRole('region', { name: 'What drifts' })).toContainText(
    /Nothing (else )?has moved|Too few brews/,
  );
  await page.keyboard.press('ArrowLeft');
  await house.expectSaid(/Enter opens it\./);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/log\/[0-9a-f-]{36}$/);
  await page.goBack();
  await page.getByRole('button', { name: 'Person: change' }).click();
  await expect(page.getByRole('option')).toHaveText(['everyone', 'Dov R., my own']);
  await page.getByRole('option', { name: /my own/ }).click();
  await expect(
    page.getByRole('group', { name: /brews/ }).or(page.getByText('No brew is like that.')),
  ).toBeVisible();
  await page.getByRole('button', { name: /^As a table/ }).click();
  await expect(page.getByRole('table', { name: 'By vessel' })).toBeVisible();
  await expect(page.getByRole('table', { name: 'By hour of day' })).toBeVisible();
});

test('a brew’s page tells its story: planned against real, the steeps of its leaf, the next brew of that tea', async ({
  house,
}) => {
  const bar = new BarDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  const id = await bar.began(300, { tea: 'Sennet Hollow', vessel: 'White pot' });
  await bar.expectOnBar('Sennet Hollow');
  await bar.pull('Sennet Hollow');
  await bar.more('Sennet Hollow', /^Steep again/);
  await house.expectAllSaved();
  await house.page.goto(`/log/${id}`);
  await expect(
    house.page.getByRole('img', {
      name: /^Planned water on, best 2:00, judge; real water on .*lifted 5:0/,
    }),
  ).toBeVisible();
  await house.expectSaid(/2:3\d past latest\. Forgotten\.|past latest\. Forgotten\./);
  await expect(house.page.getByText('Its leaf')).toBeVisible();
  await house.page.getByRole('link', { name: /^2\. steeping/ }).click();
  await expect(house.page).not.toHaveURL(new RegExp(id));
});

test('what came of corrections: told in words with its counts, by tea and by what was turned', async ({
  house,
}) => {
  await house.signIn(PEOPLE.brewer);
  await house.page.goto('/log/trends');
  await house.page.getByRole('link', { name: 'Corrections' }).click();
  await expect(
    house.page.getByText(/^(Of \d+ corrections taken, the next cup|Too few to say: \d)/),
  ).toBeVisible();
  await expect(
    house.page
      .getByRole('table', { name: 'Taken, and not' })
      .getByRole('row', { name: /^taken \d/ }),
  ).toBeVisible();
  await house.expectSaid(/Whether the next cup was really brewed as proposed is not known/);
});
