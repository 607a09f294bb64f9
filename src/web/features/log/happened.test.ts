import { ALL_RIGHT } from '#core/corrections';
import type { Happened } from '#contracts/brews';
import { sampleBrew, T0 } from '../../testing/samples';
import { happenedWords } from './happened';

const UNITS = { volume: 'ml', temperature: 'C' } as const;
const brew = sampleBrew();
const words = (what: object, of = brew, units: Parameters<typeof happenedWords>[2] = UNITS) =>
  happenedWords(
    { id: 'e', at: T0, by: 'Dov R.', undone: false, what } as unknown as Happened,
    of,
    units,
  );

test.each<[string, object]>([
  ['put on the bar, to be warmed', { kind: 'start' }],
  ['water on', { kind: 'waterOn' }],
  ['lifted', { kind: 'pull' }],
  ['leaf back for 0:45', { kind: 'leafBack', seconds: 45 }],
  ['84 °C in it', { kind: 'reading', celsius: 84 }],
  ['refractometer: 0.31 % dissolved', { kind: 'solids', gramsPerLitre: 3.1 }],
  ['given up: spilled', { kind: 'abandon', reason: 'Spilled' }],
  ['not over: steeps on', { kind: 'undoPull' }],
  ['the last taken back', { kind: 'undo', of: 'x' }],
  ['off the bar, not judged', { kind: 'close' }],
  ['put together with another of the same', { kind: 'pair', with: 'x' }],
  ['said that they ended the steep', { kind: 'claim' }],
])('%s', (said, what) => expect(words(what)).toBe(said));

test('a later steep and a cold pot are put on without warming', () => {
  const cold = sampleBrew({ plan: { ...brew.plan, warmed: false } });
  expect(words({ kind: 'start' }, cold)).toBe('put on the bar');
});
test('heat is read in the reader’s own unit', () =>
  expect(words({ kind: 'reading', celsius: 84 }, brew, { ...UNITS, temperature: 'F' })).toBe(
    '183.2 °F in it',
  ));
test('a step says whether it was left out, and what was weighed; one of a newer version by its key', () => {
  expect(words({ kind: 'step', key: 'leafIn', outcome: 'done', grams: 6.2 })).toMatch(/6\.2 g$/);
  expect(words({ kind: 'step', key: 'leafIn', outcome: 'skipped' })).toMatch(/, left out$/);
  expect(words({ kind: 'step', key: 'later', outcome: 'done' })).toBe('later');
});
test('a colour reading says how strong, how sure, by which way and how deep', () =>
  expect(
    words({ kind: 'colour', way: 'rim', strength: 0.94, low: 0.9, high: 0.99, depthCm: 3.5 }),
  ).toBe(
    'colour read: 6 % weaker than the house cup (−10 to −1), by a picture and its white rim, 3.5 cm deep',
  ));
test('another taste says which cup it was', () => {
  const verdict = { ...ALL_RIGHT, strength: -1 };
  expect(words({ kind: 'tasteAgain', cup: 'rescued', verdict })).toBe(
    'tasted again after the rescue: light',
  );
});
test('a judgement is told by its verdict', () => {
  expect(words({ kind: 'judge', verdict: ALL_RIGHT })).toBe('judged right');
  expect(words({ kind: 'judge', verdict: { ...ALL_RIGHT, bitterness: 1 } })).toMatch(/bitter/);
});
