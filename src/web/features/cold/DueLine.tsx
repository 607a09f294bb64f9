import { Link, useLocation } from 'react-router';
import { weekdayAndTime } from '#core/time';
import { epochMs } from '#core/units';
import { hotStageEnds } from '../../entities/batches/hotStage';
import { useCold } from '../../entities/batches/useCold';
import { stateLine, type Tone } from '../../entities/batches/words';
import { useClock } from '../../entities/people/session';
import { useNow } from '../../platform/clock';
import { UseFirst } from './UseFirst';
import { startPathOf, usePlanned } from './usePlanned';

const DRAWN_EVERY_MS = 20_000;
/** While the hot water of a batch is on the leaf alone. */
const HOT_DRAWN_EVERY_MS = 1000;
/** A planned batch is said so long before its leaf goes in, and so long after: later the plan is old. */
const [BEFORE_MS, AFTER_MS] = [30 * 60_000, 3 * 3_600_000];

type Due = { readonly path: string; readonly words: string; readonly tone: Tone };

/** In the head of every place: the cold batch that wants hands now, or leaf that is to go in, and how many more. */
export function DueLine() {
  const { standing } = useCold();
  const { planned } = usePlanned();
  const isHot = standing.some((b) => hotStageEnds(b) !== null);
  const now = useNow(isHot ? HOT_DRAWN_EVERY_MS : DRAWN_EVERY_MS);
  const clock = useClock();
  const onBar = useLocation().pathname === '/';
  // The bar shows a hot stage with its own time and button.
  const standingDue = standing
    .filter((b) => !onBar || hotStageEnds(b) === null)
    .map((b) => ({ b, ...stateLine(b, now, clock) }))
    .filter(({ tone }) => tone !== 'plain')
    .map(({ b, words, tone }): Due => ({
      ...{ path: `/cold/${b.id}`, words: `${b.vesselName}: ${words}`, tone },
    }));
  const plannedDue = planned
    .filter((b) => now > b.start - BEFORE_MS && now < b.start + AFTER_MS)
    .map((b): Due => {
      const when = now < b.start ? `by ${weekdayAndTime(clock, epochMs(b.start))}` : 'now';
      return { path: startPathOf(b), words: `${b.vesselName}: put leaf in ${when}`, tone: 'due' };
    });
  const due = [...standingDue, ...plannedDue];
  const [first] = due;
  return (
    <>
      {first && <DueLink first={first} more={due.length - 1} />}
      {onBar && <UseFirst standing={standing} now={now} />}
    </>
  );
}

function DueLink({ first, more }: { first: Due; more: number }) {
  return (
    <Link className="inline-flex items-center min-h-[44px] no-underline" to={first.path}>
      <span className={`cold-state ${first.tone}`}>
        {first.words}
        {more > 0 && `, and ${more} more`}
      </span>
    </Link>
  );
}
