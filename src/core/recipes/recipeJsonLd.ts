import { minutesText, numberText, type Seconds, temperatureText } from '#core/units';
import type { Card } from './card';
import { spoonsText } from './measure';

/** What a web page says of a tea besides its card. */
export type RecipePage = {
  readonly name: string;
  /** Whose recipe it is. */
  readonly house: string;
  readonly allergens: string;
  readonly cautions: string;
  readonly blend: string;
  readonly lid: boolean;
  /** Times of the same leaf again. */
  readonly later: readonly Seconds[];
};
type Step = { readonly '@type': 'HowToStep'; readonly text: string };
/** A recipe as schema.org describes one (schema.org/Recipe, from memory), for a web page to carry. */
export type RecipeJsonLd = {
  readonly '@context': 'https://schema.org';
  readonly '@type': 'Recipe';
  readonly name: string;
  readonly author: { readonly '@type': 'Organization'; readonly name: string };
  readonly recipeCategory: 'Drink';
  readonly recipeYield: string;
  readonly recipeIngredient: readonly string[];
  readonly cookTime: string;
  readonly recipeInstructions: readonly Step[];
  readonly description: string;
};

/**
 * A duration as ISO 8601 writes it.
 *
 * @param time 0 or more; parts of a second are rounded
 * @example isoDuration(seconds(195)) // 'PT3M15S'
 * @example isoDuration(seconds(40)) // 'PT40S'
 */
export function isoDuration(time: Seconds): string {
  const whole = Math.round(time);
  const [minutes, left] = [Math.floor(whole / 60), whole % 60];
  return `PT${minutes > 0 ? `${minutes}M` : ''}${left > 0 || minutes === 0 ? `${left}S` : ''}`;
}
const ml = (volume: number): string => `${Math.round(volume)} ml`;
/** "8 g of Kestry Pearl (3 teaspoons)" */
function leafText(card: Card, name: string): string {
  const spoons = card.spoons ? ` (${spoonsText(card.spoons)})` : '';
  return `${numberText(card.leaf)} g of ${name}${spoons}`;
}
function stepsOf(card: Card, { name, lid, later }: RecipePage): Step[] {
  const heat = temperatureText(card.temperature, 'C');
  const again = later.map((s) => minutesText(s)).join(', ');
  const texts = [
    card.warmed ? 'Warm the pot with hot water and pour the water out.' : '',
    `Put in ${leafText(card, name)}.`,
    `Pour on ${ml(card.water)} of water; on the leaf it has ${heat}. Boiling water and steam scald.`,
    `Steep ${minutesText(card.window.best)} with the lid ${lid ? 'on' : 'off'}.`,
    'Take the leaf out, or pour the pot empty.',
    card.milk > 0 ? `Add ${ml(card.milk)} of milk.` : '',
    again ? `The same leaf again: ${again}.` : '',
  ];
  return texts.filter(Boolean).map((text) => ({ '@type': 'HowToStep', text }));
}
/**
 * A card as schema.org's Recipe. Nothing is said of health; what is to be asked or warned of stands in the description.
 *
 * @param card of the pot that the page names
 */
export function recipeJsonLd(card: Card, page: RecipePage): RecipeJsonLd {
  const allergens = [page.allergens, card.milk > 0 ? 'milk' : ''].filter(Boolean).join(', ');
  return {
    '@context': 'https://schema.org',
    '@type': 'Recipe',
    name: page.name,
    author: { '@type': 'Organization', name: page.house },
    recipeCategory: 'Drink',
    recipeYield: `${ml(card.liquor)} of tea`,
    recipeIngredient: [
      leafText(card, page.name),
      `${ml(card.water)} of water`,
      ...(card.milk > 0 ? [`${ml(card.milk)} of milk`] : []),
    ],
    cookTime: isoDuration(card.window.best),
    recipeInstructions: stepsOf(card, page),
    description: [
      page.blend ? `Blend: ${page.blend}.` : '',
      allergens ? `Allergens: ${allergens}.` : 'No allergens noted: ask if you must be sure.',
      page.cautions,
    ]
      .filter(Boolean)
      .join(' '),
  };
}
