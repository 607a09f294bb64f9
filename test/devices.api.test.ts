import type { Device, OpenSession } from '../src/contracts/devices';
import { type Begun, begunHouse, brewBody, cookieOf, from, newId, SECRETS } from './house';

let h: Begun;
beforeEach(async () => {
  h = await begunHouse();
});
afterEach(() => h.close());

const add = async (name = 'Left tablet') => {
  const id = newId();
  const made = await h.callers.lead
    .post('/api/devices', { id, siteId: h.ids.site, name })
    .expect(200);
  return { id, code: made.body.code as string, device: made.body.device as Device };
};
/** The device's cookie, of the answer that paired it. */
const pairedBy = async (code: string): Promise<string> =>
  cookieOf(await from(h.app).post('/api/pair', { code }).expect(200));
const signIn = (role: 'lead' | 'brewer' | 'trainee', cookie = '') =>
  from(h.app, cookie).post('/api/session', {
    personId: h.ids[role],
    siteId: h.ids.site,
    secret: SECRETS[role],
  });
const listed = async (): Promise<{ devices: Device[]; sessions: OpenSession[] }> =>
  (await h.callers.lead.get('/api/devices').expect(200)).body;

describe('pairing', () => {
  test('a code opens once, for a quarter of an hour; the device is known by its name from then on', async () => {
    const { id, code, device } = await add();
    expect(device).toMatchObject({ name: 'Left tablet', paired: null, revoked: null });
    expect(code).toMatch(/^[A-HJ-NP-Z2-9]{4}-[A-HJ-NP-Z2-9]{4}$/);
    // As it is read out: small letters, no dash.
    const cookie = await pairedBy(code.toLowerCase().replace('-', ' '));
    expect((await from(h.app, cookie).get('/api/house').expect(200)).body.device).toEqual({
      name: 'Left tablet',
      siteId: h.ids.site,
      revoked: false,
    });
    expect((await from(h.app).post('/api/pair', { code }).expect(404)).body.code).toBe(
      'device.code',
    );
    const { devices } = await listed();
    expect(devices).toEqual([
      expect.objectContaining({ id, paired: expect.any(Number), codeUntil: null }),
    ]);
    const late = await add('Late tablet');
    h.time.ahead += 15 * 60_000 + 1000;
    await from(h.app).post('/api/pair', { code: late.code }).expect(404);
  });
  test('the same device added twice has one record, and its code is said once', async () => {
    const id = newId();
    const body = { id, siteId: h.ids.site, name: 'Left tablet' };
    expect((await h.callers.lead.post('/api/devices', body).expect(200)).body.code).not.toBeNull();
    expect((await h.callers.lead.post('/api/devices', body).expect(200)).body.code).toBeNull();
    expect((await listed()).devices).toHaveLength(1);
  });
  test('a new code ends the one before; guessing is slowed by address', async () => {
    const { id, code } = await add();
    const codeId = newId();
    const renew = () => h.callers.lead.post(`/api/devices/${id}/code`, { codeId }).expect(200);
    const again = (await renew()).body.code;
    expect((await renew()).body.code).toBeNull();
    await from(h.app).post('/api/pair', { code }).expect(404);
    await pairedBy(again);
    let refused = 0;
    for (let i = 0; i < 70 && refused === 0; i++)
      if ((await from(h.app).post('/api/pair', { code: 'AAAA-AAAA' })).status === 429) refused = i;
    expect(refused).toBeGreaterThan(50);
  });
  test('renamed: the device hears its new name', async () => {
    const { id, code } = await add();
    const cookie = await pairedBy(code);
    await h.callers.lead.patch(`/api/devices/${id}`, { name: 'By the window' }).expect(200);
    expect((await from(h.app, cookie).get('/api/house')).body.device.name).toBe('By the window');
    await h.callers.lead.patch(`/api/devices/${id}`, { name: ' ' }).expect(422);
  });
});

describe('a lost tablet', () => {
  test('taken out: its sessions end at once, nobody but a lead signs in there, until it is paired again', async () => {
    const { id, code } = await add();
    const device = await pairedBy(code);
    const session = cookieOf(await signIn('brewer', device).expect(200));
    const tablet = from(h.app, `${device}; ${session}`);
    await tablet.get('/api/bar').expect(200);
    await h.callers.lead.post(`/api/devices/${id}/revoke`, {}).expect(200);
    const again = (await h.callers.lead.post(`/api/devices/${id}/revoke`, {}).expect(200)).body;
    expect(again.revoked).toEqual(expect.any(Number));
    await tablet.get('/api/bar').expect(401);
    expect((await tablet.get('/api/house')).body).toMatchObject({
      session: null,
      device: { revoked: true },
    });
    expect((await signIn('brewer', device).expect(403)).body.code).toBe('device.revoked');
    await signIn('lead', device).expect(200);
    // Elsewhere the same person signs in as ever.
    await signIn('brewer').expect(200);

    const fresh = (
      await h.callers.lead.post(`/api/devices/${id}/code`, { codeId: newId() }).expect(200)
    ).body.code;
    const paired = await pairedBy(fresh);
    await signIn('brewer', paired).expect(200);
    // What the tablet had before opens nothing, though it is in again.
    expect((await from(h.app, device).get('/api/house')).body.device).toBeNull();
  });
  test('what it had not sent is sent later in its own person’s name', async () => {
    const { id, code } = await add();
    const session = cookieOf(await signIn('brewer', await pairedBy(code)).expect(200));
    const brew = brewBody(h);
    await h.callers.lead.post(`/api/devices/${id}/revoke`, {}).expect(200);
    const write = (cookie: string) =>
      from(h.app, cookie).post('/api/brews', brew).set('x-limnos-person', h.ids.brewer);
    expect((await write(session)).status).toBe(401);
    const fresh = (
      await h.callers.lead.post(`/api/devices/${id}/code`, { codeId: newId() }).expect(200)
    ).body.code;
    const device = await pairedBy(fresh);
    const trainee = cookieOf(await signIn('trainee', device).expect(200));
    expect((await write(trainee)).body.code).toBe('session.other');
    const own = cookieOf(await signIn('brewer', device).expect(200));
    expect((await write(own)).status).toBe(200);
    const { body } = await h.callers.lead.get(`/api/brews/${brew.id}`).expect(200);
    expect(body.brew.startedBy.id).toBe(h.ids.brewer);
  });
});

describe('sessions', () => {
  test('each with its device and place; one ended, one person’s, everybody’s but the one that asks', async () => {
    const { code } = await add();
    const device = await pairedBy(code);
    const tablet = cookieOf(await signIn('brewer', device).expect(200));
    const phone = cookieOf(
      await signIn('brewer').set('user-agent', 'Mozilla/5.0 (iPhone) Safari/605').expect(200),
    );
    const { sessions } = await listed();
    const theirs = sessions.filter((s) => s.person.id === h.ids.brewer);
    expect(theirs.map((s) => [s.device, s.paired])).toEqual(
      expect.arrayContaining([
        ['Left tablet', true],
        ['Safari on iPhone', false],
      ]),
    );
    expect(sessions.filter((s) => s.mine).map((s) => s.person.id)).toEqual([h.ids.lead]);
    const onPhone = theirs.find((s) => s.device === 'Safari on iPhone');
    await h.callers.lead.delete(`/api/sessions/${onPhone?.id}`).expect(200);
    await from(h.app, phone).get('/api/bar').expect(401);
    await from(h.app, tablet).get('/api/bar').expect(200);
    await h.callers.lead.post('/api/sessions/end', { personId: h.ids.brewer }).expect(200);
    await from(h.app, tablet).get('/api/bar').expect(401);
    await h.callers.trainee.get('/api/bar').expect(200);
    const left = (await h.callers.lead.post('/api/sessions/end', { personId: null }).expect(200))
      .body.sessions as OpenSession[];
    expect(left.map((s) => s.mine)).toEqual([true]);
    await h.callers.trainee.get('/api/bar').expect(401);
    await h.callers.lead.get('/api/bar').expect(200);
  });
  test('a locked tablet is said to be one, and stays when everybody else’s sessions end', async () => {
    await h.callers.trainee.post('/api/session/lock', { device: 'Counter tablet' }).expect(200);
    const locked = (await listed()).sessions.find((s) => s.locked);
    expect(locked).toMatchObject({ device: 'Counter tablet', mine: false });
    await h.callers.lead.post('/api/sessions/end', { personId: null }).expect(200);
    await h.callers.trainee.get('/api/bar').expect(200);
  });
  test('when a session asked last is kept to the minute', async () => {
    const seenOf = async () =>
      (await listed()).sessions.find((s) => s.person.id === h.ids.brewer)?.seen ?? 0;
    const before = await seenOf();
    h.time.ahead += 120_000;
    await h.callers.brewer.get('/api/bar').expect(200);
    expect((await seenOf()) - before).toBeGreaterThanOrEqual(110_000);
  });
});
