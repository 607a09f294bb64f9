import { type DoneBrew, leafAsWeighed } from '#core/brews';
import {
  cupOfBrew,
  doseOfRecipe,
  type Evidence,
  leversOf,
  plannedCup,
  type TasterError,
  verdictWords,
} from '#core/corrections';
import type { Brewing } from '#core/cup';
import { type Recipe, recipeAsWeighed, type Weighing, type Wish, wishWords } from '#core/recipes';
import type { Multipliers, StyleId } from '#core/styles';
import {
  capital,
  epochMs,
  minutesText,
  numberText,
  seconds,
  secondsBetween,
  signedText,
} from '#core/units';
import type { AdviceCup } from '#contracts/advice';
import type { JudgedBrew } from './repository';

/** Which recipe and where the advice is for. */
export type Asked = {
  readonly style: StyleId;
  readonly fitted: Multipliers | null;
  readonly recipe: Recipe;
  /** What a spoon of the tea weighs, where one was weighed. */
  readonly weighing: Weighing | null;
  readonly siteId: string;
  readonly kettle: string | null;
  /** Those who sat in a calibration. */
  readonly tasters: ReadonlyMap<string, TasterError>;
};
/** One judged brew as evidence, and as it is listed. */
export type JudgedCup = {
  readonly evidence: Evidence;
  readonly versionId: string;
  readonly listed: Omit<AdviceCup, 'isSlip'>;
};

/** Recorded in place of the card, in a few words. */
function recordedWords(
  { leafShare, heatOff, notWarmed, stirsLeftOut, kettleWait }: Omit<DoneBrew, 'brew'>,
  wish: Wish | null | undefined,
): string {
  const parts: string[] = wish ? [`made for a guest: ${wishWords(wish)}`] : [];
  if (leafShare !== null) {
    const by = Math.round(100 * (leafShare - 1));
    parts.push(
      by === 0 ? 'leaf weighed as planned' : `leaf weighed, ${by > 0 ? '+' : '−'}${Math.abs(by)} %`,
    );
  }
  if (heatOff !== null)
    parts.push(`heat read, ${heatOff >= 0 ? '+' : '−'}${numberText(Math.abs(heatOff), 0)} °C`);
  else if (kettleWait && Math.round(kettleWait.off) !== 0)
    parts.push(
      `waited ${minutesText(kettleWait.waited)} off the boil, ${signedText(kettleWait.off, 0)} °C`,
    );
  if (notWarmed) parts.push('vessel not warmed');
  if (stirsLeftOut > 0) parts.push('stirs left out');
  return capital(parts.join(', '));
}

/** Judged brews as evidence, the oldest first. A later steep says what the first left, and is no evidence of the recipe. */
export function judgedCups(rows: readonly JudgedBrew[], asked: Asked): JudgedCup[] {
  const plans = new Map<string, Brewing>();
  let lot: string | null | undefined;
  return [...rows].reverse().flatMap((row): JudgedCup[] => {
    const { verdict, waterOn, pulled, version } = row;
    if (!verdict || !waterOn || !pulled || row.plan.steep) return [];
    const recipe = recipeAsWeighed(version.recipe, asked.weighing);
    const kept = leafAsWeighed(row.plan, asked.weighing);
    const on = epochMs(waterOn.getTime());
    const steeped = secondsBetween(on, epochMs(pulled.getTime()));
    const isNewLot = lot !== undefined && row.lotId !== null && row.lotId !== lot;
    lot = row.lotId ?? lot;
    const cup = {
      ...{ id: row.id, style: asked.style, verdict },
      // As the tea is known now.
      plan: { ...kept, fitted: asked.fitted },
      // A hand is no surer than a second.
      recorded: {
        ...{ steeped: seconds(Math.max(1, Math.round(steeped))), waterOn: on },
        ...{ marks: row.marks, readings: row.readings, outs: row.outs ?? undefined },
      },
      // By its version: leaf that went back changed the brew’s own window.
      ...{ brewedBy: doseOfRecipe(recipe), asked: doseOfRecipe(asked.recipe) },
      newLot: isNewLot,
      taster: row.by ? asked.tasters.get(row.by.id) : undefined,
      elsewhere: row.siteId !== asked.siteId || row.kettle !== (asked.kettle ?? row.kettle),
    };
    const vessel = row.vessel ?? kept.vessel.name;
    const key =
      [row.versionId, vessel, kept.leaf, kept.water, kept.onLeaf].join(' ') +
      JSON.stringify(kept.wish ?? null);
    const planned = plans.get(key) ?? plannedCup(cup);
    plans.set(key, planned);
    const { evidence, done } = cupOfBrew({ ...cup, planned });
    return [
      {
        ...{ evidence, versionId: row.versionId },
        listed: {
          ...{ id: row.id, at: row.startedAt.getTime(), vessel, by: row.by },
          ...{ version: version.number, verdict: capital(verdictWords(verdict)) },
          recorded: recordedWords(done, kept.wish),
          proposed: row.proposal ? leversOf(row.proposal) : [],
          left:
            row.leftOutWhy !== null && row.leftOutBy
              ? { why: row.leftOutWhy, by: row.leftOutBy }
              : null,
        },
      },
    ];
  });
}
