import {
  type CupInHand,
  EFFORT,
  type Indices,
  isRight,
  JUDGED,
  type Marks,
  NO_RESCUE,
  plainProposal,
  type Proposal,
  type Reach,
  searchTurns,
  type Turn,
  type TurnableCup,
  type Turns,
  type Verdict,
} from '#core/corrections';
import { characterOf, type StyleId } from '#core/styles';
import { differenceWords, MARK, type Taste } from '#core/taste';
import {
  capital,
  type Grams,
  grams,
  type Millilitres,
  millilitres,
  type Seconds,
  seconds,
} from '#core/units';
import { drawnCup } from './course';
import { changeOf, COLD_REASONS, headline, lengthText, staysOf } from './judgingWords';
import type { BatchPlan } from './planBatch';
import { waterToWeaken } from './serving';

/** A drawn batch as it was judged. */
export type JudgedBatch = {
  readonly verdict: Verdict;
  readonly style: StyleId;
  readonly plan: BatchPlan;
  /** From leaf in to lift. */
  readonly steeped: Seconds;
  readonly left: Millilitres;
  /** Water added since, ml per ml of the liquor that ran off; of an extract also what goes into its glass. */
  readonly waterAfter: number;
};

const HOUR = 3600;
const LEAF_STEP = 1.15;
const TIME_STEP = 1.2;
/** Working range of cold steeps, from memory: leaf in g per 100 ml, and the hours of leaf in the fridge. */
const DOSES = { brew: [0.5, 3], extract: [1.5, 8] } as const;
const LONGEST_HOURS = { brew: 24, extract: 48, warm: 2 } as const;
/** Nobody lifts leaf of the fridge to the minute. */
const TIME_ROUND = 15 * 60;
const WARM_TIME_ROUND = 60;
/** More water than this share of what is left makes another drink of it. */
const MOST_WATER = 0.5;
const REACH: Reach = {
  ...EFFORT,
  temperatureC: { ...EFFORT.temperatureC, from: 0, to: 0 },
  contactFactor: { ...EFFORT.contactFactor, from: 0, to: 0 },
  waterAfterFraction: { ...EFFORT.waterAfterFraction, to: 0 },
};

const between = (low: number, high: number, value: number, from: number): number =>
  Math.min(Math.max(value, Math.min(low, from)), Math.max(high, from));

type Steeped = { readonly leaf: Grams; readonly time: Seconds };

/** A counter brew may not stand longer than the house lets it, whatever it tastes of. */
const longestOf = (plan: BatchPlan): number => {
  if (plan.place === 'counter') return plan.keeping.counterHours;
  return plan.method === 'extract' ? LONGEST_HOURS.extract : LONGEST_HOURS.brew;
};

/** The leaf and the hours of a batch with its levers turned, kept within what is done. */
function turnedBatch({ plan, steeped }: JudgedBatch, { leafGrams = 0, seconds: u = 0 }: Turns) {
  const [least, most] = plan.method === 'extract' ? DOSES.extract : DOSES.brew;
  const hundreds = plan.water / 100;
  const longest = plan.hotFirst ? LONGEST_HOURS.warm : longestOf(plan);
  return {
    leaf: grams(
      between(least * hundreds, most * hundreds, plan.leaf * LEAF_STEP ** leafGrams, plan.leaf),
    ),
    time: seconds(between(60, longest * HOUR, steeped * TIME_STEP ** u, steeped)),
  };
}
/** Water in the glass of an extract, ml per ml of it; 0 of any other batch. */
export function glassWater({ method, glasses: [glass] }: BatchPlan): number {
  return method === 'extract' && glass ? glass.water / glass.extract : 0;
}
/** What the model makes of a batch: as it was brewed, or with other leaf and hours. */
export function tasteOfBatch(
  j: JudgedBatch,
  { leaf, time }: Steeped = { leaf: j.plan.leaf, time: j.steeped },
): Taste {
  const { plan } = j;
  const character = characterOf(j.style);
  return drawnCup({ ...plan, character, leaf }, time, { waterAfter: j.waterAfter }).cup.taste;
}
const indicesOf = (t: Taste): Indices => ({
  strength: t.strength,
  bitterness: t.bitterness,
  astringency: t.astringency,
  sweetness: t.sweetness,
  aroma: t.aroma,
  colour: t.colour,
});

/** Leaf and hours can be turned; the fridge is as it is. */
function turnableBatch(j: JudgedBatch): TurnableCup {
  const { plan, steeped } = j;
  const value = (turns: Turns, lever: string): number => {
    const { leaf, time } = turnedBatch(j, turns);
    if (lever === 'leafGrams') return leaf;
    return lever === 'seconds' ? time : 0;
  };
  let tasted: Steeped = { leaf: plan.leaf, time: steeped };
  return {
    levers: ['leafGrams', 'seconds'],
    reach: REACH,
    // Leaf and hours move the same indices: two levers say little more than one.
    singly: true,
    taste: (turns) => {
      tasted = turnedBatch(j, turns);
      return indicesOf(tasteOfBatch(j, tasted));
    },
    // The leaf is the recipe's already; only its hours can come nearer to it.
    nears: (lever) =>
      lever === 'seconds' &&
      Math.abs(tasted.time - plan.window.best) < Math.abs(steeped - plan.window.best) - 1e-9,
    value,
  };
}

const stepOf = (plan: BatchPlan): number => (plan.hotFirst ? WARM_TIME_ROUND : TIME_ROUND);
/** As hands can do it: leaf to 0.1 g, hours to a quarter. */
function asHandsCan(j: JudgedBatch, turns: Turns): Steeped {
  const { leaf, time } = turnedBatch(j, turns);
  const step = stepOf(j.plan);
  return {
    leaf: turns.leafGrams ? grams(Math.round(leaf * 10) / 10) : j.plan.leaf,
    time: turns.seconds ? seconds(Math.max(step, Math.round(time / step) * step)) : j.steeped,
  };
}
function turnsBetween({ plan, steeped }: JudgedBatch, after: Steeped): Turn[] {
  const dose = (leaf: number) => Number(((100 * leaf) / plan.water).toFixed(2));
  const turns: Turn[] = [];
  if (Math.abs(after.leaf - plan.leaf) > 1e-6)
    turns.push({
      lever: after.leaf > plan.leaf ? 'leafMore' : 'leafLess',
      from: dose(plan.leaf),
      to: dose(after.leaf),
    });
  // Less than hands are exact to is no change.
  if (Math.abs(after.time - steeped) >= stepOf(plan))
    turns.push({
      lever: after.time > steeped ? 'longer' : 'shorter',
      from: steeped,
      to: after.time,
    });
  return turns;
}

/** Cold tea that is too strong takes water; one that is weak cannot be mended. */
function inHand(j: JudgedBatch): CupInHand {
  const { verdict: v, plan, left } = j;
  const over = Math.max(v.strength, v.bitterness, v.astringency);
  if (v.strength < 0)
    return {
      ...NO_RESCUE,
      text: 'A weak cold brew cannot be mended. Serve it as a light drink, or throw it out.',
    };
  if (over <= 0) return { ...NO_RESCUE, text: 'Serve this batch as it is.' };
  if (plan.method === 'extract')
    return { ...NO_RESCUE, text: 'Take less extract and more water for each glass.' };
  const now = tasteOfBatch(j);
  const { strength } = now;
  const exact = waterToWeaken(left, strength, Math.max(0.5, strength - MARK * over)) ?? 0;
  const water = millilitres(Math.round(Math.min(exact, MOST_WATER * left) / 10) * 10);
  if (water <= 0) return { ...NO_RESCUE, text: 'Serve this batch as it is.' };
  const then = tasteOfBatch({ ...j, waterAfter: (1 + j.waterAfter) * (1 + water / left) - 1 });
  return {
    kind: 'coldWater',
    water,
    text: `Use cold filtered water. Add half the water first, then taste. All the water should make the batch ${differenceWords(then, now).join(', ') || 'hardly different'}.`,
  };
}

/** Leaf that came out before or after its window answers for the cup before the recipe does. */
function strayed(j: JudgedBatch): Proposal | null {
  const { window } = j.plan;
  const { strength, bitterness, astringency, colour } = j.verdict;
  const tooMuch = Math.max(strength, bitterness, astringency, colour) > 0 && strength >= 0;
  const tooLittle = Math.min(strength, colour) < 0 && bitterness <= 0 && astringency <= 0;
  const change = `Best after ${lengthText(window.best)} in this fridge. The recipe stays.`;
  if (j.steeped > window.latest && tooMuch)
    return plainProposal({
      rowId: 'cold-late',
      lever: 'followRecipe',
      headline: 'Lift the leaf in its window',
      change,
      reason: `The leaf came out ${lengthText(j.steeped - window.latest)} after the window: that makes a strong, drying batch.`,
      cup: inHand(j),
    });
  if (j.steeped < window.earliest && tooLittle)
    return plainProposal({
      rowId: 'cold-early',
      lever: 'followRecipe',
      headline: 'Give the batch its hours',
      change,
      reason: `The leaf came out ${lengthText(window.earliest - j.steeped)} before the window: that makes a thin batch.`,
      cup: inHand(j),
    });
  return null;
}
/** One faint aroma or colour alone: the lot and the water are looked at before anything is turned. */
function lookFirst(j: JudgedBatch): Proposal | null {
  const off = JUDGED.filter((k) => j.verdict[k] !== 0);
  if (off.length !== 1 || off[0] !== 'aroma' || j.verdict.aroma > 0) return null;
  return plainProposal({
    rowId: 'cold-flat',
    lever: 'checkLot',
    headline: 'Check lot and water',
    change: 'The recipe stays.',
    reason: 'Old leaf, hard water, or a fridge that smells makes a flat cold brew.',
    cup: inHand(j),
  });
}

/** Tasted and right counts as right; a colour left alone was perhaps not looked at. */
const marksOf = (v: Verdict): Marks =>
  Object.fromEntries(JUDGED.filter((k) => k !== 'colour' || v.colour !== 0).map((k) => [k, v[k]]));

/**
 * One correction for the next batch, by leaf or by hours, and what to do with this one. The same search and weights as
 * for a hot cup, over the course of a cold steep.
 */
export function proposeForBatch(j: JudgedBatch): Proposal {
  if (isRight(j.verdict))
    return plainProposal({
      rowId: 'right',
      lever: 'keep',
      headline: 'Keep it so',
      change: 'As it should be. The recipe stays.',
      reason: '',
      cup: NO_RESCUE,
    });
  const first = strayed(j) ?? lookFirst(j);
  if (first) return first;
  const found = searchTurns(turnableBatch(j), marksOf(j.verdict));
  const after = asHandsCan(j, found.bestSingle.turns);
  const turns = turnsBetween(j, after);
  const [turn] = turns;
  if (!turn || found.bestSingle.cost >= found.costNone)
    return plainProposal({
      rowId: 'cold-end-of-range',
      lever: 'none',
      headline: 'Leave the recipe',
      change: 'The recipe stays.',
      reason:
        'Neither leaf nor hours mend this batch without spoiling more. Look at lot and water, or ask a lead.',
      cup: inHand(j),
    });
  const [other] = found.runnerUp ? turnsBetween(j, asHandsCan(j, found.runnerUp.turns)) : [];
  const then = indicesOf(tasteOfBatch(j, after));
  return {
    rowId: 'cold-model',
    lever: turn.lever,
    headline: headline(turn),
    change: `${capital(changeOf(turn))}. ${staysOf(turns)}`,
    reason: COLD_REASONS[turn.lever] ?? '',
    turns,
    expected: { now: found.before, then },
    second: other ? { headline: headline(other), change: changeOf(other) } : null,
    partly: found.partlyMet,
    cup: inHand(j),
  };
}
