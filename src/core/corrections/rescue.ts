import { brewCup, type Brewing, type Cup, dilute } from '#core/cup';
import { bitterDoseOf, bodyOf, cupWords, doseOf, MAPS, MARK, type Taste } from '#core/taste';
import { type Millilitres, millilitres, ML_PER, seconds } from '#core/units';
import type { Rescue } from './table';

/** What to do with the cup in hand. */
export type CupInHand = {
  readonly kind: Rescue;
  readonly water: Millilitres;
  readonly text: string;
  /** Of a split: the share to pour off into a second cup, 0.1 to 0.5. */
  readonly share?: number;
};
export const NO_RESCUE: CupInHand = { kind: 'none', water: millilitres(0), text: '' };

/** Past this share of the liquor, water makes another drink of it; a split may go to half and half. */
const MOST_WATER = 0.4;
const MOST_IN_SPLIT = 1;
/** Shares that are easily seen in a cup; what the model asks for is rounded to them. */
export const SPLIT_SHARES = [1 / 5, 1 / 4, 1 / 3, 1 / 2] as const;

/** A cup split in two: what is poured off is kept, and is the second cup. */
export type SplitCup = {
  /** Poured off into the second cup, and the hot water that fills the first up again. */
  readonly pouredOff: Millilitres;
  readonly topUp: Millilitres;
  /** Hot water on what was poured off, so that the second cup is as strong as the first; and how much it then holds. */
  readonly secondTopUp: Millilitres;
  readonly second: Millilitres;
  /** Of both cups. */
  readonly taste: Taste;
};
/**
 * Splits a cup at a share: that much is poured off and kept for a second cup, and hot water takes its place in both, in
 * the same proportion. Solutes are conserved.
 * @param share poured off, 0 to 1, both ends excluded. @throws {RangeError} outside.
 */
export function splitCup(brew: Brewing, cup: Cup, inCup: Millilitres, share: number): SplitCup {
  if (!(share > 0 && share < 1)) throw new RangeError('a part of the cup is poured off');
  const pouredOff = inCup * share;
  const secondTopUp = (pouredOff * share) / (1 - share);
  const rest = { volume: millilitres(inCup - pouredOff), gramsPerLitre: cup.gramsPerLitre };
  const then = dilute(brew.character, rest, millilitres(pouredOff));
  return {
    pouredOff: millilitres(pouredOff),
    topUp: millilitres(pouredOff),
    secondTopUp: millilitres(secondTopUp),
    second: millilitres(pouredOff + secondTopUp),
    // Water does not take back how long it stewed.
    taste: { ...then.taste, stewed: cup.taste.stewed * (1 - share) },
  };
}
/** The share nearest to what a cup that should get so much water asks for. */
const shareFor = (water: number, liquor: number): number => {
  const wanted = water / (liquor + water);
  return (
    [...SPLIT_SHARES].sort((a, b) => Math.abs(a - wanted) - Math.abs(b - wanted))[0] ??
    SPLIT_SHARES[0]
  );
};
/**
 * Water that brings a liquor down by `marks` of strength or of bitterness: V (dose/target dose - 1). It restores
 * strength, never the bitter to sweet balance. 0 when there is nothing to bring down; at most `most` of the liquor,
 * two fifths.
 */
export function waterToAdd(
  brew: Brewing,
  cup: Cup,
  by: 'strength' | 'bitterness',
  marks: number,
  most = MOST_WATER,
): Millilitres {
  const now = cup.taste[by];
  const target = now - MARK * marks;
  if (!(marks > 0) || !(now > 0)) return millilitres(0);
  const dose =
    by === 'strength'
      ? bodyOf(cup.gramsPerLitre)
      : bitterDoseOf(cup.gramsPerLitre, brew.character, brew.milk);
  const wanted = target > 0.05 ? doseOf(target, MAPS[by]) : dose / 2;
  return millilitres(Math.min(most * cup.liquor, Math.max(0, cup.liquor * (dose / wanted - 1))));
}

/** The cup if the leaf goes back for so many seconds more; the steep goes on where it was. */
export const returnLeaf = (brew: Brewing, more: number): Cup =>
  brewCup({ ...brew, time: seconds(brew.time + more) });

/**
 * The share of the weak liquor that, blended with the strong one, comes to a wanted body; null when it lies outside
 * both. Shares are of the blend, 0..1.
 */
export function blendShare(strong: Cup, weak: Cup, body: number): number | null {
  const [high, low] = [bodyOf(strong.gramsPerLitre), bodyOf(weak.gramsPerLitre)];
  if (!(body <= Math.max(high, low) && body >= Math.min(high, low)) || high === low) return null;
  return (high - body) / (high - low);
}
/** ml of water to each ml of an extract so that the glass has a wanted body. At least 0. */
export const waterPerExtract = (extract: Cup, body: number): number =>
  Math.max(0, bodyOf(extract.gramsPerLitre) / body - 1);

const to = (step: number, ml: number) => Math.round(ml / step) * step;

/** A rescue with its figures, predicted. `over` in marks: how much too strong or too bitter it was found. */
export function rescueOf(
  kind: Rescue,
  brew: Brewing,
  over: { strength: number; bitterness: number },
): CupInHand {
  const cup = brewCup(brew);
  if (kind === 'none')
    return { ...NO_RESCUE, text: 'Nothing mends this cup. Serve it or brew again.' };
  if (kind === 'returnLeaf') {
    return {
      kind,
      water: millilitres(0),
      text: `Put the leaf back for 30 s, taste, repeat. In 30 s: ${cupWords(returnLeaf(brew, 30).taste)}. In 60 s: ${cupWords(returnLeaf(brew, 60).taste)}.`,
    };
  }
  const by = over.bitterness > over.strength ? 'bitterness' : 'strength';
  const most = kind === 'split' ? MOST_IN_SPLIT : MOST_WATER;
  const water = Math.max(10, to(10, waterToAdd(brew, cup, by, Math.max(1, over[by]), most)));
  const then = dilute(
    brew.character,
    { volume: cup.liquor, gramsPerLitre: cup.gramsPerLitre },
    millilitres(water),
  );
  const words = `It restores ${by === 'strength' ? 'strength' : 'less bite'}, not the balance: ${cupWords({ ...then.taste, stewed: cup.taste.stewed })}. Taste again.`;
  if (kind === 'split') {
    // Half of the bite is not worth half of the strength: a cup gives up one mark of strength for it, and what was
    // too much.
    const bearable = waterToAdd(
      brew,
      cup,
      'strength',
      1 + Math.max(0, over.strength),
      MOST_IN_SPLIT,
    );
    const share = shareFor(Math.min(water, bearable), cup.liquor);
    const text = `Split the cup: pour part off and keep it for a second cup, top both up with hot water. ${words}`;
    return { kind, water: millilitres(water), text, share };
  }
  const cupful = Math.max(5, to(5, (water / cup.liquor) * ML_PER.teacup));
  return { kind, water: millilitres(water), text: `About ${cupful} ml a cup. ${words}` };
}
