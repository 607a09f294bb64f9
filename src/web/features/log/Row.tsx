import { Link } from 'react-router';
import { knownFrom } from '#core/brews';
import { verdictWords } from '#core/corrections';
import { grams, minutesText, secondsBetween } from '#core/units';
import { degrees } from '#core/units';
import type { Brew } from '#contracts/brews';
import { liquorOf } from '../../entities/brews/liquor';
import { useUnits } from '../../entities/people/session';
import { Cup } from '../../entities/teas/Cup';
import { houseLiquorOf } from '../../entities/teas/liquor';
import { VesselDrawing } from '../../entities/vessels/VesselDrawing';
import { now } from '../../platform/clock';
import { clockText } from '../../ui/days';
import { LevelMark } from '../../ui/LevelMark';

const WIDE = 230;
const SCALED = 74;

/** The pull against its window; every window is drawn as wide, so that rows compare. */
export function PullRule({ brew }: { brew: Brew }) {
  const { earliest, best, latest } = brew.plan.recipe.window;
  const { state } = brew;
  if (state.kind !== 'pulled' && state.kind !== 'judged') return null;
  const px = SCALED / Math.max(1, latest - earliest);
  const centre = 78 + SCALED / 2;
  const x = (s: number) =>
    Math.max(6, Math.min(WIDE - 6, centre + (s - (earliest + latest) / 2) * px));
  const real = secondsBetween(state.waterOn, state.pulled);
  const late = real > latest;
  return (
    <svg
      width={WIDE}
      height="26"
      role="img"
      aria-label={`Pulled at ${minutesText(real)}; window ${minutesText(earliest)} to ${minutesText(latest)}, best ${minutesText(best)}`}
    >
      <path d={`M0 20H${WIDE}`} stroke="var(--ink)" strokeWidth="1.5" />
      <path
        d={`M${x(earliest)} 20v-9H${x(latest)}v9`}
        fill="none"
        stroke="var(--accent)"
        strokeWidth="2.5"
      />
      {late && (
        <rect x={x(latest)} y="11" width={x(real) - x(latest)} height="8" fill="url(#hatch)" />
      )}
      <LevelMark x={x(real)} y={19.5} size={12} />
    </svg>
  );
}

/** Seconds from best, signed, with the word when it is out of its window. */
export function FromBest({ brew }: { brew: Brew }) {
  const { state } = brew;
  if (state.kind !== 'pulled' && state.kind !== 'judged') return <>on the bar</>;
  const { earliest, best, latest } = brew.plan.recipe.window;
  const real = secondsBetween(state.waterOn, state.pulled);
  const off = Math.round(real - best);
  return (
    <>
      {signOf(off)}
      {minutesText(off)}
      {real > latest && <em>late</em>}
      {real < earliest && <em>early</em>}
    </>
  );
}

function signOf(v: number): string {
  if (v === 0) return '';
  return v > 0 ? '+' : '−';
}

export function LogRow({ brew }: { brew: Brew }) {
  const units = useUnits();
  const { plan } = brew;
  const liquor =
    liquorOf(brew, now()) ?? houseLiquorOf(knownFrom(plan, brew.tea.style), plan.recipe);
  const verdict = brew.verdict ? verdictWords(brew.verdict) : 'not judged';
  return (
    <Link className="log-row" to={`/log/${brew.id}`}>
      <span>{clockText(brew.startedAt)}</span>
      <span className="picture" style={{ paddingBottom: 6 }}>
        <Cup liquor={liquor} size={30} />
      </span>
      <span className="tea">{brew.tea.name}</span>
      <span className="picture wide">
        <VesselDrawing
          vessel={plan.vessel}
          scale={0.31}
          pad={1}
          mark={false}
          label={plan.vessel.name}
          bowl={false}
          fill={plan.water}
          liquor={liquor}
          leaf={grams(0)}
        />
      </span>
      <span className="mid-wide">{brew.startedBy.name}</span>
      <span className="wide r">{plan.leaf} g</span>
      <span className="wide r">{degrees(plan.temperature, units.temperature)}°</span>
      <span className="picture wide">
        <PullRule brew={brew} />
      </span>
      <span className="error">
        <FromBest brew={brew} />
      </span>
      <span className={`mid-wide ${verdict === 'right' || !brew.verdict ? '' : 'font-semibold'}`}>
        {verdict}
      </span>
      <span className="wide small">{doneAbout(brew)}</span>
    </Link>
  );
}

/** What was done about the cup. */
function doneAbout(brew: Brew) {
  if (!brew.proposal || brew.proposal.lever === 'keep') return brew.remark;
  return brew.accepted ? brew.proposal.headline : 'none taken';
}
