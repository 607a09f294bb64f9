/** @jest-environment ./test/web/environment.mjs */
import { fireEvent, screen } from '@testing-library/react';
import { TeaIndex } from '../../src/web/features/book/BookIndex';
import { Lots } from '../../src/web/features/book/Lots';
import { closeAll, open, serve, sessionOf } from './page';

afterEach(closeAll);
beforeEach(() => serve({ '/api/bar': { body: { brews: [], orders: [], recent: [] } } }));

const TEA = {
  id: '0197c000-0000-7000-8000-000000000010',
  name: 'Sennet Hollow',
  style: 'green-steamed',
  method: 'pot',
  words: 'grassy',
  retired: false,
  leaf: { form: null, season: null, traits: [] },
  lots: [],
  recipes: [],
  house: null,
} as unknown as Parameters<typeof TeaIndex>[0]['teas'][number];

test.each([
  ['lead', 'No tea in the book yet. New tea adds the first.'],
  ['brewer', 'No tea in the book yet. A lead adds the first.'],
  ['trainee', 'No tea in the book yet. A lead adds the first.'],
] as const)('an empty book says to a %s who adds the first tea', async (role, words) => {
  await open(<TeaIndex teas={[]} chosen={undefined} />, { role });
  expect(screen.getByText(words)).toBeTruthy();
  expect(screen.queryByRole('link', { name: 'New tea' }) !== null).toBe(role === 'lead');
  expect(screen.queryByText(/To print/)).toBeNull();
});

test('what is typed and finds nothing is said back; Escape begins again', async () => {
  await open(<TeaIndex teas={[TEA]} chosen={undefined} />);
  const box = screen.getByRole('combobox', { name: 'Find a tea' });
  expect(screen.getByText('Sennet Hollow')).toBeTruthy();
  fireEvent.change(box, { target: { value: 'zzz' } });
  expect(screen.getByText(/No tea has “zzz” in its name, kind, words or lots/)).toBeTruthy();
  fireEvent.keyDown(box, { key: 'Escape' });
  expect(screen.getByText('Sennet Hollow')).toBeTruthy();
});

test('a retired tea stands at the end, not among the others', async () => {
  await open(<TeaIndex teas={[{ ...TEA, retired: true }]} chosen={undefined} />);
  expect(screen.getByText(/^Retired:/).textContent).toContain('Sennet Hollow');
  expect(screen.queryByRole('list')).toBeNull();
});

// At any time it is another day than in Greenwich at one of the two.
test.each([
  ['Pacific/Kiritimati', 14],
  ['Etc/GMT+12', -12],
])('a new lot at a site in %s arrives on the day it is there', async (zone, ahead) => {
  serve({ '/api/spoons': { body: { spoons: [], assigned: [] } } });
  const { site } = sessionOf('lead');
  const hours = site.hours && { ...site.hours, zone };
  const page = { tea: TEA, lots: [], versions: [] } as unknown as Parameters<
    typeof Lots
  >[0]['page'];
  await open(<Lots page={page} lead />, { session: { site: { ...site, hours } } });
  const dayThere = () => new Date(Date.now() + ahead * 3_600_000).toISOString().slice(0, 10);
  const before = dayThere();
  fireEvent.click(screen.getByRole('button', { name: 'New lot' }));
  const { value } = screen.getByLabelText<HTMLInputElement>(/^Arrived/);
  expect([before, dayThere()]).toContain(value);
});
