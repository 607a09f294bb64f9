import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { hexOf, type Lab } from '../../src/core/colour/index';
import { BarDriver } from '../drivers/BarDriver';
import { expect, PEOPLE, test } from '../fixtures/shop';

const answer = (page: Page) => page.getByRole('region', { name: 'Reading' }).locator('.answer');
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
const choose = (page: Page, file: Parameters<ReturnType<Page['getByLabel']>['setInputFiles']>[0]) =>
  page.getByLabel('Picture', { exact: true }).setInputFiles(file);

test.beforeEach(async ({ house }) => {
  await house.signIn(PEOPLE.brewer);
  await house.page.goto('/table/colour');
});

test('made-up photos: read beside the house cup, read by the rim, refused with a reason and a way out', async ({
  house,
}) => {
  const { page } = house;
  await house.press(/^Golden black, a little strong/);
  await expect(answer(page)).toContainText(/stronger$|As it should be/);
  await house.expectSaid(/Says how strong, not why/);
  await house.press('Swap the two');
  await expect(answer(page)).toContainText(/weaker$|As it should be/);
  await house.press(/^Malty black, weak/);
  await expect(answer(page)).toContainText(/2\d %|3\d % weaker/);
  await house.expectSaid(/as strong as about \d:\d\d at the recipe/);
  await house.press(/^Chamomile alone/);
  await house.expectSaid('by its white rim');
  await house.press(/too dark$/);
  await expect(answer(page)).toHaveText('Too dark to tell');
  // Shallower than it stands now: 35 mm is what could not be told.
  const told = await house.textOf(/Pour both cups \d+ mm deep/);
  expect(Number(/(\d+) mm/.exec(told)?.[1])).toBeLessThan(20);
  await house.press(/too pale$/);
  await expect(answer(page)).toHaveText('Too pale to tell');
  await house.press(/burnt out$/);
  await expect(answer(page)).toHaveText('Not this picture');
  await house.expectSaid(/Burnt out: the rim is 25\d of 255\. Less exposure/);
});

test('a picture that comes late does not take the place of the one asked for after it', async ({
  house,
}) => {
  const { page } = house;
  const chamomileComes = await house.holdAnswer('**/samples/6.jpg');
  await house.press(/^Chamomile alone/);
  await house.press(/too dark$/);
  await expect(answer(page)).toHaveText('Too dark to tell');
  await chamomileComes();
  // Time enough to open it and to read it.
  await page.waitForTimeout(2000);
  await expect(answer(page)).toHaveText('Too dark to tell');
});

test('files: no picture, HEIC, one that is broken; each says what to do; then a good one, its circles moved by key', async ({
  house,
}) => {
  const { page } = house;
  await choose(page, { name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('tea') });
  await house.expectSaid('“notes.txt” is not a picture.');
  await choose(page, { name: 'IMG_1.HEIC', mimeType: '', buffer: Buffer.from('x') });
  await house.expectSaid(/That is a HEIC picture.*most compatible/);
  await choose(page, {
    name: 'cup.jpg',
    mimeType: 'image/jpeg',
    buffer: Buffer.from('not really'),
  });
  await house.expectSaid(/“cup.jpg” could not be read as a picture\. Take it as a JPEG or PNG\./);
  await choose(page, {
    name: 'cup.jpg',
    mimeType: 'image/jpeg',
    buffer: await drawn(900, 560).jpeg({ quality: 92 }).toBuffer(),
  });
  await expect(answer(page)).toBeVisible();
  await expect(page.getByRole('alert')).toHaveCount(0);
  const sample = page.getByRole('slider', { name: /^Sample/ });
  const before = await sample.getAttribute('aria-valuetext');
  await sample.focus();
  await page.keyboard.press('ArrowRight');
  await expect(sample).not.toHaveAttribute('aria-valuetext', before ?? '');
});

test('a photo turned by its EXIF stands upright; one of 40 MB is taken; both find their cups', async ({
  house,
}) => {
  const { page } = house;
  const folder = mkdtempSync(join(tmpdir(), 'limnos-photo-'));
  const [turned, large] = [join(folder, 'turned.jpg'), join(folder, 'large.png')];
  await sharp(await drawn(900, 560).png().toBuffer())
    .rotate(270)
    .withMetadata({ orientation: 6 })
    .jpeg()
    .toFile(turned);
  await drawn(4000, 3400).png({ compressionLevel: 0 }).toFile(large);
  const where = async (which: RegExp) =>
    (
      /(\d+) across, (\d+) down/.exec(
        (await page.getByRole('slider', { name: which }).getAttribute('aria-valuetext')) ?? '',
      ) ?? []
    )
      .slice(1)
      .map(Number);
  for (const [path, width] of [
    [turned, 900],
    [large, 1280],
  ] as const) {
    await choose(page, path);
    await expect
      .poll(async () => {
        const [x] = await where(/^Sample/);
        return Math.round(((x ?? 0) / width) * 100);
      })
      .toBeGreaterThan(70);
    const [[rx, ry], [, sy]] = [await where(/^Reference/), await where(/^Sample/)];
    expect(Math.abs((rx ?? 0) / width - 0.27)).toBeLessThan(0.03);
    expect(Math.abs((ry ?? 0) - (sy ?? 0))).toBeLessThan(6);
    await expect(answer(page)).toBeVisible();
  }
  rmSync(folder, { recursive: true, force: true });
});

test('a reading is kept with its brew, by a picture and by an instrument; made-up photos are not', async ({
  house,
}) => {
  const { page } = house;
  await new BarDriver(page).openFinished({ tea: 'Tolvane Amber', vessel: 'White pot' });
  await house.follow('Read the colour');
  await house.press(/^Golden black, a little strong/);
  await expect(page.locator('.photo')).toBeVisible();
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
    await choose(page, { name: 'cup.jpg', mimeType: 'image/jpeg', buffer: twice });
    await expect(answer(page)).toHaveText('As it should be');
    const box = page.getByRole('checkbox', { name: /Keep the picture too/ });
    await expect(box).not.toBeChecked();
    await box.check();
    await house.press('Keep with this brew');
    const picture = page.getByRole('img', { name: 'The cups as they were read' });
    await expect(picture).toBeVisible();
    const bytes = await (await page.request.get((await picture.getAttribute('src')) ?? '')).body();
    expect(bytes.includes(Buffer.from('Secret place'))).toBe(false);
    expect((await sharp(bytes).metadata()).width).toBeLessThanOrEqual(1280);
    await house.press('Take the picture away');
    await expect(picture).toHaveCount(0);
  });

test('an instrument’s figures: read, off the tea’s curve, or nothing to be told', async ({
  house,
}) => {
  const { page } = house;
  await house.press('Tea: change');
  await page.getByRole('combobox').fill('tolv');
  await page.keyboard.press('Enter');
  const expected = await house.textOf(/^The house cup of Tolvane Amber is expected at/);
  const lab = (/at ([-\d.]+), ([-\d.]+), ([-\d.]+)/.exec(expected) ?? []).slice(1);
  for (const [i, name] of ['L*', 'a*', 'b*'].entries())
    await house.type(name, lab[i] ?? '', { exact: true });
  await expect(answer(page)).toHaveText('As it should be');
  await house.type('b*', '-40', { exact: true });
  await house.expectSaid(/Not this tea’s colour/);
});

test('a circle that is dragged near a liquor lies down on its edge', async ({ house }) => {
  const { page } = house;
  await choose(page, {
    name: 'cup.png',
    mimeType: 'image/png',
    buffer: await drawn(900, 560).png().toBuffer(),
  });
  await expect(answer(page)).toBeVisible();
  const sample = page.getByRole('slider', { name: /^Sample/ });
  const placed = await sample.getAttribute('aria-valuetext');
  const box = await sample.locator('circle').first().boundingBox();
  if (!box) throw new Error('no circle');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 16, y - 12, { steps: 4 });
  await expect(sample).not.toHaveAttribute('aria-valuetext', placed ?? '');
  await page.mouse.up();
  await expect
    .poll(async () => {
      const figures =
        (await sample.getAttribute('aria-valuetext'))?.match(/\d+/g)?.map(Number) ?? [];
      const was = placed?.match(/\d+/g)?.map(Number) ?? [];
      return Math.max(...figures.map((v, i) => Math.abs(v - (was[i] ?? 0))));
    })
    .toBeLessThanOrEqual(2);
});
