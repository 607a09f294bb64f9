import { type Attribute, ATTRIBUTE_NAMES } from '#core/corrections';
import { brewAgain, brewCup, type Cup } from '#core/cup';
import { MARK } from '#core/taste';
import { seconds } from '#core/units';
import { brewOfCup, type MadeOf } from './brew';
import type { PlannedCup } from './schedule';

/** What a cup is expected to taste like, 0 to 10 each; from the model, from memory. */
export type ExpectedCup = {
  readonly strength: number;
  readonly bitterness: number;
  readonly stewed: number;
};
const tasteOf = ({ taste: { strength, bitterness, stewed } }: Cup): ExpectedCup => ({
  ...{ strength, bitterness, stewed },
});
/** What the cups of an exercise come to. Later steeps are of what the steeps before them left. */
export function expectedCups(of: MadeOf, cups: readonly PlannedCup[]): ExpectedCup[] {
  const [first] = cups;
  if (first?.steep === undefined) return cups.map((c) => tasteOf(brewCup(brewOfCup(of, c))));
  const times = cups.map((c) => ({ time: seconds(c.seconds) }));
  return brewAgain(brewOfCup(of, first), times).map(tasteOf);
}

/** Marks end here, either way. */
const FURTHEST_MARK = 2;
/** What marks the model expects of one cup, or null where it knows nothing of its tea. */
export type ExpectedMarks = Readonly<Record<Attribute, number>> | null;
/**
 * The marks a table is expected to give each cup against the house cup, -2 to 2: the model's own word, to be held beside
 * what was marked. Later steeps of one leaf have none, nor has another tea.
 * @param house how the recipe itself would be poured in the same vessel
 */
export function marksOfCups(
  of: MadeOf,
  cups: readonly PlannedCup[],
  house: PlannedCup,
): ExpectedMarks[] {
  const right = brewCup(brewOfCup(of, house)).taste;
  return cups.map((cup): ExpectedMarks => {
    if (cup.steep !== undefined || cup.made?.of === 'tea') return null;
    const { taste } = brewCup(brewOfCup(of, cup));
    const markOf = (a: Attribute) =>
      Math.max(-FURTHEST_MARK, Math.min(FURTHEST_MARK, (taste[a] - right[a]) / MARK));
    return Object.fromEntries(ATTRIBUTE_NAMES.map((a) => [a, markOf(a)])) as Record<
      Attribute,
      number
    >;
  });
}
