/** @jest-environment ./test/web/environment.mjs */
import { act, screen } from '@testing-library/react';
import { brewWrites } from '../../src/web/entities/brews/writes';
import { EmptyBar } from '../../src/web/features/bar/EmptyBar';
import { JudgePage } from '../../src/web/features/judge/Page';
import { cameBack, queued, wentAway } from '../../src/web/platform/outbox/outbox';
import { registerWrites } from '../../src/web/platform/outbox/writes';
import { store } from '../../src/web/platform/store';
import { ShellHead } from '../../src/web/shell/ShellHead';
import { type Answer, closeAll, open, PERSON, serve, SITE_ID } from './page';

afterEach(closeAll);
beforeAll(() => registerWrites(brewWrites));

const BAR = { brews: [], orders: [], recent: [] };
const house = (vessels: unknown[], bar: Answer = { body: BAR }): Record<string, Answer> => ({
  '/api/bar': bar,
  '/api/book': { body: { teas: [], vocabulary: [] } },
  '/api/vessels': { body: { vessels } },
});
const POT = {
  id: '0197c000-0000-7000-8000-000000000020',
  siteId: SITE_ID,
  name: 'Grey pot',
  kind: 'pot',
  brim: 620,
  mark: 500,
  infuser: 'deep',
  basket: 300,
  material: 'stoneware',
  retired: false,
};
const empty = (locked: boolean) => (
  <EmptyBar recent={[]} queue={null} locked={locked} onScan={() => undefined}>
    {null}
  </EmptyBar>
);

test.each([
  ['no vessel yet', [], false, 'Put the first vessel on the Shelf, then start a brew.'],
  ['a vessel', [POT], false, 'Start a brew, or press N.'],
  ['a locked tablet', [POT], true, 'Type a PIN to start a brew.'],
])('an empty bar with %s says what comes first', async (_, vessels, locked, words) => {
  serve(house(vessels));
  await open(empty(locked), { role: 'brewer' });
  expect(await screen.findByText(words)).toBeTruthy();
});

test('an empty bar waits whole: no button is there before the shelf is', async () => {
  serve({ ...house([POT]), '/api/vessels': 'waits' });
  await open(empty(false));
  expect(screen.getByText('Fetching the bar.')).toBeTruthy();
  expect(screen.queryByRole('button')).toBeNull();
});

test('an empty bar whose shelf cannot be read says that of the shelf alone', async () => {
  serve({ ...house([POT]), '/api/vessels': 'away' });
  await open(empty(false), { role: 'brewer' });
  expect(await screen.findByText('Nothing on the bar.')).toBeTruthy();
  expect(screen.getByRole('alert').textContent).toContain('The shelf cannot be read just now.');
  expect(screen.queryByText(/may be running/)).toBeNull();
  expect(screen.queryByText(/Put the first vessel/)).toBeNull();
});

test('a cup that is not on the bar any more is to be seen in the log', async () => {
  serve(house([]));
  await open(<JudgePage />, { at: '/judge/gone', path: '/judge/:id' });
  expect(await screen.findByText('This cup is judged already, or given up.')).toBeTruthy();
  expect(screen.getByRole('link', { name: 'See it in the log' }).getAttribute('href')).toBe(
    '/log/gone',
  );
});

describe('the head', () => {
  const head = (locked = false) => (
    <ShellHead
      at={undefined}
      pathname="/"
      locked={locked}
      onUnsent={() => undefined}
      onUnlock={() => undefined}
      onDevice={() => undefined}
    />
  );
  beforeEach(() => serve({}));

  test('says that all is saved, and who is here', async () => {
    await open(head());
    expect(screen.getByText('All saved')).toBeTruthy();
    expect(screen.getByRole('button', { name: /Ilsa V\./ })).toBeTruthy();
  });
  test('a locked tablet asks for a PIN and names nobody', async () => {
    await open(head(true));
    expect(screen.getByRole('button', { name: /Locked/ })).toBeTruthy();
    expect(screen.queryByText('Ilsa V.')).toBeNull();
  });
  test('without a connection it says since when, what waits, and that the bar goes on', async () => {
    await open(head());
    act(() => {
      store.dispatch(wentAway({ at: Date.UTC(2026, 3, 12, 14, 5), why: null }));
    });
    expect(screen.getByRole('status').textContent).toContain('The bar goes on.');
    act(() => {
      store.dispatch(
        queued({
          kind: 'event',
          id: 'w1',
          seq: 1,
          brewId: 'b',
          body: { kind: 'pull' },
          maker: { personId: PERSON, name: 'Ilsa V.', device: null },
        } as never),
      );
    });
    expect(screen.getByRole('status').textContent).toContain('1 not saved yet');
    act(() => {
      store.dispatch(cameBack());
    });
    expect(screen.getByRole('status').textContent).not.toContain('The bar goes on.');
  });
});
