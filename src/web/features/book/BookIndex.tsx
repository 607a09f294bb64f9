import { Printer } from 'lucide-react';
import { type KeyboardEvent, memo, useEffect, useRef, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { styleOf } from '#core/styles';
import { degrees, minutesText } from '#core/units';
import type { Tea } from '#contracts/teas';
import { useBar } from '../../entities/brews/useBar';
import { useSession, useUnits } from '../../entities/people/session';
import { Cup } from '../../entities/teas/Cup';
import { houseLiquorOf } from '../../entities/teas/liquor';
import { PrintLink } from '../../entities/teas/PrintLink';
import { useGo } from '../../platform/useGo';
import { Nothing } from '../../ui/Note';
import { IndexHead } from './teaIndex/IndexHead';
import { FILTERS, type Order, PAGE, useSorted } from './teaIndex/useSorted';

/** Asks for more when it comes into sight, or is touched. */
function More({ onSeen, left }: { onSeen: () => void; left: number }) {
  const mark = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const here = mark.current;
    if (!here) return;
    const watch = new IntersectionObserver(
      (seen) => {
        if (seen.some((s) => s.isIntersecting)) onSeen();
      },
      { rootMargin: '80px' },
    );
    watch.observe(here);
    return () => watch.disconnect();
  }, [onSeen]);
  return (
    <div ref={mark} className="py-2">
      <button type="button" className="btn quiet slim" onClick={onSeen}>
        And {left} more
      </button>
    </div>
  );
}

type LineProps = { tea: Tea; heading: string | null; on: boolean; lit: boolean; scale: 'C' | 'F' };
const Line = memo(function Line({ tea, heading, on, lit, scale }: LineProps) {
  return (
    <li>
      {heading && <h3>{heading}</h3>}
      <Link
        id={`tea-${tea.id}`}
        to={`/book/${tea.id}`}
        className={lit ? 'lit' : undefined}
        aria-current={on ? 'true' : undefined}
      >
        {tea.house ? <Cup liquor={houseLiquorOf(tea, tea.house.recipe)} size={32} /> : <span />}
        <span className="tea">{tea.name}</span>
        <span className="n">{lineFigures(tea, scale)}</span>
      </Link>
    </li>
  );
});

/** Heat and time of the house recipe, or why there are none. */
function lineFigures(tea: Tea, scale: 'C' | 'F') {
  if (tea.house)
    return `${degrees(tea.house.recipe.temperature, scale)}°  ${minutesText(tea.house.recipe.window.best)}`;
  if (tea.recipes.length > 0) return 'cold';
  return 'no recipe';
}

/** Every tea with what is needed at a glance; typing narrows it, Enter opens the first. */
export function TeaIndex({ teas, chosen }: { teas: readonly Tea[]; chosen: string | undefined }) {
  const [params] = useSearchParams();
  const [typed, setTyped] = useState('');
  const [order, setOrder] = useState<Order>('A to Z');
  const [filter, setFilter] = useState(0);
  const [at, setAt] = useState(0);
  const { recent } = useBar();
  const { role } = useSession();
  const units = useUnits();
  const go = useGo();
  const box = useRef<HTMLInputElement>(null);
  const [shown, setShown] = useState(PAGE);
  const find = params.get('find');
  useEffect(() => {
    if (find) box.current?.focus();
  }, [find]);
  // In order of name once; typing only sieves, and puts the better matches first.
  const sorted = useSorted({ teas, order, recent, filter, typed });
  const lit = typed === '' ? -1 : Math.min(at, sorted.length - 1);
  /** With keys only: down and up walk what was found, Enter opens it, Esc begins again. */
  const walk = (e: KeyboardEvent) => {
    const step = { ArrowDown: 1, ArrowUp: -1 }[e.key];
    if (step) {
      e.preventDefault();
      setAt(Math.max(0, Math.min(Math.min(sorted.length, shown) - 1, (lit < 0 ? -1 : lit) + step)));
    } else if (e.key === 'Enter') {
      const tea = sorted[Math.max(0, lit)];
      if (tea) go(`/book/${tea.id}`);
    } else if (e.key === 'Escape' && typed !== '') {
      e.stopPropagation();
      setTyped('');
    }
  };
  const retired = teas.filter((t) => t.retired);
  return (
    <section className="index" aria-label="Teas">
      <IndexHead
        box={box}
        typed={typed}
        order={order}
        filter={filter}
        lit={sorted[lit]}
        onType={(text) => {
          setTyped(text);
          setShown(PAGE);
          setAt(0);
        }}
        onOrder={setOrder}
        onFilter={(next) => {
          setFilter(next);
          setShown(PAGE);
        }}
        onKey={walk}
      />
      <div className="scroll flex-1">
        {sorted.length === 0 ? (
          <Nothing>{noneFound({ teas, role, typed, filter })}</Nothing>
        ) : (
          <ul className="teas" id="teas-found">
            {sorted.slice(0, shown).map((t, i) => {
              const family = styleOf(t.style).family;
              const begins =
                order === 'By kind' &&
                (i === 0 || styleOf(sorted[i - 1]?.style ?? t.style).family !== family);
              return (
                <Line
                  key={t.id}
                  tea={t}
                  heading={begins ? family : null}
                  on={t.id === chosen}
                  lit={i === lit}
                  scale={units.temperature}
                />
              );
            })}
          </ul>
        )}
        {sorted.length > shown && (
          <More key={shown} onSeen={() => setShown(shown + PAGE)} left={sorted.length - shown} />
        )}
        {teas.length > 0 && <BookPrints teas={teas.filter((t) => !t.retired)} />}
        {retired.length > 0 && (
          <p className="small py-2">
            Retired:{' '}
            {retired.map((t, i) => (
              <span key={t.id}>
                {i > 0 && ', '}
                <Link to={`/book/${t.id}`}>{t.name}</Link>
              </span>
            ))}
          </p>
        )}
      </div>
    </section>
  );
}

/** Why the list is empty. */
function noneFound({
  teas,
  role,
  typed,
  filter,
}: {
  teas: readonly Tea[];
  role: 'trainee' | 'brewer' | 'lead';
  typed: string;
  filter: number;
}) {
  if (teas.length === 0) {
    if (role === 'lead') return 'No tea in the book yet. New tea adds the first.';
    return 'No tea in the book yet. A lead adds the first.';
  }
  if (typed)
    return `No tea${filter ? `, ${FILTERS[filter]?.[0]},` : ''} has “${typed}” in its name, kind, words or lots.`;
  return `No tea here: ${FILTERS[filter]?.[0]}.`;
}

/** The book to print. */
function BookPrints({ teas }: { teas: readonly Tea[] }) {
  return (
    <p className="small prints pt-4">
      <Printer size={20} strokeWidth={2} aria-hidden="true" /> To print:{' '}
      <PrintLink href="/api/print/book.pdf" teas={teas}>
        The whole book, A5
      </PrintLink>
      <PrintLink href="/api/print/book.pdf?size=a4" teas={teas}>
        A4
      </PrintLink>
      <a className="btn quiet slim" href="/api/print/spoons.pdf" target="_blank" rel="noreferrer">
        Spoon sheet
      </a>
    </p>
  );
}
