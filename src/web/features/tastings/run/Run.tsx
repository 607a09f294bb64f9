import { useState } from 'react';
import { Link } from 'react-router';
import {
  likeForLike,
  missing,
  nextMoment,
  scheduleFor,
  type Tasting,
  type TastingAct,
  validateAct,
  valueText,
} from '#core/tastings';
import { celsius, minutesText, numberText, temperatureText } from '#core/units';
import { pathOf, ROUTES } from '#contracts/routes';
import type { OpenTasting } from '#contracts/tastings';
import { useSession, useUnits } from '../../../entities/people/session';
import { predictionBasis } from '../../../entities/teas/predictionBasis';
import { useNow } from '../../../platform/clock';
import { useAppDispatch } from '../../../platform/store';
import { toastShown } from '../../../platform/toasts';
import { clockText } from '../../../ui/days';
import { Sheet } from '../../../ui/Dialog';
import { useKeys } from '../../../ui/keys';
import { alikeWords, cupsWords, exerciseName, WAY_WORDS } from '../cups';
import { Rungs } from '../Rungs';
import { Measured } from './Measured';
import { Mixed, Spilled } from './mishaps';
import { WeighedRow } from './weighed';

type Props = { view: OpenTasting; now: Tasting; does: (act: TastingAct) => string };
type Asking = 'measured' | 'spilled' | 'codes' | 'other' | 'stop' | null;

/** The table while it is brewed and tasted: one big clock, every cup, who has handed in. */
export function Run({ view, now, does }: Props) {
  const units = useUnits();
  const me = useSession();
  const dispatch = useAppDispatch();
  const t = useNow(250);
  const [asking, setAsking] = useState<Asking>(null);
  const { exercise: e } = view;
  const next = nextMoment(e, now);
  const schedule = scheduleFor(e);
  const codeOf = (cup: number) =>
    Object.keys(now.cupOf)
      .filter((c) => now.cupOf[c] === cup)
      .join(' and ');
  const lastHand = [...view.events]
    .reverse()
    .find(
      (x) =>
        (x.act.kind === 'pour' ||
          x.act.kind === 'pull' ||
          x.act.kind === 'exclude' ||
          x.act.kind === 'swap') &&
        !view.events.some((u) => u.act.kind === 'undo' && u.act.of === x.id),
    );
  const act = (a: TastingAct) => {
    const why = validateAct(e, view.events, a, { id: me.personId, runs: true });
    if (why === null) does(a);
  };
  const undo = () => {
    if (lastHand) {
      act({ kind: 'undo', of: lastHand.id });
      dispatch(toastShown({ text: 'Taken back.' }));
    }
  };
  const hand = () => {
    if (now.started === null) return act({ kind: 'start' });
    if (next) act({ kind: next.act, cup: next.cup });
    else if (missing(now).length === 0) act({ kind: 'reveal' });
  };
  useKeys([
    {
      key: ' ',
      does:
        now.started === null
          ? 'Start the clock'
          : next
            ? next.act === 'pour'
              ? 'Water on the next'
              : 'Pour off the next'
            : 'Reveal',
      run: hand,
    },
    ...(lastHand ? [{ key: 'z', does: 'Take the last one back', run: undo }] : []),
    { key: 'x', does: 'One was spilled', run: () => setAsking('spilled') },
  ]);
  const left = next ? (next.at - t) / 1000 : null;
  const open = missing(now);
  const poured = now.cups.filter((c) => c.pulled !== null).length;
  const after = next
    ? schedule.moments.filter(
        (m) =>
          m.cup !== next.cup &&
          (m.act === 'pour'
            ? now.cups[m.cup]?.poured === null
            : now.cups[m.cup]?.pulled === null) &&
          now.cups[m.cup]?.excluded === null,
      )[0]
    : undefined;
  const asMade = now.cups.map((c, i) => ({
    ...(e.cups[i]?.plan ?? { celsius: 0, seconds: 0 }),
    grams: c.grams,
    water: c.water,
  }));
  const alike = likeForLike(asMade, e.way, e.compares);
  // Said where the cups differ in it: whoever pours has to know.
  const heats =
    new Set(e.cups.map((c) => c.plan.celsius)).size > 1
      ? e.cups.map((c) => temperatureText(celsius(c.plan.celsius), units.temperature))
      : null;
  const bound = e.kind !== 'dialIn' && e.kind !== 'calibration';
  return (
    <main className="page split run-page">
      <div className="say">
        <h1 className="font-normal">
          {exerciseName(e)}: <span className="tea text-[25px]">{view.tea.name}</span>
        </h1>
        <span className="small text-[16px]">
          {cupsWords(e.cups.length)},{' '}
          {
            {
              oneClock: 'one clock',
              together: 'lifted together',
              inTurn: 'one leaf, steep after steep',
            }[schedule.kind]
          }
          {e.kind === 'dialIn' ? `, ${view.lot ?? 'no lot'}, round ${view.rounds.length + 1}` : ''}
          {alikeWords(e, units.temperature) && ', '}
          {alikeWords(e, units.temperature)}
        </span>
        <span className="gap" />
        <button type="button" className="btn quiet" onClick={() => setAsking('stop')}>
          Stop it
        </button>
      </div>
      <section className="work">
        <div className="run-next" role="timer" aria-live="off">
          {now.started === null ? (
            <>
              <b className="run-figure">0:00</b>
              <p>
                <b>
                  Water on{schedule.kind === 'oneClock' ? ` all ${e.cups.length}` : ' the first'}
                </b>{' '}
                in one pass, then start the clock.
                <small>
                  Leaf in, cups warmed, one kettle. Weights below are kept as you type them.
                </small>
              </p>
            </>
          ) : next ? (
            <>
              <b className={`run-figure ${left !== null && left < 0 ? 'late' : ''}`}>
                {left !== null && left < 0 ? '+' : ''}
                {minutesText(
                  left !== null && left > 0 ? Math.ceil(left) : Math.floor(Math.abs(left ?? 0)),
                )}
              </b>
              <p>
                {left !== null && left < 0 ? 'now ' : 'then '}
                <b>
                  {next.act === 'pour'
                    ? `water on ${codeOf(next.cup)}${heats ? `, ${heats[next.cup]}` : ''}`
                    : `pour off ${codeOf(next.cup)}`}
                </b>
                {next.act === 'pull' ? ' to the last drop.' : '.'}
                <small>
                  {after ? `After it ${codeOf(after.cup)}, at ${minutesText(after.at)}. ` : ''}
                  {poured === 0
                    ? 'None is poured off yet.'
                    : poured === 1
                      ? 'One is poured off.'
                      : `${poured} are poured off.`}
                </small>
              </p>
            </>
          ) : (
            <>
              <b className="run-figure">{minutesText((t - (now.started ?? t)) / 1000)}</b>
              <p>
                {open.length > 0 ? (
                  <>
                    <b>Taste.</b> Look first, then leaf, smell, taste.
                  </>
                ) : (
                  <b>All have submitted.</b>
                )}
                <small>
                  {open.length > 0
                    ? `Still out: ${open.map((x) => x.name).join(', ')}.`
                    : 'Reveal shows every code and every mark, and ends all editing.'}
                </small>
              </p>
            </>
          )}
          <button
            type="button"
            className="btn go run-act"
            disabled={now.started !== null && !next && open.length > 0}
            onClick={hand}
          >
            {now.started === null
              ? 'Start the clock'
              : next
                ? next.act === 'pour'
                  ? `Water on ${codeOf(next.cup)}`
                  : `Poured off ${codeOf(next.cup)}`
                : open.length > 0
                  ? `${open.length} out`
                  : 'Reveal'}{' '}
            <kbd>Space</kbd>
          </button>
        </div>
        <Rungs view={view} now={now} t={t} next={next?.cup ?? null} codeOf={codeOf} />
        <div className="run-odd">
          {next && e.cups.length - poured > 1 && (
            <button type="button" className="btn" onClick={() => setAsking('other')}>
              Poured another
            </button>
          )}
          <button type="button" className="btn" onClick={() => setAsking('spilled')}>
            Spilled one <kbd>X</kbd>
          </button>
          <button type="button" className="btn" onClick={() => setAsking('codes')}>
            Wrong code
          </button>
          {poured > 0 && (
            <button type="button" className="btn" onClick={() => setAsking('measured')}>
              Measured
            </button>
          )}
          {lastHand && (
            <button type="button" className="btn quiet" onClick={undo}>
              Undo <kbd>Z</kbd>
            </button>
          )}
        </div>
        <p className="small">
          {schedule.kind === 'oneClock'
            ? `The strip is this tea’s colour as it steeps, ${predictionBasis(view.tea).toLowerCase()}. Open marks are poured; the stroke is when it really was. `
            : ''}
          The result uses the real times.
        </p>
      </section>
      <section className="paper" aria-label="Weights and tasters">
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
              <th>{schedule.kind === 'oneClock' ? 'pour at' : 'time'}</th>
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
        {bound && (
          <p className="mt-2">
            <b>Like for like:</b>{' '}
            {alike.alsoDiffers.length === 0 ? (
              `${e.way === 'grams' ? '' : `leaf within ${numberText(alike.spread.grams, 2)} g, `}water within ${numberText(alike.spread.water, 0)} ml. Only the ${e.compares ?? WAY_WORDS[e.way]} differs.`
            ) : (
              <span className="text-warn">
                the{' '}
                {alike.alsoDiffers
                  .map((w) => `${WAY_WORDS[w]} (by ${valueText(w, alike.spread[w], units)})`)
                  .join(' and the ')}{' '}
                differs too: the result cannot lay it to one of them.
              </span>
            )}
          </p>
        )}
        {now.swaps.length > 0 && (
          <p className="small">
            Codes swapped:{' '}
            {now.swaps.map((s) => `${s.a} and ${s.b}, ${clockText(s.at)}, ${s.by.name}`).join('; ')}
            .
          </p>
        )}
        <h2 className="mt-3">
          Tasters<small>codes stay hidden from their sheets until all are in</small>
        </h2>
        <ul className="sitting">
          {now.tasters.map((x) => (
            <li key={x.id}>
              <span>{x.name}</span>
              {x.handedIn !== null ? (
                <span>
                  submitted {clockText(x.handedIn)}
                  {x.enteredBy ? `, by ${x.enteredBy.name}` : ''}
                </span>
              ) : (
                <span className="acts">
                  {x.left !== null ? (
                    <span className="small">left{x.left ? `: ${x.left}` : ''}</span>
                  ) : (
                    <span className="small">
                      {Object.keys(x.sheets).length > 0
                        ? `${Object.keys(x.sheets).length} kept`
                        : 'not begun'}
                    </span>
                  )}
                  <Link className="btn slim" to={`/table/${view.id}/taste?for=${x.id}`}>
                    {x.id === me.personId ? 'Taste' : 'Enter sheet'}
                  </Link>
                  {x.left === null && (
                    <button
                      type="button"
                      className="btn quiet slim"
                      onClick={() => act({ kind: 'leave', taster: x.id, reason: '' })}
                    >
                      Left
                    </button>
                  )}
                </span>
              )}
            </li>
          ))}
        </ul>
        <p className="prints mt-2">
          <a
            className="underline"
            href={pathOf(ROUTES.printTents, { id: view.id })}
            target="_blank"
            rel="noreferrer"
          >
            Table tents
          </a>
          <a
            className="underline"
            href={pathOf(ROUTES.printSheets, { id: view.id })}
            target="_blank"
            rel="noreferrer"
          >
            Paper sheets
          </a>
        </p>
        {e.tasters.length > 1 && (
          <div className="foot">
            <Link className="btn" to={`/table/${view.id}/taste`}>
              Pass this tablet round
            </Link>
          </div>
        )}
      </section>
      <Sheet
        title="Which one was spilled?"
        open={asking === 'spilled'}
        onClose={() => setAsking(null)}
      >
        <Spilled
          codes={now.cups.map((c, i) => ({ cup: i, code: codeOf(i), out: c.excluded }))}
          onOut={(cup, reason) => {
            act({ kind: 'exclude', cup, reason });
            setAsking(null);
          }}
        />
      </Sheet>
      <Sheet
        title="What an instrument said"
        open={asking === 'measured'}
        onClose={() => setAsking(null)}
      >
        <Measured
          id={view.id}
          cups={now.cups.flatMap((c, i) =>
            c.pulled !== null && c.excluded === null
              ? [{ cup: i, code: codeOf(i), solids: c.solids, colour: c.colour }]
              : [],
          )}
          onSolids={(cup, solids) => act({ kind: 'measure', cup, solids })}
        />
      </Sheet>
      <Sheet
        title="Which codes were mixed up?"
        open={asking === 'codes'}
        onClose={() => setAsking(null)}
      >
        <Mixed
          codes={Object.keys(now.cupOf)}
          onSwap={(a, b) => {
            act({ kind: 'swap', a, b });
            setAsking(null);
          }}
        />
      </Sheet>
      <Sheet
        title="Which one was poured off?"
        open={asking === 'other'}
        onClose={() => setAsking(null)}
      >
        <div className="toggles">
          {now.cups.map((c, i) =>
            c.pulled === null && c.poured !== null && c.excluded === null ? (
              <button
                type="button"
                key={i}
                className="btn"
                onClick={() => {
                  act({ kind: 'pull', cup: i });
                  setAsking(null);
                }}
              >
                {codeOf(i)}
              </button>
            ) : null,
          )}
        </div>
      </Sheet>
      <Sheet title="Stop this tasting?" open={asking === 'stop'} onClose={() => setAsking(null)}>
        <p>The tasting is over. What was submitted is kept.</p>
        <div className="flex gap-2 mt-4">
          <button
            type="button"
            className="btn"
            onClick={() => {
              act({ kind: 'stop', reason: '' });
              setAsking(null);
            }}
          >
            Stop it
          </button>
          <button type="button" className="btn quiet" onClick={() => setAsking(null)}>
            Go on
          </button>
        </div>
      </Sheet>
    </main>
  );
}
