import { quartersText } from '#core/recipes';
import { numberText } from '#core/units';
import type { FigureWords } from './drill';
import { g, leafInCup, ruleEnd } from './figureWords';
import { type SpoonsFigure, spoonsFigure, type SpoonsGiven, type SpoonsMistake } from './spoons';

// How leaf by the spoon is asked and worked out, in words.

const spoonsOf = (quarters: number, name: string): string =>
  `${quartersText(quarters)} ${quarters > 4 ? `${name}s` : name}`;
const question = ({
  leafGrams,
  weighing,
  weighedName,
  spoonName,
}: SpoonsGiven): { readonly known: string; readonly asked: string } => ({
  known:
    weighing.spoons === 1
      ? `Weighed: one level ${weighedName} is ${g(weighing.grams, 2)}.`
      : `Weighed: ${weighing.spoons} level ${weighedName}s are ${g(weighing.grams, 2)}.`,
  asked: `Measure ${g(leafGrams)} of leaf with a level ${spoonName}.`,
});
function working(given: SpoonsGiven, figure: SpoonsFigure): string[] {
  const { weighing, weighedName, spoonName, spoonMl, leafGrams } = given;
  const each = weighing.grams / weighing.spoons;
  const { gramsPerSpoon, quarters } = figure;
  const isOther = spoonMl !== weighing.spoonMl;
  const [weighed, asked] = [numberText(weighing.spoonMl), numberText(spoonMl)];
  const exact = numberText(leafGrams / gramsPerSpoon, 2);
  return [
    ...(isOther
      ? [
          `A ${weighedName} has ${weighed} ml, a ${spoonName} has ${asked} ml: ` +
            `${g(each, 2)} × ${asked} / ${weighed} = ${g(gramsPerSpoon, 2)}.`,
        ]
      : []),
    `${g(leafGrams)} / ${g(gramsPerSpoon, 2)} = ${exact}: take ${spoonsOf(quarters, spoonName)}.`,
  ];
}
const SPOONS_MISTAKES: Readonly<Record<SpoonsMistake, string>> = {
  spoonWeighed: 'this counts the spoon that was weighed, not the spoon asked for',
  teaspoonForTable: 'this counts teaspoons, a third of a tablespoon each',
  tableForTeaspoon: 'this counts tablespoons, three teaspoons each',
  otherTea: 'this is the weight of another tea',
  heaped: 'this counts heaped spoons',
  spoonACup: 'this is one spoon for each cup and one for the pot',
  gramsAsSpoons: 'this counts one gram as one spoon',
};
const LESSON =
  'Weigh this tea before you trust a spoon: a spoon of buds weighs a third of a spoon of broken leaf.';

/** No rule of spoons is longer, in quarters. */
const LONGEST = 80;
export function spoonsWords(given: SpoonsGiven): FigureWords {
  const figure = spoonsFigure(given);
  const most = Math.min(LONGEST, ruleEnd(figure, 8));
  return {
    ...{ tea: given.tea, ...question(given), question: 'How many spoons?' },
    ...{ name: 'Spoons', unit: 'spoons' },
    rule: { least: 0, most, step: 1, tick: most > 40 ? 8 : 4 },
    ...{ text: quartersText, perTyped: 4 },
    ...{ working: working(given, figure), lesson: LESSON },
    mistake: (id) => SPOONS_MISTAKES[id as SpoonsMistake],
    inCup: (value) => leafInCup(value, figure.truth),
    cannot: null,
  };
}
