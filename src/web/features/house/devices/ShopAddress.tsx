import { ROUTES } from '#contracts/routes';
import { useSession } from '../../../entities/people/session';
import { useShopQuery } from '../../../entities/people/shopApi';
import { failureOf } from '../../../platform/api';
import { clockText } from '../../../ui/days';
import { Note } from '../../../ui/Note';

const ASK_AGAIN_MS = 10_000;

/** How a tablet is let in, and which listen now. The page is drawn once its first answer is here. */
export function ShopAddress() {
  const { sites } = useSession();
  const { data, error } = useShopQuery(undefined, { pollingInterval: ASK_AGAIN_MS });
  return (
    <section className="mt-8">
      <h2>
        In the shop’s own network<small>how a tablet or phone gets here</small>
      </h2>
      {!data && error && <Note bad>{failureOf(error).message}</Note>}
      {data?.address === null && (
        <p className="mt-1 max-w-[640px]">
          Only this computer can open Limnos. To use tablets and phones, start Limnos with{' '}
          <code>npm start -- --shop</code>.
        </p>
      )}
      {data?.address && data.help && (
        <div className="flex flex-wrap gap-6 mt-2">
          <img
            src={ROUTES.getShopCode.path}
            width={150}
            height={150}
            alt={`Code of the page ${data.help}`}
          />
          <div className="max-w-[560px]">
            <p>
              On a new device, scan this code or open <b>{data.help}</b>. The page explains how to
              add the device. After that, the device opens Limnos at <b>{data.address}</b>.
            </p>
            {data.fingerprint && (
              <p className="small mt-2" style={{ overflowWrap: 'anywhere' }}>
                Certificate fingerprint (SHA-256). The device must show the same fingerprint:{' '}
                {data.fingerprint}
              </p>
            )}
          </div>
        </div>
      )}
      {data && data.devices.length > 0 && (
        <table className="grid-table plain mt-3">
          <thead>
            <tr>
              <th className="l">open now</th>
              <th className="l">site</th>
              <th>since</th>
            </tr>
          </thead>
          <tbody>
            {data.devices.map((d, i) => (
              <tr key={i}>
                <td className="l">{d.name}</td>
                <td className="l">{sites.find((s) => s.id === d.siteId)?.name ?? ''}</td>
                <td>{clockText(d.since)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}
