import {
  type Celsius,
  type Grams,
  grams,
  type Millilitres,
  millilitres,
  parseTemperature,
  parseWithin,
} from '#core/units';
import { volumeWeighed } from '#core/weighing';
import type { VesselFields } from '#contracts/vessels';

/** A vessel is weighed three times, in this order. */
export const STAGES = [
  { stage: 'empty', words: 'empty' },
  { stage: 'toMark', words: 'to the mark' },
  { stage: 'toBrim', words: 'to the brim' },
] as const;
export type Stage = (typeof STAGES)[number]['stage'];
/** The weights as typed, g, and how warm the water was, °C. */
export type TypedWeights = Readonly<Record<Stage | 'heat', string>>;
export type Faults = Partial<Record<Stage | 'heat' | 'all', string>>;

export const wordsOf = (stage: Stage): string =>
  STAGES.find((s) => s.stage === stage)?.words ?? stage;
/** What is weighed after this; the last stays. */
export function stageAfter(stage: Stage): Stage {
  const at = STAGES.findIndex((s) => s.stage === stage);
  return STAGES[at + 1]?.stage ?? stage;
}

/** What was typed, as far as it can be read. */
export type Weighed = {
  readonly empty: Grams | null;
  readonly toMark: Grams | null;
  readonly toBrim: Grams | null;
  readonly water: Celsius | null;
  /** Water to the mark and to the brim, by weight; null where it cannot be said. */
  readonly mark: Millilitres | null;
  readonly brim: Millilitres | null;
};
export function readWeights(typed: TypedWeights): Weighed {
  const weight = (stage: Stage): Grams | null => {
    const read = parseWithin(typed[stage], 'Weight', 'g', 1, 40_000);
    return read.kind === 'ok' ? grams(read.value) : null;
  };
  const heat = parseTemperature(/[cf]\s*$/i.test(typed.heat) ? typed.heat : `${typed.heat}C`);
  const water = heat.kind === 'ok' && heat.value >= 0 && heat.value <= 100 ? heat.value : null;
  const empty = weight('empty');
  const volume = (full: Grams | null): Millilitres | null =>
    empty !== null && full !== null && full > empty && water !== null
      ? volumeWeighed(empty, full, water)
      : null;
  const [toMark, toBrim] = [weight('toMark'), weight('toBrim')];
  return { empty, toMark, toBrim, water, mark: volume(toMark), brim: volume(toBrim) };
}

const FULL_IS_HEAVIER = 'The vessel with water must weigh more than the empty vessel.';
/** What is missing or cannot be, beside its cause; nothing where all is well. */
export function faultsOf(typed: TypedWeights, read: Weighed): Faults {
  const { empty, mark, brim, water } = read;
  const faults: Faults = {};
  if (empty === null) faults.empty = 'Weigh the empty vessel first.';
  if (typed.toMark.trim() && mark === null) faults.toMark = FULL_IS_HEAVIER;
  if (typed.toBrim.trim() && brim === null) faults.toBrim = FULL_IS_HEAVIER;
  if (mark !== null && brim !== null && mark > brim)
    faults.toMark = 'More water to the mark than to the brim. Were the two weights swapped?';
  if (water === null) faults.heat = 'How warm was the water, in °C?';
  if (empty !== null && mark === null && brim === null && !faults.toMark && !faults.toBrim)
    faults.all = 'Weigh the vessel with water too, to the mark or to the brim.';
  return faults;
}

const tenth = (v: number) => millilitres(Math.round(v * 10) / 10);
/** The vessel's facts with what was weighed; what was not weighed stays. Null while something is missing. */
export function withWeights(fields: VesselFields, read: Weighed): VesselFields | null {
  const { empty, mark, brim, water } = read;
  if (empty === null || water === null) return null;
  return {
    ...fields,
    wallGrams: grams(Math.max(5, empty)),
    mark: mark === null ? fields.mark : tenth(mark),
    brim: brim === null ? fields.brim : tenth(brim),
    weighed: {
      empty,
      toMark: mark === null ? null : read.toMark,
      toBrim: brim === null ? null : read.toBrim,
      water,
    },
  };
}
