/**
 * Words in a blend that name one of the fourteen substances of Regulation (EU) No 1169/2011, annex II, in so far as
 * teas
 * are blended or flavoured with them. Flowers are not in that list; houses name them from their own practice.
 */
const NAMED: readonly (readonly [RegExp, string])[] = [
  [
    /\b(almonds?|hazelnuts?|walnuts?|cashews?|pecans?|brazil nuts?|pistachios?|macadamias?|nuts?|marzipan|nougat|praline)\b/i,
    'nuts',
  ],
  [/\b(milk|cream|butter|yog(h)?urt|caramel|toffee|lactose|whey)\b/i, 'milk'],
  [/\b(soya?|soy(bean)?s?)\b/i, 'soya'],
  [/\b(barley|wheat|rye|oats?|spelt|malt)\b/i, 'gluten'],
  [/\b(peanuts?|groundnuts?)\b/i, 'peanuts'],
  [/\b(sesame)\b/i, 'sesame'],
  [/\b(celery|celeriac)\b/i, 'celery'],
  [/\b(mustard)\b/i, 'mustard'],
  [/\b(lupins?)\b/i, 'lupin'],
  [/\b(sulphites?|sulfites?|sulphured)\b/i, 'sulphites'],
  [/\b(egg|eggs)\b/i, 'egg'],
];

/**
 * Allergens that a blend's words name and the list of allergens does not. A help, not a check: what is not found may
 * still be there.
 * @example missedAllergens('black tea, almond pieces', '') // ['nuts']
 */
export function missedAllergens(blend: string, allergens: string): string[] {
  const told = allergens.toLowerCase();
  return NAMED.filter(
    ([word, name]) =>
      word.test(blend) && !told.includes(name.toLowerCase()) && !word.test(allergens),
  ).map(([, name]) => name);
}
