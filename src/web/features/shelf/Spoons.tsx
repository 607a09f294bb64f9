import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { millilitres, numberText, parseWithin } from '#core/units';
import type { HouseSpoon } from '#contracts/kettles';
import { History } from '../../entities/history/History';
import { useSession } from '../../entities/people/session';
import { useBookQuery } from '../../entities/teas/api';
import { useAddSpoonMutation } from '../../entities/teas/spoonsApi';
import { useChangeSpoonMutation } from '../../entities/teas/spoonsApi';
import { useSpoonsQuery } from '../../entities/teas/spoonsApi';
import { fieldFaults } from '../../platform/api';
import { newId } from '../../platform/ids';
import { NotSaved } from '../../platform/NotSaved';
import { CheckField, showFaults, TextField } from '../../ui/fields';
import { SaveOrLeave } from '../../ui/SaveOrLeave';

/** The trade's spoons and the house's own scoops, each drawn by what it holds, with the teas it measures. */
export function Spoons() {
  const { data } = useSpoonsQuery();
  const { data: book } = useBookQuery();
  const { role } = useSession();
  const [editing, setEditing] = useState<HouseSpoon | 'new' | null>(null);
  const spoons = (data?.spoons ?? []).filter((s) => !s.retired);
  const teasBy = (id: string) =>
    (book?.teas ?? []).filter((t) => !t.retired && t.spoon === id).length;
  return (
    <section aria-label="Spoons">
      <div className="flex items-end gap-3 mt-6">
        <h2 className="flex-1 text-[20px]">
          Spoons and scoops<small>a spoon measures one tea, not tea: weigh it with each</small>
        </h2>
        {role === 'lead' && (
          <button type="button" className="btn slim" onClick={() => setEditing('new')}>
            New scoop
          </button>
        )}
      </div>
      <ul className="spoons">
        {spoons.map((s) => (
          <li key={s.id}>
            <svg width="64" height="40" viewBox="0 0 64 40" aria-hidden="true">
              <Bowl ml={s.ml} heaped={s.heaped} />
            </svg>
            <b>{s.name}</b>
            <span className="small">
              {numberText(s.ml)} ml, {s.heaped ? 'heaped' : 'level'}
              <br />
              {teasBy(s.id) === 0
                ? 'no tea yet'
                : `${teasBy(s.id)} ${teasBy(s.id) === 1 ? 'tea' : 'teas'}`}
            </span>
            {s.own && role === 'lead' && (
              <button
                type="button"
                className="btn quiet slim"
                aria-label={`Edit ${s.name}`}
                onClick={() => setEditing(s)}
              >
                Edit
              </button>
            )}
          </li>
        ))}
      </ul>
      {editing && (
        <SpoonForm
          key={editing === 'new' ? 'new' : editing.id}
          spoon={editing === 'new' ? null : editing}
          onDone={() => setEditing(null)}
        />
      )}
    </section>
  );
}

/** A half round bowl whose drawn size goes with what it holds. */
function Bowl({ ml, heaped }: { ml: number; heaped: boolean }) {
  const r = Math.min(17, 7 * Math.cbrt(ml / 5));
  const [x, y] = [24, 18];
  return (
    <g fill="none" stroke="var(--ink)" strokeWidth="1.8">
      {heaped && <path d={`M${x - r} ${y}Q${x} ${y - r} ${x + r} ${y}`} strokeDasharray="3 3" />}
      <path d={`M${x - r} ${y}A${r} ${r} 0 0 0 ${x + r} ${y}Z`} fill="var(--paper)" />
      <path d={`M${x + r} ${y}H62`} strokeWidth="3" />
    </g>
  );
}

type Form = { name: string; ml: string; heaped: boolean; retired: boolean };
function SpoonForm({ spoon, onDone }: { spoon: HouseSpoon | null; onDone: () => void }) {
  const form = useForm<Form>({
    defaultValues: {
      name: spoon?.name ?? '',
      ml: spoon ? numberText(spoon.ml) : '',
      heaped: spoon?.heaped ?? false,
      retired: spoon?.retired ?? false,
    },
  });
  const [id] = useState(() => spoon?.id ?? newId());
  const [rev, setRev] = useState(spoon?.rev ?? 1);
  const [add, adding] = useAddSpoonMutation();
  const [change, changing] = useChangeSpoonMutation();
  const error = adding.error ?? changing.error;
  const save = form.handleSubmit(async (v) => {
    const ml = parseWithin(v.ml, 'A spoon', 'ml', 0.5, 500);
    if (v.name.trim() === '') form.setError('name', { message: 'Give it a name.' });
    if (ml.kind === 'bad') form.setError('ml', { message: ml.why });
    if (v.name.trim() === '' || ml.kind === 'bad') return;
    const fields = { name: v.name.trim(), ml: millilitres(ml.value), heaped: v.heaped };
    try {
      if (spoon) await change({ id, body: { ...fields, rev, retired: v.retired } }).unwrap();
      else await add({ ...fields, id }).unwrap();
      onDone();
    } catch (e) {
      showFaults(form, fieldFaults(e), { name: 'name', ml: 'ml' });
    }
  });
  return (
    <form className="form mt-3 max-w-[760px]" onSubmit={save} noValidate>
      <h3>{spoon ? spoon.name : 'New scoop'}</h3>
      <div className="pair">
        <TextField form={form} name="name" label="Name" />
        <TextField
          form={form}
          name="ml"
          label="Holds"
          unit="ml"
          hint="Fill it with water on the scale: 1 g is 1 ml."
        />
      </div>
      <CheckField form={form} name="heaped" label="Used heaped: less even than level" />
      {spoon && <CheckField form={form} name="retired" label="Retired" />}
      <NotSaved error={error} onKeepMine={setRev} />
      <SaveOrLeave saving={adding.isLoading || changing.isLoading} onLeave={onDone}>
        {spoon ? 'Save the scoop' : 'Put it on the shelf'}
      </SaveOrLeave>
      {spoon && <History thing="spoon" id={spoon.id} />}
    </form>
  );
}
