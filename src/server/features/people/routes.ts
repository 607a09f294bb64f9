import type { Request, Response } from 'express';
import { addPerson, changePerson, listNames, listPeople } from '#contracts/people';
import {
  addSite,
  beginHouse,
  changeFilter,
  changeSite,
  getHouse,
  lockSession,
  setMyUnits,
  signIn,
  signOut,
} from '#contracts/sites';
import type { routes } from '../../http/route';
import type { Accounts } from './service';

export const COOKIE = 'limnos_session';
const MONTH_MS = 30 * 86_400_000;

/** The session cookie of a request; null when there is none. */
export function cookieOf(req: Request): string | null {
  const found = req.headers.cookie?.split(/;\s*/).find((c) => c.startsWith(`${COOKIE}=`));
  return found ? found.slice(COOKIE.length + 1) : null;
}
const keep = (res: Response, token: string) =>
  res.cookie(COOKIE, token, {
    httpOnly: true,
    sameSite: 'strict',
    // Over plain HTTP, on the machine itself, a secure cookie would not be kept.
    secure: res.req.secure,
    path: '/',
    maxAge: MONTH_MS,
  });

export function accountRoutes(
  on: ReturnType<typeof routes>,
  { sessions, people, sites }: Accounts,
) {
  on.open(getHouse, ({ who }) => sessions.house(who));
  on.open(beginHouse, async ({ body, res }) => {
    const { token, session } = await sessions.begin(body);
    keep(res, token);
    return session;
  });
  on.open(listNames, async ({ params }) => ({ people: await sessions.names(params.siteId) }));
  on.open(signIn, async ({ body, req, res, who }) => {
    const { token, session } = await sessions.signIn(body, req.ip ?? 'unknown');
    if (who) await sessions.signOut(who);
    keep(res, token);
    return session;
  });
  on.signed(signOut, async ({ who, res }) => {
    await sessions.signOut(who);
    res.clearCookie(COOKIE, { path: '/' });
    return {};
  });
  on.signed(lockSession, async ({ body, who }) => {
    await sessions.lock(body.device, who);
    return {};
  });
  on.signed(listPeople, async () => ({ people: await people.all() }));
  on.signed(setMyUnits, ({ body, who }) => sessions.setUnits(body, who));
  on.signed(addPerson, ({ body, who }) => people.add(body, who));
  on.signed(changePerson, ({ params, body, who }) => people.change(params.id, body, who));
  on.signed(addSite, ({ body, who }) => sites.add(body, who));
  on.signed(changeFilter, ({ params, body, who }) =>
    sites.changeFilter(params.id, body.changed, who),
  );
  on.signed(changeSite, ({ params, body, who }) => sites.change(params.id, body, who));
}
