import { scheduleFor, type Tasting } from '#core/tastings';
import { minutesText } from '#core/units';
import type { OpenTasting } from '#contracts/tastings';
import { buttonText, clockFigure, pouredOff, pouredWords, type RunStage } from './model';

type Props = {
  view: OpenTasting;
  now: Tasting;
  stage: RunStage;
  /** The time, ms. */
  t: number;
  heats: readonly string[] | null;
  codeOf: (cup: number) => string;
};

const FIRST_WATER = {
  oneClock: (cups: number) => `all ${cups}`,
  onePot: () => 'the pot',
  together: () => 'the first',
  inTurn: () => 'the first',
} as const;
function BeforeStart({ view }: Pick<Props, 'view'>) {
  const { kind } = scheduleFor(view.exercise);
  return (
    <>
      <b className="run-figure">0:00</b>
      <p>
        <b>Water on {FIRST_WATER[kind](view.exercise.cups.length)}</b> in one pass, then start the
        clock.
        <small>Leaf in, cups warmed, one kettle. Weights below are kept as you type them.</small>
      </p>
    </>
  );
}
/** What the hand does next at a cup. */
function handWords(act: 'pour' | 'pull', isOnePot: boolean, code: string): string {
  if (act === 'pour') return `water on ${code}`;
  return isOnePot ? `fill ${code} from the pot` : `pour off ${code}`;
}
function Brewing({
  view,
  now,
  stage: { next, after },
  t,
  heats,
  codeOf,
}: Omit<Props, 'stage'> & { stage: Extract<RunStage, { kind: 'brewing' }> }) {
  const left = (next.at - t) / 1000;
  const isOnePot = scheduleFor(view.exercise).kind === 'onePot';
  const heat = heats ? `, ${heats[next.cup]}` : '';
  return (
    <>
      <b className={`run-figure ${left < 0 ? 'late' : ''}`}>{clockFigure(left)}</b>
      <p>
        {left < 0 ? 'now ' : 'then '}
        <b>
          {handWords(next.act, isOnePot, codeOf(next.cup))}
          {next.act === 'pour' && heat}
        </b>
        {next.act === 'pull' && !isOnePot ? ' to the last drop.' : '.'}
        <small>
          {after && `After it ${codeOf(after.cup)}, at ${minutesText(after.at)}. `}
          {pouredWords(pouredOff(now))}
        </small>
      </p>
    </>
  );
}
function TasteAndWait({ out, since }: { out: readonly string[]; since: number }) {
  return (
    <>
      <b className="run-figure">{minutesText(since)}</b>
      <p>
        {out.length > 0 ? (
          <>
            <b>Taste.</b> Look first, then leaf, smell, taste.
          </>
        ) : (
          <b>All have submitted.</b>
        )}
        <small>
          {out.length > 0
            ? `Still out: ${out.join(', ')}.`
            : 'Reveal shows every code and every mark, and ends all editing.'}
        </small>
      </p>
    </>
  );
}

/** The one clock: what is next, how long until then, and the touch that says it was done. */
export function RunNext(props: Props & { onAct: () => void }) {
  const { now, stage, t, codeOf, onAct } = props;
  return (
    <div className="run-next" role="timer" aria-live="off">
      {stage.kind === 'notStarted' && <BeforeStart view={props.view} />}
      {stage.kind === 'brewing' && <Brewing {...props} stage={stage} />}
      {(stage.kind === 'tasting' || stage.kind === 'allIn') && (
        <TasteAndWait
          out={stage.kind === 'tasting' ? stage.out : []}
          since={(t - (now.started ?? t)) / 1000}
        />
      )}
      <button
        type="button"
        className="btn go run-act"
        disabled={stage.kind === 'tasting'}
        onClick={onAct}
      >
        {buttonText(stage, codeOf)} <kbd>Space</kbd>
      </button>
    </div>
  );
}
