import { useState } from 'react';
import { Link } from 'react-router';
import type { Measure, Trends } from '#contracts/log';
import { useTrendsQuery } from '../../entities/brews/api';
import { useSession } from '../../entities/people/session';
import { useBookQuery } from '../../entities/teas/api';
import { useVesselsQuery } from '../../entities/vessels/api';
import { CannotRead } from '../../platform/Awaited';
import { useGo } from '../../platform/useGo';
import { deviceZone } from '../../ui/days';
import { useKeys } from '../../ui/keys';
import { Loading, Nothing } from '../../ui/Note';
import { Drifts } from './Drifts';
import { type Address, type PickChoice, useAddress } from './filters';
import { TrendChart } from './TrendChart';
import { Tables } from './TrendTables';
import { Word } from './Word';

const MEASURES: readonly PickChoice[] = [
  { value: 'pull', text: 'Pull error' },
  { value: 'colour', text: 'Colour' },
  { value: 'verdict', text: 'Verdict' },
  { value: 'clarity', text: 'Clarity' },
];
const LASTS = ['30', '60', '200', '600'].map((v) => ({ value: v, text: `${v} brews` }));
const hourText = (h: number) => `${String(h % 24).padStart(2, '0')}:00`;
const HOURS: readonly PickChoice[] = [
  { value: '', text: 'any hour' },
  ...Array.from({ length: 24 }, (_, h) => ({
    value: String(h),
    text: `${hourText(h)} to ${hourText(h + 1)}`,
  })),
];

/** The last brews in order against their limits, and in words what has moved. */
export function TrendPage() {
  const { site, role } = useSession();
  const address = useAddress();
  const { of } = address;
  const go = useGo();
  const [table, setTable] = useState(false);
  const [at, setAt] = useState<number | null>(null);
  const measure = (of('of') || 'pull') as Measure;
  const last = Number(of('last') || 60);
  const { data, isLoading, isError, refetch } = useTrendsQuery(
    {
      siteId: site.id,
      measure,
      last,
      zone: deviceZone(),
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
  return (
    <main className="page split trend-page" style={{ gridTemplateColumns: undefined }}>
      <h1 className="visually-hidden">Trends</h1>
      <TrendSentence address={{ of, set }} table={table} onTable={() => setTable((t) => !t)} />
      <section className="work">
        {isError && <CannotRead what="the trends" onAgain={() => void refetch()} />}
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
        {data && <TrendShown data={data} table={table} at={at} onOpen={(id) => go(`/log/${id}`)} />}
      </section>
      <section className="paper" aria-label="What drifts">
        {data && <Drifts data={data} siteName={site.name} lead={role === 'lead'} />}
      </section>
    </main>
  );
}

/** Which brews, as a sentence whose words are picked. */
function TrendSentence({
  address,
  table,
  onTable,
}: {
  address: Pick<Address, 'of' | 'set'>;
  table: boolean;
  onTable: () => void;
}) {
  const { site, personId, name } = useSession();
  const { data: book } = useBookQuery();
  const { data: shelf } = useVesselsQuery();
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
  const people = [
    { value: '', text: 'everyone' },
    { value: personId, text: `${name}, my own` },
  ];
  return (
    <div className="say">
      <Word label="What" name="of" usual="pull" choices={MEASURES} address={address} />
      <span>of</span>
      <Word
        label="Tea"
        name="tea"
        choices={teas}
        address={address}
        clears={['lot']}
        filter="Type a name"
      />
      <span>in</span>
      <Word label="Vessel" name="vessel" choices={vessels} address={address} />
      <span>at</span>
      <Word label="Hour" name="hour" choices={HOURS} address={address} />
      <span>by</span>
      <Word label="Person" name="by" choices={people} address={address} />
      <span>, last</span>
      <Word label="How many" name="last" usual="60" choices={LASTS} address={address} />
      <span className="gap" />
      <button type="button" className="btn quiet" aria-pressed={table} onClick={onTable}>
        {table ? 'As a chart' : 'As a table'} <kbd>B</kbd>
      </button>
      <Link className="btn quiet" to="/log/corrections">
        Corrections
      </Link>
      <Link className="btn quiet" to="/log">
        List <kbd>Esc</kbd>
      </Link>
    </div>
  );
}

/** The trend as a table or a chart; said where no brew is like that. */
function TrendShown({
  data,
  table,
  at,
  onOpen,
}: {
  data: Trends;
  table: boolean;
  at: number | null;
  onOpen: (brewId: string) => void;
}) {
  if (table) return <Tables data={data} />;
  if (data.points.length === 0) return <Nothing>No brew is like that.</Nothing>;
  return <TrendChart data={data} at={at} onPoint={(p) => onOpen(p.id)} />;
}
