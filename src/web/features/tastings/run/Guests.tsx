import type { OpenTasting } from '#contracts/tastings';
import { useOpenForGuestsMutation } from '../../../entities/tastings/setUpApi';
import { failureOf } from '../../../platform/api';
import { useNow } from '../../../platform/clock';
import { clockText } from '../../../ui/days';
import { Note } from '../../../ui/Note';
import { QrCode } from '../../../ui/QrCode';

const TICK_MS = 5000;

/** How guests come in: the code to read out, the same for a phone's camera, and until when. */
export function Guests({ view }: { view: OpenTasting }) {
  const now = useNow(TICK_MS);
  const [open, { isLoading, error }] = useOpenForGuestsMutation();
  const { guests } = view;
  if (!guests) return null;
  const seats = view.exercise.tasters.filter((t) => t.guest);
  const free = seats.filter((t) => t.guest === 'free').length;
  const isOver = guests.until <= now;
  const address = `${window.location.origin}/guest`;
  return (
    <section aria-label="Guests" className="guests mt-3">
      <h2>
        Guests
        <small>
          {free === 0 ? 'every seat is taken' : `${free} of ${seats.length} seats free`}
        </small>
      </h2>
      {isOver ? (
        <p>The hour is over: the code lets nobody in, and guests cannot write.</p>
      ) : (
        <div className="flex flex-wrap gap-4 items-center">
          <QrCode
            text={`${address}?code=${guests.code}`}
            label="Opens the page for guests with this code"
            width={104}
          />
          <p>
            <b className="guest-code">{guests.code}</b>
            <span className="small block">
              at {address.replace(/^https?:\/\//, '')}, until {clockText(guests.until)}
            </span>
          </p>
        </div>
      )}
      <button
        type="button"
        className="btn slim mt-2"
        disabled={isLoading}
        onClick={() => void open(view.id)}
      >
        {isOver ? 'Open for another hour' : 'New code, for an hour from now'}
      </button>
      {error && <Note bad>{failureOf(error).message}</Note>}
    </section>
  );
}
