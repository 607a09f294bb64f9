import { cardOf } from '#core/brews';
import type { Site } from '#contracts/sites';
import type { Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';

/** Vessels on a card when none are named. */
const USUAL = 3;
const CUPS = new Set(['lidded', 'tasting']);
/** A tea in the vessels named, or the three largest that suit it. */
export function poursOf(tea: Tea, shelf: readonly Vessel[], site: Site, named?: readonly string[]) {
  const { house } = tea;
  if (!house) return [];
  const small = tea.method === 'liddedCup' || tea.method === 'tastingSet';
  const chosen = named
    ? shelf.filter((v) => named.includes(v.id))
    : shelf
        .filter((v) => CUPS.has(v.kind) === small && v.kind !== 'pitcher')
        .sort((a, b) => b.mark - a.mark);
  return chosen
    .flatMap((vessel) => {
      const card = cardOf({
        tea,
        version: house,
        vessel,
        site,
        water: vessel.mark,
        warmed: house.recipe.warm,
      });
      return card.kind === 'card' ? [{ vessel, card }] : [];
    })
    .slice(0, named?.length ?? USUAL);
}
/** Where a card's code leads: this tea in this vessel, ready to start. */
export const startAddress = (origin: string, tea: Tea, vessel: Vessel | undefined): string =>
  `${origin}/start?tea=${tea.id}&vessel=${vessel?.id ?? ''}`;
