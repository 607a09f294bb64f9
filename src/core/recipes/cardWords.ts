import type { CardFault } from './card';

/** A fault in the words of whoever pours. */
export function cardFaultWords(f: CardFault): string {
  switch (f.kind) {
    case 'noWater':
      return 'Say how much water.';
    case 'overBrim':
      return `Over the brim: it holds ${Math.round(f.brim)} ml to the very top.`;
    case 'belowBasket':
      return `Too little to cover the leaf: at least ${Math.ceil(f.least / 5) * 5} ml here, or take a smaller vessel.`;
    case 'noMatch':
      return 'No leaf in this vessel makes the known cup: take another vessel, or a plain dose.';
    case 'basketTooSmall':
      return `The infuser is too small: opened leaf is ${f.crowding.toFixed(1)} times what it holds. At most ${f.most} g here.`;
  }
}
