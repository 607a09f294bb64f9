import { foundBest, isRight } from '#core/corrections';
import { movedRecipe } from '#core/recipes';
import { minutesText, secondsBetween } from '#core/units';
import type { Brew } from '#contracts/brews';
import type { TeaPage } from '#contracts/teas';
import { useSession } from '../../entities/people/session';
import { useTeaQuery } from '../../entities/teas/api';
import { NotMade, useNewVersion } from '../../entities/teas/newVersion';
import { useGo } from '../../platform/useGo';

/** A steep that was tasted until it was right: a lead makes its time the recipe's best. */
export function FoundTime({ brew }: { brew: Brew }) {
  const { role } = useSession();
  const { data } = useTeaQuery(brew.tea.id);
  const { state, plan, tastes = [], verdict } = brew;
  if (!plan.explore || !('pulled' in state)) return null;
  const wasRight = verdict ? isRight(verdict) : tastes.at(-1)?.mark === 0;
  const found = foundBest(plan.explore.best, secondsBetween(state.waterOn, state.pulled));
  if (!wasRight || found === null || plan.wish) return null;
  if (role !== 'lead')
    return <p className="small">A lead can make {minutesText(found)} the best time.</p>;
  return data ? <TakeTime page={data} brew={brew} found={found} /> : null;
}

function TakeTime({
  page: { tea, versions },
  brew,
  found,
}: {
  page: TeaPage;
  brew: Brew;
  found: NonNullable<ReturnType<typeof foundBest>>;
}) {
  const go = useGo();
  const mine = versions.filter((v) => v.method === brew.method);
  const making = useNewVersion(tea, mine[0]?.number ?? 0);
  const brewed = versions.find((v) => v.id === brew.versionId);
  if (!brewed) return null;
  const take = async () => {
    const { dose, temperature } = brewed.recipe;
    const made = await making.save({
      ...{ as: 'trial', method: brew.method, settles: [] },
      recipe: movedRecipe(brewed.recipe, { dose, temperature, best: found }),
      reason: `Found by tasting: right at ${minutesText(found)}.`,
    });
    if (made) go(`/book/${tea.id}`);
  };
  return (
    <>
      <NotMade making={making} />
      <button type="button" className="btn" disabled={making.isSaving} onClick={() => void take()}>
        Try {minutesText(found)} as the best time
      </button>
    </>
  );
}
