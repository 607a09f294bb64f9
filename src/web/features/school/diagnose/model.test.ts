import { seeded } from '#core/numeric';
import { sampleDrillCup } from '#core/testing';
import { drawDiagnosis, DrillHouse, workDiagnosis } from '#core/training';
import { answerOf, begun, type DrillAction, drilled, missing } from './model';

const given = drawDiagnosis(new DrillHouse([sampleDrillCup()]), 2, seeded(3));
const diagnosis = workDiagnosis(given);
const after = (...actions: DrillAction[]) => actions.reduce(drilled, begun(1));
const cause = { kind: 'cause', cause: diagnosis.choices[0] ?? 'long' } as const;
const lever = { kind: 'lever', turn: 0, lever: 'time' } as const;
const size = { kind: 'size', turn: 0, size: 30 } as const;

test('it says what is missing, one thing after another', () => {
  expect(missing(after())).toBe('Choose the fault.');
  expect(missing(after(cause))).toBe('Choose a lever.');
  expect(missing(after(cause, lever))).toBe('How much?');
  expect(missing(after(cause, { ...lever, lever: 'vessel' }))).toBe('Choose what is done.');
  expect(missing(after(cause, lever, size))).toBeNull();
});
test('another lever begins at nothing; undo takes the last choice back', () => {
  const all = after(cause, lever, size);
  expect(answerOf(all)).toEqual({ cause: cause.cause, turns: [{ lever: 'time', size: 30 }] });
  expect(answerOf(drilled(all, { ...lever, lever: 'leaf' }))).toBeNull();
  const undo = { kind: 'undo' } as const;
  expect(missing(after(cause, lever, size, undo))).toBe('How much?');
  expect(missing(after(cause, lever, size, undo, undo))).toBe('Choose a lever.');
  expect(missing(after(cause, lever, size, undo, undo, undo))).toBe('Choose the fault.');
});
test('nothing is submitted before all is chosen, and what is submitted stays', () => {
  const submit = { kind: 'submit', diagnosis } as const;
  expect(after(cause, lever, submit).score).toBeNull();
  const done = after(cause, lever, size, submit);
  expect(done.score?.credit).toBeGreaterThanOrEqual(0);
  expect(drilled(done, { kind: 'size', turn: 0, size: 90 })).toBe(done);
});
