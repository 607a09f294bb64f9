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
  landing: 'How hot is it on the leaf?',
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
      return 'Cold water goes in first, then boiling water to the line.';
    case 'wait':
      return `The kettle has just boiled: ${ml(kettle.ml)}, ${MATERIALS[kettle.material].label}, lid ${kettle.lid ? 'on' : 'off'}.`;
    case 'set':
      return 'The kettle can be set to a temperature.';
    case 'landing':
      return 'Boiling water goes in at once.';
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
    `${boilsWords(given)}; the room has ${t(site.ambientC)}.${cold}`
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
        ? 'In a warmed pot it can be reached: warm the pot first.'
        : 'A warmed pot comes nearest. It still falls short.',
    ];
  const { arriveC, kettleC, boilingC } = worked;
  if (ask === 'landing')
    return [
      `In the pour it falls from ${t(boilingC)} to ${t(most)}.`,
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
  tenth: 'a tenth is a rule of thumb: it fits one temperature only',
  toTarget: 'this waits until the kettle has the heat of the leaf; pour and pot take more',
  degreeAMinute: 'a full kettle does not lose one degree each minute',
  twoMinutes: 'two minutes is a rule of thumb of another kettle',
  otherLid: 'this is the wait with the lid the other way',
  target: 'this sets the kettle to the heat of the leaf; pour and pot take more',
  kettle: 'this is the heat in the kettle',
  wallOnly: 'the pour loses heat too',
  pourOnly: 'pot and leaf take heat too',
  seaLevel: 'this is for water that boils at sea level',
  otherPot: 'this is for a pot that is warmed the other way',
  noPour: 'the heat that the pour loses is left out',
  bareCup: 'the heat that pot and leaf take is left out',
};
const LESSONS: Readonly<Record<HeatAsk, string>> = {
  splash:
    'Cold water goes in before the hot water: the leaf never meets boiling water, and glass cracks less.',
  wait: 'Only a thermometer tells how fast your kettle cools. Read it once, with the lid as you use it.',
  set: 'Set the kettle hotter than the leaf needs: pour and pot take their share.',
  landing: 'A cold pot takes five to fifteen degrees at once. Warm it for black tea.',
};

/** How the cup changes with the heat on the leaf. */
function cupAt(cup: DrillCup, temperatureC: number): string {
  const tasteAt = (at: number) =>
    brewCup(houseCupOf({ ...cup, temperatureC: Math.min(99, Math.max(20, at)) }).brew).taste;
  const words = differenceWords(tasteAt(temperatureC), tasteAt(cup.temperatureC));
  return words.length === 0 ? 'nobody tastes it' : `the cup is ${words.join(', ')}`;
}
function inCup(given: HeatGiven, value: number): string {
  const t = degreesOf(given);
  const worked = heatWorked(heatFactsOf(given));
  if (worked.kind !== 'reachable') return 'No water of this kettle is hot enough.';
  if (given.ask === 'landing') {
    const off =
      value - (isInFahrenheit(given) ? 32 + 1.8 * worked.figure.truth : worked.figure.truth);
    return `Your figure is too ${off > 0 ? 'high' : 'low'} by ${numberText(Math.abs(off), 0)}.`;
  }
  const came = worked.comesTo(heatValue(given, value));
  const off = came - given.cup.temperatureC;
  const by = numberText(Math.abs(off) * (given.fahrenheit ? 1.8 : 1), 0);
  if (by === '0') return 'That comes to the heat of the recipe.';
  const side = off > 0 ? 'too hot' : 'too cool';
  return `It comes to ${t(came)} on the leaf, ${side} by ${by}: ${cupAt(given.cup, came)}.`;
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
const IMPOSSIBLE = 'It cannot be: not hot enough';

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
    inCup: (value) => inCup(given, value),
    cannot: ask === 'landing' ? null : IMPOSSIBLE,
  };
}
