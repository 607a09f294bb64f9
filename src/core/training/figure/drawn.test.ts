import { seeded } from '#core/numeric';
import { sampleDrillCup, sampleDrillFacts } from '#core/testing';
import {
  againFigure,
  type AgainGiven,
  drawFigure,
  figureWords,
  judgeTask,
  liquorRescued,
  matchFigure,
  packetFigure,
  type PacketGiven,
  type PlanGiven,
  type RescueGiven,
  tasteRescued,
  workFigure,
} from '#core/training';
import { bandAbout, bandWhere } from './figures';

const CUP = sampleDrillCup();

describe('bands', () => {
  test('the larger of a fixed amount and a share counts', () => {
    expect(bandAbout(2, { by: 0.1, share: 0.03 })).toEqual([1.9, 2.1]);
    expect(bandAbout(10, { by: 0.1, share: 0.03 })).toEqual([9.7, 10.3]);
  });
  test('an edge is found from inside; a range that is good throughout is taken whole', () => {
    const [low, high] = bandWhere(5, [0, 100], (x) => x >= 3 && x <= 20);
    expect(low).toBeCloseTo(3, 1);
    expect(high).toBeCloseTo(20, 1);
    expect(bandWhere(5, [0, 10], () => true)).toEqual([0, 10]);
  });
});

describe('a packet', () => {
  const given = (text: string, over: Partial<PacketGiven> = {}): PacketGiven => ({
    ...{ tea: 'Tolvane Amber', style: 'black-whole', vesselName: 'Grey pot', waterMl: 800 },
    ...{ text, gramsPerMl: 0.24, level: 3 },
    ...over,
  });
  test('grams for other water are scaled', () => {
    expect(packetFigure(given('6 g per 500 ml'))?.shown).toBe(9.6);
  });
  test('a spoon is weighed by this tea', () => {
    // Two level teaspoons of 5 ml at 0.24 g/ml are 2.4 g in 200 ml.
    const figure = packetFigure(given('2 teaspoons per 200 ml'));
    expect(figure?.shown).toBe(9.6);
    expect(figure?.meant.spoon).toBeNull();
  });
  test('a teaspoon that must be a tablespoon is taken as one; as printed is a mistake with its name', () => {
    const figure = packetFigure(given('½ teaspoon per 150 ml'));
    expect(figure?.meant.spoon).toBe('tablespoon');
    expect(figure?.truth).toBeCloseTo((800 * 1.8) / 150, 6);
    expect(figure?.mistakes.find((m) => m.id === 'asPrinted')?.value).toBeCloseTo(3.2, 6);
  });
  test('what can be taken in two ways, or in none, is no question', () => {
    expect(packetFigure(given('a handful of leaf'))).toBeNull();
    expect(packetFigure(given('20 g per 500 ml'))).toBeNull();
  });
});

describe('back from the service', () => {
  const given = (over: Partial<PlanGiven> = {}): PlanGiven => ({
    cold: {
      ...{ tea: 'Kestry Pearl', style: 'green-pan', doseGPer100Ml: 1 },
      ...{ earliestH: 12, latestH: 16 },
    },
    pitcher: { name: 'Cold pitcher', fillLineMl: 1000, brimMl: 1150 },
    // Service at ten on the second day; the shop is open from nine to nine.
    ...{ chillH: 0, serviceAt: 1440 + 600, open: { from: 540, to: 1260 } },
    ...{ glasses: 6, glassMl: 200, ask: 'time', level: 3 },
    ...over,
  });
  const shown = (over: Partial<PlanGiven>) =>
    workFigure({ drill: 'plan', given: given(over) })?.shown;
  test('leaf goes in within its window and within opening hours', () => {
    // Ten o'clock less sixteen to twelve hours: six to ten in the evening, of which the shop closes at nine.
    expect(workFigure({ drill: 'plan', given: given() })?.right).toEqual([1080, 1260]);
  });
  test('chilling comes off first; left out it is named', () => {
    const asked = given({ chillH: 2 });
    const figure = workFigure({ drill: 'plan', given: asked });
    expect(figure?.right).toEqual([960, 1200]);
    expect(figure?.mistakes.some((m) => m.id === 'noChill')).toBe(true);
    const judge = (value: number) =>
      judgeTask({ drill: 'plan', given: asked, answer: { value } })?.judged;
    expect([1000, 1230, 1300].map(judge)).toEqual(['right', 'near', 'wrong']);
  });
  test('a window that meets two days in which the shop is open is no question', () => {
    const wide = { ...given().cold, earliestH: 1, latestH: 20 };
    expect(
      workFigure({ drill: 'plan', given: given({ cold: wide, serviceAt: 1440 + 720 }) }),
    ).toBeNull();
  });
  test('leaf is for the fill line, pitchers for the liquor that is left of it', () => {
    expect(shown({ ask: 'leaf' })).toBe(10);
    // Ten grams keep 33 ml: 967 ml a pitcher, six glasses of 200 ml want two.
    expect(shown({ ask: 'pitchers' })).toBe(2);
    expect(shown({ ask: 'pitchers', glasses: 5, glassMl: 200 })).toBe(2);
    expect(shown({ ask: 'pitchers', glasses: 4, glassMl: 200 })).toBe(1);
  });
});

describe('the same leaf again', () => {
  const given = (over: Partial<AgainGiven> = {}): AgainGiven => ({
    ...{ cup: sampleDrillCup({ style: 'oolong-dark', seconds: 120 }), later: [], inBags: false },
    ...{ root: 0, past: [120], level: 2 },
    ...over,
  });
  test('as the recipe has it, where it has it', () => {
    const later = [{ earliest: 150, best: 180, latest: 210 }];
    const figure = againFigure(given({ later }));
    expect(figure.truth).toBe(180);
    expect(figure.right[0]).toBeLessThanOrEqual(150);
    expect(figure.right[1]).toBeGreaterThanOrEqual(210);
  });
  test('without one it takes longer than before; a bag is spent, and that is the answer', () => {
    expect(againFigure(given()).truth).toBeGreaterThan(120);
    const bag = given({ inBags: true, level: 5 });
    const judge = (value: number | 'cannot') =>
      judgeTask({ drill: 'again', given: bag, answer: { value } })?.judged;
    expect([judge('cannot'), judge(180)]).toEqual(['right', 'wrong']);
  });
  test('a part of the liquor kept under the leaf shortens or lengthens, and counts', () => {
    expect(againFigure(given({ root: 0.25 })).truth).not.toBe(againFigure(given()).truth);
  });
});

describe('match the colour', () => {
  const judge = (value: number) =>
    judgeTask({
      drill: 'match',
      given: { cup: CUP, wanted: 100, start: 140, level: 3 },
      answer: { value },
    })?.judged;
  test('alike within a tenth, nearly within a fifth, as a logarithm', () => {
    // ln 1.1 = 0.095, ln 1.2 = 0.182, ln 1.24 = 0.215.
    expect([100, 110, 120, 124].map(judge)).toEqual(['right', 'right', 'near', 'wrong']);
  });
  test('a cup that begins beside the answer is no question', () => {
    expect(matchFigure({ cup: CUP, wanted: 100, start: 110, level: 3 })).toBeNull();
  });
});

describe('rescue the cup', () => {
  const drawn = (level: 1 | 2 | 3 | 4 | 5, seed: number) =>
    drawFigure('rescue', sampleDrillFacts(), level, seeded(seed)).given as RescueGiven;
  test('the act fits the cup: nothing mends one that is thin and bitter', () => {
    const acts = Array.from({ length: 40 }, (_, i) => {
      const given = drawn(1, 100 + i);
      const { shown } = workFigure({ drill: 'rescue', given }) ?? { shown: 0 };
      return `${given.kind}: ${figureWords({ drill: 'rescue', given }).text(shown)}`;
    });
    expect(new Set(acts)).toEqual(
      new Set([
        'over: add hot water',
        'weak: put the leaf back',
        'blend: mix the two cups',
        'lost: brew a new cup',
      ]),
    );
  });
  test('the right amount brings the strength to the house cup; water makes the cup paler', () => {
    const given = Array.from({ length: 40 }, (_, i) => drawn(3, i)).find((g) => g.kind === 'over');
    if (!given) throw new Error('none was drawn');
    const best = workFigure({ drill: 'rescue', given })?.truth ?? 0;
    const strength = (value: number) => tasteRescued(given, value).strength;
    expect(strength(0)).toBeGreaterThan(strength(best) + 0.5);
    expect(strength(2 * best)).toBeLessThan(strength(best));
    expect(liquorRescued(given, best)).not.toEqual(liquorRescued(given, 0));
  });
  test('which mark is still wrong is chosen at level 4 too', () => {
    const given = drawn(4, 7);
    const figure = workFigure({ drill: 'rescue', given });
    expect(figure?.isChosen).toBe(true);
    const judge = (value: number) =>
      judgeTask({ drill: 'rescue', given, answer: { value } })?.judged;
    const right = [1, 2, 3, 4, 5].filter((value) => judge(value) === 'right');
    expect(right).toEqual([figure?.truth]);
    expect(judge(6)).toBeUndefined();
  });
});
