import { Link } from 'react-router';
import { chanceText, type ChoiceResult, valueText } from '#core/tastings';
import { useUnits } from '../../../entities/people/session';
import type { ResultProps } from './resultProps';

const TELLS = {
  pair: 'tell the two apart',
  triangle: 'find the odd one',
  duoTrio: 'match the reference',
} as const;

const MORE_OF = { seconds: 'time', grams: 'leaf', celsius: 'heat', water: 'water' } as const;
export function Chosen({ view, result }: ResultProps & { result: ChoiceResult }) {
  const units = useUnits();
  const { kind, asks, way } = view.exercise;
  const liked = kind === 'pair' && asks === 'preferred';
  const percent = (v: number) => `${Math.round(v * 100)} %`;
  const sure = result.chance <= 0.05 && result.n > 0;
  const [a, b] = result.cups;
  return (
    <>
      <section className="work">
        <p className="headline">{headlineShown({ result, liked, way, sure, kind })}</p>
        <div className="chosen-cups">
          {[a, b].map(
            (c, i) =>
              c && (
                <div key={c.cup}>
                  <b>{c.code}</b>
                  <span>
                    {i === 0 ? 'first cup' : 'second cup'}: {valueText(way, c.value, units)}
                  </span>
                </div>
              ),
          )}
        </div>
        <table className="grid-table plain">
          <thead>
            <tr>
              <th className="l">taster</th>
              <th className="l">chose</th>
              <th className="l">{liked ? 'that is' : 'answer'}</th>
            </tr>
          </thead>
          <tbody>
            {result.tasters.map((t) => (
              <tr key={t.id}>
                <td className="l">{t.name}</td>
                <td className="l">{t.choice}</td>
                <td className="l">{choiceText(liked, t.right)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <section className="paper" aria-label="How sure">
        <h2>How sure</h2>
        <p className="how-sure">
          n = {result.n}, p = {chanceText(result.chance)} (exact binomial,{' '}
          {liked ? 'two-sided' : 'one-sided'}). Share right: {percent(result.interval[0])} to{' '}
          {percent(result.interval[1])} (95 %, exact).
          {result.able
            ? ` Able to tell beyond guessing: ${percent(result.able.share)} (${percent(result.able.interval[0])} to ${percent(result.able.interval[1])}).`
            : ''}
          {result.n < result.fewest
            ? ` So few can prove nothing: at least ${result.fewest} must all agree.`
            : ''}
          {!sure && result.needed !== null
            ? ` With as many right, about ${result.needed} tasters would have been needed.`
            : ''}
        </p>
        <div className="foot">
          <Link className="btn" to={`/table/new?tea=${view.tea.id}`}>
            Taste it again
          </Link>
        </div>
      </section>
    </>
  );
}

/** What the choice showed, in a sentence. */
function headlineShown({
  result,
  liked,
  way,
  sure,
  kind,
}: {
  result: ChoiceResult;
  liked: boolean;
  way: keyof typeof MORE_OF;
  sure: boolean;
  kind: string;
}) {
  if (result.n === 0) return <b>Nobody chose.</b>;
  if (liked)
    return (
      <>
        <b>
          {result.right} of {result.n} liked the one with more {MORE_OF[way]} better
        </b>
        {sure ? ': more than chance.' : ': chance could do that.'}
      </>
    );
  return (
    <>
      <b>
        {result.right} of {result.n} could {TELLS[kind as keyof typeof TELLS]}
      </b>
      {sure ? ', more than guessing would.' : '; guessing alone could do that.'}
    </>
  );
}

/** What a taster chose. */
function choiceText(liked: boolean, right: boolean) {
  if (liked) return right ? 'the one with more' : 'the one with less';
  return right ? 'right' : 'not this';
}
