import { lazy, Suspense, useEffect, useState } from 'react';
import { Navigate, Outlet, useLocation } from 'react-router';
import { useSession } from '../entities/people/session';
import { BarWatch, ScannerWedge } from '../features/bar';
import { loadHotBell } from '../features/cold';
import { useGo } from '../platform/useGo';
import { useLater } from '../platform/useLater';
import { Sheet } from '../ui/Dialog';
import { type KeyBinding, useBoundKeys, useKeys } from '../ui/keys';
import { DrawingPatterns } from '../ui/LevelMark';
import { Loading } from '../ui/Note';
import { CounterEdge } from './CounterEdge';
import { isAt, NAVIGATION, ownsFigures } from './navigation';
import { ShellHead } from './ShellHead';
import { Toasts } from './ToastList';
import { useLiveEvents } from './useLiveEvents';
import { useLock } from './useLock';

const Unlock = lazy(() => import('./Unlock').then((m) => ({ default: m.Unlock })));
const Unsent = lazy(() => import('./Unsent').then((m) => ({ default: m.Unsent })));
const Device = lazy(() => import('./Device').then((m) => ({ default: m.Device })));
const KEY_NAMES: Record<string, string> = {
  ' ': 'Space',
  Escape: 'Esc',
  ArrowUp: 'up',
  ArrowDown: 'down',
  ArrowLeft: 'left',
  ArrowRight: 'right',
};
const keyName = (key: string) => KEY_NAMES[key] ?? (key.length > 1 ? key : key.toUpperCase());

/** Head, place, the running strip, and the counter's edge with the places. */
export function Shell() {
  const { name, personId } = useSession();
  const { pathname } = useLocation();
  const go = useGo();
  const [keys, setKeys] = useState(false);
  const [device, setDevice] = useState(false);
  const [unsent, setUnsent] = useState(false);
  const { locked, lock, asking, stay } = useLock();
  const [unlocking, setUnlocking] = useState(false);
  useLiveEvents();
  const HotBell = useLater(loadHotBell);
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
      ...NAVIGATION.flatMap((p, i) => [
        { key: `Shift ${i + 1}`, does: p.name, run: () => go(p.path) },
        ...(ownsFigures(pathname)
          ? []
          : [{ key: String(i + 1), does: p.name, run: () => go(p.path) }]),
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
      <ShellHead
        at={at}
        pathname={pathname}
        locked={locked}
        onUnsent={() => setUnsent(true)}
        onUnlock={() => setUnlocking(true)}
        onDevice={() => setDevice(true)}
      />
      <Suspense
        fallback={
          <main className="page">
            <Loading what="this place" />
          </main>
        }
      >
        <Outlet />
      </Suspense>
      <CounterEdge
        fullScreen={fullScreen}
        locked={locked}
        at={at}
        onBar={onBar}
        hasFigures={!ownsFigures(pathname)}
        onKeys={() => setKeys(true)}
      />
      <Toasts />
      <BarWatch place={at?.name ?? 'Limnos'} />
      {HotBell && <HotBell />}
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
      <KeysSheet open={keys} bound={bound} onClose={() => setKeys(false)} />
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

/** Every key that does something here. */
function KeysSheet({
  open,
  bound,
  onClose,
}: {
  open: boolean;
  bound: readonly KeyBinding[];
  onClose: () => void;
}) {
  return (
    <Sheet title="Keys here" open={open} onClose={onClose}>
      <dl className="grid grid-cols-[90px_1fr] gap-y-2">
        {bound.map((b) => [
          <dt key={`${b.key}k`}>
            <kbd>{keyName(b.key)}</kbd>
          </dt>,
          <dd key={b.key}>{b.does}</dd>,
        ])}
      </dl>
    </Sheet>
  );
}
