import { boilingOnLeaf, type SiteFacts } from '#core/recipes';
import type { StyleId } from '#core/styles';
import { grams } from '#core/units';
import type { VesselFacts } from '#core/vessels';
import { CUPS_OF_A_POT, cupsOfPot, type CupWish, hotAndCold } from './cupRules';
import type { PairAsks } from './exercise';
import type { LeafLessonId } from './leafLessonIds';
import type { PlannedCup } from './schedule';

// Lessons with leaf: each is an exercise at the table that a trainer sets out, with what to ask and what to teach. They
// are common practice of trainers; what the cups come to is worked out for the house's own tea.

/** What the cups of a lesson are made from. */
export type LeafLessonAt = {
  /** Water in one vessel, ml. */
  readonly water: number;
  /** The house recipe at that water. */
  readonly house: PlannedCup;
  /** What boiling water comes to on the leaf, in the vessel warmed and cold, °C. */
  readonly boiling: { readonly warmed: number; readonly cold: number };
};
/** What the cups of a lesson are made from in that vessel, filled to its line. */
export const leafLessonAt = (
  house: PlannedCup,
  vessel: VesselFacts,
  site: SiteFacts,
): LeafLessonAt => ({
  ...{ water: vessel.mark, house },
  boiling: boilingOnLeaf(vessel, site, grams(house.grams)),
});
/** One exercise of a lesson. */
export type LeafPart = {
  readonly name: string;
  readonly exercise: CupWish;
  readonly asks: PairAsks;
  readonly cups: (at: LeafLessonAt) => readonly PlannedCup[];
};
export type LeafLesson = {
  readonly title: string;
  /** The styles that show it best, the best first; empty: any. */
  readonly styles: readonly StyleId[];
  /** Whether it is set out in cups, or in a pot that pours several. */
  readonly vessel: 'cup' | 'pot';
  readonly parts: readonly LeafPart[];
  readonly setOut: string;
  readonly ask: string;
  readonly teach: string;
};

/** Leaf for so much water at a dose in g per 100 ml, to a tenth of a gram. */
const leafFor = (water: number, dose: number): number => Number(((dose * water) / 100).toFixed(1));
const BLACK_DOSE = 1.2;
const GREEN_DOSE = 1.333;
const SMALL_VESSEL_DOSE = 3;
const COLD_DOSE = 1;
/** Boiling water on the leaf of a warmed vessel, for so long, s. */
const boiled = ({ water, boiling }: LeafLessonAt, dose: number, seconds: number): PlannedCup => ({
  grams: leafFor(water, dose),
  water,
  celsius: Math.round(boiling.warmed),
  seconds,
});
const steeps = (at: LeafLessonAt, seconds: readonly number[]): PlannedCup[] =>
  seconds.map((s, i) => ({ ...boiled(at, SMALL_VESSEL_DOSE, s), steep: i + 1 }));
const BLACK: readonly StyleId[] = ['black-whole', 'black-large', 'black-broken', 'black-first'];
const CUT: readonly StyleId[] = ['black-broken', 'black-whole', 'black-large'];
const GREEN: readonly StyleId[] = ['green-pan', 'green-steamed', 'green-shaded', 'white'];
const STEEPS: CupWish = { kind: 'comparison', way: 'seconds', compares: 'steep' };
const INFUSERS: CupWish = { kind: 'comparison', way: 'seconds', compares: 'infuser' };
const POURED: CupWish = { kind: 'comparison', way: 'seconds', compares: 'poured' };
const HEAT: CupWish = { kind: 'pair', way: 'celsius' };
const FIVE_MINUTES = 300;
const FOUR_MINUTES = 240;
const THREE_MINUTES = 180;
const TWO_MINUTES = 120;
const COLD_CUPS = 2;

export const LEAF_LESSONS: Readonly<Record<LeafLessonId, LeafLesson>> = {
  timeLadder: {
    title: 'Four cups, four times',
    styles: BLACK,
    vessel: 'cup',
    parts: [
      {
        name: 'Four times',
        exercise: { kind: 'ladder', way: 'seconds' },
        asks: 'strength',
        cups: (at) =>
          [45, TWO_MINUTES, THREE_MINUTES, FIVE_MINUTES].map((s) => boiled(at, BLACK_DOSE, s)),
      },
    ],
    setOut: 'The same tea in four cups. Put the leaf of each cup beside the cup after pouring off.',
    ask: 'Put the cups in order, the weakest first. In which cup does the bitterness begin?',
    teach: 'Past the window, more minutes give more bitterness and little more taste.',
  },
  heatPair: {
    title: 'Cool cup, hot cup',
    styles: GREEN,
    vessel: 'cup',
    parts: [
      {
        name: '80 and 95 °C',
        exercise: HEAT,
        asks: 'bitterness',
        cups: ({ water }) =>
          [80, 95].map((celsius) => ({
            ...{ grams: leafFor(water, GREEN_DOSE), water, celsius, seconds: TWO_MINUTES },
          })),
      },
    ],
    setOut: 'The same leaf and the same clock for both cups. Only the heat of the water differs.',
    ask: 'Which cup was hotter? What in the cup tells you?',
    teach: 'In the same time, hotter water gives more bitterness.',
  },
  infusers: {
    title: 'Room for the leaf',
    styles: BLACK,
    vessel: 'cup',
    parts: [
      {
        name: 'Loose, basket, ball',
        exercise: INFUSERS,
        asks: 'strength',
        cups: (at) =>
          (['free', 'deep', 'ball'] as const).map((infuser) => ({
            ...boiled(at, BLACK_DOSE, FOUR_MINUTES),
            infuser,
          })),
      },
    ],
    setOut: 'The same leaf loose, in a deep basket and in a small ball. Look at the wet leaf last.',
    ask: 'In which cup did the leaf have too little room?',
    teach: 'Give the leaf room before you give it more minutes.',
  },
  stirring: {
    title: 'Stirred and still',
    styles: BLACK,
    vessel: 'cup',
    parts: [
      {
        name: 'Stirred beside still',
        exercise: { kind: 'comparison', way: 'seconds', compares: 'stirring' },
        asks: 'strength',
        cups: (at) =>
          [false, true].map((stirred) => ({
            ...boiled(at, BLACK_DOSE, FOUR_MINUTES),
            infuser: 'deep' as const,
            stirred,
          })),
      },
    ],
    setOut:
      'Use two deep baskets. Stir the first slowly until you lift the basket. Do not stir the second.',
    ask: 'Which cup was stirred?',
    teach: 'Stirring makes the cup stronger. Stir as the card says, the same way each time.',
  },
  warmedPot: {
    title: 'The pot takes heat',
    styles: BLACK,
    vessel: 'pot',
    parts: [
      {
        name: 'Warmed and cold',
        exercise: HEAT,
        asks: 'strength',
        cups: (at) =>
          [at.boiling.cold, at.boiling.warmed].map((celsius) => ({
            ...boiled(at, BLACK_DOSE, FOUR_MINUTES),
            celsius: Math.round(celsius),
          })),
      },
    ],
    setOut:
      'Use two pots of one kind. Warm the first, leave the second cold. Pour boiling water into both. ' +
      'Read a thermometer in each pot at 0:30.',
    ask: 'Guess the heat in each pot before you read it. Then taste: which pot was cold?',
    teach: 'A cold pot takes heat from the water at once. That heat does not reach the leaf.',
  },
  firstLast: {
    title: 'To the last drop',
    styles: [],
    vessel: 'pot',
    parts: [
      {
        name: 'One cup after the other',
        exercise: POURED,
        asks: 'strength',
        cups: ({ house }) => cupsOfPot(house, CUPS_OF_A_POT),
      },
      {
        name: 'In turns',
        exercise: POURED,
        asks: 'strength',
        cups: ({ house }) => cupsOfPot(house, CUPS_OF_A_POT, true),
      },
    ],
    setOut:
      'Pour one pot into three cups, one cup full after the other, to the last drop. Then pour a second pot in turns.',
    ask: 'Put the three cups in order by their colour. Then taste.',
    teach: 'The last cup of a pot is the strongest. Pour in turns, or into a jug first.',
  },
  leafAgain: {
    title: 'The same leaf again',
    styles: ['oolong-dark', 'dark-ripe', 'oolong-light'],
    vessel: 'cup',
    parts: [
      {
        name: 'One minute each',
        exercise: STEEPS,
        asks: 'strength',
        cups: (at) => steeps(at, [60, 60, 60]),
      },
      {
        name: 'Longer each time',
        exercise: STEEPS,
        asks: 'strength',
        cups: (at) => steeps(at, [45, 60, 90]),
      },
    ],
    setOut:
      'Use much leaf in a small vessel. Steep the leaf three times, and pour off to the last drop each time.',
    ask: 'In which of the two rows are the three cups alike?',
    teach: 'The same leaf needs a longer steep each time.',
  },
  bags: {
    title: 'The bag and its leaf',
    styles: CUT,
    vessel: 'cup',
    parts: [
      {
        name: 'Bag, pyramid, freed',
        exercise: INFUSERS,
        asks: 'strength',
        cups: (at) =>
          (['flatbag', 'tetra', 'free'] as const).map((infuser) => ({
            ...boiled(at, BLACK_DOSE, THREE_MINUTES),
            infuser,
          })),
      },
    ],
    setOut: 'The same cut leaf in a flat bag, in a pyramid bag and taken out of the bag.',
    ask: 'Which cup is the strongest?',
    teach:
      'Fine leaf makes a strong cup quickly. The more room the leaf has, the stronger the cup.',
  },
  hotCold: {
    title: 'Cold beside hot',
    styles: GREEN,
    vessel: 'cup',
    parts: [
      {
        name: 'Hot, and two from the fridge',
        exercise: { kind: 'comparison', way: 'seconds', compares: 'hotCold' },
        asks: 'strength',
        cups: ({ water }) =>
          hotAndCold(
            { grams: leafFor(water, COLD_DOSE), water, celsius: 80, seconds: TWO_MINUTES },
            COLD_CUPS,
          ),
      },
    ],
    setOut:
      'Begin one cold cup ten hours before and one four hours before, covered, in the fridge. ' +
      'Brew the hot cup last, and let the hot cup cool until all cups are equally cold.',
    ask: 'Which cup has more body? Which cup is dry in the mouth?',
    teach:
      'Cold water gives body without bitterness. ' +
      'You can dilute a strong cold brew; you cannot correct a weak cold brew.',
  },
};
const HOT =
  'Boiling water and steam scald. Set a hot basket on a saucer. Warm a glass before hot water goes in.';
const TASTING = 'Each taster has a spoon and a cup of their own, and a cup to spit into.';
const COLD =
  'Keep cold tea covered in the fridge. The local food code decides. In doubt, throw the tea out.';
/** What to take care of, for whoever sets it out. */
export const leafCautions = (id: LeafLessonId, allergens: string): string[] => [
  HOT,
  ...(id === 'hotCold' ? [COLD] : []),
  TASTING,
  ...(allergens ? [`Allergens of this tea: ${allergens}. Ask every taster.`] : []),
];
export const leafPart = (id: LeafLessonId, part = 0): LeafPart =>
  LEAF_LESSONS[id].parts[part] ?? (LEAF_LESSONS[id].parts[0] as LeafPart);
