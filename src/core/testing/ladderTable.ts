import { seeded } from '#core/numeric';
import {
  type ExerciseAsk,
  foldTasting,
  type LadderResult,
  resultOf,
  setUp,
  type Taster,
  type TastingAct,
  type TastingEvent,
  validateAct,
} from '#core/tastings';

// A ladder for the tests: four tasters, and a table that keeps what is allowed.

export const TASTERS: Taster[] = [
  { id: 'i', name: 'Ilsa V.' },
  { id: 'd', name: 'Dov R.' },
  { id: 'p', name: 'Pela M.' },
  { id: 't', name: 'Tam O.' },
];
export const LEAD = { id: 'i', runs: true };
export const U = { volume: 'ml', temperature: 'C' } as const;
export const cupsAt = (...times: number[]) =>
  times.map((s) => ({ grams: 1.8, water: 150, celsius: 96, seconds: s }));
export const ladder = (times = [45, 120, 180, 300], tasters = TASTERS): ExerciseAsk => ({
  kind: 'ladder',
  way: 'seconds',
  asks: 'strength',
  cups: cupsAt(...times),
  tasters,
});

/** A table that is run: events made one after another, each allowed before it is kept. */
export function table(ask: ExerciseAsk, seed = 7) {
  const exercise = setUp(ask, seeded(seed));
  const events: TastingEvent[] = [];
  const start = 1_780_000_000_000;
  const does = (act: TastingAct, who = LEAD, at = start + events.length * 1000) => {
    const refused = validateAct(exercise, events, act, who);
    if (!refused)
      events.push({
        id: `e${events.length}`,
        at,
        by: TASTERS.find((t) => t.id === who.id) ?? (TASTERS[0] as Taster),
        act,
      });
    return refused;
  };
  const now = () => foldTasting(exercise, events);
  const brewed = () => {
    does({ kind: 'start' }, LEAD, start);
    exercise.cups.forEach((c, cup) =>
      does({ kind: 'pull', cup }, LEAD, start + c.plan.seconds * 1000 + 1000),
    );
  };
  /** Marks by rung, weakest first, then the whole order. */
  const sheet = (
    t: Taster,
    bitter: readonly (number | null)[],
    order = exercise.cups.map((c) => c.codes[0] ?? ''),
  ) => {
    const who = { id: t.id, runs: false };
    exercise.cups.forEach((c, i) => {
      const mark = bitter[i];
      if (mark !== null && mark !== undefined)
        does(
          {
            kind: 'keep',
            taster: t.id,
            code: c.codes[0] ?? '',
            sheet: { marks: { bitterness: mark as 0, strength: 0 }, words: [] },
          },
          who,
        );
    });
    return does({ kind: 'handIn', taster: t.id, order, choice: null }, who);
  };
  return {
    exercise,
    events,
    does,
    now,
    brewed,
    sheet,
    result: () => resultOf(exercise, now()) as LadderResult,
    code: (i: number) => exercise.cups[i]?.codes[0] ?? '',
    start,
  };
}
/** The table of the picture: bitterness begins between the second and third rung. */
export function tasted() {
  const t = table(ladder());
  t.brewed();
  t.sheet(TASTERS[0] as Taster, [-2, -1, 0, 2]);
  t.sheet(TASTERS[1] as Taster, [-2, 0, 1, 1]);
  t.sheet(TASTERS[2] as Taster, [-2, -1, 0, 1], [t.code(0), t.code(1), t.code(3), t.code(2)]);
  t.sheet(TASTERS[3] as Taster, [-1, -1, 1, 2]);
  return t;
}
