import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { GripVertical } from 'lucide-react';
import type { KeyboardEvent } from 'react';
import type { Order } from '#contracts/brews';
import type { BrewCommands } from '../../entities/brews/commands';
import { useBookQuery } from '../../entities/teas/api';
import { Cup } from '../../entities/teas/Cup';
import { houseLiquorOf } from '../../entities/teas/liquor';
import { useVesselsQuery } from '../../entities/vessels/api';

type Props = {
  orders: readonly Order[];
  commands: BrewCommands;
  onStart: (o: Order) => void;
  most?: number;
};

/** What waits: drag one by its handle, or Shift with up and down on it. */
export function Queue({ orders, commands, onStart, most = orders.length }: Props) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const dropped = ({ active, over }: DragEndEvent) => {
    const order = orders.find((o) => o.id === active.id);
    const to = orders.findIndex((o) => o.id === over?.id);
    if (order && to >= 0 && active.id !== over?.id) commands.order.move(order, to, orders);
  };
  const keyed = (o: Order, i: number) => (e: KeyboardEvent) => {
    const step = e.shiftKey ? { ArrowUp: -1, ArrowDown: 1 }[e.key] : undefined;
    if (step === undefined) return;
    e.preventDefault();
    const to = i + step;
    if (to < 0 || to >= orders.length) return;
    commands.order.move(o, to, orders);
    const row = e.currentTarget as HTMLElement;
    // The row moves with what it holds: the focus stays on it.
    requestAnimationFrame(() => row.focus());
  };
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped}>
      <SortableContext items={orders.map((o) => o.id)} strategy={verticalListSortingStrategy}>
        <ol className="queue" aria-label="Up next">
          {orders.slice(0, most).map((o, i) => (
            <Row
              key={o.id}
              order={o}
              onKeyDown={keyed(o, i)}
              onStart={() => onStart(o)}
              onDrop={() => commands.order.drop(o)}
            />
          ))}
        </ol>
      </SortableContext>
      {orders.length > most && <p className="small">and {orders.length - most} more</p>}
    </DndContext>
  );
}

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
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition } =
    useSortable({ id: order.id });
  const { data: book } = useBookQuery();
  const { data: shelf } = useVesselsQuery();
  const tea = book?.teas.find((t) => t.id === order.teaId);
  const vessel = shelf?.vessels.find((v) => v.id === order.vesselId);
  return (
    <li
      ref={setNodeRef}
      style={{ transform: transform ? `translateY(${transform.y}px)` : undefined, transition }}
      data-order={order.teaName}
    >
      <button
        type="button"
        className="take"
        onClick={onStart}
        onKeyDown={onKeyDown}
        aria-label={`Start ${order.teaName}${order.forWhom ? `, ${order.forWhom}` : ''}. Shift with up and down moves it`}
      >
        {tea?.house ? <Cup liquor={houseLiquorOf(tea, tea.house.recipe)} size={30} /> : <span />}
        <span>
          <span className="tea">{order.teaName}</span>
          <span className="small">
            {[order.forWhom, vessel?.name].filter(Boolean).join(', ') || 'any vessel'}
          </span>
        </span>
      </button>
      <button
        type="button"
        className="grip"
        ref={setActivatorNodeRef}
        {...attributes}
        {...listeners}
        aria-label={`Drag ${order.teaName}`}
      >
        <GripVertical size={20} strokeWidth={2} />
      </button>
      <button
        type="button"
        className="btn quiet slim"
        onClick={onDrop}
        aria-label={`Take ${order.teaName} off the queue`}
      >
        Off
      </button>
    </li>
  );
}
