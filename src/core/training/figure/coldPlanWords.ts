import { styleOf } from '#core/styles';
import { numberText } from '#core/units';
import { clockText, weekText } from '../moments';
import {
  DAY_MINUTES,
  leafInStretch,
  liquorOfPitcher,
  planFigure,
  type PlanGiven,
  type PlanMistake,
} from './coldPlan';
import type { FigureWords } from './drill';
import { g, leafInCup, ml, ruleEnd } from './figureWords';

// How a cold tea for a service is asked about and worked out, in words.

/** The service is on a Wednesday. @example momentText(18 * 60 + 30) // 'Tue 18:30' */
export const momentText = (minutes: number): string => weekText(DAY_MINUTES + minutes);
const hours = (h: number): string => `${numberText(h)} h`;

function knownWords({ cold, pitcher, chillH, open, glasses, glassMl }: PlanGiven): string {
  return [
    `The leaf stays in for ${hours(cold.earliestH)} to ${hours(cold.latestH)}; ${g(cold.doseGPer100Ml, 2)} for 100 ml. 1 g keeps ${numberText(styleOf(cold.style).held)} ml of water.`,
    chillH > 0 && `Then the tea is chilled for ${hours(chillH)}.`,
    `${pitcher.name}: ${ml(pitcher.fillLineMl)} to its fill line, ${ml(pitcher.brimMl)} to the brim.`,
    `Open from ${clockText(open.from)} to ${clockText(open.to)}.`,
    `Wanted: ${glasses} glasses of ${ml(glassMl)}.`,
  ]
    .filter(Boolean)
    .join(' ');
}
const MISTAKES: Readonly<Record<PlanMistake, string>> = {
  fromOpening: 'the leaf goes in when the shop opens: the tea is not ready for the service',
  latestAsBest: 'this is too early: the leaf would stay in too long',
  noChill: 'the time to chill is left out',
  leafDrinks: 'what the leaf keeps is left out',
  toTheBrim: 'this is the leaf for the brim, not for the fill line',
};
function workingOf(given: PlanGiven, truth: number): string[] {
  const { cold, pitcher, chillH, serviceAt, glasses, glassMl } = given;
  switch (given.ask) {
    case 'time': {
      const [from, to] = leafInStretch(given) ?? [0, 0];
      const chill = chillH > 0 ? ` less ${hours(chillH)} to chill` : '';
      return [
        `Service ${momentText(serviceAt)}${chill}, less ${hours(cold.latestH)} to ${hours(cold.earliestH)}, in opening hours.`,
        `Leaf in between ${momentText(from)} and ${momentText(to)}.`,
      ];
    }
    case 'leaf':
      return [
        `${g(cold.doseGPer100Ml, 2)} × ${Math.round(pitcher.fillLineMl)} / 100 = ${g(truth, 1)}.`,
      ];
    case 'pitchers': {
      const liquor = liquorOfPitcher(given);
      return [
        `One pitcher gives ${ml(liquor)}: its fill less what the leaf keeps.`,
        `${glasses} × ${ml(glassMl)} = ${ml(glasses * glassMl)}; by ${ml(liquor)}: ${truth} ${truth === 1 ? 'pitcher' : 'pitchers'}.`,
      ];
    }
  }
}
const NAMES: Readonly<Record<PlanGiven['ask'], readonly [question: string, name: string]>> = {
  time: ['When does the leaf go in?', 'Leaf in'],
  leaf: ['How much leaf for one pitcher?', 'Leaf'],
  pitchers: ['How many pitchers?', 'Pitchers'],
};

/** @throws {RangeError} where the question is no fair one */
export function planWords(given: PlanGiven): FigureWords {
  const figure = planFigure(given);
  if (!figure) throw new RangeError('no question');
  const { ask, serviceAt, cold } = given;
  const [question, name] = NAMES[ask];
  const said = {
    ...{ tea: cold.tea, known: knownWords(given), question, name, cannot: null },
    asked: `The tea is served on ${momentText(serviceAt)}.`,
    working: workingOf(given, figure.truth),
    lesson: 'Start from the service and count back: time to chill, then time for the leaf.',
    mistake: (id: string) => MISTAKES[id as PlanMistake],
  };
  if (ask === 'time')
    return {
      ...{ ...said, unit: '', perTyped: null, text: momentText },
      rule: { least: 0, most: serviceAt, step: 15, tick: DAY_MINUTES / 2 },
      inCup: (value) =>
        value < figure.right[0]
          ? 'The leaf would stay in too long, or the shop is closed then.'
          : 'The tea would not be ready for the service, or the shop is closed then.',
    };
  if (ask === 'leaf')
    return {
      ...{ ...said, unit: 'g', perTyped: 1, text: (v) => numberText(v, 1) },
      rule: { least: 0, most: ruleEnd(figure, 5), step: 0.1, tick: 5 },
      inCup: (value) => leafInCup(value, figure.truth),
    };
  return {
    ...{ ...said, unit: '', perTyped: 1, text: (v) => numberText(v, 0) },
    rule: { least: 0, most: 12, step: 1, tick: 2 },
    inCup: (value) =>
      value < figure.truth ? 'Some guests would get no glass.' : 'A whole pitcher would be left.',
  };
}
