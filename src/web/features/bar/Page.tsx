import { lazy, type ReactNode, Suspense, useState } from 'react';
import { BAR_SLOTS } from '#contracts/limits';
import { untilNextFigure } from '../../entities/brews/attention';
import { allOf } from '../../entities/brews/barBrews';
import { sortByUrgency } from '../../entities/brews/barItems';
import { useBar } from '../../entities/brews/useBar';
import { useBarLayout } from '../../entities/brews/useBarLayout';
import { useBrewCommands } from '../../entities/brews/useBrewCommands';
import { useLocked } from '../../entities/people/locked';
import { isComing, isUnread } from '../../platform/Awaited';
import { useNowAt } from '../../platform/clock';
import { useGo } from '../../platform/useGo';
import { useLater } from '../../platform/useLater';
import { Loading } from '../../ui/Note';
import { Again } from './Again';
import { BarSheets } from './BarSheets';
import { BarUnread, barUnreadHeight } from './BarUnread';
import { EmptyBar } from './EmptyBar';
import { NextLine } from './NextLine';
import { PhoneRows } from './Phone';
import { Shelves } from './Shelves';
import { useBarItems } from './useBarItems';
import { useBarKeys } from './useBarKeys';
import { type BarSheet, useBrewActs } from './useBrewActs';
import { useStartOrder } from './useStartOrder';

const Queue = lazy(() => import('./Queue').then((m) => ({ default: m.Queue })));

const loadHotStages = () => import('../../entities/batches/HotStages').then((m) => m.HotStages);

/** A hot stage under the shelves, px. */
const HOT_STAGE_HEIGHT = 90;

/** So many brews and orders are shown in a free place of the bar. */
const AGAIN = 3;
const QUEUED = 3;
const ordersText = (n: number) => `Up next, ${n} ${n === 1 ? 'order' : 'orders'}`;

/** The bar: every running vessel side by side, what to do next in words, one touch for each. */
export function BarPage() {
  const { brews, orders, recent, asked } = useBar();
  const now = useNowAt((t) => untilNextFigure(brews, t));
  const [hot, setHot] = useState(0);
  const layout = useBarLayout(
    brews.reduce((most, b) => Math.max(most, b.place), brews.length),
    hot * HOT_STAGE_HEIGHT + barUnreadHeight(asked),
  );
  const commands = useBrewCommands();
  const locked = useLocked();
  const go = useGo();
  const [sheet, setSheet] = useState<BarSheet>(null);
  const items = useBarItems(brews, now);
  const [first, second] = sortByUrgency(items);
  const acts = useBrewActs(commands, locked, setSheet);
  const startOrder = useStartOrder(commands, brews);
  const HotStages = useLater(loadHotStages);
  const hotStages = HotStages && <HotStages locked={locked} onCount={setHot} />;
  const onStartOrder = (order: (typeof orders)[number]) => {
    setSheet(null);
    void startOrder(order);
  };
  const picked = useBarKeys({
    items,
    first,
    orders,
    acts,
    locked,
    onSheet: setSheet,
    onStartOrder,
  });

  const sheets = (
    <BarSheets
      sheet={sheet}
      items={items}
      orders={orders}
      commands={commands}
      acts={acts}
      onStartOrder={onStartOrder}
      onClose={() => setSheet(null)}
    />
  );
  const queue = (most: number) => (
    <div className="up-next">
      <h2>
        {ordersText(orders.length)} <kbd>U</kbd>
      </h2>
      <Suspense fallback={null}>
        <Queue orders={orders} commands={commands} onStart={onStartOrder} most={most} />
      </Suspense>
    </div>
  );
  if (isComing(asked) && brews.length === 0)
    return (
      <main className="page">
        <Loading what="the bar" />
      </main>
    );
  if (!first)
    return (
      <EmptyBar
        recent={recent}
        queue={orders.length > 0 && queue(orders.length)}
        locked={locked}
        onScan={() => setSheet({ kind: 'scan' })}
      >
        {hotStages}
        {sheets}
      </EmptyBar>
    );

  const isFull = allOf(brews).length >= BAR_SLOTS;
  const hasOrders = orders.length > 0 && !locked;
  const showsQueue = hasOrders && layout.kind === 'desk';
  const queueButton = (look: string) => (
    <button type="button" className={`btn ${look}`} onClick={() => setSheet({ kind: 'queue' })}>
      Up next {orders.length}
    </button>
  );
  const again = layout.full || locked ? null : <Again recent={recent} most={AGAIN} />;
  return (
    <main
      className={`page bar ${layout.full ? 'full' : ''} ${layout.roomy ? 'roomy' : ''}`}
      aria-label="Bar"
    >
      <h1 className="visually-hidden">Bar</h1>
      {isUnread(asked) && <BarUnread bar={asked} room="px-6 pt-3" />}
      {layout.kind === 'phone' ? (
        <PhoneRows
          shown={items}
          layout={layout}
          first={first}
          acts={acts}
          locked={locked}
          queue={hasOrders ? queueButton('slim') : null}
        />
      ) : (
        <>
          <BarHead
            queue={hasOrders && (isFull || layout.kind === 'tablet') ? queueButton('') : null}
            isFull={isFull}
            onStart={locked ? null : () => go('/start')}
          >
            <NextLine
              items={items}
              brews={brews}
              first={first}
              second={second}
              now={now}
              brief={layout.full}
            />
          </BarHead>
          <Shelves
            shown={items}
            layout={layout}
            acts={acts}
            locked={locked}
            picked={picked}
            free={showsQueue ? queue(QUEUED) : again}
          />
        </>
      )}
      {hotStages}
      {sheets}
    </main>
  );
}

/** What to do next, and a brew to start. */
function BarHead({
  children,
  queue,
  isFull,
  onStart,
}: {
  children: ReactNode;
  queue: ReactNode;
  isFull: boolean;
  /** Null on a locked tablet: nothing is started there. */
  onStart: (() => void) | null;
}) {
  return (
    <div className="next">
      {children}
      {queue}
      {onStart && (
        <button type="button" className="btn go" disabled={isFull} onClick={onStart}>
          {isFull ? 'Twelve are on' : 'Start a brew'} <kbd>N</kbd>
        </button>
      )}
    </div>
  );
}
