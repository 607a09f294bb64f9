import { batchCode, isLabelOutdated, isStanding, labelTime } from '#core/cold';
import { weekdayAndTime, type Zone } from '#core/time';
import { pathOf, ROUTES } from '#contracts/routes';
import type { ColdBatch } from '../../entities/batches/standing';
import { useBatchCommands } from '../../entities/batches/useBatchCommands';
import { useClock } from '../../entities/people/session';
import { PrintOn } from '../../entities/printers/PrintOn';
import { useKeys } from '../../ui/keys';
import { Note } from '../../ui/Note';

const labelPath = (b: ColdBatch, zone: Zone): string =>
  `${pathOf(ROUTES.printBatchLabel, { id: b.id })}?zone=${encodeURIComponent(zone)}`;

/** Prints the label of a batch, and says when the one on the vessel is out of date. */
export function LabelLine({ batch }: { batch: ColdBatch }) {
  const clock = useClock();
  const commands = useBatchCommands();
  const path = labelPath(batch, clock.zone);
  const { printed, state } = batch.now;
  // What has ended gets a paper that says so, and needs none on the vessel.
  const noted = () => {
    if (isStanding(state)) commands.labelPrinted(batch, labelTime(batch.kept.discardAt));
  };
  useKeys([
    {
      key: 'p',
      does: 'Print the label',
      run: () => {
        window.open(path);
        noted();
      },
    },
  ]);
  return (
    <>
      {printed && isStanding(state) && isLabelOutdated(batch.now, batch.kept.discardAt) && (
        <Note bad>
          <b>The label is out of date: print the label again.</b>{' '}
          {printed.isElsewhere
            ? 'The liquor is in another vessel now.'
            : `The label says ${weekdayAndTime(clock, printed.until)}. Throw out by ${weekdayAndTime(clock, labelTime(batch.kept.discardAt))}.`}
        </Note>
      )}
      <p className="small mt-3">
        Label {batchCode(batch.id)}:{' '}
        <a href={path} target="_blank" rel="noreferrer" onClick={noted}>
          print 62 × 50 mm
        </a>{' '}
        <kbd>P</kbd>
        {printed && `, printed ${printed.times === 1 ? 'once' : `${printed.times} times`}`}
      </p>
      <PrintOn of={{ kind: 'batch', id: batch.id, zone: clock.zone }} onPrinted={noted} />
    </>
  );
}
