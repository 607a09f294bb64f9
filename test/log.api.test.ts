import { Brew } from '../src/contracts/brews';
import { ALL_RIGHT } from '../src/core/corrections/index';
import { atTheBar } from './atTheBar';
import {
  type Begun,
  begunHouse,
  BITTER,
  BITTER_PROPOSAL,
  type Caller,
  newId,
  proposed,
} from './house';

let h: Begun;
beforeEach(async () => {
  h = await begunHouse();
});
afterEach(() => h.close());
const { start, event } = atTheBar(() => h);

describe('the log', () => {
  const brewed = async (over: {
    ago: number;
    steeped: number;
    verdict?: typeof BITTER;
    accepted?: boolean;
  }) => {
    const waterOn = h.now() - over.ago * 1000;
    const b = await start({ at: waterOn });
    await event(b.id, { kind: 'pull', at: waterOn + over.steeped * 1000 }).expect(200);
    await event(
      b.id,
      over.verdict
        ? {
            kind: 'judge',
            verdict: over.verdict,
            proposal: proposed(over.verdict),
            accepted: over.accepted ?? false,
            remark: '',
          }
        : { kind: 'close' },
    ).expect(200);
    return b;
  };
  test('each filter lets through what it names, and they go together', async () => {
    const early = await brewed({ ago: 9000, steeped: 100 });
    const right = await brewed({ ago: 8000, steeped: 240, verdict: ALL_RIGHT as typeof BITTER });
    const taken = await brewed({ ago: 7000, steeped: 320, verdict: BITTER, accepted: true });
    const not = await brewed({ ago: 6000, steeped: 900, verdict: BITTER });
    const ids = async (q: string) =>
      ((await h.callers.brewer.get(`/api/brews?${q}`).expect(200)).body.brews as Brew[]).map(
        (b) => b.id,
      );
    expect(await ids('pull=early')).toEqual([early.id]);
    expect(await ids('pull=forgotten')).toEqual([not.id]);
    expect(await ids('pull=outside')).toEqual([not.id, taken.id, early.id]);
    expect(await ids('correction=taken')).toEqual([taken.id]);
    expect(await ids('correction=notTaken')).toEqual([not.id]);
    expect(await ids(`vesselId=${h.ids.pot}&verdict=off`)).toEqual([not.id, taken.id]);
    expect(await ids(`vesselId=${newId()}`)).toEqual([]);
    expect(await ids('method=tastingSet')).toEqual([]);
    expect(await ids(`method=pot&from=${h.now() - 8_500_000}&to=${h.now() - 6_500_000}`)).toEqual([
      taken.id,
      right.id,
    ]);
    expect(
      await ids(
        `personId=${h.ids.brewer}&siteId=${h.ids.site}&teaId=${h.ids.tea}&verdict=right&pull=inWindow&correction=none`,
      ),
    ).toEqual([right.id]);
    await h.callers.brewer.get('/api/brews?pull=sometimes').expect(422);
    // One person's, picked out, are theirs and their lead's: on the page and as a file.
    for (const path of ['/api/brews', '/api/log/brews.csv'])
      expect(
        (await h.callers.trainee.get(`${path}?personId=${h.ids.brewer}`).expect(403)).body.message,
      ).toMatch(/for them and for their lead/);
    await h.callers.lead.get(`/api/brews?personId=${h.ids.brewer}`).expect(200);
  });
  test('a brew’s page tells what was done to it, by whom, and what was taken back', async () => {
    const b = await start();
    const step = newId();
    await event(b.id, { id: step, kind: 'step', key: 'weigh', outcome: 'done', grams: 6.3 }).expect(
      200,
    );
    await event(b.id, { kind: 'reading', celsius: 86.5 }).expect(200);
    await event(b.id, { kind: 'pull' }, h.callers.trainee).expect(200);
    const page = (await h.callers.brewer.get(`/api/brews/${b.id}`).expect(200)).body;
    expect(Brew.parse(page.brew).readings).toMatchObject([{ celsius: 86.5 }]);
    expect(
      page.events.map(
        (e: { what: { kind: string; grams?: number; celsius?: number }; by: string }) => [
          e.what.kind,
          e.what.grams ?? e.what.celsius ?? null,
          e.by,
        ],
      ),
    ).toEqual([
      ['start', null, 'Brewer B.'],
      ['step', 6.3, 'Brewer B.'],
      ['reading', 86.5, 'Brewer B.'],
      ['pull', null, 'Trainee T.'],
    ]);
  });
  test('as CSV and JSON: the filtered brews, whole; a cell that would be a formula stays a text', async () => {
    await brewed({ ago: 9000, steeped: 100 });
    // The clock runs on while the first is sent.
    const now = h.now();
    const off = await start({ at: now - 8_000_000 });
    await event(off.id, { kind: 'pull', at: now - 7_700_000 }).expect(200);
    await event(off.id, {
      kind: 'judge',
      verdict: BITTER,
      proposal: BITTER_PROPOSAL,
      accepted: false,
      remark: '=1+1, "so", said',
    }).expect(200);
    const csv = await h.callers.trainee.get('/api/log/brews.csv?verdict=off').expect(200);
    expect(csv.headers['content-type']).toMatch(/text\/csv/);
    const lines = csv.text.trim().split('\r\n');
    expect(lines).toHaveLength(2);
    expect(lines[1]).toContain(`"'=1+1, ""so"", said"`);
    const json = JSON.parse(
      (await h.callers.trainee.get('/api/log/brews.json').expect(200)).text,
    ) as { id: string; from_best_s: number }[];
    expect(json.map((r) => [r.id, Math.round(r.from_best_s)])).toEqual([
      [off.id, 60],
      [expect.any(String), -140],
    ]);
    expect(
      JSON.parse(
        (await h.callers.trainee.get(`/api/log/brews.json?vesselId=${newId()}`).expect(200)).text,
      ),
    ).toEqual([]);
  });
  test('trends: points in order with their limits; somebody’s own figures are theirs and their lead’s', async () => {
    for (let i = 0; i < 10; i++)
      await brewed({
        ago: 20_000 - i * 1000,
        steeped: i === 9 ? 290 : 240 + (i % 2) * 3,
        verdict: i === 3 ? BITTER : (ALL_RIGHT as typeof BITTER),
      });
    const get = (q: string, who: Caller = h.callers.brewer) =>
      who.get(`/api/trends?siteId=${h.ids.site}${q}`);
    const pull = (await get('').expect(200)).body;
    expect(pull.points.map((p: { value: number }) => Math.round(p.value))).toEqual([
      0, 3, 0, 3, 0, 3, 0, 3, 0, 50,
    ]);
    expect(pull.chart.outside).toEqual([9]);
    expect(pull.tables.tea).toMatchObject([{ name: 'Tolvane Amber', n: 10, judged: 10, right: 9 }]);
    expect(
      (await get('&measure=verdict').expect(200)).body.points.map(
        (p: { value: number }) => p.value,
      )[3],
    ).toBe(1);
    expect((await get(`&teaId=${newId()}`).expect(200)).body).toMatchObject({
      points: [],
      chart: null,
    });
    await get(`&personId=${h.ids.brewer}`).expect(200);
    await get(`&personId=${h.ids.brewer}`, h.callers.lead).expect(200);
    expect(
      (await get(`&personId=${h.ids.brewer}`, h.callers.trainee).expect(403)).body.message,
    ).toMatch(/for them and for their lead/);
  });
});
