import { useMemo } from 'react';
import { LEAF_LESSONS, resultOf, type Tasting } from '#core/tastings';
import { pathOf, ROUTES } from '#contracts/routes';
import type { OpenTasting } from '#contracts/tastings';
import { useSession } from '../../../entities/people/session';
import { clockText } from '../../../ui/days';
import { Calibrated } from '../Calibrated';
import { Compared } from '../Compared';
import { cupsWords, exerciseName } from '../cups';
import { DialIn } from '../DialIn';
import { Chosen } from './ChosenCups';
import { Ladder } from './LadderResult';
import type { ResultProps } from './resultProps';

/** What a table found: in words, then drawn, then how sure. */
export function Result({ view, now }: ResultProps) {
  const result = useMemo(() => resultOf(view.exercise, now), [view.exercise, now]);
  const sat = now.tasters.filter((t) => t.handedIn !== null).length;
  const me = useSession();
  const mayHave = view.kind !== 'calibration' || me.role === 'lead';
  const [from, to] = [now.started ?? view.at, now.revealed ?? view.at];
  return (
    <main className="page split result-page">
      <div className="say">
        <h1 className="font-normal">
          {view.kind === 'dialIn' ? `Dial-in, round ${view.rounds.length + 1}` : 'Result'}:{' '}
          <span className="tea text-[25px]">{view.tea.name}</span>
        </h1>
        <span className="small text-[16px]">
          {view.kind === 'dialIn' ? (view.lot ?? 'no lot') : exerciseName(view).toLowerCase()},{' '}
          {cupsWords(view.exercise.cups.length)}, {sat} {sat === 1 ? 'taster' : 'tasters'},{' '}
          {clockText(from)} to {clockText(to)}
        </span>
        <span className="gap" />
        {mayHave && (
          <>
            <a
              className="btn quiet"
              href={pathOf(ROUTES.exportTasting, { id: view.id, form: 'csv' })}
              download
            >
              As CSV
            </a>
            <a
              className="btn quiet"
              href={pathOf(ROUTES.exportTasting, { id: view.id, form: 'json' })}
              download
            >
              As JSON
            </a>
            <a
              className="btn"
              href={pathOf(ROUTES.printReport, { id: view.id })}
              target="_blank"
              rel="noreferrer"
            >
              Report, one page
            </a>
          </>
        )}
        {view.lesson && (
          <p className="basis-full text-[16px]">
            <b>{LEAF_LESSONS[view.lesson].title}.</b> {LEAF_LESSONS[view.lesson].teach}
          </p>
        )}
      </div>
      {resultShown(result, view, now)}
    </main>
  );
}

/** The result, as its kind of exercise has it. */
function resultShown(result: ReturnType<typeof resultOf>, view: OpenTasting, now: Tasting) {
  if (result.kind === 'ladder') return <Ladder view={view} now={now} result={result} />;
  if (result.kind === 'choice') return <Chosen view={view} now={now} result={result} />;
  if (result.kind === 'calibration') return <Calibrated view={view} result={result} />;
  if (view.kind === 'dialIn') return <DialIn view={view} now={now} />;
  return <Compared view={view} now={now} result={result} />;
}
