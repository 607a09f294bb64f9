import { lotInUse, recipeFor } from '#contracts/recipeSelection';
import { BAR_SLOTS } from '#contracts/limits';
import type { Order } from '#contracts/brews';
import { methodFor } from '#core/recipes';
import { lazy, Suspense, useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { useNowAt } from '../../platform/clock';
import { useSession, useUnits } from '../../entities/people/session';
import { useKeys } from '../../ui/keys';
import { Loading } from '../../ui/Note';
import { Sheet } from '../../ui/Dialog';
import { millilitres, minutesText } from '#core/units';
import { allOf, vesselsInUse } from '../../entities/brews/barBrews';
import type { BrewActs } from './columnActs';
import { BrewDrawing, BrewControls } from './Column';
import { PhoneRows } from './Phone';
import { Unsaved } from './Unsaved';
import { useBar, useBrewCommands } from '../../entities/brews/commands';
import { useBarLayout, type BarLayout } from '../../entities/brews/useBarLayout';
import { useBookQuery } from '../../entities/teas/api';
import { useVesselsQuery } from '../../entities/vessels/api';
import { clockText } from '../../ui/days';
import { houseLiquorOf } from '../../entities/teas/liquor';
import { clashesOf, untilNextFigure } from '../../entities/brews/attention';
import { sortByUrgency, barItems, type BarItem } from '../../entities/brews/status';
import { AxisLabels } from '../../entities/brews/Tube';
import { Cup } from '../../entities/teas/Cup';
import { VesselDrawing } from '../../entities/vessels/VesselDrawing';

const Steps = lazy(() => import('./Steps').then((m) => ({ default: m.Steps })));
const Queue = lazy(() => import('./Queue').then((m) => ({ default: m.Queue })));
const BrewWorking = lazy(() =>
  import('../../entities/brews/BrewWorking').then((m) => ({ default: m.BrewWorking })),
);
const Scan = lazy(() => import('./Scan').then((m) => ({ default: m.Scan })));

const SHELF = 6;
const PLACE_KEYS = ['q', 'w', 'e', 'r', 't', 'y'];
/** Keys that pick a place: the figures, and the two beside them. */
const PICK_KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0', '-', '='];
const AGAIN = 3;
const QUEUED = 3;
type Open =
  | { readonly kind: 'working' | 'steps' | 'giveUp'; readonly id: string }
  | { readonly kind: 'queue' }
  | { readonly kind: 'scan' }
  | null;

/** The bar: every running vessel side by side, the next hand in words, one touch for each. */
export function BarPage() {
  const { brews, orders, recent, isLoading } = useBar();
  const now = useNowAt((t) => untilNextFigure(brews, t));
  const layout = useBarLayout(brews.reduce((most, b) => Math.max(most, b.place), brews.length));
  const hands = useBrewCommands();
  const units = useUnits();
  const navigate = useNavigate();
  const { data: book } = useBookQuery();
  const { data: shelf } = useVesselsQuery();
  const { site } = useSession();
  const [open, setOpen] = useState<Open>(null);
  const [picked, setPicked] = useState<number | null>(null);

  const shown: BarItem[] = useMemo(
    () => barItems(brews, now, units),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- `units` is made anew each time; its parts are named
    [brews, now, units.volume, units.temperature],
  );
  const [first, second] = sortByUrgency(shown);
  const latest = useRef({ brews, hands, navigate });
  latest.current = { brews, hands, navigate };
  // The same object for as long as the page stands: a column is drawn anew only for what it shows.
  const acts: BrewActs = useMemo(() => {
    const l = () => latest.current;
    return {
      next: (s) =>
        s.brew.state.kind === 'pulled'
          ? l().hands.locked
            ? undefined
            : l().navigate(`/judge/${s.brew.id}`)
          : l().hands.next(s),
      right: (b) =>
        void import('../../entities/brews/proposal').then((m) =>
          l().hands.right(b, m.rightProposal(b)),
        ),
      step: (b, key, outcome, words) => l().hands.step(b, key, outcome, words),
      steps: (b) => setOpen({ kind: 'steps', id: b.id }),
      again: (b) => void l().hands.again(b, l().brews),
      pair: (b, lead) => l().hands.pair(b, lead),
      alike: (b) =>
        l().brews.filter(
          (o) =>
            o.id !== b.id &&
            o.tea.id === b.tea.id &&
            o.versionId === b.versionId &&
            o.state.kind === b.state.kind,
        ),
      claim: (b) => l().hands.claim(b),
      close: (b) => l().hands.close(b),
      steepOn: (b) => l().hands.steepOn(b),
      leafBack: (b, more) => l().hands.leafBack(b, more),
      giveUp: (b) => setOpen({ kind: 'giveUp', id: b.id }),
      working: (b) => setOpen({ kind: 'working', id: b.id }),
    };
  }, []);
  /** Starts what waits: at once where its vessel stands free, else on its card. */
  const startOrder = (o: Order) => {
    const tea = book?.teas.find((t) => t.id === o.teaId);
    const vessel = shelf?.vessels.find(
      (v) => v.id === o.vesselId && v.siteId === site.id && !v.retired,
    );
    const version = tea && vessel ? recipeFor(tea, methodFor(vessel))?.house : null;
    const busy = vessel !== undefined && vesselsInUse(brews).has(vessel.id);
    setOpen(null);
    const made =
      tea && vessel && version && !busy
        ? hands.start(
            {
              tea,
              lot: lotInUse(tea),
              version,
              vessel,
              water: o.water ?? millilitres(vessel.mark),
              warmed: version.recipe.warm,
              warming: true,
              orderId: o.id,
            },
            brews,
          )
        : null;
    if (made) hands.said(made);
    else
      navigate(
        `/start?tea=${o.teaId}&order=${o.id}${o.vesselId && !busy ? `&vessel=${o.vesselId}` : ''}${o.water ? `&water=${o.water}` : ''}`,
      );
  };
  const at = (place: number | null) => shown.find((s) => s.brew.place === place);
  useKeys([
    { key: 'n', does: 'Start a brew', run: () => !hands.locked && navigate('/start') },
    {
      key: ' ',
      does: picked ? `The hand at place ${picked}` : 'Do the next hand',
      run: () => {
        const s = at(picked) ?? first;
        if (s) acts.next(s);
      },
    },
    ...(orders[0]
      ? [
          {
            key: 'u',
            does: 'Start the first that waits',
            run: () => orders[0] && startOrder(orders[0]),
          },
        ]
      : []),
    { key: 'c', does: 'Read a code with the camera', run: () => setOpen({ kind: 'scan' }) },
    ...PLACE_KEYS.map((key, i) => ({
      key,
      does: `The hand at place ${i + 1}`,
      run: () => {
        const s = at(i + 1);
        if (s) acts.next(s);
      },
    })),
    ...PICK_KEYS.map((key, i) => ({
      key,
      does: `Pick place ${i + 1}: Space does its hand, V is right, S its steps`,
      run: () => setPicked((p) => (p === i + 1 || !at(i + 1) ? null : i + 1)),
    })),
    ...(at(picked) && !hands.locked
      ? [
          {
            key: 's',
            does: 'Steps of the picked one',
            run: () => {
              const s = at(picked);
              if (s) acts.steps(s.brew);
            },
          },
          {
            key: 'v',
            does: 'The picked one is right',
            run: () => {
              const s = at(picked);
              if (s?.brew.state.kind === 'pulled') acts.right(s.brew);
            },
          },
          { key: 'Escape', does: 'Pick none', run: () => setPicked(null) },
        ]
      : []),
  ]);

  const subject = open && 'id' in open ? (brews.find((b) => b.id === open.id) ?? null) : null;
  const close = () => setOpen(null);
  const sheets = (
    <>
      <Sheet
        title={subject ? `${subject.tea.name} in the ${subject.plan.vessel.name}` : ''}
        open={open?.kind === 'working' && subject !== null}
        onClose={close}
      >
        {subject && (
          <Suspense fallback={null}>
            <BrewWorking brew={subject} />
          </Suspense>
        )}
      </Sheet>
      <Sheet
        title={subject ? `Steps: ${subject.tea.name}` : ''}
        open={open?.kind === 'steps' && subject !== null}
        onClose={close}
      >
        {subject && (
          <Suspense fallback={null}>
            <Steps
              brew={subject}
              hands={hands}
              onWeighed={close}
              onPour={() => {
                const s = at(subject.place);
                if (s && s.brew.state.kind === 'warming') acts.next(s);
              }}
            />
          </Suspense>
        )}
      </Sheet>
      <Sheet
        title={subject ? `Give up ${subject.tea.name}?` : ''}
        open={open?.kind === 'giveUp' && subject !== null}
        onClose={close}
      >
        <p>It leaves the bar and the log. The leaf is spent all the same.</p>
        <div className="flex flex-wrap gap-2 mt-4">
          {['Spilled', 'Wrong tea', 'Forgotten', 'Not wanted any more'].map((reason) => (
            <button
              type="button"
              key={reason}
              className="btn"
              onClick={() => {
                if (subject) hands.giveUp(subject, reason);
                close();
              }}
            >
              {reason}
            </button>
          ))}
          <button type="button" className="btn quiet" onClick={close}>
            Not yet
          </button>
        </div>
      </Sheet>
      <Sheet title="Up next" open={open?.kind === 'queue'} onClose={close}>
        <Suspense fallback={null}>
          <Queue orders={orders} hands={hands} onStart={startOrder} />
        </Suspense>
        {orders.length === 0 && <p>Nothing waits.</p>}
      </Sheet>
      <Sheet title="Read a card’s code" open={open?.kind === 'scan'} onClose={close}>
        <Suspense fallback={null}>
          <Scan onDone={close} />
        </Suspense>
      </Sheet>
    </>
  );
  if (isLoading && brews.length === 0)
    return (
      <main className="page">
        <Loading what="the bar" />
      </main>
    );
  if (brews.length === 0)
    return (
      <EmptyBar
        recent={recent}
        orders={orders}
        queue={
          orders.length > 0 && (
            <Suspense fallback={null}>
              <Queue orders={orders} hands={hands} onStart={startOrder} />
            </Suspense>
          )
        }
        locked={hands.locked}
        onScan={() => setOpen({ kind: 'scan' })}
      >
        {sheets}
      </EmptyBar>
    );

  const clash = clashesOf(brews, now)[0];
  const placeOf = (id: string) => brews.find((b) => b.id === id)?.place;
  const waits = shown.find((s) => s.status.brief.startsWith('Wait '));
  const ahead =
    clash &&
    `Places ${placeOf(clash.first)} and ${placeOf(clash.second)} meet at ${clockText(clash.at)}.`;
  const next = first && (
    <p className={first.status.name}>
      <b className="font-bold">
        {first.step?.step.kind === 'stir'
          ? 'Stir it now'
          : layout.full
            ? first.status.brief
            : first.status.step}
        :
      </b>{' '}
      <span className="tea">{first.brew.tea.name}</span>, place {first.brew.place}.
      {(second || ahead) && (
        <span className="then">
          {second &&
            `Then ${(layout.full ? second.status.brief : second.status.step).toLowerCase()}, `}
          {second && <span className="tea">{second.brew.tea.name}</span>}
          {second && `, place ${second.brew.place}. `}
          {ahead}
          {waits && ` ${waits.status.brief}, place ${waits.brew.place}.`}
        </span>
      )}
    </p>
  );
  const taken = allOf(brews).length;
  const waiting = orders.length > 0 && !hands.locked;
  return (
    <main className={`page bar ${layout.full ? 'full' : ''}`} aria-label="Bar">
      <h1 className="visually-hidden">Bar</h1>
      {layout.kind === 'phone' ? (
        <PhoneRows
          shown={shown}
          layout={layout}
          now={now}
          first={first}
          acts={acts}
          locked={hands.locked}
          queue={
            waiting ? (
              <button type="button" className="btn slim" onClick={() => setOpen({ kind: 'queue' })}>
                Up next {orders.length}
              </button>
            ) : null
          }
        />
      ) : (
        <>
          <div className="next">
            {next}
            {waiting && (taken >= BAR_SLOTS || layout.kind === 'tablet') && (
              <button type="button" className="btn" onClick={() => setOpen({ kind: 'queue' })}>
                Up next {orders.length}
              </button>
            )}
            {!hands.locked && (
              <button
                type="button"
                className="btn go"
                disabled={taken >= BAR_SLOTS}
                onClick={() => navigate('/start')}
              >
                {taken >= BAR_SLOTS ? 'Twelve are on' : 'Start a brew'} <kbd>N</kbd>
              </button>
            )}
          </div>
          <Shelves
            shown={shown}
            layout={layout}
            now={now}
            acts={acts}
            locked={hands.locked}
            picked={picked}
            free={
              waiting && layout.kind === 'desk' ? (
                <div className="up-next">
                  <h2>
                    Up next, {orders.length} {orders.length === 1 ? 'order' : 'orders'} <kbd>U</kbd>
                  </h2>
                  <Suspense fallback={null}>
                    <Queue orders={orders} hands={hands} onStart={startOrder} most={QUEUED} />
                  </Suspense>
                </div>
              ) : layout.full || hands.locked ? null : (
                <Again recent={recent} most={AGAIN} />
              )
            }
          />
        </>
      )}
      {sheets}
    </main>
  );
}

type ShelvesProps = {
  shown: BarItem[];
  layout: BarLayout;
  now: ReturnType<typeof useNowAt>;
  acts: BrewActs;
  locked: boolean;
  picked: number | null;
  free: React.ReactNode;
};
/**
 * Brews in rows of shelves; a place keeps its place, a free one shows nothing but, in the first, what waits or can be
 * brewed again.
 */
function Shelves({ shown, layout, now, acts, locked, picked, free: inFree }: ShelvesProps) {
  const last = Math.max(SHELF, ...shown.map((s) => s.brew.place));
  const places = Math.min(BAR_SLOTS, Math.max(SHELF, Math.ceil(last / SHELF) * SHELF));
  const slots = Array.from(
    { length: Math.ceil(places / layout.columns) * layout.columns },
    (_, i) => shown.find((s) => s.brew.place === i + 1),
  );
  const free = slots.findIndex((s, i) => !s && slots.slice(i).every((x) => !x));
  const rows = Array.from({ length: slots.length / layout.columns }, (_, r) =>
    slots.slice(r * layout.columns, (r + 1) * layout.columns),
  ).filter((row, r) => row.some(Boolean) || Math.floor(free / layout.columns) === r);
  return (
    <div
      className="shelves"
      style={{ ['--time' as string]: layout.time, ['--time-line' as string]: layout.timeLine }}
    >
      {rows.map((row, r) => (
        <div
          className="shelf"
          key={r}
          style={{ gridTemplateColumns: `44px repeat(${layout.columns}, ${layout.columnWidth})` }}
        >
          <AxisLabels axis={layout.axis} />
          {row.map((s, c) =>
            s ? (
              <BrewDrawing key={s.brew.id} shown={s} layout={layout} now={now} />
            ) : (
              <div key={c} className="free" style={{ height: layout.axis.height }}>
                {free === r * layout.columns + c && c > 0 ? inFree : null}
              </div>
            ),
          )}
          <div
            className="pull"
            style={{
              top: layout.axis.pull,
              right: 'auto',
              width: row.reduce((n, s, c) => (s ? c + 1 : n), 0) * layout.columnPx,
            }}
          />
          <div />
          {row.map((s, c) =>
            s ? (
              <BrewControls
                key={s.brew.id}
                shown={s}
                layout={layout}
                acts={acts}
                now={now}
                locked={locked}
                picked={picked === s.brew.place}
              />
            ) : (
              <div key={c} />
            ),
          )}
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
  const busy = vesselsInUse(brews);
  const list = recent
    .flatMap((r) => {
      const [tea, vessel] = [
        book?.teas.find((t) => t.id === r.teaId),
        shelf?.vessels.find((v) => v.id === r.vesselId && !v.retired),
      ];
      const house = tea && vessel && recipeFor(tea, methodFor(vessel))?.house;
      return tea && house && vessel ? [{ tea, house, vessel, water: r.water }] : [];
    })
    .slice(0, most);
  if (list.length === 0) return null;
  return (
    <div className="again">
      <h2>Again</h2>
      {list.map(({ tea, house, vessel, water }) => (
        <button
          type="button"
          key={tea.id}
          onClick={() =>
            navigate(
              busy.has(vessel.id)
                ? `/start?tea=${tea.id}`
                : `/start?tea=${tea.id}&vessel=${vessel.id}&water=${water}`,
            )
          }
        >
          <Cup liquor={houseLiquorOf(tea, house.recipe)} size={34} />
          <span>
            <span className="tea">{tea.name}</span>
            <span className="small">
              {vessel.name}
              {busy.has(vessel.id) ? ' is in use' : `, ${minutesText(house.recipe.window.best)}`}
            </span>
          </span>
        </button>
      ))}
    </div>
  );
}

const FirstSteps = lazy(() => import('./FirstSteps').then((m) => ({ default: m.FirstSteps })));
/** A house that has brewed less than this is shown its first steps. */
const FEW_BREWS = 3;

type EmptyProps = {
  recent: Recent;
  orders: readonly Order[];
  queue: React.ReactNode;
  locked: boolean;
  onScan: () => void;
  children: React.ReactNode;
};
function EmptyBar({ recent, orders, queue, locked, onScan, children }: EmptyProps) {
  const navigate = useNavigate();
  const { site, role } = useSession();
  const { data: shelf, isLoading: shelfLoads } = useVesselsQuery();
  const { data: book, isLoading: bookLoads } = useBookQuery();
  // Whole or not yet: a button that moves as the shelf arrives loses the touch on its way down.
  if (shelfLoads || bookLoads)
    return (
      <main className="page">
        <Loading what="the bar" />
      </main>
    );
  const vessels = (shelf?.vessels ?? [])
    .filter((v) => v.siteId === site.id && !v.retired)
    .slice(0, 5);
  return (
    <main className="page bar-empty" aria-label="Bar">
      <div className="line">
        {vessels.map((v) => (
          <VesselDrawing
            key={v.id}
            vessel={v}
            scale={0.62}
            label=""
            bowl={false}
            extra={({ solved, scale }) => {
              const z = solved.levelOf(v.mark);
              const r = solved.radiusAt(z);
              return (
                <path
                  d={`M${-r * scale} ${-z * scale}H${r * scale}`}
                  stroke="var(--line-2)"
                  strokeDasharray="5 4"
                />
              );
            }}
          />
        ))}
      </div>
      <div>
        <h1 className="text-[21px] font-bold">Nothing on the bar.</h1>
        <p>
          {vessels.length
            ? locked
              ? 'Type a PIN to start a brew.'
              : 'Start a brew, or press N.'
            : 'Put the first vessel on the Shelf, then start a brew.'}
        </p>
      </div>
      {!locked && (
        <div className="flex flex-wrap gap-2">
          <button type="button" className="btn go" onClick={() => navigate('/start')}>
            Start a brew <kbd>N</kbd>
          </button>
          <button type="button" className="btn" onClick={onScan}>
            Read a card’s code <kbd>C</kbd>
          </button>
        </div>
      )}
      <Unsaved />
      {!locked && queue && (
        <div className="up-next">
          <h2>
            Up next, {orders.length} {orders.length === 1 ? 'order' : 'orders'} <kbd>U</kbd>
          </h2>
          {queue}
        </div>
      )}
      {role === 'lead' && recent.length < FEW_BREWS && book ? (
        <Suspense fallback={null}>
          <FirstSteps teas={book.teas} vessels={vessels} brewed={recent.length > 0} />
        </Suspense>
      ) : null}
      {!locked && <Again recent={recent} most={6} />}
      {children}
    </main>
  );
}
