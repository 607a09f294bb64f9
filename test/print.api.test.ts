import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import jsqr from 'jsqr';
import { PNG } from 'pngjs';
import { startingRecipe } from '../src/core/recipes/index';
import { type Begun, begunHouse, newId, PLAIN_TEA, POT, SITE } from './house';

// Read back by other programs: poppler for text and size, an independent decoder for the code.
const folder = mkdtempSync(join(tmpdir(), 'limnos-print-'));
let h: Begun;
beforeAll(async () => {
  h = await begunHouse();
});
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await h.close();
});
const pdf = async (address: string) => {
  const res = await h.callers.trainee
    .get(address)
    .buffer(true)
    .parse((r, done) => {
      const parts: Buffer[] = [];
      r.on('data', (d: Buffer) => parts.push(d));
      r.on('end', () => done(null, Buffer.concat(parts)));
    });
  const path = join(folder, 'card.pdf');
  if (res.status === 200) writeFileSync(path, res.body as Buffer);
  return { res, path };
};
const card = (query = '') => pdf(`/api/teas/${h.ids.tea}/wall.pdf${query}`);
const text = (path: string) =>
  execFileSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8' });
const pageSize = (path: string) =>
  (
    /Page size:\s+([\d.]+) x ([\d.]+)/.exec(
      execFileSync('pdfinfo', [path], { encoding: 'utf8' }),
    ) ?? []
  )
    .slice(1)
    .map((pt) => Math.round((Number(pt) * 25.4) / 72));
const decode = (path: string) => {
  execFileSync('pdftoppm', ['-r', '200', '-png', '-singlefile', path, join(folder, 'page')]);
  const { data, width, height } = PNG.sync.read(readFileSync(join(folder, 'page.png')));
  const read = jsqr as unknown as (
    d: Uint8ClampedArray,
    w: number,
    hh: number,
  ) => { data: string } | null;
  return read(new Uint8ClampedArray(data), width, height)?.data;
};

test('a wall card: heat, time and window, leaf and spoons for the vessel, cautions, who and when', async () => {
  const { res, path } = await card();
  expect([res.status, res.headers['content-type']]).toEqual([200, 'application/pdf']);
  const words = text(path);
  for (const w of [
    '90',
    '4:00',
    '3:00',
    '5:00',
    'White pot',
    '500 ml',
    'dessert',
    'Contains caffeine. Boiling water and steam scald.',
    'House recipe 1',
    'lift at',
  ])
    expect(words).toContain(w);
  expect(words).toMatch(/6 ?g\s+2½ dessert/);
  expect(words).not.toMatch(/health|cure|detox/i);
});
test('where water is not filtered the wall card says so, and nowhere else', async () => {
  expect(text((await card()).path)).not.toMatch(/Chlorine/);
  await h.callers.lead
    .patch(`/api/sites/${h.ids.site}`, {
      ...{ ...SITE, rev: 1 },
      water: { hardness: 'hard', filtered: false },
    })
    .expect(200);
  const words = text((await card()).path);
  expect(words).toMatch(/Chlorine in tap water spoils tea/);
  expect(words).toMatch(/Hard water mutes aroma/);
});
test('its code opens this brew, ready, and is read by another program', async () => {
  const { path } = await card();
  const url = new URL(decode(path) ?? 'none:');
  expect([url.pathname, url.searchParams.get('tea'), url.searchParams.get('vessel')]).toEqual([
    '/start',
    h.ids.tea,
    h.ids.pot,
  ]);
});
test.each([
  ['a4', [210, 297]],
  ['a5', [148, 210]],
  ['a6', [105, 148]],
] as const)('%s is %j mm', async (size, mm) =>
  expect(pageSize((await card(`?size=${size}`)).path)).toEqual(mm),
);
test('allergens stand on it; a vessel that is named is the one drawn', async () => {
  const {
    house: _h,
    trial: _t,
    id: _i,
    recipes: _r,
    measure: _m,
    lots: _l,
    photoId: _p,
    fitted: _f,
    swatches: _s,
    ...tea
  } = (await h.callers.lead.get('/api/book').expect(200)).body.teas[0];
  await h.callers.lead
    .patch(`/api/teas/${h.ids.tea}`, { ...tea, allergens: 'Almond, milk' })
    .expect(200);
  const mug = {
    ...POT,
    id: newId(),
    siteId: h.ids.site,
    name: 'Blue mug',
    kind: 'mug',
    brim: 380,
    mark: 300,
    basket: 150,
  };
  await h.callers.lead.post('/api/vessels', mug).expect(200);
  const words = text((await card(`?vessels=${mug.id}`)).path);
  expect(words).toContain('Allergens: Almond, milk');
  expect(words).toContain('Blue mug');
  expect(words).not.toContain('White pot');
});
test('a size unknown, a tea unknown and nothing to print are said', async () => {
  expect((await card('?size=a3')).res.status).toBe(422);
  expect((await h.callers.trainee.get(`/api/teas/${newId()}/wall.pdf`).expect(404)).body.code).toBe(
    'notFound',
  );
  expect(
    (await h.callers.trainee.get(`/api/teas/${h.ids.tea}/wall.pdf?vessels=${newId()}`).expect(422))
      .body.message,
  ).toMatch(/nothing to print/);
});

describe('sheets', () => {
  test('a pocket card and a label 62 mm wide of one vessel: every tea, grams, heat and time', async () => {
    const a6 = await pdf(`/api/vessels/${h.ids.pot}/pocket.pdf`);
    expect(pageSize(a6.path)).toEqual([105, 148]);
    expect(text(a6.path)).toMatch(
      /White pot[\s\S]*to the mark, 500.ml[\s\S]*Tolvane Amber\s+6\s+2½ dessert\s+90\s+4:00/,
    );
    const label = await pdf(`/api/vessels/${h.ids.pot}/pocket.pdf?size=label62`);
    expect(pageSize(label.path)[0]).toBe(62);
    expect(text(label.path)).toMatch(/Tolvane Amber\s+6\s+90\s+4:00/);
    expect(text(label.path)).toContain('Boiling water and steam scald');
  });
  test('a scaling sheet: leaf in step with the water, by hand', async () => {
    const { path } = await pdf(`/api/vessels/${h.ids.pot}/scaling.pdf`);
    // 1.2 g per 100 ml at 250, 310, 380, 440 and 500 ml.
    expect(text(path)).toMatch(
      /Tolvane Amber\s+3 ?g\s+3\.7 g\s+4\.6 g\s+5\.3 g\s+6 ?g\s+90\s+4:00/,
    );
    expect(pageSize(path)).toEqual([210, 297]);
  });
  test('a spoon sheet: what one holds, and the water it is for', async () => {
    // Five dessert spoons weighed 12.5 g; 2.5 g are for 208 ml at 1.2 g per 100 ml.
    expect(text((await pdf('/api/print/spoons.pdf')).path)).toMatch(
      /Tolvane Amber\s+level dessert spoon\s+2\.5 g\s+5 ?g\s+7\.5 g\s+10 g\s+208.ml/,
    );
  });
  test('a guest card: the guest’s own spoons and units, a pot of any size, on both papers', async () => {
    const ask = 'water=946.35&spoon=usTeaspoon&volume=usFlOz&degrees=F';
    const a6 = await pdf(`/api/teas/${h.ids.tea}/guest.pdf?${ask}`);
    expect(pageSize(a6.path)).toEqual([105, 148]);
    const words = text(a6.path);
    // By hand: 1.2 g per 100 ml of 946 ml is 11.4 g. A dessert spoon of 10 ml holds 2.5 g of this tea, so a US teaspoon
    // of 4.93 ml holds 1.23 g: nine and a quarter.
    expect(words).toContain('11.4 g on a scale');
    expect(words).toMatch(/9¼ level US teaspoons/);
    expect(words).toMatch(/32.fl oz/);
    expect(words).toMatch(/194.°F/);
    expect(words).toMatch(/4:00/);
    expect(words).toMatch(/No allergens noted|Allergens: Almond, milk/);
    expect(words).toContain('Boiling water and steam scald');
    const label = await pdf(`/api/teas/${h.ids.tea}/guest.pdf?${ask}&size=label62`);
    expect(pageSize(label.path)[0]).toBe(62);
    expect(text(label.path)).toMatch(/9¼ level US teaspoons/);
  });
  test('what a lead wants on every card stands on it', async () => {
    const { body } = await h.callers.lead.get('/api/house').expect(200);
    const { id, ...fields } = body.session.site as { id: string };
    const safety = {
      codeName: '',
      codeLink: '',
      hotHold: null,
      cardWords: 'Ask us at the counter.',
    };
    await h.callers.lead.patch(`/api/sites/${id}`, { ...fields, safety }).expect(200);
    for (const paper of ['guest.pdf?water=500', 'wall.pdf']) {
      const { path } = await pdf(`/api/teas/${h.ids.tea}/${paper}`);
      expect(text(path).replace(/\s+/g, ' ')).toContain('Ask us at the counter.');
    }
  });
  test('a guest card with a wish: more leaf, the milk, and milk among the allergens', async () => {
    const { path } = await pdf(
      `/api/teas/${h.ids.tea}/guest.pdf?water=500&strength=1&milk=tenth&volume=ml`,
    );
    expect(text(path)).toMatch(/made stronger, a tenth of milk/);
    expect(text(path)).toMatch(/Milk: 4\d.ml/);
    expect(text(path)).toMatch(/Allergens: (Almond, )?milk\n/);
  });
  test('a guest card for a pot of no size is refused', async () => {
    await h.callers.trainee.get(`/api/teas/${h.ids.tea}/guest.pdf?water=0`).expect(422);
    await h.callers.trainee.get(`/api/teas/${newId()}/guest.pdf?water=500`).expect(404);
  });
  test('a caddy label 62 x 50 mm with a code that opens the brew', async () => {
    const { path } = await pdf(`/api/teas/${h.ids.tea}/label.pdf`);
    expect(pageSize(path)).toEqual([62, 50]);
    expect(new URL(decode(path) ?? 'none:').searchParams.get('tea')).toBe(h.ids.tea);
    expect(text(path)).toMatch(/90 °C\s+4:00/);
  });
  test('the whole book has a page for each tea', async () => {
    await h.callers.lead
      .post('/api/teas', {
        id: newId(),
        versionId: newId(),
        name: 'Second Leaf',
        style: 'white',
        method: 'pot',
        ...PLAIN_TEA,
        weighing: null,
        spoon: 'dessertSpoon',
        recipe: startingRecipe('white'),
      })
      .expect(200);
    const { path } = await pdf('/api/print/book.pdf?size=a6');
    expect(execFileSync('pdfinfo', [path], { encoding: 'utf8' })).toMatch(/Pages:\s+2/);
    expect(text(path)).toMatch(/Second Leaf[\s\S]*Tolvane\s+Amber/);
  });
  test('forty teas go over the pages of a pocket card, none is lost', async () => {
    for (let i = 0; i < 40; i++)
      await h.callers.lead
        .post('/api/teas', {
          id: newId(),
          versionId: newId(),
          name: `Leaf number ${i}`,
          style: 'white',
          method: 'pot',
          ...PLAIN_TEA,
          weighing: null,
          spoon: 'dessertSpoon',
          recipe: startingRecipe('white'),
        })
        .expect(200);
    const words = text((await pdf(`/api/vessels/${h.ids.pot}/pocket.pdf`)).path);
    expect(
      Array.from({ length: 40 }, (_, i) => words.includes(`Leaf number ${i}`)).every(Boolean),
    ).toBe(true);
    expect(words).toMatch(/1 of 3[\s\S]*3 of 3/);
  });
  test('a vessel that is not there says so', async () =>
    expect(
      (await h.callers.trainee.get(`/api/vessels/${newId()}/pocket.pdf`).expect(404)).body.code,
    ).toBe('notFound'));
});
