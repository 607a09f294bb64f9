import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { useNavigate } from 'react-router';
import type { Tea, TeaFields } from '#contracts/book';
import { doubtWeighing, METHODS, METHOD_NAMES, startingRecipe, gramsPerSpoon, densityOf } from '#core/recipes';
import { STYLE_IDS, styleOf, type StyleId } from '#core/styles';
import { grams, numberText, parseWithin, SPOON_KINDS, SPOONS, type SpoonKind } from '#core/units';
import { failureOf, fieldFaults } from '../../app/api';
import { newId } from '../../app/ids';
import { useAddTeaMutation, useChangeTeaMutation } from '../../app/records';
import { useUnits } from '../../app/session';
import { AreaField, CheckField, SelectField, showFaults, TextField } from '../../ui/fields';
import { Note } from '../../ui/Note';
import { RecipeFields } from './RecipeFields';
import { recipeFormOf, recipeOf, type RecipeForm } from './recipeForm';

type Form = RecipeForm & { name: string; style: StyleId; method: TeaFields['method']; lot: string; words: string; allergens: string; teaNote: string; spoon: SpoonKind; spoons: string; weighed: string; retired: boolean };
const FIRST: StyleId = 'black-whole';

/** A tea's own facts; a new one starts from its style's recipe. */
export function TeaForm({ tea, onDone }: { tea: Tea | null; onDone: () => void }) {
  const { temperature } = useUnits();
  const navigate = useNavigate();
  const form = useForm<Form>({
    defaultValues: {
      ...recipeFormOf(tea?.house?.recipe ?? startingRecipe(tea?.style ?? FIRST), temperature),
      name: tea?.name ?? '', style: tea?.style ?? FIRST, method: tea?.method ?? 'pot', lot: tea?.lot ?? '', words: tea?.words ?? '', allergens: tea?.allergens ?? '', teaNote: tea?.note ?? '',
      spoon: tea?.spoon ?? 'dessertSpoon', spoons: tea?.weighing ? numberText(tea.weighing.spoons, 2) : '5', weighed: tea?.weighing ? numberText(tea.weighing.weighed, 2) : '', retired: tea?.retired ?? false,
    },
  });
  const [ids] = useState(() => ({ tea: newId(), version: newId() }));
  const [rev, setRev] = useState(tea?.rev ?? 1);
  const [add, adding] = useAddTeaMutation();
  const [change, changing] = useChangeTeaMutation();
  const error = adding.error ?? changing.error;
  const failure = error ? failureOf(error) : null;
  const [spoon, spoonsTyped, weighedTyped, style] = form.watch(['spoon', 'spoons', 'weighed', 'style']);
  const spoons = parseWithin(spoonsTyped, 'Spoons', '', 0.25, 100);
  const weighed = parseWithin(weighedTyped || '0', 'Weight', 'g', 0.1, 1000);
  const weighing = spoons.kind === 'ok' && weighed.kind === 'ok' ? { spoon, spoons: spoons.value, weighed: grams(weighed.value) } : null;
  const doubt = weighing && doubtWeighing(weighing);
  const save = form.handleSubmit(async (v) => {
    const fault = (name: keyof Form, message: string) => form.setError(name, { message });
    const recipe = tea ? null : recipeOf(v, temperature, fault);
    if (v.name.trim() === '') fault('name', 'Give it a name.');
    const badWeight = v.weighed.trim() !== '' && !weighing;
    if (badWeight) fault('weighed', weighed.kind === 'bad' ? weighed.why : spoons.kind === 'bad' ? spoons.why : '');
    if (v.name.trim() === '' || badWeight || (!tea && !recipe)) return;
    const fields: TeaFields = { name: v.name, style: v.style, method: v.method, lot: v.lot, words: v.words, allergens: v.allergens, note: v.teaNote, weighing: v.weighed.trim() === '' ? null : weighing, spoon: v.spoon };
    try {
      if (tea) await change({ id: tea.id, body: { ...fields, rev, retired: v.retired } }).unwrap();
      else if (recipe) await add({ ...fields, id: ids.tea, versionId: ids.version, recipe }).unwrap();
      if (tea) onDone();
      else navigate(`/book/${ids.tea}`, { replace: true });
    } catch (e) {
      showFaults(form, fieldFaults(e), { name: 'name', 'weighing.weighed': 'weighed', lot: 'lot', words: 'words' });
    }
  });
  const theirs = failure?.kind === 'answer' && failure.code === 'record.changed' ? Number(failure.details?.rev) : null;
  return (
    <form className="form" onSubmit={save} noValidate>
      <h1>{tea ? tea.name : 'New tea'}</h1>
      <TextField form={form} name="name" label="Name" />
      <div className="pair">
        <SelectField form={form} name="style" label="Style" options={STYLE_IDS.map((s) => [s, styleOf(s).kind] as const)} hint={styleOf(style).label} />
        <SelectField form={form} name="method" label="Method" options={METHOD_NAMES.map((m) => [m, METHODS[m].label] as const)} />
        <TextField form={form} name="lot" label="Lot" />
      </div>
      <div className="pair"><TextField form={form} name="words" label="Tasting words" /><TextField form={form} name="allergens" label="Allergens" hint="Nuts, milk, flowers. Shown on every card." /></div>
      <AreaField form={form} name="teaNote" label="Note for the card" />
      <fieldset className="pair"><legend className="text-[15px] font-semibold mb-2">Weigh it once: level spoons of this tea</legend>
        <SelectField form={form} name="spoon" label="Spoon" options={SPOON_KINDS.map((k) => [k, `${SPOONS[k].name}, ${numberText(SPOONS[k].ml)} ml`] as const)} />
        <TextField form={form} name="spoons" label="How many" />
        <TextField form={form} name="weighed" label="Weighed" unit="g" ask={doubt && <><b>Is that so?</b> {doubt.words}</>} hint={weighing && !doubt ? `One ${SPOONS[spoon].name} holds ${numberText(gramsPerSpoon(densityOf(weighing), spoon), 2)} g.` : 'Empty: by the scale only.'} />
      </fieldset>
      {!tea && (
        <>
          <div className="flex items-end gap-3"><h2 className="flex-1">Its first recipe<small>from the style’s starting point, common practice</small></h2><button type="button" className="btn slim" onClick={() => form.reset({ ...form.getValues(), ...recipeFormOf(startingRecipe(style), temperature) }, { keepDefaultValues: true })}>Take {styleOf(style).kind}</button></div>
          <RecipeFields form={form} usual={styleOf(style).start.dose} />
        </>
      )}
      {tea && <CheckField form={form} name="retired" label="Retired: not brewed any more, kept for the brews that used it" />}
      {failure && Object.keys(fieldFaults(error)).length === 0 && <Note bad action={theirs !== null && <button type="button" className="btn slim" onClick={() => setRev(theirs)}>Keep mine</button>}><b>Not saved.</b> {failure.message}</Note>}
      <div className="flex gap-2"><button type="submit" className="btn go" disabled={adding.isLoading || changing.isLoading}>{tea ? 'Save the tea' : 'Add the tea'}</button><button type="button" className="btn quiet" onClick={onDone}>Leave it</button></div>
    </form>
  );
}
