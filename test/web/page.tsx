import { jest } from '@jest/globals';
import { act, cleanup, render } from '@testing-library/react';
import type { ReactNode } from 'react';
import { Provider } from 'react-redux';
import { MemoryRouter, Route, Routes } from 'react-router';
import type { Role } from '#contracts/people';
import type { Session } from '#contracts/sites';
import { SITES } from '../../src/server/demo/house';
import { SessionProvider } from '../../src/web/entities/people/session';
import { api } from '../../src/web/platform/api';
import { store } from '../../src/web/platform/store';

const [HARBOUR] = SITES;
if (!HARBOUR) throw new Error('the demo has a site');
const SITE = { id: '0197c000-0000-7000-8000-000000000001', rev: 1, ...HARBOUR.fields };
export const PERSON = '0197c000-0000-7000-8000-000000000002';
export const SITE_ID = SITE.id;

export const sessionOf = (role: Role, over: Partial<Session> = {}): Session =>
  ({
    personId: PERSON,
    name: 'Ilsa V.',
    role,
    site: SITE,
    sites: [SITE],
    units: null,
    lockedAs: null,
    ...over,
  }) as Session;

type Said = { body: unknown } | { status: number; body: unknown };
/** What the server says to a path: a body, a refusal, one that comes later, no answer yet, or no answer at all. */
export type Answer = Said | Promise<Said> | 'waits' | 'away';
const asked: string[] = [];
/** Paths that were asked for so far, with their queries. */
export const requests = (): readonly string[] => asked;

/** Puts a server in place of the network; a path that has no answer is a test's mistake. */
export function serve(answers: Record<string, Answer>): void {
  asked.length = 0;
  globalThis.fetch = jest.fn(async (input: string | URL | Request) => {
    const url = new URL((input as Request).url);
    asked.push(url.pathname + url.search);
    const answer = answers[url.pathname];
    if (answer === undefined) throw new Error(`nothing answers ${url.pathname}`);
    if (answer === 'waits') return new Promise<Response>(() => undefined);
    if (answer === 'away') throw new TypeError('failed to fetch');
    const said = await answer;
    return Response.json(said.body, { status: 'status' in said ? said.status : 200 });
  }) as typeof fetch;
}

/** Opens a page at an address, as somebody; what the server says is served before. */
export async function open(
  page: ReactNode,
  {
    role = 'lead',
    at = '/',
    path = '*',
    session = {},
  }: {
    role?: Role;
    at?: string;
    path?: string;
    session?: Partial<Session>;
  } = {},
) {
  const shown = render(
    <Provider store={store}>
      <SessionProvider session={sessionOf(role, session)}>
        <MemoryRouter initialEntries={[at]}>
          <Routes>
            <Route path={path} element={page} />
          </Routes>
        </MemoryRouter>
      </SessionProvider>
    </Provider>,
  );
  await act(async () => undefined);
  return shown;
}

/** Everything is as before the first page. */
export function closeAll(): void {
  cleanup();
  store.dispatch(api.util.resetApiState());
}
