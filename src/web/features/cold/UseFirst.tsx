import { useState } from 'react';
import { Link } from 'react-router';
import { useFirst } from '#core/cold';
import { weekdayAndTime } from '#core/time';
import { type EpochMs, volumeText } from '#core/units';
import { type ColdBatch, leftIn, sharesVessel } from '../../entities/batches/standing';
import { useClock, useUnits } from '../../entities/people/session';
import { DialogSheet } from '../../ui/DialogSheet';

const kept = (b: ColdBatch) => ({ ...b, discardAt: b.kept.discardAt });

/** What may be poured now, in the order in which it is used; held while nobody knows what became of an older batch. */
function pourOrder(standing: readonly ColdBatch[], now: EpochMs) {
  const drawn = standing.filter(
    (b) => b.ready !== null && b.ready <= now && now < b.kept.discardAt,
  );
  const isAsked = (b: ColdBatch) => sharesVessel(b, standing) !== null;
  return {
    asked: drawn.filter(isAsked),
    list: drawn.filter((b) => !isAsked(b)).sort((a, b) => useFirst(kept(a), kept(b))),
  };
}

/** On the bar: which cold tea is poured first, one touch away. */
export function UseFirst({ standing, now }: { standing: readonly ColdBatch[]; now: EpochMs }) {
  const [open, setOpen] = useState(false);
  const units = useUnits();
  const clock = useClock();
  const { asked, list } = pourOrder(standing, now);
  if (asked.length + list.length === 0) return null;
  return (
    <>
      <button type="button" className="btn quiet slim" onClick={() => setOpen(true)}>
        Use first
      </button>
      <DialogSheet title="Cold tea: use first" open={open} onClose={() => setOpen(false)}>
        {asked.map((b) => (
          <p key={b.id} className="font-semibold">
            <Link to={`/cold/${b.id}`}>{b.vesselName}</Link>: two batches in one pitcher. Say what
            happened to the older one first.
          </p>
        ))}
        <ol className="grid gap-2 mt-2">
          {list.map((b) => (
            <li key={b.id}>
              <Link to={`/cold/${b.id}`}>
                <b>{b.vesselName}</b>, <span className="tea">{b.tea.name}</span>
              </Link>
              : {volumeText(leftIn(b), units.volume)}, until{' '}
              {weekdayAndTime(clock, b.kept.discardAt)}
              {b.now.openedAt !== null && <span className="small"> open</span>}
            </li>
          ))}
        </ol>
        <div className="foot">
          <button type="button" className="btn" onClick={() => setOpen(false)}>
            Close
          </button>
        </div>
      </DialogSheet>
    </>
  );
}
