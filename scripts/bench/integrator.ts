// The same equations handed to a general integrator (odex: Gragg-Bulirsch-Stoer extrapolation), as a yardstick.
import { createRequire } from 'node:module';
import { type Brewing, heatOf, settingOf } from '#core/cup';
import {
  at,
  coldness,
  dryLeaf,
  rateOf,
  shareAtRest,
  VENTING,
  WETTING_ENERGY,
} from '#core/extraction';
import { coolingRate } from '#core/heat';

type Derivative = (x: number, y: number[]) => number[];
type Solver = {
  absoluteTolerance: number;
  relativeTolerance: number;
  solve: (f: Derivative, x0: number, y0: number[], x1: number) => { y: number[] };
};
const { Solver: Odex } = createRequire(import.meta.url)('odex') as {
  Solver: new (n: number) => Solver;
};

/**
 * Dissolved solids g/L after the steep: temperature, opening, seven classes and lost aroma as one system of
 * equations.
 */
export function integrate(b: Brewing): number {
  const set = settingOf(b);
  const heat = heatOf(b);
  if (heat.kind !== 'cooling') throw new RangeError('a cooling pot is wanted');
  const rate = coolingRate({
    volume: b.water,
    material: heat.material,
    lid: heat.lid,
    cosy: heat.cosy,
  });
  const start = dryLeaf(b.character, b.leaf);
  const solver = new Odex(10);
  solver.absoluteTolerance = 1e-4;
  solver.relativeTolerance = 1e-4;
  const total = start.inLeaf.map((l) => l);
  const f: Derivative = (_t, y) => {
    const theta = y[0] as number;
    const x = coldness(heat.ambient + theta);
    const wet = 1 - Math.exp(-(y[1] as number));
    const d = [
      -(rate.a + rate.b * theta) * theta,
      1 / (b.character.wetting * Math.exp(WETTING_ENERGY * x)),
    ];
    for (let i = 1; i < 7; i++) {
      const phi = shareAtRest(i, set, x);
      const q = y[i + 1] as number;
      const gap = phi * at(total, i) - q;
      d.push(gap > 0 ? (wet * rateOf(i, set, x) * gap) / phi : 0);
    }
    // Aroma: released from the leaf (state 8), lost from the liquor (state 9) to the air.
    const released = wet * rateOf(0, set, x) * (at(total, 0) - (y[8] as number));
    d.push(
      released,
      released -
        VENTING.rate *
          (set.lid ? 1 : VENTING.open) *
          Math.exp(-VENTING.energy * x) *
          (y[9] as number),
    );
    return d;
  };
  const end = solver.solve(f, 0, [heat.start - heat.ambient, 0, 0, 0, 0, 0, 0, 0, 0, 0], b.time).y;
  return [...end.slice(2, 8), end[9] as number].reduce((s, q) => s + q, 0) / b.water;
}
