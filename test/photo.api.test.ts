import sharp from 'sharp';
import { type Begun, begunHouse, brewBody, newId } from './house';

let h: Begun;
beforeAll(async () => {
  h = await begunHouse();
});
afterAll(() => h.close());
const put = (bytes: Buffer, id = newId()) =>
  h.callers.lead.post(`/api/teas/${h.ids.tea}/photo?id=${id}`, bytes);
const bytesOf = async (id: string) =>
  (await h.callers.trainee.get(`/api/photos/${id}`).buffer(true).expect(200)).body as Buffer;
/** A made-up photo: a gradient, taken lying down, with a place and a camera written beside it. */
const photo = (width = 3000, height = 2000) =>
  sharp({ create: { width, height, channels: 3, background: '#3a2a18' } })
    .jpeg()
    .withExif({
      IFD0: { Make: 'Camera', ImageDescription: 'Secret place' },
      IFD3: { GPSLatitude: '51/1 0/1 0/1' },
    })
    .withMetadata({ orientation: 6 })
    .toBuffer();

test('a photo is kept small, turned the right way up, without what the camera wrote; a new one takes its place', async () => {
  const given = await photo();
  expect((await sharp(given).metadata()).exif).toBeDefined();
  const id = newId();
  for (let i = 0; i < 2; i++) expect((await put(given, id).expect(200)).body.photoId).toBe(id);
  const kept = await bytesOf(id);
  const meta = await sharp(kept).metadata();
  // 3000 x 2000 lying on its side stands 2000 x 3000; 900 high is the most.
  expect([meta.format, meta.width, meta.height, meta.exif, meta.orientation]).toEqual([
    'jpeg',
    600,
    900,
    undefined,
    undefined,
  ]);
  expect(kept.includes(Buffer.from('Secret place'))).toBe(false);
  const second = newId();
  await put(await photo(400, 300), second).expect(200);
  await h.callers.trainee.get(`/api/photos/${id}`).expect(404);
  expect((await h.callers.lead.get('/api/book').expect(200)).body.teas[0].photoId).toBe(second);
  expect(
    (await h.callers.lead.delete(`/api/teas/${h.ids.tea}/photo`).expect(200)).body.photoId,
  ).toBeNull();
  const lines = (
    await h.callers.lead.get(`/api/history/tea/${h.ids.tea}`).expect(200)
  ).body.changes.flatMap((c: { lines: { field: string }[] }) => c.lines.map((l) => l.field));
  expect(lines.filter((f: string) => f === 'photo')).toHaveLength(3);
});
test.each<[string, Buffer, RegExp]>([
  ['text', Buffer.from('Dear Maren'), /not a picture/],
  [
    'HEIC',
    Buffer.concat([Buffer.from([0, 0, 0, 24]), Buffer.from('ftypheic'), Buffer.alloc(40)]),
    /HEIC.*JPEG/,
  ],
  ['half a JPEG', Buffer.from('ffd8ffe000104a46', 'hex'), /not a picture/],
])('%s is told as what it is, and the photo that stood stays', async (_n, bytes, words) => {
  const id = newId();
  await put(await photo(300, 200), id).expect(200);
  expect((await put(bytes).expect(422)).body.message).toMatch(words);
  expect((await h.callers.lead.get('/api/book').expect(200)).body.teas[0].photoId).toBe(id);
});
test('a photo over the limit is refused; nothing is the empty picture', async () => {
  await put(Buffer.alloc(0)).expect(422);
  await put(Buffer.alloc(18_000_000, 1)).expect(413);
});

test('a cup’s picture that is sent is kept small and without metadata; its maker or a lead takes it away', async () => {
  const brew = (await h.callers.brewer.post('/api/brews', brewBody(h)).expect(200)).body as {
    id: string;
  };
  const read = async () =>
    (await h.callers.brewer.get(`/api/brews/${brew.id}`).expect(200)).body.photo as {
      id: string;
      by: string;
    } | null;
  expect(await read()).toBeNull();
  const keep = (bytes: Buffer, id = newId(), who = h.callers.trainee) =>
    who.post(`/api/brews/${brew.id}/photo?id=${id}`, bytes);
  const id = newId();
  for (let i = 0; i < 2; i++) await keep(await photo(), id).expect(200);
  expect(await read()).toEqual({ id, by: h.ids.trainee });
  const kept = (await h.callers.brewer.get(`/api/brew-photos/${id}`).buffer(true).expect(200))
    .body as Buffer;
  expect((await sharp(kept).metadata()).exif).toBeUndefined();
  expect(kept.includes(Buffer.from('Secret place'))).toBe(false);
  expect((await keep(Buffer.from('Dear Maren')).expect(422)).body.message).toMatch(/not a picture/);
  // Another’s picture is neither taken away nor replaced by one’s own, which could then be taken away.
  await h.callers.brewer.delete(`/api/brews/${brew.id}/photo`).expect(403);
  await keep(await photo(300, 200), newId(), h.callers.brewer).expect(403);
  expect(await read()).toEqual({ id, by: h.ids.trainee });
  await h.callers.trainee.delete(`/api/brews/${brew.id}/photo`).expect(200);
  expect(await read()).toBeNull();
  await h.callers.brewer.get(`/api/brew-photos/${id}`).expect(404);
  await h.callers.trainee
    .post(`/api/brews/${newId()}/photo?id=${newId()}`, await photo(300, 200))
    .expect(404);
});

describe('a file that is made to hold the server up', () => {
  const flat = (width: number, height: number) =>
    sharp({ create: { width, height, channels: 3, background: '#3a2a18' } })
      .png({ compressionLevel: 9 })
      .toBuffer();
  test('a drawing is no picture, whatever it is called', async () => {
    const circles = Array.from({ length: 2000 }, () => '<use href="#b"/>').join('');
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="9000" height="9000"><g id="b">${circles}</g></svg>`;
    expect((await put(Buffer.from(svg)).expect(422)).body.message).toMatch(/JPEG, PNG or WebP/);
  });
  test('a small file of very many points is refused by its size in points', async () => {
    const bomb = await flat(10_000, 5_000);
    expect(bomb.length).toBeLessThan(1_000_000);
    expect((await put(bomb).expect(422)).body.message).toMatch(
      /50 million pixels: at most 40 million/,
    );
  });
  test('of many at once some are asked to come again, and all the others are kept', async () => {
    const given = await flat(3000, 3000);
    const came = await Promise.all(
      Array.from({ length: 14 }, async () => (await put(given)).status),
    );
    expect(came.filter((s) => s !== 200 && s !== 503)).toEqual([]);
    expect(came.filter((s) => s === 200).length).toBeGreaterThanOrEqual(9);
  });
});
