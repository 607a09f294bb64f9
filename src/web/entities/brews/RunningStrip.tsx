import { useMemo } from 'react';
import { Link } from 'react-router';
import { useNow } from '../../platform/clock';
import { useUnits } from '../people/session';
import { VesselDrawing } from '../vessels/VesselDrawing';
import { barItems, sortByUrgency } from './barItems';
import { liquorOf } from './liquor';
import { useBar } from './useBar';
import { useBarLayout } from './useBarLayout';

const WORD = {
  window: 'window',
  past: 'window',
  late: 'late',
  warming: 'waits',
  tasting: 'taste',
  pulled: 'judge',
  steeping: '',
} as const;
/** So many vessels fit beside the words; on a phone the strip is pushed along by hand. */
const MOST = 6;
const MOST_ON_TABLET = 4;

/** The running vessels in every place: what is next in words at the left, each vessel with its time. */
export function RunningStrip({ scale = 0.3, words = true }: { scale?: number; words?: boolean }) {
  const { brews } = useBar();
  const most = useBarLayout(brews.length).kind === 'tablet' ? MOST_ON_TABLET : MOST;
  const now = useNow(500);
  const { volume, temperature } = useUnits();
  const shown = useMemo(
    () => barItems(brews, now, { volume, temperature }),
    [brews, now, volume, temperature],
  );
  if (shown.length === 0) return null;
  const next = sortByUrgency(shown)[0];
  return (
    <div className="running">
      {words && (
        <p className="next-hand">
          {next && (
            <>
              Next: <b>{next.status.step.toLowerCase()}</b>,{' '}
              <span className="tea">{next.brew.tea.name}</span>
            </>
          )}
        </p>
      )}
      <div className="ledge">
        {sortByUrgency(shown)
          .slice(0, most)
          .sort((a, b) => a.brew.place - b.brew.place)
          .map(({ brew, status }) => {
            const liquor = liquorOf(brew, now);
            return (
              <Link
                key={brew.id}
                className={`mini ${status.name}`}
                to={status.name === 'pulled' ? `/judge/${brew.id}` : '/'}
                aria-label={`${brew.tea.name}, ${status.over.toLowerCase()} ${status.figure}`}
              >
                <VesselDrawing
                  vessel={brew.plan.vessel}
                  scale={scale}
                  fill={liquor ? brew.plan.water : undefined}
                  liquor={liquor}
                  lid={brew.plan.vessel.lid}
                  mark={false}
                  bowl={false}
                  pad={1}
                  label=""
                />
                <span className="t">
                  {WORD[status.name] && <small>{WORD[status.name]}</small>}
                  {status.late ? '+' : ''}
                  {status.figure}
                </span>
              </Link>
            );
          })}
      </div>
    </div>
  );
}
