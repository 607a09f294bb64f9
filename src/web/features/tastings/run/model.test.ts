import { seeded } from '#core/numeric';
import {
  type Exercise,
  type ExerciseKind,
  foldTasting,
  setUp,
  type TastingAct,
  type TastingEvent,
} from '#core/tastings';
import {
  actOf,
  alikeAsMade,
  buttonText,
  clockFigure,
  codesOf,
  heatTexts,
  keyText,
  lastAct,
  pouredWords,
  stageOf,
} from './model';

const ME = { id: 'me', name: 'Dov R.' };
const START = 1_800_000_000_000;
const exercise = (kind: ExerciseKind = 'ladder', heats: readonly number[] = [90, 90, 90]) =>
  setUp(
    {
      kind,
      way: 'seconds',
      asks: 'strength',
      cups: heats.map((celsius, i) => ({ grams: 2, water: 150, celsius, seconds: 60 * (i + 1) })),
      tasters: [ME],
    },
    seeded(7),
  );
const events = (...acts: readonly TastingAct[]): TastingEvent[] =>
  acts.map((act, i) => ({ id: `e${i}`, at: START + i * 1000, by: ME, act }));
const stage = (e: Exercise, list: readonly TastingEvent[]) => stageOf(e, foldTasting(e, list));
const code = (cup: number) => `C${cup}`;
const pulls = [0, 1, 2].map((cup): TastingAct => ({ kind: 'pull', cup }));
const marked: TastingAct = { kind: 'handIn', taster: 'me', order: null, choice: null };

test('a table goes from not started over brewing and tasting to all in', () => {
  const e = exercise();
  const kinds = [
    [],
    [{ kind: 'start' } as const],
    [{ kind: 'start' } as const, ...pulls],
    [{ kind: 'start' } as const, ...pulls, marked],
  ].map((acts) => stage(e, events(...acts)).kind);
  expect(kinds).toEqual(['notStarted', 'brewing', 'tasting', 'allIn']);
});
test('one touch does what is next; while a sheet is out it does nothing', () => {
  const e = exercise();
  const at = (...acts: readonly TastingAct[]) => stage(e, events(...acts));
  expect(actOf(at())).toEqual({ kind: 'start' });
  expect(actOf(at({ kind: 'start' }))).toEqual({ kind: 'pull', cup: 0 });
  expect(actOf(at({ kind: 'start' }, ...pulls))).toBeNull();
  expect(actOf(at({ kind: 'start' }, ...pulls, marked))).toEqual({ kind: 'reveal' });
});
test('button and key say the same act', () => {
  const e = exercise();
  const words = (...acts: readonly TastingAct[]) => {
    const s = stage(e, events(...acts));
    return [buttonText(s, code), keyText(s)];
  };
  expect(words()).toEqual(['Start the clock', 'Start the clock']);
  expect(words({ kind: 'start' })).toEqual(['Poured off C0', 'Pour off the next']);
  expect(words({ kind: 'start' }, ...pulls)).toEqual(['1 out', 'Reveal']);
});
test('a cup that is lost is not the one after', () => {
  const e = exercise();
  const brewing = stage(
    e,
    events({ kind: 'start' }, { kind: 'exclude', cup: 1, reason: 'spilled' }),
  );
  expect(brewing).toMatchObject({ kind: 'brewing', next: { cup: 0 }, after: { cup: 2 } });
});
test('the last act can be taken back once; a mark on a sheet is not one of them', () => {
  const done = events({ kind: 'start' }, pulls[0] as TastingAct, marked);
  expect(lastAct(done)?.id).toBe('e1');
  const undone = [...done, { ...done[2], id: 'e9', act: { kind: 'undo', of: 'e1' } }];
  expect(lastAct(undone as TastingEvent[])).toBeNull();
  expect(lastAct([])).toBeNull();
});
test('a calibration has two codes for each cup', () => {
  const e = exercise('calibration', [90, 90]);
  expect(codesOf(foldTasting(e, []), 0)).toMatch(/^\d{3} and \d{3}$/);
});
test('the clock counts down to nothing and then up', () => {
  expect([65.2, 0.2, 0, -0.5, -61].map(clockFigure)).toEqual([
    '1:06',
    '0:01',
    '0:00',
    '+0:00',
    '+1:01',
  ]);
});
test('heats are said where they differ', () => {
  expect(heatTexts(exercise(), 'C')).toBeNull();
  expect(heatTexts(exercise('ladder', [80, 90, 95]), 'C')).toEqual(['80 °C', '90 °C', '95 °C']);
});
describe('like for like, as it was weighed', () => {
  const units = { volume: 'ml', temperature: 'C' } as const;
  const after = (e: Exercise, ...acts: readonly TastingAct[]) =>
    alikeAsMade(e, foldTasting(e, events(...acts)), units);
  test('alike', () => expect(after(exercise())).toMatchObject({ isAlike: true }));
  test('too much leaf in one cup is named with by how much', () =>
    expect(after(exercise(), { kind: 'weigh', cup: 1, grams: 3, water: 150 })).toMatchObject({
      isAlike: false,
      words: expect.stringMatching(/leaf \(by 1 g\) differs too/),
    }));
  test('a dial-in need not be', () => expect(after(exercise('dialIn', [90]))).toBeNull());
});
test('how many are poured off', () =>
  expect([0, 1, 3].map(pouredWords)).toEqual([
    'None is poured off yet.',
    'One is poured off.',
    '3 are poured off.',
  ]));
