import { readFileSync } from 'node:fs';
import { epochMs } from '#core/units';
import { type BlockRating, blockRating, dueCards } from './due';
import { type Answered, evidenceOf } from './evidence';
import { type LevelAnswer, ratedAfter, UNRATED } from './level';
import { type SignEvent, signOffOf } from './signOff';
import { wilson } from './wilson';

// What skills, levels and dates come to, worked out apart from this code.

/* eslint-disable @typescript-eslint/no-explicit-any -- reference cases are plain JSON */
const all = JSON.parse(readFileSync('test/reference/school.json', 'utf8')) as Record<
  string,
  { in: any; out: any }[]
>;
const cases = (kind: string) => (all[kind] ?? []).map((c, i) => [i, c.in, c.out] as const);
const at = (iso: string) => epochMs(Date.parse(iso));

test.each(cases('wilson'))('interval %i', (_i, given, out) => {
  const { low, high } = wilson(given.credit, given.n, given.z);
  expect(low).toBeCloseTo(out.low, 5);
  expect(high).toBeCloseTo(out.high, 5);
});
test.each(cases('evidence'))('evidence %i', (_i, given, out) => {
  const answers = given.answers.map((a: any): Answered => ({ ...a, at: at(a.at) }));
  const found = evidenceOf(answers, at(given.now));
  expect(found).toMatchObject({
    ...{ n: out.n, credit: out.credit, days: out.days, enough: out.enough, lacks: out.lacks },
  });
  expect(found.guess).toBeCloseTo(out.guess, 3);
  expect(found.bound).toBeCloseTo(out.bound, 3);
});
test.each(cases('signOff'))('sign-off %i', (_i, given, out) => {
  expect(signOffOf(given.events as SignEvent[], given.today, given.months)).toEqual(out);
});
test.each(cases('block'))('block %i', (_i, given, out) => {
  expect(blockRating(given.credits, given.pace, given.level)).toBe(out.rating);
});
test.each(cases('levels'))('levels %i', (_i, given, out: any[]) => {
  let rated = UNRATED;
  (given.answers as LevelAnswer[]).forEach((answer, i) => {
    rated = ratedAfter(rated, answer, given.guess);
    expect(rated).toMatchObject({ n: out[i].n, next: out[i].next });
    expect(Math.abs(rated.rating - out[i].rating)).toBeLessThanOrEqual(1e-3);
  });
});
test.each(cases('fsrs'))('dates %i', (_i, given, out: any[]) => {
  const reviews = given.reviews.map((r: any) => ({
    at: at(r.at),
    rating: r.rating as BlockRating,
  }));
  dueCards(at(given.begun), reviews).forEach((card, i) => {
    const { due, days, state, lapses, ...figures } = out[i];
    expect(card).toMatchObject({ due: at(due), days, state, lapses });
    for (const [figure, wanted] of Object.entries(figures) as [keyof typeof card, number | null][])
      if (wanted === null) expect(card[figure]).toBeNull();
      else expect(card[figure]).toBeCloseTo(wanted, 3);
  });
});
