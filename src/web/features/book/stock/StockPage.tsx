import { useState } from 'react';
import { Link } from 'react-router';
import { stockWords } from '#core/stock';
import { lotAgeWords } from '#core/teas';
import { siteDate } from '#core/time';
import { epochMs } from '#core/units';
import { useSession, useZone } from '../../../entities/people/session';
import { useBookQuery } from '../../../entities/teas/api';
import { useStockQuery } from '../../../entities/teas/stockApi';
import { CannotRead } from '../../../platform/Awaited';
import { now } from '../../../platform/clock';
import { useGo } from '../../../platform/useGo';
import { dateText } from '../../../ui/days';
import { useKeys } from '../../../ui/keys';
import { Loading, Nothing } from '../../../ui/Note';
import { CountForm } from './CountForm';
import { costWords, type StockLine, stockLines, usualCurrency } from './model';
import { PocketShelf } from './PocketShelf';

/** Leaf in stock: what is left of each lot, about when it is gone, what a cup costs, and pockets filled ahead. */
export function StockPage() {
  const book = useBookQuery();
  const stock = useStockQuery(undefined, { refetchOnMountOrArgChange: true });
  const go = useGo();
  const zone = useZone();
  useKeys([{ key: 'Escape', does: 'To the book', run: () => go('/book') }]);
  if (stock.isError || book.isError)
    return (
      <main className="page p-6">
        <CannotRead
          what="the leaf in stock"
          onAgain={() => void Promise.all([stock.refetch(), book.refetch()])}
        />
      </main>
    );
  if (!book.data || !stock.data)
    return (
      <main className="page">
        <Loading what="the leaf in stock" />
      </main>
    );
  const { lots, pockets } = stock.data;
  const { teas } = book.data;
  const lines = stockLines(teas, lots, siteDate(zone, now()));
  return (
    <main className="page content-start p-6 max-[700px]:p-4">
      <div className="flex flex-wrap items-end gap-3">
        <h1 className="flex-1 text-[26px]">Leaf in stock</h1>
        <Link className="btn quiet slim" to="/book">
          To the book <kbd>Esc</kbd>
        </Link>
      </div>
      <p className="small mt-1">
        Count a tin once. What is brewed, started cold or filled into pockets is taken off by the
        log, at every site. Count again when the tin says otherwise.
      </p>
      {lines.length === 0 ? (
        <Nothing
          action={
            <Link className="btn" to="/book">
              To the book
            </Link>
          }
        >
          No lot is in use. Add a lot on the page of its tea.
        </Nothing>
      ) : (
        <StockTable lines={lines} currency={usualCurrency(lots)} />
      )}
      <PocketShelf teas={teas} pockets={pockets} />
    </main>
  );
}

function StockTable({ lines, currency }: { lines: readonly StockLine[]; currency: string }) {
  const { role } = useSession();
  const [open, setOpen] = useState<string | null>(null);
  return (
    <ul className="stock mt-3" aria-label="Lots">
      {lines.map((line) => (
        <li key={line.lot.id}>
          <StockRow
            line={line}
            canCount={role !== 'trainee'}
            isOpen={open === line.lot.id}
            onOpen={() => setOpen(open === line.lot.id ? null : line.lot.id)}
          />
          {open === line.lot.id && (
            <CountForm
              line={line}
              currency={line.kept.price?.currency ?? currency}
              isLead={role === 'lead'}
              onDone={() => setOpen(null)}
            />
          )}
        </li>
      ))}
    </ul>
  );
}

function StockRow({
  line,
  canCount,
  isOpen,
  onOpen,
}: {
  line: StockLine;
  canCount: boolean;
  isOpen: boolean;
  onOpen: () => void;
}) {
  const zone = useZone();
  const { tea, lot, kept, stock, needsLead } = line;
  const cost = costWords(line);
  return (
    <div className="stock-row">
      <span>
        <Link className="tea" to={`/book/${tea.id}`}>
          {tea.name}
        </Link>{' '}
        <span className="small">{lot.name}</span>
      </span>
      <span className={needsLead ? 'font-semibold' : ''}>
        {stockWords(stock, now(), zone, dateText)}
        <span className="small block font-normal">
          {[
            kept.counted &&
              `${kept.counted.grams} g counted ${dateText(siteDate(zone, epochMs(kept.counted.at)))} by ${kept.counted.by.name}`,
            lotAgeWords(lot, siteDate(zone, now())),
            cost && `a cup of 150 ml: ${cost}`,
          ]
            .filter(Boolean)
            .join(' · ')}
        </span>
      </span>
      {canCount ? (
        <button
          type="button"
          className="btn slim"
          aria-expanded={isOpen}
          aria-label={`Count ${tea.name}, ${lot.name}`}
          onClick={onOpen}
        >
          Count
        </button>
      ) : (
        <span />
      )}
    </div>
  );
}
