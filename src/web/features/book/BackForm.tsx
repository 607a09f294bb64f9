import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { Tea, Version } from '#contracts/book';
import { failureOf } from '../../app/api';
import { newId } from '../../app/ids';
import { useAddVersionMutation, useAdoptVersionMutation } from '../../app/records';
import { useAppDispatch } from '../../app/store';
import { toastShown } from '../../app/toasts';
import { Note } from '../../ui/Note';

/** Going back writes a new version with the old one's recipe, and says why; a trial is taken as it is. */
export function BackForm({ tea, to, newest, onDone }: { tea: Tea; to: Version; newest: number; onDone: () => void }) {
  const trial = to.state === 'trial';
  const [reason, setReason] = useState(`Back to version ${to.number}`);
  const [id] = useState(newId);
  const [add, adding] = useAddVersionMutation();
  const [adopt, adopting] = useAdoptVersionMutation();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const error = adding.error ?? adopting.error;
  const failure = error ? failureOf(error) : null;
  const save = async () => {
    try {
      const made = trial ? await adopt(to.id).unwrap() : await add({ id: tea.id, body: { id, basedOn: newest, as: 'house', recipe: to.recipe, reason: reason.trim(), settles: [] } }).unwrap();
      dispatch(toastShown({ text: `${tea.name}: version ${made.number} is the house recipe.` }));
      navigate(`/book/${tea.id}`);
    } catch {
      // shown below, beside what was typed
    }
  };
  return (
    <form className="form mt-auto pt-3" onSubmit={(e) => { e.preventDefault(); void save(); }}>
      <p>{trial ? `Everyone brews version ${to.number} from now on.` : `Version ${newest + 1} will have the recipe of version ${to.number}. Nothing is lost.`}</p>
      {!trial && <label className="grid gap-1"><span className="text-[15px] font-semibold">Why</span><input className="box" value={reason} maxLength={300} onChange={(e) => setReason(e.target.value)} /></label>}
      {failure && <Note bad><b>Not saved.</b> {failure.message}</Note>}
      <div className="flex gap-2"><button type="submit" className="btn go" disabled={adding.isLoading || adopting.isLoading || reason.trim() === ''}>{trial ? 'Take it' : 'Go back'}</button><button type="button" className="btn quiet" onClick={onDone}>Not yet</button></div>
    </form>
  );
}
