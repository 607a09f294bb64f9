import { useState } from 'react';
import { Link } from 'react-router';
import { type Drift, errorText, type GroupRow } from '#core/trends';
import type { Measure, Trends } from '#contracts/log';
import { useTrendsQuery } from '../../entities/brews/api';
import { useSession } from '../../entities/people/session';
import { useBookQuery } from '../../entities/teas/api';
import { useVesselsQuery } from '../../entities/vessels/api';
import { useGo } from '../../platform/useGo';
import { dayText } from '../../ui/days';
import { useKeys } from '../../ui/keys';
import { Loading, Note, Nothing } from '../../ui/Note';
import { PickList } from '../../ui/PickList';
import { useAddress, wordsOf } from './filters';
import { TrendChart } from './TrendChart';

const MEASURES = [
  { value: 'pull', text: 'Pull error' },
  { value: 'colour', text: 'Colour' },
  { value: 'verdict', text: 'Verdict' },
] as const;
const LASTS = ['30', '60', '200', '600'].map((v) => ({ value: v, text: `${v} brews` }));
const HOURS = Array.from({ length: 24 }, (_, h) => ({
  value: String(h),
  text: `${String(h).padStart(2, '0')}:00 to ${String((h + 1) % 24).padStart(2, '0')}:00`,
}));

/** The last brews in order against their limits, and in words what has moved. */
export function TrendPage() {
  const { site, personId, name, role } = useSession();
  const address = useAddress();
  const { of } = address;
  const go = useGo();
  const { data: book } = useBookQuery();
  const { data: shelf } = useVesselsQuery();
  const [table, setTable] = useState(false);
  const [at, setAt] = useState<number | null>(null);
  const measure = (of('of') || 'pull') as Measure;
  const last = Number(of('last') || 60);
  const { data, isLoading, isError, refetch } = useTrendsQuery(
    {
      siteId: site.id,
      measure,
      last,
      zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
      ...(of('tea') ? { teaId: of('tea') } : {}),
      ...(of('lot') ? { lotId: of('lot') } : {}),
      ...(of('vessel') ? { vesselId: of('vessel') } : {}),
      ...(of('by') ? { personId: of('by') } : {}),
      ...(of('hour') ? { hour: Number(of('hour')) } : {}),
      ...(of('kettle') ? { kettle: of('kettle') } : {}),
      // A season's brews are read for it: anew when it is opened, not at every touch of the bar.
    },
    { refetchOnMountOrArgChange: true },
  );
  const set = (over: Record<string, string>) => {
    setAt(null);
    address.set(over);
  };
  const points = data?.points ?? [];
  const walk = (by: number) => {
    // Enter then opens the point, not what was touched before.
    if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
    setAt((a) =>
      points.length ? Math.max(0, Math.min(points.length - 1, (a ?? points.length) + by)) : null,
    );
  };
  useKeys([
    { key: 'ArrowLeft', does: 'The point before', run: () => walk(-1) },
    { key: 'ArrowRight', does: 'The next point', run: () => walk(1) },
    {
      key: 'Enter',
      does: 'Open its brew',
      run: () => {
        const p = at === null ? undefined : points[at];
        if (p) go(`/log/${p.id}`);
      },
    },
    { key: 'b', does: 'As a table', run: () => setTable((t) => !t) },
    { key: 'Escape', does: 'To the list', run: () => go('/log') },
  ]);
  const teas = [
    { value: '', text: 'every tea' },
    ...(book?.teas ?? []).map((t) => ({ value: t.id, text: t.name })),
  ];
  const vessels = [
    { value: '', text: 'any vessel' },
    ...(shelf?.vessels ?? [])
      .filter((v) => v.siteId === site.id && v.kind !== 'pitcher')
      .map((v) => ({ value: v.id, text: v.name })),
  ];
  const who = [
    { value: '', text: 'everyone' },
    { value: personId, text: `${name}, my own` },
  ];
  const hours = [{ value: '', text: 'any hour' }, ...HOURS];
  return (
    <main className="page split trend-page" style={{ gridTemplateColumns: undefined }}>
      <h1 className="visually-hidden">Trends</h1>
      <div className="say">
        <PickList
          label="What"
          shown={wordsOf(MEASURES, measure)}
          choices={MEASURES.map((m) => ({ ...m, value: m.value as string }))}
          chosen={measure}
          onPick={(v) => set({ of: v === 'pull' ? '' : v })}
        />
        <span>of</span>
        <PickList
          label="Tea"
          filter="Type a name"
          shown={wordsOf(teas, of('tea'))}
          choices={teas}
          chosen={of('tea')}
          onPick={(v) => set({ tea: v, lot: '' })}
        />
        <span>in</span>
        <PickList
          label="Vessel"
          shown={wordsOf(vessels, of('vessel'))}
          choices={vessels}
          chosen={of('vessel')}
          onPick={(v) => set({ vessel: v })}
        />
        <span>at</span>
        <PickList
          label="Hour"
          shown={wordsOf(hours, of('hour'))}
          choices={hours}
          chosen={of('hour')}
          onPick={(v) => set({ hour: v })}
        />
        <span>by</span>
        <PickList
          label="Person"
          shown={wordsOf(who, of('by'))}
          choices={who}
          chosen={of('by')}
          onPick={(v) => set({ by: v })}
        />
        <span>, last</span>
        <PickList
          label="How many"
          shown={wordsOf(LASTS, String(last))}
          choices={LASTS}
          chosen={String(last)}
          onPick={(v) => set({ last: v === '60' ? '' : v })}
        />
        <span className="gap" />
        <button
          type="button"
          className="btn quiet"
          aria-pressed={table}
          onClick={() => setTable((t) => !t)}
        >
          {table ? 'As a chart' : 'As a table'} <kbd>B</kbd>
        </button>
        <Link className="btn quiet" to="/log/corrections">
          Corrections
        </Link>
        <Link className="btn quiet" to="/log">
          List <kbd>Esc</kbd>
        </Link>
      </div>
      <section className="work">
        {isError && (
          <Note
            bad
            action={
              <button type="button" className="btn" onClick={() => void refetch()}>
                Try again
              </button>
            }
          >
            The trends cannot be read just now.
          </Note>
        )}
        {isLoading && <Loading what="the trends" />}
        {(of('lot') || of('kettle')) && (
          <p className="small">
            {of('kettle') ? `Only with the ${of('kettle')}.` : 'Only one lot.'}{' '}
            <button
              type="button"
              className="btn quiet slim"
              onClick={() => set({ lot: '', kettle: '' })}
            >
              Every one
            </button>
          </p>
        )}
        {data &&
          (table ? (
            <Tables data={data} />
          ) : points.length === 0 ? (
            <Nothing>No brew is like that.</Nothing>
          ) : (
            <TrendChart data={data} at={at} onPoint={(p) => go(`/log/${p.id}`)} />
          ))}
      </section>
      <section className="paper" aria-label="What drifts">
        {data && <Drifts data={data} siteName={site.name} lead={role === 'lead'} />}
      </section>
    </main>
  );
}

/** Where a line's evidence is. */
function linkOf(d: Drift): string {
  switch (d.by) {
    case 'tea':
      return `/log/trends?tea=${d.of}`;
    case 'vessel':
      return `/log/trends?vessel=${d.of}`;
    case 'hour':
      return `/log/trends?hour=${d.of}`;
    case 'lot':
      return `/log/trends?lot=${d.of}&of=colour`;
    case 'kettle':
      return `/log/trends?kettle=${encodeURIComponent(d.of)}&of=verdict`;
    case 'crowded':
      return '/log?pull=outside';
  }
}
function Drifts({ data, siteName, lead }: { data: Trends; siteName: string; lead: boolean }) {
  return (
    <>
      <h2 className="drift-head">
        What drifts
        <small>
          {data.since === null ? `at ${siteName}` : `at ${siteName}, since ${dayText(data.since)}`}
        </small>
      </h2>
      <ol className="drifts">
        {data.drifts.map((d) => (
          <li key={d.headline}>
            <div>
              <b>{d.headline}</b>
              <span className="small">{d.evidence}</span>
            </div>
            <Link className="btn quiet slim" to={linkOf(d)}>
              See<span className="visually-hidden">: {d.headline}</span>
            </Link>
          </li>
        ))}
        <li>
          <div>
            <b>
              {data.drifts.length
                ? 'Nothing else has moved'
                : data.looked < 20
                  ? 'Too few brews to tell'
                  : 'Nothing has moved'}
            </b>
            <span className="small">{data.looked} brews looked at</span>
          </div>
        </li>
      </ol>
      <p className="small mt-3">
        A line needs eight brews on either side and a chance under 1 in 200.{' '}
        {lead
          ? 'What one person does is shown to them, and to leads as training evidence, not here.'
          : 'Your own figures: pick “my own” above. Nobody else’s are shown.'}
      </p>
    </>
  );
}

function Tables({ data }: { data: Trends }) {
  const one = (title: string, rows: GroupRow[]) =>
    rows.length > 0 && (
      <section key={title} className="mb-5">
        <table className="plain">
          <caption className="text-left font-bold text-[15px]">{title}</caption>
          <thead>
            <tr>
              <th scope="col">&nbsp;</th>
              <th scope="col" className="r">
                brews
              </th>
              <th scope="col" className="r">
                mean pull
              </th>
              <th scope="col" className="r">
                over 8 s late
              </th>
              <th scope="col" className="r">
                judged
              </th>
              <th scope="col" className="r">
                right
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map((r) => (
              <tr key={r.key}>
                <th scope="row">{r.name}</th>
                <td className="r">{r.n}</td>
                <td className="r">{r.meanError === null ? '' : errorText(r.meanError)}</td>
                <td className="r">{r.late}</td>
                <td className="r">{r.judged}</td>
                <td className="r">
                  {r.judged ? `${r.right}, ${Math.round((100 * r.right) / r.judged)} %` : ''}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
    );
  return (
    <div>
      {one('By tea', data.tables.tea)}
      {one('By vessel', data.tables.vessel)}
      {one('By kettle', data.tables.kettle)}
      {one('By hour of day', data.tables.hour)}
    </div>
  );
}
