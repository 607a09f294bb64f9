import { PACKET_SPOON_ML, type PacketSpoon } from '#core/packets';
import { numberText } from '#core/units';
import type { FigureWords } from './drill';
import { g, leafInCup, ml, ruleEnd } from './figureWords';
import { packetFigure, type PacketGiven, type PacketMistake, usualOf } from './packet';

// How a packet's advice is asked and worked out, in words.

const SPOONS: Readonly<Record<PacketSpoon, string>> = {
  teaspoon: 'teaspoons',
  dessertSpoon: 'dessert spoons',
  tablespoon: 'tablespoons',
};
const MISTAKES: Readonly<Record<PacketMistake, string>> = {
  asPrinted: 'this uses the printed spoon: the cup would be much too weak or too strong',
  otherCup: 'this takes another cup than the packet means',
  onePot: 'this is the leaf for the packet’s water, not for this vessel',
};
const LESSON =
  'A packet’s cup can be 150, 237 or 250 ml. Some packets print teaspoon for tablespoon. Compare the dose with the usual dose.';

/** @throws {RangeError} where the question is no fair one */
export function packetWords(given: PacketGiven): FigureWords {
  const figure = packetFigure(given);
  if (!figure) throw new RangeError('no question');
  const { meant } = figure;
  const most = ruleEnd(figure, 5);
  const spoon = ml(PACKET_SPOON_ML.teaspoon);
  return {
    tea: given.tea,
    known: `A level teaspoon of this tea (${spoon}) weighs ${g(given.gramsPerMl * PACKET_SPOON_ML.teaspoon, 2)}. Usual for the style: ${g(usualOf(given), 2)} for 100 ml. On the packet: “${given.text}”.`,
    asked: `Brew in the ${given.vesselName}: ${ml(given.waterMl)} of water.`,
    ...{ question: 'How much leaf?', name: 'Leaf', unit: 'g' },
    rule: { least: 0, most, step: 0.1, tick: most > 30 ? 10 : 5 },
    ...{ text: (v) => numberText(v, 1), perTyped: 1 },
    working: [
      ...(meant.cup ? [`The cup is ${meant.cup}: ${ml(meant.waterMl)}.`] : []),
      ...(meant.spoon ? [`The packet means ${SPOONS[meant.spoon]}.`] : []),
      `${g(meant.leafGrams, 2)} in ${ml(meant.waterMl)} is ${g(meant.dose, 2)} for 100 ml, near what is usual.`,
      `${ml(given.waterMl)} of water need ${g(figure.truth, 2)}.`,
    ],
    ...{ lesson: LESSON, mistake: (id) => MISTAKES[id as PacketMistake] },
    inCup: (value) => leafInCup(value, figure.truth),
    cannot: null,
  };
}
