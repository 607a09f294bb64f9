import type { PickAnswer, PickPart } from '#core/training';

// What is picked of each part, until it is submitted.

export type Picking = {
  /** Of each part; a part that takes one is empty until it is picked. */
  readonly picks: PickAnswer['picks'];
  readonly before: readonly PickAnswer['picks'][];
  /** The part that the figure keys are about. */
  readonly part: number;
  readonly isDone: boolean;
};
export type PickAction =
  | { readonly kind: 'pick'; readonly part: number; readonly id: string }
  | { readonly kind: 'undo' }
  | { readonly kind: 'submitted' };

export const unpicked = (parts: readonly PickPart[]): Picking => ({
  picks: parts.map(() => []),
  ...{ before: [], part: 0, isDone: false },
});
const withPick = ({ many }: PickPart, picked: readonly string[], id: string): readonly string[] => {
  if (!many) return [id];
  return picked.includes(id) ? picked.filter((p) => p !== id) : [...picked, id];
};
/** The first part that is still to be picked, else the last. */
const nextPart = (parts: readonly PickPart[], picks: PickAnswer['picks']): number => {
  const open = parts.findIndex((part, i) => !part.many && picks[i]?.length === 0);
  return open === -1 ? parts.length - 1 : open;
};
/** True when every part that takes one is picked, and something is picked at all. */
export const isWhole = (parts: readonly PickPart[], { picks }: Picking): boolean =>
  parts.every((_, i) => (picks[i]?.length ?? 0) > 0);

export const picking =
  (parts: readonly PickPart[]) =>
  (p: Picking, action: PickAction): Picking => {
    // What is submitted stays.
    if (p.isDone) return p;
    switch (action.kind) {
      case 'pick': {
        const part = parts[action.part];
        if (!part?.options.some((o) => o.id === action.id)) return p;
        const picks = p.picks.map((picked, i) =>
          i === action.part ? withPick(part, picked, action.id) : picked,
        );
        return { ...p, picks, before: [...p.before, p.picks], part: nextPart(parts, picks) };
      }
      case 'undo': {
        const picks = p.before.at(-1);
        if (!picks) return p;
        return { ...p, picks, before: p.before.slice(0, -1), part: nextPart(parts, picks) };
      }
      case 'submitted':
        return isWhole(parts, p) ? { ...p, isDone: true } : p;
    }
  };
