import { useEffect, useRef, useState } from 'react';
import { useForm, type UseFormReturn } from 'react-hook-form';
import { forSeason, spoonedDensity, startingRecipe, type Weighing } from '#core/recipes';
import type { StyleId } from '#core/styles';
import { bagOf, type LeafForm, type Season, type Trait } from '#core/teas';
import { grams, numberText, parseNumber } from '#core/units';
import type { MeasuredColour, Tea, TeaFields } from '#contracts/teas';
import { useAddTeaMutation, useChangeTeaMutation } from '../../../entities/teas/api';
import { sentWeighing } from '../../../entities/teas/lots';
import { fieldFaults } from '../../../platform/api';
import { newId } from '../../../platform/ids';
import { useGo } from '../../../platform/useGo';
import { showFaults } from '../../../ui/fields';
import { type FormUnits, type RecipeForm } from '../recipeFields';
import { recipeFormOf, recipeOf } from '../recipeForm';
import { readWeighing, type WeighingForm, weighingFormOf } from '../WeighingFields';

export type Form = RecipeForm &
  WeighingForm & {
    name: string;
    style: StyleId;
    method: TeaFields['method'];
    words: string;
    allergens: string;
    teaNote: string;
    retired: boolean;
    leafForm: LeafForm | '';
    season: Season | '';
    traits: Trait[];
    blend: string;
    packet: string;
    caffeine: string;
    cautions: string;
    lab: string;
    depth: string;
    light: MeasuredColour['light'];
  };

const FIRST: StyleId = 'black-whole';

/** "62.1 12 54" through so much liquor; null when nothing is typed, a text when it is not right. */
function colourOf(v: Pick<Form, 'lab' | 'depth' | 'light'>): MeasuredColour | null | string {
  if (v.lab.trim() === '') return null;
  const figures = v.lab
    .trim()
    .split(/[;\s]+/)
    .map((t) => parseNumber(t));
  const depth = parseNumber(v.depth);
  if (figures.length !== 3 || figures.some((f) => f.kind === 'bad'))
    return 'Three figures: L, a, b. For instance 62.1 12 54.';
  const [l, a, b] = figures.map((f) => (f.kind === 'ok' ? f.value : 0)) as [number, number, number];
  if (l < 0 || l > 100 || Math.abs(a) > 128 || Math.abs(b) > 128)
    return 'L lies from 0 to 100, a and b within 128.';
  if (depth.kind === 'bad' || depth.value < 0.1 || depth.value > 20)
    return 'Say through how many cm of liquor, 0.1 to 20.';
  return { lab: [l, a, b], depthCm: depth.value, light: v.light };
}

/** The form, filled with what is known of the tea. */
export function useTeaForm(tea: Tea | null, units: FormUnits) {
  return useForm<Form>({
    defaultValues: {
      ...recipeFormOf(startingRecipe(tea?.style ?? FIRST), units),
      ...weighingFormOf(tea?.weighing ?? null, tea?.spoon ?? 'dessertSpoon'),
      name: tea?.name ?? '',
      style: tea?.style ?? FIRST,
      method: tea?.method ?? 'pot',
      words: tea?.words ?? '',
      allergens: tea?.allergens ?? '',
      teaNote: tea?.note ?? '',
      retired: tea?.retired ?? false,
      leafForm: tea?.leaf.form ?? '',
      season: tea?.leaf.season ?? '',
      traits: [...(tea?.leaf.traits ?? [])],
      blend: tea?.blend ?? '',
      packet: tea?.packet ?? '',
      caffeine: tea?.caffeine ?? '',
      cautions: tea?.cautions ?? '',
      lab: tea?.colour ? tea.colour.lab.map((x) => numberText(x, 2)).join(' ') : '',
      depth: tea?.colour ? numberText(tea.colour.depthCm, 2) : '2',
      light: tea?.colour?.light ?? 'D65',
    },
  });
}

/** A first recipe that nobody has touched follows the style and the method. */
export function useStartingRecipe({
  units,
  tea,
  form,
  v,
}: {
  units: FormUnits;
  tea: Tea | null;
  form: UseFormReturn<Form>;
  v: Form;
}) {
  const { temperature, volume } = units;
  const began = useRef(recipeFormOf(startingRecipe(FIRST), { temperature, volume }));
  useEffect(() => {
    if (tea) return;
    const values = form.getValues();
    if (
      (Object.keys(began.current) as (keyof RecipeForm)[]).some(
        (k) => JSON.stringify(values[k]) !== JSON.stringify(began.current[k]),
      )
    )
      return;
    const season = v.season === '' ? null : v.season;
    const first = forSeason(startingRecipe(v.style, v.method), v.style, v.method, season);
    began.current = recipeFormOf(first, { temperature, volume });
    form.reset({ ...values, ...began.current }, { keepDefaultValues: true });
  }, [form, tea, temperature, volume, v.style, v.method, v.season]);
}

/** The bag's weight: of the tea as it is kept, or as it is typed for a tea brewed in bags. */
export function bagTyped(v: Form, tea: Tea | null) {
  if (tea) return bagOf(tea);
  const typed = parseNumber(v.bag);
  return v.method === 'bag' && typed.kind === 'ok' && typed.value > 0 ? grams(typed.value) : null;
}

/** What saving does: the faults beside their fields, or the tea changed or added. */
export function useSaveTea({
  tea,
  form,
  units,
  read,
  weighing,
  onDone,
}: {
  tea: Tea | null;
  form: UseFormReturn<Form>;
  units: FormUnits;
  read: ReturnType<typeof readWeighing>;
  weighing: Weighing | null;
  onDone: () => void;
}) {
  const go = useGo();
  const [ids] = useState(() => ({ tea: newId(), version: newId() }));
  const [rev, setRev] = useState(tea?.rev ?? 1);
  const [add, adding] = useAddTeaMutation();
  const [change, changing] = useChangeTeaMutation();
  const error = adding.error ?? changing.error;
  const save = form.handleSubmit(async (given) => {
    const fault = (name: string, message: string) => form.setError(name as keyof Form, { message });
    const density = spoonedDensity(weighing, given.leafForm || null);
    const recipe = tea ? null : recipeOf(given, { method: given.method, units, density }, fault);
    const colour = colourOf(given);
    if (given.name.trim() === '') fault('name', 'Give it a name.');
    if (read.kind === 'bad') fault('weighed', read.why);
    if (typeof colour === 'string') fault('lab', colour);
    if (
      given.name.trim() === '' ||
      read.kind === 'bad' ||
      typeof colour === 'string' ||
      (!tea && !recipe)
    )
      return;
    const fields = teaFieldsOf({ given, colour, weighing });
    try {
      if (tea)
        await change({ id: tea.id, body: { ...fields, rev, retired: given.retired } }).unwrap();
      else if (recipe)
        await add({ ...fields, id: ids.tea, versionId: ids.version, recipe }).unwrap();
      if (tea) onDone();
      else go(`/book/${ids.tea}`, { replace: true });
    } catch (e) {
      showFaults(form, fieldFaults(e), {
        name: 'name',
        'weighing.weighed': 'weighed',
        'weighing.spoon': 'spoon',
        words: 'words',
        packet: 'packet',
        blend: 'blend',
        allergens: 'allergens',
      });
    }
  });
  return { setRev, adding, changing, error, save };
}

/** What the form says of the tea itself, as it is sent. */
function teaFieldsOf({
  given,
  colour,
  weighing,
}: {
  given: Form;
  colour: MeasuredColour | null;
  weighing: Weighing | null;
}) {
  const fields: TeaFields = {
    name: given.name,
    style: given.style,
    method: given.method,
    words: given.words,
    allergens: given.allergens,
    note: given.teaNote,
    leaf: { form: given.leafForm || null, season: given.season || null, traits: given.traits },
    blend: given.blend,
    packet: given.packet,
    caffeine: given.caffeine,
    cautions: given.cautions,
    colour,
    weighing: weighing && sentWeighing(weighing),
    spoon: given.spoon,
  };
  return fields;
}
