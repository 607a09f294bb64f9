import { useState } from 'react';
import { useForm } from 'react-hook-form';
import type { PrinterDots, PrinterLanguage } from '#core/labels';
import { useSession } from '../../../entities/people/session';
import { useAddPrinterMutation } from '../../../entities/printers/api';
import { fieldFaults } from '../../../platform/api';
import { newId } from '../../../platform/ids';
import { NotSaved } from '../../../platform/NotSaved';
import { SelectField, showFaults, TextField } from '../../../ui/fields';
import { SaveOrLeave } from '../../../ui/SaveOrLeave';

/** What most label printers of a network listen on. */
const USUAL_PORT = '9100';
type Form = { name: string; language: PrinterLanguage; host: string; port: string; dots: string };

/** A label printer of this site: how it is called, spoken to, and reached. */
export function PrinterForm({ onDone }: { onDone: () => void }) {
  const { site } = useSession();
  const form = useForm<Form>({
    defaultValues: { name: '', language: 'zpl', host: '', port: USUAL_PORT, dots: '8' },
  });
  const [id] = useState(newId);
  const [add, adding] = useAddPrinterMutation();
  const save = form.handleSubmit(async ({ port, dots, ...rest }) => {
    if (!/^\d{1,5}$/.test(port.trim()))
      return form.setError('port', { message: 'A port is a number, as 9100.' });
    const { error } = await add({
      ...{ id, siteId: site.id, ...rest },
      ...{ port: Number(port), dots: Number(dots) as PrinterDots },
    });
    if (error) showFaults(form, fieldFaults(error), { name: 'name', host: 'host', port: 'port' });
    else onDone();
  });
  return (
    <form className="form" noValidate onSubmit={(e) => void save(e)}>
      <TextField
        form={form}
        name="name"
        label="Name of the printer"
        hint="Label printer, counter"
      />
      <SelectField
        form={form}
        name="language"
        label="Its language"
        options={[
          ['zpl', 'ZPL: labels, 62 × 50 mm'],
          ['escpos', 'ESC/POS: a roll, as of tills'],
        ]}
        hint="The printer’s own manual says which."
      />
      <div className="pair">
        <TextField
          form={form}
          name="host"
          label="Address in this network"
          hint="As 192.168.1.40. Limnos sends from the machine the house runs on."
        />
        <TextField form={form} name="port" label="Port" />
        {form.watch('language') === 'zpl' && (
          <SelectField
            form={form}
            name="dots"
            label="Print head"
            options={[
              ['8', '203 dots an inch'],
              ['12', '300 dots an inch'],
            ]}
          />
        )}
      </div>
      <NotSaved error={adding.error} />
      <SaveOrLeave saving={adding.isLoading} onLeave={onDone}>
        Add the printer
      </SaveOrLeave>
    </form>
  );
}
