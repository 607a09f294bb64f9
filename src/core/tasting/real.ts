import type { Exercise, Tasting } from './exercise';

/** A cup as it was really made: what differs, in its own unit; the time from its own water. */
export type RealCup = { readonly cup: number; readonly code: string; readonly value: number; readonly seconds: number | null; readonly excluded: string | null };
export function realCups(e: Exercise, t: Tasting): RealCup[] {
  return e.cups.map(({ plan }, cup) => {
    const c = t.cups[cup];
    const steeped = c && c.poured !== null && c.pulled !== null ? (c.pulled - c.poured) / 1000 : null;
    const value = e.way === 'seconds' ? (steeped ?? plan.seconds) : e.way === 'grams' ? (c?.grams ?? plan.grams) : e.way === 'water' ? (c?.water ?? plan.water) : plan.celsius;
    const code = Object.keys(t.cupOf).filter((k) => t.cupOf[k] === cup).join(', ');
    return { cup, code, value, seconds: steeped, excluded: c?.excluded ?? null };
  });
}
