import { brewingOf, type Recipe } from '#core/recipes';
import { FIT_SCORES, type Seen } from '#core/fitting';
import type { KnownTea } from '#core/styles';
import { celsius, grams, millilitres, seconds } from '#core/units';
import type { VesselFacts } from '#core/vessels';
import type { Exercise, Tasting } from './exercise';
import { realCups } from './real';

/** The cups of a table that was revealed, each as it was really made with the mean of its marks. What was left out is not there. */
export function cupsSeen(e: Exercise, t: Tasting, of: { readonly tea: KnownTea; readonly recipe: Recipe; readonly vessel: Pick<VesselFacts, 'infuser' | 'basket' | 'material' | 'lid' | 'cosy'> }): (Seen & { readonly code: string; readonly n: number })[] {
  return realCups(e, t).flatMap((c) => {
    const [plan, made] = [e.cups[c.cup]?.plan, t.cups[c.cup]];
    // A later steep says what the first left, not what the leaf gives.
    if (!plan || !made || c.excluded !== null || (plan.steep ?? 1) > 1) return [];
    const sheets = t.tasters.filter((x) => x.handedIn !== null).flatMap((x) => Object.entries(x.sheets).filter(([code]) => t.cupOf[code] === c.cup).map(([, s]) => s.marks));
    const marks = Object.fromEntries(FIT_SCORES.flatMap((k) => {
      const given = sheets.flatMap((m) => m[k] ?? []);
      return given.length === 0 ? [] : [[k, given.reduce<number>((s, m) => s + m, 0) / given.length]];
    }));
    if (Object.keys(marks).length === 0 && made.solids === null && made.colour === null) return [];
    const { character: _character, ...brew } = brewingOf({ ...of, vessel: plan.infuser ? { ...of.vessel, infuser: plan.infuser, basket: null } : of.vessel, leaf: grams(made.grams), water: millilitres(made.water), onLeaf: celsius(plan.celsius), time: seconds(c.seconds ?? plan.seconds) });
    return [{ code: c.code, n: sheets.length, brew, marks, ...(made.solids !== null && { solids: made.solids }), ...(made.colour && { colour: made.colour }) }];
  });
}
