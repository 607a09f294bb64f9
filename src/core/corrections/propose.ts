import { type Brewing, outsideLimits } from '#core/cup';
import type { StyleId } from '#core/styles';
import { capital } from '#core/units';
import { nearsRecipe, type RecipePoint, turned } from './levers';
import { isRight, type Mark, type Verdict } from './marks';
import { fits, type Judged, overOf, plainProposal, type Proposal } from './proposal';
import { NO_RESCUE, rescueOf } from './rescue';
import { type Answer, JUDGED, type Marks, predict, type Search, searchCorrection } from './search';
import { strayed } from './strayed';
import { CORRECTION_TABLE, type CorrectionRow, LEVER_REASONS } from './table';
import { asTheBarCan, changeOf, headlineOf, restOf, type Turn, turnsBetween } from './words';

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
