import type { HouseKettle } from '#core/heat';
import type { Celsius } from '#core/units';

/** Signs of water that heats in an open kettle, from so many °C on (from memory, rough). */
const SIGNS: readonly (readonly [from: number, words: string])[] = [
  [94, 'the noise drops, the water rolls, full steam'],
  [86, 'a loud rumble, steady steam'],
  [78, 'a steady hiss, threads of steam'],
  [70, 'small bubbles on the floor, a faint tick, thin steam'],
  [0, 'silent, first wisps of steam'],
];
/** How water of this heat sounds and steams in an open kettle. @example kettleSigns(celsius(80)) // 'a steady hiss, threads of steam' */
export const kettleSigns = (at: Celsius): string =>
  SIGNS.find(([from]) => at >= from)?.[1] ?? (SIGNS.at(-1)?.[1] as string);
/** The same for a kettle that is watched while it heats; null: it can be set, or it is an urn. */
export const signsOf = (
  { kind, setPoints }: Pick<HouseKettle, 'kind' | 'setPoints'>,
  wanted: Celsius,
): string | null => (setPoints === null && kind !== 'urn' ? kettleSigns(wanted) : null);
