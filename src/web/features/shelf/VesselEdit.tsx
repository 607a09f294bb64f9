import { useState } from 'react';
import { useForm, type UseFormReturn } from 'react-hook-form';
import { MATERIAL_NAMES, MATERIALS } from '#core/heat';
import { type Millilitres, type Parsed, parseVolume } from '#core/units';
import { INFUSER_KINDS, INFUSERS, PROFILES, VESSEL_KINDS } from '#core/vessels';
import type { Vessel } from '#contracts/vessels';
import { useSession, useUnits } from '../../entities/people/session';
import { useAddVesselMutation } from '../../entities/vessels/api';
import { useChangeVesselMutation } from '../../entities/vessels/api';
import { VesselDrawing } from '../../entities/vessels/VesselDrawing';
import { fieldFaults } from '../../platform/api';
import { newId } from '../../platform/ids';
import { NotSaved } from '../../platform/NotSaved';
import { useGo } from '../../platform/useGo';
import { CheckField, SelectField, showFaults, TextField } from '../../ui/fields';
import { SaveOrLeave } from '../../ui/SaveOrLeave';
import { emptyVessel, vesselFieldsOf, type VesselForm, vesselFormOf } from './vesselForm';

/** Add or change a vessel; the drawing follows what is typed. */
export function VesselEdit({ vessel, onDone }: { vessel: Vessel | null; onDone: () => void }) {
  const { volume } = useUnits();
  const { site } = useSession();
  const go = useGo();
  const form = useForm<VesselForm>({ defaultValues: vessel ? vesselFormOf(vessel) : emptyVessel });
  const [id] = useState(newId);
  const [rev, setRev] = useState(vessel?.rev ?? 1);
  const [add, adding] = useAddVesselMutation();
  const [change, changing] = useChangeVesselMutation();
  const error = adding.error ?? changing.error;
  const typed = form.watch();
  const [brim, mark, basket] = [
    parseVolume(typed.brim, volume),
    parseVolume(typed.mark, volume),
    parseVolume(typed.basket, volume),
  ];
  const save = form.handleSubmit(async (v) => {
    const fields = vesselFieldsOf(
      v,
      volume,
      (name, message) => form.setError(name, { message }),
      vessel?.weighed ?? null,
    );
    if (!fields) return;
    try {
      if (vessel)
        await change({ id: vessel.id, body: { ...fields, rev, retired: vessel.retired } }).unwrap();
      else await add({ ...fields, id, siteId: site.id }).unwrap();
      if (vessel) onDone();
      else go(`/shelf/${id}`, { replace: true });
    } catch (e) {
      showFaults(form, fieldFaults(e), {
        name: 'name',
        brim: 'brim',
        mark: 'mark',
        basket: 'basket',
        wallGrams: 'wall',
        dead: 'dead',
        covers: 'covers',
      });
    }
  });
  return (
    <form className="form" onSubmit={save} noValidate>
      <div className="pair items-end">
        <div className="form">
          <TextField form={form} name="name" label="Name" hint="What people call it at the bar." />
          <SelectField
            form={form}
            name="kind"
            label="Kind"
            options={VESSEL_KINDS.map((k) => [k, PROFILES[k].label] as const)}
          />
        </div>
        <DrawnAsTyped brim={brim} typed={typed} mark={mark} basket={basket} />
      </div>
      <VesselFacts form={form} typed={typed} />
      <div className="flex gap-4">
        <CheckField form={form} name="lid" label="Has a lid" />
        <CheckField form={form} name="cosy" label="Stands in a cosy" />
      </div>
      <NotSaved error={error} onKeepMine={setRev} />
      <SaveOrLeave saving={adding.isLoading || changing.isLoading} onLeave={onDone}>
        {vessel ? 'Save the vessel' : 'Put it on the shelf'}
      </SaveOrLeave>
    </form>
  );
}

/** The vessel as it is typed so far. */
function DrawnAsTyped({
  brim,
  typed,
  mark,
  basket,
}: {
  brim: Parsed<Millilitres>;
  typed: VesselForm;
  mark: Parsed<Millilitres>;
  basket: Parsed<Millilitres>;
}) {
  return (
    <div className="flex justify-center min-h-[120px] items-end border-b-[3px] border-ink">
      {brim.kind === 'ok' && brim.value >= 30 && brim.value <= 20_000 ? (
        <VesselDrawing
          vessel={{
            kind: typed.kind,
            brim: brim.value,
            mark: mark.kind === 'ok' && mark.value <= brim.value ? mark.value : brim.value,
            basket: basket.kind === 'ok' && typed.infuser !== 'free' ? basket.value : null,
            infuser: typed.infuser,
            material: typed.material,
          }}
          scale={Math.min(1, 90 / Math.cbrt(brim.value))}
          label=""
          bowl={false}
          fill={mark.kind === 'ok' && mark.value <= brim.value ? mark.value : undefined}
          water
        />
      ) : (
        <p className="small pb-4">Drawn when its brim is known.</p>
      )}
    </div>
  );
}

/** What it holds, what it is made of and what stays in it. */
function VesselFacts({ form, typed }: { form: UseFormReturn<VesselForm>; typed: VesselForm }) {
  return (
    <>
      <div className="pair">
        <TextField
          form={form}
          name="brim"
          label="To the brim"
          hint="With its unit: 620, or 21 fl oz."
        />
        <TextField form={form} name="mark" label="To the fill mark" />
      </div>
      <div className="pair">
        <SelectField
          form={form}
          name="infuser"
          label="Infuser"
          options={INFUSER_KINDS.map((k) => [k, INFUSERS[k].label] as const)}
        />
        {typed.infuser !== 'free' && (
          <TextField
            form={form}
            name="basket"
            label="Basket holds"
            hint="Empty: the usual for its kind."
          />
        )}
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
          name="wall"
          label="Weighs, empty"
          unit="g"
          hint="Empty: the usual for its size."
        />
      </div>
      <div className="pair">
        <SelectField
          form={form}
          name="strainer"
          label="The leaf"
          options={[
            ['liftsOut', 'is lifted out'],
            ['staysIn', 'stays in, behind a strainer'],
          ]}
        />
        <TextField
          form={form}
          name="dead"
          label="Stays in it when poured"
          hint="Below the spout. Empty: nothing."
        />
      </div>
      <div className="pair">
        <TextField
          form={form}
          name="covers"
          label="Covers the leaf from"
          hint="Empty: worked out from the basket."
        />
        {typed.infuser !== 'free' && (
          <TextField form={form} name="depth" label="Basket is deep" unit="mm" />
        )}
      </div>
    </>
  );
}
