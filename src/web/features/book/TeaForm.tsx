import { useEffect, useRef, useState } from 'react';
import { useForm } from 'react-hook-form';
import { METHOD_NAMES, METHODS, type Recipe, startingRecipe } from '#core/recipes';
import { STYLE_IDS, type StyleId, styleOf } from '#core/styles';
import {
  bagOf,
  LEAF_FORM_NAMES,
  LEAF_FORMS,
  leafAdvice,
  type LeafForm,
  missedAllergens,
  type Season,
  SEASON_NAMES,
  SEASONS,
  type Trait,
  TRAIT_NAMES,
  TRAITS,
} from '#core/teas';
import { grams, numberText, parseNumber } from '#core/units';
import { LIGHTS, type MeasuredColour, type Tea, type TeaFields } from '#contracts/teas';
import { useUnits } from '../../entities/people/session';
import { useAddTeaMutation } from '../../entities/teas/api';
import { useBookQuery } from '../../entities/teas/api';
import { useChangeTeaMutation } from '../../entities/teas/api';
import { sentWeighing } from '../../entities/teas/lots';
import { useSpoonsQuery } from '../../entities/teas/spoonsApi';
import { fieldFaults } from '../../platform/api';
import { newId } from '../../platform/ids';
import { NotSaved } from '../../platform/NotSaved';
import { useGo } from '../../platform/useGo';
import { AreaField, CheckField, SelectField, showFaults, TextField } from '../../ui/fields';
import { PacketReading, usePacket } from './Packet';
import { RecipeFields } from './RecipeFields';
import { type RecipeForm, recipeFormOf, recipeOf } from './recipeForm';
import { StartFrom } from './StartFrom';
import { readWeighing, WeighingFields, type WeighingForm, weighingFormOf } from './WeighingFields';

type Form = RecipeForm &
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

/** A tea's own facts in the order they are learnt: the packet, the leaf, its weighing, then the first recipe. */
export function TeaForm({ tea, onDone }: { tea: Tea | null; onDone: () => void }) {
  const { temperature } = useUnits();
  const go = useGo();
  const { data: shelf } = useSpoonsQuery();
  const { data: book } = useBookQuery();
  const spoons = shelf?.spoons ?? [];
  const form = useForm<Form>({
    defaultValues: {
      ...recipeFormOf(startingRecipe(tea?.style ?? FIRST), temperature),
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
  const [ids] = useState(() => ({ tea: newId(), version: newId() }));
  const [rev, setRev] = useState(tea?.rev ?? 1);
  const [add, adding] = useAddTeaMutation();
  const [change, changing] = useChangeTeaMutation();
  const error = adding.error ?? changing.error;
  const v = form.watch();
  const read = readWeighing(v, spoons);
  const weighing = read.kind === 'ok' ? read.weighing : null;
  // A first recipe that nobody has touched follows the style and the method.
  const began = useRef(recipeFormOf(startingRecipe(FIRST), temperature));
  useEffect(() => {
    if (tea) return;
    const values = form.getValues();
    if (
      (Object.keys(began.current) as (keyof RecipeForm)[]).some(
        (k) => JSON.stringify(values[k]) !== JSON.stringify(began.current[k]),
      )
    )
      return;
    began.current = recipeFormOf(startingRecipe(v.style, v.method), temperature);
    form.reset({ ...values, ...began.current }, { keepDefaultValues: true });
  }, [form, tea, temperature, v.style, v.method]);
  const bagTyped = parseNumber(v.bag);
  const bag = tea
    ? bagOf(tea)
    : v.method === 'bag' && bagTyped.kind === 'ok' && bagTyped.value > 0
      ? grams(bagTyped.value)
      : null;
  const packet = usePacket({ packet: v.packet, style: v.style, method: v.method, weighing, bag });
  const take = (r: Recipe) =>
    form.reset(
      { ...form.getValues(), ...recipeFormOf(r, temperature) },
      { keepDefaultValues: true },
    );
  const missed = missedAllergens(`${v.blend} ${v.name}`, v.allergens);
  const save = form.handleSubmit(async (given) => {
    const fault = (name: string, message: string) => form.setError(name as keyof Form, { message });
    const recipe = tea ? null : recipeOf(given, given.method, temperature, fault);
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
  const said = v.words.split(/,\s*/).filter(Boolean);
  const toggleWord = (w: string) =>
    form.setValue(
      'words',
      (said.includes(w) ? said.filter((x) => x !== w) : [...said, w]).join(', '),
    );
  return (
    <form className="form" onSubmit={save} noValidate>
      <h1>{tea ? tea.name : 'New tea'}</h1>
      <TextField form={form} name="name" label="Name" />
      <AreaField
        form={form}
        name="packet"
        label="What the packet says, word for word"
        hint="For instance: 1 tsp per cup, 80 °C, 2-3 minutes."
      />
      <PacketReading
        packet={packet}
        style={v.style}
        onTake={tea ? null : take}
        taken={v.origin.startsWith('the packet')}
      />
      <div className="pair">
        <SelectField
          form={form}
          name="style"
          label="Style"
          options={STYLE_IDS.map((s) => [s, styleOf(s).kind] as const)}
          hint={styleOf(v.style).label}
        />
        <SelectField
          form={form}
          name="method"
          label="Usually brewed as"
          options={METHOD_NAMES.map((m) => [m, METHODS[m].label] as const)}
        />
      </div>
      <div className="pair">
        <SelectField
          form={form}
          name="leafForm"
          label="Leaf form"
          options={[['', 'not said'], ...LEAF_FORM_NAMES.map((f) => [f, LEAF_FORMS[f]] as const)]}
        />
        <SelectField
          form={form}
          name="season"
          label="Season"
          options={[['', 'not said'], ...SEASON_NAMES.map((s) => [s, SEASONS[s]] as const)]}
          hint={
            leafAdvice({ form: null, season: v.season || null, traits: v.traits }).join(' ') ||
            undefined
          }
        />
      </div>
      <div className="flex flex-wrap gap-4">
        {TRAIT_NAMES.map((t) => (
          <label className="check" key={t}>
            <input type="checkbox" value={t} {...form.register('traits')} />
            {TRAITS[t]}
          </label>
        ))}
      </div>
      <div className="pair">
        <TextField form={form} name="blend" label="Blended with" hint="Empty: nothing." />
        <TextField
          form={form}
          name="allergens"
          label="Allergens"
          hint="Nuts, milk, flowers. Shown on every card."
          ask={
            missed.length > 0 && (
              <>
                <b>Is that so?</b> {missed.join(' and ')} in the blend, and not among the allergens.{' '}
                <button
                  type="button"
                  className="btn slim"
                  onClick={() =>
                    form.setValue('allergens', [v.allergens, ...missed].filter(Boolean).join(', '))
                  }
                >
                  Add {missed.join(' and ')}
                </button>
              </>
            )
          }
        />
      </div>
      <WeighingFields form={form} spoons={spoons} legend="Weigh it once: spoons of this tea" />
      {!tea && (
        <>
          <h2>
            Its first recipe<small>as {METHODS[v.method].label}</small>
          </h2>
          <StartFrom
            style={v.style}
            method={v.method}
            packet={packet.view.start}
            now={null}
            taken={v.origin}
            onTake={take}
          />
          <RecipeFields
            form={form}
            method={v.method}
            usual={startingRecipe(v.style, v.method).dose}
          />
        </>
      )}
      <TextField form={form} name="words" label="Tasting words" />
      {(book?.vocabulary.length ?? 0) > 0 && (
        <div className="flex flex-wrap gap-1" role="group" aria-label="The house’s words">
          {book?.vocabulary.map((w) => (
            <button
              type="button"
              key={w}
              className="btn slim word"
              aria-pressed={said.includes(w)}
              onClick={() => toggleWord(w)}
            >
              {w}
            </button>
          ))}
        </div>
      )}
      <details className="more-fields">
        <summary className="btn quiet slim">Caffeine, cautions, measured colour, note</summary>
        <div className="form mt-2">
          <div className="pair">
            <TextField
              form={form}
              name="caffeine"
              label="Caffeine"
              hint="Empty: said from the style. Figures are rough."
            />
            <TextField
              form={form}
              name="cautions"
              label="Cautions"
              hint="What must be said with it; no health claims."
            />
          </div>
          <div className="pair">
            <TextField
              form={form}
              name="lab"
              label="Measured colour of the right cup, L a b"
              hint="Empty: predicted."
            />
            <TextField form={form} name="depth" label="through" unit="cm" />
            <SelectField
              form={form}
              name="light"
              label="under"
              options={LIGHTS.map((l) => [l, l] as const)}
            />
          </div>
          <AreaField form={form} name="teaNote" label="Note for the card" />
        </div>
      </details>
      {tea && (
        <CheckField
          form={form}
          name="retired"
          label="Retired: not brewed any more, kept for the brews that used it"
        />
      )}
      <NotSaved error={error} onKeepMine={setRev} />
      <div className="flex gap-2">
        <button type="submit" className="btn go" disabled={adding.isLoading || changing.isLoading}>
          {tea ? 'Save the tea' : 'Add the tea'}
        </button>
        <button type="button" className="btn quiet" onClick={onDone}>
          Leave it
        </button>
      </div>
    </form>
  );
}
