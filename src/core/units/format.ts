import { fromMl, toFahrenheit, type VolumeUnit } from './convert';
import type { Celsius, Millilitres } from './quantity';

const NBSP = ' ';
/** A duration as a kitchen says it: "1:30"; from an hour on "1:12 h". @example minutesText(90) // '1:30' */
export function minutesText(s: number): string {
  const whole = Math.round(Math.abs(s));
  const pad = (n: number) => String(n).padStart(2, '0');
  if (whole >= 3600)
    return `${Math.floor(whole / 3600)}:${pad(Math.floor((whole % 3600) / 60))}${NBSP}h`;
  return `${Math.floor(whole / 60)}:${pad(whole % 60)}`;
}

/** With its first letter large, as a sentence begins. @example capital('less leaf') // 'Less leaf' */
export const capital = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);

const COUNTS = ['none', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight'];
/** A small count as a sentence has it, a larger one in figures. @example countWord(3) // 'three' */
export const countWord = (n: number): string => COUNTS[n] ?? String(n);

/** At most `digits` decimals, no trailing zeros. */
export const numberText = (n: number, digits = 1): string => String(Number(n.toFixed(digits)));
/** With its sign, nothing for none. @example signedText(-0.04) // '0' */
export function signedText(n: number, digits = 1): string {
  const size = numberText(Math.abs(n), digits);
  return size === '0' ? '0' : `${n > 0 ? '+' : '−'}${size}`;
}

const VOLUME_TEXT: Partial<Record<VolumeUnit, string>> = {
  ml: 'ml',
  usFlOz: 'fl oz',
  imperialFlOz: 'UK fl oz',
};
/** A volume's figure and unit in the reader's unit: whole ml, tenths of an ounce. */
export const volumeParts = (
  v: Millilitres,
  unit: VolumeUnit,
): { figure: string; unit: string } => ({
  figure: unit === 'ml' ? String(Math.round(v)) : numberText(fromMl(v, unit), 1),
  unit: VOLUME_TEXT[unit] ?? unit,
});
export function volumeText(v: Millilitres, unit: VolumeUnit): string {
  const p = volumeParts(v, unit);
  return `${p.figure}${NBSP}${p.unit}`;
}
/** Whole degrees in the reader's scale. */
export const degrees = (t: Celsius, scale: 'C' | 'F'): number =>
  Math.round(scale === 'F' ? toFahrenheit(t) : t);
/** A thermometer's reading, to a tenth. */
export const readingText = (t: Celsius, scale: 'C' | 'F'): string =>
  `${numberText(scale === 'F' ? toFahrenheit(t) : t)}${NBSP}°${scale}`;
export const temperatureText = (t: Celsius, scale: 'C' | 'F'): string =>
  `${degrees(t, scale)}${NBSP}°${scale}`;
