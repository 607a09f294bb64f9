import ICAL from 'ical.js';
import request from 'supertest';
import { simulatedReading } from '#core/cold';
import type { Probe } from '#contracts/probes';
import { type ColdTea, coldTea } from './coldTea';
import { type Begun, begunHouse, newId } from './house';

// The fridge by itself: a probe with its key, stretches without a reading, and the calendar of what is to be done.

const HOUR = 3_600_000;
let h: Begun;
let c: ColdTea;
beforeEach(async () => {
  h = await begunHouse();
  c = await coldTea(h);
});
afterEach(() => h.close());

const addProbe = async (id = newId()) =>
  (
    await h.callers.lead
      .post('/api/probes', { id, siteId: h.ids.site, name: 'Back of the fridge' })
      .expect(200)
  ).body as { probe: Probe; key: string | null };
/** As a thermometer sends it: no session, no page, only its key. */
const send = (key: string, body: object) =>
  request(h.app).post('/api/probe-readings').set('authorization', `Bearer ${key}`).send(body);
const probe = async () =>
  ((await h.callers.brewer.get('/api/probes').expect(200)).body as { probes: Probe[] }).probes[0];

describe('readings from a file', () => {
  const file = (lines: readonly string[]) => ['at,celsius', ...lines].join('\r\n');
  const take = (text: string, confirmed: boolean, by: keyof Begun['callers'] = 'lead') =>
    h.callers[by].post('/api/fridge-readings/file', { siteId: h.ids.site, text, confirmed });
  const iso = (hoursAgo: number) => new Date(h.now() - hoursAgo * HOUR).toISOString();
  test('looked at first; taken in once, with what was here already', async () => {
    const text = file([`${iso(3)},4.1`, `${iso(2)},"9,5"`, `${iso(3)},4.1`]);
    expect((await take(text, false).expect(200)).body).toMatchObject({
      ...{ taken: false, fresh: 2, known: 0, faultCount: 0 },
    });
    expect((await c.cold()).readings).toEqual([]);
    expect((await take(text, true).expect(200)).body).toMatchObject({ taken: true, fresh: 2 });
    expect((await take(text, true).expect(200)).body).toMatchObject({ fresh: 0, known: 2 });
    expect((await c.cold()).readings.map((r) => [r.celsius, r.source, r.by])).toEqual([
      [4.1, 'typed', 'Lead L.'],
      [9.5, 'typed', 'Lead L.'],
    ]);
  });
  test('what the record gives out comes in again as it was', async () => {
    await take(file([`${iso(5)},4.4`, `${iso(4)},5.25`]), true).expect(200);
    const query = `from=${h.now() - 24 * HOUR}&to=${h.now() + HOUR}&zone=America/St_Johns`;
    const { text } = await h.callers.lead.get(`/api/cold/temperatures.csv?${query}`).expect(200);
    expect((await take(text, true).expect(200)).body).toMatchObject({
      ...{ taken: true, fresh: 0, known: 2, faultCount: 0 },
    });
  });
  test('a fault is said by row and column, and nothing comes in', async () => {
    const later = new Date(h.now() + HOUR).toISOString();
    const bad = file([
      `${iso(2)},4`,
      '2026-02-30T08:00Z,4',
      `${iso(1)},48`,
      `${later},4`,
      `${iso(0.5)},x`,
    ]);
    const { body } = await take(bad, true).expect(200);
    expect(body).toMatchObject({ taken: false, fresh: 1, faultCount: 4 });
    expect(body.faults.map((f: { row: number; column: string }) => [f.row, f.column])).toEqual([
      [3, 'at'],
      [4, 'celsius'],
      [5, 'at'],
      [6, 'celsius'],
    ]);
    expect(body.faults[0].why).toMatch(/“2026-02-30T08:00Z” is no time/);
    for (const nothing of [
      '',
      'one column',
      'day,heat\r\n1,2',
      'at,celsius\r\n2026-02-30T25:00Z,4',
    ])
      expect((await take(nothing, true).expect(200)).body).toMatchObject({
        ...{ taken: false, fresh: 0, faultCount: 1 },
      });
    expect((await c.cold()).readings).toEqual([]);
  });
  test('only a lead takes readings in', async () => {
    await take(file([`${iso(1)},4`]), true, 'brewer').expect(403);
  });
});

describe('a probe', () => {
  test('gets a key, told once; with the key alone its readings come in and are everybody’s', async () => {
    const id = newId();
    const { key } = await addProbe(id);
    expect((await addProbe(id)).key).toBeNull();
    if (!key) throw new Error('no key');
    expect((await send(key, { celsius: 4.2 }).expect(200)).body).toEqual({
      taken: true,
      doubt: null,
    });
    expect((await c.cold()).readings).toMatchObject([
      { celsius: 4.2, source: 'probe', by: 'Back of the fridge' },
    ]);
    const heard = await probe();
    expect(heard).toMatchObject({ doubt: null, addedBy: 'Lead L.' });
    expect(h.now() - (heard?.heard ?? 0)).toBeLessThan(60_000);
  });
  test('the same time again is the same reading; a clock that is ahead is held back', async () => {
    const key = (await addProbe()).key ?? '';
    const at = h.now() - HOUR;
    for (let i = 0; i < 3; i++) await send(key, { celsius: 4, at }).expect(200);
    await send(key, { celsius: 4.1, at: h.now() + 5 * HOUR }).expect(200);
    const { readings } = await c.cold();
    expect(readings).toHaveLength(2);
    expect(readings.at(-1)?.at).toBeLessThanOrEqual(h.now() + 2000);
  });
  test('no key, a wrong one, an ended one: nothing comes in', async () => {
    const { key, probe: made } = await addProbe();
    await request(h.app).post('/api/probe-readings').send({ celsius: 4 }).expect(401);
    await send('x'.repeat(43), { celsius: 4 }).expect(401);
    await send(key ?? '', { celsius: 'cold' }).expect(422);
    await h.callers.lead.post(`/api/probes/${made.id}/end`, {}).expect(200);
    expect((await send(key ?? '', { celsius: 4 }).expect(401)).body.code).toBe('probe.key');
    expect((await c.cold()).readings).toEqual([]);
    // Nor may who is no lead make one, or end one.
    await h.callers.brewer
      .post('/api/probes', { id: newId(), siteId: h.ids.site, name: 'Mine' })
      .expect(403);
    await h.callers.brewer.post(`/api/probes/${made.id}/end`, {}).expect(403);
  });
  test('its key opens nothing else', async () => {
    const key = (await addProbe()).key ?? '';
    await request(h.app).get('/api/batches').set('authorization', `Bearer ${key}`).expect(401);
    await request(h.app)
      .post('/api/batches')
      .set('authorization', `Bearer ${key}`)
      .send({})
      .expect(403);
  });
  test('absurd or stuck: not taken, said at the probe, until it is believed again', async () => {
    const key = (await addProbe()).key ?? '';
    expect((await send(key, { celsius: 60 }).expect(200)).body).toEqual({
      taken: false,
      doubt: 'absurd',
    });
    expect(await probe()).toMatchObject({ doubt: 'absurd' });
    for (let m = 0; m <= 13 * 60; m += 60) {
      await send(key, { celsius: simulatedReading('stuck', m) }).expect(200);
      c.wait(1);
    }
    expect(await probe()).toMatchObject({ doubt: 'stuck' });
    expect((await c.cold()).readings).toHaveLength(12);
    expect((await send(key, { celsius: 4.4 }).expect(200)).body.taken).toBe(true);
    expect(await probe()).toMatchObject({ doubt: null });
  });
});

test('power cut: no reading for hours moves the end sooner; a lead’s answer moves it back, once', async () => {
  const key = (await addProbe()).key ?? '';
  const batch = await c.lifted();
  const from = h.now();
  await send(key, { celsius: 3.8 }).expect(200);
  c.wait(5);
  await send(key, { celsius: 4 }).expect(200);
  const end = async () => {
    const rows = (
      await h.callers.lead
        .get(`/api/cold/batches.json?from=${h.now() - 200 * HOUR}&to=${h.now() + HOUR}`)
        .expect(200)
    ).body as { id: string; discardAt: string }[];
    return Date.parse(rows.find((r) => r.id === batch.id)?.discardAt ?? '');
  };
  const unknown = await end();
  expect(unknown).toBeLessThan(from + 72 * HOUR);
  const answer = { id: newId(), siteId: h.ids.site, from, to: h.now(), reason: '' };
  expect(
    (await h.callers.lead.post('/api/fridge-gaps', answer).expect(422)).body.fields,
  ).toMatchObject({ reason: 'Say what you know.' });
  await h.callers.brewer.post('/api/fridge-gaps', { ...answer, reason: 'on' }).expect(403);
  for (let i = 0; i < 2; i++)
    await h.callers.lead
      .post('/api/fridge-gaps', { ...answer, reason: 'power was on' })
      .expect(200);
  expect(await end()).toBeGreaterThan(unknown);
  expect((await c.cold()).gaps).toMatchObject([{ reason: 'power was on', by: 'Lead L.' }]);
});

describe('the calendar', () => {
  const renew = async () =>
    (await h.callers.lead.post('/api/calendar', { id: newId(), siteId: h.ids.site }).expect(200))
      .body as { path: string };
  const read = async (path: string) => {
    const answer = await request(h.app).get(path).expect(200);
    const text = answer.text;
    const calendar = new ICAL.Component(ICAL.parse(text) as string);
    return {
      text,
      etag: String(answer.headers.etag),
      type: String(answer.headers['content-type']),
      calendar,
      events: calendar.getAllSubcomponents('vevent').map((e) => new ICAL.Event(e)),
    };
  };
  const statusOf = (e: ICAL.Event) => String(e.component.getFirstPropertyValue('status'));

  test('the day the water filter is due is in it, and moves when the filter is changed', async () => {
    const { path } = await renew();
    const day = (ago: number) => new Date(h.now() - ago * 86_400_000).toISOString().slice(0, 10);
    const change = (changed: string) =>
      h.callers.brewer.post(`/api/sites/${h.ids.site}/filter`, { changed }).expect(200);
    const filter = async () =>
      (await read(path)).events.find((e) => e.uid === `${h.ids.site}-filter@limnos`);
    expect(await filter()).toBeUndefined();
    await change(day(40));
    const first = await filter();
    expect(first?.summary).toBe('Change the water filter');
    // A filter is used for 60 days here.
    expect(first?.startDate.toJSDate().toISOString().slice(0, 10)).toBe(day(-20));
    await change(day(0));
    const moved = await filter();
    expect(moved?.startDate.toJSDate().toISOString().slice(0, 10)).toBe(day(-60));
    expect(moved?.sequence).toBe(1);
  });
  test('an independent parser finds lift and end of a batch, with its window, in UTC and without a name', async () => {
    const batch = await c.start();
    const { path } = await renew();
    const { text, type, calendar, events } = await read(path);
    expect(type).toBe('text/calendar; charset=utf-8');
    expect(String(calendar.getFirstPropertyValue('refresh-interval'))).toBe('PT15M');
    expect(events.map((e) => e.uid).sort()).toEqual([
      `${batch.id}-discard@limnos`,
      `${batch.id}-lift@limnos`,
    ]);
    const lift = events.find((e) => e.uid.endsWith('-lift@limnos'));
    const { earliest, best, latest } = batch.plan.window;
    const whole = (s: number) => Math.floor((batch.leafIn + s * 1000) / 1000);
    expect(lift?.summary).toBe('Lift Kestry Pearl, Pitcher 3');
    expect(lift?.location).toBe('Test room');
    expect(lift?.startDate.toUnixTime()).toBe(whole(earliest));
    expect(lift?.endDate.toUnixTime()).toBe(whole(latest));
    const alarm = lift?.component.getFirstSubcomponent('valarm');
    const trigger = alarm?.getFirstPropertyValue('trigger') as ICAL.Time | undefined;
    expect(trigger?.toUnixTime()).toBe(whole(best));
    expect(text).not.toMatch(/Brewer B\.|Lead L\./);
    // RFC 5545: lines end in CR LF and have 75 octets at most.
    const lines = text.split('\r\n');
    expect(text.replaceAll('\r\n', '')).not.toContain('\n');
    expect(Math.max(...lines.map((l) => Buffer.byteLength(l)))).toBeLessThanOrEqual(75);
    expect(text).toMatch(/DTSTART:\d{8}T\d{6}Z/);
  });
  test('asked again it is the same to the byte; what moved is newer, what ended early is called off', async () => {
    const batch = await c.start();
    const { path } = await renew();
    const first = await read(path);
    c.wait(1);
    const again = await read(path);
    expect(again.text).toBe(first.text);
    await request(h.app).get(path).set('if-none-match', first.etag).expect(304);
    await c
      .act(batch, { kind: 'retime', from: batch.leafIn, to: batch.leafIn - 30 * 60_000 })
      .expect(200);
    const moved = (await read(path)).events.find((e) => e.uid.endsWith('-lift@limnos'));
    expect(moved?.sequence).toBe(1);
    await c.act(batch, { kind: 'discard', ml: 1000, reason: 'spilled' }).expect(200);
    const after = await read(path);
    expect(after.events.map(statusOf)).toEqual(['CANCELLED', 'CANCELLED']);
    expect(after.events.every((e) => !e.component.getFirstSubcomponent('valarm'))).toBe(true);
  });
  test('a planned batch is tentative; begun under its id it is the same entry, confirmed', async () => {
    const id = newId();
    const [start, lift] = [h.now() + 2 * HOUR, h.now() + 6 * HOUR];
    const planned = {
      ...{ id, teaId: c.ids.tea, method: 'fridge', vesselId: c.ids.pitcher },
      ...{ water: 1000, glasses: 4, start, lift, until: null, pinned: false },
    };
    await h.callers.brewer
      .patch('/api/cold/plan', { demand: [], batches: [planned], places: null, rev: 0 })
      .expect(200);
    const { path } = await renew();
    expect((await read(path)).events.map((e) => [e.uid, statusOf(e)])).toEqual([
      [`${id}-leaf-in@limnos`, 'TENTATIVE'],
      [`${id}-lift@limnos`, 'TENTATIVE'],
    ]);
    c.wait(2);
    await c.start({ id });
    const begun = (await read(path)).events;
    expect(begun.find((e) => e.uid === `${id}-lift@limnos`)).toMatchObject({ sequence: 1 });
    expect(begun.find((e) => e.uid === `${id}-leaf-in@limnos`)?.sequence).toBe(1);
  });
  test('a new address ends the one before with 410; a guessed one is not there; only a lead makes one', async () => {
    const first = await renew();
    const second = await renew();
    expect((await request(h.app).get(first.path).expect(410)).body.code).toBe('calendar.ended');
    await request(h.app).get(second.path).expect(200);
    await request(h.app)
      .get(`/calendar/${'a'.repeat(27)}.ics`)
      .expect(404);
    await h.callers.brewer.post('/api/calendar', { id: newId(), siteId: h.ids.site }).expect(403);
    const kept = JSON.stringify((await h.pool.query('select * from calendar_tokens'))[0]);
    expect(kept).not.toContain(second.path.slice('/calendar/'.length, -'.ics'.length));
  });
});
