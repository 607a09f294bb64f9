import { ATTRIBUTES } from '#core/corrections';
import { GRADES } from '#core/styles';
import { capital, minutesText, numberText, seconds, signedText } from '#core/units';
import { INFUSERS } from '#core/vessels';
import type { Cause, CupFound, Diagnosis } from './diagnosis';
import type { DrillCup } from './draw';
import { type CureLever, type Fact, type Fault, type FaultName, type VesselAct } from './faults';
import { isPair, partsOf } from './pairs';
import { type Step, TASTED, type TastedIndex } from './tasted';

const FAULT_WORDS: Readonly<Record<FaultName, string>> = {
  long: 'too long',
  short: 'too short',
  hot: 'too hot',
  cool: 'too cool',
  muchLeaf: 'too much leaf',
  littleLeaf: 'too little leaf',
  spoonUp: 'larger spoon taken',
  spoonDown: 'smaller spoon taken',
  coldPot: 'cold pot',
  noLid: 'no lid',
  smallBall: 'leaf crowded',
  brokenLeaf: 'leaf cut finer',
  leftOn: 'left on the leaf',
};
/** A cause as a choice: "too hot", "too little leaf and too long". */
export const causeWords = (cause: Cause): string =>
  (isPair(cause) ? partsOf(cause) : [cause]).map((id) => FAULT_WORDS[id]).join(' and ');
export const CURE_WORDS: Readonly<Record<CureLever, string>> = {
  leaf: 'leaf',
  heat: 'heat',
  time: 'time',
  vessel: 'vessel',
  water: 'water',
};
export const ACT_WORDS: Readonly<Record<VesselAct, string>> = {
  warm: 'warm the pot',
  lid: 'put the lid on',
  basket: 'give the leaf room',
  drain: 'pour off all the liquor',
};

const STEWED: Readonly<Record<Step, string>> = {
  2: 'stewed',
  1: 'a stewed note',
  0: '',
  [-1]: 'fresher',
  [-2]: 'much fresher',
};
function tasteWordOf(index: TastedIndex, step: Step): string | null {
  if (step === 0) return null;
  if (index === 'stewed') return STEWED[step];
  const word = ATTRIBUTES[index].words[step];
  if (index === 'sweetness') return step < 0 ? `${word === 'none' ? 'no' : word} sweetness` : word;
  if (index === 'aroma') return `${word} aroma`;
  if (index === 'bitterness' && step === -2) return 'not bitter at all';
  return word;
}
/** What a taster says of steps of the six indices; none of one that is as it should be. */
export const tasteWords = (steps: readonly Step[]): string[] =>
  TASTED.flatMap((index, i) => tasteWordOf(index, steps[i] ?? 0) ?? []);
/** Colours differ for the eye from here on (CIEDE2000). */
const SEEN = 2;
/** What a taster says of the cup beside the house's. */
export function cupSentence({
  beside,
  deltaE,
  darker,
}: Pick<CupFound, 'beside' | 'deltaE' | 'darker'>): string {
  const colour =
    deltaE < SEEN
      ? 'Coloured as it should be'
      : `${darker ? 'Darker' : 'Lighter'} than it should be`;
  return `${colour}. ${capital(tasteWords(beside.words).join(', '))}.`;
}

/** What is known of how this cup was brewed. */
function factWords(fact: Fact, cup: DrillCup, made: Diagnosis['made']): string {
  const { brew, leftMinutes } = made;
  switch (fact) {
    case 'leaf':
      return `leaf weighed ${numberText(brew.leaf, 1)} g`;
    case 'time':
      return `lifted at ${minutesText(seconds(Math.round(brew.time)))}`;
    case 'kettle':
      return `${numberText(brew.temperature, 0)} °C read on the leaf`;
    case 'pot':
      return cup.warm ? 'vessel warmed' : 'vessel not warmed, as always';
    case 'lid':
      if (!cup.lid) return 'no lid, as always';
      return brew.lid === false ? 'lid off' : 'lid on';
    case 'basket':
      return `${INFUSERS[brew.infuser ?? 'free'].label}${brew.infuser === cup.infuser ? ', as always' : ''}`;
    case 'cut':
      return GRADES[brew.character.grade].label;
    case 'drained':
      return leftMinutes > 0
        ? `half of the liquor stayed on the leaf for ${numberText(leftMinutes, 0)} min`
        : 'all the liquor poured off';
  }
}
/** The stated pot of a cold one says so. */
export const factsWords = (
  known: readonly Fact[],
  cup: DrillCup,
  d: Pick<Diagnosis, 'made' | 'faults'>,
): string[] =>
  known.map((fact) =>
    fact === 'pot' && d.faults.some((f) => f.id === 'coldPot')
      ? 'vessel not warmed'
      : factWords(fact, cup, d.made),
  );

const times = (size: number): string => `${numberText(size, 2)} times`;
const clock = (s: number): string => minutesText(seconds(Math.round(s)));
const heatWords = (house: number, by: number): string =>
  `${numberText(house + by, 0)} °C on the leaf instead of ${numberText(house, 0)} °C.`;
/** What was done to the cup. */
export function faultSentence({ id, size }: Fault, cup: DrillCup): string {
  switch (id) {
    case 'long':
    case 'short':
      return `Lifted at ${clock(cup.seconds * size)} instead of ${clock(cup.seconds)}.`;
    case 'hot':
    case 'cool':
      return heatWords(cup.temperatureC, id === 'hot' ? size : -size);
    case 'muchLeaf':
    case 'littleLeaf':
    case 'spoonUp':
    case 'spoonDown':
      return `${numberText(cup.leafGrams * size, 1)} g of leaf, ${times(size)} ${numberText(cup.leafGrams, 1)} g.`;
    case 'coldPot':
      return 'The pot was not warmed.';
    case 'noLid':
      return 'The lid was off.';
    case 'smallBall':
      return 'The leaf was crowded in a small ball.';
    case 'brokenLeaf':
      return 'The leaf was cut finer than it should be.';
    case 'leftOn':
      return `Half of the liquor stayed on the leaf for ${numberText(size, 0)} min more.`;
  }
}
/** One sentence of the trade for each fault. */
export const FAULT_LESSONS: Readonly<Record<FaultName, string>> = {
  long: 'After the window, more minutes add bite and little strength.',
  short: 'Lifted early, a tea has sweetness and aroma, but little body.',
  hot: 'Hot water adds bitterness and dryness first: check the heat before the time.',
  cool: 'Cool water leaves strength in the leaf: measure the heat on the leaf, not in the kettle.',
  muchLeaf: 'More leaf makes every taste stronger, sweetness and aroma too.',
  littleLeaf: 'Less leaf makes every taste weaker: weigh the leaf before you change the time.',
  spoonUp: 'A tablespoon holds three teaspoons: use the spoon of the recipe.',
  spoonDown: 'A teaspoon is a third of a tablespoon: use the spoon of the recipe.',
  coldPot: 'A cold pot cools the water at once: warm the pot first.',
  noLid: 'Without a lid, heat and aroma escape.',
  smallBall: 'Give leaf room before you add minutes.',
  brokenLeaf: 'Finer leaf steeps faster: shorten the time, or check the lot.',
  leftOn: 'Liquor that stays on the leaf keeps steeping: pour off all the liquor.',
};

/** How far a lever is turned, for a label. */
export function turnWords(lever: CureLever, size: number): string {
  switch (lever) {
    case 'leaf':
      return `${signedText(size, 0)} % leaf`;
    case 'heat':
      return `${numberText(Math.abs(size), 0)} °C ${size < 0 ? 'cooler' : 'hotter'}`;
    case 'time':
      return `${minutesText(seconds(Math.abs(size)))} ${size < 0 ? 'shorter' : 'longer'}`;
    case 'water':
      return `${numberText(size, 0)} % water added`;
    case 'vessel':
      return '';
  }
}
