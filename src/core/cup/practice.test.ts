import { brewAgain, brewCup, type Brewing, brewInStages, type Cup } from '#core/cup';
import { at, SOLUTES } from '#core/extraction';
import { characterOf, type StyleId } from '#core/styles';
import { bitterDoseOf, sweetDoseOf } from '#core/taste';
import { celsius, grams, millilitres, seconds } from '#core/units';

// Common practice as bands: regression tests of the fit, not evidence. Where no volume is said it is 300 ml in lidded
// porcelain; black at 500 ml; the second figure is what the model gives, to two places.
const brew = (
  style: StyleId,
  dose: number,
  t: number,
  s: number,
  ml = 300,
  over: Partial<Brewing> = {},
): Cup =>
  brewCup({
    character: characterOf(style),
    leaf: grams((dose * ml) / 100),
    water: millilitres(ml),
    temperature: celsius(t),
    time: seconds(s),
    ...over,
  });
const ladder = (s: number) => brew('black-whole', 1.35, 94, s).taste;
const black = (style: StyleId, dose: number, t: number, s: number, over?: Partial<Brewing>) =>
  brew(style, dose, t, s, 500, over);
const cold = (style: StyleId, gramsPerLitre: number, t: number, hours: number) =>
  brew(style, gramsPerLitre / 10, t, hours * 3600, 500, { constant: true });
/** Tannin and catechin in what dissolves between two moments. */
const biteShare = (from: number, to: number) => {
  const [a, b] = [from, to].map((s) => brew('green-steamed', 1.333, 80, s, 150).gramsPerLitre);
  const grown = (i: number) => at(b as never, i) - (from > 0 ? at(a as never, i) : 0);
  return (grown(3) + grown(4)) / SOLUTES.reduce((sum, _s, i) => sum + grown(i), 0);
};

describe('the ladder of a whole black near boiling (common practice)', () => {
  test.each<[string, () => number, number, number, number]>([
    ['45 s: watery', () => ladder(45).strength, 0.8, 3.2, 2.66],
    ['45 s: no bitterness', () => ladder(45).bitterness, 0, 1.2, 0.41],
    ['45 s: a little sweet', () => ladder(45).sweetness, 2.2, 6, 3.49],
    ['45 s: no pucker', () => ladder(45).astringency, 0, 1.2, 0.34],
    ['2 min: mellow', () => ladder(120).strength, 3.5, 5.2, 5.07],
    ['2 min: no bitterness', () => ladder(120).bitterness, 0, 2.2, 2.08],
    ['2 min: little pucker', () => ladder(120).astringency, 0, 2.8, 2.08],
    ['3 min: stronger by', () => ladder(180).strength - ladder(120).strength, 0.7, 2, 0.8],
    ['3 min: a hint of bite', () => ladder(180).bitterness, 2.2, 3.9, 3.18],
    ['3 min: astringency', () => ladder(180).astringency, 2.2, 4.2, 3.35],
    ['5 min: intense', () => ladder(300).bitterness, 4.4, 8, 4.54],
    ['5 min: puckering', () => ladder(300).astringency, 4.8, 8.5, 4.94],
    ['5 min: strength', () => ladder(300).strength, 5.8, 8.5, 6.65],
  ])('%s', (_name, value, low, high, model) => {
    expect(value()).toBeGreaterThanOrEqual(low);
    expect(value()).toBeLessThanOrEqual(high);
    expect(value()).toBeCloseTo(model, 1);
  });
});

const whole = () => black('black-whole', 1.2, 90, 240).taste;
const large = () => black('black-large', 1.2, 95, 240).taste;
const milky = () => black('black-large', 1.5, 95, 240, { milk: 0.12 }).taste;
const broken = () => black('black-broken', 1.2, 94, 180).taste;
const first = () => black('black-first', 1.2, 90, 210).taste;
const steamed = (dose: number, t: number, s: number, ml = 300) =>
  brew('green-steamed', dose, t, s, ml).taste;
const pair = (of: 'bitterness' | 'astringency' | 'stewed' | 'colour') =>
  steamed(1.333, 95, 120, 150)[of] - steamed(1.333, 80, 120, 150)[of];
const steeps = (style: StyleId, dose: number, ml: number, t: number, times: number[]) =>
  brewAgain(
    {
      character: characterOf(style),
      leaf: grams((dose * ml) / 100),
      water: millilitres(ml),
      temperature: celsius(t),
      time: seconds(0),
    },
    times.map((time) => ({ time: seconds(time) })),
  ).map((c) => c.taste.strength);
const against = (list: number[], i: number) => (list[i] as number) / (list[0] as number);
const hybrid = () =>
  brewInStages({ character: characterOf('green-steamed'), leaf: grams(6), material: 'none' }, [
    { add: millilitres(100), temperature: celsius(80), time: seconds(60), lid: false },
    { add: millilitres(200), temperature: celsius(8), time: seconds(60) },
  ]).cup.taste;

describe('cups of every style', () => {
  test.each<[string, () => number, number, number, number]>([
    ['whole black, strength', () => whole().strength, 4.5, 6.2, 5.59],
    ['whole black, bitter', () => whole().bitterness, 1.8, 4.2, 2.88],
    ['whole black, drying', () => whole().astringency, 1.8, 4.5, 2.98],
    ['whole black, sweet', () => whole().sweetness, 3, 7, 3.8],
    ['large-leaf black, strength', () => large().strength, 5.8, 7.8, 6.88],
    ['large-leaf black, bitter', () => large().bitterness, 2.6, 4.8, 4.66],
    ['large-leaf black, drying', () => large().astringency, 3, 5.4, 4.98],
    ['with milk, drying tamed', () => milky().astringency, 1, 4.2, 2.55],
    ['with milk, still full', () => milky().strength, 6, 8.3, 7.16],
    ['broken black, strength', () => broken().strength, 5.2, 7.2, 6.63],
    ['broken black, bitter', () => broken().bitterness, 2.2, 4.4, 4.27],
    ['broken black, drying', () => broken().astringency, 2.2, 5, 4.67],
    ['broken 3 min against whole 4 min', () => broken().strength / whole().strength, 1, 1.35, 1.19],
    ['first-spring black, strength', () => first().strength, 3.3, 5.2, 4.98],
    ['first-spring black, bitter', () => first().bitterness, 1, 3.4, 2.46],
    ['first-spring paler than whole', () => whole().colour - first().colour, 1, 5, 2.49],
    [
      'caffeine in 200 ml of whole black, mg',
      () => black('black-whole', 1.2, 90, 240).gramsPerLitre[2] * 200,
      35,
      65,
      44.47,
    ],
    [
      'steamed green, light school, strength',
      () => steamed(0.667, 80, 120).strength,
      1.4,
      3.4,
      2.91,
    ],
    ['steamed green, light school, bitter', () => steamed(0.667, 80, 120).bitterness, 0, 1.5, 0.77],
    ['steamed green, strength', () => steamed(1.333, 75, 105).strength, 3, 5.2, 4.37],
    ['steamed green, bitter', () => steamed(1.333, 75, 105).bitterness, 0.6, 2.9, 1.28],
    ['steamed green, sweet', () => steamed(1.333, 75, 105).sweetness, 3.5, 7, 5.31],
    ['pan-fired green, strength', () => brew('green-pan', 1, 80, 120).taste.strength, 2, 4.4, 3.04],
    [
      'pan-fired green, bitter',
      () => brew('green-pan', 1, 80, 120).taste.bitterness,
      0.3,
      2.4,
      0.66,
    ],
    ['green at 95 against 80: more bitter', () => pair('bitterness'), 1.2, 5, 2.43],
    ['green at 95 against 80: drier', () => pair('astringency'), 1.2, 5, 2.66],
    ['green at 95 against 80: stewed', () => pair('stewed'), 1.2, 5, 3.75],
    ['green at 95 against 80: darker', () => pair('colour'), 0.4, 5, 1.14],
    ['short strong green, strength', () => steamed(1, 80, 30, 400).strength, 1.5, 3.6, 1.65],
    ['short strong green, bitter', () => steamed(1, 80, 30, 400).bitterness, 0, 1, 0.13],
    ['bite in what dissolves after 90 s', () => biteShare(90, 240), 0.6, 0.95, 0.72],
    ['bite in the first 30 s', () => biteShare(0, 30), 0, 0.4, 0.17],
    [
      'shaded green, strength',
      () => brew('green-shaded', 1.333, 60, 120).taste.strength,
      2.2,
      4.8,
      3.25,
    ],
    ['shaded green, sweet', () => brew('green-shaded', 1.333, 60, 120).taste.sweetness, 4, 8, 5.68],
    [
      'shaded green at 85: bitter by',
      () =>
        brew('green-shaded', 1.333, 85, 120).taste.bitterness -
        brew('green-shaded', 1.333, 60, 120).taste.bitterness,
      1.2,
      6,
      2.09,
    ],
    [
      'roasted green, strength',
      () => brew('green-roasted', 1.333, 90, 105).taste.strength,
      2.2,
      4.6,
      3.87,
    ],
    ['white, strength', () => brew('white', 1, 80, 270).taste.strength, 2.2, 4.6, 3.13],
    ['scented green, aroma', () => brew('green-scented', 1, 88, 180).taste.aroma, 4, 9, 6.93],
    [
      'light oolong, strength',
      () => brew('oolong-light', 1.667, 94, 150).taste.strength,
      3.6,
      5.8,
      4.29,
    ],
    [
      'dark oolong, strength',
      () => brew('oolong-dark', 1.667, 94, 150).taste.strength,
      4,
      6.4,
      5.64,
    ],
    ['ripe dark, strength', () => brew('dark-ripe', 1.25, 95, 180).taste.strength, 4.5, 7.2, 6.33],
    ['ripe dark, colour', () => brew('dark-ripe', 1.25, 95, 180).taste.colour, 6, 9.8, 7.77],
    ['mint, 15 min: not bitter', () => brew('mint', 1, 98, 900).taste.bitterness, 0, 1.5, 0.37],
    [
      'rooibos, 15 min: not bitter',
      () => brew('rooibos', 1, 98, 900).taste.bitterness,
      0,
      1.5,
      0.28,
    ],
    [
      'hibiscus, 15 min: not bitter',
      () => brew('hibiscus', 1, 98, 900).taste.bitterness,
      0,
      1.5,
      0.18,
    ],
    [
      'chamomile sweeter at 70 than at 95',
      () =>
        brew('chamomile', 1, 70, 300).taste.sweetness -
        brew('chamomile', 1, 95, 300).taste.sweetness,
      0.15,
      3,
      0.27,
    ],
    [
      'chamomile, 10 min: never really bitter',
      () => brew('chamomile', 1, 95, 600).taste.bitterness,
      0,
      2.6,
      2.47,
    ],
    [
      'light oolong, second steep against first',
      () => against(steeps('oolong-light', 1.667, 240, 94, [150, 300, 420, 600]), 1),
      0.75,
      1.5,
      0.97,
    ],
    [
      'light oolong, fourth steep',
      () => against(steeps('oolong-light', 1.667, 240, 94, [150, 300, 420, 600]), 3),
      0.4,
      1.1,
      0.45,
    ],
    [
      'dark oolong 45/60/90 s: second',
      () => against(steeps('oolong-dark', 3, 240, 94, [45, 60, 90]), 1),
      0.7,
      1.3,
      1.06,
    ],
    [
      'dark oolong 45/60/90 s: third',
      () => against(steeps('oolong-dark', 3, 240, 94, [45, 60, 90]), 2),
      0.7,
      1.3,
      0.96,
    ],
    [
      'cold green, 1 h against 4 h',
      () =>
        cold('green-steamed', 10, 12, 1).taste.strength /
        cold('green-steamed', 10, 12, 4).taste.strength,
      0.2,
      0.72,
      0.68,
    ],
    ['cold green, 4 h', () => cold('green-steamed', 10, 12, 4).taste.strength, 2.3, 4.6, 3.68],
    [
      'cold green, overnight, bitter',
      () => cold('green-steamed', 10, 12, 12).taste.bitterness,
      0,
      1.8,
      1.34,
    ],
    [
      'cold green, overnight against 4 h',
      () =>
        cold('green-steamed', 10, 12, 12).taste.strength /
        cold('green-steamed', 10, 12, 4).taste.strength,
      1.04,
      1.4,
      1.15,
    ],
    [
      'black overnight in the fridge, strength',
      () => cold('black-whole', 10, 4, 11).taste.strength,
      2.2,
      5.2,
      2.83,
    ],
    [
      'black overnight, bitter',
      () => cold('black-whole', 10, 4, 11).taste.bitterness,
      0,
      1.8,
      0.39,
    ],
    [
      'light oolong 11 h at 4 C',
      () => cold('oolong-light', 10, 4, 11).taste.strength,
      2.2,
      4.8,
      2.35,
    ],
    ['warm then cold, strength', () => hybrid().strength, 2.6, 5.6, 5.12],
  ])('%s', (_name, value, low, high, model) => {
    expect(value()).toBeGreaterThanOrEqual(low);
    expect(value()).toBeLessThanOrEqual(high);
    expect(Math.abs(value() / model - 1)).toBeLessThan(0.13);
  });
});

test('at equal strength, time makes a cup bitterer than leaf; leaf keeps the ratio of the doses', () => {
  const b = characterOf('black-whole');
  const base = brew('black-whole', 1.2, 90, 240);
  const wanted = base.taste.strength + 0.8;
  const solve = (of: (x: number) => Cup, low: number, high: number): Cup => {
    for (let i = 0; i < 50; i++) {
      const middle = (low + high) / 2;
      if (of(middle).taste.strength < wanted) low = middle;
      else high = middle;
    }
    return of(low);
  };
  const ratio = (c: Cup) =>
    bitterDoseOf(c.gramsPerLitre, b) /
    sweetDoseOf(c.gramsPerLitre) /
    (bitterDoseOf(base.gramsPerLitre, b) / sweetDoseOf(base.gramsPerLitre));
  const [leaf, time] = [
    solve((d) => brew('black-whole', d, 90, 240), 1.2, 3),
    solve((s) => brew('black-whole', 1.2, 90, s), 240, 1200),
  ];
  expect(ratio(leaf)).toBeGreaterThan(0.94);
  expect(ratio(leaf)).toBeLessThan(1.06);
  expect(ratio(time)).toBeGreaterThan(1.1);
  expect(time.taste.bitterness - leaf.taste.bitterness).toBeGreaterThan(0.15);
});
