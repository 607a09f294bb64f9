import type { FieldValues, Path, UseFormReturn } from 'react-hook-form';
import {
  doubtDose,
  isCold,
  type Method,
  SERVE_ORDER_NAMES,
  SERVE_ORDERS,
  SERVING_STYLE_NAMES,
  SERVING_STYLES,
} from '#core/recipes';
import { parseNumber } from '#core/units';
import { useSession, useUnits } from '../../entities/people/session';
import { useVesselsQuery } from '../../entities/vessels/api';
import { AreaField, CheckField, SelectField, TextField } from '../../ui/fields';
import { holdText, type RecipeForm } from './recipeForm';

type Props<F extends FieldValues> = { form: UseFormReturn<F>; method: Method; usual: number };
/** The fields of a recipe of one method; `usual` is what the dose is asked against. */
export function RecipeFields<F extends FieldValues>({ form, method, usual }: Props<F>) {
  const units = useUnits();
  const n = (name: string) => name as Path<F>;
  const cold = isCold(method);
  const dose = parseNumber(String(form.watch(n('dose')) ?? ''));
  const doubt = dose.kind === 'ok' && dose.value > 0 ? doubtDose(dose.value, usual) : null;
  return (
    <>
      <div className="pair">
        <TextField
          form={form}
          name={n('dose')}
          label="Leaf"
          unit="g per 100 ml"
          ask={
            doubt && (
              <>
                <b>Is that so?</b> {doubt.words}
              </>
            )
          }
        />
        <TextField
          form={form}
          name={n('temperature')}
          label={cold ? 'Water goes on at' : 'Water on the leaf'}
          unit={`°${units.temperature}`}
        />
        {method === 'bag' && (
          <TextField
            form={form}
            name={n('bag')}
            label="In one bag"
            unit="g"
            hint="Empty: weighed, not counted."
          />
        )}
      </div>
      <div className="pair">
        <TextField
          form={form}
          name={n('earliest')}
          label="Earliest"
          hint={cold ? 'hours: 8 h, or 3:30 h' : 'minutes:seconds'}
        />
        <TextField form={form} name={n('best')} label="Best" />
        <TextField form={form} name={n('latest')} label="Latest" />
      </div>
      {!cold && <LaterSteeps form={form} />}
      {method === 'warmThenCold' && (
        <div className="pair">
          <TextField form={form} name={n('hotShare')} label="Goes on hot first" unit="%" />
          <TextField form={form} name={n('hotHeat')} label="at" unit={`°${units.temperature}`} />
          <TextField form={form} name={n('hotTime')} label="for" hint="then the rest cold" />
        </div>
      )}
      {method === 'extract' && <Glasses form={form} />}
      <Scaling form={form} cold={cold} />
      <div className="pair">
        {!cold && <CheckField form={form} name={n('warm')} label="Warm the vessel first" />}
        <CheckField form={form} name={n('lid')} label="Lid on while it steeps" />
      </div>
      <details className="more-fields">
        <summary className="btn quiet slim">Handling: rinse, stir, root, serving, leeway</summary>
        <div className="form mt-2">
          {!cold && (
            <div className="pair">
              <TextField
                form={form}
                name={n('rinse')}
                label="Rinse"
                unit="s"
                hint="Poured away. Empty: none."
              />
              <TextField
                form={form}
                name={n('root')}
                label="Keep a root"
                unit="%"
                hint="Stays under the leaf. Empty: drained."
              />
            </div>
          )}
          <div className="pair">
            <TextField
              form={form}
              name={n('stir')}
              label="Stir at"
              hint="For instance 1:00, 2:00."
            />
            <SelectField
              form={form}
              name={n('order')}
              label="Served"
              options={SERVE_ORDER_NAMES.map((o) => [o, SERVE_ORDERS[o]] as const)}
            />
          </div>
          <div className="pair">
            <CheckField form={form} name={n('circles')} label="Pour slowly, in circles" />
            <CheckField form={form} name={n('squeeze')} label="Press the leaf out" />
            <CheckField form={form} name={n('milk')} label="Takes milk" />
          </div>
          <div className="pair">
            <TextField form={form} name={n('leewayTime')} label="Staff may go, time" unit="± s" />
            <TextField form={form} name={n('leewayLeaf')} label="and leaf" unit="± g" />
          </div>
        </div>
      </details>
      <AreaField
        form={form}
        name={n('note')}
        label="Handling, in words"
        hint="What else the card should say."
      />
    </>
  );
}

/** The steeps after the first, each with its window. */
function LaterSteeps<F extends FieldValues>({ form }: { form: UseFormReturn<F> }) {
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
          <button
            type="button"
            className="btn quiet slim"
            aria-label={`Take steep ${i + 2} out`}
            onClick={() => set(later.filter((_x, j) => j !== i))}
          >
            Out
          </button>
        </div>
      ))}
      <div>
        <button
          type="button"
          className="btn slim"
          disabled={later.length >= 12}
          onClick={() => set([...later, { ...last }])}
        >
          Another steep
        </button>
      </div>
    </fieldset>
  );
}

/** How an extract is let down in the glass. */
function Glasses<F extends FieldValues>({ form }: { form: UseFormReturn<F> }) {
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
          <button
            type="button"
            className="btn quiet slim"
            aria-label={`Take serving ${i + 1} out`}
            onClick={() => set(glasses.filter((_x, j) => j !== i))}
          >
            Out
          </button>
        </div>
      ))}
      <div>
        <button
          type="button"
          className="btn slim"
          disabled={glasses.length >= 8}
          onClick={() =>
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
        >
          Another serving
        </button>
      </div>
    </fieldset>
  );
}

function Scaling<F extends FieldValues>({ form, cold }: { form: UseFormReturn<F>; cold: boolean }) {
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
