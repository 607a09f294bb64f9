import type { ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { adviceHead, scatterWords, turnedLines } from '#core/corrections';
import { numberText } from '#core/units';
import type { TeaAdvice } from '#contracts/advice';
import type { TeaPage } from '#contracts/teas';
import { useUnits } from '../../entities/people/session';
import { useAdviceQuery } from '../../entities/teas/adviceApi';
import { useTeaQuery } from '../../entities/teas/api';
import { failureOf } from '../../platform/api';
import { useGo } from '../../platform/useGo';
import { useKeys } from '../../ui/keys';
import { Loading, Nothing } from '../../ui/Note';
import { AdviceCups } from './AdviceCups';
import { NotesGathered } from './NotesGathered';
import { PooledBoard } from './PooledBoard';
import { Prediction } from './Prediction';
import { TakeAdvice } from './TakeAdvice';

/** What all judged cups of a tea say of its recipe: pooled marks, one change or none, and how sure that is. */
export function AdvicePage() {
  const { id = '' } = useParams();
  const go = useGo();
  const tea = useTeaQuery(id);
  const advice = useAdviceQuery(id);
  useKeys([{ key: 'Escape', does: 'Back to the tea', run: () => go(`/book/${id}`) }]);
  const failed = tea.error ?? advice.error;
  if (failed)
    return <NoAdvice to={tea.data ? `/book/${id}` : '/book'}>{failureOf(failed).message}</NoAdvice>;
  if (!tea.data || advice.isLoading)
    return (
      <main className="page">
        <Loading what="the cups" />
      </main>
    );
  if (!advice.data)
    return (
      <NoAdvice to={`/book/${id}`}>
        {tea.data.tea.name} has no hot house recipe to advise on.
      </NoAdvice>
    );
  return <Advice page={tea.data} found={advice.data} isBusy={advice.isFetching} />;
}
function NoAdvice({ to, children }: { to: string; children: ReactNode }) {
  return (
    <main className="page p-6">
      <Nothing
        action={
          <Link className="btn" to={to}>
            To the book
          </Link>
        }
      >
        {children}
      </Nothing>
    </main>
  );
}

function Advice({ page, found, isBusy }: { page: TeaPage; found: TeaAdvice; isBusy: boolean }) {
  const { tea } = page;
  const { advice, counted, scatter, cups } = found;
  const head = adviceHead(counted, advice);
  return (
    <main className="page split result-page advice-page">
      <div className="say">
        <h1 className="font-normal">
          What the cups say: <span className="tea text-[25px]">{tea.name}</span>
        </h1>
        <span className="small text-[16px]">version {found.version.number}</span>
        <span className="gap" />
        <Link className="btn quiet" to={`/book/${tea.id}`}>
          Back to the tea <kbd>Esc</kbd>
        </Link>
      </div>
      <section className="work" role="group" tabIndex={0} aria-label="The cups" aria-busy={isBusy}>
        {counted > 0 && (
          <>
            <h2>
              All cups together<small>marks, as the recipe makes them when it is followed</small>
            </h2>
            <PooledBoard pooled={advice.pooled} />
            <p className="small mb-4">
              A bar holds the true figure 95 times in 100. Leaf that was weighed and heat that was
              read are taken off first: they are the cup’s, not the recipe’s.
            </p>
          </>
        )}
        <h2>
          The cups<small>{cups.length === 0 ? 'none was judged yet' : 'the newest first'}</small>
        </h2>
        {cups.length > 0 && <AdviceCups cups={cups} />}
      </section>
      <section className="paper" aria-label="Advice">
        <h2>Recipe</h2>
        <div role="status" data-testid="advice-words">
          <p className="text-[32px] font-semibold leading-[1.15]">{head.title}</p>
          <p className="mt-2">{head.why}</p>
        </div>
        {advice.change && <Change found={found} />}
        {scatter !== null && <p className="mt-3">{scatterWords(scatter)}</p>}
        <p className="small mt-3" data-testid="doubts">
          Where nothing was recorded, leaf is taken as sure to ±
          {numberText(100 * found.doubts.leaf, 0)} % and heat to ±{numberText(found.doubts.heatC)}{' '}
          °C.
        </p>
        {found.prediction && <Prediction prediction={found.prediction} />}
        <NotesGathered notes={page.notes} found={found} />
        <TakeAdvice page={page} found={found} isClear={head.kind === 'off'} />
      </section>
    </main>
  );
}

/** From what to what. */
function Change({ found: { recipe, advice } }: { found: TeaAdvice }) {
  const { temperature } = useUnits();
  if (!advice.change) return null;
  return (
    <dl className="advice-change mt-3">
      {turnedLines(recipe, advice.change.rounded, temperature).map((line) => (
        <div key={line.what}>
          <dt>{line.what}</dt>
          <dd>
            {line.from} to <b>{line.to}</b>
          </dd>
        </div>
      ))}
    </dl>
  );
}
