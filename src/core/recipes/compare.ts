import { SCHOOL_WORDS } from '#core/scaling';
import {
  degrees,
  minutesText,
  numberText,
  temperatureText,
  toFahrenheit,
  type VolumeUnit,
} from '#core/units';
import { handlingWords, leewayWords, warmStartWords } from './handling';
import { type Recipe, SERVING_STYLES, type Window } from './recipe';
import { spoonDoseText } from './spoonRecipe';

/**
 * One line of a recipe as it is read, and what became of it in another version; `change` is empty where a word says
 * enough.
 */
export type RecipeLine = {
  readonly name: string;
  readonly left: string;
  readonly right: string;
  readonly change: string;
};

const school = ({ scaling: s }: Recipe): string => {
  if (s.school === 'linear') return SCHOOL_WORDS.linear;
  if (s.school === 'match')
    return `matched to ${numberText(s.known.leaf)} g in ${Math.round(s.known.water)} ml`;
  return `tapered, ${numberText(s.small.leaf)} g in ${Math.round(s.small.water)} ml to ${numberText(s.large.leaf)} g in ${Math.round(s.large.water)} ml`;
};
const steep = (w: Window) =>
  `${minutesText(w.best)}, from ${minutesText(w.earliest)} to ${minutesText(w.latest)}`;

const laterOf = (r: Recipe) => (r.later.length ? r.later.map(steep).join('; ') : 'none');

const hands = (r: Recipe) =>
  [...handlingWords({ ...r, later: [] }), r.note].filter(Boolean).join(' ') || 'none';

const glasses = (r: Recipe) =>
  r.glasses
    .map((g) => `${SERVING_STYLES[g.style]} ${Math.round(g.extract)} + ${Math.round(g.water)} ml`)
    .join(', ');

/** The units of whoever reads. */
type RecipeUnits = { readonly temperature: 'C' | 'F'; readonly volume: VolumeUnit };

/** Every line of two recipes side by side, in the reader's units. The order is that of a card. */
export function recipeLines(
  a: Recipe,
  b: Recipe,
  { temperature: scale, volume }: RecipeUnits,
): RecipeLine[] {
  const dose = (r: Recipe) =>
    (r.spoons ? `${spoonDoseText(r.spoons, volume)}: ` : '') +
    `${numberText(r.dose, 2)} g per 100 ml`;
  const percent = Math.round((b.dose / a.dose - 1) * 100);
  const heat =
    scale === 'F'
      ? Math.round(toFahrenheit(b.temperature) - toFahrenheit(a.temperature))
      : degrees(b.temperature, 'C') - degrees(a.temperature, 'C');
  const time = b.window.best - a.window.best;
  const lines: RecipeLine[] = [
    {
      name: 'Leaf',
      left: dose(a),
      right: dose(b),
      change: percent === 0 ? '' : `${Math.abs(percent)} % ${percent > 0 ? 'more' : 'less'}`,
    },
    { name: 'School', left: school(a), right: school(b), change: '' },
    {
      name: 'Water on the leaf',
      left: temperatureText(a.temperature, scale),
      right: temperatureText(b.temperature, scale),
      change: heat === 0 ? '' : `${Math.abs(heat)} ${heat > 0 ? 'hotter' : 'cooler'}`,
    },
    {
      name: 'First steep',
      left: steep(a.window),
      right: steep(b.window),
      change: time === 0 ? '' : `${minutesText(time)} ${time > 0 ? 'longer' : 'shorter'}`,
    },
    { name: 'Later steeps', left: laterOf(a), right: laterOf(b), change: '' },
    {
      name: 'Vessel',
      left: a.warm ? 'warmed' : 'not warmed',
      right: b.warm ? 'warmed' : 'not warmed',
      change: '',
    },
    { name: 'Lid', left: a.lid ? 'on' : 'off', right: b.lid ? 'on' : 'off', change: '' },
    { name: 'Handling', left: hands(a), right: hands(b), change: '' },
    {
      name: 'Hot first',
      left: warmStartWords(a, scale),
      right: warmStartWords(b, scale),
      change: '',
    },
    { name: 'In the glass', left: glasses(a), right: glasses(b), change: '' },
    { name: 'Leeway', left: leewayWords(a), right: leewayWords(b), change: '' },
  ];
  // Lines that neither recipe has are left out.
  return lines.filter((l) => l.left !== '' || l.right !== '');
}

/** True for a line that reads differently. */
export const lineDiffers = (l: RecipeLine): boolean => l.left !== l.right;
