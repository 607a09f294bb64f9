import { BarDriver } from '../drivers/BarDriver';
import { LogDriver } from '../drivers/LogDriver';
import { expect, PEOPLE, test } from '../fixtures/shop';

test('the log’s filters are its sentence and its address; the view is exported as it stands', async ({
  house,
}) => {
  const log = new LogDriver(house.page);
  await house.signIn(PEOPLE.lead);
  await house.goTo('Log');
  await log.expectBrews();
  await log.expectDrawnInTheirLines();
  await log.morePicks();
  await log.pick('Pull', 'out of its window');
  await expect(house.page).toHaveURL(/pull=outside/);
  await log.expectEveryOutOfItsWindow();
  await log.pick('Person', 'Pela M.');
  await log.expectEvery('Pela M.');
  await house.page.reload();
  await log.expectPicked('Pull', 'out of its window');
  const [head, ...lines] = await log.asCsv();
  expect(head).toContain('from_best_s,pull,started_by');
  expect(lines.every((l) => l.includes('Pela M.') && /,(early|late|forgotten),/.test(l))).toBe(
    true,
  );
  expect(lines.length).toBe(await log.counted());
  await log.pick('Since', 'today');
  await expect(house.page).toHaveURL(/since=\d{4}-\d\d-\d\d/);
});

test('the log filters by tea, person, site and verdict', async ({ house }) => {
  const log = new LogDriver(house.page);
  await house.signIn(PEOPLE.lead);
  await house.goTo('Log');
  await log.findTea('tolv');
  await log.expectEvery('Tolvane Amber');
  await log.pick('Tea', 'any tea');
  await log.pick('Person', 'Pela M.');
  await log.pick('Verdict', 'right');
  await expect(house.page).toHaveURL(/verdict=right/);
  await log.expectCounts();
  await log.expectEvery(/Pela M\..*right/s);
  await log.pick('Site', 'Ridge hut');
  await house.expectSaid('No brew is like that.');
});

test('what one person did, picked out, is offered to that person and to leads', async ({
  house,
}) => {
  const log = new LogDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  await house.goTo('Log');
  await log.expectChoices('Person', ['anyone', 'Dov R., my own']);
  await log.chooseOption(/my own/);
  await log.expectEvery('Dov R.');
});

test('nothing like that: it says so, and one touch shows every brew again', async ({ house }) => {
  const log = new LogDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  await house.page.goto('/log?until=2001-01-01');
  await house.expectSaid('No brew is like that.');
  await log.showEveryBrew();
  await log.expectBrews();
});

test('trends: the chart with its limits, what drifts with its evidence, a point opens its brew; own figures only', async ({
  house,
}) => {
  const log = new LogDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  await house.goTo('Log');
  await log.openTrends();
  await log.expectChart();
  await log.expectDrifts(/Nothing (else )?has moved|Too few brews/);
  await house.page.keyboard.press('ArrowLeft');
  await house.expectSaid(/Enter opens it\./);
  await house.page.keyboard.press('Enter');
  await expect(house.page).toHaveURL(/\/log\/[0-9a-f-]{36}$/);
  await house.page.goBack();
  await log.expectChoices('Person', ['everyone', 'Dov R., my own']);
  await log.chooseOption(/my own/);
  await log.expectChartOrNone();
  await log.asTable();
  await log.expectTable('By vessel');
  await log.expectTable('By hour of day');
});

test('a brew’s page tells its story: planned against real, the steeps of its leaf, the next brew of that tea', async ({
  house,
}) => {
  const bar = new BarDriver(house.page);
  const log = new LogDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  const id = await bar.began(300, { tea: 'Sennet Hollow', vessel: 'White pot' });
  await bar.expectOnBar('Sennet Hollow');
  await bar.pull('Sennet Hollow');
  await bar.more('Sennet Hollow', /^Steep again/);
  await house.expectAllSaved();
  await house.page.goto(`/log/${id}`);
  await log.expectTimeLine(
    /^Planned water on, best 2:00, judge; real water on .*lifted [5-9]:\d\d/,
  );
  await house.expectSaid(/past latest\. Forgotten\./);
  await log.openSteep(/^2\. steeping/);
  await expect(house.page).not.toHaveURL(new RegExp(id));
});

test('a judged cup is tasted again: its first verdict stays, and the second is kept beside it', async ({
  house,
}) => {
  const log = new LogDriver(house.page);
  await house.signIn(PEOPLE.lead);
  await house.goTo('Log');
  await log.pick('Verdict', 'not right');
  await log.openFirst();
  const first = await log.verdict();
  await log.tasteAgain({ cup: 'After the rescue', colour: 'lighter', taste: 'Strength: light' });
  await house.expectAllSaved();
  await log.expectTastedAgain(/after the rescue, by Ilsa V\.: .*light/);
  expect(await log.verdict()).toBe(first);
});

test('what came of corrections: told in words with its counts, by tea and by what was turned', async ({
  house,
}) => {
  const log = new LogDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  await house.page.goto('/log/trends');
  await log.openCorrections();
  await house.expectSaid(/^(Of \d+ corrections taken, the next cup|Too few to say: \d)/);
  await log.expectRow('Taken, and not', /^taken \d/);
  await house.expectSaid(/Whether the next cup was really brewed as proposed is not known/);
});
