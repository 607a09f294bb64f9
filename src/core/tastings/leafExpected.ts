import { brewAgain, brewCup, type Cup } from '#core/cup';
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
