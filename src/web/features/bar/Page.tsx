import { recipeFor } from '#contracts/book';
import { methodFor } from '#core/recipes';
import { lazy, Suspense, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { useNow } from '../../app/clock';
import { useBookQuery, useVesselsQuery } from '../../app/records';
import { useSession } from '../../app/session';
import { useKeys } from '../../ui/keys';
import { Loading } from '../../ui/Note';
import { Sheet } from '../../ui/Dialog';
import { AxisLabels, Cup, VesselDrawing } from '../../ui/vessel';
import { minutesText } from '#core/units';
import { houseCup, nextHands, phaseOf, sayingOf, type BarBrew } from './brews';
import type { ColumnActs } from './acts';
import { Field, Under, type Shown } from './Column';
import { PhoneRows } from './Phone';
import { Unsaved } from './Unsaved';
import { useBar, useHands, usePourWords } from './useBar';
import { useBarLayout } from './useLayout';
import { BrewWorking } from './Working';

const PLACE_KEYS = ['q', 'w', 'e', 'r', 't', 'y'];
const AGAIN = 3;
const TICK_MS = 200;

/** The bar: every running vessel side by side, the next hand in words, one touch for each. */
export function BarPage() {
  const { brews, recent, isLoading } = useBar();
  const now = useNow(TICK_MS);
  const layout = useBarLayout();
  const hands = useHands();
  const pour = usePourWords();
  const navigate = useNavigate();
  const [working, setWorking] = useState<BarBrew | null>(null);
  const [givingUp, setGivingUp] = useState<BarBrew | null>(null);

  const shown: Shown[] = useMemo(() => brews.map((brew) => {
    const phase = phaseOf(brew, now);
    return { brew, phase, saying: sayingOf(brew, phase, pour) };
  }), [brews, now, pour]);
  const order = nextHands(shown);
  const [first, second] = order;
  const acts: ColumnActs = {
    next: (b) => (b.state.kind === 'pulled' ? navigate(`/judge/${b.id}`) : hands.next(b)),
    undo: (b) => hands.send(b, { kind: 'undoPull' }),
    giveUp: setGivingUp,
    working: setWorking,
  };
  useKeys([
    { key: 'n', does: 'Start a brew', run: () => navigate('/start') },
    { key: ' ', does: 'Do the next hand', run: () => first && acts.next(first.brew) },
    ...PLACE_KEYS.map((key, i) => ({ key, does: `The hand at place ${i + 1}`, run: () => {
      const there = brews.find((b) => b.place === i + 1);
      if (there) acts.next(there);
    } })),
  ]);

  if (isLoading && brews.length === 0) return <main className="page"><Loading what="the bar" /></main>;
  if (brews.length === 0) return <EmptyBar recent={recent} />;
  const next = first && (
    <p><b className="font-bold">{first.saying.name === 'steeping' ? `${first.saying.step}:` : `${first.saying.step}:`}</b> <span className="tea">{first.brew.tea.name}</span>, place {first.brew.place}.
      {second && <span className="then">Then {second.saying.step.toLowerCase()}, <span className="tea">{second.brew.tea.name}</span>, place {second.brew.place}.</span>}</p>
  );
  return (
    <main className="page bar" aria-label="Bar">
      <h1 className="visually-hidden">Bar</h1>
      {layout.kind === 'phone' ? <PhoneRows shown={shown} layout={layout} now={now} first={first} acts={acts} /> : (
        <>
          <div className="next">{next}<button type="button" className="btn go" onClick={() => navigate('/start')}>Start a brew <kbd>N</kbd></button></div>
          <Unsaved />
          <Shelves shown={shown} layout={layout} now={now} acts={acts} again={<Again recent={recent} most={AGAIN} />} />
        </>
      )}
      <Sheet title={working ? `${working.tea.name} in the ${working.plan.vessel.name}` : ''} open={working !== null} onClose={() => setWorking(null)}>{working && <BrewWorking brew={working} />}</Sheet>
      <Sheet title={givingUp ? `Give up ${givingUp.tea.name}?` : ''} open={givingUp !== null} onClose={() => setGivingUp(null)}>
        <p>It leaves the bar and the log. The leaf is spent all the same.</p>
        <div className="flex flex-wrap gap-2 mt-4">
          {['Spilled', 'Wrong tea', 'Not wanted any more'].map((reason) => <button type="button" key={reason} className="btn" onClick={() => { if (givingUp) hands.send(givingUp, { kind: 'abandon', reason }); setGivingUp(null); }}>{reason}</button>)}
          <button type="button" className="btn quiet" onClick={() => setGivingUp(null)}>Not yet</button>
        </div>
      </Sheet>
    </main>
  );
}

/** Brews in rows of shelves; a place keeps its place, a free one shows nothing but, in the first, what can be brewed again. */
function Shelves({ shown, layout, now, acts, again }: { shown: Shown[]; layout: ReturnType<typeof useBarLayout>; now: ReturnType<typeof useNow>; acts: ColumnActs; again: React.ReactNode }) {
  const places = Math.max(6, ...shown.map((s) => s.brew.place));
  const slots = Array.from({ length: Math.ceil(places / layout.columns) * layout.columns }, (_, i) => shown.find((s) => s.brew.place === i + 1));
  const free = slots.findIndex((s, i) => !s && slots.slice(i).every((x) => !x));
  const rows = Array.from({ length: slots.length / layout.columns }, (_, r) => slots.slice(r * layout.columns, (r + 1) * layout.columns)).filter((row, r) => row.some(Boolean) || Math.floor(free / layout.columns) === r);
  return (
    <div className="shelves" style={{ ['--time' as string]: layout.time, ['--time-line' as string]: layout.timeLine }}>
      {rows.map((row, r) => (
        <div className="shelf" key={r} style={{ gridTemplateColumns: `44px repeat(${layout.columns}, ${layout.columnWidth})` }}>
          <AxisLabels axis={layout.axis} />
          {row.map((s, c) => (s
            ? <Field key={s.brew.id} shown={s} axis={layout.axis} scale={layout.scale} now={now} narrow={layout.vesselLeft} />
            : <div key={c} className="free" style={{ height: layout.axis.height }}>{free === r * layout.columns + c && c > 0 ? again : null}</div>))}
          <div className="pull" style={{ top: layout.axis.pull, right: 'auto', width: row.reduce((n, s, c) => (s ? c + 1 : n), 0) * layout.columnPx }} />
          <div />
          {row.map((s, c) => (s ? <Under key={s.brew.id} shown={s} acts={acts} now={now} /> : <div key={c} />))}
        </div>
      ))}
    </div>
  );
}

type Recent = ReturnType<typeof useBar>['recent'];
/** What was brewed last, one touch from its card. */
export function Again({ recent, most }: { recent: Recent; most: number }) {
  const navigate = useNavigate();
  const { data: book } = useBookQuery();
  const { data: shelf } = useVesselsQuery();
  const { brews } = useBar();
  const busy = new Set(brews.filter((b) => b.state.kind === 'warming' || b.state.kind === 'steeping').map((b) => b.vesselId));
  const list = recent.flatMap((r) => {
    const [tea, vessel] = [book?.teas.find((t) => t.id === r.teaId), shelf?.vessels.find((v) => v.id === r.vesselId && !v.retired)];
    const house = tea && vessel && recipeFor(tea, methodFor(vessel))?.house;
    return tea && house && vessel ? [{ tea, house, vessel, water: r.water }] : [];
  }).slice(0, most);
  if (list.length === 0) return null;
  return (
    <div className="again">
      <h2>Again</h2>
      {list.map(({ tea, house, vessel, water }) => (
        <button type="button" key={tea.id} onClick={() => navigate(busy.has(vessel.id) ? `/start?tea=${tea.id}` : `/start?tea=${tea.id}&vessel=${vessel.id}&water=${water}`)}>
          <Cup liquor={houseCup(tea.style, house.recipe)} size={34} />
          <span><span className="tea">{tea.name}</span><span className="small">{vessel.name}{busy.has(vessel.id) ? ' is in use' : `, ${minutesText(house.recipe.window.best)}`}</span></span>
        </button>
      ))}
    </div>
  );
}

const FirstSteps = lazy(() => import('../../app/FirstSteps').then((m) => ({ default: m.FirstSteps })));
/** A house that has brewed less than this is shown its first steps. */
const FEW_BREWS = 3;

function EmptyBar({ recent }: { recent: Recent }) {
  const navigate = useNavigate();
  const { site, role } = useSession();
  const { data: shelf, isLoading: shelfLoads } = useVesselsQuery();
  const { data: book, isLoading: bookLoads } = useBookQuery();
  // Whole or not yet: a button that moves as the shelf arrives loses the touch on its way down.
  if (shelfLoads || bookLoads) return <main className="page"><Loading what="the bar" /></main>;
  const vessels = (shelf?.vessels ?? []).filter((v) => v.siteId === site.id && !v.retired).slice(0, 5);
  return (
    <main className="page bar-empty" aria-label="Bar">
      <div className="line">{vessels.map((v) => <VesselDrawing key={v.id} vessel={v} scale={0.62} label="" bowl={false} extra={({ solved, scale }) => {
        const z = solved.levelOf(v.mark);
        const r = solved.radiusAt(z);
        return <path d={`M${-r * scale} ${-z * scale}H${r * scale}`} stroke="var(--line-2)" strokeDasharray="5 4" />;
      }} />)}</div>
      <div><h1 className="text-[21px] font-bold">Nothing on the bar.</h1><p>{vessels.length ? 'Start a brew, or press N.' : 'Put the first vessel on the Shelf, then start a brew.'}</p></div>
      <div><button type="button" className="btn go" onClick={() => navigate('/start')}>Start a brew <kbd>N</kbd></button></div>
      <Unsaved />
      {role === 'lead' && recent.length < FEW_BREWS && book ? <Suspense fallback={null}><FirstSteps teas={book.teas} vessels={vessels} brewed={recent.length > 0} /></Suspense> : null}
      <Again recent={recent} most={6} />
    </main>
  );
}
