import { type Random, shuffled } from '#core/numeric';

/** Three figures, none of them twice, none running (123, 321, 890): nothing that a taster reads a meaning into. */
function plain(code: string): boolean {
  const d = [...code].map(Number);
  if (new Set(d).size < 3) return false;
  const steps = d.slice(1).map((v, i) => v - (d[i] as number));
  return !(steps.every((s) => s === 1) || steps.every((s) => s === -1));
}
const ALL = Array.from({ length: 900 }, (_, i) => String(100 + i)).filter(plain);

/**
 * Blind codes for one session: no two alike, none like those `taken`. @throws {RangeError} when there are not so
 * many.
 */
export function blindCodes(n: number, random: Random, taken: readonly string[] = []): string[] {
  const left = ALL.filter((c) => !taken.includes(c));
  if (n > left.length) throw new RangeError(`there are ${left.length} codes left`);
  return shuffled(left, random).slice(0, n);
}
