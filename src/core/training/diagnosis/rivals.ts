import {
  asTheHouse,
  type Fault,
  FAULT_NAMES,
  type FaultName,
  type HouseCup,
  isAlike,
  madeWith,
  PAIR_GRID,
  SINGLE_GRID,
  sizesOf,
} from './faults';
import { type PairName, partsOf } from './pairs';
import {
  type Beside,
  beside,
  FITS_NOT,
  isOnEdge,
  misfit,
  type Six,
  stepOf,
  tasteOfMade,
} from './tasted';

/** What every fault of one house's cup comes to, at every size: worked out once, then held against many cups. */
export class Rivals {
  private readonly taste: Six;
  private readonly made = new Map<string, readonly Beside[]>();

  constructor(readonly house: HouseCup) {
    this.taste = tasteOfMade(asTheHouse(house));
  }
  private cups(key: string, all: () => readonly (readonly Fault[])[]): readonly Beside[] {
    const known = this.made.get(key);
    if (known) return known;
    const cups = all().map((faults) => beside(this.taste, madeWith(this.house, faults)));
    this.made.set(key, cups);
    return cups;
  }
  private of(id: FaultName): readonly Beside[] {
    return this.cups(id, () => sizesOf(this.house, id, SINGLE_GRID).map((size) => [{ id, size }]));
  }
  private ofPair(pair: PairName): readonly Beside[] {
    const [a, b] = partsOf(pair);
    if (!a || !b) return [];
    return this.cups(pair, () =>
      sizesOf(this.house, a, PAIR_GRID).flatMap((size) =>
        sizesOf(this.house, b, PAIR_GRID).map((other) => [
          { id: a, size },
          { id: b, size: other },
        ]),
      ),
    );
  }
  private best(cup: Beside, cups: readonly Beside[], byColour: boolean): number {
    return cups.reduce((least, c) => Math.min(least, misfit(cup, c, byColour, least)), Infinity);
  }
  /** How badly one fault fits a cup at its best size; infinite where it cannot be. */
  single(cup: Beside, id: FaultName, byColour = true): number {
    return this.best(cup, this.of(id), byColour);
  }
  /** The same of every fault that can be. */
  singles(cup: Beside): Map<FaultName, number> {
    return new Map(
      FAULT_NAMES.filter((id) => this.of(id).length > 0).map((id) => [id, this.single(cup, id)]),
    );
  }
  /** False where the words alone make it no fair question: nothing to taste, on the edge of a word, or too faint. */
  isWorthAsking(faults: readonly Fault[], level: number): boolean {
    const gaps = tasteOfMade(madeWith(this.house, faults)).map((x, i) => x - (this.taste[i] ?? 0));
    const least = level <= 2 ? 2 : 1;
    return !gaps.some(isOnEdge) && gaps.some((gap) => Math.abs(stepOf(gap)) >= least);
  }
  /** How badly every other fault fits the cup that has those. */
  near(faults: readonly Fault[]): Map<FaultName, number> {
    const cup = beside(this.taste, madeWith(this.house, faults));
    return new Map([...this.singles(cup)].filter(([id]) => !faults.some((f) => isAlike(f.id, id))));
  }
  pairs(cup: Beside, names: readonly PairName[]): Map<PairName, number> {
    return new Map(
      names
        .filter((p) => this.ofPair(p).length > 0)
        .map((p) => [p, this.best(cup, this.ofPair(p), true)]),
    );
  }
  /** True when words alone tell the truth from all that is open. */
  fitByWords(
    cup: Beside,
    open: readonly FaultName[],
    ties: readonly FaultName[],
    pairs: readonly PairName[],
  ): boolean {
    const differs = (cups: readonly Beside[]) => this.best(cup, cups, false) >= FITS_NOT;
    return (
      open.filter((id) => !ties.includes(id)).every((id) => differs(this.of(id))) &&
      pairs.every((p) => differs(this.ofPair(p)))
    );
  }
}
