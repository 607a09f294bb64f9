import {
  ALL_RIGHT,
  type Attribute,
  ATTRIBUTE_NAMES,
  ATTRIBUTES,
  type Mark,
  type Turn,
  type Verdict,
} from '#core/corrections';
import { movedRecipe, type Recipe } from '#core/recipes';
import {
  capital,
  celsius,
  gramsPer100Ml,
  minutesText,
  numberText,
  seconds,
  signedText,
  temperatureText,
} from '#core/units';
import { cupsOf } from './cups';
import type { Exercise } from './exercise';
import type { Tasting } from './fold';
import { housePour, type PlannedCup } from './schedule';

/** A mean mark within this of right is right (common practice of this exercise, from memory). */
export const WITHIN = 0.5;
/** One round of a lot's dial-in: the newest cup as it was really made, and its mean marks. */
export type Round = {
  readonly cup: PlannedCup;
  readonly lost: string | null;
  readonly n: number;
  readonly means: Readonly<Record<Attribute, number | null>>;
};

export function roundOf(e: Exercise, t: Tasting): Round {
  const { cups, n } = cupsOf(e, t);
  const found = cups.at(-1);
  if (!found) throw new RangeError('a round has a cup');
  return {
    cup: found.made,
    lost: found.excluded,
    n,
    means: Object.fromEntries(
      ATTRIBUTE_NAMES.map((a) => [a, found.marks[a]?.mean ?? null]),
    ) as Record<Attribute, number | null>,
  };
}
/** Every attribute was marked, and none is further off than half a mark. */
export const dialledIn = (r: Round): boolean =>
  r.lost === null &&
  ATTRIBUTE_NAMES.every((a) => {
    const m = r.means[a];
    return m !== null && Math.abs(m) <= WITHIN;
  });
/** What is still off, the furthest first. */
export const offIn = (r: Round): Attribute[] =>
  ATTRIBUTE_NAMES.filter((a) => Math.abs(r.means[a] ?? 0) > WITHIN).sort(
    (a, b) => Math.abs(r.means[b] ?? 0) - Math.abs(r.means[a] ?? 0),
  );
/** A round as one verdict: what is off by more than half a mark is at least one mark off. */
export const verdictOf = (r: Round): Verdict => ({
  ...ALL_RIGHT,
  ...Object.fromEntries(
    ATTRIBUTE_NAMES.map((a) => {
      const m = r.means[a] ?? 0;
      return [
        a,
        Math.abs(m) <= WITHIN
          ? 0
          : ((Math.sign(m) * Math.max(1, Math.min(2, Math.round(Math.abs(m))))) as Mark),
      ];
    }),
  ),
});
/** The recipe a cup stands for; leaf that is the recipe's own stays to the last figure. */
export const recipeAt = (recipe: Recipe, c: PlannedCup): Recipe =>
  movedRecipe(recipe, {
    dose:
      c.grams === housePour(recipe, c.water).grams
        ? recipe.dose
        : gramsPer100Ml(Number(((100 * c.grams) / c.water).toFixed(2))),
    temperature: celsius(c.celsius),
    best: seconds(Math.round(c.seconds / 5) * 5),
  });
/** The cup of a round with what was proposed turned, as the bar can do it. */
export function turnedCup(c: PlannedCup, turns: readonly Turn[]): PlannedCup {
  return turns.reduce<PlannedCup>(
    (cup, { lever, to }) => {
      switch (lever) {
        case 'leafMore':
        case 'leafLess':
          return { ...cup, grams: Number(((to * cup.water) / 100).toFixed(1)) };
        case 'hotter':
        case 'cooler':
          return { ...cup, celsius: Math.round(to) };
        case 'longer':
        case 'shorter':
          return { ...cup, seconds: Math.round(to / 5) * 5 };
        default:
          return cup;
      }
    },
    { ...c, seconds: Math.round(c.seconds / 5) * 5 },
  );
}

/** "bitter +0.8, drying +0.6", or that all is right. */
export function marksWords(r: Round): string {
  const off = offIn(r);
  return off.length === 0
    ? 'all right'
    : off
        .map((a) => `${ATTRIBUTES[a].label.toLowerCase()} ${signedText(r.means[a] ?? 0)}`)
        .join(', ');
}
export const cupWords = (c: PlannedCup, unit: 'C' | 'F' = 'C'): string =>
  `${numberText((100 * c.grams) / c.water, 2)} g per 100 ml, ${temperatureText(celsius(c.celsius), unit)}, ${minutesText(c.seconds)}`;
/** A dial-in as the reason of its version: at most `most` letters, the middle rounds left out first. */
export function storyOf(lot: string, rounds: readonly Round[], most = 300): string {
  const line = (r: Round, i: number) => `${i + 1}: ${cupWords(r.cup)}: ${marksWords(r)}.`;
  const head = `Dial-in of ${lot}, ${rounds.length} ${rounds.length === 1 ? 'round' : 'rounds'}, ${Math.max(...rounds.map((r) => r.n))} tasting.`;
  const lines = rounds.map(line);
  for (let left = lines.length; left >= 1; left--) {
    const kept =
      left >= lines.length
        ? lines
        : [...lines.slice(0, Math.max(0, left - 1)), '…', lines.at(-1) ?? ''];
    const text = `${head} ${kept.join(' ')}`;
    if (text.length <= most) return text;
  }
  return capital(head).slice(0, most);
}
