import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { ATTRIBUTES } from '#core/corrections';
import { brewCup } from '#core/cup';
import { FIT_SCORES, type FitScore } from '#core/fitting';
import { houseBrew } from '#core/recipes';
import { differenceWords, type Taste } from '#core/taste';
import { capital, countWord, numberText } from '#core/units';
import type { Tea } from '#contracts/teas';
import { useFitQuery } from '../../entities/fits/api';
import { useBookQuery } from '../../entities/teas/api';
import { failureOf } from '../../platform/api';
import { Awaited } from '../../platform/Awaited';
import { useGo } from '../../platform/useGo';
import { useKeys } from '../../ui/keys';
import { Nothing } from '../../ui/Note';
import { FitChart, offRecipe } from './FitChart';
import { Cups } from './FitCups';
import type { FitProps } from './fitProps';
import { Learnt } from './Learnt';

/** A tea fitted to this house: its cups, what they teach, before and after; used or set aside. */
export function FitPage() {
  const { id = '' } = useParams();
  const go = useGo();
  const books = useBookQuery();
  const book = books.data;
  const [without, setWithout] = useState<readonly string[]>([]);
  const { data, isLoading, error, isFetching } = useFitQuery({ id, without });
  const tea = book?.teas.find((t) => t.id === id);
  useKeys([{ key: 'Escape', does: 'Back to the tea', run: () => go(`/book/${id}`) }]);
  if (isLoading || !book) return <Awaited what="the cups" of={[books]} />;
  if (!tea?.house || !data)
    return (
      <main className="page p-6">
        <Nothing
          action={
            <Link className="btn" to={tea ? `/book/${id}` : '/book'}>
              To the book
            </Link>
          }
        >
          {whyNot(error, tea)}
        </Nothing>
      </main>
    );
  const leaveOut = (cup: string) =>
    setWithout((w) => (w.includes(cup) ? w.filter((c) => c !== cup) : [...w, cup]));
  return (
    <Fitting
      tea={tea}
      recipe={tea.house.recipe}
      page={data}
      without={without}
      busy={isFetching}
      onLeave={leaveOut}
    />
  );
}

/** Why there is nothing to fit. */
function whyNot(error: Parameters<typeof failureOf>[0], tea: Tea | undefined | null) {
  if (error) return failureOf(error).message;
  if (tea) return `${tea.name} has no hot house recipe to fit.`;
  return 'This tea is not in the book.';
}

function Fitting({ tea, recipe, page, without, busy, onLeave }: FitProps) {
  const [score, setScore] = useState<FitScore>('bitterness');
  const { fit, cups } = page;
  const used = cups.filter((c) => !c.left).length;
  const fitted = fit.kind === 'fitted' ? fit.multipliers : null;
  useKeys(
    FIT_SCORES.map((s, i) => ({
      key: `Shift ${i + 1}`,
      does: `Show ${ATTRIBUTES[s].label.toLowerCase()}`,
      run: () => setScore(s),
    })),
  );
  const [before, after] = [
    brewCup(houseBrew({ style: tea.style, fitted: null }, recipe)).taste,
    fitted && brewCup(houseBrew({ style: tea.style, fitted }, recipe)).taste,
  ];
  const off = after ? differenceWords(after, before) : [];
  return (
    <main className="page split result-page">
      <div className="say">
        <h1 className="font-normal">
          Fitted to this house: <span className="tea text-[25px]">{tea.name}</span>
        </h1>
        <span className="gap" />
        <Link className="btn quiet" to={`/book/${tea.id}`}>
          Back to the tea <kbd>Esc</kbd>
        </Link>
      </div>
      <section className="work" aria-busy={busy}>
        <p className="headline" data-testid="fit-words">
          {fitWords(after, off, used)}
        </p>
        <div className="tabs" role="tablist" aria-label="Attribute">
          {FIT_SCORES.map((s) => (
            <button
              type="button"
              role="tab"
              key={s}
              aria-selected={s === score}
              onClick={() => setScore(s)}
            >
              {ATTRIBUTES[s].label}
            </button>
          ))}
        </div>
        <FitChart
          style={tea.style}
          recipe={recipe}
          fitted={fitted}
          cups={cups}
          score={score}
          right={page.right[score]}
          label={ATTRIBUTES[score].label}
        />
        <p className="small">
          Circles: cups of this house, marks read as 0 to 10 around the house cup of its style (
          {numberText(page.right[score])}). Line: the fit, ±0.5; dots: the style before it.
          {cups.some((c) => offRecipe(c, recipe))
            ? ' An arrow: the end of the marks, that much or beyond. Squares: made with other leaf or heat than the recipe; the bar is where the fit expects them.'
            : ''}
        </p>
        <Cups cups={cups} recipe={recipe} onLeave={onLeave} />
      </section>
      <section className="paper" aria-label="What was learnt">
        <Learnt tea={tea} recipe={recipe} page={page} without={without} used={used} />
      </section>
    </main>
  );
}

/** What the cups say of this tea, in a sentence. */
function fitWords(after: Taste | null, off: string[], used: number) {
  if (!after)
    return (
      <>
        <b>{used === 1 ? 'One cup is' : 'No cup is'} here to fit it by.</b> Two at least, marked or
        measured, of the lot in use.
      </>
    );
  if (off.length === 0)
    return (
      <>
        <b>As its style,</b> say {countWord(used)} cups of this house: nothing that one would
        notice.
      </>
    );
  return (
    <>
      <b>{capital(off.join(', '))} than its style,</b> say {countWord(used)} cups of this house.
    </>
  );
}
