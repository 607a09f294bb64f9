import { Printer } from 'lucide-react';
import { type KeyboardEvent, memo, useEffect, useMemo, useRef, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { labOf } from '#core/colour';
import { isCold } from '#core/recipes';
import { styleOf } from '#core/styles';
import { leafWords } from '#core/teas';
import { degrees, minutesText } from '#core/units';
import type { Tea } from '#contracts/teas';
import { useBar } from '../../entities/brews/useBar';
import { useSession, useUnits } from '../../entities/people/session';
import { Cup } from '../../entities/teas/Cup';
import { houseLiquorOf } from '../../entities/teas/liquor';
import { useGo } from '../../platform/useGo';
import { Nothing } from '../../ui/Note';
import { matches } from '../../ui/PickList';

const ORDERS = ['A to Z', 'Recent', 'By kind', 'By colour'] as const;
type Order = (typeof ORDERS)[number];
/** What the list can be narrowed to besides what is typed. */
const FILTERS: readonly (readonly [name: string, keeps: (t: Tea) => boolean])[] = [
  ['all teas', () => true],
  ['with a new lot', (t) => t.lots.some((l) => l.state === 'new')],
  ['on trial', (t) => t.recipes.some((r) => r.trial)],
  ['brewed cold', (t) => t.recipes.some((r) => isCold(r.method) && r.house)],
  ['not weighed yet', (t) => !t.weighing],
  ['with allergens', (t) => t.allergens !== ''],
  ['no caffeine', (t) => styleOf(t.style).extractable[2] === 0],
];
const FAMILIES = ['white', 'green', 'oolong', 'black', 'ripe dark', 'herbal'];
const BY_NAME = new Intl.Collator('en');
/** Brewed last comes first; what was not brewed lately stays in order of name. */
const lastAt = (recent: readonly { teaId: string }[], t: Tea) => {
  const i = recent.findIndex((r) => r.teaId === t.id);
  return i < 0 ? recent.length : i;
};
const familyOf = (t: Tea) => FAMILIES.indexOf(styleOf(t.style).family);
const lightness = (t: Tea) => (t.house ? labOf(houseLiquorOf(t, t.house.recipe))[0] : 100);

/** So many are drawn at once; the rest as they are scrolled to. */
const PAGE = 24;
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
        <span className="n">
          {tea.house
            ? `${degrees(tea.house.recipe.temperature, scale)}°  ${minutesText(tea.house.recipe.window.best)}`
            : tea.recipes.length > 0
              ? 'cold'
              : 'no recipe'}
        </span>
      </Link>
    </li>
  );
});

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
  const sought = useMemo(
    () =>
      teas
        .filter((t) => !t.retired)
        .sort((x, y) => BY_NAME.compare(x.name, y.name))
        .map((t) => ({
          t,
          words: `${styleOf(t.style).kind} ${t.words} ${leafWords(t.leaf)} ${t.lots.map((l) => l.name).join(' ')}`,
        })),
    [teas],
  );
  const ordered = useMemo(() => {
    if (order === 'By colour') return [...sought].sort((x, y) => lightness(y.t) - lightness(x.t));
    if (order === 'By kind') return [...sought].sort((x, y) => familyOf(x.t) - familyOf(y.t));
    if (order === 'Recent')
      return [...sought].sort((x, y) => lastAt(recent, x.t) - lastAt(recent, y.t));
    return sought;
  }, [sought, order, recent]);
  const sorted = useMemo(() => {
    const keeps = FILTERS[filter]?.[1] ?? (() => true);
    const found = ordered
      .filter(({ t }) => keeps(t))
      .map(({ t, words }) => ({
        t,
        score: Math.max(2 * matches(t.name, typed), matches(words, typed)),
      }))
      .filter((x) => x.score > 0);
    return (
      typed !== '' && order !== 'By kind' ? found.sort((x, y) => y.score - x.score) : found
    ).map(({ t }) => t);
  }, [ordered, order, typed, filter]);
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
      <div className="scroll flex-1">
        {sorted.length === 0 ? (
          <Nothing>
            {teas.length === 0
              ? role === 'lead'
                ? 'No tea in the book yet. New tea adds the first.'
                : 'No tea in the book yet. A lead adds the first.'
              : typed
                ? `No tea${filter ? `, ${FILTERS[filter]?.[0]},` : ''} has “${typed}” in its name, kind, words or lots.`
                : `No tea here: ${FILTERS[filter]?.[0]}.`}
          </Nothing>
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
        {teas.length > 0 && (
          <p className="small prints pt-4">
            <Printer size={20} strokeWidth={2} aria-hidden="true" /> To print:{' '}
            <a
              className="btn quiet slim"
              href="/api/print/book.pdf"
              target="_blank"
              rel="noreferrer"
            >
              The whole book, A5
            </a>
            <a
              className="btn quiet slim"
              href="/api/print/book.pdf?size=a4"
              target="_blank"
              rel="noreferrer"
            >
              A4
            </a>
            <a
              className="btn quiet slim"
              href="/api/print/spoons.pdf"
              target="_blank"
              rel="noreferrer"
            >
              Spoon sheet
            </a>
          </p>
        )}
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
