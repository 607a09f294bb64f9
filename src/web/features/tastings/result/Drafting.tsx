import { useState } from 'react';
import { Link } from 'react-router';
import type { Recipe } from '#core/recipes';
import { type Advice, housePour, recipeAt } from '#core/tastings';
import type { Seconds } from '#core/units';
import type { Version } from '#contracts/recipes';
import type { OpenTasting } from '#contracts/tastings';
import type { TeaPage } from '#contracts/teas';
import { useTeaQuery } from '../../../entities/teas/api';
import { NotMade, useNewVersion } from '../../../entities/teas/newVersion';
import { exerciseName } from '../cups';

/** The advice as a draft of the recipe, with this tasting as its reason. */
export function DraftOf({
  view,
  advice,
  head,
}: {
  view: OpenTasting;
  advice: Advice;
  head: string;
}) {
  const { data } = useTeaQuery(view.tea.id);
  // Its place is kept: what is below would move from under a finger.
  if (!data) return <DraftButton words="Draft a version" />;
  return <Drafting view={view} advice={advice} head={head} page={data} />;
}

function Drafting({
  view,
  advice,
  head,
  page,
}: {
  view: OpenTasting;
  advice: Advice;
  head: string;
  page: TeaPage;
}) {
  const of = page.versions.find((v) => v.id === view.version.id);
  const newest = Math.max(
    ...page.versions
      .filter((v) => v.method === (of?.method ?? page.tea.method))
      .map((v) => v.number),
    0,
  );
  const making = useNewVersion(page.tea, newest);
  const [made, setMade] = useState(false);
  if (!of) return null;
  const { way, cups } = view.exercise;
  const changed = (): Recipe => {
    const r = view.version.recipe;
    const { to } = advice;
    const moved =
      to === null ? r : recipeAt(r, { ...housePour(r, cups[0]?.plan.water ?? 100), [way]: to });
    return advice.latest === null
      ? moved
      : { ...moved, window: { ...moved.window, latest: advice.latest as Seconds } };
  };
  const draft = async (version: Version) => {
    const who = `${exerciseName(view)}, ${view.exercise.tasters.length} tasters.`;
    const kept = await making.save({
      as: 'draft',
      method: version.method,
      recipe: changed(),
      reason: `${who} ${head}`.slice(0, 300),
      settles: [],
    });
    setMade(kept !== null);
  };
  if (made)
    return (
      <p className="mt-2 font-semibold">
        Kept as a draft.{' '}
        <Link className="underline" to={`/book/${view.tea.id}/versions`}>
          See it beside the house recipe
        </Link>
      </p>
    );
  return (
    <>
      <NotMade making={making} />
      <DraftButton
        words={`Draft version ${newest + 1}`}
        onDraft={making.isSaving ? undefined : () => void draft(of)}
      />
    </>
  );
}

/** Without an act it waits: for the tea, or for the answer. */
function DraftButton({ words, onDraft }: { words: string; onDraft?: () => void }) {
  return (
    <div className="flex gap-2 mt-3">
      <button type="button" className="btn go" disabled={!onDraft} onClick={onDraft}>
        {words}
      </button>
    </div>
  );
}
