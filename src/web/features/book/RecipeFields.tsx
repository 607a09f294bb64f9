import type { UseFormReturn, FieldValues, Path } from 'react-hook-form';
import { doubtDose } from '#core/recipes';
import { parseNumber } from '#core/units';
import { AreaField, CheckField, SelectField, TextField } from '../../ui/fields';
import { useVesselsQuery } from '../../app/records';
import { useSession, useUnits } from '../../app/session';
import { holdText } from './recipeForm';

/** The fields of a recipe; `usual` is what the dose is asked against. */
export function RecipeFields<F extends FieldValues>({ form, usual }: { form: UseFormReturn<F>; usual: number }) {
  const units = useUnits();
  const n = (name: string) => name as Path<F>;
  const { site } = useSession();
  const { data: shelf } = useVesselsQuery();
  const held = String(form.watch(n('knownHold')) ?? '');
  const mine = (shelf?.vessels ?? []).filter((v) => v.siteId === site.id && !v.retired).map((v): [string, string] => [holdText(v), v.name]);
  // Vessels alike in what matters are one choice; a known cup from elsewhere stays as it is.
  const alike = [...new Map(mine.map(([value]) => [value, mine.filter(([v]) => v === value).map(([, name]) => name).join(', ')]))];
  const holds: [string, string][] = [['', 'choose'], ...(held && !alike.some(([v]) => v === held) ? [[held, 'as before'] as [string, string]] : []), ...alike];
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
      <SelectField form={form} name={n('school')} label="Leaf in other vessels" options={[['linear', 'in step with the water (leaf lifted out)'], ['tapered', 'tapered through two known-good vessels (leaf stays in)'], ['match', 'matched to a known cup, by the brewing model']]} />
      {form.watch(n('school')) === 'match' && (
        <>
          <SelectField form={form} name={n('knownHold')} label="The known cup is brewed in" options={holds} />
          <div className="pair"><TextField form={form} name={n('knownWater')} label="its water" unit="ml" /><TextField form={form} name={n('knownLeaf')} label="its leaf" unit="g" /></div>
        </>
      )}
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
