import type { Judged } from '../diagnosis/score';

// Questions that are answered by picking: one of several, or all that fit.

export type PickOption = { readonly id: string; readonly text: string };
/** One thing that is asked, with what can be picked. */
export type PickPart = {
  readonly asked: string;
  readonly options: readonly PickOption[];
  /** All that fit are picked, which may be none; else exactly one. */
  readonly many: boolean;
  /** What is right to pick. */
  readonly right: readonly string[];
};
/** What was picked of each part. */
export type PickAnswer = { readonly picks: readonly (readonly string[])[] };
export type PickWorked = {
  /** Whose leaf it is; null: no tea is asked about. */
  readonly tea: string | null;
  /** What is known, line by line. */
  readonly known: readonly string[];
  readonly parts: readonly PickPart[];
  /** The chance of a blind answer. */
  readonly guess: number;
  readonly working: readonly string[];
  /** One sentence of the trade. */
  readonly lesson: string;
  /** The verdict of an answer in which every part is picked, where not all of it is right. */
  readonly ifNotRight: (picks: PickAnswer['picks']) => Judged;
  /** What a wrong pick comes from; null: no mistake that is known. */
  readonly mistake: (picks: PickAnswer['picks']) => string | null;
};
const isSame = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === b.length && a.every((x) => b.includes(x));
/** True when each part is answered by what it offers. */
export const isPicked = ({ parts }: PickWorked, { picks }: PickAnswer): boolean =>
  picks.length === parts.length &&
  parts.every((part, i) => {
    const picked = picks[i] ?? [];
    const areOffered = picked.every((id) => part.options.some((o) => o.id === id));
    const isOnce = new Set(picked).size === picked.length;
    return areOffered && isOnce && (part.many || picked.length === 1);
  });
/** How many parts are picked right. */
export const rightParts = (
  { parts }: Pick<PickWorked, 'parts'>,
  picks: PickAnswer['picks'],
): number => parts.filter((part, i) => isSame(part.right, picks[i] ?? [])).length;
/** How an answer is judged. */
export const judgedPicks = (worked: PickWorked, { picks }: PickAnswer): Judged =>
  rightParts(worked, picks) === worked.parts.length ? 'right' : worked.ifNotRight(picks);
