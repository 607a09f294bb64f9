import { handlingWords, type OwnStep, recipeFault, startingRecipe } from '#core/recipes';
import { celsius, epochMs, grams, millilitres, seconds } from '#core/units';
import { type Planned, stepNow, stepsOf, stepStates, stepWords } from '.';

const OWN: readonly OwnStep[] = [
  { when: 'before', at: null, words: 'Shake the leaf flat' },
  { when: 'steep', at: null, words: 'Sweep the froth' },
  { when: 'steep', at: seconds(60), words: 'Lid on' },
  { when: 'after', at: null, words: 'Smell the warm leaf' },
];
const base = startingRecipe('green-steamed');
const recipe = {
  ...base,
  handling: { ...base.handling, stir: [seconds(30)], own: OWN },
};
const plan: Planned = {
  ...{ leaf: grams(4), water: millilitres(300), liquor: millilitres(288), warmed: true },
  ...{ kettle: celsius(80), reachable: true, spoons: null, recipe },
  vessel: { kind: 'pot', infuser: 'deep' },
};
const UNITS = { volume: 'ml', temperature: 'C' } as const;
const ON = epochMs(Date.UTC(2026, 2, 11, 10));
const after = (s: number) => epochMs(ON + 1000 * s);

test('they stand in their order among the other steps', () => {
  expect(stepsOf(plan).map((s) => s.key)).toEqual([
    ...['warm', 'weigh', 'own1', 'heat', 'pour', 'own2', 'stir1', 'own3'],
    ...['pull', 'own4', 'drain', 'serve', 'judge'],
  ]);
});
test('a later steep of the leaf leaves out what comes before the water', () => {
  const keys = stepsOf({ ...plan, steep: { number: 2 } }).map((s) => s.key);
  expect(keys).not.toContain('own1');
  expect(keys).toContain('own3');
});
test('while it steeps each is asked for at its moment, and the one after the leaf never before the pull', () => {
  const at = (s: number, done: readonly string[] = []) =>
    stepNow(
      plan,
      { kind: 'steeping', waterOn: ON },
      done.map((key) => ({ key, at: ON, outcome: 'done' as const })),
      after(s),
    )?.key ?? null;
  expect([at(3), at(3, ['own2']), at(28), at(58, ['stir1']), at(88, ['own3'])]).toEqual([
    ...['own2', null, 'stir1', 'own3', null],
  ]);
});
test('once the leaf is out the house’s own step is next', () => {
  const state = { kind: 'pulled', waterOn: ON, pulled: after(90) } as const;
  const found = stepStates(stepsOf(plan), state, []).find((s) => s.state === 'now');
  expect(found?.key).toBe('own4');
  expect(found && stepWords(found, plan, UNITS)).toEqual({
    act: 'Smell the warm leaf',
    done: 'Done',
  });
});
test('in words: on the bar with the time, on a card as sentences', () => {
  const lid = stepsOf(plan).find((s) => s.key === 'own3');
  expect(lid && stepWords(lid, plan, UNITS).act).toBe('Lid on at 1:00');
  expect(handlingWords(recipe).join(' ')).toContain(
    'Shake the leaf flat. Sweep the froth. At 1:00: Lid on. When the leaf is out: Smell the warm leaf.',
  );
});
test('a time past the window, or on a step that has no clock, is refused', () => {
  const fault = (own: OwnStep) =>
    recipeFault({ ...recipe, handling: { ...recipe.handling, own: [own] } }, 'pot');
  expect(fault({ when: 'steep', at: seconds(500), words: 'Lid on' })).toEqual({
    ...{ field: 'own', why: 'The leaf is out before that step.' },
  });
  expect(fault({ when: 'before', at: seconds(5), words: 'Shake' })?.field).toBe('own');
});
