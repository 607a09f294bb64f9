import { doseOf, MAPS, MARK, onScale } from '#core/taste';
import { type Celsius, celsius, type Millilitres, millilitres } from '#core/units';

/** Body g/L of a liquor of that strength index. @throws {RangeError} unless 0 < strength < 10. */
const bodyAt = (strength: number): number => doseOf(strength, MAPS.strength);

/** Water that brings `liquor` ml from `strength` to `target`, ml; null when it is weaker: nothing mends that. */
export function waterToWeaken(
  liquor: Millilitres,
  strength: number,
  target: number,
): Millilitres | null {
  if (target > strength) return null;
  return millilitres(liquor * (bodyAt(strength) / bodyAt(target) - 1));
}

/** A glass to be made of extract and water. */
export type GlassAsked = {
  readonly extractStrength: number;
  readonly glass: Millilitres;
  readonly target: number;
  readonly extractAt: Celsius;
  readonly waterAt: Celsius;
};
export type Glass = {
  readonly extract: Millilitres;
  readonly water: Millilitres;
  readonly temperature: Celsius;
};

/** Extract and water of one glass; null when the extract is weaker than the glass should be. */
export function glassOf(asked: GlassAsked): Glass | null {
  const { extractStrength, glass, target, extractAt, waterAt } = asked;
  if (target > extractStrength) return null;
  const extract = (glass * bodyAt(target)) / bodyAt(extractStrength);
  const water = glass - extract;
  return {
    extract: millilitres(extract),
    water: millilitres(water),
    temperature: celsius((extract * extractAt + water * waterAt) / glass),
  };
}
/** The strength of a glass of so much extract and water. */
export const strengthOfGlass = (
  extractStrength: number,
  extract: Millilitres,
  water: Millilitres,
): number => onScale((bodyAt(extractStrength) * extract) / (extract + water), MAPS.strength);
/** To 5 ml: nearer than that nobody pours. */
export const pourable = (ml: Millilitres): Millilitres => millilitres(Math.round(ml / 5) * 5);
/** Whole glasses that are left. @example glassesLeft(millilitres(500), millilitres(120)) // 4 */
export const glassesLeft = (left: Millilitres, extract: Millilitres): number =>
  Math.floor(left / extract);

/** How a drinker found the glass: -2 far too weak, 0 right, +2 far too strong. */
export type GlassMark = -2 | -1 | 0 | 1 | 2;
const [LEAST, MOST] = [0.5, 9.5];
/** The strength a drinker means by a mark on a glass of `target`. @example strengthMeant(4, 1) // 3.2 */
export const strengthMeant = (target: number, mark: number): number =>
  Math.min(MOST, Math.max(LEAST, target - MARK * mark));

/** What mends the glass in hand: pour some off first where it would run over. */
export type InHand = {
  readonly pourOff: Millilitres;
  readonly extract: Millilitres;
  readonly water: Millilitres;
};

/** The glass in hand brought from `asked.target` to `to`; null when the extract cannot make it that strong. */
export function mendGlass(asked: GlassAsked, to: number, brim: Millilitres): InHand | null {
  if (to >= asked.extractStrength) return null;
  const [extract, now, then] = [asked.extractStrength, asked.target, to].map(bodyAt) as [
    number,
    number,
    number,
  ];
  const room = brim - asked.glass;
  const weak = then > now;
  const add = asked.glass * (weak ? (then - now) / (extract - then) : now / then - 1);
  const exchanged = asked.glass * (weak ? (then - now) / (extract - now) : 1 - then / now);
  const [pourOff, given] = add > room ? [exchanged, exchanged] : [0, add];
  return {
    pourOff: millilitres(pourOff),
    extract: millilitres(weak ? given : 0),
    water: millilitres(weak ? 0 : given),
  };
}
