import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { MATERIAL_NAMES, MATERIALS } from '#core/heat';
import {
  celsius,
  type Millilitres,
  numberText,
  type Parsed,
  parseNumber,
  parseVolume,
  volumeText,
} from '#core/units';
import { type Kettle, KETTLE_KINDS, type KettleFields } from '#contracts/kettles';
import { useAddKettleMutation } from '../../entities/kettles/api';
import { useChangeKettleMutation } from '../../entities/kettles/api';
import { useSession, useUnits } from '../../entities/people/session';
import { fieldFaults } from '../../platform/api';
import { newId } from '../../platform/ids';
import { NotSaved } from '../../platform/NotSaved';
import { useGo } from '../../platform/useGo';
import { AreaField, CheckField, SelectField, showFaults, TextField } from '../../ui/fields';
import { SaveOrLeave } from '../../ui/SaveOrLeave';

type Form = {
  name: string;
  kind: KettleFields['kind'];
  volume: string;
  material: KettleFields['material'];
  lid: boolean;
  points: string;
  note: string;
  retired: boolean;
};
/** "60 to 100 by 5"; null when it only boils. */
function readPoints(text: string): KettleFields['setPoints'] | string {
  if (text.trim() === '') return null;
  const [from, to, step] = (text.match(/\d+(?:[.,]\d+)?/g) ?? [])
    .map((t) => parseNumber(t))
    .map((p) => (p.kind === 'ok' ? p.value : NaN));
  if (from === undefined || to === undefined || !(from < to) || from < 20 || to > 102)
    return 'Write 60 to 100 by 5, in °C; empty when it only boils.';
  return { from: celsius(from), to: celsius(to), step: step && step > 0 ? step : 5 };
}

/** Add or change a kettle, urn or jug. */
export function KettleForm({ kettle, onDone }: { kettle: Kettle | null; onDone: () => void }) {
  const { site } = useSession();
  const units = useUnits();
  const go = useGo();
  const form = useForm<Form>({
    defaultValues: {
      name: kettle?.name ?? '',
      kind: kettle?.kind ?? 'kettle',
      volume: kettle ? volumeText(kettle.volume, units.volume) : '',
      material: kettle?.material ?? 'stainless',
      lid: kettle?.lid ?? true,
      points: kettle?.setPoints
        ? `${numberText(kettle.setPoints.from)} to ${numberText(kettle.setPoints.to)} by ${numberText(kettle.setPoints.step)}`
        : '',
      note: kettle?.note ?? '',
      retired: kettle?.retired ?? false,
    },
  });
  const [id] = useState(() => kettle?.id ?? newId());
  const [rev, setRev] = useState(kettle?.rev ?? 1);
  const [add, adding] = useAddKettleMutation();
  const [change, changing] = useChangeKettleMutation();
  const error = adding.error ?? changing.error;
  const save = form.handleSubmit(async (v) => {
    const [volume, points] = [parseVolume(v.volume, units.volume), readPoints(v.points)];
    if (v.name.trim() === '') form.setError('name', { message: 'Give it a name.' });
    const holds = holdsFault(volume);
    if (holds) form.setError('volume', { message: holds });
    if (typeof points === 'string') form.setError('points', { message: points });
    if (v.name.trim() === '' || holds || volume.kind === 'bad' || typeof points === 'string')
      return;
    const fields: KettleFields = {
      name: v.name.trim(),
      kind: v.kind,
      volume: volume.value,
      material: v.material,
      lid: v.lid,
      setPoints: points,
      note: v.note,
    };
    try {
      if (kettle) await change({ id, body: { ...fields, rev, retired: v.retired } }).unwrap();
      else await add({ ...fields, id, siteId: site.id }).unwrap();
      if (kettle) onDone();
      else go(`/shelf/kettles/${id}`, { replace: true });
    } catch (e) {
      showFaults(form, fieldFaults(e), { name: 'name', volume: 'volume' });
    }
  });
  return (
    <form className="form" onSubmit={save} noValidate>
      <TextField form={form} name="name" label="Name" />
      <div className="pair">
        <SelectField
          form={form}
          name="kind"
          label="Kind"
          options={KETTLE_KINDS.map((k) => [k, k] as const)}
        />
        <TextField
          form={form}
          name="volume"
          label="Holds, full"
          hint="With its unit: 1200, or 40 fl oz."
        />
      </div>
      <div className="pair">
        <SelectField
          form={form}
          name="material"
          label="Material"
          options={MATERIAL_NAMES.filter((m) => m !== 'none').map(
            (m) => [m, MATERIALS[m].label] as const,
          )}
        />
        <TextField
          form={form}
          name="points"
          label="Can be set to"
          hint="60 to 100 by 5, in °C. Empty: it only boils."
        />
      </div>
      <CheckField form={form} name="lid" label="Its lid stays on while water waits" />
      <AreaField form={form} name="note" label="Note" />
      {kettle && <CheckField form={form} name="retired" label="Retired" />}
      <NotSaved error={error} onKeepMine={setRev} />
      <SaveOrLeave saving={adding.isLoading || changing.isLoading} onLeave={onDone}>
        {kettle ? 'Save the kettle' : 'Put it on the shelf'}
      </SaveOrLeave>
    </form>
  );
}

/** What is wrong with how much a kettle holds. */
function holdsFault(volume: Parsed<Millilitres>) {
  if (volume.kind === 'bad') return volume.why;
  if (volume.value < 200 || volume.value > 40_000) return 'A kettle holds 200 ml to 40 l.';
  return null;
}
