import { GRAMS_PER_OUNCE, ML_PER } from '#core/units';
import { wordSet } from './wordSet';

// The words of packets in English, German, French and Spanish, in small letters without accents.

/** What leaf is measured in on packets. */
export type LeafUnit = 'g' | 'teaspoon' | 'dessertSpoon' | 'tablespoon' | 'scoop' | 'bag' | 'pinch';

/** What a word after a number measures. */
export type Unit =
  | { readonly of: 'leaf'; readonly unit: LeafUnit; readonly grams: number }
  /** An ounce: of leaf or of water, as the words around it say. */
  | { readonly of: 'ounce' }
  | { readonly of: 'volume'; readonly ml: number }
  | { readonly of: 'cup' }
  | { readonly of: 'vessel' }
  | { readonly of: 'time'; readonly seconds: number }
  | { readonly of: 'temperature'; readonly scale: 'C' | 'F' | 'unsaid' };

type Phrases = readonly string[];
const list = (words: string): Phrases => words.split(',').map((w) => w.trim());

const leaf = (unit: LeafUnit, words: string): [Unit, Phrases] => [
  { of: 'leaf', unit, grams: 1 },
  list(words),
];
const volume = (ml: number, words: string): [Unit, Phrases] => [{ of: 'volume', ml }, list(words)];
const time = (seconds: number, words: string): [Unit, Phrases] => [
  { of: 'time', seconds },
  list(words),
];

const UNITS: readonly (readonly [Unit, Phrases])[] = [
  leaf('g', 'g, gr, gm, gms, gram, grams, gramme, grammes, gramm, gramo, gramos'),
  leaf(
    'teaspoon',
    `tsp, tsps, ts, teaspoon, teaspoons, teaspoonful, teaspoonfuls, teaspoonsful, tea spoon, tea spoons, tl,
     teeloffel, tee loffel, teel, kaffeeloffel, kl, cuillere a cafe, cuilleres a cafe, cuilleree a cafe,
     cuillerees a cafe, cuil a cafe, cuill a cafe, cuillere a the, cuilleres a the, cuilleree a the,
     cuillerees a the, petite cuillere, petites cuilleres, c a c, c a cafe, c a the, cac, cc, cucharadita,
     cucharaditas, cucharilla, cucharillas, cucharita, cucharitas, cuchara de te, cucharas de te,
     cucharada de te, cucharadas de te, cucharada de cafe, cucharadas de cafe, cdta, cdtas, cdita, cditas,
     cucharada de postre pequena`,
  ),
  leaf(
    'dessertSpoon',
    `dsp, dsps, dessertspoon, dessertspoons, dessertspoonful, dessertspoonfuls, dessert spoon, dessert spoons,
     dessert spoonful, dessert spoonfuls, pudding spoon, pudding spoons, dessertloffel, cuillere a dessert,
     cuilleres a dessert, cuilleree a dessert, cuillerees a dessert, cuchara de postre, cucharas de postre,
     cucharada de postre, cucharadas de postre`,
  ),
  leaf(
    'tablespoon',
    `tbsp, tbsps, tbs, tbl, tbls, tblsp, tablespoon, tablespoons, tablespoonful, tablespoonfuls,
     tablespoonsful, table spoon, table spoons, el, essloffel, ess loffel, cuillere a soupe,
     cuilleres a soupe, cuilleree a soupe, cuillerees a soupe, cuil a soupe, cuill a soupe, cuillere a table,
     cuilleres a table, c a s, c a soupe, cas, cs, cucharada, cucharadas, cucharada sopera,
     cucharadas soperas, cuchara sopera, cucharas soperas, cuchara de sopa, cucharas de sopa, cda, cdas, cds`,
  ),
  leaf(
    'scoop',
    `scoop, scoops, scoopful, scoopfuls, measuring scoop, measuring scoops, tea scoop, tea scoops, messloffel,
     masslofel, massloffel, dosierloffel, teemass, dosette, dosettes, mesurette, mesurettes, cuillere doseuse,
     cuilleres doseuses, cuillere mesure, cuilleres mesures, cacito, cacitos, cazo, cazos, medida, medidas,
     cuchara medidora, cucharas medidoras, cuchara dosificadora`,
  ),
  leaf(
    'bag',
    `bag, bags, teabag, teabags, tea bag, tea bags, sachet, sachets, tea sachet, tea sachets, pyramid,
     pyramids, pyramid bag, pyramid bags, pocket, pockets, tea pocket, tea pockets, beutel, teebeutel,
     aufgussbeutel, pyramidenbeutel, filterbeutel, sachet de the, sachets de the, infusette, infusettes,
     mousseline, mousselines, bolsita, bolsitas, bolsa, bolsas, bolsita de te, bolsitas de te, sobre, sobres,
     sobrecito, sobrecitos, saquito, saquitos`,
  ),
  leaf(
    'pinch',
    `pinch, pinches, three finger pinch, three finger pinches, prise, prisen, pincee, pincees, pizca, pizcas,
     pellizco, pellizcos`,
  ),
  [{ of: 'leaf', unit: 'g', grams: 1000 }, list('kg, kilo, kilos')],
  [{ of: 'ounce' }, list('oz, ozs, ounce, ounces, unze, unzen, once, onces, onza, onzas')],
  volume(
    1,
    'ml, mls, millilitre, millilitres, milliliter, milliliters, mililitro, mililitros, cc of water, cm3',
  ),
  volume(
    10,
    'cl, centilitre, centilitres, centiliter, centiliters, zentiliter, centilitro, centilitros',
  ),
  volume(100, 'dl, decilitre, decilitres, deciliter, deciliters, deziliter, decilitro, decilitros'),
  volume(1000, 'l, lt, ltr, ltrs, litre, litres, liter, liters, litro, litros'),
  volume(
    ML_PER.usFlOz,
    `fl oz, floz, fl ozs, us fl oz, us oz, fluid ounce, fluid ounces, fluid oz, us fluid ounce,
     us fluid ounces, flussigunze, flussigunzen, once liquide, onces liquides, onza liquida, onzas liquidas,
     ounces of water, oz of water, ounce of water, oz water, ounces water`,
  ),
  volume(
    ML_PER.imperialFlOz,
    `uk fl oz, imp fl oz, imperial fl oz, uk oz, imperial oz, imperial fluid ounces, imperial fluid ounce,
     uk fluid ounces, uk fluid ounce, imperial ounces, imp oz`,
  ),
  volume(16 * ML_PER.usFlOz, 'pint, pints, us pint, us pints, pt'),
  volume(20 * ML_PER.imperialFlOz, 'uk pint, uk pints, imperial pint, imperial pints'),
  volume(32 * ML_PER.usFlOz, 'quart, quarts, us quart, us quarts, qt, qts'),
  volume(128 * ML_PER.usFlOz, 'gallon, gallons, us gallon, us gallons, gal'),
  [
    { of: 'cup' },
    list(
      `cup, cups, teacup, teacups, tea cup, tea cups, mug, mugs, cupful, cupfuls, tasse, tassen, teetasse,
       teetassen, becher, tasses, mug of water, taza, tazas, tazon, tazones, mugful, mugfuls`,
    ),
  ],
  [
    { of: 'vessel' },
    list(
      `pot, pots, teapot, teapots, tea pot, tea pots, potful, pitcher, pitchers, jug, jugs, carafe, carafes,
       flask, flasks, kanne, kannen, teekanne, teekannen, kannchen, krug, theiere, theieres, pichet, pichets,
       tetera, teteras, jarra, jarras, jarrita`,
    ),
  ],
  time(
    1,
    's, sec, secs, second, seconds, sek, sekunde, sekunden, seconde, secondes, seg, segs, segundo, segundos',
  ),
  time(60, 'm, mn, min, mins, minute, minutes, minuten, minuto, minutos'),
  time(3600, 'h, hr, hrs, hour, hours, std, stunde, stunden, heure, heures, hora, horas'),
  time(15, 'quarter minute, quarter minutes'),
  [
    { of: 'temperature', scale: 'C' },
    list(
      `c, celsius, centigrade, degrees c, degrees celsius, degrees centigrade, deg c, degree c, grad celsius,
       grad c, degres c, degres celsius, degre celsius, degre c, grados c, grados celsius, grados centigrados,
       grado celsius`,
    ),
  ],
  [
    { of: 'temperature', scale: 'F' },
    list(
      `f, fahrenheit, degrees f, degrees fahrenheit, deg f, degree f, grad fahrenheit, grad f,
       degres fahrenheit, degres f, grados f, grados fahrenheit`,
    ),
  ],
  [
    { of: 'temperature', scale: 'unsaid' },
    list('degrees, degree, deg, degs, grad, degres, degre, grados, grado, centigrados'),
  ],
];

/** The ounce of leaf in grams. */
export const GRAMS_PER_LEAF_OUNCE = GRAMS_PER_OUNCE;

/** Number words of all four languages, by what they say. */
const NUMBER_WORDS: readonly (readonly [value: number, words: string])[] = [
  [0.5, 'half, halb, halbe, halben, halber, halbes, demi, demie, media, medio'],
  [1, 'one, ein, eine, einen, einem, einer, eins, un, une, una, uno'],
  [1.5, 'anderthalb, eineinhalb, einundhalb'],
  [2, 'two, couple, zwei, zwo, deux, dos'],
  [2.5, 'zweieinhalb'],
  [3, 'three, drei, trois, tres'],
  [3.5, 'dreieinhalb'],
  [4, 'four, vier, quatre, cuatro'],
  [4.5, 'viereinhalb'],
  [5, 'five, funf, cinq, cinco'],
  [6, 'six, sechs, seis'],
  [7, 'seven, sieben, sept, siete'],
  [8, 'eight, acht, huit, ocho'],
  [9, 'nine, neun, neuf, nueve'],
  [10, 'ten, zehn, dix, diez'],
  [11, 'eleven, elf, onze'],
  [12, 'twelve, zwolf, douze, doce'],
  [15, 'fifteen, funfzehn, quinze'],
  [20, 'twenty, zwanzig, vingt, veinte'],
  [30, 'thirty, dreissig, trente, treinta'],
  [40, 'forty, vierzig, quarante, cuarenta'],
  [45, 'fortyfive, funfundvierzig'],
  [50, 'fifty, funfzig, cinquante, cincuenta'],
  [60, 'sixty, sechzig, soixante, sesenta'],
  [70, 'seventy, siebzig, setenta'],
  [80, 'eighty, achtzig, ochenta'],
  [90, 'ninety, neunzig, noventa'],
];
const numberWords = new Map(
  NUMBER_WORDS.flatMap(([value, words]) => list(words).map((w) => [w, value] as const)),
);
/** The value of a number word; undefined where it is none. */
export const numberWord = (word: string): number | undefined => numberWords.get(word);

/** Between the two ends of a range. */
export const RANGE_WORDS = wordSet('to, or, bis, oder, a, ou, o, through, until, hasta, till');
/** Open a range whose ends are joined by "and". */
export const BETWEEN_WORDS = wordSet('between, zwischen, entre');
export const AND_WORDS = wordSet('and, und, et, y, e, plus, mas');
/** May stand between a number and its unit, or behind the unit, and say how full a spoon is. */
export const HEAPED_WORDS = wordSet(
  `heaped, heaping, rounded, generous, good, large, big, gehauft, gehaufte, gehaufter, gehauften, gehauftes,
   guter, gute, guten, grosse, grosser, grossen, bombee, bombees, bombe, bonne, bonnes, genereuse, genereuses,
   colmada, colmadas, colmado, colmados, generosa, generosas, buena, buenas, copeteada`,
);
export const LEVEL_WORDS = wordSet(
  `level, flat, scant, small, gestrichen, gestrichene, gestrichener, gestrichenen, gestrichenes, knapper,
   knappe, kleine, kleiner, rase, rases, rasa, rasas, rasos, petite, ras, pequena, pequenas`,
);
/** Other words that may stand between a number and its unit. */
export const FILLER_WORDS = wordSet(
  `of, full, fresh, de, d, standard, metric, single, whole, approx, approximately, about, voller, volle,
   leicht, plein, pleine, pleines, llena, llenas, medium, us, american, uk, british, kleiner, normal, normale,
   regular, more, weitere`,
);
/** Join leaf to the water that it is for. */
export const PER_WORDS = wordSet(
  `per, each, every, pro, je, jede, jeden, par, chaque, por, cada, for, fur, pour, para, auf, to, sur, dans,
   in, into, im, with, mit, avec, con, en`,
);
/** Those of them that can only mean "for each of". */
export const STRONG_PER_WORDS = wordSet(
  'per, each, every, pro, je, jede, jeden, par, chaque, por, cada, auf',
);

type Entry = { readonly words: readonly string[]; readonly unit: Unit };
const byFirstWord = new Map<string, Entry[]>();
for (const [unit, phrases] of UNITS) {
  for (const phrase of phrases) {
    const words = phrase.split(' ');
    const first = words[0] ?? '';
    byFirstWord.set(first, [...(byFirstWord.get(first) ?? []), { words, unit }]);
  }
}
for (const entries of byFirstWord.values()) entries.sort((a, b) => b.words.length - a.words.length);
/** The units whose names begin with a word, the longest names first. */
export const unitsFrom = (word: string): readonly Entry[] => byFirstWord.get(word) ?? [];
