import type { Rescue } from './table';
import { brewCup, dilute, type Brewing, type Cup } from '#core/cup';
import { bitterDoseOf, bodyOf, cupWords, doseOf, MAPS, MARK } from '#core/taste';
import { millilitres, seconds, type Millilitres } from '#core/units';

/** What to do with the cup in hand. */
export type CupInHand = { readonly kind: Rescue; readonly water: Millilitres; readonly text: string };
export const NO_RESCUE: CupInHand = { kind: 'none', water: millilitres(0), text: '' };

/** Past this share of the liquor, water makes another drink of it. */
const MOST_WATER = 0.4;
/**
 * Water that brings a liquor down by `marks` of strength or of bitterness: V (dose/target dose - 1). It restores
 * strength, never the bitter to sweet balance. 0 when there is nothing to bring down; at most two fifths of the liquor.
 */
export function waterToAdd(brew: Brewing, cup: Cup, by: 'strength' | 'bitterness', marks: number): Millilitres {
  const now = cup.taste[by];
  const target = now - MARK * marks;
  if (!(marks > 0) || !(now > 0)) return millilitres(0);
  const dose = by === 'strength' ? bodyOf(cup.gramsPerLitre) : bitterDoseOf(cup.gramsPerLitre, brew.character, brew.milk);
  const wanted = target > 0.05 ? doseOf(target, MAPS[by]) : dose / 2;
  return millilitres(Math.min(MOST_WATER * cup.liquor, Math.max(0, cup.liquor * (dose / wanted - 1))));
}

/** The cup if the leaf goes back for so many seconds more; the steep goes on where it was. */
export const returnLeaf = (brew: Brewing, more: number): Cup => brewCup({ ...brew, time: seconds(brew.time + more) });

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
export const waterPerExtract = (extract: Cup, body: number): number => Math.max(0, bodyOf(extract.gramsPerLitre) / body - 1);

const TEACUP = 150;
const to = (step: number, ml: number) => Math.round(ml / step) * step;

/** A rescue with its figures, predicted. `over` in marks: how much too strong or too bitter it was found. */
export function rescueOf(kind: Rescue, brew: Brewing, over: { strength: number; bitterness: number }): CupInHand {
  const cup = brewCup(brew);
  if (kind === 'none') return { ...NO_RESCUE, text: 'Nothing mends this cup. Serve it or brew again.' };
  if (kind === 'returnLeaf') {
    return { kind, water: millilitres(0), text: `Put the leaf back for 30 s, taste, repeat. In 30 s: ${cupWords(returnLeaf(brew, 30).taste)}. In 60 s: ${cupWords(returnLeaf(brew, 60).taste)}.` };
  }
  const by = over.bitterness > over.strength ? 'bitterness' : 'strength';
  const water = Math.max(10, to(10, waterToAdd(brew, cup, by, Math.max(1, over[by]))));
  const then = dilute(brew.character, { volume: cup.liquor, gramsPerLitre: cup.gramsPerLitre }, millilitres(water));
  const cupful = Math.max(5, to(5, (water / cup.liquor) * TEACUP));
  const words = `It restores ${by === 'strength' ? 'strength' : 'less bite'}, not the balance: ${cupWords({ ...then.taste, stewed: cup.taste.stewed })}. Taste again.`;
  return { kind, water: millilitres(water), text: kind === 'split' ? `Split it: pour part off, top both up. ${words}` : `About ${cupful} ml a cup. ${words}` };
}
