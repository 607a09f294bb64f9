import { lazy, Suspense } from 'react';
import type { Order } from '#contracts/brews';
import type { BarBrew } from '../../entities/brews/barBrews';
import type { BarItem } from '../../entities/brews/barItems';
import type { BrewCommands } from '../../entities/brews/commands';
import { Sheet } from '../../ui/Dialog';
import type { BarSheet, BrewActs } from './useBrewActs';

const Steps = lazy(() => import('./Steps').then((m) => ({ default: m.Steps })));
const Queue = lazy(() => import('./Queue').then((m) => ({ default: m.Queue })));
const BrewWorking = lazy(() =>
  import('../../entities/brews/BrewWorking').then((m) => ({ default: m.BrewWorking })),
);
const ByEye = lazy(() => import('./ByEye').then((m) => ({ default: m.ByEye })));
const Tasting = lazy(() => import('./Tasting').then((m) => ({ default: m.Tasting })));
const CupByCup = lazy(() => import('./CupByCup').then((m) => ({ default: m.CupByCup })));
const Scan = lazy(() => import('./Scan').then((m) => ({ default: m.Scan })));

const REASONS = ['Spilled', 'Wrong tea', 'Forgotten', 'Not wanted any more'];

type Props = {
  sheet: BarSheet;
  items: readonly BarItem[];
  orders: readonly Order[];
  commands: BrewCommands;
  acts: BrewActs;
  onStartOrder: (order: Order) => void;
  onClose: () => void;
};
/** The sheets over the bar, one open at most. */
export function BarSheets({ sheet, items, orders, commands, acts, onStartOrder, onClose }: Props) {
  const subject = sheet && 'id' in sheet ? items.find((i) => i.brew.id === sheet.id) : undefined;
  const brew = subject?.brew;
  const isOpen = (kind: NonNullable<BarSheet>['kind']) =>
    sheet?.kind === kind && (!('id' in sheet) || brew !== undefined);
  return (
    <>
      <Sheet
        title={brew ? `${brew.tea.name} in the ${brew.plan.vessel.name}` : ''}
        open={isOpen('working')}
        onClose={onClose}
      >
        {brew && (
          <Suspense fallback={null}>
            <BrewWorking brew={brew} />
          </Suspense>
        )}
      </Sheet>
      <Sheet title={brew ? `Steps: ${brew.tea.name}` : ''} open={isOpen('steps')} onClose={onClose}>
        {brew && (
          <Suspense fallback={null}>
            <Steps
              brew={brew}
              commands={commands}
              onWeighed={onClose}
              onPour={() => {
                if (subject && brew.state.kind === 'warming') acts.next(subject);
              }}
            />
          </Suspense>
        )}
      </Sheet>
      <Sheet
        title={brew ? `Give up ${brew.tea.name}?` : ''}
        open={isOpen('giveUp')}
        onClose={onClose}
      >
        {brew && <GiveUp brew={brew} onGiveUp={commands.giveUp} onClose={onClose} />}
      </Sheet>
      <Sheet
        title={brew ? `By eye: ${brew.tea.name}` : ''}
        open={isOpen('byEye')}
        onClose={onClose}
      >
        {brew && (
          <Suspense fallback={null}>
            <ByEye brew={brew} onPull={commands.pullByEye} onClose={onClose} />
          </Suspense>
        )}
      </Sheet>
      <Sheet title={brew ? `Taste: ${brew.tea.name}` : ''} open={isOpen('taste')} onClose={onClose}>
        {brew && (
          <Suspense fallback={null}>
            <Tasting brew={brew} commands={commands} onClose={onClose} />
          </Suspense>
        )}
      </Sheet>
      <Sheet
        title={brew ? `Cup by cup: ${brew.tea.name}` : ''}
        open={isOpen('cups')}
        onClose={onClose}
      >
        {brew && (
          <Suspense fallback={null}>
            <CupByCup brew={brew} commands={commands} />
          </Suspense>
        )}
      </Sheet>
      <Sheet title="Up next" open={isOpen('queue')} onClose={onClose}>
        <Suspense fallback={null}>
          <Queue orders={orders} commands={commands} onStart={onStartOrder} />
        </Suspense>
        {orders.length === 0 && <p>No orders.</p>}
      </Sheet>
      <Sheet title="Read a card’s code" open={isOpen('scan')} onClose={onClose}>
        <Suspense fallback={null}>
          <Scan onDone={onClose} />
        </Suspense>
      </Sheet>
    </>
  );
}

function GiveUp({
  brew,
  onGiveUp,
  onClose,
}: {
  brew: BarBrew;
  onGiveUp: (brew: BarBrew, reason: string) => void;
  onClose: () => void;
}) {
  return (
    <>
      <p>The brew leaves the bar and the log. The leaf is used up.</p>
      <div className="flex flex-wrap gap-2 mt-4">
        {REASONS.map((reason) => (
          <button
            type="button"
            key={reason}
            className="btn"
            onClick={() => {
              onGiveUp(brew, reason);
              onClose();
            }}
          >
            {reason}
          </button>
        ))}
        <button type="button" className="btn quiet" onClick={onClose}>
          Not yet
        </button>
      </div>
    </>
  );
}
