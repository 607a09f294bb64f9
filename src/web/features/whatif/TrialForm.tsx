import { useState } from 'react';
import type { Recipe } from '#core/recipes';
import type { Tea } from '#contracts/teas';
import { NotMade, useNewVersion } from '../../entities/teas/newVersion';
import { useGo } from '../../platform/useGo';
import { recipeTried, type Trying } from './trying';

type Props = {
  tea: Tea;
  recipe: Recipe;
  tried: Trying;
  home: Trying;
  newest: number;
  words: readonly string[];
  onDone: () => void;
};
/** Keeps what was tried as the trial recipe: beside the house recipe, for the bar to brew and judge. */
export function TrialForm({ tea, recipe, tried, home, newest, words, onDone }: Props) {
  const [reason, setReason] = useState(
    words.length ? `What if: other ${words.join(', ')}` : 'What if',
  );
  const making = useNewVersion(tea, newest);
  const go = useGo();
  const save = async () => {
    if (
      await making.save({
        as: 'trial',
        method: tea.method,
        recipe: recipeTried(recipe, tried, home),
        reason: reason.trim(),
        settles: [],
      })
    )
      go(`/book/${tea.id}`);
  };
  return (
    <form
      className="form mt-auto pt-3"
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      <label className="grid gap-1">
        <span className="text-[15px] font-semibold">Why</span>
        <input
          className="box"
          value={reason}
          maxLength={300}
          onChange={(e) => setReason(e.target.value)}
        />
      </label>
      {reason.trim() === '' && <p className="small">Say why: the next lead reads it.</p>}
      <NotMade making={making} />
      <div className="flex gap-2">
        <button type="submit" className="btn go" disabled={making.isSaving || reason.trim() === ''}>
          Put it on trial
        </button>
        <button type="button" className="btn quiet" onClick={onDone}>
          Not yet
        </button>
      </div>
    </form>
  );
}
