import { Link } from 'react-router';
import {
  LEAF_LESSONS,
  type LeafLessonId,
  scheduleFor,
  type Tasting,
  type TastingAct,
} from '#core/tastings';
import { minutesText } from '#core/units';
import { pathOf, ROUTES } from '#contracts/routes';
import type { OpenTasting } from '#contracts/tastings';
import { useSession, useUnits } from '../../../entities/people/session';
import { clockText } from '../../../ui/days';
import { Guests } from './Guests';
import { alikeAsMade } from './model';
import { WeighedRow } from './weighed';

type Props = {
  view: OpenTasting;
  now: Tasting;
  heats: readonly string[] | null;
  codeOf: (cup: number) => string;
  act: (act: TastingAct) => void;
};

function WeighedOut({ view: { exercise: e }, now, heats, codeOf, act }: Props) {
  const units = useUnits();
  const alike = alikeAsMade(e, now, units);
  return (
    <>
      <h2>
        Weighed out
        <small>
          {now.started ? `water on from ${clockText(now.started)}` : 'type what the scale said'}
        </small>
      </h2>
      <table className="grid-table plain weighed">
        <thead>
          <tr>
            <th className="l">code</th>
            <th>leaf</th>
            <th>water</th>
            {heats && <th>heat</th>}
            <th>{scheduleFor(e).kind === 'oneClock' ? 'pour at' : 'time'}</th>
            <th>poured</th>
          </tr>
        </thead>
        <tbody>
          {now.cups.map((c, i) => (
            <WeighedRow
              key={i}
              code={codeOf(i)}
              c={c}
              heat={heats?.[i] ?? null}
              at={minutesText(e.cups[i]?.plan.seconds ?? 0)}
              volume={units.volume}
              onWeigh={(grams, water) => act({ kind: 'weigh', cup: i, grams, water })}
            />
          ))}
        </tbody>
      </table>
      {alike && (
        <p className="mt-2">
          <b>Like for like:</b>{' '}
          <span className={alike.isAlike ? '' : 'text-warn'}>{alike.words}</span>
        </p>
      )}
      {now.swaps.length > 0 && (
        <p className="small">
          Codes swapped:{' '}
          {now.swaps.map((s) => `${s.a} and ${s.b}, ${clockText(s.at)}, ${s.by.name}`).join('; ')}.
        </p>
      )}
    </>
  );
}

type Taster = Tasting['tasters'][number];
function stateText(taster: Taster): string {
  if (taster.left !== null) return `left${taster.left ? `: ${taster.left}` : ''}`;
  const kept = Object.keys(taster.sheets).length;
  return kept > 0 ? `${kept} kept` : 'not begun';
}
function TasterRow({
  taster,
  tastingId,
  act,
}: {
  taster: Taster;
  tastingId: string;
  act: Props['act'];
}) {
  const { personId } = useSession();
  if (taster.handedIn !== null)
    return (
      <li>
        <span>{taster.name}</span>
        <span>
          submitted {clockText(taster.handedIn)}
          {taster.enteredBy ? `, by ${taster.enteredBy.name}` : ''}
        </span>
      </li>
    );
  return (
    <li>
      <span>{taster.name}</span>
      <span className="acts">
        <span className="small">{taster.guest === 'free' ? 'seat free' : stateText(taster)}</span>
        <Link className="btn slim" to={`/table/${tastingId}/taste?for=${taster.id}`}>
          {taster.id === personId ? 'Taste' : 'Enter sheet'}
        </Link>
        {taster.left === null && taster.guest !== 'free' && (
          <button
            type="button"
            className="btn quiet slim"
            onClick={() => act({ kind: 'leave', taster: taster.id, reason: '' })}
          >
            Left
          </button>
        )}
      </span>
    </li>
  );
}
/** What whoever runs a lesson asks and teaches. */
function LessonAsked({ lesson }: { lesson: LeafLessonId }) {
  const { title, ask, teach } = LEAF_LESSONS[lesson];
  return (
    <section aria-label="Lesson">
      <h2 className="mt-3">
        Lesson<small>{title}</small>
      </h2>
      <p>
        <b>Ask:</b> {ask}
      </p>
      <p className="mt-1">
        <b>After the reveal:</b> {teach}
      </p>
    </section>
  );
}
function Prints({ id, isLesson }: { id: string; isLesson: boolean }) {
  const prints = [
    ...(isLesson ? [['Trainer’s sheet', ROUTES.printTrainerSheet] as const] : []),
    ['Table tents', ROUTES.printTents] as const,
    ['Paper sheets', ROUTES.printSheets] as const,
  ];
  return (
    <p className="prints mt-2">
      {prints.map(([name, route]) => (
        <a
          key={name}
          className="underline"
          href={pathOf(route, { id })}
          target="_blank"
          rel="noreferrer"
        >
          {name}
        </a>
      ))}
    </p>
  );
}

/** Weights as they really were, and the tasters. */
export function RunPaper(props: Props) {
  const { view, now, act } = props;
  return (
    <section className="paper" aria-label="Weights and tasters">
      <WeighedOut {...props} />
      <h2 className="mt-3">
        Tasters<small>codes stay hidden from their sheets until all are in</small>
      </h2>
      <ul className="sitting">
        {now.tasters.map((taster) => (
          <TasterRow key={taster.id} taster={taster} tastingId={view.id} act={act} />
        ))}
      </ul>
      <Guests view={view} />
      {view.lesson && <LessonAsked lesson={view.lesson} />}
      <Prints id={view.id} isLesson={view.lesson !== null} />
      {view.exercise.tasters.length > 1 && (
        <div className="foot">
          <Link className="btn" to={`/table/${view.id}/taste`}>
            Pass this tablet round
          </Link>
        </div>
      )}
    </section>
  );
}
