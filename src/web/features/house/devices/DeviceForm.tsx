import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { useAddDeviceMutation } from '../../../entities/people/devicesApi';
import { useSession } from '../../../entities/people/session';
import { fieldFaults } from '../../../platform/api';
import { newId } from '../../../platform/ids';
import { NotSaved } from '../../../platform/NotSaved';
import { SelectField, showFaults, TextField } from '../../../ui/fields';
import { SaveOrLeave } from '../../../ui/SaveOrLeave';
import { PairingCode } from './PairingCode';

type Form = { name: string; siteId: string };

/** A new device: its name and place, then the code that is typed on it. */
export function DeviceForm({ onDone }: { onDone: () => void }) {
  const { site, sites } = useSession();
  const form = useForm<Form>({ defaultValues: { name: '', siteId: site.id } });
  const [id] = useState(newId);
  const [add, adding] = useAddDeviceMutation();
  const code = adding.data?.code ?? null;
  if (code !== null && adding.data)
    return <PairingCode name={adding.data.device.name} code={code} onDone={onDone} />;
  const save = form.handleSubmit(async (typed) => {
    const { error } = await add({ id, ...typed });
    if (error) showFaults(form, fieldFaults(error), { name: 'name' });
  });
  return (
    <form className="form" noValidate onSubmit={(e) => void save(e)}>
      <TextField
        form={form}
        name="name"
        label="Name of the device"
        hint="Left tablet, phone of the kitchen"
      />
      {sites.length > 1 && (
        <SelectField
          form={form}
          name="siteId"
          label="Place of the device"
          options={sites.map((s) => [s.id, s.name] as const)}
        />
      )}
      <NotSaved error={adding.error} />
      <SaveOrLeave saving={adding.isLoading} onLeave={onDone}>
        Make a code
      </SaveOrLeave>
    </form>
  );
}
