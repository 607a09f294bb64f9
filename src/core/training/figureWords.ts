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
      return `${vesselName}, filled to its fill line: ${ml(vessel.fillLineMl)} of ${ml(vessel.brimMl)} to the brim.`;
    case 'water':
      return `${ml(ask.ml)} of water.`;
    case 'liquor':
      return `${ml(ask.ml)} in the cups. A gram of leaf keeps ${numberText(heldMlPerG)} ml of water.`;
    case 'pints':
      return `${ask.count} ${ask.uk ? 'UK' : 'US'} ${ask.count === 1 ? 'pint' : 'pints'} of water.`;
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
  const known = `${g(reference.leafGrams)} × ${Math.round(waterMl)} / ${reference.waterMl}`;
  const power = second
    ? Math.log(second.leafGrams / reference.leafGrams) /
      Math.log(second.waterMl / reference.waterMl)
    : 1;
  const leaf = second
    ? `${g(reference.leafGrams)} × (${Math.round(waterMl)} / ${reference.waterMl})^${numberText(power, 2)} = ${g(truth, 2)}`
    : `${known} = ${g(truth, 2)}`;
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
  leafDrinks: 'without what the leaf keeps of the water',
  otherPint: 'for the other pint',
  brim: 'leaf for the brim, not for the fill line',
  name: 'leaf for the size it is sold as',
  asKnown: 'the known leaf, not scaled',
  wrongWay: 'scaled the wrong way round',
  straight: 'in step with the water: the taper was left out',
  perCup: 'as if the dose were for a cup of 150 ml',
  double: 'twice the leaf',
};
export const scaleMistakeWords = (id: ScaleMistake): string => SCALE_MISTAKES[id];

const SCALE_LESSONS: Readonly<Record<ScaleGiven['ask']['kind'], string>> = {
  fillLine:
    'Scale to the fill line: a pot is never filled to its brim, and its name is a size in a shop.',
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
  asked: `${g(leafGrams)} of leaf by the ${spoonName}, level.`,
});
export function spoonsWorking(given: SpoonsGiven, figure: SpoonsFigure): string[] {
  const { weighing, weighedName, spoonName, spoonMl, leafGrams } = given;
  const each = weighing.grams / weighing.spoons;
  const { gramsPerSpoon, quarters } = figure;
  const isOther = spoonMl !== weighing.spoonMl;
  return [
    ...(isOther
      ? [
          `A ${weighedName} has ${numberText(weighing.spoonMl)} ml, a ${spoonName} ${numberText(spoonMl)} ml: ${g(each, 2)} × ${numberText(spoonMl)} / ${numberText(weighing.spoonMl)} = ${g(gramsPerSpoon, 2)}.`,
        ]
      : []),
    `${g(leafGrams)} / ${g(gramsPerSpoon, 2)} = ${numberText(leafGrams / gramsPerSpoon, 2)}: ${spoonsOf(quarters, spoonName)}.`,
  ];
}
const SPOONS_MISTAKES: Readonly<Record<SpoonsMistake, string>> = {
  spoonWeighed: 'counted in the spoon that was weighed',
  teaspoonForTable: 'teaspoons counted, a third of the size',
  tableForTeaspoon: 'tablespoons counted, three times the size',
  otherTea: 'by the weight of another tea',
  heaped: 'heaped spoons',
  spoonACup: 'a spoon a cup and one for the pot',
  gramsAsSpoons: 'grams taken for spoons',
};
export const spoonsMistakeWords = (id: SpoonsMistake): string => SPOONS_MISTAKES[id];
export const SPOONS_LESSON =
  'Weigh this tea before you trust a spoon: a spoon of buds weighs a third of a spoon of broken leaf.';

/** What a figure that is so far off does to the cup. @example figureToCup(12, 10) // "20 % more leaf: the cup is clearly stronger." */
export function figureToCup(value: number, truth: number): string {
  const error = value / truth - 1;
  const share = Math.round(Math.abs(error) * 100);
  if (share === 0) return 'That is the leaf of the recipe.';
  const words = roundingWords(error);
  const cup = words === 'the same cup' ? 'it is the same cup' : `the cup is ${words}`;
  return `${share} % ${error > 0 ? 'more' : 'less'} leaf: ${cup}.`;
}
