import type { ReactNode } from 'react';
import type { FieldValues, Path, UseFormReturn } from 'react-hook-form';
import { doubtDose, type Method } from '#core/recipes';
import {
  type GramsPerMl,
  numberText,
  parseNumber,
  type Spoon,
  volumeParts,
  type VolumeUnit,
} from '#core/units';
import { useUnits } from '../../entities/people/session';
import { useSpoonsQuery } from '../../entities/teas/spoonsApi';
import { SelectField, TextField } from '../../ui/fields';
import { type AmountForm, isInSpoons, spoonDoseTyped, spoonValue } from './amountForm';

/** What a millilitre of the tea weighs in a spoon, and whether anybody weighed one. */
export type Spooned = { readonly density: GramsPerMl; readonly isWeighed: boolean };
type Props<F extends FieldValues> = {
  form: UseFormReturn<F>;
  method: Method;
  usual: number;
  spooned: Spooned;
};

const MEASURED_IN = [
  ['grams', 'in grams'],
  ['spoons', 'in spoons'],
] as const satisfies readonly (readonly [AmountForm['measuredIn'], string])[];

/** How much leaf goes to the water: grams, or a count of spoons; `usual` is what the dose is asked against. */
export function AmountFields<F extends FieldValues>({
  form,
  method,
  usual,
  spooned,
  children,
}: Props<F> & {
  /** The fields beside it. */
  children: ReactNode;
}) {
  const units = useUnits();
  const n = (name: keyof AmountForm) => name as string as Path<F>;
  const v = amountIn(form);
  const inSpoons = isInSpoons(v, method);
  const typed = inSpoons
    ? spoonDoseTyped(v, units.volume, spooned.density)?.dose
    : typedNumber(v.dose);
  const doubt = typed ? doubtDose(Number(numberText(typed, 2)), usual) : null;
  const ask = doubt && (
    <>
      <b>Is that so?</b> {doubt.words}
    </>
  );
  return (
    <>
      <div className="pair">
        {method !== 'bag' && (
          <SelectField
            form={form}
            name={n('measuredIn')}
            label="Leaf is measured"
            options={MEASURED_IN}
          />
        )}
        {!inSpoons && (
          <TextField form={form} name={n('dose')} label="Leaf" unit="g per 100 ml" ask={ask} />
        )}
        {children}
      </div>
      {inSpoons && <SpoonFields form={form} v={v} {...{ spooned, ask }} volume={units.volume} />}
    </>
  );
}

/** The amount as it is typed now. */
function amountIn<F extends FieldValues>(form: UseFormReturn<F>): AmountForm {
  const names = ['measuredIn', 'dose', 'spoonCount', 'countedSpoon', 'spoonWater'] as const;
  const values = form.watch(names as unknown as Path<F>[]) as unknown as string[];
  return Object.fromEntries(names.map((name, i) => [name, values[i]])) as AmountForm;
}
function typedNumber(text: string): number | null {
  const read = parseNumber(text);
  return read.kind === 'ok' && read.value > 0 ? read.value : null;
}

function SpoonFields<F extends FieldValues>({
  form,
  v,
  volume,
  spooned,
  ask,
}: Pick<Props<F>, 'form' | 'spooned'> & { v: AmountForm; volume: VolumeUnit; ask: ReactNode }) {
  const { data } = useSpoonsQuery();
  const n = (name: keyof AmountForm) => name as string as Path<F>;
  const shelf = (data?.spoons ?? []).filter((s) => !s.retired);
  const now = JSON.parse(v.countedSpoon) as Spoon;
  // A spoon that is no longer on the shelf, or was changed since, stays what the recipe counts.
  const values = shelf.map(spoonValue);
  const all: readonly Spoon[] = values.includes(v.countedSpoon) ? shelf : [now, ...shelf];
  return (
    <div className="pair">
      <TextField
        form={form}
        name={n('spoonCount')}
        label="Spoons"
        ask={ask}
        hint={heldWords(v, volume, spooned)}
      />
      <SelectField
        form={form}
        name={n('countedSpoon')}
        label="Spoon that is counted"
        options={all.map(
          (s) =>
            [
              spoonValue(s),
              `${s.name}, ${numberText(s.ml)} ml${s.heaped ? ', heaped' : ''}`,
            ] as const,
        )}
      />
      <TextField
        form={form}
        name={n('spoonWater')}
        label="Water for these spoons"
        hint={`With a unit, or in ${volumeParts(100 as never, volume).unit}.`}
      />
    </div>
  );
}

/** The grams that the spoons hold, and how they are known. */
function heldWords(v: AmountForm, volume: VolumeUnit, { density, isWeighed }: Spooned): string {
  const read = spoonDoseTyped(v, volume, density);
  if (!read) return 'Count in quarters of a spoon.';
  const each = numberText(read.spoons.spoon.ml * density, 2);
  const dose = `${numberText(read.dose, 2)} g per 100 ml`;
  return isWeighed
    ? `One holds ${each} g of this tea: ${dose}.`
    : `About ${dose}, by the form of the leaf. Weigh a few spoons of this tea for the exact grams. The count stays.`;
}
