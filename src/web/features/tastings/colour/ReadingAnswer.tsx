import type { ReactNode } from 'react';
import { Link } from 'react-router';
import {
  type Liquor,
  type PhotoReading,
  readableDepth,
  timeFromColour,
  timeOfColour,
} from '#core/colour';
import type { ColourStrength } from '#core/fitting';
import { houseLiquor } from '#core/recipes';
import type { StyleId } from '#core/styles';
import { minutesText, numberText, seconds } from '#core/units';
import type { Tea } from '#contracts/teas';
import { signedPercent, strengthWords } from '../../../entities/brews/strength';
import { screenCheck } from '../../../platform/screenCheck';
import { dayText } from '../../../ui/days';
import { LevelMark } from '../../../ui/LevelMark';
import { Checks, ON_TARGET, REFUSED, Shallow, SHALLOWEST } from './PhotoChecks';

export function Answer({
  reading,
  tea,
  target,
  madeUp,
  depth,
  onKeep,
  keeps,
  picture,
}: {
  keeps: string;
  picture: ReactNode;
  reading: PhotoReading;
  tea: Tea;
  target: Liquor;
  madeUp: StyleId | null;
  depth: number;
  onKeep: ((r: Extract<PhotoReading, { kind: 'read' }>) => void) | null;
}) {
  const recipe = tea.house?.recipe;
  if (!recipe) return null;
  const checks = <Checks checks={reading.checks} />;
  if (reading.kind === 'refused') {
    const [head, why] = REFUSED[reading.why];
    const shallow = readableDepth(target, depth) ?? SHALLOWEST;
    return (
      <>
        <h2>No reading</h2>
        <p className="answer">{head}</p>
        <p className="text-[18px] font-semibold">{why}</p>
        {reading.why === 'tooDark' && (
          <>
            <h2 className="mt-3">What to do</h2>
            <Shallow depth={shallow} colour={reading.swatch ?? '#28201e'} />
            <p>
              Pour both cups <b>{numberText(shallow * 10, 0)} mm deep</b>, say so above, and take
              the picture again. Or one part with three of hot water, both cups alike.
            </p>
          </>
        )}
        {reading.why === 'tooPale' && (
          <>
            <h2 className="mt-3">What to do</h2>
            <p>A deeper layer tells more: fill both cups higher. Or judge it by taste.</p>
          </>
        )}
        <h2 className="mt-3">Checks</h2>
        {checks}
      </>
    );
  }
  const standard = madeUp ? timeFromColour(madeUp, reading.lab, depth) : null;
  const known = standard?.edge ? null : standard?.value;
  const time = standard
    ? (known ?? null)
    : timeOfColour(reading.lab, (s) => houseLiquor(tea, recipe, seconds(s)), recipe.window.best);
  const on = reading.verdict === 'onTarget';
  return (
    <>
      <h2>
        Reading
        <small>
          {reading.way === 'reference' ? 'against the cup beside it' : 'by its white rim'}
        </small>
      </h2>
      <p className="answer">{on ? ON_TARGET : strengthWords(reading.strength)}</p>
      <p className="text-[18px] font-semibold">
        {on
          ? `within what colour can tell (${signedPercent(reading.strength)} %)`
          : `than ${reading.way === 'reference' ? 'the reference' : 'the house cup'}`}
        {time !== null
          ? `: as strong as about ${minutesText(Math.round(time / 5) * 5)} at the recipe`
          : ''}
      </p>
      <Range {...reading} />
      <p className="small">
        Says how strong, not why: more leaf, heat or time look alike. The bracket holds it about two
        times in three.
      </p>
      <div className="swatches">
        <span style={{ background: reading.referenceSwatch }} />
        <span style={{ background: reading.swatch }} />
      </div>
      <p className="swatch-names">
        <span>{reading.way === 'reference' ? 'reference' : 'house cup'}</span>
        <span>sample, {numberText(reading.apart)} apart (1 is just seen)</span>
      </p>
      <ScreenWords />
      <h2 className="mt-3">Accepted</h2>
      {checks}
      {onKeep && picture}
      {onKeep && (
        <div className="foot">
          <button type="button" className="btn go" onClick={() => onKeep(reading)}>
            {keeps}
          </button>
        </div>
      )}
    </>
  );
}

/** What is known of the screen that the swatches stand on. */
function ScreenWords() {
  const screen = screenCheck();
  return (
    <p className="small">
      {screen?.passed ? (
        `This screen was checked ${dayText(screen.at)}: it will do.`
      ) : (
        <>
          {screen ? 'This screen failed its check' : 'This screen was not checked'}: the figure is
          right, the swatches may mislead.{' '}
          <Link className="underline" to="/table/screen">
            Check it
          </Link>
        </>
      )}
    </p>
  );
}

/** The reading on a rule: the line is the house cup. Half either way, or as far as it takes. */
export function Range({ strength, low, high }: ColourStrength) {
  const wide = Math.max(Math.abs(low - 1), Math.abs(high - 1)) > 0.5;
  const span = wide ? Math.max(1, Math.ceil((high - 1) * 1.05)) : 0.5;
  const x = (s: number) => 180 + Math.max(-1, Math.min(1, (s - 1) / span)) * 165;
  const ticks = wide
    ? [1 - span / 2, 1, 1 + span / 2, 1 + span].filter((s) => s > 0)
    : [0.6, 0.8, 1, 1.2, 1.4];
  return (
    <svg
      width="360"
      height="62"
      viewBox="0 0 360 62"
      className="flex-none"
      role="img"
      aria-label={`${signedPercent(strength)} %, likely between ${signedPercent(low)} and ${signedPercent(high)} %`}
    >
      <text
        x={Math.max(84, Math.min(276, x(strength)))}
        y="13"
        fontSize="14"
        fontWeight="700"
        textAnchor="middle"
        fill="var(--ink)"
      >
        {signedPercent(strength)}, between {signedPercent(low)} and {signedPercent(high)}
      </text>
      <path
        d={`M${x(low)} 32v-9H${x(high)}v9`}
        fill="none"
        stroke="var(--accent)"
        strokeWidth="3"
      />
      <path d="M8 33H352" stroke="var(--ink)" strokeWidth="2" />
      <LevelMark x={x(strength)} y={33} size={13} />
      {ticks.map((s) => (
        <g key={s}>
          <path d={`M${x(s)} 33v6`} stroke="var(--ink)" />
          <text
            x={Math.min(336, x(s))}
            y="54"
            fontSize="13"
            textAnchor="middle"
            fill="var(--ink-2)"
          >
            {s === 1 ? 'as it should be' : `${signedPercent(s)} %`}
          </text>
        </g>
      ))}
    </svg>
  );
}
