import type { Brewing } from '#core/cup';
import { CUP, newCup, quickCup } from '#core/quick';
import { type Celsius, type Grams, grams, type Seconds, seconds } from '#core/units';

/** A pour as a match sees it: everything but leaf and time; the heat on the leaf may depend on the leaf. */
export type Pour = Omit<Brewing, 'leaf' | 'time' | 'temperature'> & {
  readonly onLeaf: (leaf: Grams) => Celsius;
};
export type KnownCup = Pour & { readonly leaf: Grams; readonly time: Seconds };

/** Leaf, and time where both were asked for, that make the reference cup elsewhere; or why none was found. */
export type Match =
  | { readonly kind: 'matched'; readonly leaf: Grams; readonly time: Seconds }
  | { readonly kind: 'outOfReach' };

const CLOSE = 1e-6;
const MOST_STEPS = 40;
/** Leaf is looked for between these shares of the linear answer. */
const LEAST = 0.2;
const MOST = 5;

const cup = newCup();
function brewed(p: Pour, leaf: number, time: number): { body: number; bitter: number } {
  quickCup(
    { ...p, leaf: grams(leaf), temperature: p.onLeaf(grams(leaf)), time: seconds(time) },
    cup,
  );
  return { body: cup[CUP.body] as number, bitter: cup[CUP.bitterDose] as number };
}

/**
 * The leaf that gives the reference cup's body in another pour, in the same time: match the cup, strength alone.
 * Secant steps in log space inside a bracket; body never falls with leaf.
 */
export function matchStrength(reference: KnownCup, pour: Pour): Match {
  const target = brewed(reference, reference.leaf, reference.time).body;
  const linear = (reference.leaf * pour.water) / reference.water;
  const miss = (u: number) =>
    Math.log(brewed(pour, linear * Math.exp(u), reference.time).body / target);
  let [low, high] = [Math.log(LEAST), Math.log(MOST)];
  let u = 0;
  let wrong = miss(0);
  let slope = 0.8; // body grows a little slower than leaf
  for (let i = 0; i < MOST_STEPS; i++) {
    if (Math.abs(wrong) < CLOSE)
      return { kind: 'matched', leaf: grams(linear * Math.exp(u)), time: reference.time };
    if (wrong > 0) high = u;
    else low = u;
    let next = u - wrong / slope;
    if (!(next > low && next < high)) next = (low + high) / 2;
    const then = miss(next);
    if (next !== u) slope = Math.min(2, Math.max(0.05, (then - wrong) / (next - u)));
    u = next;
    wrong = then;
    if (high - low < 1e-9) break;
  }
  return { kind: 'outOfReach' };
}

/**
 * Leaf and time that give the reference cup's body and bitter dose in another pour: damped Newton in log space.
 */
export function matchCup(reference: KnownCup, pour: Pour): Match {
  const want = brewed(reference, reference.leaf, reference.time);
  const linear = (reference.leaf * pour.water) / reference.water;
  const miss = (x: number, y: number): [number, number] => {
    const got = brewed(pour, linear * Math.exp(x), reference.time * Math.exp(y));
    return [Math.log(got.body / want.body), Math.log(got.bitter / want.bitter)];
  };
  let [x, y] = [0, 0];
  let at = miss(x, y);
  const H = 1e-3;
  for (let i = 0; i < MOST_STEPS; i++) {
    if (Math.max(Math.abs(at[0]), Math.abs(at[1])) < CLOSE)
      return {
        kind: 'matched',
        leaf: grams(linear * Math.exp(x)),
        time: seconds(reference.time * Math.exp(y)),
      };
    const dx = miss(x + H, y);
    const dy = miss(x, y + H);
    const [a, b, c, d] = [
      (dx[0] - at[0]) / H,
      (dy[0] - at[0]) / H,
      (dx[1] - at[1]) / H,
      (dy[1] - at[1]) / H,
    ];
    const det = a * d - b * c;
    if (!(Math.abs(det) > 1e-9)) break;
    const [sx, sy] = [(-d * at[0] + b * at[1]) / det, (c * at[0] - a * at[1]) / det];
    let step = Math.min(1, 0.7 / Math.max(Math.abs(sx), Math.abs(sy), 1e-9));
    let then = miss(x + step * sx, y + step * sy);
    while (Math.hypot(...then) > Math.hypot(...at) && step > 1e-3) {
      step /= 2;
      then = miss(x + step * sx, y + step * sy);
    }
    if (step <= 1e-3) break;
    [x, y, at] = [x + step * sx, y + step * sy, then];
  }
  return { kind: 'outOfReach' };
}

/** Why schools differ, for whoever chooses one: heat alone hardly bends the line; leaf left in does. */
export const SCHOOL_REASON = {
  lifted:
    'The leaf is lifted out: go linear, and correct the time. A small vessel takes a little longer.',
  leftIn:
    'The leaf stays in while the pot is emptied cup by cup: taper, or the last cup is far too strong.',
} as const;
