/** @jest-environment ./test/web/environment.mjs */
import { fireEvent, screen, within } from '@testing-library/react';
import type { Batch } from '#contracts/batches';
import { batchWrites } from '../../src/web/entities/batches/writes';
import { BatchPage } from '../../src/web/features/cold/BatchPage';
import { DueLine } from '../../src/web/features/cold/DueLine';
import { ColdPage } from '../../src/web/features/cold/Page';
import { PlanPage } from '../../src/web/features/cold/plan/PlanPage';
import { StartPage } from '../../src/web/features/cold/StartPage';
import { registerWrites } from '../../src/web/platform/outbox/writes';
import { batchOf, BEST, done, EXTRACT, lifted } from '../../src/web/testing/batches';
import { testClock } from '../clock';
import { type Answer, closeAll, open, serve, sessionOf, SITE_ID } from './page';

afterEach(closeAll);
beforeAll(() => {
  registerWrites(batchWrites);
  globalThis.ResizeObserver = class {
    observe() {}
    unobserve() {}
    disconnect() {}
  };
});

const PITCHER = {
  id: '0197c000-0000-7000-8000-000000000030',
  siteId: SITE_ID,
  name: 'Pitcher 1',
  kind: 'pitcher',
  brim: 1150,
  mark: 1000,
  infuser: 'deep',
  basket: 300,
  material: 'glass',
  lid: true,
  retired: false,
};
/** Leaf in so many hours before now. */
const ago = (
  hours: number,
  of: (leafIn: number) => Partial<Batch> = () => ({}),
): Partial<Batch> => {
  const leafIn = Date.now() - hours * 3_600_000;
  return { leafIn: leafIn as Batch['leafIn'], ...of(leafIn) };
};
/** What was done, moved to the batch's own hours. */
const since = (leafIn: number, events: Batch['events']): Batch['events'] => {
  const [first] = events;
  const shift = first ? leafIn - batchOf('x').leafIn : 0;
  return events.map((e) => ({ ...e, at: (e.at + shift) as typeof e.at }));
};
const drawn = (
  name: string,
  hours: number,
  more: Batch['events'] = [],
  over: Partial<Batch> = {},
) =>
  batchOf(name, {
    ...ago(hours, (leafIn) => ({ events: since(leafIn, [lifted(BEST), ...more]) })),
    ...over,
  });
const cold = (batches: readonly Batch[], readings: unknown[] = []): Answer => ({
  body: { now: testClock()(), batches, readings },
});
const NO_PLAN = {
  ...{ rev: 0, demand: [], batches: [], places: null, leftFree: [] },
  changed: null,
};
const planAnswer = (batches: readonly object[] = []): Answer => ({
  body: { plan: { ...NO_PLAN, batches }, poured: [] },
});
const house = (answer: Answer, vessels: unknown[] = [PITCHER]): Record<string, Answer> => ({
  '/api/batches': answer,
  '/api/vessels': { body: { vessels } },
  '/api/book': { body: { teas: [], vocabulary: [] } },
  '/api/cold/plan': planAnswer(),
});
const TEA_ID = '0197c000-0000-7000-8000-000000000031';
/** A house with one tea and batches of it that are to be begun, so many hours from now. */
const houseWithPlan = (batches: readonly Batch[], starts: readonly number[]) => ({
  ...house(cold(batches)),
  '/api/book': {
    body: {
      teas: [{ id: TEA_ID, name: 'Kestry Pearl', style: 'green-pan', recipes: [] }],
      vocabulary: [],
    },
  },
  '/api/cold/plan': planAnswer(
    starts.map((hours, i) => ({
      ...{ id: `planned ${i}`, teaId: TEA_ID, method: 'fridge', vesselId: PITCHER.id },
      ...{ water: 750, glasses: 3, until: null, pinned: false },
      start: Date.now() + hours * 3_600_000,
      lift: Date.now() + (hours + 8) * 3_600_000,
    })),
  ),
});

test('the place waits for its batches, and says so', async () => {
  serve(house('waits'));
  await open(<ColdPage />);
  expect(screen.getByText('Fetching the cold batches.')).toBeTruthy();
  expect(screen.queryByText('No cold batch yet.')).toBeNull();
});
test('batches that cannot be read are asked for again by a touch', async () => {
  serve(house('away'));
  await open(<ColdPage />);
  const alert = await screen.findByRole('alert');
  expect(alert.textContent).toContain('The cold batches cannot be read just now.');
  serve(house(cold([])));
  fireEvent.click(within(alert).getByRole('button', { name: 'Try again' }));
  expect(await screen.findByText('No cold batch yet.')).toBeTruthy();
  expect(screen.queryByRole('alert')).toBeNull();
});
test('with nothing in the fridge there is one way on, and the limits are said all the same', async () => {
  serve(house(cold([])));
  await open(<ColdPage />);
  expect(await screen.findByText('No cold batch yet.')).toBeTruthy();
  expect(screen.getAllByRole('link', { name: /^Start a batch/ }).length).toBeGreaterThan(0);
  expect(screen.getByText(/The local food code decides/)).toBeTruthy();
  expect(screen.getByRole('button', { name: /^Fridge/ }).textContent).toContain('not read yet');
});
test.each([
  ['trainee', false],
  ['brewer', true],
  ['lead', true],
] as const)('a %s is offered the record for an inspection: %s', async (role, offered) => {
  serve(house(cold([])));
  await open(<ColdPage />, { role });
  await screen.findByText('No cold batch yet.');
  expect(screen.queryByText('Record for an inspection') !== null).toBe(offered);
});
test('what is to be done first stands first, and the foot says by when', async () => {
  serve(house(cold([drawn('kept', BEST + 20), batchOf('late', ago(BEST))])));
  await open(<ColdPage />);
  const rows = await screen.findAllByRole('listitem');
  expect(rows.map((r) => /Pitcher \w+/.exec(r.textContent ?? '')?.[0])).toEqual([
    'Pitcher late',
    'Pitcher kept',
  ]);
  expect(screen.getByText(/^Next: lift the leaf of Pitcher late by/)).toBeTruthy();
});
test('a batch that has ended is not offered anything; one that is not here says where to look', async () => {
  const out = done(BEST + 1, { kind: 'discard', ml: 900 as never, reason: 'doubt' });
  const ended = drawn('gone', BEST + 2, [out]);
  serve(house(cold([ended])));
  await open(<BatchPage />, { at: `/cold/${ended.id}`, path: '/cold/:id' });
  expect(await screen.findByText('This batch has ended.')).toBeTruthy();
  expect(screen.queryByRole('button', { name: /Throw out|Pour|Leaf out/ })).toBeNull();
  closeAll();
  serve(house(cold([])));
  await open(<BatchPage />, { at: '/cold/none', path: '/cold/:id' });
  expect(await screen.findByText(/^This batch is not here\./)).toBeTruthy();
});
test('out on the counter it says so and until when, with the way back', async () => {
  const out = done(BEST + 1, { kind: 'shelve', place: 'counter', air: 21 as never });
  const batch = drawn('out', BEST + 2, [out]);
  serve(house(cold([batch])));
  await open(<BatchPage />, { at: `/cold/${batch.id}`, path: '/cold/:id' });
  const note = await screen.findByRole('alert');
  expect(note.textContent).toMatch(/On the counter since .* The liquor warms\./);
  expect(screen.getByText(/^on the counter: throw out by /)).toBeTruthy();
  fireEvent.click(within(note).getByRole('button', { name: 'Put back in the fridge' }));
  expect(await screen.findByText(/into the fridge, /)).toBeTruthy();
  expect(screen.queryByText(/The liquor warms/)).toBeNull();
});
test('past its time it cannot be poured, and says so; what to use first is named', async () => {
  const past = drawn('past', BEST + 80);
  serve(house(cold([past])));
  await open(<BatchPage />, { at: `/cold/${past.id}`, path: '/cold/:id' });
  expect(
    await screen.findByText(/^The time of this batch ended at .* Throw the batch out\.$/),
  ).toBeTruthy();
  expect(screen.queryByRole('button', { name: /^A glass/ })).toBeNull();
  closeAll();
  const [older, newer] = [drawn('old', BEST + 30), drawn('newer', BEST + 5)];
  serve(house(cold([older, newer])));
  await open(<BatchPage />, { at: `/cold/${newer.id}`, path: '/cold/:id' });
  expect(await screen.findByText('Use Pitcher old first:')).toBeTruthy();
});
test('an extract in the glass: a bit weak is mended by extract, a bit strong by water, the next glass follows', async () => {
  const batch = drawn('extract', BEST + 20, [], {
    plan: EXTRACT,
    tea: { ...batchOf('x').tea, style: 'black-broken' },
  });
  serve(house(cold([batch])));
  await open(<BatchPage />, { at: `/cold/${batch.id}`, path: '/cold/:id' });
  const extractOf = () =>
    Number(/(\d+)\sml of extract and/.exec(document.body.textContent ?? '')?.[1]);
  await screen.findByRole('button', { name: 'Glass poured' });
  const first = extractOf();
  expect(first).toBeGreaterThan(0);
  fireEvent.click(screen.getByRole('button', { name: 'a bit strong' }));
  expect(document.body.textContent).toMatch(/This glass: .*add \d+\sml of water/);
  fireEvent.click(screen.getByRole('button', { name: 'a bit weak' }));
  expect(document.body.textContent).toMatch(/This glass: .*add \d+\sml of extract/);
  fireEvent.click(screen.getByRole('button', { name: 'Change the next glass' }));
  expect(extractOf()).toBeGreaterThan(first);
});
test('two batches in one pitcher ask which counts; another tea in it asks what became of the first', async () => {
  const one = { vesselId: PITCHER.id, vesselName: 'Pitcher 1' };
  const [first, second] = [
    batchOf('a', { ...ago(2), ...one }),
    batchOf('b', { ...ago(1.9), ...one }),
  ];
  serve(house(cold([first, second])));
  await open(<BatchPage />, { at: `/cold/${second.id}`, path: '/cold/:id' });
  expect(await screen.findByText(/^Started twice, /)).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Keep the first' })).toBeTruthy();
  closeAll();
  const other = { ...second, tea: { ...second.tea, id: SITE_ID, name: 'Corrow Light' } };
  serve(house(cold([first, other])));
  await open(<BatchPage />, { at: `/cold/${first.id}`, path: '/cold/:id' });
  expect(await screen.findByText(/^Corrow Light is in the Pitcher 1 since/)).toBeTruthy();
  expect(screen.queryByRole('button', { name: 'Keep the first' })).toBeNull();
});
test.each([
  ['lead', 'To the book'],
  ['trainee', null],
] as const)('with no cold recipe a start says to a %s who adds one', async (role, way) => {
  serve(house(cold([])));
  await open(<StartPage />, { role });
  expect(await screen.findByText(/No tea has a cold recipe yet/)).toBeTruthy();
  expect(screen.queryByRole('link', { name: 'To the book' }) !== null).toBe(way !== null);
});
test('the head names the batch that wants hands, and how many more; else nothing', async () => {
  serve(house(cold([batchOf('early', ago(1))])));
  await open(<DueLine />);
  expect(screen.queryByRole('link')).toBeNull();
  closeAll();
  serve(
    house(cold([batchOf('due', ago(BEST)), drawn('over', BEST + 80), batchOf('early', ago(1))])),
  );
  await open(<DueLine />);
  const link = await screen.findByRole('link');
  expect(link.textContent).toMatch(/^Pitcher \w+: .*, and 1 more$/);
});
test('leaf that is to go in soon is said in the head, and leads to its start card', async () => {
  serve(houseWithPlan([], [0.2, 0.4, 9]));
  await open(<DueLine />);
  const link = await screen.findByRole('link');
  expect(link.textContent).toMatch(/^Pitcher 1: put leaf in by \w+ .*, and 1 more$/);
  expect(link.getAttribute('href')).toContain('planned=planned+0');
  expect(link.getAttribute('href')).toContain('water=750');
});
test('planned batches stand under those in the fridge; the foot says the first hand of all', async () => {
  serve(houseWithPlan([batchOf('early', ago(1))], [-0.5, 3]));
  await open(<ColdPage />);
  const list = await screen.findByRole('list', { name: 'Planned batches' });
  const rows = within(list).getAllByRole('listitem');
  expect(rows.map((r) => r.textContent)).toEqual([
    expect.stringMatching(/Kestry Pearl.*750.*put leaf in now/),
    expect.stringMatching(/Kestry Pearl.*leaf in \w+ \d/),
  ]);
  expect(screen.getByText('Next: put leaf in Pitcher 1 now')).toBeTruthy();
  expect(screen.getByRole('link', { name: 'Start Pitcher 1' })).toBeTruthy();
});
describe('the plan of a week', () => {
  const NO_HOURS = { ...sessionOf('lead').site, hours: null };
  test.each([
    ['lead', true],
    ['brewer', false],
  ] as const)('without hours it says what lacks; a %s may type them: %s', async (role, may) => {
    serve(house(cold([])));
    await open(<PlanPage />, { role, session: { site: NO_HOURS } });
    expect(await screen.findByText(/A plan needs the hours of/)).toBeTruthy();
    expect(screen.queryByRole('link', { name: 'Type the hours' }) !== null).toBe(may);
  });
  test('out of reach it says so, with the way back', async () => {
    serve({ ...house(cold([])), '/api/cold/plan': 'away' });
    await open(<PlanPage />);
    expect(await screen.findByText(/The plan is out of reach/)).toBeTruthy();
    expect(screen.getByRole('link', { name: 'Back to Cold' })).toBeTruthy();
  });
});
