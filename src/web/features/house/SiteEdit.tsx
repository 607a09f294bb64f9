import { useState } from 'react';
import { useForm } from 'react-hook-form';
import type { Site } from '#contracts/sites';
import { History } from '../../entities/history/History';
import { useAddSiteMutation } from '../../entities/people/api';
import { useChangeSiteMutation } from '../../entities/people/api';
import { useSession } from '../../entities/people/session';
import { emptySite, siteFieldsOf, type SiteForm, siteFormOf } from '../../entities/people/siteForm';
import { SiteUnits } from '../../entities/people/SiteUnits';
import { fieldFaults } from '../../platform/api';
import { newId } from '../../platform/ids';
import { NotSaved } from '../../platform/NotSaved';
import { CheckField, SelectField, showFaults, TextField } from '../../ui/fields';
import { Picked } from '../../ui/Picked';
import { SaveOrLeave } from '../../ui/SaveOrLeave';

/** Add or change a site. */
export function SiteEdit({ site, onDone }: { site: Site | null; onDone: () => void }) {
  const form = useForm<SiteForm>({ defaultValues: site ? siteFormOf(site) : emptySite });
  const [id] = useState(newId);
  const { sites } = useSession();
  /** The site whose shelf a new one begins with; empty: none. */
  const [like, setLike] = useState('');
  const [rev, setRev] = useState(site?.rev ?? 1);
  const [add, adding] = useAddSiteMutation();
  const [change, changing] = useChangeSiteMutation();
  const error = adding.error ?? changing.error;
  const save = form.handleSubmit(async (v) => {
    const fields = siteFieldsOf(
      v,
      (name, message) => form.setError(name, { message }),
      site ?? undefined,
    );
    if (!fields) return;
    try {
      if (site) await change({ id: site.id, body: { ...fields, rev } }).unwrap();
      else await add({ ...fields, id, likeSiteId: like || null }).unwrap();
      onDone();
    } catch (e) {
      showFaults(form, fieldFaults(e), {
        name: 'name',
        altitudeM: 'altitude',
        measuredBoiling: 'boiling',
      });
    }
  });
  return (
    <form className="form mt-4 max-w-[760px]" onSubmit={save} noValidate>
      <h3>{site ? site.name : 'New site'}</h3>
      <div className="pair">
        <TextField form={form} name="name" label="Name" />
        <TextField form={form} name="altitude" label="Altitude" unit="m" />
        <TextField
          form={form}
          name="boiling"
          label="Boils at, measured"
          unit="°C"
          hint="Empty: from the altitude."
        />
      </div>
      <div className="pair">
        <TextField form={form} name="cold" label="Cold water" unit="°C" />
        <TextField form={form} name="ambient" label="Room" unit="°C" />
        <TextField
          form={form}
          name="pourLoss"
          label="Pour loses"
          unit="%"
          hint="Of the difference to the air; one thermometer reading of just-poured water tells."
        />
      </div>
      <div className="pair">
        <SelectField
          form={form}
          name="hardness"
          label="Tap water"
          options={[
            ['unknown', 'not known'],
            ['soft', 'soft'],
            ['medium', 'medium'],
            ['hard', 'hard'],
          ]}
          hint="Very hard water mutes aroma and dulls colour."
        />
        <CheckField form={form} name="filtered" label="Filtered before it is boiled" />
      </div>
      {form.watch('filtered') && (
        <div className="pair">
          <TextField
            form={form}
            name="filterChanged"
            label="Filter changed on"
            type="date"
            hint="Empty: no reminder."
          />
          <TextField
            form={form}
            name="filterDays"
            label="Change it every"
            unit="days"
            hint="The filter’s own paper says how long it lasts."
          />
        </div>
      )}
      <SiteUnits form={form} />
      {!site && (
        <Picked
          label="Begin with"
          value={like}
          options={[
            ['', 'an empty shelf'],
            ...sites.map(
              (s) => [s.id, `the vessels, kettles, hours and limits of ${s.name}`] as const,
            ),
          ]}
          onPick={setLike}
        />
      )}
      <NotSaved error={error} onKeepMine={setRev} />
      <SaveOrLeave saving={adding.isLoading || changing.isLoading} onLeave={onDone}>
        Save the site
      </SaveOrLeave>
      {site && <History thing="site" id={site.id} />}
    </form>
  );
}
