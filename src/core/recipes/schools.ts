import { type StyleId, styleOf } from '#core/styles';
import { seconds } from '#core/units';
import { isCold, type Method, type Window } from './recipe';

// Where practitioners begin in more than one way: every school by its name, with its reason. Common practice.

export const HOUR = 3600;
/** A window of so many seconds. */
export const window = (earliest: number, best: number, latest: number): Window => ({
  earliest: seconds(earliest),
  best: seconds(best),
  latest: seconds(latest),
});

/** Cold hours, common practice: plain fine leaf; blended or scented leaf; black and all that stands overnight. */
export const FINE_HOURS = window(3 * HOUR, 4 * HOUR, 5 * HOUR);
export const BLENDED_HOURS = window(10 * HOUR, 11 * HOUR, 12 * HOUR);
export const OVERNIGHT = window(8 * HOUR, 10 * HOUR, 12 * HOUR);

/** One way to begin with a style; what it does not name is the style's. */
export type School = {
  readonly name: string;
  readonly why: string;
  /** g per 100 ml. */
  readonly dose?: number;
  /** °C on the leaf. */
  readonly temperature?: number;
  readonly window?: Window;
  /** Share of the liquor that stays under the leaf for the next steep. */
  readonly root?: number;
};

/** A fifth of the liquor stays under the leaf. */
const A_FIFTH = 0.2;
const DRAINED: School = {
  name: 'drained to the last drop',
  why: 'Each steep ends when it is poured: nothing goes on drawing between two of them.',
};
const WITH_ROOT: School = {
  name: 'a fifth stays under the leaf',
  why: 'The liquor that stays carries the taste into the next steep: the steeps are more alike. It grows bitter if it waits.',
  root: A_FIFTH,
};
/** Milk wants a fuller, hotter cup: tannin balances its protein. As hot as boiling water lands on the leaf. */
const WITH_MILK: School = {
  name: 'for milk, boiling water, 4 to 5 min',
  why: 'Milk binds what is bitter and drying: the cup is made stronger and hotter than it would be drunk without.',
  dose: 1.4,
  temperature: 97,
  window: window(240, 270, 300),
};
const FULL: School = {
  name: 'school "full", 2 g per 150 ml',
  why: 'Body and savour: the leaf of a small pot, for those who drink one cup.',
  dose: 2 / 1.5,
};
const LIGHT: School = {
  name: 'school "light", 2 g per 300 ml',
  why: 'Half the leaf: a clear light cup that forgives some seconds more.',
  dose: 2 / 3,
};
const POT: School = {
  name: 'pot, 6 g per 500 ml',
  why: 'The usual amount for a pot that is shared.',
  dose: 1.2,
};

const SCHOOLS: Partial<Record<StyleId, readonly School[]>> = {
  'black-whole': [
    POT,
    {
      name: 'full cup, 2.75 g per 150 ml',
      why: 'More leaf for a single cup: it cools faster and draws less.',
      dose: 2.75 / 1.5,
    },
    WITH_MILK,
  ],
  'black-broken': [
    POT,
    {
      name: 'a level teaspoon (2.75 g) per 6 fl oz',
      why: 'As the packets say it. Weigh the spoon once: a spoon measures one tea, not tea.',
      dose: 1.55,
    },
    WITH_MILK,
  ],
  'black-large': [POT, WITH_MILK],
  'black-first': [
    {
      name: '2 g per 200 ml',
      why: 'Pale gold and fragrant: little leaf keeps it light.',
      dose: 1,
    },
    {
      name: '2.5 g per 200 ml',
      why: 'A little more body, still never over five minutes.',
      dose: 1.25,
    },
  ],
  'green-pan': [
    FULL,
    LIGHT,
    {
      name: 'large pot, 85 °C and longer',
      why: 'A large pot keeps its heat and is poured slowly: hotter and longer than in a cup.',
      dose: 2 / 1.5,
      temperature: 85,
      window: window(120, 150, 180),
    },
  ],
  'green-steamed': [
    FULL,
    LIGHT,
    {
      name: 'thirty seconds, 4 g per 400 ml at 80 °C',
      why: 'Hot and very short: fresh and green before bitterness comes.',
      dose: 1,
      temperature: 80,
      window: window(25, 30, 40),
    },
  ],
  'green-shaded': [
    {
      name: '4 g per 200 ml',
      why: 'Sweet and savoury with a clear finish. Heat spoils shaded leaf.',
      dose: 2,
    },
    {
      name: '5 g per 200 ml',
      why: 'Thick and savoury, for small cups.',
      dose: 2.5,
    },
  ],
  'green-scented': [
    {
      name: '4 g per 240 ml',
      why: 'The usual amount, for leaf that was scented once or twice.',
      dose: 4 / 2.4,
    },
    {
      name: 'strong grade, less leaf',
      why: 'Leaf that was scented many times gives its flower quickly: it wants less.',
      dose: 1.1,
    },
  ],
  'oolong-light': [DRAINED, WITH_ROOT],
  'oolong-dark': [DRAINED, WITH_ROOT],
  'dark-ripe': [DRAINED, WITH_ROOT],
  chamomile: [
    {
      name: '95 °C, 4 min and longer',
      why: 'Full and herbal; boiling water for herbs is what most packets say.',
      temperature: 95,
    },
    {
      name: '70 °C',
      why: 'Cooler water leaves the bitter part in the flower: the cup is sweeter.',
      temperature: 70,
    },
  ],
};

/**
 * The two schools of the fridge for every green and oolong, with a dose each way. Common practice: 5 g in up to 500 ml
 * for plain fine leaf, one tablespoon (about 5 g) to 240 ml for blended leaf.
 */
const COLD_SCHOOLS: readonly School[] = [
  {
    name: 'fine and plain, 3 to 5 h, 5 g per 500 ml',
    why: 'Fine plain leaf gives its sweet taste early. After one hour the liquor is thin, overnight a little too much.',
    dose: 1,
    window: FINE_HOURS,
  },
  {
    name: 'fine and plain, 3 to 5 h, 5 g per 400 ml',
    why: 'The same hours with more leaf: a fuller liquor. Strong liquor takes water, weak liquor cannot be mended.',
    dose: 1.25,
    window: FINE_HOURS,
  },
  {
    name: 'blended, 10 to 12 h, 5 g per 500 ml',
    why: 'Blended leaf needs the night: the flavours of its parts come slowly. Lighter than by the spoon.',
    dose: 1,
    window: BLENDED_HOURS,
  },
  {
    name: 'blended, 10 to 12 h, a tablespoon (5 g) per 240 ml',
    why: 'Made strong on purpose, to be served on ice or with water added.',
    dose: 2.1,
    window: BLENDED_HOURS,
  },
];
/** Practitioners that begin in more than one way, for a method; none where there is one way alone. */
export function schoolsOf(style: StyleId, method: Method): readonly School[] {
  if (!isCold(method)) return SCHOOLS[style] ?? [];
  const { family } = styleOf(style);
  return method === 'fridge' && (family === 'green' || family === 'oolong') ? COLD_SCHOOLS : [];
}
