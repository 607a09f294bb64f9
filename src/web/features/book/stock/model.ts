import { usualSteeps } from '#core/recipes';
import { isRunningOut, leafCost, type Stock, stockOf } from '#core/stock';
import { bagOf, lotNow } from '#core/teas';
import { epochMs, type Grams } from '#core/units';
import type { LotStock, Pockets } from '#contracts/stock';
import type { Lot, Tea } from '#contracts/teas';

/** One lot that is not finished, with what is known of its leaf. */
export type StockLine = {
  readonly tea: Tea;
  readonly lot: Lot;
  readonly kept: LotStock;
  readonly stock: Stock;
  /** Running out, or its best before is near or past. */
  readonly needsLead: boolean;
};

/** The lots of the book with their stock: those that need somebody first, then by tea. */
export function stockLines(
  teas: readonly Tea[],
  lots: readonly LotStock[],
  today: string,
): StockLine[] {
  const byLot = new Map(lots.map((kept) => [kept.lotId, kept]));
  const lines = teas.flatMap((tea) =>
    tea.lots.flatMap((lot): StockLine[] => {
      const kept = byLot.get(lot.id);
      if (!kept) return [];
      const counted = kept.counted && { ...kept.counted, at: epochMs(kept.counted.at) };
      const stock = stockOf(counted, kept.used, kept.perDay);
      const needsLead = isRunningOut(stock) || lotNow(lot.bestBefore, today).kind !== 'fine';
      return [{ tea, lot, kept, stock, needsLead }];
    }),
  );
  return lines.sort(
    (a, b) =>
      Number(b.needsLead) - Number(a.needsLead) ||
      a.tea.name.localeCompare(b.tea.name) ||
      a.lot.name.localeCompare(b.lot.name),
  );
}

export const moneyText = (amount: number, currency: string): string =>
  new Intl.NumberFormat('en-GB', { style: 'currency', currency }).format(amount);

/**
 * What the leaf of a teacup costs by the house recipe, once and over all the steeps it usually gives; null without a
 * price or a recipe.
 */
export function costWords({
  tea,
  kept: { price },
}: Pick<StockLine, 'tea' | 'kept'>): string | null {
  const recipe = tea.house?.recipe;
  if (!price || !recipe) return null;
  const steeps =
    recipe.later.length > 0
      ? recipe.later.length + 1
      : usualSteeps(tea.style, recipe.bag !== null).from;
  const cost = (cups: number) =>
    moneyText(leafCost(price.per100g, recipe.dose, cups), price.currency);
  return steeps > 1 ? `${cost(steeps)} over ${steeps} steeps, ${cost(1)} for one` : cost(1);
}

/** The currency a new price begins with: as the house wrote it last. */
export const usualCurrency = (lots: readonly LotStock[]): string =>
  lots.find(({ price }) => price)?.price?.currency ?? 'EUR';

/** Teas whose leaf goes into counted bags or pockets, with the leaf of one. */
export const baggedTeas = (
  teas: readonly Tea[],
): readonly { readonly tea: Tea; readonly bag: Grams }[] =>
  teas.flatMap((tea) => {
    const bag = bagOf(tea) ?? null;
    return bag === null ? [] : [{ tea, bag }];
  });
/** "12 of 20 pockets of 2 g left". */
export const pocketsWords = ({ left, filled, grams }: Pockets): string =>
  `${left} of ${filled} pockets of ${grams} g left`;
