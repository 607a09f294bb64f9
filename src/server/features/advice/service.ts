import { doseOfRecipe, doubtsOf, FITTED_PRIOR_SD, PRIOR_SD, USUAL_TASTER } from '#core/corrections';
import { isCold } from '#core/recipes';
import { measureOf } from '#core/teas';
import { grams } from '#core/units';
import type { TeaAdvice } from '#contracts/advice';
import type { Deps } from '../../deps';
import { AppError, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { inRecordedTransaction } from '../history';
import { tasterErrors } from '../tastings';
import { requireTea } from '../teas';
import { judgedCups } from './evidence';
import {
  heatsOffAt,
  judgedBrewsOf,
  kettleAt,
  leftOutOf,
  predictedVersion,
  setLeftOut,
} from './repository';
import { ADVICE_TASKS } from './tasks';

/** Spoons even each other out: as many as a usual pour takes, ml. */
const USUAL_POUR_ML = 500;

/** What all judged cups of a tea say of its house recipe. Nothing is stored: the records always give the same. */
export function createAdviceService(deps: Deps) {
  const { db, work } = deps;
  return {
    async ofTea(
      teaId: string,
      { siteId, personId }: Signed,
    ): Promise<{ advice: TeaAdvice | null }> {
      const tea = await requireTea(db, teaId);
      const { house, method, style, fitted } = tea;
      if (!house || isCold(method)) return { advice: null };
      const { weighing } = measureOf(tea);
      const rows = await judgedBrewsOf(db, teaId, method);
      const kettle = await kettleAt(db, siteId);
      const made = await predictedVersion(db, teaId, method);
      const tasters = await tasterErrors(db);
      const doubts = doubtsOf(
        weighing,
        grams(USUAL_POUR_ML * (house.recipe.dose / 100)),
        await heatsOffAt(db, siteId),
      );
      const of = { style, fitted, recipe: house.recipe, weighing, siteId, kettle, tasters };
      const cups = judgedCups(rows, of);
      const used = cups.filter((cup) => cup.listed.left === null);
      const ofMade = used.filter((cup) => cup.versionId === made?.id);
      const found = await work.run(ADVICE_TASKS.advise, {
        ...{ style, fitted, recipe: house.recipe, versionId: house.id },
        ...{
          priorSd: fitted ? FITTED_PRIOR_SD : PRIOR_SD,
          doubts,
          cups: used.map((cup) => cup.evidence),
        },
        predicted: ofMade.map((cup) => cup.evidence.id),
      });
      const slips = new Set(found.slips);
      return {
        advice: {
          ...{ method, version: { id: house.id, number: house.number } },
          ...{ recipe: doseOfRecipe(house.recipe), advice: found.advice, scatter: found.scatter },
          belief: { mean: found.belief.mean, covariance: found.belief.covariance },
          doubts,
          counted: used.length,
          taster: tasters.get(personId) ?? USUAL_TASTER,
          prediction: made?.expected
            ? {
                ...{ version: made.number, cups: ofMade.length },
                ...{ expected: made.expected, seen: found.seen },
              }
            : null,
          cups: cups
            .map(({ listed, evidence: { id } }) => ({ ...listed, isSlip: slips.has(id) }))
            .reverse(),
        },
      };
    },
    /** Leaves a judged cup out of the advice, or counts it again; done twice it is done once. */
    leaveOut: (brewId: string, why: string | null, who: Signed) =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const brew = await leftOutOf(tx, brewId);
        if (!brew) throw notFound('That brew');
        if (brew.state !== 'judged')
          throw new AppError('brew.cannot', 409, 'Only a judged cup is part of the advice.');
        if (brew.why === why) return {};
        await setLeftOut(tx, brewId, why, who.personId);
        const cup = brew.startedAt.toISOString();
        await record({
          ...{ thing: 'tea', id: brew.teaId },
          before: { leftOut: brew.why === null ? null : `${cup}: ${brew.why}` },
          after: { leftOut: why === null ? null : `${cup}: ${why}` },
        });
        return {};
      }),
  };
}
