import { Printer } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import type { Tea } from '#contracts/book';
import { labOf } from '#core/colour';
import { styleOf } from '#core/styles';
import { leafWords } from '#core/teas';
import { degrees, minutesText } from '#core/units';
import { useSession, useUnits } from '../../app/session';
import { Nothing } from '../../ui/Note';
import { matches } from '../../ui/PickList';
import { Cup } from '../../ui/vessel';
import { houseCup } from '../bar';

const ORDERS = ['A to Z', 'By kind', 'By colour'] as const;
type Order = (typeof ORDERS)[number];
const FAMILIES = ['white', 'green', 'oolong', 'black', 'ripe dark', 'herbal'];
const lightness = (t: Tea) => (t.house ? labOf(houseCup(t.style, t.house.recipe))[0] : 100);

/** Every tea with what is needed at a glance; typing narrows it, Enter opens the first. */
export function TeaIndex({ teas, chosen }: { teas: readonly Tea[]; chosen: string | undefined }) {
  const [params] = useSearchParams();
  const [typed, setTyped] = useState('');
  const [order, setOrder] = useState<Order>('A to Z');
  const { role } = useSession();
  const units = useUnits();
  const navigate = useNavigate();
  const box = useRef<HTMLInputElement>(null);
  const find = params.get('find');
  useEffect(() => {
    if (find) box.current?.focus();
  }, [find]);
  const found = useMemo(() => teas.filter((t) => !t.retired && Math.max(matches(t.name, typed), matches(`${styleOf(t.style).kind} ${t.words} ${leafWords(t.leaf)} ${t.lots.map((l) => l.name).join(' ')}`, typed)) > 0), [teas, typed]);
  const sorted = useMemo(() => [...found].sort((a, b) =>
    order === 'By colour' ? lightness(b) - lightness(a)
      : order === 'By kind' ? FAMILIES.indexOf(styleOf(a.style).family) - FAMILIES.indexOf(styleOf(b.style).family) || a.name.localeCompare(b.name)
        : matches(b.name, typed) - matches(a.name, typed) || a.name.localeCompare(b.name)), [found, order, typed]);
  const retired = teas.filter((t) => t.retired);
  return (
    <section className="index" aria-label="Teas">
      <div className="index-head">
        <input className="box" ref={box} aria-label="Find a tea" placeholder="Find a tea, kind or word" value={typed} onChange={(e) => setTyped(e.target.value)} onKeyDown={(e) => { if (e.key === 'Enter' && sorted[0]) navigate(`/book/${sorted[0].id}`); }} />
        {ORDERS.map((o) => <button type="button" key={o} className="btn slim" aria-pressed={o === order} onClick={() => setOrder(o)}>{o}</button>)}
        {role === 'lead' && <Link className="btn slim" to="/book/new">New tea</Link>}
      </div>
      <div className="scroll flex-1">
        {sorted.length === 0 ? <Nothing>{teas.length === 0 ? (role === 'lead' ? 'No tea in the book yet. New tea adds the first.' : 'No tea in the book yet. A lead adds the first.') : `No tea has “${typed}” in its name or words.`}</Nothing> : (
          <ul className="teas">
            {sorted.map((t, i) => {
              const family = styleOf(t.style).family;
              const begins = order === 'By kind' && (i === 0 || styleOf(sorted[i - 1]?.style ?? t.style).family !== family);
              return (
                <li key={t.id}>
                  {begins && <h3>{family}</h3>}
                  <Link to={`/book/${t.id}`} aria-current={t.id === chosen ? 'true' : undefined}>
                    {t.house ? <Cup liquor={houseCup(t.style, t.house.recipe)} size={32} /> : <span />}
                    <span className="tea">{t.name}</span>
                    <span className="n">{t.house ? `${degrees(t.house.recipe.temperature, units.temperature)}°  ${minutesText(t.house.recipe.window.best)}` : 'no recipe'}</span>
                  </Link>
                </li>
              );
            })}
          </ul>
        )}
        {teas.length > 0 && <p className="small prints pt-4"><Printer size={20} strokeWidth={2} aria-hidden="true" /> To print: <a className="btn quiet slim" href="/api/print/book.pdf" target="_blank" rel="noreferrer">The whole book, A5</a><a className="btn quiet slim" href="/api/print/book.pdf?size=a4" target="_blank" rel="noreferrer">A4</a><a className="btn quiet slim" href="/api/print/spoons.pdf" target="_blank" rel="noreferrer">Spoon sheet</a></p>}
        {retired.length > 0 && <p className="small py-2">Retired: {retired.map((t, i) => <span key={t.id}>{i > 0 && ', '}<Link to={`/book/${t.id}`}>{t.name}</Link></span>)}</p>}
      </div>
    </section>
  );
}
