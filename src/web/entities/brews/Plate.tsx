import type { BrewStatus } from './status';

const TOO_LONG = 5;

/** A brew's own plate: the word over it, the time. Read at two metres. */
export function Plate({ status }: { status: Pick<BrewStatus, 'over' | 'figure' | 'late'> }) {
  return (
    <div className="plate">
      <span>{status.over}</span>
      <b className={status.figure.length + (status.late ? 1 : 0) > TOO_LONG ? 'long' : ''}>
        {status.late && <i>+</i>}
        {status.figure}
      </b>
    </div>
  );
}
