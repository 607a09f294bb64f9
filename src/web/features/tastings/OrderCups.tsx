import { arrayMove } from '@dnd-kit/sortable';
import { ChevronDown, ChevronUp } from 'lucide-react';
import { type KeyboardEvent, useState } from 'react';
import { shiftMoves, SortableList, SortableRow } from '../../ui/SortableList';

type Props = {
  codes: readonly string[];
  unkept: readonly string[];
  onBack: () => void;
  onHandIn: (order: readonly string[]) => void;
};

/**
 * The cups from weakest to strongest: dragged, moved by their arrows, or with Shift, up and down. Then submitted,
 * once.
 */
export function OrderCups({ codes, unkept, onBack, onHandIn }: Props) {
  const [order, setOrder] = useState<readonly string[]>(codes);
  const [touched, setTouched] = useState(false);
  const move = (from: number, to: number) => {
    if (to < 0 || to >= order.length || from === to) return;
    setOrder(arrayMove([...order], from, to));
    setTouched(true);
  };
  const moveCup = (code: string, to: number) => move(order.indexOf(code), to);
  return (
    <>
      <section className="sheet-body">
        <h1 className="text-[22px] font-bold">From weakest to strongest</h1>
        <p className="small">
          Drag a cup, use its arrows, or Shift with up and down. All of them count.
        </p>
        <SortableList
          label="From weakest to strongest"
          className="order-cups"
          ids={order}
          onMove={moveCup}
        >
          {order.map((code, i) => (
            <Row
              key={code}
              code={code}
              i={i}
              last={order.length - 1}
              onKeyDown={shiftMoves(code, order, moveCup)}
              onMove={(by) => move(i, i + by)}
            />
          ))}
        </SortableList>
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
/** The word beside a place, counted from 0. */
function placeWords(i: number, last: number): string {
  if (i === 0) return 'weakest';
  return i === last ? 'strongest' : String(i + 1);
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
  /** By so many places: -1 is weaker. */
  onMove: (by: number) => void;
}) {
  return (
    <SortableRow id={code} gripLabel={`Drag ${code}`} data-code={code}>
      {(grip) => (
        <>
          <span className="small">{placeWords(i, last)}</span>
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
          {grip}
        </>
      )}
    </SortableRow>
  );
}
