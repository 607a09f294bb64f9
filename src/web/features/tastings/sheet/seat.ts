import { foldTasting } from '#core/tastings';
import type { BlindTasting, TastingView } from '#contracts/tastings';

/** A taster's place: codes in order, what is out, what was kept. */
export type Seat = Pick<BlindTasting, 'out' | 'sheets' | 'order' | 'choice' | 'handedIn'> & {
  readonly name: string;
  readonly served: readonly string[];
};
/** What of a tasting a sheet shows. */
export type SheetView = Pick<TastingView, 'kind' | 'way' | 'asks' | 'compares'> & {
  readonly tea: Pick<TastingView['tea'], 'name'>;
};

/** What one taster needs, from either view: codes in order, what is out, what was kept. */
export function seatOf(view: TastingView, taster: string): Seat | null {
  if (view.sees === 'own')
    return view.codes.length > 0 ? { ...view, name: '', served: view.codes } : null;
  const now = foldTasting(view.exercise, view.events);
  const me = now.tasters.find((t) => t.id === taster);
  const served = view.exercise.servings[taster];
  if (!me || !served) return null;
  return {
    served,
    out: served.filter((c) => now.cups[now.cupOf[c] ?? -1]?.excluded),
    sheets: me.sheets,
    order: me.order,
    choice: me.choice,
    handedIn: me.handedIn,
    name: me.name,
  };
}

export const STEPS = ['Look', 'Leaf', 'Smell', 'Taste'] as const;
export type Step = (typeof STEPS)[number];
/** What is scored is not looked at: colour would give the cup away. */
export const SCORED_STEPS: readonly Step[] = ['Smell', 'Taste'];
