import type { Exercise } from './exercise';
import type { Tasting } from './fold';
import type { PlannedCup } from './schedule';

/** A cup as it was really made: what differs, in its own unit; the time from its own water. */
export type RealCup = {
  readonly cup: number;
  readonly code: string;
  readonly value: number;
  readonly seconds: number | null;
  readonly excluded: string | null;
  /** As it was poured, leaf and water weighed; its plan's time until it is lifted. */ readonly made: PlannedCup;
};
export function realCups(e: Exercise, t: Tasting): RealCup[] {
  return e.cups.map(({ plan }, cup) => {
    const c = t.cups[cup];
    const steeped =
      c && c.poured !== null && c.pulled !== null ? (c.pulled - c.poured) / 1000 : null;
    const code = Object.keys(t.cupOf)
      .filter((k) => t.cupOf[k] === cup)
      .join(', ');
    const made = {
      ...plan,
      grams: c?.grams ?? plan.grams,
      water: c?.water ?? plan.water,
      seconds: steeped ?? plan.seconds,
    };
    return { cup, code, value: made[e.way], seconds: steeped, excluded: c?.excluded ?? null, made };
  });
}
