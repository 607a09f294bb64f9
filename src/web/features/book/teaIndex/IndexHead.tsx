import type { Dispatch, KeyboardEvent, RefObject, SetStateAction } from 'react';
import { Link } from 'react-router';
import type { Tea } from '#contracts/teas';
import { FILTERS, type Order, ORDERS, PAGE } from './useSorted';

/** Typing, order and filter of the list. */
export function IndexHead({
  box,
  typed,
  setTyped,
  setShown,
  setAt,
  walk,
  sorted,
  lit,
  order,
  setOrder,
  filter,
  setFilter,
  role,
}: {
  box: RefObject<HTMLInputElement | null>;
  typed: string;
  setTyped: Dispatch<SetStateAction<string>>;
  setShown: Dispatch<SetStateAction<number>>;
  setAt: Dispatch<SetStateAction<number>>;
  walk: (e: KeyboardEvent) => void;
  sorted: readonly Tea[];
  lit: number;
  order: Order;
  setOrder: Dispatch<SetStateAction<Order>>;
  filter: number;
  setFilter: Dispatch<SetStateAction<number>>;
  role: 'trainee' | 'brewer' | 'lead';
}) {
  return (
    <div className="index-head">
      <input
        className="box"
        ref={box}
        aria-label="Find a tea"
        placeholder="Find a tea, kind or word"
        value={typed}
        onChange={(e) => {
          setTyped(e.target.value);
          setShown(PAGE);
          setAt(0);
        }}
        onKeyDown={walk}
        role="combobox"
        aria-expanded="true"
        aria-controls="teas-found"
        aria-activedescendant={sorted[lit] ? `tea-${sorted[lit]?.id}` : undefined}
      />
      {ORDERS.map((o) => (
        <button
          type="button"
          key={o}
          className="btn slim"
          aria-pressed={o === order}
          onClick={() => setOrder(o)}
        >
          {o}
        </button>
      ))}
      <select
        className="box slim"
        aria-label="Show"
        value={filter}
        onChange={(e) => {
          setFilter(Number(e.target.value));
          setShown(PAGE);
        }}
      >
        {FILTERS.map(([name], i) => (
          <option key={name} value={i}>
            {name}
          </option>
        ))}
      </select>
      {role === 'lead' && (
        <Link className="btn slim" to="/book/new">
          New tea
        </Link>
      )}
    </div>
  );
}
