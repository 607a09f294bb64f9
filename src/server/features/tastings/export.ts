import Papa from 'papaparse';
import { resultOf, tastingOf, type TastingEvent } from '#core/tasting';
import type { Found } from './queries';

/** One row for each mark, with how its cup was really made. */
export function marksTable({ t, tea, setBy }: Found, events: readonly TastingEvent[]): string {
  const now = tastingOf(t.exercise, events);
  const cup = (code: string) => now.cupOf[code] ?? -1;
  const rows = now.tasters.flatMap((x) => Object.entries(x.sheets).flatMap(([code, s]) => [...Object.entries(s.marks).map(([a, m]) => [a, m, ''] as const), ...Object.entries(s.scores ?? {}).map(([a, v]) => [a, '', v] as const)].map(([attribute, mark, score]) => {
    const c = now.cups[cup(code)];
    const plan = t.exercise.cups[cup(code)]?.plan;
    return {
      tasting: t.id, at: t.at.toISOString(), tea: tea.name, exercise: t.kind, run_by: setBy.name, taster: x.name, code, cup: cup(code) + 1, leaf_g: c?.grams ?? '', water_ml: c?.water ?? '', heat_c: plan?.celsius ?? '', infuser: plan?.infuser ?? t.vessel.infuser, steep: plan?.steep ?? 1, solids_g_l: c?.solids ?? '', colour_strength: c?.colour?.strength ?? '', planned_s: plan?.seconds ?? '',
      steeped_s: c && c.poured !== null && c.pulled !== null ? (c.pulled - c.poured) / 1000 : '', attribute, mark, score, words: s.words.join('; '), leaf_words: (s.leafWords ?? []).join('; '), liking: s.liking ?? '', place_by_strength: x.order ? x.order.indexOf(code) + 1 : '', choice: x.choice ?? '', left_out: c?.excluded ?? '', entered_by: x.enteredBy?.name ?? '',
    };
  })));
  return Papa.unparse(rows, { newline: '\r\n', escapeFormulae: true });
}
/** Everything: what was planned, what happened, and what it showed. */
export const wholeTasting = (f: Found, events: readonly TastingEvent[]) => ({
  tasting: f.t.id, at: f.t.at.toISOString(), tea: f.tea.name, lot: f.lot, version: f.version.number, recipe: f.version.recipe, vessel: f.t.vessel, exercise: f.t.exercise, events, result: resultOf(f.t.exercise, tastingOf(f.t.exercise, events)),
});
