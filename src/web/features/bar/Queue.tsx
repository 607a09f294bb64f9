import { type KeyboardEvent, lazy, Suspense } from 'react';
import { cupsWords, wishWords } from '#core/recipes';
import { volumeText, type VolumeUnit } from '#core/units';
import type { Order } from '#contracts/brews';
import type { BrewCommands } from '../../entities/brews/commands';
import { useUnits } from '../../entities/people/session';
import { useBookQuery } from '../../entities/teas/api';
import { Cup } from '../../entities/teas/Cup';
import { houseLiquorOf } from '../../entities/teas/liquor';
import { useVesselsQuery } from '../../entities/vessels/api';
import { shiftMoves, SortableList, SortableRow } from '../../ui/SortableList';

// Working a card out for each kettle is no part of what the bar loads at once.
const KettleFor = lazy(() => import('./KettleFor').then((m) => ({ default: m.KettleFor })));

type Props = {
  orders: readonly Order[];
  commands: BrewCommands;
  onStart: (o: Order) => void;
  most?: number;
};

/** The orders that wait: drag one by its handle, or move it by Shift with up and down. */
export function Queue({ orders, commands, onStart, most = orders.length }: Props) {
  const ids = orders.map((o) => o.id);
  const move = (id: string, to: number) => {
    const order = orders.find((o) => o.id === id);
    if (order) commands.order.move(order, to, orders);
  };
  return (
    <>
      <SortableList label="Up next" className="queue" ids={ids} onMove={move}>
        {orders.slice(0, most).map((o) => (
          <Row
            key={o.id}
            order={o}
            onKeyDown={shiftMoves(o.id, ids, move)}
            onStart={() => onStart(o)}
            onDrop={() => commands.order.drop(o)}
          />
        ))}
      </SortableList>
      {orders.length > most && <p className="small">and {orders.length - most} more</p>}
    </>
  );
}

/** For whom, in what, and what was asked for. */
const orderWords = (
  { forWhom, wish, cups }: Order,
  vessel: string | undefined,
  unit: VolumeUnit,
): string =>
  [forWhom, vessel, cups && cupsWords(cups, volumeText(cups.each, unit)), wish && wishWords(wish)]
    .filter(Boolean)
    .join(', ');

function Row({
  order,
  onKeyDown,
  onStart,
  onDrop,
}: {
  order: Order;
  onKeyDown: (e: KeyboardEvent) => void;
  onStart: () => void;
  onDrop: () => void;
}) {
  const units = useUnits();
  const { data: book } = useBookQuery();
  const { data: shelf } = useVesselsQuery();
  const tea = book?.teas.find((t) => t.id === order.teaId);
  const vessel = shelf?.vessels.find((v) => v.id === order.vesselId);
  return (
    <SortableRow id={order.id} gripLabel={`Drag ${order.teaName}`} data-order={order.teaName}>
      {(grip) => (
        <>
          <button
            type="button"
            className="take"
            onClick={onStart}
            onKeyDown={onKeyDown}
            aria-label={`Start ${order.teaName}${order.forWhom ? `, ${order.forWhom}` : ''}. Shift with up and down moves it`}
          >
            {tea?.house ? (
              <Cup liquor={houseLiquorOf(tea, tea.house.recipe)} size={30} />
            ) : (
              <span />
            )}
            <span>
              <span className="tea">{order.teaName}</span>
              <span className="small">
                {orderWords(order, vessel?.name, units.volume) || 'any vessel'}
                {tea && vessel && (
                  <Suspense fallback={null}>
                    <KettleFor {...{ order, tea, vessel }} />
                  </Suspense>
                )}
              </span>
            </span>
          </button>
          {grip}
          <button
            type="button"
            className="btn quiet slim"
            onClick={onDrop}
            aria-label={`Take ${order.teaName} off the queue`}
          >
            Off
          </button>
        </>
      )}
    </SortableRow>
  );
}
