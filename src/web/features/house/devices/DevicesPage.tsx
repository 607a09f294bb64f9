import { useState } from 'react';
import { Link } from 'react-router';
import { useDevicesQuery } from '../../../entities/people/devicesApi';
import { useSession } from '../../../entities/people/session';
import { useGo } from '../../../platform/useGo';
import { useKeys } from '../../../ui/keys';
import { Loading, Nothing } from '../../../ui/Note';
import { DeviceForm } from './DeviceForm';
import { DeviceList } from './DeviceList';
import { SessionList } from './SessionList';

/** Tablets and phones of the house, and who is signed in on which. */
export function DevicesPage() {
  const { role } = useSession();
  const go = useGo();
  const isLead = role === 'lead';
  const { data } = useDevicesQuery(undefined, { skip: !isLead, pollingInterval: 15_000 });
  const [adding, setAdding] = useState(false);
  useKeys([{ key: 'Escape', does: 'Back to the house', run: () => go('/house') }]);
  if (!isLead)
    return (
      <main className="page p-6">
        <Nothing action={<Link to="/house">To the house</Link>}>A lead sees the devices.</Nothing>
      </main>
    );
  if (!data)
    return (
      <main className="page">
        <Loading what="the devices" />
      </main>
    );
  return (
    <main className="page split whole house-page">
      <section className="work" role="group" tabIndex={0} aria-label="Devices">
        <div className="flex items-end gap-3">
          <h1 className="text-[26px] flex-1">Devices</h1>
          {!adding && (
            <button type="button" className="btn" onClick={() => setAdding(true)}>
              New device
            </button>
          )}
        </div>
        <p className="max-w-[640px]">
          A device is paired once, by a code. Its name then stands beside what is done on it, and a
          lost one is taken out from here.
        </p>
        {adding && <DeviceForm onDone={() => setAdding(false)} />}
        <DeviceList devices={data.devices} />
      </section>
      <section className="paper" aria-label="Who is signed in">
        <SessionList sessions={data.sessions} />
        <p>
          <Link className="btn quiet" to="/house">
            To the house
          </Link>
        </p>
      </section>
    </main>
  );
}
