import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { siteDate } from '#core/time';
import { epochMs, grams, numberText, parseWithin } from '#core/units';
import { MOST_POCKETS, type Pockets } from '#contracts/stock';
import type { Tea } from '#contracts/teas';
import { useSession, useZone } from '../../../entities/people/session';
import { useCountPocketsMutation, useFillPocketsMutation } from '../../../entities/teas/stockApi';
import { failureOf } from '../../../platform/api';
import { newId } from '../../../platform/ids';
import { dateText } from '../../../ui/days';
import { SelectField, TextField } from '../../../ui/fields';
import { FormFoot } from './FormFoot';
import { baggedTeas, pocketsWords } from './model';

/** Bags and pockets that were filled ahead: when, by whom, how many are left. */
export function PocketShelf({
  teas,
  pockets,
}: {
  teas: readonly Tea[];
  pockets: readonly Pockets[];
}) {
  const { role } = useSession();
  const [isFilling, setIsFilling] = useState(false);
  const bagged = baggedTeas(teas);
  const canFill = role !== 'trainee' && bagged.length > 0;
  if (bagged.length === 0 && pockets.length === 0) return null;
  return (
    <section className="mt-6" aria-label="Filled ahead">
      <div className="flex flex-wrap items-end gap-3">
        <h2 className="flex-1">
          Pockets filled ahead<small>a brew by the bag takes the oldest first</small>
        </h2>
        {canFill && !isFilling && (
          <button type="button" className="btn slim" onClick={() => setIsFilling(true)}>
            Fill pockets
          </button>
        )}
      </div>
      {isFilling && <FillForm bagged={bagged} onDone={() => setIsFilling(false)} />}
      {pockets.length === 0 && !isFilling && <p className="small">None are filled.</p>}
      <ul className="stock">
        {pockets.map((p) => (
          <li key={p.id}>
            <PocketRow
              pockets={p}
              tea={teas.find((tea) => tea.id === p.teaId)?.name ?? 'a tea put away'}
              canCount={role !== 'trainee'}
            />
          </li>
        ))}
      </ul>
    </section>
  );
}

function PocketRow({
  pockets,
  tea,
  canCount,
}: {
  pockets: Pockets;
  tea: string;
  canCount: boolean;
}) {
  const zone = useZone();
  const [count, { isLoading, error }] = useCountPocketsMutation();
  const to = (left: number) => void count({ id: pockets.id, body: { left, rev: pockets.rev } });
  return (
    <div className="stock-row">
      <span className="tea">{tea}</span>
      <span>
        {pocketsWords(pockets)}
        <span className="small block">
          filled {dateText(siteDate(zone, epochMs(pockets.at)))} by {pockets.by.name}
        </span>
        {error && (
          <span className="fault block" role="alert">
            {failureOf(error).message}
          </span>
        )}
      </span>
      {canCount ? (
        <span className="flex gap-1">
          <button
            type="button"
            className="btn slim"
            disabled={isLoading || pockets.left === 0}
            aria-label={`One pocket fewer: ${tea}`}
            onClick={() => to(pockets.left - 1)}
          >
            −1
          </button>
          <button
            type="button"
            className="btn slim"
            disabled={isLoading || pockets.left === pockets.filled}
            aria-label={`One pocket more: ${tea}`}
            onClick={() => to(pockets.left + 1)}
          >
            +1
          </button>
        </span>
      ) : (
        <span />
      )}
    </div>
  );
}

type Form = { teaId: string; filled: string };
function FillForm({
  bagged,
  onDone,
}: {
  bagged: ReturnType<typeof baggedTeas>;
  onDone: () => void;
}) {
  const { site } = useSession();
  const form = useForm<Form>({ defaultValues: { teaId: bagged[0]?.tea.id ?? '', filled: '' } });
  const [id] = useState(newId);
  const [fill, { isLoading, error }] = useFillPocketsMutation();
  const chosen = bagged.find(({ tea }) => tea.id === form.watch('teaId')) ?? bagged[0];
  const save = form.handleSubmit(async (v) => {
    const filled = parseWithin(v.filled, 'The number of pockets', 'pockets', 1, MOST_POCKETS);
    if (filled.kind !== 'ok') return form.setError('filled', { message: filled.why });
    if (!chosen) return;
    const made = await fill({
      ...{ id, siteId: site.id, teaId: chosen.tea.id },
      ...{ grams: grams(chosen.bag), filled: Math.round(filled.value) },
    });
    if (!made.error) onDone();
  });
  return (
    <form className="form mt-2 mb-3" onSubmit={save} noValidate aria-label="Fill pockets">
      <div className="pair">
        <SelectField
          form={form}
          name="teaId"
          label="Tea"
          options={bagged.map(({ tea }) => [tea.id, tea.name] as const)}
        />
        <TextField
          form={form}
          name="filled"
          label="Pockets filled"
          hint={chosen ? `${numberText(chosen.bag)} g in each, by its recipe.` : undefined}
        />
      </div>
      <FormFoot
        error={error}
        isSaving={isLoading}
        saveWords="Pockets are filled"
        leaveWords="Leave the pockets"
        onLeave={onDone}
      />
    </form>
  );
}
