import { useState } from 'react';
import type { Tea } from '#contracts/teas';
import type { BrewedVessel } from '#contracts/vesselFacts';
import { Sheet } from '../../ui/Dialog';
import { ForWhom } from './CardParts';

/** The pour is not started now: it waits among what is up next, for somebody. */
export function QueueInstead({
  tea,
  vessel,
  off,
  onQueue,
}: {
  tea: Tea;
  vessel: BrewedVessel;
  off: boolean;
  onQueue: (forWhom: string) => void;
}) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button type="button" className="btn quiet" disabled={off} onClick={() => setOpen(true)}>
        Up next, for ...
      </button>
      <Sheet title={`${tea.name} is up next`} open={open} onClose={() => setOpen(false)}>
        <ForWhom
          vessel={vessel.id === null ? null : vessel.name}
          onAdd={(forWhom) => {
            setOpen(false);
            onQueue(forWhom);
          }}
        />
      </Sheet>
    </>
  );
}
