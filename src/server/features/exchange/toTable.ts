import Papa from 'papaparse';
import { MATERIALS } from '#core/heat';
import { METHODS, recipeAsWeighed } from '#core/recipes';
import { styleOf } from '#core/styles';
import { LEAF_FORMS, LOT_WORDS, SEASONS, TRAITS } from '#core/teas';
import { minutesText } from '#core/units';
import { INFUSERS, PROFILES } from '#core/vessels';
import type { TableName } from '#contracts/exchange';
import type { Here } from './snapshot';

const yes = (b: boolean) => (b ? 'yes' : 'no');
/** Leading = + - @ could be run as a formula by a spreadsheet: a blank before it keeps it a text. */
const plain = (t: string) => (/^[=+\-@\t\r]/.test(t) ? ` ${t}` : t);

/** A table of the house as CSV (RFC 4180), each unit in its header; it reads back as the same. */
export function tableText(table: TableName, here: Here, decimal: 'point' | 'comma'): string {
  const n = (x: number | null) => {
    if (x === null) return '';
    if (decimal === 'comma') return String(x).replace('.', ',');
    return String(x);
  };
  const weighingOfTea = new Map(here.teas.map((t) => [t.id, t.measure.weighing]));
  /** Grams of a recipe in spoons are what they hold by the weighing of today. */
  const doseOf = ({ recipe, teaId }: Here['versions'][number]) =>
    recipeAsWeighed(recipe, weighingOfTea.get(teaId) ?? null).dose;
  const teaName = new Map(here.teas.map((t) => [t.id, t.name]));
  const tables: Record<TableName, () => Record<string, string>[]> = {
    teas: () =>
      here.teas.map((t) => ({
        tea: plain(t.name),
        style: styleOf(t.style).kind,
        method: METHODS[t.method].label,
        words: plain(t.words),
        allergens: plain(t.allergens),
        blend: plain(t.blend),
        packet: plain(t.packet),
        form: t.leaf.form ? LEAF_FORMS[t.leaf.form] : '',
        season: t.leaf.season ? SEASONS[t.leaf.season] : '',
        traits: t.leaf.traits.map((x) => TRAITS[x]).join(', '),
        caffeine: plain(t.caffeine),
        cautions: plain(t.cautions),
        note: plain(t.note),
        spoon: t.measure.spoon.name,
        spoons: n(t.weighing?.spoons ?? null),
        'weighed (g)': n(t.weighing?.weighed ?? null),
        retired: yes(t.retired),
      })),
    lots: () =>
      here.lots.map((l) => ({
        tea: plain(teaName.get(l.teaId) ?? ''),
        lot: plain(l.name),
        arrived: l.arrived ?? '',
        'best before': l.bestBefore ?? '',
        harvest: plain(l.harvest),
        state: LOT_WORDS[l.state],
        note: plain(l.note),
      })),
    recipes: () =>
      here.versions.map((v) => ({
        tea: plain(teaName.get(v.teaId) ?? ''),
        method: METHODS[v.method].label,
        version: String(v.number),
        state: v.state,
        'dose (g per 100 ml)': n(doseOf(v)),
        'heat (C)': n(v.recipe.temperature),
        earliest: minutesText(v.recipe.window.earliest),
        best: minutesText(v.recipe.window.best),
        latest: minutesText(v.recipe.window.latest),
        warm: yes(v.recipe.warm),
        lid: yes(v.recipe.lid),
        note: plain(v.recipe.note),
        reason: plain(v.reason),
      })),
    vessels: () =>
      here.vessels.map((v) => ({
        site: plain(here.sites.find((s) => s.id === v.siteId)?.name ?? ''),
        vessel: plain(v.name),
        kind: PROFILES[v.kind].label,
        'mark (ml)': n(v.mark),
        'brim (ml)': n(v.brim),
        infuser: INFUSERS[v.infuser].label,
        'basket (ml)': n(v.basket),
        material: MATERIALS[v.material].label,
        'weighs (g)': n(v.wallGrams),
        lid: yes(v.lid),
        cosy: yes(v.cosy),
        strainer: v.strainer === 'liftsOut' ? 'lifts out' : 'stays in',
        'stays (ml)': n(v.dead),
        'covers (ml)': n(v.covers),
        retired: yes(v.retired),
      })),
  };
  return `\uFEFF${Papa.unparse(tables[table](), { delimiter: decimal === 'comma' ? ';' : ',', newline: '\r\n' })}\r\n`;
}
