import { type Parsed, parseWithin } from '#core/units';

export const REFRACTOMETER = 'Strained, cooled to the room, zeroed on the same water.';
/** What a refractometer shows of tea, typed in per cent, as grams a litre. */
export function readSolids(typed: string): Parsed<number> {
  const read = parseWithin(typed, 'What a refractometer shows of tea', '%', 0.02, 6);
  return read.kind === 'bad' ? read : { kind: 'ok', value: Math.round(read.value * 1000) / 100 };
}
