import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { hexOf, type Lab } from '../../src/core/colour/index';
import { BarDriver } from '../drivers/BarDriver';
import { ColourDriver } from '../drivers/ColourDriver';
import { expect, PEOPLE, test } from '../fixtures/shop';

/** Two poured bowls on a table, as a camera might have them. */
function drawn(width: number, height: number) {
  const [r, y] = [height * 0.28, height / 2];
  const bowl = (x: number, colour: string) =>
    `<circle cx="${x}" cy="${y}" r="${r * 1.32}" fill="#d8d8d6"/><circle cx="${x}" cy="${y}" r="${r}" fill="${colour}"/>`;
  return sharp({ create: { width, height, channels: 3, background: '#7d766c' } }).composite([
    {
      input: Buffer.from(
        `<svg width="${width}" height="${height}">${bowl(width * 0.27, '#bf6d12')}${bowl(width * 0.73, '#b96510')}</svg>`,
      ),
    },
  ]);
}
/** White porcelain as the reading takes it: 85 % of white. */
const RIM = '#ededed';

test.beforeEach(async ({ house }) => {
  await house.signIn(PEOPLE.brewer);
  await house.page.goto('/table/colour');
});

test('made-up photos: read beside the house cup, read by the rim, refused with a reason and a way out', async ({
  house,
}) => {
  const { page } = house;
  const colour = new ColourDriver(page);
  await house.press(/^Golden black, a little strong/);
  await colour.expectReading(/stronger$|As it should be/);
  await house.expectSaid(/Says how strong, not why/);
  await house.press('Swap the two');
  await colour.expectReading(/weaker$|As it should be/);
  await house.press(/^Malty black, weak/);
  await colour.expectReading(/2\d %|3\d % weaker/);
  await house.expectSaid(/as strong as about \d:\d\d at the recipe/);
  await house.press(/^Chamomile alone/);
  await house.expectSaid('by its white rim');
  await house.press(/too dark$/);
  await colour.expectReadingIs('Too dark to tell');
  // Shallower than it stands now: 35 mm is what could not be told.
  const told = await house.textOf(/Pour both cups \d+ mm deep/);
  expect(Number(/(\d+) mm/.exec(told)?.[1])).toBeLessThan(20);
  await house.press(/too pale$/);
  await colour.expectReadingIs('Too pale to tell');
  await house.press(/burnt out$/);
  await colour.expectReadingIs('Not this picture');
  await house.expectSaid(/Burnt out: the rim is 25\d of 255\. Less exposure/);
});

test('a picture that comes late does not take the place of the one asked for after it', async ({
  house,
}) => {
  const { page } = house;
  const colour = new ColourDriver(page);
  const chamomileComes = await house.holdAnswer('**/samples/6.jpg');
  await house.press(/^Chamomile alone/);
  await house.press(/too dark$/);
  await colour.expectReadingIs('Too dark to tell');
  await chamomileComes();
  // Time enough to open it and to read it.
  await page.waitForTimeout(2000);
  await colour.expectReadingIs('Too dark to tell');
});

test('files: no picture, HEIC, one that is broken; each says what to do; then a good one, its circles moved by key', async ({
  house,
}) => {
  const { page } = house;
  const colour = new ColourDriver(page);
  await colour.picture({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('tea') });
  await house.expectSaid('“notes.txt” is not a picture.');
  await colour.picture({ name: 'IMG_1.HEIC', mimeType: '', buffer: Buffer.from('x') });
  await house.expectSaid(/That is a HEIC picture.*most compatible/);
  await colour.picture({
    name: 'cup.jpg',
    mimeType: 'image/jpeg',
    buffer: Buffer.from('not really'),
  });
  await house.expectSaid(/“cup.jpg” could not be read as a picture\. Take it as a JPEG or PNG\./);
  await colour.picture({
    name: 'cup.jpg',
    mimeType: 'image/jpeg',
    buffer: await drawn(900, 560).jpeg({ quality: 92 }).toBuffer(),
  });
  await colour.expectRead();
  await house.expectNoFault();
  const before = await house.setting(/^Sample/);
  await house.takeSlider(/^Sample/);
  await page.keyboard.press('ArrowRight');
  await house.expectSettingNot(/^Sample/, before);
});

test('a photo turned by its EXIF stands upright; one of 40 MB is taken; both find their cups', async ({
  house,
}) => {
  const { page } = house;
  const colour = new ColourDriver(page);
  const folder = mkdtempSync(join(tmpdir(), 'limnos-photo-'));
  const [turned, large] = [join(folder, 'turned.jpg'), join(folder, 'large.png')];
  await sharp(await drawn(900, 560).png().toBuffer())
    .rotate(270)
    .withMetadata({ orientation: 6 })
    .jpeg()
    .toFile(turned);
  await drawn(4000, 3400).png({ compressionLevel: 0 }).toFile(large);
  for (const [path, width] of [
    [turned, 900],
    [large, 1280],
  ] as const) {
    await colour.picture(path);
    await expect
      .poll(async () => {
        const [x] = await colour.where(/^Sample/);
        return Math.round((x / width) * 100);
      })
      .toBeGreaterThan(70);
    const [rx, ry] = await colour.where(/^Reference/);
    const [, sy] = await colour.where(/^Sample/);
    expect(Math.abs(rx / width - 0.27)).toBeLessThan(0.03);
    expect(Math.abs(ry - sy)).toBeLessThan(6);
    await colour.expectRead();
  }
  rmSync(folder, { recursive: true, force: true });
});

test('a reading is kept with its brew, by a picture and by an instrument; made-up photos are not', async ({
  house,
}) => {
  const { page } = house;
  const colour = new ColourDriver(page);
  await new BarDriver(page).openFinished({ tea: 'Tolvane Amber', vessel: 'White pot' });
  await house.follow('Read the colour');
  await house.press(/^Golden black, a little strong/);
  await colour.expectPicture();
  await house.expectNone('button', 'Keep with this brew');
  await page.reload();
  const lab = (
    /at ([-\d.]+), ([-\d.]+), ([-\d.]+)/.exec(await house.textOf(/is expected at/)) ?? []
  ).slice(1);
  for (const [i, name] of ['L*', 'a*', 'b*'].entries())
    await house.type(name, lab[i] ?? '', { exact: true });
  await house.press('Keep with this brew');
  await house.expectWords(
    'region',
    'What happened',
    /0 % (stronger|weaker) than the house cup \(.*by an instrument, 3\.5 cm deep/,
  );
  await house.expectAllSaved();
});

for (const [tea, vessel] of [
  ['Tolvane Amber', 'White pot'],
  ['Ullash White Bud', 'Lidded mug'],
] as const)
  test(`a picture of ${tea} is kept only when asked for, and taken away again`, async ({
    house,
  }) => {
    const { page } = house;
    const colour = new ColourDriver(page);
    await new BarDriver(page).openFinished({ tea, vessel });
    await house.follow('Read the colour');
    // The house cup twice in one picture, in the colour that is expected of it: on target.
    const lab = (
      /at ([-\d.]+), ([-\d.]+), ([-\d.]+)/.exec(await house.textOf(/is expected at/)) ?? []
    )
      .slice(1)
      .map(Number) as unknown as Lab;
    const bowl = (x: number) =>
      `<circle cx="${x}" cy="280" r="207" fill="${RIM}"/><circle cx="${x}" cy="280" r="157" fill="${hexOf(lab)}"/>`;
    const twice = await sharp({
      create: { width: 900, height: 560, channels: 3, background: '#7d766c' },
    })
      .composite([
        { input: Buffer.from(`<svg width="900" height="560">${bowl(243)}${bowl(657)}</svg>`) },
      ])
      .jpeg({ quality: 92 })
      .withExif({ IFD0: { ImageDescription: 'Secret place' } })
      .toBuffer();
    await colour.picture({ name: 'cup.jpg', mimeType: 'image/jpeg', buffer: twice });
    await colour.expectReadingIs('As it should be');
    await house.expectUnticked(/Keep the picture too/);
    await house.tick(/Keep the picture too/);
    await house.press('Keep with this brew');
    const source = await house.sourceOf('The cups as they were read');
    const bytes = await (await page.request.get(source)).body();
    expect(bytes.includes(Buffer.from('Secret place'))).toBe(false);
    expect((await sharp(bytes).metadata()).width).toBeLessThanOrEqual(1280);
    await house.press('Take the picture away');
    await house.expectNone('img', 'The cups as they were read');
  });

test('an instrument’s figures: read, off the tea’s curve, or nothing to be told', async ({
  house,
}) => {
  const { page } = house;
  const colour = new ColourDriver(page);
  await colour.chooseTea('tolv');
  const expected = await house.textOf(/^The house cup of Tolvane Amber is expected at/);
  const lab = (/at ([-\d.]+), ([-\d.]+), ([-\d.]+)/.exec(expected) ?? []).slice(1);
  for (const [i, name] of ['L*', 'a*', 'b*'].entries())
    await house.type(name, lab[i] ?? '', { exact: true });
  await colour.expectReadingIs('As it should be');
  await house.type('b*', '-40', { exact: true });
  await house.expectSaid(/Not this tea’s colour/);
});

test('a circle that is dragged near a liquor lies down on its edge', async ({ house }) => {
  const { page } = house;
  const colour = new ColourDriver(page);
  await colour.picture({
    name: 'cup.png',
    mimeType: 'image/png',
    buffer: await drawn(900, 560).png().toBuffer(),
  });
  await colour.expectRead();
  const placed = await colour.where(/^Sample/);
  const said = await house.setting(/^Sample/);
  await colour.drag(/^Sample/, 16, -12);
  await house.expectSettingNot(/^Sample/, said);
  await page.mouse.up();
  await expect
    .poll(async () => {
      const now = await colour.where(/^Sample/);
      return Math.max(...now.map((v, i) => Math.abs(v - (placed[i] ?? 0))));
    })
    .toBeLessThanOrEqual(2);
});
