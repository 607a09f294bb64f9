/** A draw in [0, 1): seeded in tests, demo data and replays. */
export type Random = () => number;

/** By its own name: drawn millions of times. */
const { imul } = Math;
/** Mulberry32 (public domain): 32 bits of state, good enough to imitate people, not for secrets. */
export function seeded(seed: number): Random {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = a;
    t = imul(t ^ (t >>> 15), t | 1);
    t ^= t + imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A normal draw (Box-Muller). */
export const normal = (random: Random, mean: number, sd: number): number =>
  mean + sd * Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/** One of a list. @throws {RangeError} when it is empty. */
export function pick<T>(random: Random, list: readonly T[]): T {
  const found = list[Math.floor(random() * list.length)];
  if (found === undefined) throw new RangeError('nothing to pick from');
  return found;
}

/** A shuffled copy (Fisher and Yates). */
export function shuffled<T>(list: readonly T[], random: Random): T[] {
  const out = [...list];
  for (let i = out.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [out[i], out[j]] = [out[j] as T, out[i] as T];
  }
  return out;
}
