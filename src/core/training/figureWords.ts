import { quartersText, roundingWords } from '#core/recipes';
import { numberText } from '#core/units';
import type { ScaleFigure, ScaleGiven, ScaleMistake } from './scale';
import type { SpoonsFigure, SpoonsGiven, SpoonsMistake } from './spoons';

// What a figure drill says: the question, how it is worked out, what a wrong figure comes from.

const ml = (value: number): string => `${Math.round(value)} ml`;
const g = (value: number, digits = 1): string => `${numberText(value, digits)} g`;

function askedWords({ ask, vessel, vesselName, heldMlPerG }: ScaleGiven): string {
  switch (ask.kind) {
    case 'fillLine':
      return `Fill the ${vesselName} to its fill line: ${ml(vessel.fillLineMl)}. To the brim: ${ml(vessel.brimMl)}.`;
    case 'water':
      return `Brew with ${ml(ask.ml)} of water.`;
    case 'liquor':
      return `Pour ${ml(ask.ml)} into the cups. 1 g of leaf keeps ${numberText(heldMlPerG)} ml of water.`;
    case 'pints':
      return `Brew with ${ask.count} ${ask.uk ? 'UK' : 'US'} ${ask.count === 1 ? 'pint' : 'pints'} of water.`;
  }
}
/** "How much leaf?": what is known, then what is asked. */
export function scaleQuestion(given: ScaleGiven): {
  readonly known: string;
  readonly asked: string;
} {
  const { reference, second } = given;
  const of = (k: typeof reference) => `${g(k.leafGrams)} in ${ml(k.waterMl)}`;
  const known = second
    ? `Known to be right: ${of(reference)}, and ${of(second)}. Leaf tapers between them.`
    : `Known to be right: ${of(reference)}.`;
  return { known, asked: askedWords(given) };
}
/** How the grams are worked out, line by line. */
export function scaleWorking(given: ScaleGiven, figure: ScaleFigure): string[] {
  const { reference, second, ask, heldMlPerG } = given;
  const { waterMl, truth } = figure;
  const water = `${Math.round(waterMl)} / ${reference.waterMl}`;
  const power = second
    ? Math.log(second.leafGrams / reference.leafGrams) /
      Math.log(second.waterMl / reference.waterMl)
    : 1;
  const share = second ? `(${water})^${numberText(power, 2)}` : water;
  const leaf = `${g(reference.leafGrams)} × ${share} = ${g(truth, 2)}`;
  switch (ask.kind) {
    case 'liquor':
      return [
        `Water: ${ml(ask.ml)} and what the leaf keeps, ${numberText(heldMlPerG)} ml × ${g(truth)}: ${ml(waterMl)}.`,
        `Leaf: ${leaf}.`,
      ];
    case 'pints':
      return [`Water: ${ml(waterMl)}.`, `Leaf: ${leaf}.`];
    default:
      return [`Leaf: ${leaf}.`];
  }
}
const SCALE_MISTAKES: Readonly<Record<ScaleMistake, string>> = {
  leafDrinks: 'the water that the leaf keeps is not counted',
  otherPint: 'this is the leaf for the other pint',
  brim: 'this is the leaf for the brim, not for the fill line',
  name: 'this is the leaf for the size on the label of the vessel',
  asKnown: 'the known leaf is not scaled',
  wrongWay: 'more water takes more leaf, less water less',
  straight: 'the taper is left out',
  perCup: 'this is the dose for 100 ml taken for a cup of 150 ml',
  double: 'this is twice the leaf',
};
export const scaleMistakeWords = (id: ScaleMistake): string => SCALE_MISTAKES[id];

const SCALE_LESSONS: Readonly<Record<ScaleGiven['ask']['kind'], string>> = {
  fillLine:
    'Scale the leaf to the fill line. Nobody fills a pot to the brim, and the size on a label is larger.',
  water: 'Twice the water takes twice the leaf, unless the house tapers.',
  liquor: 'Leaf keeps two to five times its weight of water: the cups get that much less.',
  pints: 'A UK pint is a fifth more than a US pint: ask which one is meant.',
};
/** One sentence of the trade. */
export const scaleLesson = ({ ask, second }: ScaleGiven): string =>
  second
    ? 'Larger pots lose less heat and steep harder: with a taper they take less leaf for each cup.'
    : SCALE_LESSONS[ask.kind];

const spoonsOf = (quarters: number, name: string): string =>
  `${quartersText(quarters)} ${quarters > 4 ? `${name}s` : name}`;
export const spoonsQuestion = ({
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
export function spoonsWorking(given: SpoonsGiven, figure: SpoonsFigure): string[] {
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
export const spoonsMistakeWords = (id: SpoonsMistake): string => SPOONS_MISTAKES[id];
export const SPOONS_LESSON =
  'Weigh this tea before you trust a spoon: a spoon of buds weighs a third of a spoon of broken leaf.';

/**
 * What a figure that is so far off does to the cup.
 * @example figureToCup(12, 10) // "20 % more leaf: the cup is clearly stronger."
 */
export function figureToCup(value: number, truth: number): string {
  const error = value / truth - 1;
  const share = Math.round(Math.abs(error) * 100);
  if (share === 0) return 'That is the leaf of the recipe.';
  const words = roundingWords(error);
  const cup = words === 'the same cup' ? 'it is the same cup' : `the cup is ${words}`;
  return `${share} % ${error > 0 ? 'more' : 'less'} leaf: ${cup}.`;
}
