import { useState } from 'react';
import {
  cupOfBrew,
  houseDoseOf,
  metCup,
  preparedCup,
  type Proposal,
  proposalOfAll,
  recipeAdvice,
  seedOfVersion,
  type Verdict,
} from '#core/corrections';
import { houseBrew, movedRecipe } from '#core/recipes';
import { celsius, gramsPer100Ml, seconds, secondsBetween } from '#core/units';
import type { TeaAdvice } from '#contracts/advice';
import type { BarBrew } from '../../entities/brews/barBrews';
import { useAdviceQuery } from '../../entities/teas/adviceApi';

/** What all other judged cups of a brew’s recipe say, once that is known here; null where there are none, or it cannot be read. */
export type OtherCups =
  { readonly isKnown: false } | { readonly isKnown: true; readonly found: TeaAdvice | null };
/** As it was first read: what another tablet judges meanwhile would change the advice under a finger. */
export function useOtherCups(brew: BarBrew): OtherCups {
  const { data, isLoading } = useAdviceQuery(brew.tea.id);
  const [held, setHeld] = useState<OtherCups>({ isKnown: false });
  if (!held.isKnown && !isLoading) {
    const speaks = data && data.counted > 0 && data.method === brew.method && !brew.plan.steep;
    setHeld({ isKnown: true, found: speaks ? data : null });
  }
  return held;
}

/** The proposal for a cup so judged, from all cups of its recipe and this one. */
export function withAllCups(
  found: TeaAdvice | null,
  { brew, verdict, alone }: { brew: BarBrew; verdict: Verdict; alone: Proposal },
): Proposal {
  const { plan, state, tea } = brew;
  if (!found || state.kind !== 'pulled') return alone;
  const { evidence } = cupOfBrew({
    ...{ id: brew.id, style: tea.style, plan, verdict },
    recorded: {
      ...{ steeped: secondsBetween(state.waterOn, state.pulled), waterOn: state.waterOn },
      ...{ marks: brew.marks, readings: brew.readings, outs: brew.outs },
    },
    // The house recipe’s own best time: leaf that went back changed the brew’s.
    brewedBy: brew.versionId === found.version.id ? found.recipe : houseDoseOf(plan),
    asked: found.recipe,
    taster: found.taster,
  });
  const believed = { ...found.belief, cups: found.counted };
  const { belief } = metCup(believed, preparedCup(evidence), found.doubts);
  const asked = movedRecipe(plan.recipe, {
    dose: gramsPer100Ml(found.recipe.gPer100ml),
    temperature: celsius(found.recipe.temperatureC),
    best: seconds(found.recipe.seconds),
  });
  const advice = recipeAdvice(belief, {
    brew: houseBrew({ style: tea.style, fitted: plan.fitted ?? null }, asked),
    ...{ style: tea.style, seed: seedOfVersion(found.version.id), doubts: found.doubts },
  });
  return proposalOfAll(alone, {
    ...{ cups: found.counted + 1, advice },
    ...{ recipe: found.recipe, brew: evidence.done },
  });
}
