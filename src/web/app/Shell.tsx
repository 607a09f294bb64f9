import { Suspense, useState } from 'react';
import { Link, Outlet, useLocation, useNavigate } from 'react-router';
import { BarWatch, clockText, RunningStrip } from '../features/bar';
import { Sheet } from '../ui/Dialog';
import { useBoundKeys, useKeys } from '../ui/keys';
import { Loading } from '../ui/Note';
import { DrawingPatterns } from '../ui/vessel';
import { useNow } from './clock';
import { useSession } from './session';
import { settingsChanged } from './settings';
import { useAppDispatch, useAppSelector } from './store';
import { Toasts } from './ToastList';
import { useSignOutMutation } from './records';

const PLACES = [
  { path: '/', name: 'Bar', also: ['/start', '/judge'] }, { path: '/book', name: 'Book', also: [] }, { path: '/shelf', name: 'Shelf', also: [] },
  { path: '/log', name: 'Log', also: [] }, { path: '/house', name: 'House', also: [] },
] as const;
const isAt = (p: (typeof PLACES)[number], path: string) => (p.path === '/' ? path === '/' : path.startsWith(p.path)) || p.also.some((a) => path.startsWith(a));
const KEY_NAMES: Record<string, string> = { ' ': 'Space', Escape: 'Esc', ArrowUp: 'up', ArrowDown: 'down', ArrowLeft: 'left', ArrowRight: 'right' };

function Saved() {
  const waiting = useAppSelector((s) => s.outbox.waiting.length);
  return waiting === 0 ? <span className="small sync">All saved</span> : <span className="small unsaved" role="status">{waiting} not saved yet</span>;
}
function Clock() {
  return <span className="clock">{clockText(useNow(1000))}</span>;
}

/** Head, place, the running strip, and the counter's edge with the places. */
export function Shell() {
  const { name, site } = useSession();
  const { pathname } = useLocation();
  const navigate = useNavigate();
  const [keys, setKeys] = useState(false);
  const [leaving, setLeaving] = useState(false);
  const bound = useBoundKeys();
  const at = PLACES.find((p) => isAt(p, pathname));
  const fullScreen = pathname === '/' || pathname.startsWith('/start') || pathname.startsWith('/judge');
  useKeys([
    ...PLACES.map((p, i) => ({ key: String(i + 1), does: p.name, run: () => navigate(p.path) })),
    { key: '/', does: 'Find a tea', run: () => navigate('/book?find=1') },
    { key: '?', does: 'All keys', run: () => setKeys(true) },
  ], 0);
  return (
    <div className="shell">
      <DrawingPatterns />
      <header className="head">
        <span className="place">{at?.name ?? 'Limnos'}</span><span className="site">{site.name}</span>
        {pathname.startsWith('/start') && <span className="small crumb">Start a brew</span>}
        {pathname.startsWith('/judge') && <span className="small crumb">Judge the cup</span>}
        <span className="gap" /><Saved /><Clock />
        <button type="button" className="who" onClick={() => setLeaving(true)}>{name}<small>Not you?</small></button>
      </header>
      <Suspense fallback={<main className="page"><Loading what="this place" /></main>}><Outlet /></Suspense>
      <nav className="counter" aria-label="Places">
        {!fullScreen && <RunningStrip />}
        <div className="edge">
          {PLACES.map((p, i) => <Link key={p.path} to={p.path} aria-current={p === at ? 'page' : undefined}><i>{i + 1}</i>{p.name}</Link>)}
          <span className="tools"><Link className="btn quiet slim" to="/book?find=1">Find <kbd>/</kbd></Link><button type="button" className="btn quiet slim keys" onClick={() => setKeys(true)}>Keys <kbd>?</kbd></button></span>
        </div>
      </nav>
      <Toasts />
      <BarWatch place={at?.name ?? 'Limnos'} />
      <Sheet title="Keys here" open={keys} onClose={() => setKeys(false)}>
        <dl className="grid grid-cols-[90px_1fr] gap-y-2">{bound.map((b) => [<dt key={`${b.key}k`}><kbd>{KEY_NAMES[b.key] ?? b.key.toUpperCase()}</kbd></dt>, <dd key={b.key}>{b.does}</dd>])}</dl>
      </Sheet>
      <Leave open={leaving} onClose={() => setLeaving(false)} name={name} />
    </div>
  );
}

function Leave({ open, onClose, name }: { open: boolean; onClose: () => void; name: string }) {
  const [signOut, { isLoading, isError }] = useSignOutMutation();
  const dispatch = useAppDispatch();
  const { theme } = useAppSelector((s) => s.settings);
  return (
    <Sheet title={`Not ${name}?`} open={open} onClose={onClose}>
      <p>Running brews stay on the bar. Whoever signs in next goes on with them.</p>
      {isError && <p className="fault">Sign-out did not reach the server. Try again.</p>}
      <div className="flex flex-wrap gap-2 mt-4">
        <button type="button" className="btn go" disabled={isLoading} onClick={() => void signOut().unwrap().then(onClose, () => undefined)}>Sign out</button>
        <button type="button" className="btn" onClick={() => dispatch(settingsChanged({ theme: theme === 'dim' ? 'light' : 'dim' }))}>{theme === 'dim' ? 'Light room' : 'Dim room'}</button>
        <button type="button" className="btn quiet" onClick={onClose}>Stay</button>
      </div>
    </Sheet>
  );
}
