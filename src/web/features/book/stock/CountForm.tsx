import { useForm } from 'react-hook-form';
import { grams, numberText, parseWithin } from '#core/units';
import type { LeafPrice } from '#contracts/stock';
import { useCountLotMutation, usePriceLotMutation } from '../../../entities/teas/stockApi';
import { now } from '../../../platform/clock';
import { TextField } from '../../../ui/fields';
import { FormFoot } from './FormFoot';
import type { StockLine } from './model';

type Form = { there: string; price: string; currency: string };
/** More leaf than this is in no tin, g. */
const MOST_LEAF = 200_000;
const MOST_PRICE = 100_000;

/** How much leaf of a lot is there now, and, by a lead, what 100 g cost. */
export function CountForm({
  line: { tea, lot, kept, stock },
  currency,
  isLead,
  onDone,
}: {
  line: StockLine;
  currency: string;
  isLead: boolean;
  onDone: () => void;
}) {
  const left = 'left' in stock ? numberText(stock.left, 0) : '';
  const form = useForm<Form>({
    defaultValues: {
      there: '',
      price: kept.price ? numberText(kept.price.per100g, 2) : '',
      currency,
    },
  });
  const [count, counting] = useCountLotMutation();
  const [price, pricing] = usePriceLotMutation();
  const error = counting.error ?? pricing.error;
  /** The price as it is typed; undefined: it is wrong, and said beside its field. */
  const readPrice = (v: Form): LeafPrice | null | undefined => {
    if (v.price.trim() === '') return null;
    const read = parseWithin(v.price, 'The price', '', 0, MOST_PRICE);
    if (read.kind !== 'ok') form.setError('price', { message: read.why });
    const isCurrency = /^[A-Za-z]{3}$/.test(v.currency.trim());
    if (!isCurrency) form.setError('currency', { message: 'Three letters: EUR, GBP, USD.' });
    if (read.kind !== 'ok' || !isCurrency) return undefined;
    return { per100g: read.value, currency: v.currency.trim().toUpperCase() };
  };
  const save = form.handleSubmit(async (v) => {
    const there =
      v.there.trim() === '' ? null : parseWithin(v.there, 'The leaf', 'g', 0, MOST_LEAF);
    if (there && there.kind !== 'ok') form.setError('there', { message: there.why });
    const typed = readPrice(v);
    if (typed === undefined || (there && there.kind !== 'ok')) return;
    try {
      if (there)
        await count({
          id: lot.id,
          body: { grams: grams(there.value), at: Math.round(now()) },
        }).unwrap();
      if (isLead && JSON.stringify(typed) !== JSON.stringify(kept.price))
        await price({ id: lot.id, body: { price: typed } }).unwrap();
      onDone();
    } catch {
      // What went wrong is said under the form; what was typed stays.
    }
  });
  return (
    <form className="form mt-1 mb-3" onSubmit={save} noValidate aria-label={`Count ${tea.name}`}>
      <div className="pair">
        <TextField
          form={form}
          name="there"
          label="Leaf there now"
          unit="g"
          hint={left ? `By the log about ${left} g.` : 'Weigh the tin and take its own weight off.'}
        />
        {isLead && (
          <TextField form={form} name="price" label="100 g cost" hint="Empty: no price." />
        )}
        {isLead && <TextField form={form} name="currency" label="Currency" />}
      </div>
      <FormFoot
        error={error}
        isSaving={counting.isLoading || pricing.isLoading}
        saveWords="Save the count"
        leaveWords="Leave the count"
        onLeave={onDone}
      />
    </form>
  );
}
