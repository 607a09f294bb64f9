import { siteDate } from '#core/time';
import { filterNow, filterWords } from '#core/water';
import type { Site } from '#contracts/sites';
import { useChangeFilterMutation } from '../../entities/people/api';
import { useZone } from '../../entities/people/session';
import { failureOf } from '../../platform/api';
import { now } from '../../platform/clock';
import { dateText } from '../../ui/days';
import { Note } from '../../ui/Note';

/** How the site's water filter is, and one touch for whoever put a new one in. */
export function FilterReminder({ site, canChange }: { site: Site; canChange: boolean }) {
  const today = siteDate(useZone(), now());
  const [change, { isLoading, error }] = useChangeFilterMutation();
  const { filter, filtered } = site.water;
  if (!filtered || !filter) return null;
  const words = filterWords(filterNow(site.water, today));
  const isNew = filter.changed === today;
  return (
    <>
      <Note
        bad={filterNow(site.water, today).kind === 'due'}
        action={
          canChange &&
          !isNew && (
            <button
              type="button"
              className="btn slim"
              disabled={isLoading}
              onClick={() => void change({ siteId: site.id, changed: today })}
            >
              Filter changed today
            </button>
          )
        }
      >
        {words ?? 'The water filter is in order.'} Changed on {dateText(filter.changed)}, used for{' '}
        {filter.everyDays} days.
      </Note>
      {error && (
        <p className="fault" role="alert">
          {failureOf(error).message}
        </p>
      )}
    </>
  );
}
