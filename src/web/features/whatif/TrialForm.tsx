import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { Tea } from '#contracts/book';
import type { Recipe } from '#core/recipes';
import { failureOf } from '../../app/api';
import { newId } from '../../app/ids';
import { useAddVersionMutation } from '../../app/records';
import { useAppDispatch } from '../../app/store';
import { toastShown } from '../../app/toasts';
import { Note } from '../../ui/Note';
import { recipeTried, type Trying } from './trying';

/** Keeps what was tried as the trial recipe: beside the house recipe, for the bar to brew and judge. */
export function TrialForm({ tea, recipe, tried, newest, words, onDone }: { tea: Tea; recipe: Recipe; tried: Trying; newest: number; words: readonly string[]; onDone: () => void }) {
  const [reason, setReason] = useState(words.length ? `What if: other ${words.join(', ')}` : 'What if');
  const [id] = useState(newId);
  const [add, { error, isLoading }] = useAddVersionMutation();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const failure = error ? failureOf(error) : null;
  const newer = failure?.kind === 'answer' && failure.code === 'version.newer' ? Number(failure.details?.newest) : null;
  const [basedOn, setBasedOn] = useState(newest);
  const save = async () => {
    try {
      const made = await add({ id: tea.id, body: { id, basedOn, as: 'trial', recipe: recipeTried(recipe, tried), reason: reason.trim(), settles: [] } }).unwrap();
      dispatch(toastShown({ text: `${tea.name}: version ${made.number} is on trial.` }));
      navigate(`/book/${tea.id}`);
    } catch {
      // shown below, beside what was typed
    }
  };
  return (
    <form className="form mt-auto pt-3" onSubmit={(e) => { e.preventDefault(); void save(); }}>
      <label className="grid gap-1"><span className="text-[15px] font-semibold">Why</span><input className="box" value={reason} maxLength={300} onChange={(e) => setReason(e.target.value)} /></label>
      {reason.trim() === '' && <p className="small">Say why: the next lead reads it.</p>}
      {failure && <Note bad action={newer !== null && <button type="button" className="btn slim" onClick={() => setBasedOn(newer)}>Theirs seen</button>}><b>Not saved.</b> {failure.message}</Note>}
      <div className="flex gap-2"><button type="submit" className="btn go" disabled={isLoading || reason.trim() === ''}>Put it on trial</button><button type="button" className="btn quiet" onClick={onDone}>Not yet</button></div>
    </form>
  );
}
