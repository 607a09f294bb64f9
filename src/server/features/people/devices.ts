import { and, desc, eq, gt, isNull, ne } from 'drizzle-orm';
import type { z } from 'zod';
import type { addDevice, Device, Devices, OpenSession } from '#contracts/devices';
import { inTransaction } from '../../db/inTransaction';
import type { Tx } from '../../db/pool';
import { devices, people, sessions } from '../../db/schema';
import type { Deps } from '../../deps';
import { AppError, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { mustWorkAt } from '../../http/sites';
import { inRecordedTransaction } from '../history';
import { countTry, deviceKey, forgetMisses, tooManyTries } from './delay';
import { newToken, spokenCode, tokenHash } from './secrets';

/** A code of 40 bits, for a quarter of an hour. */
const LENGTH = 8;
const CODE_MS = 15 * 60_000;
/** As it is typed: "abcd-efgh" is "ABCDEFGH". */
const asCode = (typed: string): string => typed.toUpperCase().replace(/[\s-]/g, '');

type Row = typeof devices.$inferSelect & { by: string };
const asDevice = (row: Row, now: number): Device => ({
  id: row.id,
  siteId: row.siteId,
  name: row.name,
  added: row.added.getTime(),
  addedBy: row.by,
  codeUntil: row.codeUntil && row.codeUntil.getTime() > now ? row.codeUntil.getTime() : null,
  paired: row.paired?.getTime() ?? null,
  seen: row.seen?.getTime() ?? null,
  revoked: row.revoked?.getTime() ?? null,
});
async function allDevices(tx: Tx, now: number): Promise<Device[]> {
  const rows = await tx
    .select({ device: devices, by: people.name })
    .from(devices)
    .innerJoin(people, eq(people.id, devices.addedBy))
    .orderBy(devices.name, devices.id);
  return rows.map(({ device, by }) => asDevice({ ...device, by }, now));
}
async function openSessions(tx: Tx, who: Signed, now: number): Promise<OpenSession[]> {
  const rows = await tx
    .select({ session: sessions, person: people.name, device: devices.name })
    .from(sessions)
    .innerJoin(people, eq(people.id, sessions.personId))
    .leftJoin(devices, eq(devices.id, sessions.deviceId))
    .where(and(gt(sessions.expires, new Date(now)), eq(people.active, true)))
    .orderBy(desc(sessions.begun));
  return rows.map(({ session, person, device }) => ({
    id: session.tokenHash,
    person: { id: session.personId, name: person },
    siteId: session.siteId,
    device: session.lockedAs ?? device ?? (session.agent || 'a browser'),
    paired: device !== null,
    begun: session.begun.getTime(),
    seen: (session.seen ?? session.begun).getTime(),
    locked: session.lockedAs !== null,
    mine: session.tokenHash === who.tokenHash,
  }));
}

/** The device of a cookie; null when there is none. */
export async function deviceByToken(tx: Tx, token: string | null) {
  if (token === null) return null;
  const [row] = await tx
    .select()
    .from(devices)
    .where(eq(devices.tokenHash, tokenHash(token)));
  return row ?? null;
}

/** Devices of the house, and who is signed in on which. */
export function createDeviceService(deps: Deps) {
  const { db, now } = deps;
  const state = async (who: Signed): Promise<Devices> => ({
    devices: await allDevices(db, now()),
    sessions: await openSessions(db, who, now()),
  });
  async function requireDevice(tx: Tx, id: string): Promise<Device> {
    const device = (await allDevices(tx, now())).find((d) => d.id === id);
    if (!device) throw notFound('That device');
    return device;
  }
  /** A code from now on; what was typed before opens nothing. */
  async function giveCode(tx: Tx, id: string, codeId: string): Promise<string> {
    const code = spokenCode(LENGTH);
    await tx
      .update(devices)
      .set({ codeId, codeHash: tokenHash(code), codeUntil: new Date(now() + CODE_MS) })
      .where(eq(devices.id, id));
    return `${code.slice(0, 4)}-${code.slice(4)}`;
  }
  return {
    state,
    add: ({ id, siteId, name }: z.infer<typeof addDevice.body>, who: Signed) =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        mustWorkAt(who, siteId);
        const there = (await allDevices(tx, now())).find((d) => d.id === id);
        if (there) return { device: there, code: null };
        const added = new Date(now());
        await tx.insert(devices).values({ id, siteId, name, added, addedBy: who.personId });
        const code = await giveCode(tx, id, id);
        await record({ thing: 'device', id, before: null, after: { name } });
        return { device: await requireDevice(tx, id), code };
      }),
    renewCode: (id: string, codeId: string, who: Signed) =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const device = await requireDevice(tx, id);
        mustWorkAt(who, device.siteId);
        const [row] = await tx.select().from(devices).where(eq(devices.id, id)).for('update');
        if (row?.codeId === codeId) return { device, code: null };
        const code = await giveCode(tx, id, codeId);
        await record({ thing: 'device', id, before: {}, after: { code: 'new' } });
        return { device: await requireDevice(tx, id), code };
      }),
    rename: (id: string, name: string, who: Signed) =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const before = await requireDevice(tx, id);
        mustWorkAt(who, before.siteId);
        await tx.update(devices).set({ name }).where(eq(devices.id, id));
        await record({ thing: 'device', id, before: { name: before.name }, after: { name } });
        return requireDevice(tx, id);
      }),
    /** Done twice it is done once. */
    revoke: (id: string, who: Signed) =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const before = await requireDevice(tx, id);
        mustWorkAt(who, before.siteId);
        if (before.revoked !== null) return before;
        await tx
          .update(devices)
          .set({ revoked: new Date(now()), codeHash: null, codeUntil: null })
          .where(eq(devices.id, id));
        await tx.delete(sessions).where(eq(sessions.deviceId, id));
        await record({ thing: 'device', id, before: { in: 'yes' }, after: { in: 'no' } });
        return requireDevice(tx, id);
      }),
    /** The device types its code: it is known by what comes back from now on. */
    async pair(
      typed: string,
      address: string,
    ): Promise<{ token: string; name: string; siteId: string }> {
      const subjects = [deviceKey(address)];
      const tried = await inTransaction(db, (tx) => countTry(tx, subjects, now()));
      if (tried.wait > 0) throw tooManyTries(tried.wait);
      return inTransaction(db, async (tx) => {
        const [row] = await tx
          .select()
          .from(devices)
          .where(
            and(
              eq(devices.codeHash, tokenHash(asCode(typed))),
              gt(devices.codeUntil, new Date(now())),
            ),
          )
          .for('update');
        if (!row)
          throw new AppError(
            'device.code',
            404,
            'No device has this code now. Read the code again. A code is good for 15 minutes.',
          );
        await forgetMisses(tx, subjects);
        const token = newToken();
        // The device that had this place before is another one now: its sessions end.
        await tx.delete(sessions).where(eq(sessions.deviceId, row.id));
        await tx
          .update(devices)
          .set({
            tokenHash: tokenHash(token),
            codeHash: null,
            codeUntil: null,
            paired: new Date(now()),
            revoked: null,
          })
          .where(eq(devices.id, row.id));
        return { token, name: row.name, siteId: row.siteId };
      });
    },
    endSession: (id: string, who: Signed): Promise<Devices> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const [row] = await tx
          .select()
          .from(sessions)
          .where(eq(sessions.tokenHash, id))
          .for('update');
        if (row && row.tokenHash !== who.tokenHash) {
          await tx.delete(sessions).where(eq(sessions.tokenHash, id));
          await record({
            ...{ thing: 'person', id: row.personId },
            ...{ before: { session: 'open' }, after: { session: 'ended' } },
          });
        }
      }).then(() => state(who)),
    /** Of one person, or of everybody; a locked tablet stays as it is unless its person is named. */
    endSessions: (personId: string | null, who: Signed): Promise<Devices> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const theirs =
          personId === null ? isNull(sessions.lockedAs) : eq(sessions.personId, personId);
        const [done] = await tx
          .delete(sessions)
          .where(and(theirs, ne(sessions.tokenHash, who.tokenHash)));
        if (done.affectedRows === 0) return;
        await record({
          ...(personId === null
            ? { thing: 'house', id: 'house' }
            : { thing: 'person', id: personId }),
          ...{ before: { sessions: 'open' }, after: { sessions: 'ended' } },
        });
      }).then(() => state(who)),
  };
}
export type DeviceService = ReturnType<typeof createDeviceService>;

/** Most browsers name others besides: the first that is found is the one. */
const BROWSERS = ['Firefox', 'Edg', 'Chrome', 'Safari'] as const;
const SYSTEMS = ['iPad', 'iPhone', 'Android', 'Windows', 'Mac OS', 'Linux'] as const;
/** What a browser says that it is, in a word or two. */
export function agentName(header: string | undefined): string {
  const text = header ?? '';
  const browser = BROWSERS.find((name) => text.includes(name))?.replace('Edg', 'Edge') ?? '';
  const system = SYSTEMS.find((name) => text.includes(name));
  return [browser, system && `on ${system}`].filter(Boolean).join(' ');
}
