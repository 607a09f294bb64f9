import { asDone, toModelInput } from '#core/brews';
import {
  type Evidence,
  isRight,
  JUDGED,
  type Marks,
  type RecipeDose,
  unitsBetween,
  USUAL_TASTER,
  type Verdict,
  verdictWords,
} from '#core/corrections';
import type { Brewing } from '#core/cup';
import type { Recipe } from '#core/recipes';
import type { Multipliers, StyleId } from '#core/styles';
import { capital, epochMs, numberText, seconds, secondsBetween } from '#core/units';
import type { AdviceCup } from '#contracts/advice';
import type { JudgedBrew } from './repository';

/** What a recipe is turned by: its own dose, heat and best time. */
export const doseOf = (recipe: Recipe): RecipeDose => ({
  ...{ gPer100ml: recipe.dose, temperatureC: recipe.temperature, seconds: recipe.window.best },
});
/** A colour that was left alone was not looked at, unless the cup was called right as it was. */
function marksOf(verdict: Verdict): Marks {
  const all = JUDGED.map((index) => [index, verdict[index]] as const);
  const isLooked = isRight(verdict) || verdict.colour !== 0;
  return Object.fromEntries(all.filter(([index]) => index !== 'colour' || isLooked));
}

/** Which recipe and where the advice is for. */
export type Asked = {
  readonly style: StyleId;
  readonly fitted: Multipliers | null;
  readonly recipe: Recipe;
  readonly siteId: string;
  readonly kettle: string | null;
};
/** One judged brew as evidence, and as it is listed. */
export type JudgedCup = {
  readonly evidence: Evidence;
  readonly listed: Omit<AdviceCup, 'left' | 'isSlip'>;
};

/** Recorded in place of the card, in a few words. */
function recordedWords(leafShare: number | null, heatOff: number | null): string {
  const parts: string[] = [];
  if (leafShare !== null) {
    const by = Math.round(100 * (leafShare - 1));
    parts.push(
      by === 0 ? 'leaf weighed as planned' : `leaf weighed, ${by > 0 ? '+' : '−'}${Math.abs(by)} %`,
    );
  }
  if (heatOff !== null)
    parts.push(`heat read, ${heatOff >= 0 ? '+' : '−'}${numberText(Math.abs(heatOff), 0)} °C`);
  return capital(parts.join(', '));
}

/** Judged brews as evidence, the oldest first. A later steep says what the first left, and is no evidence of the recipe. */
export function judgedCups(rows: readonly JudgedBrew[], asked: Asked): JudgedCup[] {
  const plans = new Map<string, Brewing>();
  let lot: string | null | undefined;
  return [...rows].reverse().flatMap((row): JudgedCup[] => {
    const { verdict, waterOn, pulled, plan: kept, version } = row;
    if (!verdict || !waterOn || !pulled || kept.steep) return [];
    // As the tea is known now, and by the window of its version: leaf that went back changed the brew’s own.
    const plan = { ...kept, fitted: asked.fitted };
    const best = seconds(version.recipe.window.best);
    const key = [row.versionId, row.vessel, plan.leaf, plan.water, plan.onLeaf].join(' ');
    const planned = plans.get(key) ?? toModelInput(plan, asked.style, best);
    plans.set(key, planned);
    const steeped = secondsBetween(epochMs(waterOn.getTime()), epochMs(pulled.getTime()));
    const done = asDone(plan, asked.style, {
      // A hand is no surer than a second.
      ...{
        steeped: seconds(Math.max(1, Math.round(steeped))),
        waterOn: epochMs(waterOn.getTime()),
      },
      ...{ marks: row.marks, readings: row.readings },
    });
    const isNewLot = lot !== undefined && row.lotId !== null && row.lotId !== lot;
    lot = row.lotId ?? lot;
    return [
      {
        evidence: {
          ...{ id: row.id, plan: planned, done: done.brew },
          ...{ leafWeighed: done.leafShare !== null, heatRead: done.heatOff !== null },
          moved: unitsBetween(doseOf(version.recipe), doseOf(asked.recipe)),
          ...{ marks: marksOf(verdict), taster: USUAL_TASTER, newLot: isNewLot },
          elsewhere: row.siteId !== asked.siteId || row.kettle !== (asked.kettle ?? row.kettle),
        },
        listed: {
          ...{ id: row.id, at: row.startedAt.getTime(), vessel: row.vessel, by: row.by },
          ...{ version: version.number, verdict: capital(verdictWords(verdict)) },
          recorded: recordedWords(done.leafShare, done.heatOff),
        },
      },
    ];
  });
}
