import { pick, type Random } from '#core/numeric';
import { celsius, fromFahrenheit, toFahrenheit } from '#core/units';
import type { Level } from '../diagnosis/diagnosis';
import type { DrillCup } from '../diagnosis/draw';
import { drawnFair } from '../drawnFair';
import type { DrillFacts } from '../drillCups';
import { type Figure, IMPOSSIBLE, judgedFigure, toDigits } from './figures';
import {
  boilingOf,
  type HeatAsk,
  type HeatFacts,
  type HeatKettle,
  type HeatSite,
  heatWorked,
} from './heat';

/** A question about water for one of the house's cups, here or at another height. */
export type HeatGiven = {
  readonly cup: DrillCup;
  readonly warmed: boolean;
  readonly site: HeatSite;
  readonly kettle: HeatKettle;
  readonly ask: HeatAsk;
  /** Heat is said in Fahrenheit. */
  readonly fahrenheit: boolean;
  readonly level: Level;
};
export const heatFactsOf = ({ cup, warmed, site, kettle, ask }: HeatGiven): HeatFacts => ({
  ...{ waterMl: cup.waterMl, targetC: cup.temperatureC, leafGrams: cup.leafGrams, warmed },
  ...{ material: cup.material, capacityMl: cup.capacityMl, site, kettle, ask },
});

/** Nothing to do is no question: less than this is not asked, ml and s. */
const LEAST = { splash: 5, wait: 20, set: 0, landing: 0 } as const;
/** A wait nobody stands through, s. */
const MOST_WAIT = 1800;

/** Answers that are degrees are in Fahrenheit where heat is said so. */
export const isInFahrenheit = ({ ask, fahrenheit }: HeatGiven): boolean =>
  fahrenheit && (ask === 'set' || ask === 'landing');
/** An answer in the unit in which the core works: ml, s, or °C. */
export const heatValue = (given: HeatGiven, value: number): number =>
  isInFahrenheit(given) ? fromFahrenheit(value) : value;
const asFahrenheit = (figure: Figure): Figure => {
  const f = (c: number): number => toFahrenheit(celsius(c));
  const band = ([low, high]: Figure['right']) => [f(low), f(high)] as const;
  return {
    ...{ ...figure, truth: f(figure.truth), shown: toDigits(f(figure.truth), 0) },
    ...{ right: band(figure.right), near: band(figure.near) },
    mistakes: figure.mistakes.map((m) => ({ ...m, value: toDigits(f(m.value), 0) })),
  };
};

/** The question worked out; null: it is no fair one. */
export function heatFigure(given: HeatGiven): Figure | null {
  const worked = heatWorked(heatFactsOf(given));
  if (worked.kind === 'never') return null;
  if (worked.kind === 'outOfReach') return worked.fair ? IMPOSSIBLE : null;
  const { figure } = worked;
  const isAsked =
    figure.shown >= LEAST[given.ask] && (given.ask !== 'wait' || figure.shown <= MOST_WAIT);
  const said = isInFahrenheit(given) ? asFahrenheit(figure) : figure;
  return isAsked && judgedFigure(said, said.shown) === 'right' ? said : null;
}

/** Shops at these heights are asked about from level 4 on, m. */
const HIGH_SITES = [900, 1300, 1650, 2100] as const;
/** From this level on the shop is at another height. */
export const HIGH_LEVEL = 4;
const FAHRENHEIT_LEVEL = 5;
/** At most so many questions have no answer but that it cannot be. */
const IMPOSSIBLE_SHARE = 1 / 6;
/** At level 4 pots are mostly cold. */
const COLD_SHARE = 0.8;
function isWarmed(level: Level, cup: DrillCup, random: Random): boolean {
  if (level <= 2) return cup.warm;
  return random() >= (level === HIGH_LEVEL ? COLD_SHARE : 0.5);
}
const askAt = (level: Level, ask: HeatAsk): HeatAsk =>
  level === 1 && ask !== 'landing' ? 'set' : ask;
const at = (site: HeatSite, altitudeM: number): HeatSite => ({
  ...site,
  altitudeM,
  measuredBoilingC: null,
});

/** Draws a question of one of the house's cups. @throws {RangeError} when the house has no cup to ask about */
export function drawHeat(
  { cups, water }: DrillFacts,
  level: Level,
  ask: HeatAsk,
  random: Random,
): HeatGiven {
  const mayBeImpossible = random() < IMPOSSIBLE_SHARE;
  return drawnFair(level, (l) => {
    const drawn = pick(random, cups);
    const site = l >= HIGH_LEVEL ? at(water.site, pick(random, HIGH_SITES)) : water.site;
    const given: HeatGiven = {
      ...{
        cup: { ...drawn, boilingC: boilingOf(site) },
        warmed: isWarmed(l, drawn, random),
        site,
        level: l,
      },
      ...{ kettle: water.kettle, ask: askAt(l, ask), fahrenheit: l === FAHRENHEIT_LEVEL },
    };
    const figure = heatFigure(given);
    if (!figure || (figure.impossible && !mayBeImpossible)) return null;
    return given;
  });
}
