import { lazy, Suspense, useEffect, useState } from 'react';
import { Link, Navigate, Outlet, useLocation } from 'react-router';
import { RunningStrip } from '../entities/brews/RunningStrip';
import { useSession } from '../entities/people/session';
import { BarWatch, ScannerWedge } from '../features/bar';
import { useNow } from '../platform/clock';
import { awayWords, othersWaiting } from '../platform/outbox/writes';
import { useAppSelector } from '../platform/store';
import { useGo } from '../platform/useGo';
import { clockText } from '../ui/days';
import { Sheet } from '../ui/Dialog';
import { useBoundKeys, useKeys } from '../ui/keys';
import { DrawingPatterns } from '../ui/LevelMark';
import { Loading } from '../ui/Note';
import { Toasts } from './ToastList';
import { useLiveEvents } from './useLiveEvents';
import { useLock } from './useLock';

const Unlock = lazy(() => import('./Unlock').then((m) => ({ default: m.Unlock })));
const Unsent = lazy(() => import('./Unsent').then((m) => ({ default: m.Unsent })));
const Device = lazy(() => import('./Device').then((m) => ({ default: m.Device })));
const NAVIGATION = [
  { path: '/', name: 'Bar', also: ['/start', '/judge'] },
  { path: '/book', name: 'Book', also: [] },
  { path: '/shelf', name: 'Shelf', also: [] },
  { path: '/table', name: 'Table', also: [] },
  { path: '/log', name: 'Log', also: [] },
  { path: '/house', name: 'House', also: [] },
] as const;
const isAt = (p: (typeof NAVIGATION)[number], path: string) =>
  (p.path === '/' ? path === '/' : path.startsWith(p.path)) ||
  p.also.some((a) => path.startsWith(a));
const KEY_NAMES: Record<string, string> = {
  ' ': 'Space',
  Escape: 'Esc',
  ArrowUp: 'up',
  ArrowDown: 'down',
  ArrowLeft: 'left',
  ArrowRight: 'right',
};
const keyName = (key: string) => KEY_NAMES[key] ?? (key.length > 1 ? key : key.toUpperCase());

/** What is kept, and calmly what is not yet: how many, whose, and what was set aside. */
function Saved({ onOpen }: { onOpen: () => void }) {
  const { personId } = useSession();
  const { waiting, awaySince, awayWhy, needsSignIn, storageFails } = useAppSelector(
    (s) => s.outbox,
  );
  const away =
    awaySince === null || needsSignIn ? null : (
      <b>{awayWords(awayWhy, clockText(awaySince))} The bar goes on.</b>
    );
  if (waiting.length === 0)
    return away ? (
      <span className="small away" role="status">
        {away}
      </span>
    ) : (
      <span className="small sync">All saved</span>
    );
  const aside = waiting.filter((w) => w.aside).length;
  const others = othersWaiting(waiting, personId);
  return (
    <span className="small unsaved" role="status">
      {away}
      {away && ' '}
      {needsSignIn && <b>Signed out: sign in and they are kept. </b>}
      {[
        waiting.length > aside && `${waiting.length - aside} not saved yet`,
        others.length > 0 && `some wait for ${others.join(' and ')}`,
        aside > 0 && `${aside} set aside`,
        storageFails && 'this device cannot keep them when it is closed',
      ]
        .filter(Boolean)
        .join(', ')}
      {(aside > 0 || others.length > 0) && (
        <button type="button" className="btn slim quiet" onClick={onOpen}>
          Show records
        </button>
      )}
    </span>
  );
}
/** The server's disk is nearly full: whoever sees it first tells whoever looks after it. */
function DiskLeft() {
  const left = useAppSelector((s) => s.server.diskLeft);
  if (left === null) return null;
  return (
    <span className="small away" role="status">
      <b>Server’s disk nearly full: {left} MB left</b>
    </span>
  );
}
function Clock() {
  return <span className="clock">{clockText(useNow(1000))}</span>;
}

/** Head, place, the running strip, and the counter's edge with the places. */
export function Shell() {
  const { name, site, personId } = useSession();
  const { pathname } = useLocation();
  const go = useGo();
  const [keys, setKeys] = useState(false);
  const [device, setDevice] = useState(false);
  const [unsent, setUnsent] = useState(false);
  const { locked, lock, asking, stay } = useLock();
  const [unlocking, setUnlocking] = useState(false);
  useLiveEvents();
  // Whoever signed in is past the names; the next lock begins with the bar.
  useEffect(() => {
    if (!locked) setUnlocking(false);
  }, [locked]);
  const bound = useBoundKeys();
  const at = NAVIGATION.find((p) => isAt(p, pathname));
  const onBar = pathname === '/';
  const fullScreen = onBar || pathname.startsWith('/start') || pathname.startsWith('/judge');
  useKeys(
    [
      // On the bar the plain figures pick a vessel.
      ...NAVIGATION.flatMap((p, i) => [
        { key: `Shift ${i + 1}`, does: p.name, run: () => go(p.path) },
        ...(onBar ? [] : [{ key: String(i + 1), does: p.name, run: () => go(p.path) }]),
      ]),
      {
        key: '/',
        does: 'Find a tea',
        run: () => go(onBar ? '/start?find=1' : '/book?find=1'),
      },
      { key: 'l', does: 'Lock this tablet', run: lock },
      { key: '?', does: 'All keys', run: () => setKeys(true) },
    ],
    0,
  );
  if (locked && !onBar) return <Navigate to="/" replace />;
  return (
    <div className="shell">
      <DrawingPatterns />
      <header className="head">
        <span className="place">{at?.name ?? 'Limnos'}</span>
        <span className="site">{site.name}</span>
        {pathname.startsWith('/start') && <span className="small crumb">Start a brew</span>}
        {pathname.startsWith('/judge') && <span className="small crumb">Judge the cup</span>}
        <span className="gap" />
        <DiskLeft />
        <Saved onOpen={() => setUnsent(true)} />
        <Clock />
        {locked ? (
          <button type="button" className="who" onClick={() => setUnlocking(true)}>
            Locked<small>Type a PIN</small>
          </button>
        ) : (
          <button type="button" className="who" onClick={() => setDevice(true)}>
            {name}
            <small>Not you?</small>
          </button>
        )}
      </header>
      <Suspense
        fallback={
          <main className="page">
            <Loading what="this place" />
          </main>
        }
      >
        <Outlet />
      </Suspense>
      <nav className="counter" aria-label="Places">
        {!fullScreen && <RunningStrip />}
        <div className="edge">
          {locked ? (
            <p className="locked-words">
              Locked. A steep can still be lifted; for the rest, type a PIN.
            </p>
          ) : (
            NAVIGATION.map((p, i) => (
              <Link key={p.path} to={p.path} aria-current={p === at ? 'page' : undefined}>
                <i>{onBar ? '' : i + 1}</i>
                {p.name}
              </Link>
            ))
          )}
          {!locked && (
            <span className="tools">
              <Link className="btn quiet slim" to={onBar ? '/start?find=1' : '/book?find=1'}>
                Find <kbd>/</kbd>
              </Link>
              <button type="button" className="btn quiet slim keys" onClick={() => setKeys(true)}>
                Keys <kbd>?</kbd>
              </button>
            </span>
          )}
        </div>
      </nav>
      <Toasts />
      <BarWatch place={at?.name ?? 'Limnos'} />
      {!locked && <ScannerWedge />}
      {locked && unlocking && (
        <Suspense fallback={null}>
          <Unlock onLeave={() => setUnlocking(false)} />
        </Suspense>
      )}
      {asking && (
        <div className="asking" role="alertdialog" aria-label="This tablet locks in a moment">
          <p>Nobody here? It locks in a moment.</p>
          <button type="button" className="btn go" onClick={stay}>
            Stay
          </button>
        </div>
      )}
      <Sheet title="Keys here" open={keys} onClose={() => setKeys(false)}>
        <dl className="grid grid-cols-[90px_1fr] gap-y-2">
          {bound.map((b) => [
            <dt key={`${b.key}k`}>
              <kbd>{keyName(b.key)}</kbd>
            </dt>,
            <dd key={b.key}>{b.does}</dd>,
          ])}
        </dl>
      </Sheet>
      <Sheet title="Records not saved yet" open={unsent} onClose={() => setUnsent(false)}>
        <Suspense fallback={null}>
          <Unsent me={personId} />
        </Suspense>
      </Sheet>
      <Sheet title={`${name}, on this device`} open={device} onClose={() => setDevice(false)}>
        <Suspense fallback={null}>
          <Device
            onLock={() => {
              setDevice(false);
              lock();
            }}
            onClose={() => setDevice(false)}
          />
        </Suspense>
      </Sheet>
    </div>
  );
}
