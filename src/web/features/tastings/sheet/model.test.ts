import { ATTRIBUTE_NAMES } from '#core/corrections';
import type { Sheet } from '#core/tastings';
import { toggled } from '../../../ui/toggled';
import {
  cupState,
  EMPTY,
  firstSheet,
  marked,
  nextCup,
  openAttributes,
  openWords,
  restRight,
  type SheetEvent,
  sheetReducer,
  type SheetState,
  stepsOf,
} from './model';

const CUPS = ['111', '222', '333'];
const none = () => false;
const MARKED: Sheet = { marks: { strength: 1 }, words: ['malt'] };
const after = (...events: readonly SheetEvent[]): SheetState =>
  events.reduce(sheetReducer('ladder'), firstSheet('ladder', CUPS, none, {}));

test('a sheet begins with the first cup that is not kept, at its first step', () => {
  expect(after()).toMatchObject({ kind: 'cup', at: 0, step: 'Look' });
  expect(firstSheet('ladder', CUPS, (c) => c === '111', {}).at).toBe(1);
  expect(firstSheet('ladder', CUPS, () => true, {}).at).toBe(0);
});
test('a calibration is smelt and scored, and not looked at', () => {
  expect(stepsOf('calibration')).toEqual(['Smell', 'Taste']);
  expect(firstSheet('calibration', CUPS, none, {}).step).toBe('Smell');
});
test('what is written is a draft until it is kept; then the next cup begins at its first step', () => {
  const written = after(
    { type: 'stepPicked', step: 'Taste' },
    { type: 'written', code: '111', sheet: MARKED },
  );
  expect(written.drafts).toEqual({ 111: MARKED });
  const kept = sheetReducer('ladder')(written, { type: 'kept', code: '111', next: 1 });
  expect(kept).toEqual({ kind: 'cup', at: 1, step: 'Look', drafts: {} });
});
test('after the last cup it is time to submit; a touch on a cup goes back to it', () => {
  const done = after({ type: 'kept', code: '333', next: null });
  expect(done.kind).toBe('submit');
  expect(sheetReducer('ladder')(done, { type: 'cupPicked', at: 1 })).toMatchObject({
    kind: 'cup',
    at: 1,
  });
  expect(sheetReducer('ladder')(done, { type: 'submitClosed' }).kind).toBe('cup');
});
test('keys stop at the first and the last cup', () => {
  const by = (n: 1 | -1): SheetEvent => ({ type: 'cupMoved', by: n, cups: CUPS.length });
  expect(after(by(-1)).at).toBe(0);
  expect(after(by(1), by(1), by(1), by(1)).at).toBe(2);
});
test('the same touch again takes a mark or a word away', () => {
  const once = marked(EMPTY, 'strength', 1);
  expect(once.marks).toEqual({ strength: 1 });
  expect(marked(once, 'strength', 1).marks).toEqual({});
  expect(marked(once, 'strength', -1).marks).toEqual({ strength: -1 });
  expect(toggled(toggled(['malt'], 'honey'), 'malt')).toEqual(['honey']);
});
test('the rest is right, and what was marked stays', () => {
  const all = restRight(MARKED);
  expect(all.marks.strength).toBe(1);
  expect(openAttributes(all, 'ladder')).toEqual([]);
  expect(Object.values(all.marks).filter((m) => m === 0)).toHaveLength(ATTRIBUTE_NAMES.length - 1);
});
test('what is open is said', () => {
  expect(openWords(openAttributes(EMPTY, 'ladder'))).toBe('; nothing is marked yet');
  expect(openWords(['body'])).toBe('; body is open');
  expect(openWords(['body', 'aroma'])).toBe('; body, aroma are open');
  expect(openWords([])).toBe('');
});
test('a calibration asks for scores, not marks', () => {
  const scored: Sheet = { ...EMPTY, scores: { strength: 4 } };
  expect(openAttributes(scored, 'calibration')).not.toContain('strength');
  expect(openAttributes(MARKED, 'calibration')).toContain('strength');
});
test('the next cup is one that is neither kept nor begun before this', () => {
  const state = { ...after(), at: 1, drafts: { 111: MARKED } };
  expect(nextCup(CUPS, state, none)).toBe('333');
  expect(nextCup(CUPS, state, (c) => c === '333')).toBeNull();
});
test('how far a cup is', () =>
  expect([
    cupState(true, true, true),
    cupState(false, true, true),
    cupState(false, false, true),
    cupState(false, false, false),
  ]).toEqual(['kept', 'begun', 'this cup', 'to taste']));
