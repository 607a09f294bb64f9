import type { KeyboardEvent, RefObject } from 'react';
import { Link } from 'react-router';
import type { Tea } from '#contracts/teas';
import { useSession } from '../../../entities/people/session';
import { FILTERS, type Order, ORDERS } from './useSorted';

/** Typing, order and filter of the list. */
export function IndexHead({
  box,
  typed,
  order,
  filter,
  lit,
  onType,
  onOrder,
  onFilter,
  onKey,
}: {
  box: RefObject<HTMLInputElement | null>;
  typed: string;
  order: Order;
  filter: number;
  /** The tea that Enter opens. */
  lit: Tea | undefined;
  onType: (text: string) => void;
  onOrder: (order: Order) => void;
  onFilter: (filter: number) => void;
  onKey: (e: KeyboardEvent) => void;
}) {
  const { role } = useSession();
  return (
    <div className="index-head">
      <input
        className="box"
        ref={box}
        aria-label="Find a tea"
        placeholder="Find a tea, kind or word"
        value={typed}
        onChange={(e) => onType(e.target.value)}
        onKeyDown={onKey}
        role="combobox"
        aria-expanded="true"
        aria-controls="teas-found"
        aria-activedescendant={lit ? `tea-${lit.id}` : undefined}
      />
      {ORDERS.map((o) => (
        <button
          type="button"
          key={o}
          className="btn slim"
          aria-pressed={o === order}
          onClick={() => onOrder(o)}
        >
          {o}
        </button>
      ))}
      <select
        className="box slim"
        aria-label="Show"
        value={filter}
        onChange={(e) => onFilter(Number(e.target.value))}
      >
        {FILTERS.map(([name], i) => (
          <option key={name} value={i}>
            {name}
          </option>
        ))}
      </select>
      <Link className="btn slim" to="/book/stock">
        Leaf in stock
      </Link>
      {role === 'lead' && (
        <Link className="btn slim" to="/book/new">
          New tea
        </Link>
      )}
    </div>
  );
}
