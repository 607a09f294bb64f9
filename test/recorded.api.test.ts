import { and, eq } from 'drizzle-orm';
import sharp from 'sharp';
import { ALL_RIGHT } from '#core/corrections';
import { seeded } from '#core/numeric';
import { sampleDrillCup } from '#core/testing';
import { BREWER_SKILLS, drawOrder, USUAL_COURSES } from '#core/training';
import type { Brew } from '../src/contracts/brews';
import { ROUTES } from '../src/contracts/routes';
import { startingRecipe } from '../src/core/recipes/index';
import { changes, feed, leadNotes } from '../src/server/db/schema';
import {
  type Begun,
  begunHouse,
  BITTER_PROPOSAL,
  brewBody,
  newId,
  PLAIN_TEA,
  POT,
  SECRETS,
  SITE,
} from './house';

// What a lead writes is recorded and told to every page, in the transaction of the write itself.

let h: Begun;
beforeEach(async () => {
  h = await begunHouse();
});
afterEach(() => h.close());

const KETTLE = {
  name: 'Tall kettle',
  kind: 'kettle',
  volume: 1200,
  material: 'stainless',
  lid: true,
  setPoints: null,
  note: '',
};
const LOT = {
  name: 'Lot 1',
  arrived: null,
  bestBefore: null,
  harvest: '',
  note: '',
  state: 'new',
  weighing: null,
  versionId: null,
};
const SPOON = { name: 'green scoop', ml: 18, heaped: false };
const TEA = { name: 'Sennet Hollow', style: 'green-pan', method: 'pot', weighing: null };
const post = (path: string, body: object) => h.callers.lead.post(path, body);
const patch = (path: string, body: object) => h.callers.lead.patch(path, body);
const version = (over: object = {}) => ({
  id: newId(),
  method: 'pot',
  recipe: startingRecipe('black-whole'),
  reason: 'Sooner',
  as: 'draft',
  basedOn: 1,
  settles: [],
  ...over,
});
const spoonFile = () => ({
  name: 'words.json',
  text: JSON.stringify({
    format: 'limnos-book',
    version: 1,
    vocabulary: ['malt', 'honey'],
    spoons: [],
    teas: [],
    vessels: [],
  }),
  table: null,
  answers: {},
});
const photo = () =>
  sharp({ create: { width: 40, height: 40, channels: 3, background: '#3a2a18' } })
    .jpeg()
    .toBuffer();

const newPrinter = () => ({
  ...{ id: newId(), siteId: h.ids.site, name: 'Counter printer', language: 'zpl' },
  ...{ host: '127.0.0.1', port: 9, dots: 8 },
});
const newDevice = async (): Promise<string> => {
  const id = newId();
  await post('/api/devices', { id, siteId: h.ids.site, name: 'Left tablet' }).expect(200);
  return id;
};

type Send = () => PromiseLike<{ status: number }>;
/** Each write, after what it needs; the second sending is the same request again. */
const WRITES: Partial<Record<keyof typeof ROUTES, () => Promise<Send> | Send>> = {
  addTea: () => {
    const body = {
      ...PLAIN_TEA,
      ...TEA,
      id: newId(),
      spoon: 'dessertSpoon',
      versionId: newId(),
      recipe: startingRecipe('black-whole'),
    };
    return () => post('/api/teas', body);
  },
  changeTea: () => {
    const body = { ...PLAIN_TEA, ...TEA, spoon: 'dessertSpoon', rev: 1, retired: false };
    return () => patch(`/api/teas/${h.ids.tea}`, body);
  },
  addVersion: () => {
    const body = version();
    return () => post(`/api/teas/${h.ids.tea}/versions`, body);
  },
  moveVersion: async () => {
    const body = version();
    await post(`/api/teas/${h.ids.tea}/versions`, body).expect(200);
    return () => post(`/api/versions/${body.id}/state`, { to: 'house' });
  },
  setSiteRecipe: async () => {
    const body = { ...version(), as: 'draft' };
    await post(`/api/teas/${h.ids.tea}/versions`, body).expect(200);
    const own = { versionId: body.id, why: 'water', words: 'Soft water here.' };
    return () =>
      post(`/api/teas/${h.ids.tea}/site-recipe`, { siteId: h.ids.site, method: 'pot', own });
  },
  addLot: () => {
    const body = { ...LOT, id: newId() };
    return () => post(`/api/teas/${h.ids.tea}/lots`, body);
  },
  changeLot: async () => {
    const id = newId();
    await post(`/api/teas/${h.ids.tea}/lots`, { ...LOT, id }).expect(200);
    return () => patch(`/api/lots/${id}`, { ...LOT, state: 'inUse', rev: 1 });
  },
  setSchool: () => () =>
    patch('/api/training/school', {
      ...{ courses: { ...USUAL_COURSES, cold: [] }, brewerSkills: ['heat'] },
    }),
  setVocabulary: () => () => patch('/api/vocabulary', { words: ['malt'] }),
  settleNote: async () => {
    const brew = brewBody(h);
    await h.callers.brewer.post('/api/brews', brew).expect(200);
    const id = newId();
    await h.db.insert(leadNotes).values({
      id,
      teaId: h.ids.tea,
      brewId: brew.id,
      personId: h.ids.brewer,
      at: new Date(h.now()),
      headline: 'A little bitter',
      change: '',
      found: '',
    });
    return () => post(`/api/notes/${id}/settle`, {});
  },
  leaveOut: async () => {
    const at = h.now() - 3_600_000;
    const { body } = await h.callers.brewer.post('/api/brews', brewBody(h, { at })).expect(200);
    const { id, plan } = body as Brew;
    const event = (what: object) =>
      h.callers.brewer.post(`/api/brews/${id}/events`, { id: newId(), ...what }).expect(200);
    const pulled = at + 1000 * plan.recipe.window.best;
    await event({ kind: 'pull', at: pulled });
    await event({
      ...{ kind: 'judge', at: pulled + 60_000, verdict: ALL_RIGHT },
      ...{ proposal: BITTER_PROPOSAL, accepted: false, remark: '' },
    });
    return () => patch(`/api/brews/${id}/advice`, { why: 'milk in the cup' });
  },
  setPhoto: async () => {
    const [id, bytes] = [newId(), await photo()];
    return () => post(`/api/teas/${h.ids.tea}/photo?id=${id}`, bytes);
  },
  dropPhoto: async () => {
    await post(`/api/teas/${h.ids.tea}/photo?id=${newId()}`, await photo()).expect(200);
    return () => h.callers.lead.delete(`/api/teas/${h.ids.tea}/photo`);
  },
  priceLot: async () => {
    const id = newId();
    await post(`/api/teas/${h.ids.tea}/lots`, { id, ...LOT }).expect(200);
    return () => patch(`/api/lots/${id}/price`, { price: { per100g: 7.5, currency: 'EUR' } });
  },
  setSwatches: () => {
    const swatches = {
      depthCm: 3,
      rungs: [90, 180].map((seconds) => ({ seconds, lab: [70, 20, 50] })),
    };
    return () => post(`/api/teas/${h.ids.tea}/swatches`, { swatches });
  },
  runImport: () => {
    const body = { id: newId(), ...spoonFile() };
    return () => post('/api/exchange/imports', body);
  },
  undoImport: async () => {
    const id = newId();
    await post('/api/exchange/imports', { id, ...spoonFile() }).expect(200);
    return () => post(`/api/exchange/imports/${id}/undo`, {});
  },
  addSite: () => {
    const body = { ...SITE, id: newId(), name: 'Second room' };
    return () => post('/api/sites', body);
  },
  changeSite: () => () => patch(`/api/sites/${h.ids.site}`, { ...SITE, altitudeM: 20, rev: 1 }),
  addSpoon: () => {
    const body = { id: newId(), ...SPOON };
    return () => post('/api/spoons', body);
  },
  changeSpoon: async () => {
    const id = newId();
    await post('/api/spoons', { id, ...SPOON }).expect(200);
    return () => patch(`/api/spoons/${id}`, { ...SPOON, ml: 20, rev: 1, retired: false });
  },
  addKettle: () => {
    const body = { ...KETTLE, id: newId(), siteId: h.ids.site };
    return () => post('/api/kettles', body);
  },
  changeKettle: async () => {
    const id = newId();
    await post('/api/kettles', { ...KETTLE, id, siteId: h.ids.site }).expect(200);
    return () => patch(`/api/kettles/${id}`, { ...KETTLE, volume: 900, rev: 1, retired: false });
  },
  dropReading: async () => {
    const [id, reading] = [newId(), newId()];
    await post('/api/kettles', { ...KETTLE, id, siteId: h.ids.site }).expect(200);
    await post(`/api/kettles/${id}/readings`, {
      id: reading,
      kind: 'cooling',
      boil: newId(),
      seconds: 60,
      celsius: 95,
      kettleCelsius: null,
      water: 800,
      ambient: 20,
      simulated: false,
      at: h.now(),
    }).expect(200);
    return () => h.callers.lead.delete(`/api/kettles/${id}/readings/${reading}`);
  },
  addPerson: () => {
    const body = {
      id: newId(),
      name: 'New N.',
      role: 'brewer',
      siteIds: [h.ids.site],
      secret: '2580',
    };
    return () => post('/api/people', body);
  },
  changePerson: () => () =>
    patch(`/api/people/${h.ids.brewer}`, { rev: 1, role: 'trainee', active: true }),
  answerFridgeGap: () => {
    const [to, reason] = [h.now(), 'power was on'];
    const body = { id: newId(), siteId: h.ids.site, from: to - 3_600_000, to, reason };
    return () => post('/api/fridge-gaps', body);
  },
  takeFridgeReadings: () => {
    const text = 'at,celsius\r\n2026-01-05T08:00:00Z,4.2\r\n';
    const body = { siteId: h.ids.site, text, confirmed: true };
    return () => post('/api/fridge-readings/file', body);
  },
  takeColdRecord: () => {
    const temperatures = [{ at: '2026-01-05T08:00:00Z', celsius: 4.2 }];
    const body = {
      siteId: h.ids.site,
      text: JSON.stringify({ begun: [], temperatures }),
      confirmed: true,
    };
    return () => post('/api/cold/record', body);
  },
  makeBrewer: async () => {
    for (const skill of BREWER_SKILLS) {
      const sign = { id: newId(), siteId: h.ids.site, personId: h.ids.trainee, skill };
      const signed = { ...sign, kind: 'signed', until: null, note: '' };
      await post('/api/training/signs', signed).expect(200);
    }
    return () => post(`/api/training/people/${h.ids.trainee}/brewer`, {});
  },
  removeTraining: async () => {
    const sign = { id: newId(), siteId: h.ids.site, personId: h.ids.trainee, skill: 'see' };
    const signed = { ...sign, kind: 'signed', until: null, note: '' };
    await post('/api/training/signs', signed).expect(200);
    await patch(`/api/people/${h.ids.trainee}`, { rev: 1, active: false }).expect(200);
    return () => h.callers.lead.delete(`/api/training/people/${h.ids.trainee}`);
  },
  settleDispute: async () => {
    const given = drawOrder([sampleDrillCup()], 1, seeded(1));
    const id = newId();
    const task = { drill: 'order', given, answer: { letters: [...given.shuffle.keys()] } };
    const answer = { id, siteId: h.ids.site, at: h.now(), task, seed: 1, ms: 1000 };
    const { trainee } = h.callers;
    await trainee.post('/api/training/answers', answer).expect(200);
    await trainee.post(`/api/training/answers/${id}/dispute`, {}).expect(200);
    return () => post(`/api/training/answers/${id}/settle`, { isWrong: true });
  },
  addProbe: () => {
    const body = { id: newId(), siteId: h.ids.site, name: 'Back of the fridge' };
    return () => post('/api/probes', body);
  },
  endProbe: async () => {
    const id = newId();
    await post('/api/probes', { id, siteId: h.ids.site, name: 'Door' }).expect(200);
    return () => post(`/api/probes/${id}/end`, {});
  },
  renewCalendar: () => {
    const body = { id: newId(), siteId: h.ids.site };
    return () => post('/api/calendar', body);
  },
  addProgram: () => {
    const body = {
      ...{ id: newId(), siteId: h.ids.site, name: 'Till', hook: null },
      rights: ['orders'],
    };
    return () => post('/api/programs', body);
  },
  endProgram: async () => {
    const id = newId();
    const body = { id, siteId: h.ids.site, name: 'Till', hook: null, rights: ['book'] };
    await post('/api/programs', body).expect(200);
    return () => post(`/api/programs/${id}/end`, {});
  },
  addPrinter: () => {
    const body = newPrinter();
    return () => post('/api/printers', body);
  },
  removePrinter: async () => {
    const body = newPrinter();
    await post('/api/printers', body).expect(200);
    return () => h.callers.lead.delete(`/api/printers/${body.id}`);
  },
  addDevice: () => {
    const body = { id: newId(), siteId: h.ids.site, name: 'Left tablet' };
    return () => post('/api/devices', body);
  },
  renewDeviceCode: async () => {
    const [id, codeId] = [await newDevice(), newId()];
    return () => post(`/api/devices/${id}/code`, { codeId });
  },
  changeDevice: async () => {
    const id = await newDevice();
    return () => patch(`/api/devices/${id}`, { name: 'By the door' });
  },
  revokeDevice: async () => {
    const id = await newDevice();
    return () => post(`/api/devices/${id}/revoke`, {});
  },
  endSession: async () => {
    const { sessions } = (await h.callers.lead.get('/api/devices').expect(200)).body;
    const theirs = sessions.find((s: { mine: boolean }) => !s.mine);
    return () => h.callers.lead.delete(`/api/sessions/${theirs.id}`);
  },
  endSessions: () => () => post('/api/sessions/end', { personId: h.ids.brewer }),
  setBackupPlan: () => () =>
    patch('/api/backups/plan', { time: '03:00', zone: 'UTC', days: 3, weeks: 2, months: 1 }),
  addVessel: () => {
    const body = { ...POT, id: newId(), siteId: h.ids.site };
    return () => post('/api/vessels', body);
  },
  changeVessel: () => () =>
    patch(`/api/vessels/${h.ids.pot}`, { ...POT, mark: 480, rev: 1, retired: false }),
};
/** A lead's write that others may do in part: anybody drafts a recipe. */
const OTHERS_TOO = ['addVersion'];
/** Nothing is written by two; the others need cups that were tasted, and are looked at with those. */
const NOT_HERE = ['previewImport', 'makeBackup', 'useFit', 'moveFit'];

test('every write of a lead is here', () => {
  const written = Object.entries(ROUTES)
    .filter(([name, r]) => r.access === 'lead' || OTHERS_TOO.includes(name))
    .filter(([, r]) => (r.method as string) !== 'GET')
    .map(([name]) => name);
  expect([...Object.keys(WRITES), ...NOT_HERE].sort()).toEqual(written.sort());
});

const kept = async () => ({
  changes: (await h.db.select().from(changes)).length,
  told: (
    await h.db
      .select()
      .from(feed)
      .where(and(eq(feed.siteId, h.ids.site), eq(feed.kind, 'records')))
  ).length,
});
describe.each(Object.entries(WRITES))('%s', (_name, prepare) => {
  test('is recorded and told once; sent again, it does nothing more', async () => {
    const send = await prepare();
    const before = await kept();
    expect((await send()).status).toBe(200);
    const after = await kept();
    expect(after.changes).toBeGreaterThan(before.changes);
    expect(after.told).toBe(before.told + 1);
    // The same request again: answered alike, or refused because the record has moved on.
    expect([200, 409]).toContain((await send()).status);
    expect(await kept()).toEqual(after);
  });
});

test('a change that cannot be recorded is not made', async () => {
  await h.pool.query('rename table changes to changes_away');
  expect((await patch(`/api/sites/${h.ids.site}`, { ...SITE, altitudeM: 99, rev: 1 })).status).toBe(
    500,
  );
  await h.pool.query('rename table changes_away to changes');
  const site = (await h.callers.lead.get('/api/house').expect(200)).body.session.site;
  expect([site.altitudeM, site.rev]).toEqual([SITE.altitudeM, 1]);
});
test.each([
  ['a site', () => `/api/sites/${h.ids.site}`, () => ({ ...SITE, altitudeM: 300 })],
  ['a person', () => `/api/people/${h.ids.brewer}`, () => ({ secret: '8642' })],
])('two leads change %s at once: the second is told, and loses nothing', async (_, path, body) => {
  const other = newId();
  await post('/api/people', {
    id: other,
    name: 'Other O.',
    role: 'lead',
    siteIds: [h.ids.site],
    secret: SECRETS.lead,
  }).expect(200);
  const answers = await Promise.all([1, 2].map(() => patch(path(), { ...body(), rev: 1 })));
  expect(answers.map((a) => a.status).sort()).toEqual([200, 409]);
  const refused = answers.find((a) => a.status === 409);
  expect(refused?.body).toMatchObject({ code: 'record.changed', details: { rev: 2 } });
  // "Keep mine": the same again over what is there now.
  await patch(path(), { ...body(), rev: 2 }).expect(200);
});
