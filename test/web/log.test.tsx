/** @jest-environment ./test/web/environment.mjs */
import { fireEvent, screen, within } from '@testing-library/react';
import { LogPage } from '../../src/web/features/log/Page';
import { TrendPage } from '../../src/web/features/log/TrendPage';
import { type Answer, closeAll, open, requests, serve } from './page';

afterEach(closeAll);

const EMPTY = {
  brews: [],
  next: null,
  counts: { all: 0, inWindow: 0, late: 0, early: 0, forgotten: 0 },
  people: [{ id: '0197c000-0000-7000-8000-000000000009', name: 'Tam O.' }],
};
const house = (log: Answer): Record<string, Answer> => ({
  '/api/brews': log,
  '/api/book': { body: { teas: [], vocabulary: [] } },
  '/api/vessels': { body: { vessels: [] } },
});

test('the log waits for its answer, and says for what', async () => {
  serve(house('waits'));
  await open(<LogPage />);
  expect(screen.getByText('Fetching the log.')).toBeTruthy();
  expect(screen.queryByText(/No brew/)).toBeNull();
});

test('a log that cannot be read says so, and is asked for again by a touch', async () => {
  serve(house('away'));
  await open(<LogPage />);
  const alert = await screen.findByRole('alert');
  expect(alert.textContent).toContain('The log cannot be read just now.');
  serve(house({ body: EMPTY }));
  fireEvent.click(within(alert).getByRole('button', { name: 'Try again' }));
  expect(await screen.findByText(/The first one on the bar is the first one here/)).toBeTruthy();
  expect(screen.queryByRole('alert')).toBeNull();
});

test('an empty log and an empty pick are told apart; every brew comes back by a touch', async () => {
  serve(house({ body: EMPTY }));
  await open(<LogPage />, { at: '/?verdict=right' });
  expect(await screen.findByText('No brew is like that.')).toBeTruthy();
  expect(requests().some((r) => r.includes('verdict=right'))).toBe(true);
  fireEvent.click(screen.getByRole('button', { name: 'Show every brew here' }));
  expect(await screen.findByText(/The first one on the bar is the first one here/)).toBeTruthy();
});

test.each([
  ['brewer', ['anyone', 'Ilsa V., my own'], ['Harbour room']],
  ['lead', ['anyone', 'Tam O.'], ['Harbour room', 'every site']],
] as const)('a %s picks out %j, at %j', async (role, people, places) => {
  serve(house({ body: EMPTY }));
  await open(<LogPage />, { role });
  await screen.findByText(/The first one on the bar/);
  const choices = async (name: string) => {
    fireEvent.click(screen.getByRole('button', { name: new RegExp(`^${name}`) }));
    const options = await screen.findAllByRole('option');
    const texts = options.map((o) => o.textContent);
    fireEvent.keyDown(options[0] as HTMLElement, { key: 'Escape' });
    return texts;
  };
  expect(await choices('Person')).toEqual(people);
  expect(await choices('Site')).toEqual(places);
});

test('trends that cannot be read say so; nobody’s own figures are promised to a brewer', async () => {
  serve({ ...house({ body: EMPTY }), '/api/trends': 'away' });
  await open(<TrendPage />, { role: 'brewer' });
  expect((await screen.findByRole('alert')).textContent).toContain(
    'The trends cannot be read just now.',
  );
});
