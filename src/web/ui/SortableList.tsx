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
import type { HTMLAttributes, KeyboardEvent, ReactNode } from 'react';

/** A pointer moves this far before it drags: less is a touch, px. */
const DRAG_PX = 6;

type Props = {
  label: string;
  className: string;
  /** Every id of the list, also of rows that are not shown. */
  ids: readonly string[];
  /** Moves a row to another place, both counted from 0; places past the ends are never asked for. */
  onMove: (id: string, to: number) => void;
  /** The rows shown, each a `SortableRow`. */
  children: ReactNode;
};
/** A list whose rows are dragged by their handles. */
export function SortableList({ label, className, ids, onMove, children }: Props) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: DRAG_PX } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const dropped = ({ active, over }: DragEndEvent) => {
    const to = ids.indexOf(String(over?.id));
    if (to >= 0 && active.id !== over?.id) onMove(String(active.id), to);
  };
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped}>
      <SortableContext items={[...ids]} strategy={verticalListSortingStrategy}>
        <ol className={className} aria-label={label}>
          {children}
        </ol>
      </SortableContext>
    </DndContext>
  );
}

/** Moves the row that has the focus by Shift with up and down; the focus goes with the row. */
export const shiftMoves =
  (id: string, ids: readonly string[], onMove: Props['onMove']) => (e: KeyboardEvent) => {
    const step = e.shiftKey ? { ArrowUp: -1, ArrowDown: 1 }[e.key] : undefined;
    if (step === undefined) return;
    e.preventDefault();
    const to = ids.indexOf(id) + step;
    if (to < 0 || to >= ids.length) return;
    onMove(id, to);
    const row = e.currentTarget as HTMLElement;
    requestAnimationFrame(() => row.focus());
  };

type RowProps = {
  id: string;
  /** What the handle is called, such as "Drag 409". */
  gripLabel: string;
  /** The row, given its handle. */
  children: (grip: ReactNode) => ReactNode;
} & Omit<HTMLAttributes<HTMLLIElement>, 'id' | 'children'>;
/** A row of a `SortableList`. */
export function SortableRow({ id, gripLabel, children, ...rest }: RowProps) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition } =
    useSortable({ id });
  return (
    <li
      {...rest}
      ref={setNodeRef}
      style={{ transform: transform ? `translateY(${transform.y}px)` : undefined, transition }}
    >
      {children(
        <button
          type="button"
          className="grip"
          ref={setActivatorNodeRef}
          {...attributes}
          {...listeners}
          aria-label={gripLabel}
        >
          <GripVertical size={22} />
        </button>,
      )}
    </li>
  );
}
