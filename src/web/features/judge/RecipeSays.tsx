import { Link } from 'react-router';
import { adviceHead, scatterWords, turnedLines } from '#core/corrections';
import type { TeaAdvice } from '#contracts/advice';
import { useUnits } from '../../entities/people/session';
import { useAdviceQuery } from '../../entities/teas/adviceApi';

const NONE: readonly string[] = [];

/**
 * What all cups before this one say of the recipe: one cup is noisy, and its own correction is not always the recipe’s. It
 * stands last, so that nothing moves when it comes.
 */
export function RecipeSays({ teaId, method }: { teaId: string; method: string }) {
  const { data } = useAdviceQuery({ id: teaId, without: NONE });
  if (!data || data.counted === 0 || data.method !== method) return null;
  return (
    <section aria-label="The recipe">
      <h2 className="mt-4">All cups of this tea</h2>
      <Words found={data} />
      <p className="mt-1">
        <Link className="underline" to={`/book/${teaId}/advice`}>
          What the cups say
        </Link>
      </p>
    </section>
  );
}
function Words({ found: { advice, counted, recipe, scatter } }: { found: TeaAdvice }) {
  const { temperature } = useUnits();
  const head = adviceHead(counted, advice);
  switch (head.kind) {
    case 'off':
      return (
        <p>
          <b>The recipe is off.</b> {head.why}{' '}
          {turnedLines(recipe, advice.change?.rounded ?? recipe, temperature)
            .map((line) => `${line.what}: ${line.from} to ${line.to}.`)
            .join(' ')}
        </p>
      );
    case 'right':
      return (
        <p>
          <b>Keep the recipe.</b> {head.why} This cup strayed: brew to the recipe again.{' '}
          {scatterWords(scatter)}
        </p>
      );
    case 'unclear':
    case 'none':
      return (
        <p>
          <b>{head.title}.</b> {head.why}
        </p>
      );
  }
}
