import { cardOf } from '#core/brews';
import {
  bagsText,
  type Card,
  densityOf,
  gramsPerSpoon,
  methodFor,
  quartersText,
} from '#core/recipes';
import { measureOf, recipeFor } from '#core/teas';
import { degrees, millilitres, minutesText, numberText, volumeText } from '#core/units';
import type { Site } from '#contracts/sites';
import type { Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { drawCode } from './code';
import type { Face } from './fonts';
import { dayOnPaper, onSheets, type Paper } from './page';

export type Column = {
  readonly title: string;
  readonly x: number;
  readonly width: number;
  readonly right?: boolean;
  readonly face?: Face;
  readonly size?: number;
};
type Sheet = {
  readonly width: number;
  readonly height: number;
  readonly margin: number;
  readonly title: string;
  readonly under: string;
  readonly columns: readonly Column[];
  readonly rows: readonly (readonly string[])[];
  readonly row: number;
  readonly size: number;
  readonly foot: string;
};

export const CAUTION = 'Boiling water and steam scald. Allergens are on each tea’s own card.';

/** A ruled table over as many pages as it takes, its head on each. */
export function tableSheet(s: Sheet): Promise<Buffer> {
  const top = s.margin + s.size * 4.5;
  const most = Math.max(1, Math.floor((s.height - top - s.margin - s.size * 3) / s.row));
  const pages = Array.from({ length: Math.max(1, Math.ceil(s.rows.length / most)) }, (_, n) =>
    s.rows.slice(n * most, (n + 1) * most),
  );
  return onSheets(
    s.width,
    s.height,
    { title: s.title, author: '' },
    pages.map((rows, n) => (p: Paper) => {
      const right = s.width - s.margin;
      p.text(s.title, s.margin, s.margin - 1, { face: 'book', size: s.size * 1.7 });
      p.text(
        pages.length > 1 ? `${s.under}, ${n + 1} of ${pages.length}` : s.under,
        s.margin,
        s.margin + s.size * 1.75,
        { size: s.size * 0.82 },
      );
      for (const c of s.columns)
        p.text(c.title, c.right ? c.x + c.width : c.x, top - s.size * 1.25, {
          size: s.size * 0.75,
          align: c.right ? 'right' : 'left',
        });
      p.line(s.margin, top, right, top, 0.5);
      rows.forEach((cells, i) => {
        const y = top + i * s.row;
        s.columns.forEach((c, j) => {
          const size = c.size ?? s.size;
          let words = cells[j] ?? '';
          while (words.length > 3 && p.widthOf(words, c.face ?? 'sans', size) > c.width)
            words = `${words.slice(0, -2)}…`;
          p.text(words, c.right ? c.x + c.width : c.x, y + (s.row - size) / 2 - 0.4, {
            face: c.face ?? 'sans',
            size,
            align: c.right ? 'right' : 'left',
          });
        });
        p.line(s.margin, y + s.row, right, y + s.row, 0.2);
      });
      p.text(s.foot, s.margin, s.height - s.margin - s.size * 1.2, {
        size: s.size * 0.72,
        width: right - s.margin,
      });
    }),
  );
}

const SMALL = new Set<string>(['liddedCup', 'tastingSet']);
type Pour = { readonly tea: Tea; readonly card: Card };
/** What a site brews in a vessel, to so much water; teas that cannot be brewed in it are left out. */
export const poursIn = (
  teas: readonly Tea[],
  vessel: Vessel,
  site: Site,
  water = vessel.mark,
): Pour[] =>
  teas.flatMap((tea) => {
    const recipe = tea.retired ? null : recipeFor(tea, methodFor(vessel));
    // A short steep in a small cup is not a pot's recipe, nor the other way about.
    const version =
      recipe && SMALL.has(recipe.method) === SMALL.has(methodFor(vessel)) ? recipe.house : null;
    const card = version
      ? cardOf({ tea, version, vessel, site, water, warmed: version.recipe.warm })
      : null;
    return card?.kind === 'card' ? [{ tea, card }] : [];
  });
export const counted = (c: Card) => {
  if (c.bags) return bagsText(c.bags);
  if (c.spoons)
    return `${quartersText(c.spoons.quarters)} ${c.spoons.spoon.name.replace(/ spoon$/, '')}`;
  return 'weigh';
};

/** A vessel filled in steps: leaf for each tea at each; null when it brews none at its mark. */
export function scalingSheet(
  vessel: Vessel,
  site: Site,
  teas: readonly Tea[],
  now: number,
): Promise<Buffer> | null {
  if (poursIn(teas, vessel, site).length === 0) return null;
  const fills = [0.5, 0.625, 0.75, 0.875, 1].map((f) =>
    millilitres(Math.round((vessel.mark * f) / 10) * 10),
  );
  const at = fills.map(
    (ml) => new Map(poursIn(teas, vessel, site, ml).map((p) => [p.tea.id, p.card])),
  );
  const listed = teas.filter((tea) => at.some((m) => m.has(tea.id)));
  const columns: Column[] = [
    { title: 'tea', x: 14, width: 52, face: 'book' },
    ...fills.map((ml, i): Column => ({
      title: volumeText(ml, site.volumeUnit),
      x: 68 + i * 21,
      width: 18,
      right: true,
      face: i === fills.length - 1 ? 'bold' : 'sans',
    })),
    { title: `°${site.temperatureUnit}`, x: 172, width: 10, right: true },
    { title: 'best', x: 183, width: 13, right: true },
  ];
  const rows = listed.map((tea) => {
    const any = at.map((m) => m.get(tea.id)).find((c) => c !== undefined);
    return [
      tea.name,
      ...at.map((m) => {
        const c = m.get(tea.id);
        return c ? `${numberText(c.leaf)} g` : '–';
      }),
      any ? String(degrees(any.temperature, site.temperatureUnit)) : '',
      any ? minutesText(any.window.best) : '',
    ];
  });
  return tableSheet({
    width: 210,
    height: 297,
    margin: 14,
    size: 4.2,
    row: 8.4,
    title: `${vessel.name}: leaf by the water`,
    under: `brim ${volumeText(vessel.brim, site.volumeUnit)}, mark ${volumeText(vessel.mark, site.volumeUnit)}; – is too little to cover the leaf, or too much for the basket`,
    columns,
    rows,
    foot: `${CAUTION} House recipes of ${dayOnPaper(now, site)}, ${site.name}.`,
  });
}

/** What a spoon of each tea weighs: a spoon measures one tea, not tea; null without teas. */
export function spoonSheet(site: Site, all: readonly Tea[], now: number): Promise<Buffer> | null {
  const teas = all.filter((t) => !t.retired);
  if (teas.length === 0) return null;
  const rows = teas.map((tea) => {
    const { weighing, spoon } = measureOf(tea);
    if (!weighing) return [tea.name, spoon.name, 'not weighed', '', '', '', ''];
    const each = gramsPerSpoon(densityOf(weighing), spoon);
    const dose = tea.house?.recipe.dose;
    return [
      tea.name,
      `${spoon.heaped ? 'heaped' : 'level'} ${spoon.name}`,
      `${numberText(each, 2)} g`,
      ...[2, 3, 4].map((n) => `${numberText(each * n)} g`),
      dose ? volumeText(millilitres((100 * each) / dose), site.volumeUnit) : '–',
    ];
  });
  const columns: Column[] = [
    { title: 'tea', x: 14, width: 56, face: 'book' },
    { title: 'spoon', x: 72, width: 44 },
    { title: 'one holds', x: 116, width: 20, right: true, face: 'bold' },
    { title: 'two', x: 138, width: 14, right: true },
    { title: 'three', x: 153, width: 14, right: true },
    { title: 'four', x: 168, width: 12, right: true },
    { title: 'one is for', x: 181, width: 15, right: true },
  ];
  return tableSheet({
    width: 210,
    height: 297,
    margin: 14,
    size: 4,
    row: 8,
    title: 'Spoons',
    under:
      'weighed here; a teaspoon is 5 ml, a dessert spoon 10, a tablespoon 15: three times the leaf of a teaspoon',
    columns,
    rows,
    foot: `${site.name}, ${dayOnPaper(now, site)}. Weigh again with each new lot.`,
  });
}

/** A label for a caddy, 62 mm wide, black only: name, heat, time, leaf for up to three vessels, a code. */
export function caddyLabel(
  tea: Tea,
  site: Site,
  pours: readonly { vessel: Vessel; card: Card }[],
  address: string,
): Promise<Buffer> {
  const shown = pours.slice(0, 3);
  const allergens = tea.allergens ? `Allergens: ${tea.allergens}` : 'No allergens noted';
  return onSheets(62, 50, { title: `${tea.name}: label`, author: '' }, [
    (p) => {
      let size = 6.1;
      while (size > 3.6 && p.widthOf(tea.name, 'book', size) > 57) size -= 0.3;
      p.text(tea.name, 2.5, 1.8, { face: 'book', size });
      const first = shown[0]?.card;
      if (first)
        p.reversed(
          `${degrees(first.temperature, site.temperatureUnit)} °${site.temperatureUnit}   ${minutesText(first.window.best)}`,
          2.5,
          10,
          36,
          8.4,
          5.7,
        );
      shown.forEach(({ vessel, card }, i) => {
        const y = 20.5 + i * 6.6;
        p.text(`${numberText(card.leaf)} g`, 2.5, y, { face: 'bold', size: 4.2 });
        p.text(vessel.name, 16, y - 0.1, { size: 2.7 });
        p.text(`${volumeText(card.water, site.volumeUnit)}, ${counted(card)}`, 16, y + 2.8, {
          size: 2.6,
        });
        p.line(2.5, y + 6, 40.5, y + 6, 0.3);
      });
      drawCode(p, address, 43.5, 10, 16);
      p.text(allergens, 2.5, 42.6, {
        face: tea.allergens ? 'heavy' : 'sans',
        size: tea.allergens ? 3.2 : 2.7,
        width: 57,
      });
      p.text('Boiling water scalds.', 2.5, 46.4, { size: 2.6 });
    },
  ]);
}
