import { useState } from 'react';
import { useForm } from 'react-hook-form';
import type { LeadNote, Tea, Version } from '#contracts/book';
import { failureOf } from '../../app/api';
import { newId } from '../../app/ids';
import { useAddVersionMutation } from '../../app/records';
import { useUnits } from '../../app/session';
import { useAppDispatch } from '../../app/store';
import { toastShown } from '../../app/toasts';
import { TextField } from '../../ui/fields';
import { Note } from '../../ui/Note';
import { RecipeFields } from './RecipeFields';
import { recipeFormOf, recipeOf, type RecipeForm } from './recipeForm';

type Form = RecipeForm & { reason: string };

/** A new house version from the one that stands; the old one stays on the brews that used it. */
export function VersionForm({ tea, house, notes, newest, onDone }: { tea: Tea; house: Version; notes: readonly LeadNote[]; newest: number; onDone: () => void }) {
  const { temperature } = useUnits();
  const form = useForm<Form>({ defaultValues: { ...recipeFormOf(house.recipe, temperature), reason: notes[0] ? `${notes[0].headline}: ${notes[0].found}`.slice(0, 200) : '' } });
  const [settled, setSettled] = useState<readonly string[]>(notes[0] ? [notes[0].id] : []);
  // What the lead was looking at when the form was opened, not what has come since.
  const [basedOn, setBasedOn] = useState(newest);
  const [id] = useState(newId);
  const [add, { error, isLoading }] = useAddVersionMutation();
  const dispatch = useAppDispatch();
  const failure = error ? failureOf(error) : null;
  const newer = failure?.kind === 'answer' && failure.code === 'version.newer' ? Number(failure.details?.newest) : null;
  const save = form.handleSubmit(async (v) => {
    const recipe = recipeOf(v, temperature, (name, message) => form.setError(name, { message }));
    if (v.reason.trim() === '') form.setError('reason', { message: 'Say why: the next lead reads it.' });
    if (!recipe || v.reason.trim() === '') return;
    try {
      const made = await add({ id: tea.id, body: { id, basedOn, as: 'house', recipe, reason: v.reason, settles: [...settled] } }).unwrap();
      dispatch(toastShown({ text: `${tea.name}: version ${made.number} is the house recipe.` }));
      onDone();
    } catch {
      // shown below, beside what was typed
    }
  });
  return (
    <form className="form" onSubmit={save} noValidate>
      <h1>{tea.name}</h1>
      <p>From version {house.number}. Everyone brews the new one from now on; version {house.number} is retired and stays on the brews that used it.</p>
      <RecipeFields form={form} usual={house.recipe.dose} />
      <TextField form={form} name="reason" label="Why" hint="In a line: what was found, what should be better." />
      {notes.length > 0 && (
        <fieldset className="grid gap-1"><legend className="text-[15px] font-semibold">Settles these notes</legend>
          {notes.slice(0, 8).map((n) => <label className="check" key={n.id}><input type="checkbox" checked={settled.includes(n.id)} onChange={(e) => setSettled((s) => (e.target.checked ? [...s, n.id] : s.filter((x) => x !== n.id)))} />{n.headline}, {n.by.name}</label>)}
        </fieldset>
      )}
      {failure && <Note bad action={newer !== null && <button type="button" className="btn slim" onClick={() => { setBasedOn(newer); }}>Theirs seen</button>}><b>Not saved.</b> {failure.message} {basedOn === newer ? 'Theirs seen: save again to make yours the next.' : ''}</Note>}
      <div className="flex gap-2"><button type="submit" className="btn go" disabled={isLoading}>Make it the house recipe</button><button type="button" className="btn quiet" onClick={onDone}>Leave it</button></div>
    </form>
  );
}
