import { useState } from 'react';
import { useForm } from 'react-hook-form';
import type { LeadNote, Tea, Version } from '#contracts/book';
import { NotMade, useNewVersion } from '../../app/newVersion';
import { useUnits } from '../../app/session';
import { TextField } from '../../ui/fields';
import { RecipeFields } from './RecipeFields';
import { recipeFormOf, recipeOf, type RecipeForm } from './recipeForm';

type Form = RecipeForm & { reason: string };

/** A new house version from the one that stands; the old one stays on the brews that used it. */
export function VersionForm({ tea, house, notes, newest, onDone }: { tea: Tea; house: Version; notes: readonly LeadNote[]; newest: number; onDone: () => void }) {
  const { temperature } = useUnits();
  const form = useForm<Form>({ defaultValues: { ...recipeFormOf(house.recipe, temperature), reason: notes[0] ? `${notes[0].headline}: ${notes[0].found}`.slice(0, 200) : '' } });
  const [settled, setSettled] = useState<readonly string[]>(notes[0] ? [notes[0].id] : []);
  const making = useNewVersion(tea, newest);
  const save = form.handleSubmit(async (v) => {
    const recipe = recipeOf(v, temperature, (name, message) => form.setError(name, { message }));
    if (v.reason.trim() === '') form.setError('reason', { message: 'Say why: the next lead reads it.' });
    if (!recipe || v.reason.trim() === '') return;
    if (await making.save({ as: 'house', recipe, reason: v.reason, settles: [...settled] })) onDone();
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
      <NotMade making={making} />
      <div className="flex gap-2"><button type="submit" className="btn go" disabled={making.isSaving}>Make it the house recipe</button><button type="button" className="btn quiet" onClick={onDone}>Leave it</button></div>
    </form>
  );
}
