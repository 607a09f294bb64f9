import { type Lab, labOf, type Liquor } from '#core/colour';
import { normal, type Random } from '#core/numeric';

/** Noise of a good colour reader in a cup, each of L*, a*, b* (from memory). */
const NOISE = 0.6;
/** A made-up leaf differs from its prediction by this much, sd of each. */
const LEAF = 2.5;

/**
 * A colour reader that does not exist, looking at leaf that differs a little from what is predicted: for practice,
 * teaching and tests. Never stored as measured without being typed.
 */
export function simulatedReader(random: Random): (liquor: Liquor, depthCm: number) => Lab {
  const leaf = [normal(random, 0, LEAF), normal(random, 0, LEAF), normal(random, 0, LEAF)];
  return (liquor, depthCm) => {
    const lab = labOf(liquor, depthCm);
    // What is nearly water differs from it by nearly nothing.
    const by = Math.min(1, (94 - lab[0]) / 30);
    return lab.map((v, i) => v + by * (leaf[i] ?? 0) + normal(random, 0, NOISE)) as unknown as Lab;
  };
}
