import type { Context } from './context';
import { isSymbol, isWord, type Quantity } from './readers';
import { PER_WORDS, STRONG_PER_WORDS } from './vocabulary';
import { wordSet } from './wordSet';

/** May stand between "per" and its amount. */
const BETWEEN = wordSet(
  'a an the one your of x every each standard large la le les der die das about approx ca circa environ unos etwa',
);

/** Whether an amount is what leaf is measured out for: "per 200 ml", "for each cup", "3 g/100 ml". */
export function isPer({ tokens }: Context, q: Quantity, strong: boolean): boolean {
  const links = strong ? STRONG_PER_WORDS : PER_WORDS;
  let place = q.first - 1;
  for (; place >= 0; place--) {
    const word = tokens[place]?.text ?? '';
    if (!BETWEEN.has(word) || (strong && links.has(word))) break;
  }
  while (isSymbol(tokens[place], '.')) place -= 1;
  const before = tokens[place];
  return isSymbol(before, '/') || isWord(before, links);
}

const LEAF_WORDS = wordSet(
  'tea leaf leaves tee blatt blatter teeblatter the feuilles te hojas hebras herbs herb loose',
);
const OF_WORDS = wordSet('of de dry loose d prime');
const VESSEL_WORDS = wordSet('cup mug pot');

/** Whether an ounce is of leaf: "1 oz of tea". */
export function isLeafOunce({ tokens, quantities }: Context, q: Quantity): boolean {
  let place = q.end;
  while (OF_WORDS.has(tokens[place]?.text ?? '')) place += 1;
  // "1 oz per gallon": leaf for water.
  const [next] = quantities.filter((o) => o.first >= q.end);
  const perWater = next?.unit.of === 'volume' && isPer({ tokens, quantities }, next, true);
  if (perWater && tokens.slice(q.end, next.first).length <= 2) return true;
  // "oz tea cup" is a vessel.
  return (
    LEAF_WORDS.has(tokens[place]?.text ?? '') && !VESSEL_WORDS.has(tokens[place + 1]?.text ?? '')
  );
}
