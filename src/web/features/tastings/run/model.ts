import {
  type Exercise,
  likeForLike,
  missing,
  type Moment,
  nextMoment,
  scheduleFor,
  type Tasting,
  type TastingAct,
  type TastingEvent,
  valueText,
} from '#core/tastings';
import { celsius, minutesText, numberText, temperatureText } from '#core/units';
import { COMPARED_WORDS, WAY_WORDS } from '../cups';

// A table while it is brewed and tasted: where it is, what is done next, and the words for it. Pure: all of it follows
// from what happened at the table.

export type Next = NonNullable<ReturnType<typeof nextMoment>>;
/** Where the table is. */
export type RunStage =
  | { readonly kind: 'notStarted' }
  | { readonly kind: 'brewing'; readonly next: Next; readonly after: Moment | null }
  | { readonly kind: 'tasting'; readonly out: readonly string[] }
  | { readonly kind: 'allIn' };

const isDone = (now: Tasting, { cup, act }: Moment): boolean => {
  const c = now.cups[cup];
  return act === 'pour' ? c?.poured !== null : c?.pulled !== null;
};
/** What comes after the next act, of another cup that is not lost. */
function momentAfter(e: Exercise, now: Tasting, next: Next): Moment | null {
  const open = scheduleFor(e).moments.find(
    (m) => m.cup !== next.cup && !isDone(now, m) && now.cups[m.cup]?.excluded === null,
  );
  return open ?? null;
}
export function stageOf(e: Exercise, now: Tasting): RunStage {
  if (now.started === null) return { kind: 'notStarted' };
  const next = nextMoment(e, now);
  if (next) return { kind: 'brewing', next, after: momentAfter(e, now, next) };
  const out = missing(now).map((t) => t.name);
  return out.length > 0 ? { kind: 'tasting', out } : { kind: 'allIn' };
}
/** What one touch of the large button does; null while others are awaited. */
export function actOf(stage: RunStage): TastingAct | null {
  switch (stage.kind) {
    case 'notStarted':
      return { kind: 'start' };
    case 'brewing':
      return { kind: stage.next.act, cup: stage.next.cup };
    case 'tasting':
      return null;
    case 'allIn':
      return { kind: 'reveal' };
  }
}
/** The large button in words; `codeOf` names a cup by its code. */
export function buttonText(stage: RunStage, codeOf: (cup: number) => string): string {
  switch (stage.kind) {
    case 'notStarted':
      return 'Start the clock';
    case 'brewing':
      return `${stage.next.act === 'pour' ? 'Water on' : 'Poured off'} ${codeOf(stage.next.cup)}`;
    case 'tasting':
      return `${stage.out.length} out`;
    case 'allIn':
      return 'Reveal';
  }
}
/** The same as the list of keys says it. */
export function keyText(stage: RunStage): string {
  if (stage.kind === 'notStarted') return 'Start the clock';
  if (stage.kind !== 'brewing') return 'Reveal';
  return stage.next.act === 'pour' ? 'Water on the next' : 'Pour off the next';
}

/** The codes a cup is tasted under. */
export const codesOf = (now: Tasting, cup: number): string =>
  Object.keys(now.cupOf)
    .filter((code) => now.cupOf[code] === cup)
    .join(' and ');

const UNDONE_HERE: readonly TastingAct['kind'][] = ['pour', 'pull', 'exclude', 'swap'];
/** The last act at the table that can be taken back here; null when there is none. */
export function lastAct(events: readonly TastingEvent[]): TastingEvent | null {
  const undone = new Set(events.flatMap((x) => (x.act.kind === 'undo' ? [x.act.of] : [])));
  const last = [...events]
    .reverse()
    .find((x) => UNDONE_HERE.includes(x.act.kind) && !undone.has(x.id));
  return last ?? null;
}
export const pouredOff = (now: Tasting): number => now.cups.filter((c) => c.pulled !== null).length;
export function pouredWords(poured: number): string {
  if (poured === 0) return 'None is poured off yet.';
  return poured === 1 ? 'One is poured off.' : `${poured} are poured off.`;
}
/** Heat of each cup, where the cups differ in it: whoever pours has to know. Else null. */
export const heatTexts = (
  e: Exercise,
  unit: Parameters<typeof temperatureText>[1],
): readonly string[] | null =>
  new Set(e.cups.map((c) => c.plan.celsius)).size > 1
    ? e.cups.map((c) => temperatureText(celsius(c.plan.celsius), unit))
    : null;
/** Seconds until the next act, as the clock shows them; lateness is counted up. */
export function clockFigure(left: number): string {
  return left < 0
    ? `+${minutesText(Math.floor(-left))}`
    : minutesText(left > 0 ? Math.ceil(left) : 0);
}

export type Alike = { readonly isAlike: boolean; readonly words: string };
/** Whether the cups as they were really weighed out differ in one thing alone; null where they need not. */
export function alikeAsMade(
  e: Exercise,
  now: Tasting,
  units: Parameters<typeof valueText>[2],
): Alike | null {
  if (e.kind === 'dialIn' || e.kind === 'calibration') return null;
  const made = now.cups.map((c, i) => ({
    ...(e.cups[i]?.plan ?? { celsius: 0, seconds: 0 }),
    grams: c.grams,
    water: c.water,
  }));
  const { alsoDiffers, spread } = likeForLike(made, e.way, e.compares);
  if (alsoDiffers.length === 0) {
    const leaf = e.way === 'grams' ? '' : `leaf within ${numberText(spread.grams, 2)} g, `;
    const water = `water within ${numberText(spread.water, 0)} ml`;
    const only = `Only the ${e.compares ? COMPARED_WORDS[e.compares] : WAY_WORDS[e.way]} differs.`;
    return { isAlike: true, words: `${leaf}${water}. ${only}` };
  }
  const others = alsoDiffers
    .map((w) => `${WAY_WORDS[w]} (by ${valueText(w, spread[w], units)})`)
    .join(' and the ');
  return {
    isAlike: false,
    words: `the ${others} differs too: the result cannot lay it to one of them.`,
  };
}
