import {
  DndContext,
  type DragEndEvent,
  PointerSensor,
  pointerWithin,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import type { ReactNode } from 'react';
import type { SeenAs } from '#core/training';
import { type CupToSee, SeenCup, seenText } from '../SeenAs';
import { inTray, letterName, type Ordering } from './model';

const CUP = 72;

/** The cups by letter, and how they are shown. */
export type ShownCups = { readonly cups: readonly CupToSee[]; readonly seen: SeenAs };

function OneCup({ letter, shown: { cups, seen } }: { letter: number; shown: ShownCups }) {
  const cup = cups[letter];
  return cup ? <SeenCup cup={cup} seen={seen} among={cups} size={CUP} /> : null;
}
/** "Cup B, lightness 63.2". */
function nameOf(letter: number, { cups, seen }: ShownCups): string {
  const cup = cups[letter];
  const text = cup ? seenText(cup, seen) : '';
  return `${letterName(letter)}${text ? `, ${text}` : ''}`;
}

/** A pointer moves this far before it drags: less is a touch, px. */
const DRAG_PX = 6;
/** Cups inside are dragged to a place, or away from their place. */
export function CupDrag({
  onDrop,
  children,
}: {
  onDrop: (letter: number, at: number | null) => void;
  children: ReactNode;
}) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: DRAG_PX } }),
  );
  const dropped = ({ active, over }: DragEndEvent) => {
    const at: unknown = over?.data.current?.at;
    onDrop(Number(active.id), typeof at === 'number' ? at : null);
  };
  return (
    <DndContext sensors={sensors} collisionDetection={pointerWithin} onDragEnd={dropped}>
      {children}
    </DndContext>
  );
}
/** A cup that can be dragged. The button around it does the same by touch and by keys. */
function DraggedCup({ letter, shown }: { letter: number; shown: ShownCups }) {
  const { setNodeRef, listeners, transform } = useDraggable({ id: String(letter) });
  const style = transform
    ? { transform: `translate(${transform.x}px, ${transform.y}px)`, zIndex: 5 }
    : undefined;
  return (
    <span ref={setNodeRef} className="cup-drag" style={style} {...listeners}>
      <OneCup letter={letter} shown={shown} />
    </span>
  );
}

/** Cups that are in no place yet, and the one in hand. */
export function CupTray({
  state,
  shown,
  onLift,
}: {
  state: Ordering;
  shown: ShownCups;
  onLift: (letter: number) => void;
}) {
  const letters = [...inTray(state), ...(state.lifted === null ? [] : [state.lifted])].sort(
    (a, b) => a - b,
  );
  return (
    <>
      <h2>Not placed</h2>
      <div className="porcelain cup-row">
        {letters.map((letter) => (
          <button
            key={letter}
            type="button"
            className={`cup-place ${letter === state.lifted ? 'lifted' : ''}`}
            aria-pressed={letter === state.lifted}
            aria-label={`Cup ${nameOf(letter, shown)}`}
            onClick={() => onLift(letter)}
          >
            <DraggedCup letter={letter} shown={shown} />
            <b>{letterName(letter)}</b>
          </button>
        ))}
      </div>
    </>
  );
}

/** Numbered places, the lightest at the left; after the answer each says where its cup belongs. */
export function CupLine({
  state,
  shown,
  ranks,
  onPlace,
}: {
  state: Ordering;
  shown: ShownCups;
  ranks: readonly number[] | null;
  onPlace: (at: number) => void;
}) {
  const wordsAt = (letter: number | null, at: number): string => {
    if (letter === null) {
      const isHere = state.lifted !== null && state.waiting === at;
      return isHere && state.lifted !== null ? `${letterName(state.lifted)} here` : '';
    }
    const rank = ranks?.[letter];
    if (rank === undefined) return letterName(letter);
    return rank === at ? `${letterName(letter)} right` : `${letterName(letter)} is ${rank + 1}`;
  };
  return (
    <>
      <h2 className="mt-4">
        In order<small>the lightest at the left</small>
      </h2>
      <div className="porcelain cup-row cup-line">
        {state.places.map((letter, at) => (
          <Place
            key={at}
            at={at}
            isWaiting={state.lifted !== null && state.waiting === at}
            name={letter === null ? 'empty' : `cup ${nameOf(letter, shown)}`}
            words={wordsAt(letter, at)}
            onPlace={() => onPlace(at)}
          >
            {letter === null ? (
              <span className="no-cup" aria-hidden="true" />
            ) : (
              <DraggedCup letter={letter} shown={shown} />
            )}
          </Place>
        ))}
      </div>
    </>
  );
}

/** One numbered place; a cup is set down here by touch, by key or by dragging. */
function Place({
  at,
  isWaiting,
  name,
  words,
  onPlace,
  children,
}: {
  at: number;
  isWaiting: boolean;
  name: string;
  words: string;
  onPlace: () => void;
  children: ReactNode;
}) {
  const { setNodeRef, isOver } = useDroppable({ id: `place${at}`, data: { at } });
  return (
    <button
      ref={setNodeRef}
      type="button"
      className={`cup-place ${isWaiting || isOver ? 'waiting' : ''}`}
      aria-label={`Place ${at + 1}, ${name}`}
      onClick={onPlace}
    >
      {children}
      <b>{words}</b>
      <small>{at + 1}</small>
    </button>
  );
}
