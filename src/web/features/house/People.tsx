import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { type Person, type Role, secretFault } from '#contracts/people';
import { History } from '../../entities/history/History';
import { useAddPersonMutation } from '../../entities/people/api';
import { useChangePersonMutation } from '../../entities/people/api';
import { usePeopleQuery } from '../../entities/people/api';
import { useSession } from '../../entities/people/session';
import { fieldFaults } from '../../platform/api';
import { newId } from '../../platform/ids';
import { NotSaved } from '../../platform/NotSaved';
import { CheckField, SelectField, showFaults, TextField } from '../../ui/fields';
import { Note } from '../../ui/Note';
import { SaveOrLeave } from '../../ui/SaveOrLeave';
import { TrainingRecord } from './TrainingRecord';

type Form = { name: string; role: Role; secret: string; active: boolean; sites: string[] };

/** Everybody of the house; a lead adds people, sets PINs and ends access. */
export function People() {
  const { data, isError } = usePeopleQuery();
  const { sites } = useSession();
  const [editing, setEditing] = useState<string | null>(null);
  const people = data?.people ?? [];
  const edited = people.find((p) => p.id === editing) ?? null;
  return (
    <section>
      <div className="flex items-end gap-3">
        <h2 className="flex-1">People</h2>
        <button type="button" className="btn slim" onClick={() => setEditing('new')}>
          Someone new
        </button>
      </div>
      {isError && <Note bad>The people cannot be read just now.</Note>}
      <table className="grid-table plain mt-1">
        <thead>
          <tr>
            <th className="l">name</th>
            <th className="l">role</th>
            <th className="l">at</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {people.map((p) => (
            <tr key={p.id}>
              <td className="l">
                {p.name}
                {p.active ? '' : <span className="small"> no longer here</span>}
              </td>
              <td className="l">{p.role}</td>
              <td className="l">
                {p.siteIds.map((id) => sites.find((s) => s.id === id)?.name).join(', ')}
              </td>
              <td>
                <button type="button" className="btn quiet slim" onClick={() => setEditing(p.id)}>
                  Edit<span className="visually-hidden"> {p.name}</span>
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {editing && <PersonForm key={editing} person={edited} onDone={() => setEditing(null)} />}
      {edited && !edited.active && <TrainingRecord key={edited.id} person={edited} />}
    </section>
  );
}

function PersonForm({ person, onDone }: { person: Person | null; onDone: () => void }) {
  const { site, sites } = useSession();
  const form = useForm<Form>({
    defaultValues: {
      name: person?.name ?? '',
      role: person?.role ?? 'brewer',
      secret: '',
      active: person?.active ?? true,
      sites: person?.siteIds ?? [site.id],
    },
  });
  const [id] = useState(newId);
  const [rev, setRev] = useState(person?.rev ?? 1);
  const [add, adding] = useAddPersonMutation();
  const [change, changing] = useChangePersonMutation();
  const error = adding.error ?? changing.error;
  const role = form.watch('role');
  const save = form.handleSubmit(async (v) => {
    const fault = person && v.secret === '' ? null : secretFault(v.role, v.secret);
    if (fault) form.setError('secret', { message: fault });
    if (v.name.trim() === '') form.setError('name', { message: 'Give a name.' });
    if (v.sites.length === 0) form.setError('sites', { message: 'At least one site.' });
    if (fault || v.name.trim() === '' || v.sites.length === 0) return;
    try {
      if (person)
        await change({
          id: person.id,
          body: {
            rev,
            role: v.role,
            active: v.active,
            siteIds: v.sites,
            ...(v.secret ? { secret: v.secret } : {}),
          },
        }).unwrap();
      else
        await add({ id, name: v.name, role: v.role, siteIds: v.sites, secret: v.secret }).unwrap();
      onDone();
    } catch (e) {
      showFaults(form, fieldFaults(e), {
        name: 'name',
        secret: 'secret',
        role: 'role',
        siteIds: 'sites',
      });
    }
  });
  const siteFault = form.formState.errors.sites?.message;
  return (
    <form className="form mt-4 max-w-[760px]" onSubmit={save} noValidate>
      <h3>{person ? person.name : 'Someone new'}</h3>
      <div className="pair">
        {!person && (
          <TextField
            form={form}
            name="name"
            label="Name"
            hint="As on the sign-in page: a first name and a letter will do."
          />
        )}
        <SelectField
          form={form}
          name="role"
          label="Role"
          options={[
            ['brewer', 'brewer'],
            ['trainee', 'trainee'],
            ['lead', 'lead'],
          ]}
        />
        <TextField
          form={form}
          name="secret"
          type="password"
          label={role === 'lead' ? 'Passphrase' : 'PIN'}
          hint={`${role === 'lead' ? '8 letters or more' : '4 digits or more'}.${person ? ' Empty: as it is.' : ''}`}
        />
      </div>
      <fieldset>
        <legend className="text-[15px] font-semibold">Works at</legend>
        <div className="flex flex-wrap gap-4">
          {sites.map((s) => (
            <label className="check" key={s.id}>
              <input type="checkbox" value={s.id} {...form.register('sites')} />
              {s.name}
            </label>
          ))}
        </div>
        {siteFault && (
          <p className="text-warn font-semibold text-[14px]" role="alert">
            {siteFault}
          </p>
        )}
      </fieldset>
      {person && <CheckField form={form} name="active" label="Works here" />}
      <NotSaved error={error} onKeepMine={setRev} />
      <SaveOrLeave saving={adding.isLoading || changing.isLoading} onLeave={onDone}>
        {person ? 'Save' : 'Add them'}
      </SaveOrLeave>
      {person && <History thing="person" id={person.id} />}
    </form>
  );
}
