import { COUNTED } from '#contracts/limits';
import type { LogFilters, LogPart } from '#contracts/log';
import { pathOf, ROUTES } from '#contracts/routes';
import { useSession } from '../../entities/people/session';
import { useBookQuery } from '../../entities/teas/api';
import { useVesselsQuery } from '../../entities/vessels/api';
import { CannotRead } from '../../platform/Awaited';
import { useGo } from '../../platform/useGo';
import { weekdayText } from '../../ui/days';
import { useKeys } from '../../ui/keys';
import { Loading, Nothing } from '../../ui/Note';
import { DAY_MS, filtersFrom, queryOf, useAddress } from './filters';
import { choicesOf, LogSentence } from './LogSentence';
import { LogRow } from './Row';
import { usePages } from './usePages';
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
  const address = useAddress();
  const go = useGo();
  const filters = filtersFrom(address.params, site.id);
  const key = JSON.stringify(filters);
  const { data, isLoading, isFetching, isError, refetch, first, shown, more } = usePages(
    key,
    filters,
  );
  const { data: book } = useBookQuery();
  const { data: shelf } = useVesselsQuery();
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
  const choices = choicesOf({
    book,
    shelf,
    sites,
    me: { personId, name, role },
    others: data?.people ?? [],
    terms: first?.terms ?? [],
    noted: address.of('noted'),
    teaId: address.of('tea'),
    siteId: filters.siteId,
  });
  const isFiltered = [...address.params.keys()].length > 0;
  return (
    <main className="page" style={{ gridTemplateRows: 'auto minmax(0,1fr)' }}>
      <h1 className="visually-hidden">Log</h1>
      <LogSentence choices={choices} address={address} siteId={filters.siteId} />
      <div className="scroll px-6 pb-6">
        {isError && (
          <div className="py-3">
            <CannotRead what="the log" onAgain={() => void refetch()} />
          </div>
        )}
        {isLoading && <Loading what="the log" />}
        {shown.length > 0 && <HeadRow />}
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
                <button type="button" className="btn" onClick={address.clear}>
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
        {first?.counts && shown.length > 0 && (
          <LogFoot
            counts={first.counts}
            filters={filters}
            onMore={data?.next ? more : null}
            waits={isFetching}
          />
        )}
      </div>
    </main>
  );
}

/** The names of the columns. */
function HeadRow() {
  return (
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
  );
}

/** What the list comes to, its earlier part, and the way out of the house. */
function LogFoot({
  counts,
  filters,
  onMore,
  waits,
}: {
  counts: NonNullable<LogPart['counts']>;
  filters: LogFilters;
  /** Shows the earlier part; null where there is none. */
  onMore: (() => void) | null;
  waits: boolean;
}) {
  const many =
    counts.all >= COUNTED
      ? `More than ${COUNTED.toLocaleString('en')} brews; of the newest`
      : `${counts.all} ${counts.all === 1 ? 'brew' : 'brews'}`;
  return (
    <div className="flex flex-wrap items-center gap-3 pt-4">
      <p className="flex-1 text-[15px]">
        <b>{many}</b>, {counts.inWindow} ended in the window, {counts.late} late, {counts.forgotten}{' '}
        far too late, {counts.early} early.{' '}
        <span className="small">Up and down choose, Enter opens.</span>
      </p>
      {onMore && (
        <button type="button" className="btn" disabled={waits} onClick={onMore}>
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
  );
}
