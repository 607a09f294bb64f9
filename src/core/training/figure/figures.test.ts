import { seeded } from '#core/numeric';
import { sampleDrillCup } from '#core/testing';
import {
  choicesOf,
  drawScale,
  drawSpoons,
  judgedFigure,
  judgeTask,
  type Level,
  mistakeOf,
  scaleFigure,
  type ScaleGiven,
  scaleWorking,
  spoonsFigure,
} from '#core/training';

const CUPS = [
  sampleDrillCup(),
  sampleDrillCup({ tea: 'Sennet Hollow', style: 'green-pan', leafGrams: 4.8, waterMl: 450 }),
  sampleDrillCup({ vessel: 'Small pot', leafGrams: 3.7, waterMl: 310, capacityMl: 360 }),
];
const WEIGHED = [
  { tea: 'Tolvane Amber', spoon: { name: 'dessert spoon', ml: 10 }, grams: 2.4 },
  { tea: 'Sennet Hollow', spoon: { name: 'teaspoon', ml: 5 }, grams: 0.9 },
];
const LEVELS: readonly Level[] = [1, 2, 3, 4, 5];
const DRAWN = 100;
/** A hundred of each level, each by its own chance. */
const each = <T>(draw: (level: Level, random: () => number) => T): T[] =>
  LEVELS.flatMap((level) =>
    Array.from({ length: DRAWN }, (_, i) => draw(level, seeded(1000 * level + i))),
  );
const scaled = each((level, random) => drawScale(CUPS, level, random));
const spooned = each((level, random) => drawSpoons(CUPS, WEIGHED, level, random));

describe('a drawn question has one right answer', () => {
  test.each([
    ['scale', scaled.map((given) => ({ given, figure: scaleFigure(given) }))],
    ['spoons', spooned.map((given) => ({ given, figure: spoonsFigure(given) }))],
  ] as const)('%s: its figure is right, every choice beside it wrong', (_drill, drawn) => {
    for (const { given, figure } of drawn) {
      expect(judgedFigure(figure, figure.shown)).toBe('right');
      const choices = choicesOf(figure, given.level);
      const wrong = (choices ?? []).filter((c) => c !== figure.shown);
      expect(wrong.map((c) => judgedFigure(figure, c))).toEqual(wrong.map(() => 'wrong'));
      expect(choices === null || (given.level <= 2 && choices.length === 4)).toBe(true);
      expect(choices).toEqual(choices && [...choices].sort((a, b) => a - b));
    }
  });
  test('the same chance draws the same', () => {
    expect(drawScale(CUPS, 4, seeded(5))).toEqual(drawScale(CUPS, 4, seeded(5)));
    expect(drawSpoons(CUPS, WEIGHED, 5, seeded(5))).toEqual(
      drawSpoons(CUPS, WEIGHED, 5, seeded(5)),
    );
  });
  test('some questions of the first levels are chosen, none of the later ones', () => {
    const chosen = scaled.filter((g) => choicesOf(scaleFigure(g), g.level) !== null);
    expect(new Set(chosen.map((g) => g.level))).toEqual(new Set([1, 2]));
    expect(chosen.length).toBeGreaterThan(DRAWN);
  });
});

test('liquor in the cups: the leaf gets the water it keeps as well', () => {
  const given = scaled.find((g) => g.ask.kind === 'liquor' && g.second === null);
  if (given?.ask.kind !== 'liquor') throw new Error('none was drawn');
  const { waterMl, truth } = scaleFigure(given);
  expect(waterMl).toBeCloseTo(given.ask.ml + given.heldMlPerG * truth, 6);
});
// Two known pots that taper: 4.8 g in 400 ml and 8.6 g in a litre.
const TAPER = {
  ...({ tea: 'Tolvane Amber', vesselName: 'Grey pot', level: 5 } as const),
  reference: { leafGrams: 4.8, waterMl: 400 },
  second: { leafGrams: 8.6, waterMl: 1000 },
  vessel: { brimMl: 760, fillLineMl: 600, namedMl: null },
  heldMlPerG: 3,
  ask: { kind: 'fillLine' },
} as const;
test('a taper is worked out with its power; who scales straight is told so', () => {
  const figure = scaleFigure(TAPER);
  expect(scaleWorking(TAPER, figure)).toEqual(['Leaf: 4.8 g × (600 / 400)^0.64 = 6.21 g.']);
  expect(mistakeOf(figure, 7.2)).toBe('brim');
  expect(mistakeOf(figure, 6.3)).toBeNull();
});

describe('an answer is judged by the question that comes with it', () => {
  const chosen = scaled.find((g) => g.level === 1 && choicesOf(scaleFigure(g), 1) !== null);
  if (!chosen) throw new Error('none was drawn');
  const judge = (value: number) => judgeTask({ drill: 'scale', given: chosen, answer: { value } });
  test('a choice that was not offered is no answer', () => {
    const { shown } = scaleFigure(chosen);
    expect(judge(shown)).toMatchObject({ credit: 1, judged: 'right', guess: 0.25 });
    expect(judge(shown + 0.05)).toBeNull();
  });
  test('what cannot be worked out is no question', () => {
    const same: ScaleGiven = { ...TAPER, second: { leafGrams: 8.6, waterMl: 400 } };
    expect(judgeTask({ drill: 'scale', given: same, answer: { value: 5 } })).toBeNull();
    const asked: ScaleGiven = {
      ...{ ...TAPER, second: null, heldMlPerG: 10, level: 4 },
      reference: { leafGrams: 60, waterMl: 400 },
      ask: { kind: 'liquor', ml: 500 },
    };
    expect(judgeTask({ drill: 'scale', given: asked, answer: { value: 5 } })).toBeNull();
  });
  test('typed figures: right within 3 %, nearly within 8 %', () => {
    const of = (value: number) =>
      judgeTask({ drill: 'scale', given: TAPER, answer: { value } })?.judged;
    expect([6.2, 6.4, 6.6, 6.8].map(of)).toEqual(['right', 'near', 'near', 'wrong']);
  });
});
