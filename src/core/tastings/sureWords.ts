import { type Attribute, ATTRIBUTES } from '#core/corrections';
import { capital, countWord as figure, numberText } from '#core/units';
import { fewestTasters, shareInterval, tastersNeeded } from './binomial';
import { chanceOfTrueOrder } from './ordering';
import type { LadderResult } from './result';
import type { Factor } from './schedule';
import { atTarget, chanceText, type TastingUnits, valueText } from './words';

const percent = (x: number) => Math.round(x * 100);

/** How sure that is: sentences with n, p and interval, and what n would have been needed. */
export function howSure(
  r: LadderResult,
  a: Attribute,
  way: Factor,
  target: number,
  u: TastingUnits,
): string[] {
  const out: string[] = [];
  const ordered = r.tasters.flatMap((t) => (t.ordering ? [t.ordering] : []));
  const rungs = r.cups.filter((c) => c.excluded === null).length;
  if (ordered.length) {
    const inOrder = ordered.filter((o) => o.inversions === 0).length;
    const oneIn = Math.round(1 / chanceOfTrueOrder(rungs));
    const taus = ordered.map((o) => numberText(o.tau, 2)).join(', ');
    out.push(
      `Order: ${figure(inOrder)} of ${figure(ordered.length)} in true order; by chance one in ${oneIn} each. ` +
        `Kendall tau ${taus}.`,
    );
  }
  const at = r.attributes[a];
  const near = atTarget(at, way, target);
  if (near) {
    const [low, high] = shareInterval(near.much, near.n);
    out.push(
      `${ATTRIBUTES[a].label} over at ${valueText(way, near.value, u)}: ${near.much} of ${near.n} ` +
        `(95 %: ${percent(low)} to ${percent(high)} %, exact).`,
    );
  }
  if (at.agreement) {
    const { w, chance, df } = at.agreement;
    out.push(
      `Tasters agree on the order of marks: W = ${numberText(w, 2)}, p = ${chanceText(chance)} ` +
        `(Friedman, n = ${Math.floor(at.marks.length / (df + 1))}).`,
    );
  }
  if (at.effect) {
    const { odds, interval } = at.effect;
    const each = way === 'celsius' ? '10 degrees' : 'doubling';
    out.push(
      `Odds of a higher mark x${numberText(odds, 1)} for each ${each} ` +
        `(95 %: ${numberText(interval[0], 1)} to ${numberText(interval[1], 1)}).`,
    );
  }
  const over = ATTRIBUTES[a].label.toLowerCase();
  if (at.penalty.much !== null)
    out.push(
      `Liked ${numberText(at.penalty.much)} less of 10 where it has too much ${over} (n = ${at.penalty.n}).`,
    );
  if (at.penalty.little !== null)
    out.push(
      `Liked ${numberText(at.penalty.little)} less of 10 where it has too little ${over} (n = ${at.penalty.n}).`,
    );
  const n = r.tasters.length;
  const least = fewestTasters('pair');
  out.push(
    n < least
      ? `${capital(figure(n))} ${n === 1 ? 'taster' : 'tasters'} can prove nothing at 0.05: ` +
          `in a pair at least ${figure(least)} must all agree.`
      : `${capital(figure(n))} tasters can show a large step only.`,
  );
  const step = neighbours(r, target);
  if (step) {
    const needs =
      step.needed === null
        ? 'more tasters would not help'
        : `would need about ${step.needed} pairs`;
    out.push(
      `To tell ${valueText(way, step.from, u)} from ${valueText(way, step.to, u)}, ` +
        `which ${percent(step.share)} % did here, ${needs}.`,
    );
  }
  const lost = r.cups.filter((c) => c.excluded !== null);
  for (const c of lost) out.push(`Left out: ${c.code}, ${c.excluded}.`);
  return out;
}

/**
 * Of the two rungs around the target: the share who put them in their order, and how many pairs that share would
 * need.
 */
function neighbours(
  r: LadderResult,
  target: number,
): { from: number; to: number; share: number; needed: number | null } | null {
  const used = r.cups.filter((c) => c.excluded === null).sort((x, y) => x.value - y.value);
  const i = Math.max(
    1,
    used.findIndex((c) => c.value >= target),
  );
  const [from, to] = [used[i - 1], used[i]];
  if (!from || !to || r.orders.length === 0) return null;
  const share =
    r.orders.filter((o) => o.indexOf(from.cup) < o.indexOf(to.cup)).length / r.orders.length;
  return { from: from.value, to: to.value, share, needed: tastersNeeded(share, 'pair') };
}
