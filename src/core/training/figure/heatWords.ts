import { brewCup } from '#core/cup';
import { afterPour, MATERIALS } from '#core/heat';
import { differenceWords } from '#core/taste';
import { celsius, minutesText, numberText, readingText } from '#core/units';
import { type DrillCup, houseCupOf } from '../diagnosis/draw';
import type { FigureWords } from './drill';
import type { Figure } from './figures';
import { g, ml, ruleEnd } from './figureWords';
import { type HeatAsk, type HeatMistake, heatWorked } from './heat';
import {
  heatFactsOf,
  heatFigure,
  type HeatGiven,
  heatValue,
  HIGH_LEVEL,
  isInFahrenheit,
} from './heatDraw';

// How water for the leaf is asked and worked out, in words.

type Degrees = (c: number) => string;
const degreesOf =
  ({ fahrenheit }: HeatGiven): Degrees =>
  (c) =>
    readingText(celsius(c), fahrenheit ? 'F' : 'C');

const QUESTIONS: Readonly<Record<HeatAsk, string>> = {
  splash: 'How much cold water?',
  wait: 'How long do you wait?',
  set: 'What do you set the kettle to?',
  landing: 'How hot is the water on the leaf?',
};
const NAMES: Readonly<Record<HeatAsk, string>> = {
  splash: 'Cold water',
  wait: 'Wait',
  set: 'Kettle',
  landing: 'On the leaf',
};
function askedWords({ ask, kettle }: HeatGiven): string {
  switch (ask) {
    case 'splash':
      return 'You pour cold water first, then boiling water to the line.';
    case 'wait':
      return `The kettle has just boiled: ${ml(kettle.ml)}, ${MATERIALS[kettle.material].label}, lid ${kettle.lid ? 'on' : 'off'}.`;
    case 'set':
      return 'You can set the kettle to a temperature.';
    case 'landing':
      return 'You pour boiling water at once.';
  }
}
/** Another height than the house's own is said. */
function boilsWords(given: HeatGiven): string {
  const at = degreesOf(given)(given.cup.boilingC);
  return given.level >= HIGH_LEVEL
    ? `The shop is at ${given.site.altitudeM} m: water boils at ${at}`
    : `Water boils at ${at} here`;
}
function knownWords(given: HeatGiven): string {
  const { cup, warmed, ask, site } = given;
  const t = degreesOf(given);
  const pot = `${cup.vessel}, ${MATERIALS[cup.material].label}, ${ml(cup.capacityMl)} to the brim, ${warmed ? 'warmed' : 'not warmed'}`;
  const wanted = ask === 'landing' ? '' : ` Wanted on the leaf: ${t(cup.temperatureC)}.`;
  const cold = ask === 'splash' ? ` Cold water: ${t(site.coldC)}.` : '';
  return (
    `${g(cup.leafGrams)} in ${ml(cup.waterMl)}. ${pot}.${wanted} ` +
    `${boilsWords(given)}; the room is at ${t(site.ambientC)}.${cold}`
  );
}

/** What the plan of the water says, line by line. */
function workingOf(given: HeatGiven, figure: Figure): string[] {
  const t = degreesOf(given);
  const { cup, ask, site } = given;
  const worked = heatWorked(heatFactsOf(given));
  const most = afterPour(celsius(cup.boilingC), celsius(site.ambientC), site.pourLoss);
  if (worked.kind === 'never') return [];
  if (worked.kind === 'outOfReach')
    return [
      `The water would have to arrive at ${t(worked.arriveC)}. Boiling water arrives at ${t(most)}.`,
      worked.warmedReaches
        ? 'Warm the pot first. Then the water is hot enough.'
        : 'The water is not hot enough in a warmed pot either.',
    ];
  const { arriveC, kettleC, boilingC } = worked;
  if (ask === 'landing')
    return [
      `The water falls from ${t(boilingC)} to ${t(most)} in the pour.`,
      `Pot and leaf take the rest: ${t(worked.comesTo(worked.figure.truth))} on the leaf.`,
    ];
  const arrive = `Pot and leaf take heat: the water has to arrive at ${t(arriveC)}.`;
  const kettle = `The pour loses heat too: ${t(kettleC)} in the kettle.`;
  if (ask === 'set') return [arrive, kettle];
  if (ask === 'wait')
    return [
      arrive,
      kettle,
      `This kettle falls from ${t(boilingC)} to ${t(kettleC)} in ${minutesText(figure.truth)}.`,
    ];
  const [hot, wanted, cold] = [most, arriveC, site.coldC].map((c) => numberText(c));
  return [
    arrive,
    `Boiling water arrives at ${t(most)}.`,
    `In °C: ${ml(cup.waterMl)} × (${hot} − ${wanted}) / (${hot} − ${cold}) = ${ml(figure.truth)} of cold water.`,
  ];
}
const MISTAKES: Readonly<Record<HeatMistake, string>> = {
  shareOfHot: 'this takes the cold water as a share of the hot water, not of all the water',
  coldIsZero: 'this counts the cold water as ice water',
  tenth: 'a tenth of cold water is right for one temperature only',
  toTarget: 'this waits until the kettle has the heat of the leaf; pour and pot take more',
  degreeAMinute: 'a full kettle does not lose one degree each minute',
  twoMinutes: 'two minutes is right for another kettle',
  otherLid: 'this is the wait with the other lid position',
  target: 'this sets the kettle to the heat of the leaf; pour and pot take more',
  kettle: 'this is the heat in the kettle',
  wallOnly: 'the pour loses heat too',
  pourOnly: 'pot and leaf take heat too',
  seaLevel: 'this is for water that boils at sea level',
  otherPot: 'this takes a cold pot for a warmed pot, or a warmed pot for a cold pot',
  noPour: 'the heat that the pour loses is left out',
  bareCup: 'the heat that pot and leaf take is left out',
};
const LESSONS: Readonly<Record<HeatAsk, string>> = {
  splash:
    'Cold water goes in before the hot water: the leaf never touches boiling water, and a glass is less likely to crack.',
  wait: 'Measure once with a thermometer how fast your kettle cools, with the lid as you use the lid.',
  set: 'Set the kettle hotter than the leaf needs. Pour and pot take heat.',
  landing: 'A cold pot takes five to fifteen degrees at once. Warm the pot for black tea.',
};

/** How the cup changes with the heat on the leaf. */
function cupAt(cup: DrillCup, temperatureC: number): string {
  const tasteAt = (at: number) =>
    brewCup(houseCupOf({ ...cup, temperatureC: Math.min(99, Math.max(20, at)) }).brew).taste;
  const words = differenceWords(tasteAt(temperatureC), tasteAt(cup.temperatureC));
  return words.length === 0 ? 'nobody tastes the difference' : `the cup is ${words.join(', ')}`;
}
function inCup(given: HeatGiven, figure: Figure, value: number): string {
  const t = degreesOf(given);
  const worked = heatWorked(heatFactsOf(given));
  if (worked.kind !== 'reachable') return 'The water of this kettle is not hot enough.';
  if (given.ask === 'landing') {
    const off = value - figure.truth;
    return `Your figure is too ${off > 0 ? 'high' : 'low'} by ${numberText(Math.abs(off), 0)}.`;
  }
  const came = worked.comesTo(heatValue(given, value));
  const off = came - given.cup.temperatureC;
  const by = numberText(Math.abs(off) * (given.fahrenheit ? 1.8 : 1), 0);
  if (by === '0') return 'That gives the heat of the recipe.';
  const side = off > 0 ? 'too hot' : 'too cool';
  return `The water comes to ${t(came)} on the leaf, ${side} by ${by}: ${cupAt(given.cup, came)}.`;
}

/** Ends of the rule of a wait, s: they do not give the answer away. */
const WAITS = [600, 1200, 2400];
/** Each rule in its own unit. */
function ruleOf(given: HeatGiven, figure: Figure): Pick<FigureWords, 'rule' | 'unit' | 'text'> {
  const isF = isInFahrenheit(given);
  switch (given.ask) {
    case 'splash': {
      const half = 50 * Math.ceil(given.cup.waterMl / 100);
      const most = Math.min(given.cup.waterMl, Math.max(half, ruleEnd(figure, 50)));
      return {
        rule: { least: 0, most, step: most > 300 ? 5 : 1, tick: most > 300 ? 100 : 50 },
        ...{ unit: 'ml', text: (v) => numberText(v, 0) },
      };
    }
    case 'wait': {
      const most = WAITS.find((s) => s >= 1.2 * figure.truth) ?? 2400;
      const tick = most > 1200 ? 600 : 300;
      return { rule: { least: 0, most, step: 5, tick }, unit: 'min', text: minutesText };
    }
    default:
      return {
        rule: isF
          ? { least: 120, most: 220, step: 1, tick: 20 }
          : { least: 50, most: 105, step: 0.5, tick: 10 },
        ...{ unit: isF ? '°F' : '°C', text: (v) => numberText(v) },
      };
  }
}
const IMPOSSIBLE = 'Not possible: not hot enough';

/** @throws {RangeError} where the question is no fair one */
export function heatWords(given: HeatGiven): FigureWords {
  const figure = heatFigure(given);
  if (!figure) throw new RangeError('no question');
  const { ask, cup } = given;
  return {
    ...{ tea: cup.tea, known: knownWords(given), asked: askedWords(given) },
    ...{ question: QUESTIONS[ask], name: NAMES[ask], ...ruleOf(given, figure) },
    perTyped: ask === 'wait' ? 60 : 1,
    ...{ working: workingOf(given, figure), lesson: LESSONS[ask] },
    mistake: (id) => MISTAKES[id as HeatMistake],
    inCup: (value) => inCup(given, figure, value),
    cannot: ask === 'landing' ? null : IMPOSSIBLE,
  };
}
