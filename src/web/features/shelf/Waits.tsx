import { POUR_LOSS } from '#core/heat';
import { minutesText, numberText, type Seconds, temperatureText } from '#core/units';
import type { Kettle } from '#contracts/kettles';
import type { Site } from '#contracts/sites';
import { useChangeSiteMutation } from '../../entities/people/api';
import { failureOf } from '../../platform/api';
import { useAppDispatch } from '../../platform/store';
import { toastShown } from '../../platform/toasts';
import { Note } from '../../ui/Note';
import { type KettleFacts, waitTable } from './kettle';

export function Waits({ facts, site }: { facts: KettleFacts; site: Site }) {
  const t = (c: Parameters<typeof temperatureText>[0]) => temperatureText(c, site.temperatureUnit);
  return (
    <>
      <h2>
        To have it on the leaf<small>pot warmed, room {t(site.ambient)}</small>
      </h2>
      <table className="grid-table plain waits">
        <thead>
          <tr>
            <th className="l">on the leaf</th>
            <th>kettle at</th>
            <th>wait{facts.usual.lid ? '' : ', lid open'}</th>
            <th>or cold first, of 500 ml</th>
          </tr>
        </thead>
        <tbody>
          {waitTable(facts, site).map((l) =>
            l.kind === 'outOfReach' ? (
              <tr key={l.leaf}>
                <td className="l">
                  <b>{t(l.leaf)}</b>
                </td>
                <td className="fault" colSpan={2}>
                  out of reach
                </td>
                <td>{t(l.most)} is the most</td>
              </tr>
            ) : (
              <tr key={l.leaf}>
                <td className="l">
                  <b>{t(l.leaf)}</b>
                </td>
                <td>{t(l.kettleAt)}</td>
                <td>{waitText(l.wait)}</td>
                <td>
                  {l.cold === null ? (
                    '–'
                  ) : (
                    <>
                      <b>{l.cold}</b> ml
                    </>
                  )}
                </td>
              </tr>
            ),
          )}
        </tbody>
      </table>
      <p className="small mt-2">
        {facts.loss ? (
          <>
            The pour loses <b>{numberText(facts.loss.loss * 100)} % of the way to the room</b>:{' '}
            {facts.loss.readings} thermometer {facts.loss.readings === 1 ? 'reading' : 'readings'}.
          </>
        ) : (
          <>
            The pour loses {numberText(100 * (site.pourLoss ?? POUR_LOSS))} % of the way to the room
            {site.pourLoss === null ? ': from memory. Read just-poured water once to know' : ''}.
          </>
        )}{' '}
        Cold water is {t(site.coldWater)}. Boiling water and steam scald.
      </p>
    </>
  );
}

/** How long to wait. */
function waitText(wait: Seconds | null) {
  if (wait === null) return 'never';
  if (wait > 3600) return 'over an hour';
  return minutesText(wait);
}

/** Recipe cards of this site use this kettle from then on. */
export function UseHere({
  kettle,
  facts,
  site,
}: {
  kettle: Kettle;
  facts: KettleFacts;
  site: Site;
}) {
  const [change, { isLoading, error }] = useChangeSiteMutation();
  const dispatch = useAppDispatch();
  const rate = facts.fit.kind === 'fitted' ? facts.fit.rate : null;
  const loss = facts.loss
    ? Math.round(Math.min(0.25, facts.loss.loss) * 1000) / 1000
    : site.pourLoss;
  const near = (a: number, b: number) => Math.abs(a - b) <= 0.01 * Math.max(a, b);
  const sameRate =
    rate === null
      ? site.kettle.rate === null
      : site.kettle.rate !== null && near(site.kettle.rate.a, rate.a);
  const used =
    site.kettle.name === kettle.name &&
    sameRate &&
    (site.pourLoss === loss || near(site.pourLoss ?? 0, loss ?? 0));
  const use = () => {
    const { id, ...fields } = site;
    void change({
      id,
      body: {
        ...fields,
        pourLoss: loss,
        kettle: {
          volume: kettle.volume,
          material: kettle.material,
          lid: kettle.lid,
          rate,
          name: kettle.name,
        },
      },
    })
      .unwrap()
      .then(
        () =>
          dispatch(
            toastShown({
              text: `Recipe cards of ${site.name} use the ${kettle.name} from now on.`,
            }),
          ),
        () => undefined,
      );
  };
  if (used)
    return (
      <p className="small" role="status">
        Recipe cards of {site.name} use this kettle.
      </p>
    );
  return (
    <>
      {error && <Note bad>{failureOf(error).message}</Note>}
      <button type="button" className="btn go" disabled={isLoading} onClick={use}>
        Use this kettle at {site.name}
      </button>
    </>
  );
}
