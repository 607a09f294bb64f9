import {
  andAHalf,
  behindRangeSign,
  isSymbol,
  isWord,
  type Number_,
  numberAt,
  type Quantity,
  type Read,
  touches,
  unitAt,
} from './readers';
import type { Token } from './tokens';
import {
  AND_WORDS,
  BETWEEN_WORDS,
  FILLER_WORDS,
  HEAPED_WORDS,
  LEVEL_WORDS,
  numberWord,
  RANGE_WORDS,
  STRONG_PER_WORDS,
  type Unit,
} from './vocabulary';

const ADJECTIVES = new Set([...HEAPED_WORDS, ...LEVEL_WORDS, ...FILLER_WORDS]);
/** At most so many words stand between a number and its unit, or say behind it how full a spoon is. */
const MOST_ADJECTIVES = 4;

function skipAdjectives(tokens: readonly Token[], from: number): { at: number; heaped: boolean } {
  let at = from;
  let heaped = false;
  for (let i = 0; i < MOST_ADJECTIVES; i++) {
    const here = tokens[at];
    const bracket = isSymbol(here, '(') || isSymbol(here, ')') || isSymbol(here, '-');
    const inner = bracket ? tokens[at + 1] : here;
    if (bracket && !(isWord(inner, ADJECTIVES) || isSymbol(here, ')'))) break;
    if (!bracket && !isWord(here, ADJECTIVES) && !isSymbol(here, '.')) break;
    if (isWord(here, HEAPED_WORDS)) heaped = true;
    at += 1;
  }
  return { at, heaped };
}

/** How full the spoon is, where that is said behind the unit: "2 cucharaditas colmadas". */
function heapedBehind(tokens: readonly Token[], end: number): Read<boolean> | null {
  let at = end;
  while (isSymbol(tokens[at], '.') || isSymbol(tokens[at], '(')) at += 1;
  if (tokens[at]?.text === 'bien' || tokens[at]?.text === 'gut') at += 1;
  const here = tokens[at];
  if (isWord(here, HEAPED_WORDS)) return { value: true, end: at + 1 };
  return isWord(here, LEVEL_WORDS) ? { value: false, end: at + 1 } : null;
}

const OPEN_HOURS = new Set([3600]);

/** A number or a range of numbers with the unit that follows; null where there is none. */
function quantityAt(tokens: readonly Token[], at: number): Quantity | null {
  const first = tokens[at];
  if (first?.kind === 'clock') return clockAt(tokens, at);
  const between = isWord(tokens[at - 1], BETWEEN_WORDS);
  // "a teaspoon", "an hour": one of it, where a unit follows at once.
  const article = first?.kind === 'word' && (first.text === 'a' || first.text === 'an');
  const low = numberAt(tokens, at) ?? (article ? { value: 1, end: at + 1, fraction: false } : null);
  if (!low) return null;
  const onlyArticle = article && low.end === at + 1;
  let high = low;
  let place = low.end;
  let listed = 0;
  let slashed = false;
  if (!onlyArticle) {
    const behind = behindRangeSign(tokens, place, between);
    const next = behind === null ? null : numberAt(tokens, behind);
    if (next) {
      high = next;
      place = next.end;
    } else {
      // "45/60/90 s" and "20, 20, 60 s" are steeps in turn, "80/85 C" two ends.
      let end = place;
      for (;;) {
        const sign = tokens[end];
        if (!isSymbol(sign, '/') && !isSymbol(sign, ',')) break;
        const more = numberAt(tokens, end + 1);
        if (!more || tokens[end + 1]?.kind !== 'number') break;
        slashed ||= isSymbol(sign, '/');
        high = more;
        end = more.end;
        listed += 1;
      }
      if (listed > 0) place = end;
    }
  }
  if (isSymbol(tokens[place], '+')) place += 1;
  // "a 6-oz cup", "a 3-minute steep".
  if (isSymbol(tokens[place], '-') && unitAt(tokens, place + 1)) place += 1;
  const adjectives = skipAdjectives(tokens, place);
  let unit = unitAt(tokens, adjectives.at);
  if (!unit) unit = primeAt(tokens, place);
  if (!unit && listed > 0) return quantityWithoutList(tokens, at, low);
  if (!unit) return null;
  const { of } = unit.value;
  if (onlyArticle && of === 'temperature') return null;
  // A lone letter is a unit only right behind its number: "3 m", never "a m".
  const name = tokens[adjectives.at]?.text ?? '';
  if (name.length === 1 && of !== 'temperature' && onlyArticle) return null;
  if (listed > 0 && of !== 'time' && of !== 'temperature')
    return quantityWithoutList(tokens, at, low);
  const fullness = of === 'leaf' ? heapedBehind(tokens, unit.end) : null;
  const isList = listed > 0 && of === 'time';
  // "1,200 m" is a height.
  const height = of === 'time' && name === 'm' && low.value >= 60;
  const doubtful =
    height ||
    (of === 'time' && (low.fraction || high.fraction) && low.value > 0.5 && low.value < 1) ||
    (isList && slashed && listed === 1);
  const ends = isList ? [low.value, low.value] : [low.value, high.value];
  let end = fullness?.end ?? unit.end;
  let [a, b] = ends as [number, number];
  // "2 minutes et demie", "a minute and a half".
  const more = of === 'time' ? andAHalf(tokens, end) : null;
  if (more) {
    a += more.value;
    b += more.value;
    end = more.end;
  }
  if (of === 'time' && unit.value.of === 'time' && !isList) {
    const seconds = restOfTime(tokens, end, unit.value.seconds);
    if (seconds) {
      const per = unit.value.seconds;
      a = a === b ? a + seconds.value / per : a;
      b += seconds.value / per;
      end = seconds.end;
    }
  }
  return {
    low: Math.min(a, b),
    high: Math.max(a, b),
    unit: unit.value,
    heaped: fullness?.value ?? adjectives.heaped,
    implied: false,
    doubtful,
    first: at,
    end,
  };
}

/** A list that turned out to have no unit of its own: its first number may still have one. */
function quantityWithoutList(tokens: readonly Token[], at: number, low: Number_): Quantity | null {
  const { at: place, heaped } = skipAdjectives(tokens, low.end);
  const unit = unitAt(tokens, place);
  if (!unit) return null;
  const { value } = low;
  return {
    low: value,
    high: value,
    unit: unit.value,
    heaped,
    implied: false,
    doubtful: false,
    first: at,
    end: unit.end,
  };
}

/** 3' and 30": minutes and seconds by their signs. */
function primeAt(tokens: readonly Token[], at: number): Read<Unit> | null {
  const sign = tokens[at];
  if (!touches(tokens[at - 1], sign)) return null;
  if (isSymbol(sign, 'doublePrime')) return { value: { of: 'time', seconds: 1 }, end: at + 1 };
  if (!isSymbol(sign, 'prime')) return null;
  // Two single signs are seconds too.
  if (isSymbol(tokens[at + 1], 'prime') && touches(sign, tokens[at + 1])) {
    return { value: { of: 'time', seconds: 1 }, end: at + 2 };
  }
  return { value: { of: 'time', seconds: 60 }, end: at + 1 };
}

/** The smaller part of a time: "1 minute 30 seconds", "1 min 30", "1 h 30". In seconds. */
function restOfTime(tokens: readonly Token[], at: number, per: number): Read<number> | null {
  if (per === 1) return null;
  let place = at;
  while (isSymbol(tokens[place], '.')) place += 1;
  const joined = isWord(tokens[place], AND_WORDS) || isSymbol(tokens[place], ',');
  if (joined) place += 1;
  const first = tokens[place];
  const inWords = first?.kind === 'word' ? numberWord(first.text) : undefined;
  const number = first?.kind === 'number' ? first : { value: inWords ?? Number.NaN };
  if (!Number.isInteger(number.value)) return null;
  const unit = unitAt(tokens, place + 1) ?? primeAt(tokens, place + 1);
  if (unit?.value.of === 'time') {
    const smaller = unit.value.seconds < per && number.value * unit.value.seconds < per;
    return smaller ? { value: number.value * unit.value.seconds, end: unit.end } : null;
  }
  // A bare number right behind it: whole quarters and tenths of a minute, not the next thing's figure.
  const next = tokens[place + 1];
  const nothingElse = next === undefined || next.kind === 'symbol' || isWord(next, RANGE_WORDS);
  const plain = !joined && !unit && number.value < 60 && number.value % 5 === 0 && nothingElse;
  return plain ? { value: (number.value * per) / 60, end: place + 1 } : null;
}

function clockAt(tokens: readonly Token[], at: number): Quantity {
  const low = tokens[at]?.value ?? 0;
  const behind = behindRangeSign(tokens, at + 1, isWord(tokens[at - 1], BETWEEN_WORDS));
  const next = behind === null ? undefined : tokens[behind];
  const isRange = next?.kind === 'clock';
  let end = isRange && behind !== null ? behind + 1 : at + 1;
  const unit = unitAt(tokens, end);
  // "2:30 h" is hours and minutes.
  const hours = unit?.value.of === 'time' && OPEN_HOURS.has(unit.value.seconds);
  if (unit?.value.of === 'time') end = unit.end;
  const high = isRange ? next.value : low;
  return {
    low: Math.min(low, high),
    high: Math.max(low, high),
    unit: { of: 'time', seconds: hours ? 60 : 1 },
    heaped: false,
    implied: false,
    doubtful: false,
    first: at,
    end,
  };
}

/** The same measure on both sides of a range sign is one range: "30 s to 1 min", "80 C - 85 C". */
function joined(tokens: readonly Token[], a: Quantity, b: Quantity): Quantity | null {
  const behind = behindRangeSign(tokens, a.end, isWord(tokens[a.first - 1], BETWEEN_WORDS));
  if (behind !== b.first || a.low !== a.high) return null;
  if (a.unit.of === 'time' && b.unit.of === 'time') {
    const [low, high] = [a.low * a.unit.seconds, b.high * b.unit.seconds];
    if (high <= low) return null;
    return { ...a, low, high, unit: { of: 'time', seconds: 1 }, end: b.end };
  }
  if (a.unit.of === 'temperature' && b.unit.of === 'temperature') {
    const scale = a.unit.scale === 'unsaid' ? b.unit.scale : a.unit.scale;
    if (b.unit.scale !== 'unsaid' && b.unit.scale !== scale) return null;
    if (b.high <= a.low) return null;
    return { ...a, high: b.high, unit: { of: 'temperature', scale }, end: b.end };
  }
  if (a.unit.of === 'leaf' && b.unit.of === 'leaf' && a.unit.unit === b.unit.unit) {
    return b.high > a.low ? { ...a, high: b.high, heaped: a.heaped || b.heaped, end: b.end } : null;
  }
  return null;
}

/** A measure with no number before it: "level teaspoon per cup", "per cup", "a pot" is not one. */
function impliedAt(tokens: readonly Token[], at: number): Quantity | null {
  const unit = unitAt(tokens, at);
  if (!unit || unit.value.of === 'temperature' || unit.value.of === 'time') return null;
  const before = tokens[at - 1];
  // "2 tsp to the pint".
  const toThe =
    unit.value.of === 'volume' && before?.text === 'the' && tokens[at - 2]?.text === 'to';
  const perBefore = isWord(before, STRONG_PER_WORDS) || isSymbol(before, '/') || toThe;
  const perBehind = isWord(tokens[unit.end], STRONG_PER_WORDS);
  const full = isWord(before, HEAPED_WORDS) || isWord(before, LEVEL_WORDS);
  const isLeaf = unit.value.of === 'leaf';
  const lone = (tokens[at]?.text ?? '').length === 1;
  if (lone && !isSymbol(before, '/') && !isWord(before, STRONG_PER_WORDS)) return null;
  if (isLeaf ? !perBehind && !(full && unit.value.of === 'leaf') : !perBefore) return null;
  if (isLeaf && perBefore && !perBehind) return null;
  return {
    low: 1,
    high: 1,
    unit: unit.value,
    heaped: isWord(before, HEAPED_WORDS),
    implied: true,
    doubtful: false,
    first: full ? at - 1 : at,
    end: unit.end,
  };
}

/** Everything in a text that is an amount with a unit, from left to right. */
export function quantitiesOf(tokens: readonly Token[]): Quantity[] {
  const found: Quantity[] = [];
  for (let at = 0; at < tokens.length;) {
    const here = quantityAt(tokens, at) ?? impliedAt(tokens, at);
    if (!here) {
      at += 1;
      continue;
    }
    const before = found.at(-1);
    const range = before ? joined(tokens, before, here) : null;
    if (range) found[found.length - 1] = range;
    else found.push(here);
    at = Math.max(here.end, at + 1);
  }
  return found;
}

export { isSymbol, isWord };
