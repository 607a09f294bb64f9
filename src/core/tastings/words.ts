import { type Attribute, ATTRIBUTES, predict } from '#core/corrections';
import type { Brewing } from '#core/cup';
import { MARK } from '#core/taste';
import {
  capital,
  celsius,
  countWord as figure,
  grams,
  millilitres,
  minutesText,
  numberText,
  seconds,
  temperatureText,
  volumeText,
  type VolumeUnit,
} from '#core/units';
import type { AttributeResult, LadderResult } from './result';
import type { Factor } from './schedule';

export type TastingUnits = { readonly volume: VolumeUnit; readonly temperature: 'C' | 'F' };
/** A rung in the reader's units. */
export function valueText(way: Factor, v: number, u: TastingUnits): string {
  switch (way) {
    case 'seconds':
      return minutesText(v);
    case 'grams':
      return `${numberText(v, 2)} g`;
    case 'water':
      return volumeText(millilitres(v), u.volume);
    case 'celsius':
      return temperatureText(celsius(v), u.temperature);
  }
}
const NAMES: Readonly<Record<Attribute, string>> = {
  strength: 'too much strength',
  bitterness: 'bitterness',
  astringency: 'dryness',
  sweetness: 'too much sweetness',
  aroma: 'too much aroma',
};

/**
 * The counts of the rung next to a target: the one within a seventh of it, in proportion (heat: 2 C); null when no
 * rung is so near.
 */
export function atTarget(r: AttributeResult, way: Factor, target: number) {
  const near = [...r.counts]
    .filter((c) => c.n > 0)
    .sort((a, b) => Math.abs(a.value - target) - Math.abs(b.value - target))[0];
  if (!near) return null;
  return (
    way === 'celsius'
      ? Math.abs(near.value - target) <= 2
      : Math.abs(Math.log(near.value / target)) <= Math.log(7 / 6)
  )
    ? near
    : null;
}

/** The chance of a result, as it is written. */
export const chanceText = (p: number): string => (p < 0.001 ? 'under 0.001' : numberText(p, 3));

/** What this table says of the house target, from the marks of the rung nearest to the target. */
function houseTargetText(
  near: ReturnType<typeof atTarget>,
  target: number,
  text: (v: number) => string,
): string {
  const house = `The house target, ${text(target)},`;
  if (!near) return `${house} was no rung of this ladder.`;
  // A rung beside the target speaks for it, and is named.
  const at = text(near.value) === text(target) ? '' : ` at ${text(near.value)}`;
  const ofAll = (k: number) => `${figure(k)} of ${figure(near.n)}`;
  if (near.right * 2 >= near.n) {
    const call = near.right === 1 ? 'calls' : 'call';
    return `${house} stays: ${ofAll(near.right)} ${call} it right${at}.`;
  }
  return near.much > near.little
    ? `${house} is over for this table: ${ofAll(near.much)} mark it so${at}.`
    : `${house} is under for this table: ${ofAll(near.little)} mark it so${at}.`;
}

/** What a ladder showed of one attribute: a bold half, then the rest. It claims what this table marked, and no more. */
export function headlineOf(
  r: AttributeResult,
  a: Attribute,
  way: Factor,
  target: number,
  u: TastingUnits,
): { strong: string; rest: string } {
  const name = NAMES[a];
  const text = (v: number) => valueText(way, v, u);
  const house = ` ${houseTargetText(atTarget(r, way, target), target, text)}`;
  switch (r.begins.kind) {
    case 'between':
      return {
        strong: `${capital(name)} begins between ${text(r.begins.from)} and ${text(r.begins.to)}`,
        rest: ` for this table.${house}`,
      };
    case 'already':
      return {
        strong: `${capital(name)} is there already at ${text(r.begins.at)}`,
        rest: `, the first rung.${house}`,
      };
    case 'never':
      return {
        strong: `No ${name} up to ${text(r.begins.upTo)}`,
        rest: `: at no rung does half of the table mark it.${house}`,
      };
    case 'unclear':
      return {
        strong: `No one place where ${name} begins`,
        rest: `: the marks rise and fall again along the ladder.${house}`,
      };
    case 'noMarks':
      return { strong: `Nobody marked ${ATTRIBUTES[a].label.toLowerCase()}`, rest: '.' };
  }
}

export type Advice = {
  readonly kind: 'keep' | 'less' | 'more' | 'unclear';
  readonly headline: string;
  readonly reason: string;
  readonly to: number | null;
  readonly latest: number | null;
};
/** What a lead might do about the recipe. A ladder of time can also say where the window should close. */
export function adviceOf(
  r: LadderResult,
  way: Factor,
  recipe: { readonly target: number; readonly latest: number | null },
  u: TastingUnits,
): Advice {
  const text = (v: number) => valueText(way, v, u);
  const { strength, bitterness, astringency } = r.attributes;
  const near = {
    s: atTarget(strength, way, recipe.target),
    b: atTarget(bitterness, way, recipe.target),
    a: atTarget(astringency, way, recipe.target),
  };
  const over = (c: typeof near.s) => c !== null && c.much * 2 > c.n;
  const lever = {
    seconds: ['Shorten', 'Lengthen'],
    grams: ['Less leaf:', 'More leaf:'],
    celsius: ['Cooler:', 'Hotter:'],
    water: ['Less water:', 'More water:'],
  }[way];
  // The rung where most call strength right and bitterness is not over, nearest the target.
  const good = strength.counts
    .filter(
      (c) =>
        c.n > 0 &&
        c.right * 2 >= c.n &&
        !over(bitterness.counts.find((b) => b.cup === c.cup) ?? null),
    )
    .sort((x, y) => Math.abs(x.value - recipe.target) - Math.abs(y.value - recipe.target));
  if (!near.s && !near.b)
    return {
      kind: 'unclear',
      headline: 'Taste nearer the house target.',
      reason: 'No cup was at that value, so this ladder says nothing about it.',
      to: null,
      latest: null,
    };
  if (over(near.b) || over(near.a) || over(near.s)) {
    const to = good.find((c) => c.value < recipe.target)?.value ?? null;
    const what = tooMuchOf(over, near);
    return {
      kind: 'less',
      headline:
        to === null
          ? `${lever[0]} no lower rung is right either.`
          : `${lever[0]} ${text(recipe.target)} to ${text(to)}.`,
      reason:
        to === null
          ? `At ${text(recipe.target)} most call it ${what}: try another lever.`
          : `At ${text(recipe.target)} most call it ${what}; at ${text(to)} half or more call the strength right.`,
      to,
      latest: null,
    };
  }
  if (near.s && near.s.little * 2 > near.s.n) {
    const to = good.find((c) => c.value > recipe.target)?.value ?? null;
    return {
      kind: 'more',
      headline:
        to === null
          ? `${lever[1]} no higher rung is right either.`
          : `${lever[1]} ${text(recipe.target)} to ${text(to)}.`,
      reason:
        to === null
          ? `At ${text(recipe.target)} most call it weak: more leaf, perhaps.`
          : `At ${text(recipe.target)} most call it weak; at ${text(to)} half or more call it right.`,
      to,
      latest: null,
    };
  }
  const b = bitterness.begins;
  const between =
    way === 'seconds' && b.kind === 'between' ? Math.floor((b.from + b.to) / 2 / 5) * 5 : null;
  const latest =
    between !== null && recipe.latest !== null && between > recipe.target && between < recipe.latest
      ? between
      : null;
  return {
    kind: 'keep',
    headline:
      latest === null
        ? `Keep ${text(recipe.target)}.`
        : `Keep ${text(recipe.target)}. Tighten latest from ${text(recipe.latest ?? 0)} to ${text(latest)}.`,
    reason:
      latest === null || b.kind !== 'between'
        ? 'No mark of this table speaks against the recipe.'
        : `Bitterness begins between ${text(b.from)} and ${text(b.to)}; the middle is ${text(latest)}.`,
    to: null,
    latest,
  };
}

/** What there is too much of, the worst first. */
function tooMuchOf<C>(over: (c: C) => boolean, near: { s: C; b: C; a: C }) {
  if (over(near.b)) return 'bitter';
  if (over(near.a)) return 'dry';
  return 'too strong';
}

const LEVER = {
  seconds: (b: Brewing, v: number) => ({ ...b, time: seconds(v) }),
  grams: (b: Brewing, v: number) => ({ ...b, leaf: grams(v) }),
  water: (b: Brewing, v: number) => ({ ...b, water: millilitres(v) }),
  celsius: (b: Brewing, v: number) => ({ ...b, temperature: celsius(v) }),
};
/**
 * What the model expects a table to mark along the ladder: index points from the house cup, in marks (0.8 points
 * each). Within half a mark either way.
 */
export function expectedMarks(
  house: Brewing,
  way: Factor,
  a: Attribute,
  values: readonly number[],
): number[] {
  const right = predict(house)[a];
  return values.map((v) => (predict(LEVER[way](house, v))[a] - right) / MARK);
}
