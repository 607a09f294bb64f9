import {
  capital,
  celsius,
  minutesText,
  numberText,
  signedText,
  temperatureText,
} from '#core/units';
import { ATTRIBUTE_NAMES, ATTRIBUTES } from '../marks';
import { type RecipeAdvice, SURE_ENOUGH } from './advice';
import type { ScatteredBy } from './scatter';
import type { RecipeDose } from './units';

// What all cups together say of a recipe, in words: the same on the tea's page and where a cup is judged.

const cupsText = (n: number): string => (n === 1 ? '1 judged cup' : `${n} judged cups`);
/** Draws never make anything certain. */
const percent = (share: number): string =>
  share > 0.99 ? 'more than 99 %' : `${Math.round(100 * share)} %`;

/** One lever turned, as a brewer does it. */
type Turned = { readonly what: string; readonly from: string; readonly to: string };
/** What a change turns, line by line. @param unit of temperatures */
export function turnedLines(from: RecipeDose, to: RecipeDose, unit: 'C' | 'F' = 'C'): Turned[] {
  const heat = (c: number) => temperatureText(celsius(c), unit);
  const leaf = (g: number) => `${numberText(g, 2)} g per 100 ml`;
  const lines: (Turned & { readonly isTurned: boolean })[] = [
    {
      ...{ what: to.gPer100ml > from.gPer100ml ? 'More leaf' : 'Less leaf' },
      ...{ from: leaf(from.gPer100ml), to: leaf(to.gPer100ml) },
      isTurned: Math.abs(to.gPer100ml - from.gPer100ml) > 1e-6,
    },
    {
      ...{ what: to.temperatureC > from.temperatureC ? 'Hotter' : 'Cooler' },
      ...{ from: heat(from.temperatureC), to: heat(to.temperatureC) },
      isTurned: Math.abs(to.temperatureC - from.temperatureC) > 1e-6,
    },
    {
      ...{ what: to.seconds > from.seconds ? 'Longer' : 'Shorter' },
      ...{ from: minutesText(from.seconds), to: minutesText(to.seconds) },
      isTurned: Math.abs(to.seconds - from.seconds) > 1e-6,
    },
  ];
  return lines
    .filter((l) => l.isTurned)
    .map(({ what, from: f, to: t }) => ({ what, from: f, to: t }));
}

/** What is said first of a recipe. */
export type AdviceHead = {
  readonly kind: 'none' | 'right' | 'unclear' | 'off';
  readonly title: string;
  readonly why: string;
};
/** @param cups judged cups that count */
export function adviceHead(cups: number, advice: RecipeAdvice): AdviceHead {
  if (cups === 0)
    return {
      ...{ kind: 'none', title: 'No judged cup yet' },
      why: 'Judge a few cups of this recipe. Each cup makes the advice surer.',
    };
  if (!advice.change)
    return {
      ...{ kind: 'right', title: 'Keep the recipe' },
      why: `${cupsText(cups)}: no change would make the cups nearer to right.`,
    };
  const chance = percent(advice.chance ?? 0);
  if ((advice.chance ?? 0) < SURE_ENOUGH) {
    const more = advice.more === null ? 'More than 20 cups' : `About ${cupsText(advice.more)} more`;
    return {
      ...{ kind: 'unclear', title: 'Not clear yet' },
      why: `${cupsText(cups)}. The chance that a change would be better: ${chance}. ${more} would make it clear.`,
    };
  }
  return {
    ...{ kind: 'off', title: 'Change the recipe' },
    why: `${cupsText(cups)}. The chance that this change is better: ${chance}.`,
  };
}

const SCATTER: Readonly<Record<ScatteredBy, string>> = {
  leaf: 'Leaf by the spoon explains this best: weigh the leaf.',
  heat: 'Heat on the leaf explains this best: read the water with a thermometer.',
  taster: 'Tasters explain this best: sit a calibration at the Table.',
};
/** Why cups differ more than their known errors; '' where they do not. */
export const scatterWords = (by: ScatteredBy | null): string =>
  by === null ? '' : `The cups differ more than usual. ${SCATTER[by]}`;

/** "Bitter +0.1 ± 0.2, ..." */
export const pooledWords = ({ pooled }: Pick<RecipeAdvice, 'pooled'>): string =>
  capital(
    ATTRIBUTE_NAMES.map((a) => {
      const { mean, sd } = pooled[a];
      return `${ATTRIBUTES[a].label.toLowerCase()} ${signedText(mean)} ± ${numberText(1.96 * sd, 1)}`;
    }).join(', '),
  );
