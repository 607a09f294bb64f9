import { eq } from 'drizzle-orm';
import { pino } from 'pino';
import request from 'supertest';
import { createApp } from '../src/server/app';
import { people, sessions, signinMisses } from '../src/server/db/schema/index';
import {
  type Begun,
  begunHouse,
  cookieOf,
  type Fresh,
  freshHouse,
  from,
  newId,
  SECRETS,
  SITE,
  work,
} from './house';

describe('an empty house', () => {
  let f: Fresh;
  beforeAll(async () => {
    f = await freshHouse();
  });
  afterAll(() => f.close());
  const begin = (lead: string) => ({
    site: SITE,
    siteId: newId(),
    lead: { id: newId(), name: 'First L.', secret: lead },
  });
  test('says so, refuses a short passphrase beside its field, begins once', async () => {
    expect((await from(f.app).get('/api/house').expect(200)).body).toMatchObject({
      state: 'empty',
      sites: [],
      session: null,
    });
    expect(
      (await from(f.app).post('/api/house', begin('short')).expect(422)).body.fields,
    ).toHaveProperty(['lead.secret']);
    await from(f.app).post('/api/house', begin('long enough')).expect(200);
    expect((await from(f.app).post('/api/house', begin('long enough')).expect(409)).body.code).toBe(
      'house.notEmpty',
    );
  });
});

describe('sign-in', () => {
  let h: Begun;
  beforeEach(async () => {
    h = await begunHouse();
  });
  afterEach(() => h.close());
  const attempt = (secret: string, personId = h.ids.brewer) =>
    from(h.app).post('/api/session', { personId, siteId: h.ids.site, secret });

  test('the names tell a name and a role, nothing more', async () => {
    const { body } = await from(h.app).get(`/api/sites/${h.ids.site}/names`).expect(200);
    expect(body.people.map((p: { name: string }) => p.name).sort()).toEqual([
      'Brewer B.',
      'Lead L.',
      'Trainee T.',
    ]);
    expect(Object.keys(body.people[0]).sort()).toEqual(['id', 'lastSeen', 'name', 'role']);
  });
  test('the cookie is httpOnly and strict, only its hash is kept, secrets are Argon2id', async () => {
    const res = await attempt(SECRETS.brewer).expect(200);
    const set = String((res.headers['set-cookie'] as unknown as string[])[0]);
    expect(set).toMatch(/HttpOnly/);
    expect(set).toMatch(/SameSite=Strict/);
    const token = cookieOf(res).split('=')[1];
    expect((await h.db.select().from(sessions)).map((s) => s.tokenHash)).not.toContain(token);
    expect(
      (await h.db.select().from(people)).every((p) => p.secretHash.startsWith('$argon2id$')),
    ).toBe(true);
  });
  test('a wrong PIN says so; after five the delay grows, also for the right PIN, and runs out', async () => {
    for (let i = 1; i <= 4; i++)
      expect((await attempt('0000').expect(401)).body).toMatchObject({
        code: 'signin.wrong',
        details: { wait: 0, misses: i },
      });
    expect((await attempt('0000').expect(401)).body.details.wait).toBe(30);
    expect((await attempt(SECRETS.brewer).expect(429)).body).toMatchObject({ code: 'signin.wait' });
    h.time.ahead += 31_000;
    expect((await attempt('0000').expect(401)).body.details.wait).toBe(60);
    h.time.ahead += 61_000;
    await attempt(SECRETS.brewer).expect(200);
  });
  test('the delay is also per address, but far looser: one person’s misses leave the others alone', async () => {
    for (let i = 0; i < 5; i++) await attempt('0000').expect(401);
    await attempt('0000').expect(429);
    await attempt(SECRETS.lead, h.ids.lead).expect(200);
    // Guessing through names that are not there: sixty tries from one address, then it waits too.
    for (let i = 0; i < 60; i++)
      expect([401, 429]).toContain((await attempt('0000', newId())).status);
    expect((await attempt('0000', newId())).status).toBe(429);
  });
  test('a burst of guesses at one PIN: five are looked at, the rest are refused, and the right one among them does not help', async () => {
    const burst = [...Array.from({ length: 59 }, (_, i) => String(1000 + i)), SECRETS.brewer];
    const answers = await Promise.all(burst.map((pin) => attempt(pin)));
    const statuses = answers.map((a) => a.status);
    expect(statuses.filter((s) => s === 401).length).toBeLessThanOrEqual(5);
    expect(statuses.filter((s) => s === 429).length).toBeGreaterThanOrEqual(55);
    expect((await attempt(SECRETS.brewer)).status).toBe(429);
  });
  test('a success forgets the misses of the person and of the address', async () => {
    for (let i = 0; i < 4; i++) await attempt('0000').expect(401);
    await attempt(SECRETS.brewer).expect(200);
    expect(await h.db.select().from(signinMisses)).toEqual([]);
  });
  test.each(['1111', '1234', '98765', '0123'])(
    'the PIN %s is refused beside its field',
    async (secret) => {
      const { body } = await h.callers.lead
        .post('/api/people', {
          id: newId(),
          name: 'New N.',
          role: 'brewer',
          siteIds: [h.ids.site],
          secret,
        })
        .expect(422);
      expect(body.fields.secret).toMatch(/guessed first/);
    },
  );
  test('a passphrase of blanks is refused', async () => {
    const { body } = await h.callers.lead
      .post('/api/people', {
        id: newId(),
        name: 'New N.',
        role: 'lead',
        siteIds: [h.ids.site],
        secret: '          ',
      })
      .expect(422);
    expect(body.fields.secret).toMatch(/spaces/);
  });
  test('two leads who put each other out at once: one stays', async () => {
    const other = newId();
    await h.callers.lead
      .post('/api/people', {
        id: other,
        name: 'Other O.',
        role: 'lead',
        siteIds: [h.ids.site],
        secret: 'another passphrase',
      })
      .expect(200);
    const second = from(h.app, cookieOf(await attempt('another passphrase', other).expect(200)));
    const out = { rev: 1, role: 'brewer', secret: '2580' };
    await Promise.all([
      h.callers.lead.patch(`/api/people/${other}`, out),
      second.patch(`/api/people/${h.ids.lead}`, out),
    ]);
    const leads = (await h.db.select().from(people)).filter((p) => p.role === 'lead' && p.active);
    expect(leads.length).toBeGreaterThanOrEqual(1);
  });
  test('a device’s address is taken from a trusted proxy alone', async () => {
    const from10 = (app: typeof h.app) =>
      request(app)
        .post('/api/session')
        .set('host', 'limnos.test')
        .set('origin', 'http://limnos.test')
        .set('x-forwarded-for', '10.0.0.9')
        .send({ personId: newId(), siteId: h.ids.site, secret: '0000' });
    await from10(h.app);
    const trusting = createApp({
      work,
      db: h.db,
      now: h.now,
      log: pino({ level: 'silent' }),
      webFolder: null,
      trustedProxies: ['loopback'],
    });
    await from10(trusting);
    const addresses = (await h.db.select().from(signinMisses))
      .map((m) => m.subject)
      .filter((s) => s.startsWith('from:'));
    expect(addresses).toContain('from:10.0.0.9');
    expect(addresses).toHaveLength(2);
  });
  test('sign-out ends the session on the server', async () => {
    const cookie = cookieOf(await attempt(SECRETS.brewer).expect(200));
    await from(h.app, cookie).get('/api/bar').expect(200);
    await from(h.app, cookie).delete('/api/session', {}).expect(200);
    await from(h.app, cookie).get('/api/bar').expect(401);
  });
  test('a session ends after its time', async () => {
    h.time.ahead += 31 * 86_400_000;
    await h.callers.brewer.get('/api/bar').expect(401);
  });
  test('a write from another page is refused, with or without its origin', async () => {
    const cookie = cookieOf(await attempt(SECRETS.brewer).expect(200));
    for (const origin of ['http://elsewhere.test', 'null', undefined]) {
      const r = request(h.app)
        .delete('/api/session')
        .set('host', 'limnos.test')
        .set('cookie', cookie);
      if (origin) r.set('origin', origin);
      expect((await r.expect(403)).body.code).toBe('session.origin');
    }
    await from(h.app, cookie).get('/api/bar').expect(200);
  });
  test('a person made inactive is out at once', async () => {
    await h.callers.lead
      .patch(`/api/people/${h.ids.brewer}`, { rev: 1, active: false })
      .expect(200);
    await h.callers.brewer.get('/api/bar').expect(401);
    await attempt(SECRETS.brewer).expect(401);
  });
  test('a brewer made lead needs a passphrase; a lead cannot put themselves out', async () => {
    expect(
      (
        await h.callers.lead
          .patch(`/api/people/${h.ids.brewer}`, { rev: 1, role: 'lead' })
          .expect(422)
      ).body.fields,
    ).toHaveProperty('secret');
    await h.callers.lead.patch(`/api/people/${h.ids.lead}`, { rev: 1, active: false }).expect(422);
    expect((await h.db.select().from(people).where(eq(people.id, h.ids.lead)))[0]?.active).toBe(
      true,
    );
  });
  test('a PIN of three digits is refused beside its field', async () => {
    const { body } = await h.callers.lead
      .post('/api/people', {
        id: newId(),
        name: 'Short S.',
        role: 'brewer',
        siteIds: [h.ids.site],
        secret: '123',
      })
      .expect(422);
    expect(body.fields.secret).toMatch(/4/);
  });
});
