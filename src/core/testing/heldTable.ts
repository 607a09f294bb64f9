import { seeded } from '#core/numeric';
import { startingRecipe } from '#core/recipes';
import {
  type Exercise,
  foldTasting,
  housePour,
  type PlannedCup,
  setUp,
  type Sheet,
  type TastingAct,
  type TastingEvent,
} from '#core/tastings';

// A table of four for the tests of rounds: set up, brewed to plan, tasted, revealed.

export const recipe = startingRecipe('black-whole');
export const house = housePour(recipe, 150);
export const tasters = ['Ada', 'Bo', 'Cy', 'Di'].map((name) => ({ id: name, name }));
export const lead = { id: 'lead', name: 'Lead' };
export const sheet = (marks: Sheet['marks'], scores?: Sheet['scores']): Sheet => ({
  marks,
  words: [],
  ...(scores && { scores }),
});
export type Ask = Partial<Parameters<typeof setUp>[0]> & { cups: readonly PlannedCup[] };
export const exerciseOf = (over: Ask): Exercise =>
  setUp({ kind: 'dialIn', way: 'seconds', asks: 'strength', tasters, ...over }, seeded(7));
/** A table that was brewed to plan, each taster's sheet by bowl as `sheetFor` says, revealed. */
export function held(
  e: Exercise,
  sheetFor: (taster: number, cup: number, bowl: number) => Sheet | null,
  also: readonly TastingAct[] = [],
) {
  let at = 1_000_000;
  const events: TastingEvent[] = [];
  const does = (act: TastingAct, by = lead) =>
    events.push({ id: `e${events.length}`, at, by, act });
  does({ kind: 'start' });
  for (const [cup, c] of e.cups.entries()) {
    does({ kind: 'pour', cup });
    at += c.plan.seconds * 1000;
    does({ kind: 'pull', cup });
  }
  also.forEach((a) => does(a));
  for (const [i, t] of tasters.entries()) {
    for (const [cup, c] of e.cups.entries())
      for (const [bowl, code] of c.codes.entries()) {
        const s = sheetFor(i, cup, bowl);
        if (s) does({ kind: 'keep', taster: t.id, code, sheet: s }, t);
      }
    does({ kind: 'handIn', taster: t.id, order: null, choice: null }, t);
  }
  does({ kind: 'reveal' });
  return foldTasting(e, events);
}
export const ALL = { strength: 0, bitterness: 0, astringency: 0, sweetness: 0, aroma: 0 } as const;
