import { useState } from 'react';
import type { Version } from '#contracts/recipes';
import type { Tea } from '#contracts/teas';
import { NotMade, useNewVersion } from '../../entities/teas/newVersion';
import { useGo } from '../../platform/useGo';
import { Note } from '../../ui/Note';
import { useMove } from './useMove';

/** Going back writes a new version with the old one's recipe, and says why; a trial is taken as it is. */
export function BackForm({
  tea,
  to,
  newest,
  onDone,
}: {
  tea: Tea;
  to: Version;
  newest: number;
  onDone: () => void;
}) {
  const trial = to.state === 'trial' || to.state === 'draft';
  const [reason, setReason] = useState(`Back to version ${to.number}`);
  const making = useNewVersion(tea, newest);
  const moving = useMove(tea);
  const go = useGo();
  const save = async () => {
    const made = trial
      ? await moving.move(to, 'house')
      : await making.save({
          as: 'house',
          method: to.method,
          recipe: to.recipe,
          reason: reason.trim(),
          settles: [],
        });
    if (made) go(`/book/${tea.id}`);
  };
  return (
    <form
      className="form mt-auto pt-3"
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      <p>
        {trial
          ? `Everyone brews version ${to.number} from now on.`
          : `Version ${making.next} will have the recipe of version ${to.number}. Nothing is lost.`}
      </p>
      {!trial && (
        <label className="grid gap-1">
          <span className="text-[15px] font-semibold">Why</span>
          <input
            className="box"
            value={reason}
            maxLength={300}
            onChange={(e) => setReason(e.target.value)}
          />
        </label>
      )}
      <NotMade making={making} />
      {moving.failure && (
        <Note bad>
          <b>Not taken.</b> {moving.failure.message}
        </Note>
      )}
      <div className="flex gap-2">
        <button
          type="submit"
          className="btn go"
          disabled={making.isSaving || moving.isSaving || reason.trim() === ''}
        >
          {trial ? 'Take it' : 'Go back'}
        </button>
        <button type="button" className="btn quiet" onClick={onDone}>
          Not yet
        </button>
      </div>
    </form>
  );
}
