import {
  CUPS_MOST,
  type CupsAsked,
  MILK_AMOUNTS,
  NO_WISH,
  type Wish,
  WISH_STRENGTHS,
} from '#core/recipes';
import { type Millilitres, millilitres } from '#core/units';

/** What of an order the start card begins with. */
export type OrderSearch = {
  readonly water: Millilitres | null;
  readonly cups: CupsAsked | null;
  readonly wish: Wish;
};
/** An order in the address of the start card. */
export function orderToSearch({ water, cups, wish }: OrderSearch): Record<string, string> {
  return {
    ...(water !== null && { water: String(water) }),
    ...(cups && { cups: String(cups.count), each: String(cups.each) }),
    ...(wish.strength !== 0 && { strength: String(wish.strength) }),
    ...(wish.milk !== 'none' && { milk: wish.milk }),
  };
}
/** The same read again; what makes no sense is left out. */
export function orderFromSearch(params: URLSearchParams): OrderSearch {
  const number = (name: string) => Number(params.get(name) ?? 0);
  const [water, count, each] = [number('water'), number('cups'), number('each')];
  const isCups = Number.isInteger(count) && count >= 1 && count <= CUPS_MOST && each >= 10;
  return {
    water: water > 0 ? millilitres(water) : null,
    cups: isCups ? { count, each: millilitres(each) } : null,
    wish: {
      strength: WISH_STRENGTHS.find((s) => s === number('strength')) ?? NO_WISH.strength,
      milk: MILK_AMOUNTS.find((m) => m === params.get('milk')) ?? NO_WISH.milk,
    },
  };
}
