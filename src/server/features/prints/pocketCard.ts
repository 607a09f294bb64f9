import { degrees, minutesText, numberText, volumeText } from '#core/units';
import type { Site } from '#contracts/sites';
import type { Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { dayOnPaper } from './page';
import { CAUTION, type Column, counted, poursIn, tableSheet } from './sheets';

export type PocketSize = 'a6' | 'label62';

/** For the pocket or the shelf edge: every tea in one vessel to its mark; null when it brews none. */
export function pocketCard(
  vessel: Vessel,
  site: Site,
  teas: readonly Tea[],
  size: PocketSize,
  now: number,
): Promise<Buffer> | null {
  const pours = poursIn(teas, vessel, site);
  if (pours.length === 0) return null;
  const t = site.temperatureUnit;
  const wide = size === 'a6';
  const [width, margin, s] = wide ? [105, 6, 3.4] : [62, 2.5, 2.7];
  const columns: Column[] = wide
    ? [
        { title: 'tea', x: 6, width: 38, face: 'book' },
        { title: 'leaf, g', x: 44, width: 11, right: true, face: 'bold', size: 4 },
        { title: 'spoons', x: 57, width: 21 },
        { title: `°${t}`, x: 78, width: 9, right: true },
        { title: 'best', x: 88, width: 11, right: true },
      ]
    : [
        { title: 'tea', x: 2.5, width: 30, face: 'book' },
        { title: 'g', x: 33, width: 8, right: true, face: 'bold', size: 3 },
        { title: `°${t}`, x: 42, width: 6, right: true },
        { title: 'best', x: 49, width: 10.5, right: true },
      ];
  const rows = pours.map(({ tea, card }) =>
    wide
      ? [
          tea.name,
          numberText(card.leaf),
          counted(card),
          String(degrees(card.temperature, t)),
          minutesText(card.window.best),
        ]
      : [
          tea.name,
          numberText(card.leaf),
          String(degrees(card.temperature, t)),
          minutesText(card.window.best),
        ],
  );
  const row = wide ? 5.4 : 4;
  const height = wide ? 148 : Math.max(30, margin * 2 + s * 4.5 + rows.length * row + s * 4);
  return tableSheet({
    width,
    height,
    margin,
    size: s,
    row,
    title: vessel.name,
    under: `to the mark, ${volumeText(vessel.mark, site.volumeUnit)}`,
    columns,
    rows,
    foot: `${CAUTION} ${site.name}, ${dayOnPaper(now, site)}.`,
  });
}
