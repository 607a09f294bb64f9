import type { FieldValues, Path, UseFormReturn } from 'react-hook-form';
import {
  OWN_STEP_TIME_NAMES,
  OWN_STEP_TIMES,
  OWN_STEPS_MOST,
  SERVING_STYLE_NAMES,
  SERVING_STYLES,
} from '#core/recipes';
import { useSession } from '../../entities/people/session';
import { useVesselsQuery } from '../../entities/vessels/api';
import { SelectField, TextField } from '../../ui/fields';
import { type RecipeForm } from './recipeFields';
import { holdText } from './recipeForm';

/** The steeps after the first, each with its window. */
export function LaterSteeps<F extends FieldValues>({ form }: { form: UseFormReturn<F> }) {
  const n = (name: string) => name as Path<F>;
  const later = (form.watch(n('later')) ?? []) as RecipeForm['later'];
  const set = (rows: RecipeForm['later']) => form.setValue(n('later'), rows as never);
  const last = later.at(-1) ?? {
    earliest: form.watch(n('earliest')) as string,
    best: form.watch(n('best')) as string,
    latest: form.watch(n('latest')) as string,
  };
  return (
    <fieldset className="grid gap-2">
      <legend className="text-[15px] font-semibold">Later steeps of the same leaf</legend>
      {later.map((_, i) => (
        <div className="steep-row" key={i}>
          <span className="small">{i + 2}.</span>
          <TextField
            form={form}
            name={n(`later.${i}.earliest`)}
            label={`Earliest of steep ${i + 2}`}
          />
          <TextField form={form} name={n(`later.${i}.best`)} label={`Best of steep ${i + 2}`} />
          <TextField form={form} name={n(`later.${i}.latest`)} label={`Latest of steep ${i + 2}`} />
          <TakeOut what={`steep ${i + 2}`} onTake={() => set(later.filter((_x, j) => j !== i))} />
        </div>
      ))}
      <Another
        what="steep"
        isFull={later.length >= 12}
        onAdd={() => set([...later, { ...last }])}
      />
    </fieldset>
  );
}

/** Steps of the house's own, in its own words and order. */
export function OwnSteps<F extends FieldValues>({ form }: { form: UseFormReturn<F> }) {
  const n = (name: string) => name as Path<F>;
  const own = (form.watch(n('own')) ?? []) as RecipeForm['own'];
  const set = (rows: RecipeForm['own']) => form.setValue(n('own'), rows as never);
  return (
    <fieldset className="grid gap-2 min-w-0">
      <legend className="text-[15px] font-semibold">Steps of our own</legend>
      {own.map(({ when }, i) => (
        <div className="own-step" key={i}>
          <TextField form={form} name={n(`own.${i}.words`)} label={`Step ${i + 1}: what is done`} />
          <SelectField
            form={form}
            name={n(`own.${i}.when`)}
            label={`When step ${i + 1} is done`}
            options={OWN_STEP_TIME_NAMES.map((w) => [w, OWN_STEP_TIMES[w]] as const)}
          />
          {when === 'steep' && (
            <TextField form={form} name={n(`own.${i}.at`)} label={`Time of step ${i + 1}`} />
          )}
          <TakeOut what={`own step ${i + 1}`} onTake={() => set(own.filter((_x, j) => j !== i))} />
        </div>
      ))}
      <Another
        what="own step"
        isFull={own.length >= OWN_STEPS_MOST}
        onAdd={() => set([...own, { when: 'before', at: '', words: '' }])}
      />
      <p className="hint">
        For instance: shake the leaf flat; smell the warm leaf; lid on, at 1:00. Without a time, a
        step while it steeps comes as soon as the water is on.
      </p>
    </fieldset>
  );
}

/** How an extract is let down in the glass. */
export function Glasses<F extends FieldValues>({ form }: { form: UseFormReturn<F> }) {
  const n = (name: string) => name as Path<F>;
  const glasses = (form.watch(n('glasses')) ?? []) as RecipeForm['glasses'];
  const set = (rows: RecipeForm['glasses']) => form.setValue(n('glasses'), rows as never);
  return (
    <fieldset className="grid gap-2">
      <legend className="text-[15px] font-semibold">In the glass</legend>
      {glasses.map((_, i) => (
        <div className="steep-row" key={i}>
          <span className="small">{i + 1}.</span>
          <SelectField
            form={form}
            name={n(`glasses.${i}.style`)}
            label={`Serving ${i + 1}`}
            options={SERVING_STYLE_NAMES.map((s) => [s, SERVING_STYLES[s]] as const)}
          />
          <TextField
            form={form}
            name={n(`glasses.${i}.extract`)}
            label={`Extract of serving ${i + 1}`}
            unit="ml"
          />
          <TextField
            form={form}
            name={n(`glasses.${i}.water`)}
            label={`Water of serving ${i + 1}`}
            unit="ml"
          />
          <TakeOut
            what={`serving ${i + 1}`}
            onTake={() => set(glasses.filter((_x, j) => j !== i))}
          />
        </div>
      ))}
      <Another
        what="serving"
        isFull={glasses.length >= 8}
        onAdd={() =>
          set([
            ...glasses,
            {
              style:
                SERVING_STYLE_NAMES.find((s) => !glasses.some((g) => g.style === s)) ?? 'chilled',
              extract: '60',
              water: '140',
            },
          ])
        }
      />
    </fieldset>
  );
}

export function Scaling<F extends FieldValues>({
  form,
  cold,
}: {
  form: UseFormReturn<F>;
  cold: boolean;
}) {
  const n = (name: string) => name as Path<F>;
  const { site } = useSession();
  const { data: shelf } = useVesselsQuery();
  const held = String(form.watch(n('knownHold')) ?? '');
  const mine = (shelf?.vessels ?? [])
    .filter((v) => v.siteId === site.id && !v.retired)
    .map((v): [string, string] => [holdText(v), v.name]);
  // Vessels alike in what matters are one choice; a known cup from elsewhere stays as it is.
  const alike = [
    ...new Map(
      mine.map(([value]) => [
        value,
        mine
          .filter(([v]) => v === value)
          .map(([, name]) => name)
          .join(', '),
      ]),
    ),
  ];
  const holds: [string, string][] = [
    ['', 'choose'],
    ...(held && !alike.some(([v]) => v === held) ? [[held, 'as before'] as [string, string]] : []),
    ...alike,
  ];
  const schools: [string, string][] = [
    ['linear', 'in step with the water (leaf lifted out)'],
    ['tapered', 'tapered through two known-good vessels (leaf stays in)'],
  ];
  if (!cold) schools.push(['match', 'matched to a known cup, by the brewing model']);
  return (
    <>
      <SelectField form={form} name={n('school')} label="Leaf in other vessels" options={schools} />
      {form.watch(n('school')) === 'match' && (
        <>
          <SelectField
            form={form}
            name={n('knownHold')}
            label="The known cup is brewed in"
            options={holds}
          />
          <div className="pair">
            <TextField form={form} name={n('knownWater')} label="its water" unit="ml" />
            <TextField form={form} name={n('knownLeaf')} label="its leaf" unit="g" />
          </div>
        </>
      )}
      {form.watch(n('school')) === 'tapered' && (
        <div className="pair">
          <TextField form={form} name={n('smallWater')} label="Smaller: water" unit="ml" />
          <TextField form={form} name={n('smallLeaf')} label="its leaf" unit="g" />
          <TextField form={form} name={n('largeWater')} label="Larger: water" unit="ml" />
          <TextField form={form} name={n('largeLeaf')} label="its leaf" unit="g" />
        </div>
      )}
    </>
  );
}

/** Takes one row of several out. */
function TakeOut({ what, onTake }: { what: string; onTake: () => void }) {
  return (
    <button
      type="button"
      className="btn quiet slim"
      aria-label={`Take ${what} out`}
      onClick={onTake}
    >
      Out
    </button>
  );
}

/** Adds one row to several. */
function Another({ what, isFull, onAdd }: { what: string; isFull: boolean; onAdd: () => void }) {
  return (
    <div>
      <button type="button" className="btn slim" disabled={isFull} onClick={onAdd}>
        Another {what}
      </button>
    </div>
  );
}
