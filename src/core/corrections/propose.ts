import { type KettleWait, pullTiming } from '#core/brews';
import { type Brewing, outsideLimits } from '#core/cup';
import type { Recipe } from '#core/recipes';
import { type StyleId, styleOf } from '#core/styles';
import { capital, type Celsius, celsius, minutesText, numberText } from '#core/units';
import { nearsRecipe, type RecipePoint, turned } from './levers';
import { isRight, type Mark, type Verdict } from './marks';
import type { ProposedLever } from './names';
import { type CupInHand, NO_RESCUE, rescueOf } from './rescue';
import {
  type Answer,
  type Indices,
  JUDGED,
  type Marks,
  predict,
  type Search,
  searchCorrection,
} from './search';
import {
  type Circumstance,
  CORRECTION_TABLE,
  type CorrectionRow,
  LEVER_REASONS,
  rowFits,
} from './table';
import { asTheBarCan, changeOf, headlineOf, restOf, type Turn, turnsBetween } from './words';

export type Judged = {
  readonly verdict: Verdict;
  readonly recipe: Recipe;
  readonly style: StyleId;
  /** As it was brewed: leaf, heat on the leaf, seconds steeped. */
  readonly brew: Brewing;
  readonly warmed: boolean;
  /** Leaf on the scale over the card’s; absent or null: not weighed. */
  readonly leafShare?: number | null;
  /** Heat on the leaf less the card’s, °C; absent or null: not read. */
  readonly heatOff?: Celsius | null;
  /** How long the water waited off the boil; absent or null: not known. */
  readonly kettleWait?: KettleWait | null;
  /** Share of the recipe's stirs that were left out; absent: none. */
  readonly stirsLeftOut?: number;
  /** Opened leaf against its basket; null when free. */
  readonly crowding: number | null;
  /**
   * A lot that is being dialled in: where its house recipe stands. Only leaf, heat and time are turned, and nothing
   * is looked for first: the lot is new.
   */
  readonly dialIn?: RecipePoint;
};
/** One correction for the next brew, with what the model expects of it. */
export type Proposal = {
  readonly rowId: string;
  readonly lever: ProposedLever;
  readonly headline: string;
  readonly change: string;
  readonly reason: string;
  readonly turns: readonly Turn[];
  /**
   * Predicted indices of this brew and of the corrected one, as the bar can brew it; null when nothing is predicted.
   */
  readonly expected: { readonly now: Indices; readonly then: Indices } | null;
  /** The next best single lever: the two are often near a tie. */
  readonly second: { readonly headline: string; readonly change: string } | null;
  /** The levers answer only part of the complaint. */
  readonly partly: boolean;
  readonly cup: CupInHand;
};

const overOf = (v: Verdict) => ({
  strength: Math.max(0, v.strength),
  bitterness: Math.max(0, v.bitterness, v.astringency),
});

function holds(c: Circumstance, j: Judged): boolean {
  const s = styleOf(j.style);
  switch (c) {
    case 'coldVessel':
      return j.recipe.warm && !j.warmed;
    case 'smallInfuser':
      return j.crowding !== null && j.crowding > 1;
    case 'shortRecipe':
      return j.recipe.window.best < s.start.earliest;
    case 'longRecipe':
      return j.recipe.window.best > s.start.latest;
    case 'hotForStyle':
      return j.recipe.temperature > s.start.temperature + 3;
  }
}
const fits = (row: CorrectionRow, j: Judged): boolean =>
  rowFits(row, j.verdict, (circumstance) => holds(circumstance, j));

/** A proposal without a prediction. */
type Plain = Pick<Proposal, 'rowId' | 'lever' | 'headline' | 'change' | 'reason' | 'cup'>;
export const plainProposal = (p: Plain): Proposal => ({
  ...p,
  turns: [],
  expected: null,
  second: null,
  partly: false,
});

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
function strayed(j: Judged): Proposal | null {
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

/** Findings that the trade meets by looking before turning anything: the model knows nothing of stale leaf or lamps. */
function lookFirst(j: Judged): Proposal | null {
  const off = JUDGED.filter((k) => j.verdict[k] !== 0);
  const row = CORRECTION_TABLE.find((r) => fits(r, j));
  if (off.length !== 1 || row?.levers[0] !== 'checkLot') return null;
  return plainProposal({
    rowId: row.id,
    lever: 'checkLot',
    headline: 'Check lot and water',
    change: 'The recipe stays.',
    reason: row.reason,
    cup: rescueOf(row.rescue, j.brew, overOf(j.verdict)),
  });
}

/** Tasted and right counts as right; a colour left alone was perhaps not looked at. */
const marksOf = (v: Verdict): Marks =>
  Object.fromEntries(
    JUDGED.filter((k) => k !== 'colour' || v.colour !== 0).map((k) => [k, v[k] as Mark]),
  );

/**
 * Two things are changed at once only where that mends the cup, or leads back to the recipe: half a mending is better
 * sought one step at a time.
 */
const worthTwo = (found: Search, brew: Brewing, style: StyleId, home: RecipePoint): boolean =>
  !found.partlyMet ||
  found.best.levers.every((l) =>
    nearsRecipe(brew, turned(brew, style, found.best.turns), l.lever, home),
  );

/** What a recipe itself says. */
const RECIPE_LEVERS = ['leafGrams', 'temperatureC', 'seconds'] as const;
/** Seconds from best that a hand does not tell apart. */
const BACK_TO_BEST = 5;

function byModel(j: Judged): Proposal {
  const { brew, style, recipe } = j;
  const home = j.dialIn ?? {
    leafGrams: (recipe.dose * brew.water) / 100,
    temperatureC: recipe.temperature,
    seconds: recipe.window.best,
  };
  const found = searchCorrection({
    style,
    brew,
    marks: marksOf(j.verdict),
    stillAlready: (brew.agitation ?? 'still') === 'still',
    recipe: home,
    ...(j.dialIn && { levers: RECIPE_LEVERS }),
  });
  const row = CORRECTION_TABLE.find((r) => fits(r, j));
  const cup = rescueOf(row?.rescue ?? 'none', brew, overOf(j.verdict));
  const done = (a: Answer) => asTheBarCan(brew, style, a.turns);
  const best =
    found.best.levers.length > 1 && !worthTwo(found, brew, style, home)
      ? found.bestSingle
      : found.best;
  // To lift it at its best again is no change of the recipe: where that mends only part, the next best lever is said.
  const [back, ...more] = turnsBetween(brew, done(best));
  const onlyBack =
    found.partlyMet &&
    more.length === 0 &&
    (back?.lever === 'shorter' || back?.lever === 'longer') &&
    Math.abs(back.to - recipe.window.best) <= BACK_TO_BEST;
  const chosen = onlyBack && found.runnerUp ? found.runnerUp : best;
  const after = done(chosen);
  const turns = turnsBetween(brew, after);
  const [first, other] = turns;
  if (!first) {
    return plainProposal({
      rowId: 'end-of-range',
      lever: 'none',
      headline: 'Leave the recipe',
      change: 'The recipe stays.',
      reason:
        'No lever mends this within the style’s working range without spoiling more. ' +
        'Look at lot and water, or ask a lead.',
      cup,
    });
  }
  const second =
    found.runnerUp &&
    chosen !== found.runnerUp &&
    found.runnerUp.levers[0]?.lever !== found.bestSingle.levers[0]?.lever
      ? turnsBetween(brew, done(found.runnerUp))[0]
      : undefined;
  // The trade's own reason where it has one for this lever.
  const speaks = other
    ? undefined
    : CORRECTION_TABLE.find((r) => fits(r, j) && r.levers.includes(first.lever));
  return {
    rowId: row?.id ?? 'model',
    lever: other ? 'two' : first.lever,
    headline: other ? `${headlineOf(first)}, ${headlineOf(other)}` : headlineOf(first),
    change: other
      ? `${capital(changeOf(first))}; ${changeOf(other)}. Two things at once: one alone does not mend it.`
      : `${capital(changeOf(first))}. ${restOf(turns)}`.trim(),
    reason: reasonOf(speaks, other, first),
    turns,
    expected: { now: found.before, then: predict(after) },
    second: second ? { headline: headlineOf(second), change: changeOf(second) } : null,
    partly: found.partlyMet,
    cup,
  };
}

/** Why this is turned. */
function reasonOf(speaks: CorrectionRow | undefined, other: Turn | undefined, first: Turn) {
  if (speaks) return speaks.reason;
  if (other) return `${LEVER_REASONS[first.lever]} ${LEVER_REASONS[other.lever]}`;
  return LEVER_REASONS[first.lever];
}

/**
 * One correction for the next brew and one act for the cup in hand. Nothing off: keep it. Outside the model's limits
 * it says so and advises nothing.
 */
export function propose(j: Judged): Proposal {
  if (isRight(j.verdict))
    return plainProposal({
      rowId: 'right',
      lever: 'keep',
      headline: 'Keep it so',
      change: 'As it should be. The recipe stays.',
      reason: '',
      cup: NO_RESCUE,
    });
  const first = strayed(j) ?? (j.dialIn ? null : lookFirst(j));
  if (first) return first;
  const outside = outsideLimits(j.brew);
  if (outside) {
    return plainProposal({
      rowId: 'outside',
      lever: 'none',
      headline: 'No advice here',
      change: 'The recipe stays.',
      reason: `${outside} This brew lies outside that: taste, change one thing, and write it down.`,
      cup: NO_RESCUE,
    });
  }
  return byModel(j);
}
