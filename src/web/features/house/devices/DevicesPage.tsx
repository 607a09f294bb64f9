import { useState } from 'react';
import { useDevicesQuery } from '../../../entities/people/devicesApi';
import { useShopQuery } from '../../../entities/people/shopApi';
import { Awaited } from '../../../platform/Awaited';
import { useFirstLoad } from '../../../platform/useFirstLoad';
import { LeadsOnly, ToTheHouse } from '../LeadsOnly';
import { DeviceForm } from './DeviceForm';
import { DeviceList } from './DeviceList';
import { SessionList } from './SessionList';
import { ShopAddress } from './ShopAddress';

/** Tablets and phones of the house, and who is signed in on which. */
export const DevicesPage = () => (
  <LeadsOnly says="A lead sees the devices.">
    <Devices />
  </LeadsOnly>
);

function Devices() {
  const devices = useDevicesQuery(undefined, { pollingInterval: 15_000 });
  const shop = useShopQuery();
  const [adding, setAdding] = useState(false);
  const loads = useFirstLoad(devices, shop);
  const { data } = devices;
  if (!data || loads) return <Awaited what="the devices" of={[devices]} />;
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
        <ShopAddress />
      </section>
      <section className="paper" aria-label="Who is signed in">
        <SessionList sessions={data.sessions} />
        <ToTheHouse />
      </section>
    </main>
  );
}
