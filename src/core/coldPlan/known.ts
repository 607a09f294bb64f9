import { compareCosts, type Cost, type Most, NO_COST, roundedUp } from './cost';
import { costOfPaths, type House, type Paths } from './house';
import type { Network } from './network';
import type { Work } from './paths';

/** The best that is known at a moment of the search. */
export type Found = {
  readonly paths: Paths;
  readonly cost: Cost;
  readonly bound: Cost;
  readonly proven: boolean;
  readonly steps: number;
};

/** More than any plan can throw out, or begin. */
function mostOf(nets: readonly Network[]): Most {
  const largest = (net: Network) =>
    [...net.steps.flat(), ...net.idle].reduce(
      (most, s) => Math.max(most, s.batch ? s.batch.fill.glasses * net.line.serving : 0),
      0,
    );
  const batches = (net: Network) => net.glasses + net.idle.length;
  return {
    thrown: nets.reduce((sum, net) => sum + largest(net) * batches(net), 0),
    batches: nets.reduce((sum, net) => sum + batches(net), 0),
  };
}

/** What the search knows: the best plan so far, what no plan can be better than, and how much was looked at. */
export class Known {
  readonly work: Work = { steps: 0 };
  private plan: { paths: Paths; cost: Cost } | null = null;
  private least: Cost = NO_COST;
  private readonly most: Most;

  constructor(readonly house: House) {
    this.most = mostOf(house.nets);
  }
  get best(): { readonly paths: Paths; readonly cost: Cost } {
    if (!this.plan) throw new Error('nothing was found yet');
    return this.plan;
  }
  get bound(): Cost {
    return this.least;
  }
  get proven(): boolean {
    return this.plan !== null && compareCosts(this.least, this.plan.cost) >= 0;
  }
  /** Takes ways that fit together, if they are better. */
  take(paths: Paths): void {
    const cost = costOfPaths(paths);
    if (!this.plan || compareCosts(cost, this.plan.cost) < 0) this.plan = { paths, cost };
  }
  raise(bound: Cost): void {
    if (compareCosts(bound, this.least) > 0) this.least = bound;
  }
  /** Raises the bound to the least whole cost that is no less than one found with prices. */
  raiseTo(bound: Cost): void {
    this.raise(roundedUp(bound, this.most));
  }
  found(): Found {
    const { paths, cost } = this.best;
    const { proven } = this;
    return { paths, cost, bound: proven ? cost : this.least, proven, steps: this.work.steps };
  }
}
