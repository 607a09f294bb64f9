import { colourOfBrew } from '#core/colour';
import { brewCup } from '#core/cup';
import { houseBrew, isCold } from '#core/recipes';
import type { Version } from '#contracts/recipes';
import type { Tea } from '#contracts/teas';
import { DifferenceBars, differenceSentence } from '../../../entities/brews/DifferenceBars';
import { Cup } from '../../../entities/teas/Cup';
import { predictionBasis } from '../../../entities/teas/predictionBasis';
import { dayText } from '../../../ui/days';

export function TwoCups({
  tea,
  left,
  right,
  children,
}: {
  tea: Tea;
  left: Version;
  right: Version;
  children: React.ReactNode;
}) {
  const [a, b] = [left, right].map((v) => houseBrew(tea, v.recipe)) as [
    ReturnType<typeof houseBrew>,
    ReturnType<typeof houseBrew>,
  ];
  const [cupA, cupB] = [brewCup(a).taste, brewCup(b).taste];
  return (
    <section className="paper" aria-label="The two cups">
      {isCold(right.method) ? (
        <p>Cold cups are not predicted: taste decides.</p>
      ) : (
        <>
          <h2>
            The two cups<small>a plain pot of half a litre, at best</small>
          </h2>
          <div className="beside">
            {(
              [
                [left, a],
                [right, b],
              ] as const
            ).map(([v, brew]) => (
              <figure key={v.id}>
                <Cup liquor={colourOfBrew(brew, brew.time)} size={92} />
                <figcaption>
                  {v.number}, {v.state}
                </figcaption>
              </figure>
            ))}
          </div>
          <h2 className="mt-3">
            {right.number} against {left.number}
            <small>the line is version {left.number}</small>
          </h2>
          <DifferenceBars cup={cupB} held={cupA} what={`version ${left.number}`} />
          <p className="text-[17px]" data-testid="versions-words">
            {differenceSentence(cupB, cupA)} <span className="small">{predictionBasis(tea)}.</span>
          </p>
        </>
      )}
      <hr />
      <h2>
        Reason<small>for {right.number}</small>
      </h2>
      <p>
        {right.reason}.{' '}
        <span className="small">
          {right.author.name}, {dayText(right.at)}
        </span>
      </p>
      {children}
    </section>
  );
}
