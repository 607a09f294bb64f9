import { eq } from 'drizzle-orm';
import type { z } from 'zod';
import { FIRST_VOCABULARY } from '#core/teas';
import { type Person, secretFault } from '#contracts/people';
import {
  beginHouse,
  type House,
  type OwnUnits,
  type Session,
  signIn,
  type Site,
} from '#contracts/sites';
import { inTransaction } from '../../db/inTransaction';
import type { Tx } from '../../db/pool';
import { devices, house, people, personSites, sessions, sites } from '../../db/schema';
import type { Deps } from '../../deps';
import { AppError, invalid, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { addressKey, countTry, forgetMisses, personKey, tooManyTries, waitNext } from './delay';
import { deviceByToken } from './devices';
import { verificationGate } from './gate';
import { allSites, namesAt, sessionByHash, siteById, siteIdsOf, unitsOf } from './repository';
import { hashSecret, newToken, secretMatches, tokenHash } from './secrets';

const SESSION_DAYS = 30;
/** When a session asked last is noted once a minute. */
const SEEN_MS = 60_000;
/** Where somebody signs in. */
export type Where = {
  readonly address: string;
  readonly agent: string;
  readonly device: string | null;
};
type SignedIn = { token: string; session: Session };

/** A lead looks across; everybody else knows of the sites they work at. */
const seenBy = (all: Site[], role: Person['role'], siteIds: readonly string[]): Site[] =>
  role === 'lead' ? all : all.filter((s) => siteIds.includes(s.id));
/**
 * Who is signed in where.
 *
 * @param claimWord who begins an empty house must know it; empty: anybody may
 */
export function createSessionService({ db, now }: Deps, claimWord = '') {
  const verified = verificationGate();
  async function open(
    tx: Tx,
    person: { id: string; name: string; role: Person['role'] },
    siteId: string,
    on: { readonly deviceId: string | null; readonly agent: string },
  ): Promise<SignedIn> {
    const site = await siteById(tx, siteId);
    if (!site) throw notFound('That site');
    const token = newToken();
    await tx.insert(sessions).values({
      tokenHash: tokenHash(token),
      personId: person.id,
      siteId,
      begun: new Date(now()),
      expires: new Date(now() + SESSION_DAYS * 86_400_000),
      seen: new Date(now()),
      ...on,
    });
    return {
      token,
      session: {
        personId: person.id,
        name: person.name,
        role: person.role,
        site,
        sites: seenBy(
          await allSites(tx),
          person.role,
          (await siteIdsOf(tx, [person.id])).get(person.id) ?? [],
        ),
        units: await unitsOf(tx, person.id),
        lockedAs: null,
      },
    };
  }

  async function noteSeen(hash: string, deviceId: string | null): Promise<void> {
    const seen = new Date(now());
    await db.update(sessions).set({ seen }).where(eq(sessions.tokenHash, hash));
    if (deviceId !== null) await db.update(devices).set({ seen }).where(eq(devices.id, deviceId));
  }
  return {
    /** The session of a cookie; null when there is none or it has ended. */
    async read(token: string): Promise<Signed | null> {
      const hash = tokenHash(token);
      const row = await sessionByHash(db, hash, new Date(now()));
      if (!row) return null;
      const { seen, deviceId, ...session } = row;
      if (now() - (seen?.getTime() ?? 0) > SEEN_MS) await noteSeen(hash, deviceId);
      return { ...session, tokenHash: hash };
    },
    async house(who: Signed | null, deviceToken: string | null): Promise<House> {
      const [row] = await db.select().from(house);
      const all = row ? await allSites(db) : [];
      const site = all.find((s) => s.id === who?.siteId);
      const device = await deviceByToken(db, deviceToken);
      return {
        now: now(),
        state: row ? 'ready' : 'empty',
        demo: row?.demo ?? false,
        asksWord: !row && claimWord !== '',
        sites: all.map(({ id, name, altitudeM }) => ({ id, name, altitudeM })),
        session:
          who && site
            ? {
                personId: who.personId,
                name: who.name,
                role: who.role,
                site,
                sites: seenBy(all, who.role, who.siteIds),
                units: await unitsOf(db, who.personId),
                lockedAs: who.lockedAs,
              }
            : null,
        device: device && {
          name: device.name,
          siteId: device.siteId,
          revoked: device.revoked !== null,
        },
      };
    },
    async begin(given: z.infer<typeof beginHouse.body>, agent: string): Promise<SignedIn> {
      if (claimWord !== '' && given.word.toLowerCase() !== claimWord)
        throw invalid({
          word: 'This is not the start word. Read the word on the computer that runs Limnos.',
        });
      const fault = secretFault('lead', given.lead.secret);
      if (fault) throw invalid({ 'lead.secret': fault });
      const secretHash = await hashSecret(given.lead.secret);
      return inTransaction(db, async (tx) => {
        const there = await tx.select().from(house).for('update');
        if (there.length)
          throw new AppError('house.notEmpty', 409, 'This house has begun already: sign in.');
        await tx.insert(house).values({
          id: 1,
          demo: false,
          begun: new Date(now()),
          vocabulary: [...FIRST_VOCABULARY],
        });
        await tx.insert(sites).values({ id: given.siteId, ...given.site });
        const person = { id: given.lead.id, name: given.lead.name, role: 'lead' as const };
        await tx.insert(people).values({ ...person, secretHash, active: true });
        await tx.insert(personSites).values({ personId: person.id, siteId: given.siteId });
        return open(tx, person, given.siteId, { deviceId: null, agent });
      });
    },
    names: (siteId: string) => namesAt(db, siteId),
    async signIn(
      { personId, siteId, secret }: z.infer<typeof signIn.body>,
      where: Where,
    ): Promise<SignedIn> {
      const subjects = [personKey(personId), addressKey(where.address)];
      // The miss is counted first: of many tries at once none is looked at before the ones before it are counted.
      const tried = await inTransaction(db, (tx) => countTry(tx, subjects, now()));
      if (tried.wait > 0) throw tooManyTries(tried.wait);
      const [person] = await db.select().from(people).where(eq(people.id, personId));
      const at = person ? await siteIdsOf(db, [person.id]) : new Map<string, string[]>();
      const known = person?.active && at.get(person.id)?.includes(siteId);
      if (!known || !(await verified(personId, () => secretMatches(person.secretHash, secret)))) {
        const wait = waitNext(tried);
        const word = person?.role === 'lead' ? 'passphrase' : 'PIN';
        throw new AppError(
          'signin.wrong',
          401,
          wait
            ? `Not this ${word}. Wait ${wait} s before the next try.`
            : `Not this ${word}. Try again.`,
          { details: { wait, misses: tried.misses } },
        );
      }
      return inTransaction(db, async (tx) => {
        await forgetMisses(tx, subjects);
        const device = await deviceByToken(tx, where.device);
        if (device?.revoked && person.role !== 'lead')
          throw new AppError(
            'device.revoked',
            403,
            'This device was taken out of the house. A lead pairs it again: House, Devices.',
          );
        const deviceId = device && !device.revoked ? device.id : null;
        return open(tx, person, siteId, { deviceId, agent: where.agent });
      });
    },
    async signOut(who: Signed): Promise<void> {
      await db.delete(sessions).where(eq(sessions.tokenHash, who.tokenHash));
    },
    /**
     * Nobody is at the tablet any more: its session shows the bar and lets a steep be pulled, until somebody signs
     * in.
     */
    async lock(device: string, who: Signed): Promise<void> {
      if (who.lockedAs === null)
        await db
          .update(sessions)
          .set({ lockedAs: device })
          .where(eq(sessions.tokenHash, who.tokenHash));
    },
    /** What is not named stays: two picks one after the other keep both. */
    setUnits: (given: Partial<z.infer<typeof OwnUnits>>, who: Signed) =>
      inTransaction(db, async (tx) => {
        await tx
          .select({ id: people.id })
          .from(people)
          .where(eq(people.id, who.personId))
          .for('update');
        const units = {
          volume: null,
          temperature: null,
          ...(await unitsOf(tx, who.personId)),
          ...given,
        };
        await tx.update(people).set({ units }).where(eq(people.id, who.personId));
        return units;
      }),
  };
}
