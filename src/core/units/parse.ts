import { fromFahrenheit, ML_PER, type VolumeUnit } from './convert';
import { type Celsius, celsius, type Millilitres, millilitres } from './quantity';

/** What a typed text meant, or why it could not be taken, in the user's words. */
export type Parsed<T> = { kind: 'ok'; value: T } | { kind: 'bad'; why: string };
const ok = <T>(value: T): Parsed<T> => ({ kind: 'ok', value });
const bad = (why: string): Parsed<never> => ({ kind: 'bad', why });

const VOLUME_WORDS: readonly (readonly [RegExp, VolumeUnit])[] = [
  [/^(ml|millilit(re|er)s?)$/, 'ml'],
  [/^(l|lit(re|er)s?)$/, 'litre'],
  [/^((us )?fl\.? ?oz|(us )?oz|(us )?fluid ounces?)$/, 'usFlOz'],
  [/^(uk|imp(erial)?) (fl\.? ?oz|oz|fluid ounces?)$/, 'imperialFlOz'],
  [/^(us )?cups?$/, 'usCup'],
  [/^teacups?$/, 'teacup'],
];

/** One blank for every run of them, none at the ends: what is read after it never meets a long run. */
export const oneBlank = (text: string): string => text.trim().replace(/\s+/g, ' ');

/**
 * A text without the unit written after it, in small or capital letters. The longest of several stands first.
 * @example withoutUnit('3.2 g', ['grams', 'g']) // '3.2'
 */
export function withoutUnit(text: string, units: readonly string[]): string {
  const t = text.trim();
  const end = t.toLowerCase();
  const unit = units.find((u) => u !== '' && end.endsWith(u.toLowerCase()));
  return unit === undefined ? t : t.slice(0, -unit.length).trimEnd();
}
/** How a unit may be written: with its full stop, without its degree sign, one of it. */
const asWritten = (unit: string): string[] => [
  `${unit}.`,
  unit,
  unit.replace(/^°/, ''),
  unit.replace(/s$/, ''),
];

/**
 * A number as people type it: "2.5", "2,5", " 2½ ". A comma is a decimal comma; "1,234" is refused, because it
 * may mean either.
 * @example parseNumber('2,5') // { kind: 'ok', value: 2.5 }
 */
export function parseNumber(text: string): Parsed<number> {
  const t = text.trim().replace(/ | /g, '').replace('−', '-');
  if (t === '') return bad('Type a number.');
  const fraction = /^(\d*)\s?([¼½¾])$/.exec(t);
  if (fraction)
    return ok(
      Number(fraction[1] || 0) + { '¼': 0.25, '½': 0.5, '¾': 0.75 }[fraction[2] as '¼' | '½' | '¾'],
    );
  if (/^-?\d{1,3},\d{3}$/.test(t))
    return bad(`"${t}" can mean two numbers: write it without the comma, or with a point.`);
  if (!/^-?\d+([.,]\d+)?$/.test(t)) return bad(`"${t}" is not a number.`);
  return ok(Number(t.replace(',', '.')));
}

/**
 * A number that must lie in [min, max], its unit written after it or not; the message names what it is and its unit.
 */
export function parseWithin(
  text: string,
  what: string,
  unit: string,
  min: number,
  max: number,
): Parsed<number> {
  const n = parseNumber(withoutUnit(text, asWritten(unit)));
  if (n.kind === 'bad') return n;
  if (n.value < min)
    return bad(
      min === 0 || n.value <= 0
        ? `${what} must be more than ${min === 0 ? 'nothing' : `${min} ${unit}`}.`
        : `${what} of ${n.value} ${unit} is too little: at least ${min} ${unit}.`,
    );
  if (n.value > max)
    return bad(`${what} of ${n.value} ${unit} is too much: at most ${max} ${unit}.`);
  return n;
}

/**
 * A volume with its unit beside it; without one it is in `otherwise`.
 * @example parseVolume('16 fl oz', 'ml').value // 473.18 ml
 */
export function parseVolume(text: string, otherwise: VolumeUnit): Parsed<Millilitres> {
  const t = oneBlank(text);
  const m = /^(-?[\d.,]* ?[¼½¾]?) ?([a-z][a-z. ]*)?$/i.exec(t);
  if (!m) return bad(`"${t}" is not a volume.`);
  if ((m[1] ?? '').trim() === '')
    return bad(t === '' ? 'Type an amount.' : `"${t}" is not a volume.`);
  const n = parseNumber(m[1] ?? '');
  if (n.kind === 'bad') return n;
  const word = (m[2] ?? '').trim().toLowerCase();
  const unit = word === '' ? otherwise : VOLUME_WORDS.find(([re]) => re.test(word))?.[1];
  if (!unit)
    return bad(`"${word}" is not a unit known here: ml, l, fl oz, UK fl oz, cups or teacups.`);
  if (n.value <= 0) return bad('The amount must be more than nothing.');
  return ok(millilitres(n.value * ML_PER[unit]));
}

/**
 * A temperature with its scale, or without one in `otherwise`.
 * @example parseTemperature('176 F').value // 80 C
 */
export function parseTemperature(text: string, otherwise: 'C' | 'F' = 'C'): Parsed<Celsius> {
  const t = oneBlank(text);
  const m = /^([-−]?[\d.,]+) ?°? ?([cf]?)$/i.exec(t);
  if (!m) return bad(`"${t}" is not a temperature.`);
  const n = parseNumber(m[1] ?? '');
  if (n.kind === 'bad') return n;
  return ok((m[2] || otherwise).toLowerCase() === 'f' ? fromFahrenheit(n.value) : celsius(n.value));
}

const SECONDS = ['seconds', 'second', 'secs', 'sec.', 'sec', 's'];
/** Seconds: "2:30", "150", "150 s", "90 min", "12 h" or "3:30 h". @example parseDuration('2:30').value // 150 */
export function parseDuration(text: string): Parsed<number> {
  const t = oneBlank(text);
  const hours = /^(\d{1,2})(?::(\d{2}))? ?h(?:ours?)?$/i.exec(t);
  if (hours)
    return Number(hours[2] ?? 0) < 60
      ? ok(Number(hours[1]) * 3600 + Number(hours[2] ?? 0) * 60)
      : bad(`"${t}" has more than 59 minutes.`);
  const minutes = /^([\d.,]+) ?min(?:utes?)?\.?$/i.exec(t);
  if (minutes) {
    const n = parseNumber(minutes[1] ?? '');
    return n.kind === 'bad' ? n : ok(n.value * 60);
  }
  const clock = /^(\d{1,2}):(\d{2})$/.exec(t);
  if (clock)
    return Number(clock[2]) < 60
      ? ok(Number(clock[1]) * 60 + Number(clock[2]))
      : bad(`"${t}" has more than 59 seconds.`);
  const n = parseNumber(withoutUnit(t, SECONDS));
  return n.kind === 'bad' ? bad(`"${t}" is not a time: write 2:30, 150 for seconds, or 12 h.`) : n;
}
