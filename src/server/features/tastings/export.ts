import Papa from 'papaparse';
import { foldTasting, resultOf, type Tasting, type TastingEvent } from '#core/tastings';
import type { Found } from './repository';

const COLUMNS = [
  'tasting',
  'at',
  'tea',
  'exercise',
  'run_by',
  'taster',
  'code',
  'cup',
  'leaf_g',
  'water_ml',
  'heat_c',
  'infuser',
  'steep',
  'solids_g_l',
  'colour_strength',
  'planned_s',
  'steeped_s',
  'attribute',
  'mark',
  'score',
  'words',
  'leaf_words',
  'liking',
  'place_by_strength',
  'choice',
  'left_out',
  'entered_by',
] as const;
type Row = Partial<Record<(typeof COLUMNS)[number], string | number>>;
type Taster = Tasting['tasters'][number];

/** How the cup behind a code was really made. */
function madeOf({ t }: Found, now: Tasting, code: string): Row {
  const cup = now.cupOf[code] ?? -1;
  const c = now.cups[cup];
  const plan = t.exercise.cups[cup]?.plan;
  const steeped = c && c.poured !== null && c.pulled !== null ? (c.pulled - c.poured) / 1000 : '';
  return {
    code,
    cup: cup + 1,
    leaf_g: c?.grams ?? '',
    water_ml: c?.water ?? '',
    heat_c: plan?.celsius ?? '',
    infuser: plan?.infuser ?? t.vessel.infuser,
    steep: plan?.steep ?? 1,
    solids_g_l: c?.solids ?? '',
    colour_strength: c?.colour?.strength ?? '',
    planned_s: plan?.seconds ?? '',
    steeped_s: steeped,
    left_out: c?.excluded ?? '',
  };
}

/** A taster's marks and scores, a row each. */
function markRows(f: Found, now: Tasting, x: Taster): Row[] {
  return Object.entries(x.sheets).flatMap(([code, s]) => {
    const common: Row = {
      ...madeOf(f, now, code),
      words: s.words.join('; '),
      leaf_words: (s.leafWords ?? []).join('; '),
      liking: s.liking ?? '',
      place_by_strength: x.order ? x.order.indexOf(code) + 1 : '',
      choice: x.choice ?? '',
    };
    const marks = Object.entries(s.marks).map(([attribute, mark]) => ({
      ...common,
      attribute,
      mark,
    }));
    const scores = Object.entries(s.scores ?? {}).map(([attribute, score]) => ({
      ...common,
      attribute,
      score,
    }));
    return [...marks, ...scores];
  });
}

/** One row for each mark, or for each choice where tasters choose, with how its cup was really made. */
export function marksTable(f: Found, events: readonly TastingEvent[]): string {
  const { t, tea, setBy } = f;
  const now = foldTasting(t.exercise, events);
  const rows = now.tasters.flatMap((x) => {
    const marked = markRows(f, now, x);
    const chosen: Row[] =
      x.choice === null ? [] : [{ ...madeOf(f, now, x.choice), choice: x.choice }];
    const about: Row = {
      tasting: t.id,
      at: t.at.toISOString(),
      tea: tea.name,
      exercise: t.kind,
      run_by: setBy.name,
      taster: x.name,
      entered_by: x.enteredBy?.name ?? '',
    };
    return (marked.length > 0 ? marked : chosen).map((row) => ({ ...about, ...row }));
  });
  const data = rows.map((row: Row) => COLUMNS.map((c) => row[c] ?? ''));
  return Papa.unparse({ fields: [...COLUMNS], data }, { newline: '\r\n', escapeFormulae: true });
}
/** Everything: what was planned, what happened, and what it showed. */
export const wholeTasting = (f: Found, events: readonly TastingEvent[]) => ({
  tasting: f.t.id,
  at: f.t.at.toISOString(),
  tea: f.tea.name,
  lot: f.lot,
  version: f.version.number,
  recipe: f.version.recipe,
  vessel: f.t.vessel,
  exercise: f.t.exercise,
  events,
  result: resultOf(f.t.exercise, foldTasting(f.t.exercise, events)),
});
