import { useState } from 'react';
import type { FieldValues, Path, UseFormReturn } from 'react-hook-form';
import {
  densityOf,
  doubtWeighing,
  gramsPerSpoon,
  spoonSpread,
  type Weighing,
  weighingOf,
} from '#core/recipes';
import { type Grams, grams, numberText, parseNumber } from '#core/units';
import type { HouseSpoon } from '#contracts/kettles';
import type { WeighingFields as Weighed } from '#contracts/teas';
import { ScalePanel } from '../../platform/scale/ScalePanel';
import { SelectField, TextField } from '../../ui/fields';

/** A weighing as typed: one figure for all, or each spoon by itself. */
export type WeighingForm = { spoon: string; spoons: string; weighed: string };
export const weighingFormOf = (w: Weighed | null, spoon: string): WeighingForm => ({
  spoon: w?.spoon ?? spoon,
  spoons: w ? numberText(w.spoons, 2) : '5',
  weighed: w ? weighedText(w) : '',
});
/** The grams as they were typed: each spoon by itself, or one figure for all. */
function weighedText(w: Weighed): string {
  if (w.singles.length === 0) return numberText(w.weighed, 2);
  return w.singles.map((g) => numberText(g, 2)).join('; ');
}

type ReadWeighing =
  | { readonly kind: 'none' }
  | { readonly kind: 'ok'; readonly weighing: Weighing }
  | { readonly kind: 'bad'; readonly why: string };
/** "12.5", or "2.4; 2.6; 2.5; 2.5; 2.5" for five weighed one by one. */
export function readWeighing(v: WeighingForm, spoons: readonly HouseSpoon[]): ReadWeighing {
  const spoon = spoons.find((s) => s.id === v.spoon);
  if (v.weighed.trim() === '') return { kind: 'none' };
  if (!spoon) return { kind: 'bad', why: 'Choose the spoon.' };
  const parts = v.weighed.split(/[;\s]+/).filter(Boolean);
  const figures: Grams[] = [];
  for (const p of parts) {
    const n = parseNumber(p.replace(/g$/i, ''));
    if (n.kind === 'bad') return { kind: 'bad', why: n.why };
    if (n.value <= 0 || n.value > 1000)
      return { kind: 'bad', why: `${p} g is no weight of a spoon.` };
    figures.push(grams(n.value));
  }
  const { id, name, plural, ml, heaped } = spoon;
  const bare = { id, name, plural, ml, heaped };
  if (figures.length > 12) return { kind: 'bad', why: 'Twelve spoons are enough.' };
  if (figures.length > 1) return { kind: 'ok', weighing: weighingOf(bare, figures) };
  const n = parseNumber(v.spoons);
  if (n.kind === 'bad' || !(n.value >= 0.25 && n.value <= 100))
    return { kind: 'bad', why: 'Say how many spoons that were, a quarter at least.' };
  return {
    kind: 'ok',
    weighing: { spoon: bare, spoons: n.value, weighed: figures[0] as Grams, singles: [] },
  };
}
/** Spoon, number and weight, with what one spoon holds and how even they are. */
export function WeighingFields<F extends FieldValues>({
  form,
  spoons,
  legend,
}: {
  form: UseFormReturn<F>;
  spoons: readonly HouseSpoon[];
  legend: string;
}) {
  const n = (name: keyof WeighingForm) => name as unknown as Path<F>;
  const [spoon, count, weighed] = form.watch([
    n('spoon'),
    n('spoons'),
    n('weighed'),
  ] as const) as unknown as [string, string, string];
  const read = readWeighing({ spoon, spoons: count, weighed }, spoons);
  const doubt = read.kind === 'ok' ? doubtWeighing(read.weighing) : null;
  const spread = read.kind === 'ok' ? spoonSpread(read.weighing) : null;
  const hint =
    read.kind !== 'ok'
      ? 'One weight, or each spoon by itself: 2.4; 2.6; 2.5. Empty: by the scale only.'
      : `One ${read.weighing.spoon.name} holds ${numberText(gramsPerSpoon(densityOf(read.weighing), read.weighing.spoon), 2)} g${spread ? ` ±${numberText(spread.sd, 2)}, ${read.weighing.singles.length} weighed` : ''}.`;
  const [onScale, setOnScale] = useState(false);
  /** One spoon after another, each put on an emptied scale. */
  const take = (g: number) =>
    form.setValue(
      n('weighed'),
      [
        ...String(weighed ?? '')
          .split(';')
          .map((t) => t.trim())
          .filter(Boolean),
        numberText(g, 2),
      ].join('; ') as never,
      { shouldDirty: true },
    );
  return (
    <fieldset>
      <legend className="text-[15px] font-semibold mb-2">{legend}</legend>
      <div className="pair">
        <SelectField
          form={form}
          name={n('spoon')}
          label="Spoon"
          options={spoons
            .filter((s) => !s.retired || s.id === spoon)
            .map(
              (s) =>
                [s.id, `${s.name}, ${numberText(s.ml)} ml${s.heaped ? ', heaped' : ''}`] as const,
            )}
        />
        <TextField form={form} name={n('spoons')} label="How many" />
        <TextField
          form={form}
          name={n('weighed')}
          label="Weighed"
          unit="g"
          ask={
            doubt && (
              <>
                <b>Is that so?</b> {doubt.words}
              </>
            )
          }
          hint={hint}
        />
      </div>
      {onScale ? (
        <>
          <ScalePanel small onTake={take} takeWords="Take this spoon" />
          <button type="button" className="btn quiet slim mt-2" onClick={() => setOnScale(false)}>
            Enough spoons
          </button>
        </>
      ) : (
        <button type="button" className="btn quiet slim mt-2" onClick={() => setOnScale(true)}>
          Weigh them on the scale
        </button>
      )}
    </fieldset>
  );
}
