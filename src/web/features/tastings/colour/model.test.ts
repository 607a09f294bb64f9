import type { PhotoReading } from '#core/colour';
import type { Tea } from '#contracts/teas';
import {
  type ColourEvent,
  colourReducer,
  type ColourState,
  fileFault,
  firstState,
  shownPhoto,
  troubleOf,
} from './model';

/** The depth is all that the machine asks of a tea. */
const sampleTea = (over: Partial<Tea> = {}) =>
  ({ id: 't', swatches: null, colour: null, ...over }) as Tea;
const PICTURE = { bitmap: {} as ImageBitmap, width: 1000, height: 600, madeUp: null };
const LEFT = { x: 300, y: 300, r: 100 };
const RIGHT = { x: 700, y: 300, r: 110 };
const READING = { kind: 'refused', why: 'tooDark', checks: [] } as unknown as PhotoReading;

const after = (...events: readonly ColourEvent[]): ColourState =>
  events.reduce(colourReducer, firstState(sampleTea()));
const opened = (...found: (typeof LEFT)[]): ColourEvent => ({
  type: 'opened',
  picture: PICTURE,
  found,
});
const READ: ColourEvent = { type: 'read', reading: READING };

test('a photo goes from idle over loading and placed to read', () => {
  const kinds = [
    after(),
    after({ type: 'opening' }),
    after({ type: 'opening' }, opened(LEFT, RIGHT)),
    after({ type: 'opening' }, opened(LEFT, RIGHT), READ),
  ].map((s) => s.photo.kind);
  expect(kinds).toEqual(['idle', 'loading', 'placed', 'read']);
});
test('the first cup found is the house cup, the second the sample', () => {
  const shown = shownPhoto(after(opened(LEFT, RIGHT)).photo);
  expect(shown?.cups).toEqual({ reference: LEFT, sample: RIGHT });
  expect(troubleOf(after(opened(LEFT, RIGHT)).photo)).toBeNull();
});
test.each([
  [[], true, /No cup was found/],
  [[LEFT], true, /Only one cup/],
  [[], false, /No cup was found/],
  [[LEFT], false, null],
] as const)('%j found, beside %s: %s', (found, beside, words) => {
  const { photo } = after({ type: 'besideSet', beside }, opened(...found));
  if (words) expect(troubleOf(photo)).toMatch(words);
  else expect(troubleOf(photo)).toBeNull();
});
test('by the rim the one cup that was found is the sample', () =>
  expect(
    shownPhoto(after({ type: 'besideSet', beside: false }, opened(LEFT)).photo)?.cups.sample,
  ).toEqual(LEFT));
test('circles stay inside the picture where nothing was found', () => {
  const cups = shownPhoto(after(opened()).photo)?.cups;
  for (const cup of [cups?.sample, cups?.reference]) {
    expect(cup?.x).toBeGreaterThan(0);
    expect(cup?.x).toBeLessThan(PICTURE.width);
  }
  expect(cups?.sample.x).not.toBe(cups?.reference.x);
});
test('moved circles keep the reading until the next is there', () => {
  const moved = after(opened(LEFT, RIGHT), READ, {
    type: 'moved',
    cups: { sample: LEFT, reference: RIGHT },
  });
  expect(moved.photo).toMatchObject({ kind: 'read', cups: { sample: LEFT }, reading: READING });
});
test('swapped twice is as before', () => {
  const once = after(opened(LEFT, RIGHT), { type: 'swapped' });
  expect(shownPhoto(once.photo)?.cups).toEqual({ reference: RIGHT, sample: LEFT });
  expect(colourReducer(once, { type: 'swapped' })).toEqual(after(opened(LEFT, RIGHT)));
});
test('a refused picture leaves the one before in view, with the reason', () => {
  const { photo } = after(opened(LEFT, RIGHT), READ, { type: 'refused', why: 'Not a picture.' });
  expect(photo.kind).toBe('refused');
  expect(troubleOf(photo)).toBe('Not a picture.');
  expect(shownPhoto(photo)?.kind).toBe('read');
});
test('a reading that comes after the picture is gone changes nothing', () => {
  expect(after(READ)).toEqual(after());
  const refused = after({ type: 'refused', why: 'x' });
  expect(colourReducer(refused, READ)).toBe(refused);
});
test('a worker without a picture takes the reading back', () =>
  expect(after(opened(LEFT, RIGHT), READ, { type: 'read', reading: null }).photo.kind).toBe(
    'placed',
  ));
test('another tea brings the depth it is read at', () => {
  const deep = sampleTea({
    swatches: { depthCm: 5, dose: 1, temperature: 90, rungs: [], at: 0, by: 'Ilsa V.' },
  });
  expect(after({ type: 'teaPicked', tea: deep }).depth).toBe(5);
});
test('a simulated photo says how it was taken, and keeps the tea where none suits', () => {
  const s = after({ type: 'samplePicked', tea: null, beside: false, depth: 2 });
  expect([s.beside, s.depth, s.tea]).toEqual([false, 2, firstState(sampleTea()).tea]);
});
test.each([
  [{ name: 'a.heic', type: '', size: 1 }, /HEIC/],
  [{ name: 'a.jpg', type: 'image/heif', size: 1 }, /HEIC/],
  [{ name: 'notes.pdf', type: 'application/pdf', size: 1 }, /“notes.pdf” is not a picture/],
  [{ name: 'a.jpg', type: 'image/jpeg', size: 61e6 }, /61 MB/],
])('%j is not opened: %s', (file, words) => expect(fileFault(file)).toMatch(words));
test('a picture is opened', () =>
  expect(fileFault({ name: 'a.jpg', type: 'image/jpeg', size: 5e6 })).toBeNull());
