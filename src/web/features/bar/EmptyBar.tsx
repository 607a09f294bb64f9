import { lazy, Suspense } from 'react';
import type { Vessel } from '#contracts/vessels';
import { useBar } from '../../entities/brews/useBar';
import { useSession } from '../../entities/people/session';
import { useBookQuery } from '../../entities/teas/api';
import { useVesselsQuery } from '../../entities/vessels/api';
import { VesselDrawing } from '../../entities/vessels/VesselDrawing';
import { isComing, Unread } from '../../platform/Awaited';
import { useGo } from '../../platform/useGo';
import { useLater } from '../../platform/useLater';
import { Loading } from '../../ui/Note';
import { Again, type Recent } from './Again';
import { BarUnread } from './BarUnread';
import { Unsaved } from './Unsaved';

const FirstSteps = lazy(() => import('./FirstSteps').then((m) => ({ default: m.FirstSteps })));

const loadDueToday = () => import('../../entities/training/DueToday').then((m) => m.DueToday);

/** A house that has brewed less than this is shown its first steps. */
const FEW_BREWS = 3;

type EmptyProps = {
  recent: Recent;
  queue: React.ReactNode;
  locked: boolean;
  onScan: () => void;
  children: React.ReactNode;
};

export function EmptyBar({ recent, queue, locked, onScan, children }: EmptyProps) {
  const go = useGo();
  const { site, role } = useSession();
  const { asked: bar } = useBar();
  const shelf = useVesselsQuery();
  const book = useBookQuery();
  // Whole or not yet: a button that moves as the shelf arrives loses the touch on its way down.
  if (isComing(shelf) || isComing(book))
    return (
      <main className="page">
        <Loading what="the bar" />
      </main>
    );
  const vessels = (shelf.data?.vessels ?? [])
    // Pitchers stand in the fridge.
    .filter((v) => v.siteId === site.id && !v.retired && v.kind !== 'pitcher')
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
      {bar.data ? (
        <div>
          <h1 className="text-[21px] font-bold">Nothing on the bar.</h1>
          {shelf.data ? (
            <p>{whatToDo(vessels, locked)}</p>
          ) : (
            <Unread what="the shelf" of={[shelf]} room="mt-3" />
          )}
        </div>
      ) : (
        <BarUnread bar={bar} room="" />
      )}
      {!locked && (
        <div className="flex flex-wrap gap-2">
          <button type="button" className="btn go" onClick={() => go('/start')}>
            Start a brew <kbd>N</kbd>
          </button>
          <button type="button" className="btn" onClick={onScan}>
            Read a card’s code <kbd>C</kbd>
          </button>
        </div>
      )}
      <Unsaved />
      {!locked && queue}
      {role === 'lead' && recent.length < FEW_BREWS && bar.data && book.data ? (
        <Suspense fallback={null}>
          <FirstSteps teas={book.data.teas} vessels={vessels} brewed={recent.length > 0} />
        </Suspense>
      ) : null}
      {!locked && <Again recent={recent} most={6} />}
      {!locked && role === 'trainee' && <DueAtSchool />}
      {children}
    </main>
  );
}

/** What is due at School, once the bar is there. */
function DueAtSchool() {
  const DueToday = useLater(loadDueToday);
  return DueToday && <DueToday />;
}

/** What to do on an empty bar. */
function whatToDo(vessels: readonly Vessel[], locked: boolean) {
  if (vessels.length === 0) return 'Put the first vessel on the Shelf, then start a brew.';
  return locked ? 'Type a PIN to start a brew.' : 'Start a brew, or press N.';
}
