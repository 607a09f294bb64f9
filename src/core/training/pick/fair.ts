import { pick, type Random, shuffled } from '#core/numeric';
import { minutesText, numberText } from '#core/units';
import type { Level } from '../diagnosis/diagnosis';
import type { DrillCup } from '../diagnosis/draw';
import { g, ml } from '../figure/figureWords';
import type { PickWorked } from './drill';

// A planned pair or ladder that is meant to differ in one thing: what else crept in?

/** What a cup of a tasting is made with. */
export const FAIR_FACTS = ['leaf', 'water', 'heat', 'time', 'warmed', 'stirred'] as const;
export type FairFact = (typeof FAIR_FACTS)[number];
export type FairCup = {
  readonly leaf: number;
  readonly water: number;
  readonly heat: number;
  readonly time: number;
  readonly warmed: boolean;
  readonly stirred: boolean;
};
export type FairGiven = {
  readonly tea: string;
  /** What the cups are meant to differ in. */
  readonly planned: FairFact;
  readonly cups: readonly FairCup[];
  readonly level: Level;
};

export const FAIR_FACT_WORDS: Readonly<Record<FairFact, string>> = {
  leaf: 'leaf',
  water: 'water',
  heat: 'heat in the kettle',
  time: 'time',
  warmed: 'warming',
  stirred: 'stirring',
};
const WHY: Readonly<Record<FairFact, string>> = {
  leaf: 'more leaf is more of everything',
  water: 'less water is a stronger cup',
  heat: 'hotter water brings bite',
  time: 'a longer steep is darker and drier',
  warmed: 'a cold cup takes heat out of the water',
  stirred: 'stirred leaf gives more',
};
/** A fact of a cup as a sheet has it. */
export function fairFactText(cup: FairCup, fact: FairFact): string {
  switch (fact) {
    case 'leaf':
      return g(cup.leaf);
    case 'water':
      return ml(cup.water);
    case 'heat':
      return `${numberText(cup.heat, 0)} °C`;
    case 'time':
      return minutesText(cup.time);
    case 'warmed':
      return cup.warmed ? 'warmed' : 'not warmed';
    case 'stirred':
      return cup.stirred ? 'stirred' : 'not stirred';
  }
}
const differs = (cups: readonly FairCup[], fact: FairFact): boolean =>
  new Set(cups.map((c) => fairFactText(c, fact))).size > 1;

/** The question worked out; null: the planned thing is alike, or nothing crept in. */
export function workFair({ tea, planned, cups }: FairGiven): PickWorked | null {
  const crept = FAIR_FACTS.filter((f) => f !== planned && differs(cups, f));
  if (cups.length < 2 || !differs(cups, planned) || crept.length === 0) return null;
  const offered = FAIR_FACTS.filter((f) => f !== planned);
  return {
    tea,
    known: [
      `${cups.length} cups show what ${FAIR_FACT_WORDS[planned]} does. Nothing else may differ.`,
    ],
    parts: [
      {
        asked: 'What else differs?',
        options: offered.map((id) => ({ id, text: FAIR_FACT_WORDS[id] })),
        ...{ many: true, right: crept },
      },
    ],
    guess: 0.5 ** offered.length,
    working: crept.map(
      (f) => `${FAIR_FACT_WORDS[f]}: ${cups.map((c) => fairFactText(c, f)).join(', ')}; ${WHY[f]}.`,
    ),
    lesson: 'When two things differ, nobody knows which one you taste. Make these cups again.',
    ifNotRight: ([picked = []]) => {
      const areCrept = picked.every((f) => (crept as string[]).includes(f));
      return areCrept && picked.length === crept.length - 1 ? 'near' : 'wrong';
    },
    mistake: ([picked = []]) =>
      picked.some((f) => !(crept as string[]).includes(f))
        ? 'One of your answers is the same in every cup.'
        : null,
  };
}

/** How far what crept in is off, as a share. */
const OFF: Readonly<Record<Level, number>> = { 1: 0.3, 2: 0.2, 3: 0.12, 4: 0.08, 5: 0.05 };
const LADDER_LEVEL = 3;
const TWO_CREPT_LEVEL = 3;
const TASTING_ML = 200;
/** From cup to cup of what is planned. */
const STEPS: Readonly<Record<'leaf' | 'water' | 'heat' | 'time', number>> = {
  leaf: 1.25,
  water: 1.2,
  heat: 8,
  time: 1.5,
};

const rounded = (fact: 'leaf' | 'water' | 'time', value: number): number =>
  fact === 'leaf' ? Number(value.toFixed(1)) : 5 * Math.round(value / 5);
function withPlanned(base: FairCup, planned: FairFact, i: number): FairCup {
  switch (planned) {
    case 'heat':
      return { ...base, heat: Math.max(60, base.heat - STEPS.heat * i) };
    case 'warmed':
    case 'stirred':
      return { ...base, [planned]: i === 0 };
    default:
      return { ...base, [planned]: rounded(planned, base[planned] * STEPS[planned] ** i) };
  }
}
function withCrept(cup: FairCup, fact: FairFact, off: number): FairCup {
  switch (fact) {
    case 'warmed':
    case 'stirred':
      return { ...cup, [fact]: !cup[fact] };
    case 'heat':
      return { ...cup, heat: cup.heat - Math.max(2, Math.round(30 * off)) };
    default: {
      const moved = rounded(fact, cup[fact] * (1 + off));
      const least = fact === 'leaf' ? 0.1 : 5;
      return { ...cup, [fact]: Math.max(moved, Number((cup[fact] + least).toFixed(1))) };
    }
  }
}
/** Draws a pair or a ladder of one of the house's teas. @throws {RangeError} when the house has no cup */
export function drawFair(cups: readonly DrillCup[], level: Level, random: Random): FairGiven {
  const drawn = pick(random, cups);
  const base: FairCup = {
    leaf: Math.max(0.5, Number(((drawn.leafGrams * TASTING_ML) / drawn.waterMl).toFixed(1))),
    ...{ water: TASTING_ML, heat: Math.round(drawn.temperatureC) },
    time: Math.max(30, 5 * Math.round(drawn.seconds / 5)),
    ...{ warmed: true, stirred: false },
  };
  const planned = pick(
    random,
    level >= LADDER_LEVEL ? (['leaf', 'heat', 'time'] as const) : FAIR_FACTS,
  );
  const count = level >= LADDER_LEVEL ? 3 + Math.floor(random() * 2) : 2;
  const crept = shuffled(
    FAIR_FACTS.filter((f) => f !== planned),
    random,
  ).slice(0, level >= TWO_CREPT_LEVEL && random() < 0.5 ? 2 : 1);
  const set = Array.from({ length: count }, (_, i) => withPlanned(base, planned, i));
  const changed = crept.reduce((all, fact) => {
    const at = Math.floor(random() * count);
    return all.map((cup, i) => (i === at ? withCrept(cup, fact, OFF[level]) : cup));
  }, set);
  return { tea: drawn.tea, planned, cups: changed, level };
}
