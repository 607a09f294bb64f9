import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { PROGRAM_RIGHTS, type ProgramRight } from '#contracts/programs';
import { useAddProgramMutation } from '../../../entities/people/programsApi';
import { useSession } from '../../../entities/people/session';
import { fieldFaults } from '../../../platform/api';
import { newId } from '../../../platform/ids';
import { NotSaved } from '../../../platform/NotSaved';
import { CheckField, SelectField, showFaults, TextField } from '../../../ui/fields';
import { SaveOrLeave } from '../../../ui/SaveOrLeave';
import { RIGHTS } from './words';

type Form = { name: string; siteId: string; hook: string } & Record<ProgramRight, boolean>;

/** A new key: whose it is and what it opens; then the key itself, once. */
export function ProgramForm({ onDone }: { onDone: () => void }) {
  const { site, sites } = useSession();
  const form = useForm<Form>({
    defaultValues: {
      ...{ name: '', siteId: site.id, hook: '' },
      ...{ orders: true, bar: false, book: true },
    },
  });
  const [id] = useState(newId);
  const [add, adding] = useAddProgramMutation();
  const [noRight, setNoRight] = useState(false);
  const key = adding.data?.key ?? null;
  if (key !== null && adding.data)
    return (
      <KeyOnce
        name={adding.data.program.name}
        keyText={key}
        secret={adding.data.secret}
        onDone={onDone}
      />
    );
  const save = form.handleSubmit(async ({ name, siteId, hook, ...rest }) => {
    const rights = PROGRAM_RIGHTS.filter((right) => rest[right]);
    setNoRight(rights.length === 0);
    if (rights.length === 0) return;
    const { error } = await add({ id, name, siteId, rights, hook: hook.trim() || null });
    if (error) showFaults(form, fieldFaults(error), { name: 'name', hook: 'hook' });
  });
  return (
    <form className="form" noValidate onSubmit={(e) => void save(e)}>
      <TextField form={form} name="name" label="Name of the program" hint="Till at the door" />
      {sites.length > 1 && (
        <SelectField
          form={form}
          name="siteId"
          label="For which site"
          options={sites.map((s) => [s.id, s.name] as const)}
        />
      )}
      <fieldset className="min-w-0">
        <legend>What the program may do</legend>
        {PROGRAM_RIGHTS.map((right) => (
          <CheckField key={right} form={form} name={right} label={RIGHTS[right]} />
        ))}
        {noRight && (
          <p className="fault" role="alert">
            Choose what it may do.
          </p>
        )}
      </fieldset>
      <TextField
        form={form}
        name="hook"
        label="Where the program hears that an order is ready"
        hint="An address of the program, http:// or https://. Empty: the program asks."
      />
      <NotSaved error={adding.error} />
      <SaveOrLeave saving={adding.isLoading} onLeave={onDone}>
        Make the key
      </SaveOrLeave>
    </form>
  );
}

function KeyOnce({
  name,
  keyText,
  secret,
  onDone,
}: {
  name: string;
  keyText: string;
  secret: string | null;
  onDone: () => void;
}) {
  return (
    <div className="form" role="status">
      <p>
        <b>The key of {name}.</b> Copy it now: it is shown only once.
      </p>
      <code className="break-all" data-testid="program-key">
        {keyText}
      </code>
      {secret !== null && (
        <>
          <p>
            <b>The secret that signs its messages:</b>
          </p>
          <code className="break-all" data-testid="program-secret">
            {secret}
          </code>
        </>
      )}
      <div>
        <button type="button" className="btn" onClick={onDone}>
          Done
        </button>
      </div>
    </div>
  );
}
