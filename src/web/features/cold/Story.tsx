import { observedWords } from '#core/brews';
import { DISCARD_REASONS } from '#core/cold';
import { verdictWords } from '#core/corrections';
import { dayAndTime, type SiteClock, weekdayAndTime } from '#core/time';
import { readingText, volumeText } from '#core/units';
import type { BatchHappened } from '#contracts/batchEvents';
import type { ColdBatch } from '../../entities/batches/standing';
import { type Units, useClock, useUnits } from '../../entities/people/session';

/** What was done, in words. */
function eventWords(e: BatchHappened, units: Units, clock: SiteClock): string {
  switch (e.kind) {
    case 'lift':
      return `leaf out${e.squeezed ? ', squeezed' : ''}${e.yield === null ? '' : `, ${volumeText(e.yield, units.volume)} measured`}`;
    case 'coldOn':
      return 'cold water on';
    case 'pour':
      return e.glasses === null
        ? `${volumeText(e.ml, units.volume)} poured`
        : `${e.glasses} ${e.glasses === 1 ? 'glass' : 'glasses'} poured, ${volumeText(e.ml, units.volume)}`;
    case 'dilute':
      return `${volumeText(e.ml, units.volume)} of water added`;
    case 'count':
      return `${volumeText(e.ml, units.volume)} measured`;
    case 'discard':
      return `${volumeText(e.ml, units.volume)} thrown out: ${DISCARD_REASONS[e.reason]}`;
    case 'taste':
      return `tasted: ${verdictWords(e.verdict)}${e.observed ? `; ${observedWords(e.observed)}` : ''}${e.remark ? `, ${e.remark}` : ''}${e.accepted ? `; “${e.proposal.headline}” for the next batch` : ''}`;
    case 'shorten':
    case 'override':
      return `to be thrown out ${e.kind === 'shorten' ? 'sooner' : 'later'}, ${dayAndTime(clock, e.until)}: ${e.reason}`;
    case 'label':
      return `label printed: throw out by ${weekdayAndTime(clock, e.until)}`;
    case 'decant':
      return `from ${e.from.name} into ${e.to.name}`;
    case 'shelve':
      return e.place === 'fridge'
        ? 'into the fridge'
        : `out on the counter, at ${readingText(e.air, units.temperature)}`;
    case 'retime':
      return `leaf was in at ${weekdayAndTime(clock, e.to)}, not ${weekdayAndTime(clock, e.from)}`;
    case 'void':
      return 'started twice: the other one counts';
    case 'undo':
      return 'taken back';
  }
}

/** What was done to a batch, by whom, in order; what was taken back is struck through. */
export function Story({ batch }: { batch: ColdBatch }) {
  const units = useUnits();
  const clock = useClock();
  const { undone } = batch.now;
  const shown = batch.events.filter((e) => e.kind !== 'undo' || e.of === batch.id);
  return (
    <>
      <h2 className="mt-4">
        What was done<small>by whom</small>
      </h2>
      <ol className="grid gap-1">
        <li>
          {weekdayAndTime(clock, batch.leafIn)} leaf in, {batch.startedBy.name}
        </li>
        {[...shown]
          .sort((a, b) => a.at - b.at)
          .map((e) => (
            <li key={e.id} className={undone.has(e.id) ? 'line-through' : ''}>
              {weekdayAndTime(clock, e.at)} {eventWords(e, units, clock)}, {e.by}
              {e.flag && <span className="text-warn"> ({e.flag})</span>}
            </li>
          ))}
      </ol>
    </>
  );
}
