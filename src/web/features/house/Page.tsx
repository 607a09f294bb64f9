import { useState } from 'react';
import { Link } from 'react-router';
import { boilingAt } from '#core/heat';
import { type Celsius, metres, temperatureText } from '#core/units';
import type { Site } from '#contracts/sites';
import { useBackupsQuery } from '../../entities/exchange/backupsApi';
import { usePeopleQuery } from '../../entities/people/api';
import { RoomChoice, SoundChoice } from '../../entities/people/DeviceSettings';
import { useSession } from '../../entities/people/session';
import { useBookQuery } from '../../entities/teas/api';
import { useFirstLoad } from '../../platform/useFirstLoad';
import { Loading } from '../../ui/Note';
import { BoilingRule } from './BoilingRule';
import { BookKeeping } from './BookKeeping';
import { Cautions } from './Cautions';
import { FilterReminder } from './FilterReminder';
import { LookedAfter } from './LookedAfter';
import { MyUnits } from './MyUnits';
import { People } from './People';
import { SiteEdit } from './SiteEdit';

/** The house: its sites and people (for leads), and this device. */
export function HousePage() {
  const { sites, site, role } = useSession();
  const [editing, setEditing] = useState<string | null>(null);
  const lead = role === 'lead';
  const people = usePeopleQuery(undefined, { skip: !lead });
  const book = useBookQuery(undefined, { skip: !lead });
  const chosen = sites.find((s) => s.id === editing);
  const backups = useBackupsQuery(undefined, { skip: !lead });
  const loads = useFirstLoad(people, book, backups);
  if (loads)
    return (
      <main className="page">
        <Loading what="the house’s records" />
      </main>
    );
  return (
    <main className="page split whole house-page">
      <h1 className="visually-hidden">House</h1>
      <section className="work">
        <div className="flex flex-wrap items-end gap-x-3 gap-y-1">
          <h2 className="flex-1 min-w-[200px]">
            Where water boils<small>sites, each at its altitude</small>
          </h2>
          {lead && (
            <Link className="btn quiet slim" to="/house/hours">
              Hours of {site.name}
            </Link>
          )}
          {lead && (
            <Link className="btn quiet slim" to="/house/limits">
              Limits
            </Link>
          )}
          {lead && (
            <Link className="btn quiet slim" to="/house/calendar">
              Calendar
            </Link>
          )}
          {lead && (
            <button type="button" className="btn slim" onClick={() => setEditing('new')}>
              New site
            </button>
          )}
        </div>
        <FilterReminder site={site} canChange={role !== 'trainee'} />
        <BoilingRule sites={sites} here={site.id} />
        <SitesTable sites={sites} site={site} lead={lead} onEdit={setEditing} />
        {lead && editing && (
          <SiteEdit key={editing} site={chosen ?? null} onDone={() => setEditing(null)} />
        )}
        {lead && <LookedAfter />}
        {lead && <People />}
        {lead && <BookKeeping />}
      </section>
      <section className="paper" aria-label="This device, and cautions">
        <ThisDevice />
        <MyUnits />
        <hr />
        <Cautions />
      </section>
    </main>
  );
}

/** The sites with what their water does. */
function SitesTable({
  sites,
  site,
  lead,
  onEdit,
}: {
  sites: readonly Site[];
  site: Site;
  lead: boolean;
  onEdit: (siteId: string) => void;
}) {
  return (
    <table className="grid-table plain mt-1">
      <thead>
        <tr>
          <th className="l">site</th>
          <th>altitude</th>
          <th>boils at</th>
          <th className="opt">cold tap</th>
          <th className="opt">pour loses</th>
          <th />
        </tr>
      </thead>
      <tbody>
        {sites.map((s) => (
          <tr key={s.id}>
            <td className="l">
              {s.name}
              {s.id === site.id ? <span className="small"> here</span> : ''}
            </td>
            <td>{s.altitudeM} m</td>
            <td>
              <b>
                {temperatureText(
                  (s.measuredBoiling ?? boilingAt(metres(s.altitudeM))) as Celsius,
                  s.temperatureUnit,
                )}
              </b>{' '}
              <span className="small">{s.measuredBoiling === null ? 'computed' : 'measured'}</span>
            </td>
            <td className="opt">{temperatureText(s.coldWater, s.temperatureUnit)}</td>
            <td className="opt">
              {s.pourLoss === null
                ? '7 %, from memory'
                : `${Math.round(s.pourLoss * 100)} %, measured`}
            </td>
            <td>
              {lead && (
                <button type="button" className="btn quiet slim" onClick={() => onEdit(s.id)}>
                  Edit
                </button>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Room and sound of this device, whoever signs in. */
function ThisDevice() {
  return (
    <section>
      <h2>
        This device<small>not anybody’s own</small>
      </h2>
      <div className="flex flex-wrap gap-x-6 gap-y-2 mt-2 items-center">
        <RoomChoice />
        <div className="flex flex-wrap gap-3 items-center">
          <span>Sound</span>
          <SoundChoice />
        </div>
      </div>
      <p className="small mt-2">
        A soft double knock 10 s before best, one tap at best, two at latest and thrice after. Each
        place has its own pitch.
      </p>
    </section>
  );
}
