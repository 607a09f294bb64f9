import { useEffect, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import type { Brew, LogQuery } from '#contracts/brews';
import { useBookQuery, useLogQuery } from '../../app/records';
import { useSession } from '../../app/session';
import { weekdayText } from '../../ui/days';
import { useKeys } from '../../ui/keys';
import { Loading, Note, Nothing } from '../../ui/Note';
import { PickList } from '../../ui/PickList';
import { LogRow } from './Row';

const VERDICTS = [['', 'any way'], ['right', 'right'], ['off', 'not right'], ['unjudged', 'not at all yet']] as const;
const dayOf = (at: number) => new Date(at).toDateString();
function dayWord(at: number): string {
  const [today, yesterday] = [new Date(), new Date(Date.now() - 86_400_000)];
  if (dayOf(at) === today.toDateString()) return 'today';
  if (dayOf(at) === yesterday.toDateString()) return 'yesterday';
  return weekdayText(at);
}

/** Every brew, newest first; the filters are the sentence, and live in the address. */
export function LogPage() {
  const { site, sites } = useSession();
  const [params, setParams] = useSearchParams();
  const navigate = useNavigate();
  const filters: LogQuery = {
    siteId: params.get('site') === 'all' ? undefined : (params.get('site') ?? site.id), teaId: params.get('tea') ?? undefined, personId: params.get('by') ?? undefined,
    verdict: (params.get('verdict') as LogQuery['verdict']) ?? undefined,
  };
  const key = JSON.stringify(filters);
  const [pages, setPages] = useState<{ key: string; befores: string[] }>({ key, befores: [] });
  const befores = pages.key === key ? pages.befores : [];
  const before = befores[befores.length - 1];
  const { data, isLoading, isFetching, isError, refetch } = useLogQuery({ ...filters, before });
  const [earlier, setEarlier] = useState<{ key: string; brews: Brew[] }>({ key, brews: [] });
  useEffect(() => setEarlier((e) => (e.key === key ? e : { key, brews: [] })), [key]);
  const { data: book } = useBookQuery();
  const set = (name: string, value: string) => setParams((p) => {
    const next = new URLSearchParams(p);
    if (value) next.set(name, value);
    else next.delete(name);
    return next;
  }, { replace: true });
  const shown = [...(earlier.key === key ? earlier.brews : []), ...(data && !isFetching ? data.brews : [])];
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
  useKeys([{ key: 'ArrowDown', does: 'Next brew', run: () => walk(1) }, { key: 'ArrowUp', does: 'Brew before', run: () => walk(-1) }, { key: 'Escape', does: 'To the bar', run: () => navigate('/') }]);
  const counts = data?.counts;
  const teas = [{ value: '', text: 'any tea' }, ...(book?.teas ?? []).map((t) => ({ value: t.id, text: t.name }))];
  const people = [{ value: '', text: 'anyone' }, ...(data?.people ?? []).map((p) => ({ value: p.id, text: p.name }))];
  const places = [...sites.map((s) => ({ value: s.id, text: s.name })), { value: 'all', text: 'every site' }];
  const chosen = (list: { value: string; text: string }[], v: string | undefined) => list.find((c) => c.value === (v ?? ''))?.text ?? list[0]?.text ?? '';
  return (
    <main className="page" style={{ gridTemplateRows: 'auto minmax(0,1fr)' }}>
      <h1 className="visually-hidden">Log</h1>
      <div className="say">
        <span>Every brew of</span><PickList label="Tea" filter="Type a name" shown={chosen(teas, filters.teaId)} choices={teas} chosen={filters.teaId ?? ''} onPick={(v) => set('tea', v)} />
        <span>at</span><PickList label="Site" shown={chosen(places, filters.siteId ?? 'all')} choices={places} chosen={filters.siteId ?? 'all'} onPick={(v) => set('site', v)} />
        <span>by</span><PickList label="Person" shown={chosen(people, filters.personId)} choices={people} chosen={filters.personId ?? ''} onPick={(v) => set('by', v)} />
        <span>judged</span><PickList label="Verdict" shown={VERDICTS.find(([v]) => v === (filters.verdict ?? ''))?.[1] ?? ''} choices={VERDICTS.map(([value, text]) => ({ value: value as string, text }))} chosen={filters.verdict ?? ''} onPick={(v) => set('verdict', v)} />
      </div>
      <div className="scroll px-6 pb-6">
        {isError && <div className="py-3"><Note bad action={<button type="button" className="btn" onClick={() => void refetch()}>Try again</button>}>The log cannot be read just now.</Note></div>}
        {isLoading && <Loading what="the log" />}
        {shown.length > 0 && <div className="log-row head-row" aria-hidden="true"><span>at</span><span /><span>tea</span><span className="wide" /><span className="mid-wide">by</span><span className="wide r">leaf</span><span className="wide r">heat</span><span className="wide">pull against its window</span><span>from best</span><span className="mid-wide">judged</span><span className="wide">done about it</span></div>}
        {shown.map((b, i) => {
          const begins = i === 0 || dayOf(b.startedAt) !== dayOf(shown[i - 1]?.startedAt ?? 0);
          return <div key={b.id}>{begins && <h2 className="pt-3 pb-1">{dayWord(b.startedAt)}</h2>}<LogRow brew={b} /></div>;
        })}
        {!isLoading && !isFetching && shown.length === 0 && !isError && <Nothing>{Object.values(filters).filter(Boolean).length > 1 ? 'No brew is like that.' : 'No brew yet. The first one on the bar is the first one here.'}</Nothing>}
        {counts && shown.length > 0 && (
          <div className="flex flex-wrap items-center gap-3 pt-4"><p className="flex-1 text-[15px]"><b>{counts.all} {counts.all === 1 ? 'brew' : 'brews'}</b>, {counts.inWindow} lifted in the window, {counts.late} late, {counts.early} early. <span className="small">Up and down choose, Enter opens.</span></p>
            {data?.next && <button type="button" className="btn" disabled={isFetching} onClick={more}>Earlier</button>}</div>
        )}
      </div>
    </main>
  );
}
