import fc from 'fast-check';
import { seeded } from '#core/numeric';
import { ladder, TASTERS } from '../testing/ladderTable';
import {
  foldTasting,
  type LadderResult,
  missing,
  resultOf,
  setUp,
  type Taster,
  type TastingAct,
  type TastingEvent,
  validateAct,
} from '.';

describe('whatever is tried at a table, in whatever order, by whomever', () => {
  const exercise = setUp(ladder(), seeded(9));
  const codes = exercise.cups.map((c) => c.codes[0] ?? '');
  const taster = fc.constantFrom(...TASTERS.map((t) => t.id), 'nobody');
  const code = fc.constantFrom(...codes, '000');
  const cup = fc.integer({ min: -1, max: 4 });
  const act: fc.Arbitrary<TastingAct> = fc.oneof(
    fc.constant({ kind: 'start' as const }),
    fc.record({ kind: fc.constantFrom('pour' as const, 'pull' as const), cup }),
    fc.record({ kind: fc.constant('exclude' as const), cup, reason: fc.constant('spilled') }),
    fc.record({ kind: fc.constant('swap' as const), a: code, b: code }),
    fc.record({ kind: fc.constant('leave' as const), taster, reason: fc.constant('') }),
    fc.record({
      kind: fc.constant('keep' as const),
      taster,
      code,
      sheet: fc.record({
        marks: fc.record({ bitterness: fc.constantFrom(-2 as const, 0 as const, 2 as const) }),
        words: fc.constant([]),
      }),
    }),
    fc.record({
      kind: fc.constant('handIn' as const),
      taster,
      order: fc.oneof(fc.constant(null), fc.shuffledSubarray(codes, { minLength: 3 })),
      choice: fc.constant(null),
    }),
    fc.constant({ kind: 'reveal' as const }),
    fc.record({
      kind: fc.constant('undo' as const),
      of: fc.integer({ min: 0, max: 30 }).map((i) => `e${i}`),
    }),
  );
  const tried = fc.array(fc.record({ act, by: fc.constantFrom(...TASTERS) }), {
    minLength: 1,
    maxLength: 40,
  });
  /** Keeps what is allowed, one after another, and looks at the table after each. */
  function run(
    steps: readonly { act: TastingAct; by: Taster }[],
    look: (
      before: ReturnType<typeof foldTasting>,
      after: ReturnType<typeof foldTasting>,
      kept: TastingEvent | null,
    ) => void,
  ) {
    const events: TastingEvent[] = [];
    for (const { act: a, by } of steps) {
      const before = foldTasting(exercise, events);
      const kept =
        validateAct(exercise, events, a, { id: by.id, runs: by.id === 'i' }) === null
          ? { id: `e${events.length}`, at: 1_780_000_000_000 + events.length * 1000, by, act: a }
          : null;
      if (kept) events.push(kept);
      look(before, foldTasting(exercise, events), kept);
    }
  }
  test('a sheet that was handed in never changes again', () => {
    fc.assert(
      fc.property(tried, (steps) =>
        run(steps, (before, after) =>
          before.tasters.forEach((t, i) => {
            if (t.handedIn !== null) expect(after.tasters[i]).toEqual(t);
          }),
        ),
      ),
      { seed: 61, numRuns: 300 },
    );
  });
  test('each code always stands for one cup, and every cup has one', () => {
    fc.assert(
      fc.property(tried, (steps) =>
        run(steps, (_before, after) =>
          expect(Object.values(after.cupOf).sort()).toEqual([0, 1, 2, 3]),
        ),
      ),
      { seed: 62, numRuns: 300 },
    );
  });
  test('revealed only when nobody is missing, and then for good', () => {
    fc.assert(
      fc.property(tried, (steps) =>
        run(steps, (before, after, kept) => {
          if (before.stage === 'revealed') expect([after.stage, kept]).toEqual(['revealed', null]);
          if (after.stage === 'revealed') expect(missing(after)).toEqual([]);
        }),
      ),
      { seed: 63, numRuns: 300 },
    );
  });
  test('nobody but the runner does more than write a sheet, and only their own', () => {
    fc.assert(
      fc.property(tried, (steps) =>
        run(steps, (_before, _after, kept) => {
          if (kept && kept.by.id !== 'i')
            expect(
              'taster' in kept.act && kept.act.kind !== 'leave' ? kept.act.taster : 'not a sheet',
            ).toBe(kept.by.id);
        }),
      ),
      { seed: 64, numRuns: 300 },
    );
  });
  test('a result can be read at any moment, and lays no mark to a cup that was left out', () => {
    fc.assert(
      fc.property(tried, (steps) =>
        run(steps, (_before, after) => {
          const r = resultOf(exercise, after) as LadderResult;
          const out = new Set(r.cups.filter((c) => c.excluded !== null).map((c) => c.cup));
          for (const a of Object.values(r.attributes))
            expect(a.marks.some((m) => out.has(m.cup))).toBe(false);
          expect(r.tasters.every((t) => t.ordering === null || Math.abs(t.ordering.tau) <= 1)).toBe(
            true,
          );
        }),
      ),
      { seed: 65, numRuns: 60 },
    );
  });
});
