import { type Attribute, ATTRIBUTE_NAMES, ATTRIBUTES, type Mark } from '#core/corrections';
import { type ExerciseKind, EXERCISES, type Sheet } from '#core/tastings';
import type { Drafts } from './drafts';
import { SCORED_STEPS, type Step, STEPS } from './seat';

// A taster's sheets: which cup is marked, what was marked and not kept yet, whether it is time to submit. Pure.

export const EMPTY: Sheet = { marks: {}, words: [] };

export type SheetState = {
  /** `cup`: one cup is marked. `submit`: all are ordered or submitted; the cup waits. */
  readonly kind: 'cup' | 'submit';
  /** The place of the cup among those served. */
  readonly at: number;
  readonly step: Step;
  /** By code: what was marked and is not kept yet. */
  readonly drafts: Drafts;
};
export type SheetEvent =
  | { readonly type: 'written'; readonly code: string; readonly sheet: Sheet }
  /** A cup was kept; `next` is the place of one that is still to be marked, or null. */
  | { readonly type: 'kept'; readonly code: string; readonly next: number | null }
  | { readonly type: 'cupPicked'; readonly at: number }
  | { readonly type: 'cupMoved'; readonly by: 1 | -1; readonly cups: number }
  | { readonly type: 'stepPicked'; readonly step: Step }
  | { readonly type: 'submitOpened' }
  | { readonly type: 'submitClosed' };

/** The steps of a cup: calibrations smell and score, all else is looked at first. */
export const stepsOf = (kind: ExerciseKind): readonly Step[] =>
  EXERCISES[kind].asks === 'scores' ? SCORED_STEPS : STEPS;
const firstStep = (kind: ExerciseKind): Step => stepsOf(kind)[0] ?? 'Look';

export const firstSheet = (
  kind: ExerciseKind,
  cups: readonly string[],
  isKept: (code: string) => boolean,
  drafts: Drafts,
): SheetState => ({
  kind: 'cup',
  at: Math.max(
    0,
    cups.findIndex((c) => !isKept(c)),
  ),
  step: firstStep(kind),
  drafts,
});

export const sheetReducer =
  (exercise: ExerciseKind) =>
  (state: SheetState, event: SheetEvent): SheetState => {
    switch (event.type) {
      case 'written':
        return { ...state, drafts: { ...state.drafts, [event.code]: event.sheet } };
      case 'kept': {
        const { [event.code]: _kept, ...drafts } = state.drafts;
        return event.next === null
          ? { ...state, drafts, kind: 'submit' }
          : { ...state, drafts, at: event.next, step: firstStep(exercise) };
      }
      case 'cupPicked':
        return { ...state, kind: 'cup', at: event.at };
      case 'cupMoved': {
        const at = Math.max(0, Math.min(event.cups - 1, state.at + event.by));
        return { ...state, at };
      }
      case 'stepPicked':
        return { ...state, step: event.step };
      case 'submitOpened':
        return { ...state, kind: 'submit' };
      case 'submitClosed':
        return { ...state, kind: 'cup' };
    }
  };

/** A mark set, or taken away by the same touch again. */
export function marked(sheet: Sheet, what: Attribute | 'colour', mark: Mark): Sheet {
  const { [what]: before, ...rest } = sheet.marks;
  return { ...sheet, marks: before === mark ? rest : { ...rest, [what]: mark } };
}
/** What is not marked yet is right. */
export const restRight = (sheet: Sheet): Sheet => ({
  ...sheet,
  marks: {
    ...Object.fromEntries(ATTRIBUTE_NAMES.map((a) => [a, 0 as Mark])),
    ...sheet.marks,
  },
});
/** Attributes without a mark or score, as they are called on screen. */
export function openAttributes(sheet: Sheet, exercise: ExerciseKind): readonly string[] {
  const given = EXERCISES[exercise].asks === 'scores' ? sheet.scores : sheet.marks;
  return ATTRIBUTE_NAMES.filter((a) => given?.[a] === undefined).map((a) =>
    ATTRIBUTES[a].label.toLowerCase(),
  );
}
/** What is still to be marked, in words; empty when all is. */
export function openWords(open: readonly string[]): string {
  if (open.length === 0) return '';
  if (open.length === ATTRIBUTE_NAMES.length) return '; nothing is marked yet';
  return `; ${open.join(', ')} ${open.length === 1 ? 'is' : 'are'} open`;
}
/** The cup that is offered after this one; null when none is left. */
export function nextCup(
  cups: readonly string[],
  { at, drafts }: SheetState,
  isKept: (code: string) => boolean,
): string | null {
  const isOpen = (c: string, i: number) => i !== at && !isKept(c) && !(drafts[c] && i < at);
  return cups.find(isOpen) ?? null;
}
export type CupState = 'kept' | 'begun' | 'this cup' | 'to taste';
/** How far a cup is, as its tab says it. */
export function cupState(kept: boolean, begun: boolean, isThis: boolean): CupState {
  if (kept) return 'kept';
  if (begun) return 'begun';
  return isThis ? 'this cup' : 'to taste';
}
