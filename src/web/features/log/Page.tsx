import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { METHODS } from '#core/recipes';
import type { Brew } from '#contracts/brews';
import { COUNTED } from '#contracts/limits';
import { pathOf, ROUTES } from '#contracts/routes';
import { useLogQuery } from '../../entities/brews/api';
import { useSession } from '../../entities/people/session';
import { useBookQuery } from '../../entities/teas/api';
import { useVesselsQuery } from '../../entities/vessels/api';
import { useGo } from '../../platform/useGo';
import { dayText, weekdayText } from '../../ui/days';
import { useKeys } from '../../ui/keys';
import { Loading, Note, Nothing } from '../../ui/Note';
import { PickList } from '../../ui/PickList';
import {
  dayName,
  dayStart,
  filtersFrom,
  type PickChoice,
  queryOf,
  useAddress,
  wordsOf,
} from './filters';
import { LogRow } from './Row';

const VERDICTS: PickChoice[] = [
  { value: '', text: 'any way' },
  { value: 'right', text: 'right' },
  { value: 'off', text: 'not right' },
  { value: 'unjudged', text: 'not at all' },
];
const PULLS: PickChoice[] = [
  { value: '', text: 'any time' },
  { value: 'inWindow', text: 'in its window' },
  { value: 'outside', text: 'out of its window' },
  { value: 'early', text: 'early' },
  { value: 'late', text: 'late' },
  { value: 'forgotten', text: 'far too late' },
];
const CORRECTIONS: PickChoice[] = [
  { value: '', text: 'or none' },
  { value: 'taken', text: 'taken' },
  { value: 'notTaken', text: 'not taken' },
  { value: 'none', text: 'not needed' },
];
const METHOD_CHOICES: PickChoice[] = [
  { value: '', text: 'any method' },
  ...(['pot', 'infuserCup', 'release', 'bag', 'liddedCup', 'tastingSet'] as const).map((m) => ({
    value: m,
    text: METHODS[m].label,
  })),
];
const DAY_MS = 86_400_000;
const dayOf = (at: number) => new Date(at).toDateString();
function dayWord(at: number): string {
  const [today, yesterday] = [new Date(), new Date(Date.now() - DAY_MS)];
  if (dayOf(at) === today.toDateString()) return 'today';
  if (dayOf(at) === yesterday.toDateString()) return 'yesterday';
  return weekdayText(at);
}

/** Every brew, newest first; the filters are the sentence, and live in the address. */
export function LogPage() {
  const { site, sites, personId, name, role } = useSession();
  const { params, of, set, clear } = useAddress();
  const go = useGo();
  const filters = filtersFrom(params, site.id);
  const key = JSON.stringify(filters);
  const [pages, setPages] = useState<{ key: string; befores: string[] }>({ key, befores: [] });
  const befores = pages.key === key ? pages.befores : [];
  const before = befores[befores.length - 1];
  const { data, isLoading, isFetching, isError, refetch } = useLogQuery({ ...filters, before });
  const counts = useLogQuery(filters).data?.counts;
  const [earlier, setEarlier] = useState<{ key: string; brews: Brew[] }>({ key, brews: [] });
  useEffect(() => setEarlier((e) => (e.key === key ? e : { key, brews: [] })), [key]);
  const { data: book } = useBookQuery();
  const { data: shelf } = useVesselsQuery();
  const shown = [
    ...(earlier.key === key ? earlier.brews : []),
    ...(data && !isFetching ? data.brews : []),
  ];
  const more = () => {
    if (!data?.next) return;
    setEarlier({ key, brews: shown });
    setPages({ key, befores: [...befores, data.next] });
  };
  const walk = (by: number) => {
    const rows = [...document.querySelectorAll<HTMLAnchorElement>('a.log-row')];
    const at = rows.indexOf(document.activeElement as HTMLAnchorElement);
    rows[Math.max(0, Math.min(rows.length - 1, at + by))]?.focus();
  };
  useKeys([
    { key: 'ArrowDown', does: 'Next brew', run: () => walk(1) },
    { key: 'ArrowUp', does: 'Brew before', run: () => walk(-1) },
    { key: 't', does: 'Trends', run: () => go('/log/trends') },
    { key: 'Escape', does: 'To the bar', run: () => go('/') },
  ]);
  const tea = book?.teas.find((t) => t.id === of('tea'));
  const teas = [
    { value: '', text: 'any tea' },
    ...(book?.teas ?? []).map((t) => ({ value: t.id, text: t.name })),
  ];
  // Somebody's own brews, picked out, are for them and for leads.
  const people = [
    { value: '', text: 'anyone' },
    ...(role === 'lead'
      ? (data?.people ?? []).map((p) => ({ value: p.id, text: p.name }))
      : [{ value: personId, text: `${name}, my own` }]),
  ];
  const places = [
    ...sites.map((s) => ({ value: s.id, text: s.name })),
    ...(role === 'lead' ? [{ value: 'all', text: 'every site' }] : []),
  ];
  const vessels = [
    { value: '', text: 'any vessel' },
    ...(shelf?.vessels ?? [])
      .filter(
        (v) =>
          v.kind !== 'pitcher' && (filters.siteId === undefined || v.siteId === filters.siteId),
      )
      .map((v) => ({ value: v.id, text: v.retired ? `${v.name}, put away` : v.name })),
  ];
  const lots = [
    { value: '', text: 'any lot' },
    ...(tea?.lots ?? []).map((l) => ({ value: l.id, text: l.name })),
  ];
  const narrow = ['vessel', 'lot', 'method', 'pull', 'correction'].some((n) => of(n) !== '');
  const [wide, setWide] = useState(narrow);
  const isFiltered = [...params.keys()].length > 0;
  const many =
    counts &&
    (counts.all >= COUNTED
      ? `More than ${COUNTED.toLocaleString('en')} brews; of the newest`
      : `${counts.all} ${counts.all === 1 ? 'brew' : 'brews'}`);
  return (
    <main className="page" style={{ gridTemplateRows: 'auto minmax(0,1fr)' }}>
      <h1 className="visually-hidden">Log</h1>
      <div className="say log-say">
        <span>Every brew of</span>
        <PickList
          label="Tea"
          filter="Type a name"
          shown={wordsOf(teas, of('tea'))}
          choices={teas}
          chosen={of('tea')}
          onPick={(v) => set({ tea: v, lot: '' })}
        />
        <span>at</span>
        <PickList
          label="Site"
          shown={wordsOf(places, filters.siteId ?? 'all')}
          choices={places}
          chosen={filters.siteId ?? 'all'}
          onPick={(v) => set({ site: v, vessel: '' })}
        />
        <span>by</span>
        <PickList
          label="Person"
          shown={wordsOf(people, of('by'))}
          choices={people}
          chosen={of('by')}
          onPick={(v) => set({ by: v })}
        />
        <span>since</span>
        <Since
          since={of('since')}
          until={of('until')}
          onPick={(since, until) => set({ since, until })}
        />
        <span>judged</span>
        <PickList
          label="Verdict"
          shown={wordsOf(VERDICTS, of('verdict'))}
          choices={VERDICTS}
          chosen={of('verdict')}
          onPick={(v) => set({ verdict: v })}
        />
        <button
          type="button"
          className="btn quiet slim"
          aria-expanded={wide || narrow}
          onClick={() => setWide((w) => !w)}
        >
          {wide || narrow ? 'Fewer picks' : 'More picks'}
        </button>
        <span className="gap" />
        <Link className="btn" to="/log/trends">
          Trends <kbd>T</kbd>
        </Link>
        {(wide || narrow) && (
          <div className="more">
            <span>in</span>
            <PickList
              label="Vessel"
              shown={wordsOf(vessels, of('vessel'))}
              choices={vessels}
              chosen={of('vessel')}
              onPick={(v) => set({ vessel: v })}
            />
            <span>as</span>
            <PickList
              label="Method"
              shown={wordsOf(METHOD_CHOICES, of('method'))}
              choices={METHOD_CHOICES}
              chosen={of('method')}
              onPick={(v) => set({ method: v })}
            />
            <span>of</span>
            <PickList
              label="Lot"
              shown={tea ? wordsOf(lots, of('lot')) : 'any lot'}
              choices={lots}
              chosen={of('lot')}
              onPick={(v) => set({ lot: v })}
            />
            <span>pulled</span>
            <PickList
              label="Pull"
              shown={wordsOf(PULLS, of('pull'))}
              choices={PULLS}
              chosen={of('pull')}
              onPick={(v) => set({ pull: v })}
            />
            <span>correction</span>
            <PickList
              label="Correction"
              shown={wordsOf(CORRECTIONS, of('correction'))}
              choices={CORRECTIONS}
              chosen={of('correction')}
              onPick={(v) => set({ correction: v })}
            />
            {!tea && <span className="small">a lot: pick its tea first</span>}
          </div>
        )}
      </div>
      <div className="scroll px-6 pb-6">
        {isError && (
          <div className="py-3">
            <Note
              bad
              action={
                <button type="button" className="btn" onClick={() => void refetch()}>
                  Try again
                </button>
              }
            >
              The log cannot be read just now.
            </Note>
          </div>
        )}
        {isLoading && <Loading what="the log" />}
        {shown.length > 0 && (
          <div className="log-row head-row" aria-hidden="true">
            <span>at</span>
            <span />
            <span>tea</span>
            <span className="wide" />
            <span className="mid-wide">by</span>
            <span className="wide r">leaf</span>
            <span className="wide r">heat</span>
            <span className="wide">pull against its window</span>
            <span>from best</span>
            <span className="mid-wide">judged</span>
            <span className="wide">done about it</span>
          </div>
        )}
        {shown.map((b, i) => {
          const begins = i === 0 || dayOf(b.startedAt) !== dayOf(shown[i - 1]?.startedAt ?? 0);
          return (
            <div key={b.id}>
              {begins && <h2 className="pt-3 pb-1">{dayWord(b.startedAt)}</h2>}
              <LogRow brew={b} />
            </div>
          );
        })}
        {!isLoading && !isFetching && shown.length === 0 && !isError && (
          <Nothing
            action={
              isFiltered && (
                <button type="button" className="btn" onClick={clear}>
                  Show every brew here
                </button>
              )
            }
          >
            {isFiltered
              ? 'No brew is like that.'
              : 'No brew yet. The first one on the bar is the first one here.'}
          </Nothing>
        )}
        {counts && shown.length > 0 && (
          <div className="flex flex-wrap items-center gap-3 pt-4">
            <p className="flex-1 text-[15px]">
              <b>{many}</b>, {counts.inWindow} ended in the window, {counts.late} late,{' '}
              {counts.forgotten} far too late, {counts.early} early.{' '}
              <span className="small">Up and down choose, Enter opens.</span>
            </p>
            {data?.next && (
              <button type="button" className="btn" disabled={isFetching} onClick={more}>
                Earlier
              </button>
            )}
            {(['csv', 'json'] as const).map((form) => (
              <a
                key={form}
                className="btn quiet"
                href={`${pathOf(ROUTES.exportBrews, { form })}?${queryOf(filters)}`}
                download
              >
                As {form.toUpperCase()}
              </a>
            ))}
          </div>
        )}
      </div>
    </main>
  );
}

const SINCE = [
  ['', 'ever'],
  ['0', 'today'],
  ['7', 'a week ago'],
  ['30', 'a month ago'],
  ['90', 'three months ago'],
] as const;
/** From when, and until when: some usual spans, or two days. */
function Since({
  since,
  until,
  onPick,
}: {
  since: string;
  until: string;
  onPick: (since: string, until: string) => void;
}) {
  const [open, setOpen] = useState(false);
  const at = dayStart(since);
  const day = (ago: string) => (ago === '' ? '' : dayName(Date.now() - Number(ago) * DAY_MS));
  const known = SINCE.find(([ago]) => day(ago) === since && until === '');
  const ends = dayStart(until);
  const shown =
    known?.[1] ??
    `${at === null ? 'ever' : dayText(at)}${ends === null ? '' : ` until ${dayText(ends)}`}`;
  return (
    <PickList
      label="Since"
      open={open}
      onOpen={setOpen}
      shown={shown}
      choices={SINCE.map(([ago, text]) => ({ value: day(ago), text }))}
      chosen={since}
      onPick={(v) => onPick(v, '')}
      foot={
        <div className="grid gap-2 px-3 pb-3 pt-1" onKeyDown={(e) => e.stopPropagation()}>
          <label className="small">
            From
            <input
              type="date"
              className="box slim ml-2"
              value={since}
              max={until || undefined}
              onChange={(e) => onPick(e.target.value, until)}
            />
          </label>
          <label className="small">
            Until
            <input
              type="date"
              className="box slim ml-2"
              value={until}
              min={since || undefined}
              onChange={(e) => onPick(since, e.target.value)}
            />
          </label>
        </div>
      }
    />
  );
}
