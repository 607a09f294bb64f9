import type { Label } from '#core/labels';
import type { Card } from '#core/recipes';
import { minutesText, numberText, temperatureText, volumeText } from '#core/units';
import type { Site } from '#contracts/sites';
import type { Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { counted } from './sheets';

/** What the label of a caddy says, for a label printer: as the one on PDF. */
export function caddyLines(
  tea: Tea,
  site: Site,
  pours: readonly { vessel: Vessel; card: Card }[],
  address: string,
): Label {
  const first = pours[0]?.card;
  const heat = first
    ? `${temperatureText(first.temperature, site.temperatureUnit)}  ${minutesText(first.window.best)}`
    : '';
  return {
    lines: [
      { words: tea.name, style: 'name' },
      ...(heat ? [{ words: heat, style: 'block' as const }] : []),
      ...pours.slice(0, 3).flatMap(({ vessel, card }) => [
        { words: `${numberText(card.leaf)} g  ${vessel.name}`, style: 'strong' as const },
        {
          words: `${volumeText(card.water, site.volumeUnit)}, ${counted(card)}`,
          style: 'small' as const,
        },
      ]),
      {
        words: tea.allergens ? `Allergens: ${tea.allergens}` : 'No allergens noted',
        style: 'usual',
      },
      { words: 'Boiling water scalds.', style: 'small' },
    ],
    code: address,
  };
}
