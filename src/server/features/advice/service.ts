import { doseOfRecipe, FITTED_PRIOR_SD, PRIOR_SD } from '#core/corrections';
import { isCold } from '#core/recipes';
import type { TeaAdvice } from '#contracts/advice';
import type { Deps } from '../../deps';
import { requireTea } from '../teas';
import { judgedCups } from './evidence';
import { judgedBrewsOf, kettleAt } from './repository';
import { ADVICE_TASKS } from './tasks';

/** What all judged cups of a tea say of its house recipe. Nothing is stored: the records always give the same. */
export function createAdviceService({ db, work }: Deps) {
  return {
    async ofTea(
      teaId: string,
      siteId: string,
      without: ReadonlySet<string>,
    ): Promise<{ advice: TeaAdvice | null }> {
      const tea = await requireTea(db, teaId);
      const { house, method, style, fitted } = tea;
      if (!house || isCold(method)) return { advice: null };
      const rows = await judgedBrewsOf(db, teaId, method);
      const kettle = await kettleAt(db, siteId);
      const cups = judgedCups(rows, { style, fitted, recipe: house.recipe, siteId, kettle });
      const used = cups.filter((cup) => !without.has(cup.evidence.id));
      const found = await work.run(ADVICE_TASKS.advise, {
        ...{ style, fitted, recipe: house.recipe, versionId: house.id },
        ...{ priorSd: fitted ? FITTED_PRIOR_SD : PRIOR_SD, cups: used.map((cup) => cup.evidence) },
      });
      const slips = new Set(found.slips);
      return {
        advice: {
          ...{ method, version: { id: house.id, number: house.number } },
          ...{ recipe: doseOfRecipe(house.recipe), advice: found.advice, scatter: found.scatter },
          belief: { mean: found.belief.mean, covariance: found.belief.covariance },
          counted: used.length,
          cups: cups
            .map(({ listed, evidence: { id } }) => ({
              ...{ ...listed, isSlip: slips.has(id), left: without.has(id) },
            }))
            .reverse(),
        },
      };
    },
  };
}
