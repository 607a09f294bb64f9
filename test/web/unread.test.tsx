/** @jest-environment ./test/web/environment.mjs */
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import type { ReactElement } from 'react';
import { BarPage } from '../../src/web/features/bar/Page';
import { BoardPage } from '../../src/web/features/book/Board';
import { TeaView } from '../../src/web/features/book/TeaView';
import { VersionsPage } from '../../src/web/features/book/Versions';
import { ColoursPage } from '../../src/web/features/fit/Colours';
import { FitPage } from '../../src/web/features/fit/Page';
import { AttachedPage } from '../../src/web/features/house/attached/AttachedPage';
import { BackupsPage } from '../../src/web/features/house/backups/BackupsPage';
import { DevicesPage } from '../../src/web/features/house/devices/DevicesPage';
import { ProgramsPage } from '../../src/web/features/house/programs/ProgramsPage';
import { JudgePage } from '../../src/web/features/judge/Page';
import { LeafPage } from '../../src/web/features/school/leaf/LeafPage';
import { StartPage } from '../../src/web/features/start/Page';
import { SetUpPage } from '../../src/web/features/tastings/setUp/SetUpPage';
import { WhatIfPage } from '../../src/web/features/whatif/Page';
import { type Answer, closeAll, open, requests, serve, SITE_ID } from './page';

// A page whose records are not here says so: it neither fetches for ever nor says that the house has none.

afterEach(closeAll);

const TEA = '0197c000-0000-7000-8000-0000000000c1';
const PATHS = [
  ...['/api/bar', '/api/book', '/api/vessels', '/api/kettles', '/api/spoons', '/api/house'],
  ...['/api/devices', '/api/shop', '/api/programs', '/api/printers', '/api/backups'],
  ...[`/api/teas/${TEA}`, `/api/teas/${TEA}/fit`, `/api/sites/${SITE_ID}/names`],
];
const everywhere = (answer: Answer) => Object.fromEntries(PATHS.map((path) => [path, answer]));
/** What it says cannot be read, the page, and where it lies when that matters. */
const JUDGED = '0197c000-0000-7000-8000-0000000000d1';
const PAGES: readonly { name: string; page: ReactElement; at?: string; path?: string }[] = [
  { name: 'The devices', page: <DevicesPage /> },
  { name: 'The programs', page: <ProgramsPage /> },
  { name: 'The list of printers', page: <AttachedPage /> },
  { name: 'The list of backups', page: <BackupsPage /> },
  { name: 'The board', page: <BoardPage />, at: `/book/${TEA}/board`, path: '/book/:teaId/board' },
  {
    name: 'The tea',
    page: <VersionsPage />,
    at: `/book/${TEA}/versions`,
    path: '/book/:teaId/versions',
  },
  { name: 'The tea', page: <WhatIfPage />, at: `/book/${TEA}/whatif`, path: '/book/:teaId/whatif' },
  { name: 'The tea', page: <TeaView id={TEA} /> },
  { name: 'The tea', page: <ColoursPage />, at: `/book/${TEA}/colours`, path: '/book/:id/colours' },
  { name: 'The cups', page: <FitPage />, at: `/book/${TEA}/fit`, path: '/book/:id/fit' },
  { name: 'The lesson', page: <LeafPage />, at: '/school/leaf/heatPair', path: '/school/leaf/:id' },
  { name: 'The book', page: <SetUpPage />, at: '/table/new' },
  { name: 'Teas and vessels', page: <StartPage />, at: '/start' },
  { name: 'The bar', page: <BarPage />, at: '/' },
  { name: 'The cup', page: <JudgePage />, at: `/judge/${JUDGED}`, path: '/judge/:id' },
];

test.each(PAGES)(
  '$name: without a server it says so, and asks again by a touch',
  async ({ name, page, at, path }) => {
    serve(everywhere('away'));
    await open(page, { at, path });
    const alert = await screen.findByRole('alert');
    expect(alert.textContent).toContain(`${name} cannot be read just now.`);
    expect(alert.textContent).toContain('No connection to the house’s server.');
    expect(screen.queryByText(/^Fetching/)).toBeNull();
    const before = requests().length;
    fireEvent.click(within(alert).getByRole('button', { name: 'Try again' }));
    await waitFor(() => expect(requests().length).toBeGreaterThan(before));
  },
);

test.each(PAGES)('$name: while it is fetched, that is what it says', async ({ page, at, path }) => {
  serve(everywhere('waits'));
  await open(page, { at, path });
  expect(screen.getByText(/^Fetching/)).toBeTruthy();
  expect(screen.queryByRole('alert')).toBeNull();
});

const missing = { status: 404, body: { code: 'notFound', message: 'There is no such tea.' } };
const OF_A_TEA: typeof PAGES = [
  {
    name: 'versions',
    page: <VersionsPage />,
    at: `/book/${TEA}/versions`,
    path: '/book/:teaId/versions',
  },
  { name: 'what if', page: <WhatIfPage />, at: `/book/${TEA}/whatif`, path: '/book/:teaId/whatif' },
  { name: 'a tea', page: <TeaView id={TEA} /> },
];
test.each(OF_A_TEA)(
  '$name: a tea that is not there is said to be so',
  async ({ page, at, path }) => {
    serve({ ...everywhere({ body: { vessels: [], teas: [] } }), [`/api/teas/${TEA}`]: missing });
    await open(page, { at, path });
    expect(await screen.findByText('This tea is not in the book.')).toBeTruthy();
  },
);
