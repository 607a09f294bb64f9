import type { FieldValues, Path, UseFormReturn } from 'react-hook-form';
import { isCold, type Method, SERVE_ORDER_NAMES, SERVE_ORDERS } from '#core/recipes';
import { useUnits } from '../../entities/people/session';
import { AreaField, CheckField, SelectField, TextField } from '../../ui/fields';
import { AmountFields, type Spooned } from './AmountFields';
import { Glasses, LaterSteeps, OwnSteps, Scaling } from './RecipeParts';

type Props<F extends FieldValues> = {
  form: UseFormReturn<F>;
  method: Method;
  usual: number;
  spooned: Spooned;
};
/** The fields of a recipe of one method; `usual` is what the dose is asked against. */
export function RecipeFields<F extends FieldValues>({ form, method, usual, spooned }: Props<F>) {
  const units = useUnits();
  const n = (name: string) => name as Path<F>;
  const cold = isCold(method);
  return (
    <>
      <AmountFields {...{ form, method, usual, spooned }}>
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
      </AmountFields>
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
        <summary className="btn quiet slim">
          Handling: rinse, stir, root, serving, own steps, leeway
        </summary>
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
          <OwnSteps form={form} />
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
