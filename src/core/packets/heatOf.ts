import { type Celsius, celsius, fromFahrenheit } from '#core/units';
import { type Context, hasPhrase, isLimit } from './context';
import type { Field, TimeRange } from './packet';
import { isSymbol } from './readers';
import type { Token } from './tokens';
import { wordSet } from './wordSet';

type Heat = { readonly low: Celsius; readonly high: Celsius };

const BOIL = wordSet(
  'boiling boil boiled boils reboiled kochend kochendes kochendem kochenden kochende kochen aufkochen aufgekocht aufgekochtes aufgekochtem sprudelnd sprudelndes sprudelndem siedend siedendes siedendem gekochtes gekochtem bouillante bouillant bouillir bouillie bouillonnante ebullition hirviendo hirviente hervir hierva hierve hervida hervor ebullicion',
);
const NOT_BOIL = wordSet(
  'not never under below before almost nearly shy short no without don prevent avoid off nicht kein keine keinesfalls knapp unter vor fast nie presque pas sans non dessous sous avant jamais eviter casi sin antes debajo punto nunca evitar evite ne pre',
);
const COOLING = wordSet(
  'cool cooled cooling stand rest sit abkuhlen abgekuhlt abgekuhltes refroidir refroidi refroidie tiedir enfriar enfrie reposar reposer',
);
/** A figure near these is of keeping or drinking, not of brewing. */
const NOT_BREWING = wordSet(
  'store stored keep storage drink serve drinking lagern trinken servir boire beber conservar conserver',
);
const HEAT_WORDS = wordSet('temperature temp temperatur wassertemperatur temperatura');
const ON_LEAF = wordSet(
  'pour steep infuse brew aufgiessen ziehen infuser versez vierta infusionar',
);

/** Temperatures named with figures. Where C and F are both given, C. */
function namedHeat(context: Context): Field<Heat> {
  const { tokens, quantities } = context;
  const found = quantities.flatMap((q) => {
    if (q.unit.of !== 'temperature') return [];
    const near = tokens.slice(Math.max(0, q.first - 5), q.first);
    const sentence = near.slice(near.findLastIndex((t) => isSymbol(t, '.')) + 1);
    if (sentence.some((t) => NOT_BREWING.has(t.text))) return [];
    const isF = q.unit.scale === 'F' || (q.unit.scale === 'unsaid' && q.high > 110);
    const [low, high] = isF
      ? [fromFahrenheit(q.low), fromFahrenheit(q.high)]
      : [celsius(q.low), celsius(q.high)];
    if (low < 0 || high > 101.5) return [];
    return [{ q, isF, low: celsius(low), high: celsius(high), limit: isLimit(context, q) }];
  });
  const aims = found.filter((f) => !f.limit);
  const from = aims.length > 0 ? aims : found;
  const first = from[0];
  if (!first) return null;
  // "175 F (80 C)": the same twice.
  const second = from[1];
  const twice =
    second &&
    first.isF !== second.isF &&
    Math.abs((first.low + first.high - second.low - second.high) / 2) < 4;
  const best = twice && first.isF ? second : first;
  return {
    value: { low: best.low, high: best.high },
    used: twice ? [first.q, second.q] : [first.q],
  };
}

/** "water at 80", "temperature: 175": a bare figure beside a word for heat. */
function bareHeat({ tokens, quantities }: Context): Field<Heat> {
  const taken = (i: number) => quantities.some((q) => q.first <= i && i < q.end);
  for (let i = 0; i < tokens.length; i++) {
    const t = tokens[i] as Token;
    if (t.kind !== 'number' || taken(i)) continue;
    const before = tokens.slice(Math.max(0, i - 3), i).map((x) => x.text);
    if (!before.some((w) => HEAT_WORDS.has(w))) continue;
    const range =
      isSymbol(tokens[i + 1], '-') && tokens[i + 2]?.kind === 'number'
        ? (tokens[i + 2]?.value ?? t.value)
        : t.value;
    const value = (v: number) => (v > 110 ? fromFahrenheit(v) : celsius(v));
    if (t.value < 40 || range > 212 || (t.value > 100 && t.value < 140)) continue;
    return { value: { low: value(t.value), high: value(range) }, used: [] };
  }
  return null;
}

type Boil = 'boiling' | 'below' | 'unsaid';
/** What the words say of boiling, where no figure does. */
export function boilWords({ tokens }: Context): {
  readonly said: Boil;
  readonly at: readonly number[];
} {
  const at: number[] = [];
  let said: Boil = 'unsaid';
  tokens.forEach((t, i) => {
    if (t.kind !== 'word' || !BOIL.has(t.text) || tokens[i + 1]?.text === 'point') return;
    const before: string[] = [];
    for (let j = i - 1; j >= 0 && j >= i - 7; j--) {
      const b = tokens[j] as Token;
      if (b.kind === 'symbol' && ['.', ';', ',', '(', ')'].includes(b.text)) break;
      before.unshift(b.text);
    }
    const longer = hasPhrase(before, ['nicht', 'mehr']) || hasPhrase(before, ['no', 'longer']);
    const negated = longer || before.some((w) => NOT_BOIL.has(w));
    at.push(i);
    if (!negated) said = 'boiling';
    else if (said === 'unsaid') said = 'below';
  });
  return { said, at };
}

/** The heat of the water as it is poured: by a figure, else by what the words say of boiling. */
export function heatOf(context: Context, wait: Field<TimeRange>): Field<Heat> {
  const named = namedHeat(context) ?? bareHeat(context);
  if (named) return named;
  const { said } = boilWords(context);
  const boiling = { value: { low: celsius(100), high: celsius(100) }, used: [] };
  if (wait && said !== 'unsaid') return boiling;
  if (said !== 'boiling') return null;
  // Boiled, then cooled for a while that is not said: below the boil, nobody knows how far.
  const cooledSomewhat = context.tokens.some(
    (t, i) => t.kind === 'word' && COOLING.has(t.text) && standsBeforePour(context, i),
  );
  return cooledSomewhat ? null : boiling;
}

/** Whether a word for cooling at a place is of the water, before it is on the leaf. */
function standsBeforePour({ tokens, quantities }: Context, at: number): boolean {
  const word = tokens[at]?.text ?? '';
  if (!/^(cool|abk|abge|refr|tied|enfr)/.test(word)) return false;
  if ([1, 2, -1, -2].some((by) => BOIL.has(tokens[at + by]?.text ?? ''))) return true;
  const poured = tokens.slice(0, at).some((t) => ON_LEAF.has(t.text));
  const steeped = quantities.some((q) => q.unit.of === 'time' && q.end <= at);
  return !poured && !steeped;
}
