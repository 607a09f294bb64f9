import { startingRecipe } from '#core/recipes';
import type { StyleId } from '#core/styles';
import {
  cupName,
  type Exercise,
  expectedCups,
  foldTasting,
  housePour,
  isColdCup,
  LEAF_LESSON_IDS,
  LEAF_LESSONS,
  leafCautions,
  leafLessonAt,
  type LeafLessonId,
  leafPart,
  likeForLike,
  nextMoment,
  scheduleFor,
  type TastingEvent,
} from '#core/tastings';
import { celsius, millilitres } from '#core/units';

const ml = millilitres;
/** A tasting cup or a pot of porcelain at sea level, filled with so much. */
function setting(style: StyleId, water: number) {
  const vessel = {
    ...({ kind: 'tasting', infuser: 'free', basket: null, material: 'porcelain' } as const),
    ...{ brim: ml(water * 1.1), mark: ml(water), wallGrams: null, lid: true },
  };
  const recipe = startingRecipe(style, 'pot');
  const site = {
    ...{ altitudeM: 0, measuredBoiling: null, ambient: celsius(20), coldWater: celsius(12) },
    ...{ pourLoss: null, kettle: { volume: ml(1500), material: 'stainless' as const, lid: true } },
  };
  // The heat of the water is that on 1.2 g of leaf to 100 ml, whatever the recipe’s own dose is.
  const usual = { ...housePour(recipe, water), grams: (1.2 * water) / 100 };
  const at = { ...leafLessonAt(usual, vessel, site), house: housePour(recipe, water) };
  return { of: { tea: { style, fitted: null, swatches: null }, recipe, vessel }, at };
}
function expected(lesson: LeafLessonId, style: StyleId, water: number, part = 0) {
  const { of, at } = setting(style, water);
  return expectedCups(of, leafPart(lesson, part).cups(at));
}

// Strength of each cup as a trainer's handbook of this model has it, to the heat of somewhat other vessels.
test.each([
  ['timeLadder', 'black-whole', 200, 0, [2.1, 4.4, 5.2, 6.1]],
  ['heatPair', 'green-pan', 150, 0, [3.9, 5.4]],
  ['infusers', 'black-whole', 250, 0, [5.8, 5.7, 5.1]],
  ['stirring', 'black-whole', 250, 0, [5.7, 6.3]],
  ['warmedPot', 'black-whole', 500, 0, [4.8, 5.7]],
  ['leafAgain', 'oolong-dark', 100, 0, [5.3, 4.5, 3.2]],
  ['leafAgain', 'oolong-dark', 100, 1, [4.4, 4.8, 4.4]],
  ['bags', 'black-broken', 200, 0, [5.8, 6.3, 6.5]],
  ['hotCold', 'green-pan', 100, 0, [3.0, 2.5, 3.2]],
] as const)('%s, %s in %d ml, part %d', (lesson, style, water, part, strengths) => {
  const cups = expected(lesson, style, water, part);
  expect(cups).toHaveLength(strengths.length);
  strengths.forEach((strength, i) =>
    expect(Math.abs((cups[i]?.strength ?? 0) - strength)).toBeLessThan(0.21),
  );
});
test('what each lesson shows is there to be tasted', () => {
  const [, , third, fourth] = expected('timeLadder', 'black-whole', 200);
  // Past the window strength hardly rises, bitterness does.
  expect((fourth?.bitterness ?? 0) - (third?.bitterness ?? 0)).toBeGreaterThan(1);
  const [cool, hot] = expected('heatPair', 'green-pan', 150);
  expect((hot?.stewed ?? 0) - (cool?.stewed ?? 0)).toBeGreaterThan(2);
  const [warm, ...fromFridge] = expected('hotCold', 'green-pan', 100);
  expect(fromFridge[0]?.bitterness).toBeLessThan((warm?.bitterness ?? 0) / 2);
  // The pot read half a minute on: about 91 and 83 degrees.
  const { at } = setting('black-whole', 500);
  const [cold, warmed] = leafPart('warmedPot').cups(at);
  expect(Math.abs((cold?.celsius ?? 0) - 83)).toBeLessThanOrEqual(1);
  expect(Math.abs((warmed?.celsius ?? 0) - 91)).toBeLessThanOrEqual(1);
});
test('the last cup of a pot is the strongest; in turns all are alike', () => {
  const [first, middle, last] = expected('firstLast', 'black-whole', 500);
  const turns = expected('firstLast', 'black-whole', 500, 1);
  expect(first?.strength).toBeLessThan(middle?.strength ?? 0);
  expect(middle?.strength).toBeLessThan(last?.strength ?? 0);
  for (const cup of turns) expect(cup.strength).toBeCloseTo(middle?.strength ?? 0, 9);
});
test.each(LEAF_LESSON_IDS)(
  '%s differs in one thing, has cups to tell apart and a caution',
  (id) => {
    const { at } = setting('black-whole', 250);
    for (const part of LEAF_LESSONS[id].parts) {
      const { way, compares } = part.exercise;
      const cups = part.cups(at);
      const { alsoDiffers, same } = likeForLike(cups, way, compares);
      expect({ part: part.name, alsoDiffers, same }).toEqual({
        ...{ part: part.name, alsoDiffers: [], same: false },
      });
      if (compares && compares !== 'hotCold')
        expect(new Set(cups.map(cupName)).size).toBe(cups.length);
    }
    expect(leafCautions(id, 'milk').join(' ')).toMatch(/scald.*milk/);
  },
);

/** An exercise of a lesson with one taster, and what happened at it. */
function table(lesson: LeafLessonId) {
  const { exercise, asks, cups } = leafPart(lesson);
  const { kind, way, compares } = exercise;
  const planned = cups(setting('green-pan', 200).at);
  const e: Exercise = {
    ...{ kind, way, compares, asks, lesson },
    cups: planned.map((plan, i) => ({ plan, codes: [String(100 + i)] })),
    tasters: [{ id: 'a', name: 'Pela M.' }],
    servings: { a: [] },
  };
  const events: TastingEvent[] = [];
  const does = (act: TastingEvent['act'], at: number) =>
    events.push({ id: String(events.length), at, by: { id: 'a', name: 'Pela M.' }, act });
  return { e, does, now: () => foldTasting(e, events) };
}
test('cold cups are there when the clock starts: only the hot one is poured and lifted', () => {
  const { e, does, now } = table('hotCold');
  expect(e.cups.map((c) => isColdCup(c.plan))).toEqual([false, true, true]);
  expect(scheduleFor(e)).toMatchObject({ kind: 'together', length: 120 });
  does({ kind: 'start' }, 1_000_000);
  const hours = now().cups.map((c) => ((c.pulled ?? 0) - (c.poured ?? 0)) / 3_600_000);
  expect(hours).toEqual([0, 4, 10]);
  expect(nextMoment(e, now())).toMatchObject({ cup: 0, act: 'pour' });
  does({ kind: 'pour', cup: 0 }, 1_000_000);
  does({ kind: 'pull', cup: 0 }, 1_120_000);
  expect(now().stage).toBe('tasting');
});
test('one pot: water goes on once, the cups are filled one after the other', () => {
  const { e, does, now } = table('firstLast');
  const { kind, moments, tight } = scheduleFor(e);
  const pulls = moments.filter((m) => m.act === 'pull').map((m) => m.at);
  const [first = 0] = pulls;
  expect({ kind, tight, after: pulls.map((s) => s - first) }).toEqual({
    ...{ kind: 'onePot', tight: [], after: [0, 10, 20] },
  });
  does({ kind: 'start' }, 0);
  expect(now().cups.every((c) => c.poured === 0)).toBe(true);
  expect(nextMoment(e, now())).toMatchObject({ cup: 0, act: 'pull' });
});
