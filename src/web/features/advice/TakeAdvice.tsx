import { adviceHead, pooledWords } from '#core/corrections';
import { movedRecipe } from '#core/recipes';
import { versionOfTheHouse } from '#core/teas';
import { celsius, gramsPer100Ml, seconds } from '#core/units';
import type { TeaAdvice } from '#contracts/advice';
import type { TeaPage } from '#contracts/teas';
import { useSession } from '../../entities/people/session';
import { NotMade, useNewVersion } from '../../entities/teas/newVersion';
import { useGo } from '../../platform/useGo';

/** For a lead: the change on offer as a version, on trial or for the house. */
export function TakeAdvice({
  page: { tea, versions },
  found,
  isClear,
}: {
  page: TeaPage;
  found: TeaAdvice;
  isClear: boolean;
}) {
  const { role } = useSession();
  const go = useGo();
  const mine = versions.filter((v) => v.method === found.method);
  const making = useNewVersion(tea, mine[0]?.number ?? 0);
  const house = versionOfTheHouse(tea, found.method)?.recipe;
  const { change } = found.advice;
  if (!change || !house) return null;
  if (role !== 'lead')
    return <p className="small mt-4">A lead can make a version from this change.</p>;
  const { gPer100ml, temperatureC, seconds: best } = change.rounded;
  const take = async (as: 'trial' | 'house') => {
    const recipe = movedRecipe(house, {
      dose: gramsPer100Ml(gPer100ml),
      ...{ temperature: celsius(temperatureC), best: seconds(best) },
    });
    const { why } = adviceHead(found.counted, found.advice);
    const reason = `What the cups say: ${why} Before it: ${pooledWords(found.advice)}.`;
    const made = await making.save({
      ...{ as, method: found.method, recipe, reason: reason.slice(0, 300), settles: [] },
      expected: change.expected,
    });
    if (made) go(`/book/${tea.id}`);
  };
  return (
    <>
      <NotMade making={making} />
      <div className="foot">
        <button
          type="button"
          className={`btn ${isClear ? 'go' : ''}`}
          disabled={making.isSaving}
          onClick={() => void take('trial')}
        >
          Make it a trial
        </button>
        <button
          type="button"
          className="btn"
          disabled={making.isSaving}
          onClick={() => void take('house')}
        >
          Make it the house recipe
        </button>
      </div>
    </>
  );
}
