import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import Ajv from 'ajv/dist/2020';
import { parse } from 'csv-parse/sync';
import type { Fault, Preview } from '../src/contracts/exchange';
import { startingRecipe } from '../src/core/recipes/index';
import { exchangeSchema } from '../src/server/features/exchange';
import {
  type Begun,
  begunHouse,
  type Caller,
  cookieOf,
  freshHouse,
  from,
  newId,
  PLAIN_TEA,
  SECRETS,
  SITE,
} from './house';

let h: Begun;
beforeEach(async () => {
  h = await begunHouse();
});
afterEach(() => h.close());

const given = (text: string, over: object = {}) => ({
  name: 'file.csv',
  text,
  table: null,
  answers: {},
  ...over,
});
const preview = async (text: string, over: object = {}, by: Caller = h.callers.lead) =>
  (await by.post('/api/exchange/preview', given(text, over)).expect(200)).body as Preview;
const bring = (text: string, over: object = {}, by: Caller = h.callers.lead) =>
  by.post('/api/exchange/imports', { id: newId(), ...given(text, over) });
const book = async (by: Caller = h.callers.lead) =>
  String((await by.get('/api/exchange/book.json').expect(200)).text);
const table = async (name: string, comma = 'point') =>
  String((await h.callers.lead.get(`/api/exchange/${name}.csv?comma=${comma}`).expect(200)).text);
const of = (p: Preview, row: number): Pick<Fault, 'column' | 'will'>[] =>
  p.faults.filter((f) => f.row === row).map(({ column, will }) => ({ column, will }));

/** A book with something of everything. */
async function fillBook() {
  const { lead } = h.callers;
  const scoop = newId();
  await lead
    .post('/api/spoons', { id: scoop, name: 'green scoop', ml: 18, heaped: true })
    .expect(200);
  await lead
    .post('/api/teas', {
      id: newId(),
      versionId: newId(),
      name: 'Kestry Pearl',
      style: 'green-scented',
      method: 'pot',
      ...PLAIN_TEA,
      packet: '1 tsp per cup; "80 °C"\n3 minutes',
      blend: 'green tea, flowers',
      leaf: { form: 'pearl', season: 'spring', traits: ['scented'] },
      colour: { lab: [88.1, -2, 24], depthCm: 2, light: 'D65' },
      weighing: { spoon: scoop, spoons: 3, weighed: 15.3, singles: [5, 5.1, 5.2] },
      spoon: scoop,
      recipe: startingRecipe('green-scented'),
    })
    .expect(200);
  await lead
    .post(`/api/teas/${h.ids.tea}/versions`, {
      id: newId(),
      method: 'pot',
      basedOn: 1,
      as: 'house',
      recipe: { ...startingRecipe('black-whole'), temperature: 86 },
      reason: 'Bitter at 90',
      settles: [],
    })
    .expect(200);
  await lead
    .post(`/api/teas/${h.ids.tea}/versions`, {
      id: newId(),
      method: 'extract',
      basedOn: 0,
      as: 'trial',
      recipe: startingRecipe('black-whole', 'extract'),
      reason: 'For summer',
      settles: [],
    })
    .expect(200);
  await lead
    .post(`/api/teas/${h.ids.tea}/lots`, {
      id: newId(),
      name: 'Lot 19',
      arrived: '2026-10-02',
      bestBefore: '2027-10-01',
      harvest: 'April',
      note: 'Brisk; “fine”',
      state: 'inUse',
      weighing: { spoon: 'dessertSpoon', spoons: 5, weighed: 12, singles: [] },
      versionId: h.ids.version,
    })
    .expect(200);
}

describe('the whole book as JSON', () => {
  test('out, in to an empty house, and out again is the same, byte for byte', async () => {
    await fillBook();
    const first = await book();
    const other = await freshHouse();
    try {
      const begun = await from(other.app)
        .post('/api/house', {
          site: SITE,
          siteId: newId(),
          lead: { id: newId(), name: 'Other O.', secret: SECRETS.lead },
        })
        .expect(200);
      const lead = from(other.app, cookieOf(begun));
      const seen = await preview(first, {}, lead);
      expect(seen).toMatchObject({
        kind: 'json',
        faults: [],
        counts: { changed: 0, same: 0, open: 0, refused: 0 },
      });
      await bring(first, {}, lead).expect(200);
      expect(await book(lead)).toBe(first);
      expect((await preview(first, {}, lead)).counts).toMatchObject({ added: 0, changed: 0 });
    } finally {
      await other.close();
    }
  });
  test('it is what its published schema says, and the schema is the one in use', async () => {
    await fillBook();
    const schema = JSON.parse(readFileSync('docs/formats/book.schema.json', 'utf8')) as object;
    expect(schema).toEqual(JSON.parse(JSON.stringify(exchangeSchema())));
    const check = new Ajv({ strict: false, formats: { uuid: true } }).compile(schema);
    expect([check(JSON.parse(await book())), check.errors]).toEqual([true, null]);
    expect(check({ ...(JSON.parse(await book()) as object), teas: [{}] })).toBe(false);
  });
  test('each bad entry is named by its place and left out; the rest goes in', async () => {
    await fillBook();
    const file = JSON.parse(await book());
    file.teas[0].words = 'changed';
    file.teas[1].style = 'blue';
    file.vessels[0].mark = 700;
    file.spoons.push({ id: newId(), name: 'ladle', ml: 9000, heaped: false, retired: false });
    const p = await preview(JSON.stringify(file));
    expect(p.faults.map((f) => [f.row, f.column])).toEqual([
      [2, 'spoons.ml'],
      [2, 'teas.style'],
      [1, 'vessels.mark'],
    ]);
    expect(p.counts).toMatchObject({ added: 0, changed: 1, refused: 3 });
    expect(p.changes).toMatchObject([{ what: 'changed', thing: 'tea', how: 'words' }]);
  });
  test('what may stand once stands once: lots in use, house versions, and nothing comes twice', async () => {
    await fillBook();
    const file = JSON.parse(await book());
    const tea = file.teas.find((t: { id: string }) => t.id === h.ids.tea);
    tea.lots.push({ ...tea.lots[0], id: newId(), name: 'Lot 20' });
    const house = tea.recipes.find(
      (r: { state: string; method: string }) => r.state === 'house' && r.method === 'pot',
    );
    tea.recipes.push({ ...house, id: newId(), number: 7 }, { ...house, id: newId(), number: 8 });
    file.vessels.push(file.vessels[0]);
    const p = await preview(JSON.stringify(file));
    expect(p.faults.map((f) => [f.column, f.why])).toEqual([
      ['teas.lots.state', expect.stringMatching(/one is at a time/)],
      ['vessels.id', 'It is in the file twice.'],
    ]);
    expect(p.changes.map((c) => c.how)).toEqual(['version 7, trial', 'version 8, draft']);
    await bring(JSON.stringify(file)).expect(200);
    const [, now] = (await h.callers.lead.get('/api/book').expect(200)).body.teas;
    expect([
      now.house.number,
      now.trial.number,
      now.lots.filter((l: { state: string }) => l.state === 'inUse').length,
    ]).toEqual([2, 7, 1]);
  });
  test('a version that is here is never changed by a file', async () => {
    const file = JSON.parse(await book());
    file.teas[0].recipes[0].recipe.dose = 9;
    expect((await preview(JSON.stringify(file))).faults).toMatchObject([
      { why: expect.stringMatching(/never changed/), will: 'refused' },
    ]);
  });
});

describe('tables', () => {
  test('every table goes out as CSV and comes back as the same, with points or commas', async () => {
    await fillBook();
    for (const comma of ['point', 'comma'])
      for (const name of ['teas', 'lots', 'recipes', 'vessels']) {
        const text = await table(name, comma);
        const p = await preview(text);
        expect([comma, name, p.kind, p.faults, p.counts.added, p.counts.changed]).toEqual([
          comma,
          name,
          name,
          [],
          0,
          0,
        ]);
        expect(p.rows).toBe(
          parse(text, { bom: true, columns: true, delimiter: comma === 'comma' ? ';' : ',' })
            .length,
        );
      }
  });
  test('an independent reader finds quotes, line breaks and umlauts where they were', async () => {
    await fillBook();
    const text = await table('teas');
    const kestry = (parse(text, { bom: true, columns: true }) as Record<string, string>[]).find(
      (r) => r.tea === 'Kestry Pearl',
    );
    expect(kestry).toMatchObject({
      packet: '1 tsp per cup; "80 °C"\n3 minutes',
      form: 'pearls',
      spoon: 'green scoop',
      'weighed (g)': '15.3',
    });
    const python = spawnSync(
      'python3',
      [
        '-c',
        'import csv,sys,io;print([r["packet"] for r in csv.DictReader(io.StringIO(sys.stdin.buffer.read().decode("utf-8-sig"),newline=""))if r["tea"]=="Kestry Pearl"][0])',
      ],
      { input: text, encoding: 'utf8' },
    );
    // Python's own reader agrees, where there is a Python.
    if (!python.error) expect(python.stdout.trimEnd()).toBe('1 tsp per cup; "80 °C"\n3 minutes');
  });
  test('recipes: units beside the number or in the header, decimal commas, spoons, Fahrenheit; a changed one becomes a trial', async () => {
    await fillBook();
    const text =
      'tea;method;leaf;water (fl oz);heat;best\nTolvane Amber;pot;7,1 g;16.9;208;3,30\nKestry Pearl;;2 tsp;10;82 C;3:00\n';
    const p = await preview(text);
    expect(p.found).toMatch(/2 rows, semicolons, decimal comma/);
    expect(p.faults).toMatchObject([
      { row: 2, column: 'heat', as: 'read as 98 °C' },
      { row: 2, column: 'best', as: 'read as 3:30' },
      { row: 3, column: 'leaf', as: 'read as 2.8 g' },
    ]);
    expect(p.counts).toEqual({ added: 0, changed: 2, same: 0, open: 0, refused: 0 });
    await bring(text).expect(200);
    const teas = (await h.callers.lead.get('/api/book').expect(200)).body.teas;
    // 7.1 g in 16.9 US fl oz, 499.8 ml: 1.421 g per 100 ml.
    expect(teas.find((t: { name: string }) => t.name === 'Tolvane Amber').trial).toMatchObject({
      number: 3,
      state: 'trial',
      recipe: { dose: 1.421, temperature: 97.8, window: { best: 210 } },
    });
    expect(teas.find((t: { name: string }) => t.name === 'Tolvane Amber').house.number).toBe(2);
  });
  test('what is open waits for its answer: a spoon of either kind, a tea nearly named', async () => {
    await fillBook();
    const text =
      'tea,leaf,water,heat,best\nKestry Pearl,1 tbs,300 ml,82,3:00\nTolvane Ambr,6 g,500 ml,90,4:00\n';
    const p = await preview(text);
    expect(p.faults.map((f) => [f.row, f.column, f.will, f.answers.map((a) => a.words)])).toEqual([
      [2, 'leaf', 'open', ['Teaspoon, 1.4 g', 'Tablespoon, 4.3 g']],
      [3, 'tea', 'open', ['Tolvane Amber']],
    ]);
    expect(p.counts).toMatchObject({ changed: 0, open: 2 });
    const answered = await preview(text, { answers: { '2:leaf': '4.3 g', '3:tea': '' } });
    expect([answered.faults, answered.counts.changed]).toEqual([[], 1]);
  });
  test.each<[string, string, [number, string][]]>([
    [
      'times out of order',
      'tea,dose,heat,earliest,best,latest\nTolvane Amber,1.2,90,5:00,4:00,3:00',
      [
        [2, 'earliest'],
        [2, 'latest'],
      ],
    ],
    ['heat over boiling', 'tea,dose,heat,best\nTolvane Amber,1.2,240 F,4:00', [[2, 'heat']]],
    ['a tea that is not there', 'tea,dose,heat,best\nNobody’s Leaf,1.2,90,4:00', [[2, 'tea']]],
    [
      'one tea twice',
      'tea,dose,heat,best\nTolvane Amber,1.2,90,4:00\nTolvane Amber,1.3,90,4:00',
      [[3, 'tea']],
    ],
    [
      'no number',
      'tea,dose,heat,best\nTolvane Amber,some,hot,soon',
      [
        [2, 'dose'],
        [2, 'heat'],
        [2, 'best'],
      ],
    ],
    [
      'a blend that names no allergen',
      'tea,style,blend,allergens\nOrchard Nut,"black, whole leaf","almond pieces",',
      [[2, 'allergens']],
    ],
    [
      'a mark over the brim',
      'site,vessel,kind,mark (ml),brim (ml)\nTest room,New pot,pot,700,600',
      [[2, 'mark (ml)']],
    ],
    [
      'a best-before before the arrival',
      'tea,lot,arrived,best before\nTolvane Amber,Lot 2,2026-05-01,2026-04-01',
      [[2, 'best before']],
    ],
  ])('%s is named by row and column, and refused', async (_name, text, faults) => {
    const p = await preview(text);
    expect(p.faults.filter((f) => f.will === 'refused').map((f) => [f.row, f.column])).toEqual(
      faults,
    );
    expect(p.counts.refused).toBe(new Set(faults.map(([row]) => row)).size);
    const before = await book();
    if (p.counts.added + p.counts.changed === 0) await bring(text).expect(422);
    expect(await book()).toBe(before);
  });
  test.each<[string, string, RegExp]>([
    ['an empty file', '  \n', /empty/],
    ['prose', 'Dear Maren, here is the book.', /Not a table known here.*Dear Maren/],
    ['other columns', 'a,b\n1,2', /Not a table known here.*a, b/],
    ['no UTF-8', 'tea,style\nT\uFFFDa,white', /UTF-8/],
    ['an open quote', 'tea,style\n"Tea,white', /quotation mark/],
    ['half a JSON', '{"format": ', /not JSON/],
    ['another JSON', '{"format":"x"}', /not a tea book/],
  ])('%s is told as what it is', async (_n, text, words) =>
    expect(
      (await h.callers.lead.post('/api/exchange/preview', given(text)).expect(422)).body.message,
    ).toMatch(words),
  );

  test('five thousand rows with forty faults: all forty are named, nothing else', async () => {
    const bad: Record<number, [string, string]> = {};
    const rows = Array.from({ length: 5000 }, (_, i) => {
      const row = i + 2;
      const cells = { tea: `Sample ${i}`, style: 'white', weighed: '12,5', spoons: '5' };
      if (i % 125 === 60) {
        const kind =
          (Object.keys(cells) as (keyof typeof cells)[])[Math.floor(i / 125) % 4] ?? 'tea';
        cells[kind] = { tea: '', style: 'plaid', weighed: '9000', spoons: 'five' }[kind];
        bad[row] = [kind === 'weighed' ? 'weighed (g)' : kind, 'refused'];
      }
      return `${cells.tea};${cells.style};dessert spoon;${cells.spoons};${cells.weighed}`;
    });
    const p = await preview(['tea;style;spoon;spoons;weighed (g)', ...rows].join('\r\n'));
    expect(Object.keys(bad)).toHaveLength(40);
    expect([...new Set(p.faults.map((f) => f.row))]).toEqual(Object.keys(bad).map(Number));
    for (const [row, [column, will]] of Object.entries(bad))
      expect(of(p, Number(row))).toContainEqual({ column, will });
    expect(p.counts).toEqual({ added: 4960, changed: 0, same: 0, open: 0, refused: 40 });
  });
});

describe('one transaction, and back', () => {
  const teasCsv = 'tea,style,words\nTolvane Amber,"black, whole leaf",smoky\nNew Leaf,white,hay\n';
  test('brought in once though asked twice; taken back as a whole, once', async () => {
    const before = await book();
    const id = newId();
    for (let i = 0; i < 2; i++)
      expect((await bring(teasCsv, { id }).expect(200)).body).toMatchObject({
        id,
        counts: { added: 1, changed: 1 },
        undone: false,
      });
    expect(
      (await h.callers.lead.get('/api/book').expect(200)).body.teas.map(
        (t: { name: string; words: string }) => [t.name, t.words],
      ),
    ).toEqual([
      ['New Leaf', 'hay'],
      ['Tolvane Amber', 'smoky'],
    ]);
    for (let i = 0; i < 2; i++)
      expect(
        (await h.callers.lead.post(`/api/exchange/imports/${id}/undo`, {}).expect(200)).body.undone,
      ).toBe(true);
    expect(await book()).toBe(before);
    expect(
      (await h.callers.lead.get('/api/exchange/imports').expect(200)).body.imports,
    ).toMatchObject([{ id, undone: true, by: { name: 'Lead L.' } }]);
  });
  test('recipes and lots go back too: the trial that stood before stands again', async () => {
    await fillBook();
    const before = await book();
    const recipes = (
      await bring(
        'tea,method,dose,heat,best\nTolvane Amber,pot,1.5,92,4:00\nTolvane Amber,extract,4,8,12 h\n',
      ).expect(200)
    ).body.id as string;
    const lots = (await bring('tea,lot,arrived\nKestry Pearl,Lot 9,2026-11-01\n').expect(200)).body
      .id as string;
    expect(await book()).not.toBe(before);
    for (const id of [lots, recipes])
      await h.callers.lead.post(`/api/exchange/imports/${id}/undo`, {}).expect(200);
    expect(await book()).toBe(before);
  });
  test('what was brewed or changed since cannot be taken back, and nothing of it is', async () => {
    const id = (await bring(teasCsv).expect(200)).body.id as string;
    const [fresh] = (await h.callers.lead.get('/api/book').expect(200)).body.teas;
    const {
      id: tea,
      house: _h,
      trial: _t,
      recipes: _r,
      measure: _m,
      lots: _l,
      photoId: _p,
      fitted: _f,
      swatches: _s,
      ...fields
    } = fresh;
    await h.callers.lead.patch(`/api/teas/${tea}`, { ...fields, words: 'mine' }).expect(200);
    expect(
      (await h.callers.lead.post(`/api/exchange/imports/${id}/undo`, {}).expect(409)).body.message,
    ).toMatch(/New Leaf was changed since/);
    expect(
      (await h.callers.lead.get('/api/book').expect(200)).body.teas.map(
        (t: { words: string }) => t.words,
      ),
    ).toEqual(['mine', 'smoky']);
  });
  test('a version brought in and brewed stays', async () => {
    const id = (await bring('tea,dose,heat,best\nTolvane Amber,1.5,92,4:00\n').expect(200)).body
      .id as string;
    const { trial } = (await h.callers.lead.get('/api/book').expect(200)).body.teas[0];
    await h.callers.brewer
      .post('/api/brews', {
        id: newId(),
        siteId: h.ids.site,
        teaId: h.ids.tea,
        versionId: trial.id,
        vesselId: h.ids.pot,
        water: 500,
        warmed: true,
        warming: false,
        place: 1,
        at: h.now(),
      })
      .expect(200);
    expect(
      (await h.callers.lead.post(`/api/exchange/imports/${id}/undo`, {}).expect(409)).body.message,
    ).toMatch(/was brewed since/);
  });
  test('a formula in a name stays a text in a spreadsheet', async () => {
    await bring('tea,style\n"=1+1 Leaf",white\n').expect(200);
    expect(await table('teas')).toContain(' =1+1 Leaf');
    expect((await preview(await table('teas'))).counts).toMatchObject({ added: 0, changed: 0 });
  });
});

describe('a file that is made to hold the server up', () => {
  const blanks = (n: number) => ' '.repeat(n);
  /** Bar and book are read while the file is: their server answers. */
  const refusedSoon = async (text: string, words: RegExp) => {
    const [res, bar] = await Promise.all([
      h.callers.lead.post('/api/exchange/preview', given(text)),
      h.callers.brewer.get('/api/bar'),
    ]);
    expect(bar.status).toBe(200);
    expect(JSON.stringify(res.body)).toMatch(words);
    return res;
  };
  test.each([
    ['in a header', `tea,style,x${blanks(900)}(${blanks(900)}y\nA,black-whole,1`],
    ['in a number', `tea,style,spoons\nA,black-whole,1${blanks(1900)}x`],
    ['in a volume', `vessel,kind,mark,brim\nP,pot,5${blanks(1900)}!,600`],
    ['in a heat', `tea,heat,best\nTolvane Amber,9${blanks(1900)}!,4:00`],
    ['in a time', `tea,heat,best\nTolvane Amber,95,4${blanks(1900)}!`],
    ['in spoons', `tea,leaf,water,heat,best\nTolvane Amber,1${blanks(1900)}spoo,500,95,4:00`],
  ])('thousands of blanks %s are read at once', async (_n, text) => {
    const rows = text + '\n'.concat(text.split('\n')[1] ?? '').repeat(300);
    await h.callers.lead.post('/api/exchange/preview', given(rows)).expect(200);
  });
  test('lists within lists, rows, columns and letters past counting are said as such', async () => {
    const row = 'A,black-whole\n';
    await refusedSoon(`{"teas":${'['.repeat(100_000)}`, /nested too deeply/);
    await refusedSoon(`tea,style\n${row.repeat(20_001)}`, /20001 rows: at most 20000/);
    await refusedSoon(`tea,style${',x'.repeat(200)}\n`, /Row 1 has 202 columns: at most 100/);
    await refusedSoon(`tea,style\n${'A'.repeat(3000)},black-whole`, /Row 2, column 1 has 3000/);
  });
});
