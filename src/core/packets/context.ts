import type { Quantity } from './readers';
import type { Token } from './tokens';
import { wordSet } from './wordSet';

// What the words around an amount say of it.

/** What a time on a packet can be for. Only `steep` and `wait` are read. */
export type TimeRole = 'steep' | 'cool' | 'wait' | 'soft' | 'other';

const MARKERS: readonly (readonly [TimeRole, ReadonlySet<string>])[] = [
  [
    'steep',
    wordSet(
      `steep, steeped, steeping, steeps, brew, brewed, brewing, brews, infuse, infused, infusing, infusion,
       infusions, mash, draw, cold-brew, refrigerate, fridge, ziehen, zieh, zieht, ziehzeit, gezogen,
       ziehdauer, aufguss, bruhzeit, bruhen, ausziehen, durchziehen, infuser, infusez, infuse, infusee,
       infusant, laissez-infuser, infusionar, infusionalo, infusione, infusiona, infundir, infunda, infundalo,
       reposo, kuhlschrank, refrigerateur, frigo, nevera, frigorifico, nevera`,
    ),
  ],
  [
    'cool',
    wordSet(
      `cool, cools, cooled, cooling, abkuhlen, abgekuhlt, abgekuhltes, auskuhlen, refroidir, refroidi,
       refroidie, refroidit, tiedir, enfriar, enfrie, enfriarse, enfriado, templar`,
    ),
  ],
  [
    'wait',
    wordSet(
      `wait, waiting, waited, warten, wartet, warte, abwarten, attendre, attendez, attends, patienter,
       patientez, esperar, espere, espera, esperamos`,
    ),
  ],
  [
    'soft',
    wordSet(
      `stand, stands, standing, sit, sits, rest, rests, resting, leave, left, let, stehen, steht, ruhen,
       lassen, lasst, reposer, laisser, laissez, laisse, repose, dejar, deje, deja, dejalo, dejelo, dejela,
       reposar, repose, reposa`,
    ),
  ],
  [
    'other',
    wordSet(
      `rinse, rinsed, rinsing, wash, flush, awaken, stir, stirring, swirl, warm, preheat, prewarm, microwave,
       keep, keeps, freezer, store, stored, consume, within, serve, drink, chill, chilled, boil, simmer,
       ready, spulen, abspulen, ruhren, umruhren, vorwarmen, anwarmen, aufbewahren, haltbar, rincer, rincez,
       rincage, remuer, remuez, rechauffer, prechauffer, conserver, conservez, enjuagar, enjuague, enjuagado,
       remover, remueva, precalentar, calentar, calentando, conservar, guardar, hervir, hierva, hierve,
       kochen, kochenlassen, kocheln, bouillir, fremir, mijoter, add, extend, increase, extra`,
    ),
  ],
];

/** Later steeps of the same leaf: their times are not the recipe's first. */
const LATER = wordSet(
  `second, third, fourth, subsequent, further, again, later, next, additional, following, extra, resteep,
   resteeping, reinfuse, reinfusion, re-steep, re-infuse, weitere, weiteren, weiterer, zweite, zweiten,
   zweiter, dritte, dritten, folgende, folgenden, nachste, nachsten, deuxieme, troisieme, seconde, suivante,
   suivantes, suivant, segunda, segundo, tercera, siguiente, siguientes, sucesivas, otra`,
);
const INFUSIONS = wordSet(
  `steep, steeps, infusion, infusions, brew, brews, cup, pot, time, aufguss, aufgusse, infusiones, fois, vez,
   steeping`,
);

/** Where one thought ends and the next begins. */
const CLAUSE_SIGNS = new Set([',', ';', '.', '(', ')', '=']);
const CLAUSE_WORDS = wordSet(
  `and, then, und, dann, danach, anschliessend, et, puis, ensuite, y, luego, despues, entonces, but, aber,
   mais, pero, before, vor`,
);
const isEdge = (t: Token): boolean =>
  t.kind === 'symbol' ? CLAUSE_SIGNS.has(t.text) : CLAUSE_WORDS.has(t.text);

/** "off the boil", "after boiling": a wait, wherever it stands. */
const AFTER_BOIL = [
  'off the boil',
  'off boil',
  'after the boil',
  'after boiling',
  'after it boils',
  'after it has boiled',
  'after water boils',
  'after it boiled',
  'after boil',
  'from the boil',
  'from boiling',
  'nach dem kochen',
  'nach dem aufkochen',
  'nach dem sieden',
  'apres ebullition',
  'apres l ebullition',
  'tras hervir',
  'despues de hervir',
  'tras el hervor',
  'tras la ebullicion',
  'despues del hervor',
  'ago',
].map((phrase) => phrase.split(' '));

export type Context = {
  readonly tokens: readonly Token[];
  readonly quantities: readonly Quantity[];
};

const roleOf = (word: string): TimeRole | null =>
  MARKERS.find(([, set]) => set.has(word))?.[0] ?? null;
const words = (tokens: readonly Token[]): string[] =>
  tokens.flatMap((t) => (t.kind === 'word' ? [t.text] : []));
const hasPhrase = (given: readonly string[], phrase: readonly string[]): boolean =>
  given.some((_, i) => phrase.every((p, j) => given[i + j] === p));

/** The tokens of the clause before and after an amount, as far as its own thought reaches. */
function clauseAround({ tokens, quantities }: Context, q: Quantity) {
  const previous = quantities.filter((o) => o.end <= q.first && o.unit.of === 'time').at(-1);
  const next = quantities.find((o) => o.first >= q.end && o.unit.of === 'time');
  let from = q.first;
  const floor = previous?.end ?? 0;
  while (from > floor && !isEdge(tokens[from - 1] as Token)) from -= 1;
  let to = q.end;
  const ceiling = next?.first ?? tokens.length;
  while (to < ceiling && !isEdge(tokens[to] as Token)) to += 1;
  return { before: tokens.slice(from, q.first), after: tokens.slice(q.end, to), from, floor };
}

/** The act of boiling; "boiling water" is what is poured. */
const BOIL_WORDS = wordSet(
  `boil, boils, kettle, kochen, aufkochen, wasserkocher, bouillir, bouilloire, hervir, hierva, hierve, hervor,
   ebullition, ebullicion, siede`,
);
const POUR_WORDS = wordSet(
  `pour, poured, pouring, over, onto, infuse, steep, brew, aufgiessen, ubergiessen, giessen, verser, versez,
   verter, vierta, vierte, echar, anadir, add, leaves, ubergossen`,
);

/** Whether water has gone on the leaf before an amount is named. */
const isPoured = ({ tokens }: Context, q: Quantity): boolean =>
  tokens.slice(0, q.first).some((t) => t.kind === 'word' && POUR_WORDS.has(t.text));

/** Whether, at an amount, the water has boiled and is not yet on the leaf. */
function waterStandsOffBoil({ tokens }: Context, q: Quantity): boolean {
  let boiled = -1;
  let poured = -1;
  tokens.slice(0, q.first).forEach((t, i) => {
    if (t.kind !== 'word') return;
    // "boiled water" is what is poured; "water, boiled and left" has been boiled.
    const act = t.text === 'boiled' && tokens[i + 1]?.text !== 'water';
    if (act || BOIL_WORDS.has(t.text)) boiled = i;
    if (POUR_WORDS.has(t.text)) poured = i;
  });
  return (
    boiled >= 0 &&
    poured < boiled &&
    !tokens.slice(0, boiled).some((t) => POUR_WORDS.has(t.text) && t.text.startsWith('pour'))
  );
}

/** What a time is for, by its nearest verb, else by what was done before. */
export function timeRole(context: Context, q: Quantity): TimeRole {
  const { tokens } = context;
  const { before, after, from, floor } = clauseAround(context, q);
  const [wordsBefore, wordsAfter] = [words(before), words(after)];
  const near = [...wordsBefore.slice(-8), ...wordsAfter.slice(0, 6)];
  // "2nd infusion 3 min", "for each further steep".
  const isLater = (list: readonly string[]) =>
    list.some(
      (w, i) =>
        LATER.has(w) &&
        (INFUSIONS.has(list[i + 1] ?? '') || INFUSIONS.has(list[i + 2] ?? '') || w.length > 6),
    );
  const laterNumber = before.some(
    (t, i) => t.kind === 'ordinal' && t.value > 1 && INFUSIONS.has(before[i + 1]?.text ?? ''),
  );
  if (isLater(wordsBefore) || isLater(wordsAfter.slice(0, 4)) || laterNumber) return 'other';
  if (AFTER_BOIL.some((p) => hasPhrase(wordsAfter.slice(0, 6), p))) return 'cool';
  for (let i = wordsBefore.length - 1; i >= 0; i--) {
    if (AFTER_BOIL.some((p) => hasPhrase(wordsBefore.slice(i + 1 - p.length, i + 1), p)))
      return 'cool';
    const role = roleOf(wordsBefore[i] ?? '');
    if (role === null) continue;
    return settled(role, context, q, near);
  }
  for (const word of wordsAfter.slice(0, 5)) {
    const role = roleOf(word);
    if (role !== null) return settled(role, context, q, near);
  }
  // Back through the sentence, as far as the time before it.
  for (let i = from - 1; i >= floor; i--) {
    const t = tokens[i] as Token;
    if (t.kind === 'symbol' && (t.text === '.' || t.text === ';')) break;
    const role = t.kind === 'word' ? roleOf(t.text) : null;
    if (role !== null && role !== 'other') return settled(role, context, q, near);
  }
  return 'steep';
}

const DRINK_WORDS = wordSet(
  `drink, drinking, serving, serve, tasting, sipping, trinken, genuss, servieren, boire, servir, deguster,
   beber, tomar`,
);

/** "Let the tea cool 5 minutes before drinking." */
const isBeforeDrinking = ({ tokens }: Context, q: Quantity): boolean =>
  tokens.slice(q.end, q.end + 4).some((t) => DRINK_WORDS.has(t.text));

/** "Let it stand" is a wait while the water is in the kettle and a steep once it is on the leaf. */
function settled(role: TimeRole, context: Context, q: Quantity, near: readonly string[]): TimeRole {
  if (role === 'cool') return isBeforeDrinking(context, q) ? 'other' : 'cool';
  if (role === 'steep' || role === 'other') return role;
  if (near.some((w) => roleOf(w) === 'cool')) return 'cool';
  // "Wait" is for the water before it is poured, and for the leaf after.
  if (role === 'wait') return isPoured(context, q) ? 'steep' : 'cool';
  if (near.some((w) => roleOf(w) === 'wait')) return isPoured(context, q) ? 'steep' : 'cool';
  if (near.some((w) => roleOf(w) === 'steep')) return 'steep';
  return waterStandsOffBoil(context, q) || waterIsLeft(context, q) ? 'cool' : 'steep';
}

const WATER_WORDS = wordSet('water, kettle, wasser, wasserkocher, eau, bouilloire, agua');
const WITHIN_WORDS = wordSet('in, with, on, into, over, im, mit, dans, avec, en, con');
/** "Let the water stand": the water itself is left, not leaf in water. */
function waterIsLeft(context: Context, q: Quantity): boolean {
  const before = words(clauseAround(context, q).before);
  const at = before.findIndex((w) => WATER_WORDS.has(w));
  return at >= 0 && !before.slice(Math.max(0, at - 3), at).some((w) => WITHIN_WORDS.has(w));
}

/** Words that make a figure a limit and not an aim: "never over 5 minutes", "not above 80 C". */
const LIMITS = wordSet(
  `never, not, don, max, maximum, maximal, hochstens, nie, jamais, pas, maximo, nunca, exceed, exceeding,
   above, below, over, under, beyond, longer, hotter, than, least, nicht, mehr, plus, uber, unter, ne, no,
   most, minimum, mindestens, moins, menos`,
);
/** Whether a figure is only a limit. */
export function isLimit({ tokens }: Context, q: Quantity): boolean {
  const from = Math.max(0, q.first - 5);
  const before: string[] = [];
  for (let i = q.first - 1; i >= from; i--) {
    const t = tokens[i] as Token;
    if (t.kind === 'symbol' && t.text !== 'prime' && t.text !== '-') break;
    before.unshift(t.text);
  }
  return before.some((w) => LIMITS.has(w));
}

/** Words that make an amount no part of the recipe: what the packet holds, sugar, milk, how to store it. */
const ASIDE = wordSet(
  `net, netto, contents, content, contains, weight, nettogewicht, inhalt, poids, peso, contenido, pack,
   packet, tin, box, pouch, boite, caja, packung, makes, serves, store, keep, calories, kcal, price, best`,
);
const OTHER_THINGS = wordSet(
  `sugar, honey, milk, lemon, ice, cream, ginger, syrup, zucker, honig, milch, zitrone, eis, sucre, miel,
   lait, citron, gingembre, glace, glacons, azucar, leche, limon, jengibre, hielo`,
);
/** Whether an amount belongs to something other than the leaf and the water of the recipe. */
export function isAside({ tokens, quantities }: Context, q: Quantity): boolean {
  for (let i = q.first - 1; i >= Math.max(0, q.first - 4); i--) {
    const t = tokens[i] as Token;
    if (t.kind === 'symbol' && t.text !== ':' && t.text !== 'prime') break;
    if (quantities.some((o) => o !== q && o.first <= i && i < o.end)) break;
    if (ASIDE.has(t.text)) return true;
  }
  const behind = tokens.slice(q.end, q.end + 3).map((t) => t.text);
  if (
    behind[0] === 'makes' ||
    behind.some((w) => ['day', 'daily', 'tag', 'jour', 'dia'].includes(w))
  ) {
    return true;
  }
  let place = q.end;
  while (['of', 'de', 'd', 'prime', 'du', 'cold', 'hot'].includes(tokens[place]?.text ?? ''))
    place += 1;
  return (
    OTHER_THINGS.has(tokens[place]?.text ?? '') ||
    ['net', 'netto'].includes(tokens[place]?.text ?? '')
  );
}

/** Whether two amounts stand in one sentence. */
export const inOneSentence = ({ tokens }: Context, a: Quantity, b: Quantity): boolean => {
  const [first, second] = a.first < b.first ? [a, b] : [b, a];
  const between = tokens.slice(first.end, second.first);
  return !between.some((t) => t.kind === 'symbol' && (t.text === '.' || t.text === ';'));
};

export { hasPhrase, words };
