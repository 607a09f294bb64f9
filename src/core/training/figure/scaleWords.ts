import { numberText } from '#core/units';
import type { FigureWords } from './drill';
import { g, leafInCup, ml, ruleEnd } from './figureWords';
import { type ScaleFigure, scaleFigure, type ScaleGiven, type ScaleMistake } from './scale';

// How leaf for other water is asked and worked out, in words.

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
function question(given: ScaleGiven): {
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

const SCALE_LESSONS: Readonly<Record<ScaleGiven['ask']['kind'], string>> = {
  fillLine:
    'Scale the leaf to the fill line. Nobody fills a pot to the brim, and the size on a label is larger.',
  water: 'Twice the water takes twice the leaf, unless the house tapers.',
  liquor: 'Leaf keeps two to five times its weight of water: the cups get that much less.',
  pints: 'A UK pint is a fifth more than a US pint: ask which one is meant.',
};
/** One sentence of the trade. */
const lesson = ({ ask, second }: ScaleGiven): string =>
  second
    ? 'Larger pots lose less heat and steep harder: with a taper they take less leaf for each cup.'
    : SCALE_LESSONS[ask.kind];

export function scaleWords(given: ScaleGiven): FigureWords {
  const figure = scaleFigure(given);
  const most = ruleEnd(figure, 5);
  return {
    ...{ tea: given.tea, ...question(given), question: 'How much leaf?', name: 'Leaf', unit: 'g' },
    rule: { least: 0, most, step: 0.1, tick: most > 30 ? 10 : 5 },
    ...{ text: (v) => numberText(v, 1), perTyped: 1 },
    ...{ working: scaleWorking(given, figure), lesson: lesson(given) },
    mistake: (id) => SCALE_MISTAKES[id as ScaleMistake],
    inCup: (value) => leafInCup(value, figure.truth),
    cannot: null,
  };
}
