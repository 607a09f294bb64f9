import { millilitres, millimetres, ML_PER, numberText } from '#core/units';
import { solveVessel } from '#core/vessels';
import type { FigureWords } from './drill';
import { ml } from './figureWords';
import { fillFigure, type FillGiven, type FillMistake, waterBelow } from './fillLine';

// How a level of water is asked and worked out, in words.

function askedWords({ ask, vessel, wantedMl }: FillGiven): string {
  switch (ask) {
    case 'line':
      return `Fill the ${vessel.name} to its fill line.`;
    case 'words': {
      const solved = solveVessel(vessel.kind, millilitres(vessel.brimMl));
      const under = solved.height - solved.levelOf(millilitres(wantedMl));
      return `Fill the ${vessel.name} to its fill line, ${Math.round(under)} mm under the rim.`;
    }
    case 'ticks':
    case 'ml':
      return `Pour ${ml(wantedMl)} into the ${vessel.name}.`;
    case 'flOz':
      return `Pour ${numberText(wantedMl / ML_PER.usFlOz, 0)} US fl oz into the ${vessel.name}.`;
  }
}
function knownWords({ vessel, ask }: FillGiven): string {
  const solved = solveVessel(vessel.kind, millilitres(vessel.brimMl));
  return ask === 'line'
    ? `The ${vessel.name} holds ${ml(vessel.brimMl)} to the brim.`
    : `The ${vessel.name} holds ${ml(vessel.brimMl)} to the brim. The inside is ${Math.round(solved.height)} mm high.`;
}
const MISTAKES: Readonly<Record<FillMistake, string>> = {
  brim: 'this is the brim',
  name: 'this uses the size on the label, not what the vessel holds',
  height: 'half the height is not half the water: most vessels are not straight',
};
/** What the water at that level does to a cup with the leaf of the recipe. */
function inCup(given: FillGiven, percent: number): string {
  const water = waterBelow(given, percent);
  const off = Math.round(100 * (water / given.wantedMl - 1));
  if (off === 0) return 'That is the water of the recipe.';
  const cup = off > 0 ? 'weaker' : 'stronger';
  return `${ml(water)}: ${Math.abs(off)} % ${off > 0 ? 'more' : 'less'} water, a ${cup} cup.`;
}

export function fillWords(given: FillGiven): FigureWords {
  const { vessel, wantedMl } = given;
  const figure = fillFigure(given);
  const solved = solveVessel(vessel.kind, millilitres(vessel.brimMl));
  const half = solved.volumeBelow(millimetres(solved.height / 2));
  const ounces = `${numberText(wantedMl / ML_PER.usFlOz)} US fl oz × ${numberText(ML_PER.usFlOz, 2)} ml = ${ml(wantedMl)}.`;
  return {
    ...{ tea: null, known: knownWords(given), asked: askedWords(given) },
    ...{ question: 'Where does the water stop?', name: 'Level, of the height', unit: '%' },
    rule: { least: 0, most: 100, step: 0.5, tick: 25 },
    ...{ text: (v) => numberText(v), perTyped: 1 },
    working: [
      ...(given.ask === 'flOz' ? [ounces] : []),
      `Half the height of the ${vessel.name} holds ${ml(half)} of its ${ml(vessel.brimMl)}.`,
      `${ml(wantedMl)} reaches ${numberText(figure.truth, 0)} % of the height.`,
    ],
    lesson: 'Fill to the line with the basket in the vessel. Leaf and basket raise the water.',
    mistake: (id) => MISTAKES[id as FillMistake],
    inCup: (value) => inCup(given, value),
    cannot: null,
  };
}
