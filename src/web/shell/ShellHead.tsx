import { useSession } from '../entities/people/session';
import { loadDueLine } from '../features/cold';
import { useNow } from '../platform/clock';
import { awayWords, othersWaiting } from '../platform/outbox/writes';
import { useAppSelector } from '../platform/store';
import { useLater } from '../platform/useLater';
import { clockText } from '../ui/days';
import type { NAVIGATION } from './navigation';

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

function ColdDue() {
  const Line = useLater(loadDueLine);
  return Line && <Line />;
}

/** The place, the site, what is saved, the time and who is here. */
export function ShellHead({
  at,
  pathname,
  locked,
  onUnsent,
  onUnlock,
  onDevice,
}: {
  at: (typeof NAVIGATION)[number] | undefined;
  pathname: string;
  locked: boolean;
  onUnsent: () => void;
  onUnlock: () => void;
  onDevice: () => void;
}) {
  const { name, site } = useSession();
  return (
    <header className="head">
      <span className="place">{at?.name ?? 'Limnos'}</span>
      <span className="site">{site.name}</span>
      {pathname.startsWith('/start') && <span className="small crumb">Start a brew</span>}
      {pathname.startsWith('/judge') && <span className="small crumb">Judge the cup</span>}
      {!locked && !pathname.startsWith('/cold') && (
        <span className="cold-due">
          <ColdDue />
        </span>
      )}
      <span className="gap" />
      <DiskLeft />
      <Saved onOpen={onUnsent} />
      <Clock />
      {locked ? (
        <button type="button" className="who" onClick={onUnlock}>
          Locked<small>Type a PIN</small>
        </button>
      ) : (
        <button type="button" className="who" onClick={onDevice}>
          {name}
          <small>Not you?</small>
        </button>
      )}
    </header>
  );
}
