import { brewInStages } from '#core/cup';
import {
  type ColdCard,
  type ColdFault,
  type Method,
  type Recipe,
  type ServingGlass,
  type TeaFacts,
  type Window,
  workOutCold,
} from '#core/recipes';
import { characterOf } from '#core/styles';
import {
  type Celsius,
  celsius,
  type Grams,
  grams,
  type Millilitres,
  millilitres,
  type Seconds,
  seconds,
} from '#core/units';
import type { VesselFacts } from '#core/vessels';
import { type Chill, chillOf, hours, iceForWarmStart } from './chill';
import { type ColdSteep, coldYield, sameBodyAt } from './course';
import type { KeepingLimits } from './keeping';
import { type HouseLimits, limitsFor } from './limits';

/** Where a batch stands. */
export type ColdPlace = 'fridge' | 'counter';
/** What a batch was begun with. It never changes after leaf in, whatever becomes of recipe, fridge or limits. */
export type BatchPlan = {
  readonly method: Method;
  readonly place: ColdPlace;
  readonly water: Millilitres;
  readonly waterAt: Celsius;
  /** Ice in place of so much of the water; 0: none. */
  readonly ice: Grams;
  readonly leaf: Grams;
  readonly hotFirst: ColdCard['hotFirst'];
  /** What runs off the leaf, and what pressed leaf gives. */
  readonly liquor: Millilitres;
  readonly squeezedLiquor: Millilitres;
  /** An extract in the glass. */
  readonly glasses: readonly ServingGlass[];
  /** When to lift, in this fridge. */
  readonly window: Window;
  readonly start: Celsius;
  readonly tau: Seconds;
  /** The air it was worked out for. */
  readonly air: Celsius;
  /** Until it is cold; null: never in this air. */
  readonly coldAfter: Seconds | null;
  readonly keeping: KeepingLimits;
};

export type BatchAsked = {
  readonly tea: TeaFacts;
  readonly recipe: Recipe;
  readonly method: Method;
  readonly vessel: VesselFacts;
  readonly water: Millilitres;
  readonly waterAt: Celsius;
  /** Air of the fridge. */
  readonly air: Celsius;
  /** Air of the room: a counter brew stands in it. */
  readonly ambient: Celsius;
  /** Of the site, as they are now. */
  readonly limits: HouseLimits;
};
export type BatchPlanned = {
  readonly kind: 'plan';
  readonly plan: BatchPlan;
  readonly card: ColdCard;
  readonly chill: Chill;
  /** The recipe's own window, where it was made. */
  readonly recipeWindow: Window;
};

/** Where a cold recipe's hours were found. */
const REFERENCE_AIR = celsius(4);

type Part = { readonly water: Millilitres; readonly at: Celsius };
/** The two waters of a warm start as they meet: the hot one after its minutes on the leaf, and the cold. */
function warmParts(a: BatchAsked, { hotFirst, leaf }: ColdCard): { hot: Part; cold: Part } | null {
  const start = a.recipe.warmStart;
  if (!hotFirst || !start) return null;
  const { endsAt } = brewInStages(
    { character: characterOf(a.tea.style), leaf, material: 'none', ambient: a.ambient },
    [{ add: hotFirst.water, temperature: hotFirst.temperature, time: start.time, lid: false }],
  );
  return {
    hot: { water: hotFirst.water, at: endsAt },
    cold: { water: millilitres(a.water - hotFirst.water), at: a.waterAt },
  };
}
const mixed = ({ hot, cold }: { hot: Part; cold: Part }): Celsius =>
  celsius((hot.water * hot.at + cold.water * cold.at) / (hot.water + cold.water));

/** Ice that makes it cold in time, taken in place of cold water; none where it is so without, or never can be. */
function iceFor(chill: Chill, warm: { hot: Part; cold: Part } | null): Grams {
  if (chill.inTime || chill.ice === null || chill.waterAtMost === null) return grams(0);
  return warm ? iceForWarmStart(warm.hot, warm.cold, chill.waterAtMost) : chill.ice;
}
/** Each end of the window where the same body is reached here; where it will not be, the recipe's own. */
function windowHere(here: ColdSteep, reference: ColdSteep, w: Window): Window {
  const found = [w.earliest, w.best, w.latest].map((t) => sameBodyAt(here, reference, t) ?? t);
  const [earliest = w.earliest, best = w.best, latest = w.latest] = found.map((t) =>
    seconds(Math.round(t / 60) * 60),
  );
  return { earliest, best, latest };
}

/** A cold recipe worked out for one vessel and one fridge, or why it cannot be. */
export function planBatch(a: BatchAsked): BatchPlanned | ColdFault {
  const card = workOutCold(a.tea, a.recipe, a.vessel, a.water);
  if (card.kind !== 'coldCard') return card;
  const place: ColdPlace = a.method === 'counter' ? 'counter' : 'fridge';
  const air = place === 'counter' ? a.ambient : a.air;
  const warm = warmParts(a, card);
  const character = characterOf(a.tea.style);
  const steep: ColdSteep = {
    water: a.water,
    leaf: card.leaf,
    material: a.vessel.material,
    capacity: a.vessel.brim,
    wallAt: a.ambient,
    leafAt: a.ambient,
    waterAt: warm ? mixed(warm) : a.waterAt,
    character,
    air,
  };
  const keeping = limitsFor(a.limits, warm !== null);
  const chill = chillOf(steep, air, keeping.limit, hours(keeping.coolHours));
  // With the ice it is as if the water had been as cold as it may be at most.
  const ice = place === 'fridge' ? iceFor(chill, warm) : grams(0);
  const iced =
    ice > 0 && chill.waterAtMost !== null ? { ...steep, waterAt: chill.waterAtMost } : steep;
  const begun = chillOf(iced, air, keeping.limit, hours(keeping.coolHours));
  const reference: ColdSteep = {
    ...steep,
    air: place === 'counter' ? a.ambient : REFERENCE_AIR,
    waterAt: a.recipe.temperature,
  };
  return {
    kind: 'plan',
    card,
    chill,
    recipeWindow: a.recipe.window,
    plan: {
      method: a.method,
      place,
      water: a.water,
      waterAt: a.waterAt,
      ice,
      leaf: card.leaf,
      hotFirst: card.hotFirst,
      liquor: card.liquor,
      squeezedLiquor: coldYield(
        { water: a.water, leaf: card.leaf, held: character.held },
        { dead: a.vessel.dead, squeeze: true },
      ),
      glasses: a.recipe.glasses,
      window: warm ? a.recipe.window : windowHere(iced, reference, a.recipe.window),
      start: begun.start,
      tau: begun.tau,
      air,
      coldAfter: place === 'counter' ? seconds(0) : begun.coldAfter,
      keeping,
    },
  };
}
