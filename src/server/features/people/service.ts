import { and, eq, ne } from 'drizzle-orm';
import type { z } from 'zod';
import { FIRST_VOCABULARY } from '#core/teas';
import { addPerson, changePerson, type Person, secretFault } from '#contracts/people';
import {
  beginHouse,
  type House,
  type OwnUnits,
  type Session,
  signIn,
  type Site,
  type SiteFields,
} from '#contracts/sites';
import { inTransaction } from '../../db/inTransaction';
import type { Tx } from '../../db/pool';
import { house, people, personSites, sessions, sites } from '../../db/schema';
import type { Deps } from '../../deps';
import { AppError, invalid, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { recordChange } from '../history';
import { addressKey, countTry, forgetMisses, personKey, waitNext } from './delay';
import { verificationGate } from './gate';
import {
  allPeople,
  allSites,
  namesAt,
  sessionByHash,
  siteById,
  siteIdsOf,
  unitsOf,
} from './queries';
import { hashSecret, newToken, secretMatches, tokenHash } from './secrets';

const SESSION_DAYS = 30;
type SignedIn = { token: string; session: Session };

/** A lead looks across; everybody else knows of the sites they work at. */
const seenBy = (all: Site[], role: Person['role'], siteIds: readonly string[]): Site[] =>
  role === 'lead' ? all : all.filter((s) => siteIds.includes(s.id));
/** @param claimWord who begins an empty house must know it; empty: anybody may */
export function accounts({ db, now }: Deps, claimWord = '') {
  const verified = verificationGate();
  async function open(
    tx: Tx,
    person: { id: string; name: string; role: Person['role'] },
    siteId: string,
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

  return {
    /** The session of a cookie; null when there is none or it has ended. */
    async read(token: string): Promise<Signed | null> {
      const hash = tokenHash(token);
      const row = await sessionByHash(db, hash, new Date(now()));
      return row ? { ...row, tokenHash: hash } : null;
    },
    async house(who: Signed | null): Promise<House> {
      const [row] = await db.select().from(house);
      const all = row ? await allSites(db) : [];
      const site = all.find((s) => s.id === who?.siteId);
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
      };
    },
    async begin(given: z.infer<typeof beginHouse.body>): Promise<SignedIn> {
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
        return open(tx, person, given.siteId);
      });
    },
    names: (siteId: string) => namesAt(db, siteId),
    async signIn(
      { personId, siteId, secret }: z.infer<typeof signIn.body>,
      address: string,
    ): Promise<SignedIn> {
      const subjects = [personKey(personId), addressKey(address)];
      // The miss is counted first: of many tries at once none is looked at before the ones before it are counted.
      const tried = await inTransaction(db, (tx) => countTry(tx, subjects, now()));
      if (tried.wait > 0)
        throw new AppError(
          'signin.wait',
          429,
          `Too many wrong tries. Wait ${tried.wait} s, then try again.`,
          { details: { wait: tried.wait } },
        );
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
        return open(tx, person, siteId);
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
    people: () => allPeople(db),
    async addPerson(given: z.infer<typeof addPerson.body>, who: Signed): Promise<Person> {
      const fault = secretFault(given.role, given.secret);
      if (fault) throw invalid({ secret: fault });
      const secretHash = await hashSecret(given.secret);
      const { secret: _secret, siteIds, ...person } = given;
      await inTransaction(db, async (tx) => {
        await tx.insert(people).values({ ...person, secretHash, active: true });
        await tx
          .insert(personSites)
          .values(siteIds.map((siteId) => ({ personId: person.id, siteId })));
        await recordChange(tx, {
          thing: 'person',
          id: person.id,
          before: null,
          after: { name: person.name, role: person.role },
          by: who.personId,
          now: now(),
        });
      });
      return { ...person, siteIds, active: true };
    },
    async changePerson(
      id: string,
      given: z.infer<typeof changePerson.body>,
      who: Signed,
    ): Promise<Person> {
      const before = (await allPeople(db)).find((p) => p.id === id);
      if (!before) throw notFound('That person');
      const role = given.role ?? before.role;
      if (id === who.personId && (given.active === false || role !== 'lead'))
        throw invalid({ role: 'A lead cannot put themselves out: another lead must.' });
      if (id === who.personId && given.siteIds && !given.siteIds.includes(who.siteId))
        throw invalid({
          siteIds: 'You are signed in at this site. Sign in at another site first.',
        });
      if (
        given.role &&
        given.role !== before.role &&
        (given.role === 'lead') !== (before.role === 'lead') &&
        !given.secret
      )
        throw invalid({
          secret:
            role === 'lead'
              ? 'A lead needs a passphrase of 8 letters or more.'
              : 'Set a PIN of 4 digits or more.',
        });
      if (given.secret !== undefined) {
        const fault = secretFault(role, given.secret);
        if (fault) throw invalid({ secret: fault });
      }
      const secretHash = given.secret === undefined ? undefined : await hashSecret(given.secret);
      await inTransaction(db, async (tx) => {
        // Two demotions at once: the second sees what the first left, and one lead always stays.
        const leads = await tx
          .select({ id: people.id })
          .from(people)
          .where(and(eq(people.role, 'lead'), eq(people.active, true)))
          .for('update');
        const staysLead = role === 'lead' && (given.active ?? before.active);
        if (!staysLead && !leads.some((l) => l.id !== id))
          throw invalid({ role: 'The house would have no lead left: make another lead first.' });
        await tx
          .update(people)
          .set({
            role,
            active: given.active ?? before.active,
            ...(secretHash ? { secretHash } : {}),
          })
          .where(eq(people.id, id));
        if (given.siteIds) {
          await tx.delete(personSites).where(eq(personSites.personId, id));
          await tx
            .insert(personSites)
            .values(given.siteIds.map((siteId) => ({ personId: id, siteId })));
        }
        const seen = { role: before.role, active: before.active, siteIds: before.siteIds };
        await recordChange(tx, {
          thing: 'person',
          id,
          before: seen,
          after: {
            role,
            active: given.active ?? before.active,
            siteIds: given.siteIds ?? before.siteIds,
            ...(secretHash ? { secret: 'new' } : {}),
          },
          by: who.personId,
          now: now(),
        });
        // A new secret, a new role or an end ends what was open, but for the session at hand.
        if (secretHash || given.active === false || role !== before.role)
          await tx
            .delete(sessions)
            .where(and(eq(sessions.personId, id), ne(sessions.tokenHash, who.tokenHash)));
      });
      return {
        ...before,
        role,
        active: given.active ?? before.active,
        siteIds: given.siteIds ?? before.siteIds,
      };
    },
    async addSite(given: SiteFields & { id: string }, who: Signed) {
      await inTransaction(db, async (tx) => {
        await tx.insert(sites).values(given);
        await tx.insert(personSites).values({ personId: who.personId, siteId: given.id });
        await recordChange(tx, {
          thing: 'site',
          id: given.id,
          before: null,
          after: given,
          by: who.personId,
          now: now(),
        });
      });
      return given;
    },
    changeSite: (id: string, given: SiteFields, who: Signed) =>
      inTransaction(db, async (tx) => {
        const before = await siteById(tx, id);
        if (!before) throw notFound('That site');
        await tx.update(sites).set(given).where(eq(sites.id, id));
        await recordChange(tx, {
          thing: 'site',
          id,
          before,
          after: given,
          by: who.personId,
          now: now(),
        });
        return { id, ...given };
      }),
  };
}
export type Accounts = ReturnType<typeof accounts>;
