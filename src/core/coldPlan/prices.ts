import { repair } from './fitting';
import { overfull, usesOf } from './house';
import type { Found, Known } from './known';
import { cheapestPath, costsToGo, weightsOf } from './paths';

type PricedLevel = 'lost' | 'effort';
/** A step of the prices, as a share of the gap; less after so many rounds without gain. */
const [FIRST_SCALE, LESS, PATIENCE] = [0.8, 0.7, 4];
/** So much of the last slope goes on. */
const MOMENTUM = 0.5;
const REPAIR_EVERY = 3;

/** Prices on room that is used too much: each round raises the bound, or shows where a plan may be better. */
export function* prices(known: Known, upTo: number): Generator<Found> {
  const { room } = known.house;
  const levelNow = (): PricedLevel => (known.bound.lost < known.best.cost.lost ? 'lost' : 'effort');
  // Beyond the first level there is something to price only where it has no gap without prices.
  const lostAlone = known.bound.lost;
  const level = levelNow();
  const price = new Float64Array(room.free.length);
  const slope = new Float64Array(room.free.length);
  let [scale, without, highest] = [FIRST_SCALE, 0, -Infinity];
  for (let round = 1; known.work.steps < upTo && !known.proven; round++) {
    const { total, uses } = pricedRound(known, level, price, round);
    if (total > highest) [highest, without] = [total, 0];
    else if (++without >= PATIENCE) [scale, without] = [scale * LESS, 0];
    yield known.found();
    if (levelNow() !== level) {
      if (lostAlone === known.best.cost.lost) yield* prices(known, upTo);
      return;
    }
    let length = 0;
    for (let i = 0; i < slope.length; i++) {
      const now = (uses[i] ?? 0) - (room.free[i] ?? 0) + MOMENTUM * (slope[i] ?? 0);
      slope[i] = now;
      if ((price[i] ?? 0) > 0 || now >= 0) length += now ** 2;
    }
    if (length === 0) return;
    const gap = Math.max(1e-3, known.best.cost[level] - total);
    const step = (scale * gap) / length;
    for (let i = 0; i < price.length; i++)
      price[i] = Math.max(0, (price[i] ?? 0) + step * (slope[i] ?? 0));
  }
}

/** Every line alone with those prices: what they come to less what the room is worth is a bound. */
function pricedRound(known: Known, level: PricedLevel, price: Float64Array, round: number) {
  const { nets, room } = known.house;
  const weights = weightsOf(room, level, price);
  const ways = nets.map((net) => cheapestPath(net, costsToGo(net, room.rows, weights, known.work)));
  const paths = ways.map((w) => w.path);
  const uses = usesOf(room, paths);
  const paid = price.reduce((sum, each, i) => sum + each * (room.free[i] ?? 0), 0);
  const total = ways.reduce((sum, w) => sum + w.priced[level], 0) - paid;
  const lost = ways.reduce((sum, w) => sum + w.priced.lost, 0);
  known.raiseTo(level === 'lost' ? { lost: total, effort: 0 } : { lost, effort: total });
  if (overfull(room, uses).length === 0) known.take(paths);
  else if (round % REPAIR_EVERY === 0) repair(known, paths, weights);
  return { total, uses };
}
