import { type Dispatch, type SetStateAction, useState } from 'react';
import { Link } from 'react-router';
import type { Measure, TrendPoint, Trends } from '#contracts/log';
import { useTrendsQuery } from '../../entities/brews/api';
import { useSession } from '../../entities/people/session';
import { useBookQuery } from '../../entities/teas/api';
import { useVesselsQuery } from '../../entities/vessels/api';
import { useGo } from '../../platform/useGo';
import { useKeys } from '../../ui/keys';
import { Loading, Note, Nothing } from '../../ui/Note';
import { PickList } from '../../ui/PickList';
import { Drifts } from './Drifts';
import { type PickChoice, useAddress, wordsOf } from './filters';
import { TrendChart } from './TrendChart';
import { Tables } from './TrendTables';

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
      <TrendSentence
        measure={measure}
        set={set}
        teas={teas}
        of={of}
        vessels={vessels}
        hours={hours}
        who={who}
        last={last}
        table={table}
        setTable={setTable}
      />
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
        {data && trendShown({ table, data, points, at, go })}
      </section>
      <section className="paper" aria-label="What drifts">
        {data && <Drifts data={data} siteName={site.name} lead={role === 'lead'} />}
      </section>
    </main>
  );
}

/** Which brews, as a sentence whose words are picked. */
function TrendSentence({
  measure,
  set,
  teas,
  of,
  vessels,
  hours,
  who,
  last,
  table,
  setTable,
}: {
  measure: 'pull' | 'colour' | 'verdict';
  set: (over: Record<string, string>) => void;
  teas: PickChoice[];
  of: (name: string) => string;
  vessels: PickChoice[];
  hours: { value: string; text: string }[];
  who: { value: string; text: string }[];
  last: number;
  table: boolean;
  setTable: Dispatch<SetStateAction<boolean>>;
}) {
  return (
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
  );
}

/** The trend as a table or a chart; said where no brew is like that. */
function trendShown({
  table,
  data,
  points,
  at,
  go,
}: {
  table: boolean;
  data: Trends;
  points: readonly TrendPoint[];
  at: number | null;
  go: ReturnType<typeof useGo>;
}) {
  if (table) return <Tables data={data} />;
  if (points.length === 0) return <Nothing>No brew is like that.</Nothing>;
  return <TrendChart data={data} at={at} onPoint={(p) => go(`/log/${p.id}`)} />;
}
