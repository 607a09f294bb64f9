import { type KettleWait, pullTiming } from '#core/brews';
import { type Celsius, celsius, minutesText, numberText } from '#core/units';
import { holds, type Judged, overOf, plainProposal, type Proposal } from './proposal';
import { rescueOf } from './rescue';
import { CORRECTION_TABLE } from './table';

/** What is done with a cup that is too much. */
const rescueFor = ({ verdict: { bitterness, astringency } }: Judged) =>
  bitterness > 0 || astringency > 0 ? 'split' : 'hotWater';
/** Leaf so far off the card, as a share, explains a cup by itself. */
const LEAF_STRAYED = 0.08;
/** Leaf that was weighed, and was not what the card says: the scale is the answer, not the recipe. */
function leafStrayed(share: number, isTooMuch: boolean, j: Judged): Proposal {
  const percent = Math.round(100 * Math.abs(share - 1));
  const [by, makes] = isTooMuch ? ['over', 'dark and biting'] : ['under', 'thin'];
  return plainProposal({
    rowId: isTooMuch ? 'leafOver' : 'leafUnder',
    lever: 'followRecipe',
    headline: 'Weigh the leaf',
    change: `${percent} % ${by} the card. The recipe stays.`,
    reason:
      `The scale showed ${percent} % ${isTooMuch ? 'more' : 'less'} leaf than the card: ` +
      `that alone makes a cup ${makes}. Brew this tea to the recipe first.`,
    cup: rescueOf(isTooMuch ? rescueFor(j) : 'returnLeaf', j.brew, overOf(j.verdict)),
  });
}

/** Water so far off the card explains a cup by itself, °C: one effort of the lever. */
const HEAT_STRAYED = 4;
/** Heat that was read on the leaf, and was not what the card says: the thermometer is the answer, not the recipe. */
function heatStrayed(off: Celsius, isTooMuch: boolean, j: Judged): Proposal {
  const degrees = `${numberText(Math.abs(off), 0)} °C`;
  const [by, shown, makes] = isTooMuch
    ? ['over', 'more', 'dark and biting']
    : ['under', 'less', 'thin'];
  return plainProposal({
    rowId: isTooMuch ? 'heatOver' : 'heatUnder',
    lever: 'followRecipe',
    headline: 'Read the water',
    change: `${degrees} ${by} the card. The recipe stays.`,
    reason:
      `The thermometer showed ${degrees} ${shown} than the card: ` +
      `that alone makes a cup ${makes}. Brew this tea to the recipe first.`,
    cup: rescueOf(isTooMuch ? rescueFor(j) : 'returnLeaf', j.brew, overOf(j.verdict)),
  });
}

/** Water that waited off the boil for much less, or much more, than the card says. */
function waitStrayed(
  { waited, planned, off }: KettleWait,
  isTooMuch: boolean,
  j: Judged,
): Proposal {
  const degrees = `${numberText(Math.abs(off), 0)} °C ${isTooMuch ? 'hotter' : 'cooler'}`;
  return plainProposal({
    rowId: isTooMuch ? 'waitShort' : 'waitLong',
    lever: 'followRecipe',
    headline: `Wait ${minutesText(planned)} off the boil`,
    change: `The water waited ${minutesText(waited)}: about ${degrees}. The recipe stays.`,
    reason:
      `The water waited ${minutesText(waited)} in place of ${minutesText(planned)}, so it was about ${degrees} on the leaf: ` +
      `that alone makes a cup ${isTooMuch ? 'dark and biting' : 'thin'}. Brew this tea to the recipe first.`,
    cup: rescueOf(isTooMuch ? rescueFor(j) : 'returnLeaf', j.brew, overOf(j.verdict)),
  });
}

/** Stirs that were left out: leaf that lies still gives less. */
const notStirred = (j: Judged): Proposal =>
  plainProposal({
    rowId: 'notStirred',
    lever: 'followRecipe',
    headline: 'Stir it',
    change: 'As the recipe says. The recipe stays.',
    reason:
      'The stirs of the recipe were left out: leaf that lies still gives less, and that alone makes a cup thin. ' +
      'Brew this tea to the recipe first.',
    cup: rescueOf('returnLeaf', j.brew, overOf(j.verdict)),
  });

/** A brew that strayed from its recipe in the direction of the complaint is brewed to the recipe first. */
export function strayed(j: Judged): Proposal | null {
  const { time } = j.brew;
  const timing = pullTiming(time, j.recipe.window);
  const { strength, bitterness, astringency, colour } = j.verdict;
  const tooMuch = Math.max(strength, bitterness, astringency, colour) > 0 && strength >= 0;
  const tooLittle = Math.min(strength, colour) < 0 && bitterness <= 0 && astringency <= 0;
  if (timing === 'late' && tooMuch) {
    return plainProposal({
      rowId: 'late',
      lever: 'followRecipe',
      headline: 'Lift it in its window',
      change: `Best at ${minutesText(j.recipe.window.best)}. The recipe stays.`,
      reason:
        `Lifted at ${minutesText(time)}, ${minutesText(time - j.recipe.window.latest)} past latest: ` +
        'that alone makes a cup dark and biting. Brew this tea to the recipe first.',
      cup: rescueOf(rescueFor(j), j.brew, overOf(j.verdict)),
    });
  }
  if (timing === 'early' && tooLittle) {
    return plainProposal({
      rowId: 'early',
      lever: 'followRecipe',
      headline: 'Give it its time',
      change: `Best at ${minutesText(j.recipe.window.best)}. The recipe stays.`,
      reason:
        `Lifted at ${minutesText(time)}, ${minutesText(j.recipe.window.earliest - time)} before its window: ` +
        'that alone makes a cup thin. Brew this tea to the recipe first.',
      cup: rescueOf('returnLeaf', j.brew, overOf(j.verdict)),
    });
  }
  const share = j.leafShare ?? 1;
  if (share > 1 + LEAF_STRAYED && tooMuch) return leafStrayed(share, true, j);
  if (share < 1 - LEAF_STRAYED && tooLittle) return leafStrayed(share, false, j);
  const heatOff = j.heatOff ?? celsius(0);
  if (heatOff >= HEAT_STRAYED && tooMuch) return heatStrayed(heatOff, true, j);
  if (heatOff <= -HEAT_STRAYED && tooLittle) return heatStrayed(heatOff, false, j);
  // A thermometer knows better than a clock.
  const wait = j.heatOff === undefined || j.heatOff === null ? (j.kettleWait ?? null) : null;
  if (wait && wait.off >= HEAT_STRAYED && tooMuch) return waitStrayed(wait, true, j);
  if (wait && wait.off <= -HEAT_STRAYED && tooLittle) return waitStrayed(wait, false, j);
  if (tooLittle && (j.stirsLeftOut ?? 0) > 0) return notStirred(j);
  if (tooLittle && holds('coldVessel', j)) {
    const row = CORRECTION_TABLE.find((r) => r.circumstance === 'coldVessel');
    return plainProposal({
      rowId: row?.id ?? '',
      lever: 'warmVessel',
      headline: 'Warm the pot',
      change: 'A third full of hot water, 15 s or more, poured away.',
      reason: row?.reason ?? '',
      cup: rescueOf('returnLeaf', j.brew, overOf(j.verdict)),
    });
  }
  return null;
}
