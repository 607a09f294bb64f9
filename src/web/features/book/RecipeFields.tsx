import type { UseFormReturn, FieldValues, Path } from 'react-hook-form';
import { doubtDose } from '#core/recipes';
import { parseNumber } from '#core/units';
import { AreaField, CheckField, SelectField, TextField } from '../../ui/fields';
import { useUnits } from '../../app/session';

/** The fields of a recipe; `usual` is what the dose is asked against. */
export function RecipeFields<F extends FieldValues>({ form, usual }: { form: UseFormReturn<F>; usual: number }) {
  const units = useUnits();
  const n = (name: string) => name as Path<F>;
  const dose = parseNumber(String(form.watch(n('dose')) ?? ''));
  const doubt = dose.kind === 'ok' && dose.value > 0 ? doubtDose(dose.value, usual) : null;
  return (
    <>
      <div className="pair">
        <TextField form={form} name={n('dose')} label="Leaf" unit="g per 100 ml" ask={doubt && <><b>Is that so?</b> {doubt.words}</>} />
        <TextField form={form} name={n('temperature')} label="Water on the leaf" unit={`°${units.temperature}`} />
      </div>
      <div className="pair">
        <TextField form={form} name={n('earliest')} label="Earliest" hint="minutes:seconds" />
        <TextField form={form} name={n('best')} label="Best" />
        <TextField form={form} name={n('latest')} label="Latest" />
      </div>
      <TextField form={form} name={n('later')} label="Later steeps" hint="Best time of each, for instance 3:00, 5:00. Empty: one steep." />
      <SelectField form={form} name={n('school')} label="Leaf in other vessels" options={[['linear', 'in step with the water (leaf lifted out)'], ['tapered', 'tapered through two known-good vessels (leaf stays in)']]} />
      {form.watch(n('school')) === 'tapered' && (
        <div className="pair">
          <TextField form={form} name={n('smallWater')} label="Smaller: water" unit="ml" /><TextField form={form} name={n('smallLeaf')} label="its leaf" unit="g" />
          <TextField form={form} name={n('largeWater')} label="Larger: water" unit="ml" /><TextField form={form} name={n('largeLeaf')} label="its leaf" unit="g" />
        </div>
      )}
      <div className="pair"><CheckField form={form} name={n('warm')} label="Warm the vessel first" /><CheckField form={form} name={n('lid')} label="Lid on while it steeps" /></div>
      <AreaField form={form} name={n('note')} label="Handling" hint="Stir, pour in circles, serve in turns: what the card should say." />
    </>
  );
}
