import type { UseFormReturn } from 'react-hook-form';
import { METHODS, type Recipe, spoonedDensity, startingRecipe, type Weighing } from '#core/recipes';
import {
  LEAF_FORM_NAMES,
  LEAF_FORMS,
  leafAdvice,
  SEASON_NAMES,
  SEASONS,
  TRAIT_NAMES,
  TRAITS,
} from '#core/teas';
import { type Book, LIGHTS } from '#contracts/teas';
import { AreaField, SelectField, TextField } from '../../../ui/fields';
import { usePacket } from '../Packet';
import { RecipeFields } from '../RecipeFields';
import { StartFrom } from '../StartFrom';
import type { Form } from './useTeaForm';

/** The leaf as it looks: form, season, what was done to it. */
export function LeafFields({ form, v }: { form: UseFormReturn<Form>; v: Form }) {
  return (
    <>
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
    </>
  );
}

/** What is blended in, and what of it somebody may not have. */
export function BlendFields({
  form,
  missed,
  v,
}: {
  form: UseFormReturn<Form>;
  missed: string[];
  v: Form;
}) {
  return (
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
  );
}

/** The recipe a new tea begins with. */
export function FirstRecipe({
  v,
  packet,
  take,
  form,
  weighing,
}: {
  v: Form;
  packet: ReturnType<typeof usePacket>;
  take: (r: Recipe) => void;
  form: UseFormReturn<Form>;
  weighing: Weighing | null;
}) {
  const density = spoonedDensity(weighing, v.leafForm || null);
  return (
    <>
      <h2>
        Its first recipe<small>as {METHODS[v.method].label}</small>
      </h2>
      <StartFrom
        style={v.style}
        method={v.method}
        season={v.season === '' ? null : v.season}
        packet={packet.view.start}
        now={null}
        taken={v.origin}
        onTake={take}
      />
      <RecipeFields
        form={form}
        method={v.method}
        usual={startingRecipe(v.style, v.method).dose}
        spooned={{ density, isWeighed: weighing !== null }}
      />
    </>
  );
}

/** The house's words for teas; each goes in and out with one tap. */
export function HouseWords({
  book,
  said,
  toggleWord,
}: {
  book: Book | undefined | null;
  said: string[];
  toggleWord: (w: string) => void;
}) {
  return (
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
  );
}

/** What few teas need. */
export function MoreFields({ form }: { form: UseFormReturn<Form> }) {
  return (
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
  );
}
