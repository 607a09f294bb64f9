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
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { ChevronDown, ChevronUp, GripVertical } from 'lucide-react';
import { type KeyboardEvent, useState } from 'react';

type Props = {
  codes: readonly string[];
  unkept: readonly string[];
  onBack: () => void;
  onHandIn: (order: readonly string[]) => void;
};

/**
 * The cups from weakest to strongest: dragged, moved by their arrows, or with Shift, up and down. Then handed in,
 * once.
 */
export function OrderCups({ codes, unkept, onBack, onHandIn }: Props) {
  const [order, setOrder] = useState<readonly string[]>(codes);
  const [touched, setTouched] = useState(false);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const move = (from: number, to: number) => {
    if (to < 0 || to >= order.length || from === to) return;
    setOrder(arrayMove([...order], from, to));
    setTouched(true);
  };
  const dropped = ({ active, over }: DragEndEvent) => {
    if (over) move(order.indexOf(String(active.id)), order.indexOf(String(over.id)));
  };
  const keyed = (i: number) => (e: KeyboardEvent) => {
    const step = e.shiftKey ? { ArrowUp: -1, ArrowDown: 1 }[e.key] : undefined;
    if (step === undefined) return;
    e.preventDefault();
    move(i, i + step);
    const row = e.currentTarget as HTMLElement;
    requestAnimationFrame(() => row.focus());
  };
  return (
    <>
      <section className="sheet-body">
        <h1 className="text-[22px] font-bold">From weakest to strongest</h1>
        <p className="small">
          Drag a cup, use its arrows, or Shift with up and down. All of them count.
        </p>
        <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped}>
          <SortableContext items={[...order]} strategy={verticalListSortingStrategy}>
            <ol className="order-cups" aria-label="From weakest to strongest">
              {order.map((c, i) => (
                <Row
                  key={c}
                  code={c}
                  i={i}
                  last={order.length - 1}
                  onKeyDown={keyed(i)}
                  onMove={(d) => move(i, i + d)}
                />
              ))}
            </ol>
          </SortableContext>
        </DndContext>
        {unkept.length > 0 && (
          <p className="small">Not marked: {unkept.join(', ')}. They go in without marks.</p>
        )}
        {!touched && (
          <p className="small">
            The cups are as you were served. If that is your order, submit it.
          </p>
        )}
      </section>
      <div className="foot">
        <button type="button" className="btn go" onClick={() => onHandIn(order)}>
          Submit order
        </button>
        <button type="button" className="btn" onClick={onBack}>
          Back to the cups
        </button>
      </div>
    </>
  );
}
function Row({
  code,
  i,
  last,
  onKeyDown,
  onMove,
}: {
  code: string;
  i: number;
  last: number;
  onKeyDown: (e: KeyboardEvent) => void;
  onMove: (d: number) => void;
}) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition } =
    useSortable({ id: code });
  return (
    <li
      ref={setNodeRef}
      style={{ transform: transform ? `translateY(${transform.y}px)` : undefined, transition }}
      data-code={code}
    >
      <span className="small">{i === 0 ? 'weakest' : i === last ? 'strongest' : i + 1}</span>
      <button
        type="button"
        className="code"
        onKeyDown={onKeyDown}
        aria-label={`${code}, place ${i + 1}. Shift with up and down moves it`}
      >
        <b>{code}</b>
      </button>
      <button
        type="button"
        className="arrow"
        disabled={i === 0}
        onClick={() => onMove(-1)}
        aria-label={`${code} weaker`}
      >
        <ChevronUp size={22} />
      </button>
      <button
        type="button"
        className="arrow"
        disabled={i === last}
        onClick={() => onMove(1)}
        aria-label={`${code} stronger`}
      >
        <ChevronDown size={22} />
      </button>
      <button
        type="button"
        className="grip"
        ref={setActivatorNodeRef}
        {...attributes}
        {...listeners}
        aria-label={`Drag ${code}`}
      >
        <GripVertical size={22} />
      </button>
    </li>
  );
}
