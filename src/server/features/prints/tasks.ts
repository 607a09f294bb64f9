import type { Site } from '#contracts/sites';
import type { Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { task } from '../../work/task';
import { guestCard } from './guestCard';
import type { CardSize } from './page';
import { pocketCard } from './pocketCard';
import { poursOf, startAddress } from './pours';
import { caddyLabel, scalingSheet, spoonSheet } from './sheets';
import { swatchStrip } from './swatchStrip';
import { wallCard, wholeBook } from './wallCard';

/** A card of every tea with a recipe and a vessel here; null when there is none. */
function book(
  teas: readonly Tea[],
  shelf: readonly Vessel[],
  site: Site,
  size: CardSize,
  origin: string,
): Promise<Uint8Array> | null {
  const cards = teas.flatMap((tea) => {
    const pours = poursOf(tea, shelf, site);
    return tea.house && pours.length > 0
      ? [
          {
            tea,
            version: tea.house,
            site,
            pours,
            size,
            brewUrl: startAddress(origin, tea, pours[0]?.vessel),
          },
        ]
      : [];
  });
  return cards.length === 0 ? null : wholeBook(cards, size, `Tea book, ${site.name}`);
}

/** Every print of the book and the shelf. */
export const PRINT_TASKS = {
  wallCard: task('print.wallCard', wallCard),
  book: task('print.book', book),
  guestCard: task('print.guestCard', guestCard),
  caddyLabel: task('print.caddyLabel', caddyLabel),
  swatchStrip: task('print.swatchStrip', swatchStrip),
  pocketCard: task('print.pocketCard', pocketCard),
  scalingSheet: task('print.scalingSheet', scalingSheet),
  spoonSheet: task('print.spoonSheet', spoonSheet),
};
