import type { Request, Response } from 'express';
import {
  addDevice,
  changeDevice,
  endSession,
  endSessions,
  getDevices,
  pairDevice,
  renewDeviceCode,
  revokeDevice,
} from '#contracts/devices';
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
import type { AuditNotes } from '../audit';
import { agentName } from './devices';
import type { Accounts } from './service';
import type { Where } from './sessions';

export const COOKIE = 'limnos_session';
const MONTH_MS = 30 * 86_400_000;
/** Of a paired device; browsers keep a cookie no longer than this. */
const DEVICE_COOKIE = 'limnos_device';
const DEVICE_MS = 400 * 86_400_000;

const cookieNamed = (req: Request, name: string): string | null => {
  const found = req.headers.cookie?.split(/;\s*/).find((c) => c.startsWith(`${name}=`));
  return found ? found.slice(name.length + 1) : null;
};

/** The session cookie of a request; null when there is none. */
export const cookieOf = (req: Request): string | null => cookieNamed(req, COOKIE);
const whereOf = (req: Request): Where => ({
  address: req.ip ?? 'unknown',
  agent: agentName(req.get('user-agent')),
  device: cookieNamed(req, DEVICE_COOKIE),
});
const keep = (res: Response, token: string, name = COOKIE, maxAge = MONTH_MS) =>
  res.cookie(name, token, {
    httpOnly: true,
    sameSite: 'strict',
    // Over plain HTTP, on the machine itself, a secure cookie would not be kept.
    secure: res.req.secure,
    path: '/',
    maxAge,
  });

export function accountRoutes(
  on: ReturnType<typeof routes>,
  { sessions, people, sites, devices }: Accounts,
  audit: AuditNotes,
) {
  on.open(getHouse, ({ who, req }) => sessions.house(who, cookieNamed(req, DEVICE_COOKIE)));
  on.open(beginHouse, async ({ body, req, res }) => {
    const { token, session } = await sessions.begin(body, whereOf(req).agent);
    keep(res, token);
    return session;
  });
  on.open(listNames, async ({ params }) => ({ people: await sessions.names(params.siteId) }));
  on.open(signIn, async ({ body, req, res, who }) => {
    const { token, session } = await sessions.signIn(body, whereOf(req));
    if (who) await sessions.signOut(who);
    keep(res, token);
    await audit.note(req, 'signIn', { personId: session.personId, siteId: session.site.id });
    return session;
  });
  on.signed(signOut, async ({ who, req, res }) => {
    await sessions.signOut(who);
    await audit.note(req, 'signOut', who);
    res.clearCookie(COOKIE, { path: '/' });
    return {};
  });
  on.signed(lockSession, async ({ body, who, req }) => {
    await sessions.lock(body.device, who);
    await audit.note(req, 'locked', who);
    return {};
  });
  on.signed(getDevices, ({ who }) => devices.state(who));
  on.signed(addDevice, ({ body, who }) => devices.add(body, who));
  on.signed(renewDeviceCode, ({ params, body, who }) =>
    devices.renewCode(params.id, body.codeId, who),
  );
  on.signed(changeDevice, ({ params, body, who }) => devices.rename(params.id, body.name, who));
  on.signed(revokeDevice, ({ params, who }) => devices.revoke(params.id, who));
  on.open(pairDevice, async ({ body, req, res }) => {
    const { token, ...device } = await devices.pair(body.code, req.ip ?? 'unknown');
    keep(res, token, DEVICE_COOKIE, DEVICE_MS);
    await audit.note(req, 'paired', null);
    return device;
  });
  on.signed(endSession, ({ params, who }) => devices.endSession(params.id, who));
  on.signed(endSessions, ({ body, who }) => devices.endSessions(body.personId, who));
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
