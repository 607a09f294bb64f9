import { predict as taste, propose } from '#core/corrections';
import { brewingOf } from '#core/recipes';
import {
  cupsSeen,
  dialledIn,
  housePour,
  marksWords,
  offIn,
  type PlannedCup,
  recipeAt,
  type Round,
  roundOf,
  type Sheet,
  storyOf,
  type TastingEvent,
  turnedCup,
  validateAct,
  verdictOf,
} from '#core/tastings';
import { celsius, grams, millilitres, seconds } from '#core/units';
import { ALL, exerciseOf, held, house, lead, recipe, sheet } from '../testing/heldTable';

describe('a dial-in', () => {
  const one = exerciseOf({ cups: [house] });
  test('one cup, no order asked for: handed in without one', () => {
    expect(one.cups).toHaveLength(1);
    expect(
      validateAct(
        one,
        [{ id: 'a', at: 1, by: lead, act: { kind: 'start' } }],
        { kind: 'handIn', taster: 'Ada', order: null, choice: null },
        { id: 'Ada', runs: false },
      ),
    ).toBeNull();
  });
  test('right is every attribute marked and within half a mark; what is not marked is not right', () => {
    const right = roundOf(
      one,
      held(one, (i) => sheet({ ...ALL, bitterness: i < 2 ? 1 : 0 })),
    );
    expect(right.means.bitterness).toBe(0.5);
    expect(dialledIn(right)).toBe(true);
    expect(marksWords(right)).toBe('all right');
    expect(
      dialledIn(
        roundOf(
          one,
          held(one, () => sheet({ strength: 0, bitterness: 0 })),
        ),
      ),
    ).toBe(false);
    expect(
      dialledIn(
        roundOf(
          one,
          held(one, (i) => sheet({ ...ALL, bitterness: i < 3 ? 1 : 0 })),
        ),
      ),
    ).toBe(false);
  });
  test('its verdict: over half a mark is one at least, and what is right says nothing', () => {
    const r = roundOf(
      one,
      held(one, (i) =>
        sheet({ ...ALL, bitterness: i < 3 ? 1 : 0, astringency: 2, sweetness: i < 2 ? -1 : 0 }),
      ),
    );
    expect(verdictOf(r)).toMatchObject({
      bitterness: 1,
      astringency: 2,
      sweetness: 0,
      strength: 0,
      colour: 0,
    });
    expect(offIn(r)).toEqual(['astringency', 'bitterness']);
    expect(marksWords(r)).toBe('drying +2, bitter +0.8');
  });
  test('a lost cup is no verdict; of two cups the newest counts, as it was really made', () => {
    const two = exerciseOf({ cups: [house, { ...house, seconds: 180 }] });
    const t = held(two, (_, cup) => sheet({ ...ALL, bitterness: cup === 0 ? 2 : 0 }), [
      { kind: 'weigh', cup: 1, grams: 1.7, water: 150 },
    ]);
    expect(roundOf(two, t)).toMatchObject({
      cup: { grams: 1.7, seconds: 180 },
      lost: null,
      means: { bitterness: 0 },
    });
    const lost = roundOf(
      two,
      held(two, () => sheet(ALL), [{ kind: 'exclude', cup: 1, reason: 'spilled' }]),
    );
    expect(lost.lost).toBe('spilled');
    expect(dialledIn(lost)).toBe(false);
  });
  test('a bitter new lot is right in three rounds at most, turning leaf, heat and time alone', () => {
    // The lot bites more than the one before, and gives faster; tasters mark it against the house cup of the old.
    const vessel = { infuser: 'free', basket: null, material: 'porcelain', lid: true } as const;
    const brew = (
      c: PlannedCup,
      leaf: { rate: number; pool: number; bite: number; sensitivity: number } | null,
    ) =>
      brewingOf({
        tea: { style: 'black-whole', fitted: leaf },
        recipe,
        vessel,
        leaf: grams(c.grams),
        water: millilitres(c.water),
        onLeaf: celsius(c.celsius),
        time: seconds(c.seconds),
      });
    const lot = { rate: 1.3, pool: 1.05, bite: 1.25, sensitivity: 1 };
    let cup = house;
    let rounds = 1;
    for (; rounds <= 4; rounds++) {
      const e = exerciseOf({ cups: [cup] });
      const r = roundOf(
        e,
        held(e, () => sheet(marksOf(brew(cup, lot), brew(house, null)))),
      );
      if (dialledIn(r)) break;
      const p = propose({
        verdict: verdictOf(r),
        recipe: recipeAt(recipe, r.cup),
        style: 'black-whole',
        brew: brew(r.cup, null),
        warmed: true,
        crowding: null,
        dialIn: { leafGrams: house.grams, temperatureC: house.celsius, seconds: house.seconds },
      });
      expect(
        p.turns.every((t) =>
          ['leafMore', 'leafLess', 'cooler', 'hotter', 'shorter', 'longer'].includes(t.lever),
        ),
      ).toBe(true);
      const next = turnedCup(r.cup, p.turns);
      expect(next).not.toEqual(cup);
      cup = next;
    }
    expect(rounds).toBeGreaterThan(1);
    expect(rounds).toBeLessThanOrEqual(3);
  });
  test('a lot that only lacks aroma is not sent away to be checked: it is new', () => {
    const brewed = brewingOf({
      tea: { style: 'black-whole', fitted: null },
      recipe,
      vessel: { infuser: 'free', basket: null, material: 'porcelain', lid: true },
      leaf: grams(house.grams),
      water: millilitres(150),
      onLeaf: celsius(house.celsius),
      time: seconds(house.seconds),
    });
    const judged = {
      verdict: { ...ALL, colour: 0 as const, aroma: -1 as const },
      recipe,
      style: 'black-whole' as const,
      brew: brewed,
      warmed: true,
      crowding: null,
    };
    expect(propose(judged).lever).toBe('checkLot');
    expect(
      propose({
        ...judged,
        dialIn: { leafGrams: house.grams, temperatureC: house.celsius, seconds: house.seconds },
      }).lever,
    ).not.toBe('checkLot');
  });
  test('the recipe of a cup moves leaf, heat and window; the story fits in a reason however long it is', () => {
    const moved = recipeAt(recipe, { ...house, grams: 2.4, celsius: 86, seconds: 183 });
    expect(moved).toMatchObject({ dose: 1.6, temperature: 86, window: { best: 185 } });
    expect(moved.window.earliest).toBeLessThan(185);
    expect(moved.later).toEqual(recipe.later);
    // Nobody turned the leaf: it stays to the last figure.
    const fine = { ...recipe, dose: 1.2345 as typeof recipe.dose };
    expect(recipeAt(fine, { ...housePour(fine, 150), seconds: 200 })).toMatchObject({
      dose: 1.2345,
      window: { best: 200 },
    });
    const round: Round = {
      cup: house,
      lost: null,
      n: 4,
      means: { strength: 1, bitterness: 1.25, astringency: 0, sweetness: -0.75, aroma: 0 },
    };
    expect(storyOf('Lot 11', [round])).toMatch(
      /^Dial-in of Lot 11, 1 round, 4 tasting\. 1: .*: bitter \+1\.3, strength \+1, sweet −0\.8\.$/,
    );
    for (let n = 1; n <= 12; n++) {
      const story = storyOf(
        'A lot with quite a long name, second flush',
        Array.from({ length: n }, () => round),
      );
      expect(story.length).toBeLessThanOrEqual(300);
      expect(story).toContain(`${n} round`);
    }
  });
});
function marksOf(
  got: Parameters<typeof taste>[0],
  right: Parameters<typeof taste>[0],
): Sheet['marks'] {
  const [a, b] = [taste(got), taste(right)];
  return Object.fromEntries(
    (['strength', 'bitterness', 'astringency', 'sweetness', 'aroma'] as const).map((k) => [
      k,
      Math.max(-2, Math.min(2, Math.round((a[k] - b[k]) / 0.8))),
    ]),
  ) as Sheet['marks'];
}

test('an instrument’s reading of a cup goes into the fit once it is poured off, from whoever runs the tasting', () => {
  const e = exerciseOf({ cups: [house] });
  const tea = {
    tea: { style: 'black-whole' as const, fitted: null },
    recipe,
    vessel: { infuser: 'free' as const, basket: null, material: 'porcelain' as const, lid: true },
  };
  const measured = held(e, () => null, [
    { kind: 'measure', cup: 0, solids: 3.2 },
    { kind: 'measure', cup: 0, colour: { strength: 1.1, low: 1, high: 1.2 } },
  ]);
  expect(cupsSeen(e, measured, tea)).toMatchObject([
    { solids: 3.2, colour: { strength: 1.1 }, n: 0, marks: {} },
  ]);
  expect(
    cupsSeen(
      e,
      held(e, () => null),
      tea,
    ),
  ).toEqual([]);
  const started: TastingEvent[] = [
    { id: 'a', at: 1, by: lead, act: { kind: 'start' } },
    { id: 'b', at: 2, by: lead, act: { kind: 'pour', cup: 0 } },
  ];
  const runs = { id: 'lead', runs: true };
  expect(validateAct(e, started, { kind: 'measure', cup: 0, solids: 3 }, runs)).toBe('notPulled');
  expect(
    validateAct(
      e,
      [...started, { id: 'c', at: 3, by: lead, act: { kind: 'pull', cup: 0 } }],
      { kind: 'measure', cup: 0, solids: 3 },
      runs,
    ),
  ).toBeNull();
  expect(validateAct(e, started, { kind: 'measure', cup: 4, solids: 3 }, runs)).toBe('noSuchCup');
  expect(
    validateAct(e, started, { kind: 'measure', cup: 0, solids: 3 }, { id: 'Ada', runs: false }),
  ).toBe('notYours');
});
