import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { type Patch8, scoreScreen, SCREEN_GREYS, screenPatches } from '#core/colour';
import { seeded } from '#core/numeric';
import { now } from '../../platform/clock';
import { keepScreenCheck, type ScreenCheck, screenCheck } from '../../platform/screenCheck';
import { useGo } from '../../platform/useGo';
import { dayText } from '../../ui/days';
import { useKeys } from '../../ui/keys';

/** Can colours be trusted on this screen? Three greys, then eight patches; passed or failed by eye. */
export function ScreenPage() {
  const go = useGo();
  const [seed] = useState(() => Math.floor(Math.random() * 1e9));
  const patches = useMemo(() => screenPatches(seeded(seed)), [seed]);
  const [before, setBefore] = useState(screenCheck);
  const [greys, setGreys] = useState<boolean | null>(null);
  const [seen, setSeen] = useState<readonly number[]>([]);
  const [answered, setAnswered] = useState(false);
  const toggle = (i: number) =>
    setSeen((s) => (s.includes(i) ? s.filter((x) => x !== i) : [...s, i]));
  const score = scoreScreen(patches, seen, greys ?? false);
  const answer = () => {
    const kept = {
      at: Math.round(now()),
      right: score.right,
      greys: greys ?? false,
      passed: score.passed,
    };
    keepScreenCheck(kept);
    setBefore(kept);
    setAnswered(true);
  };
  useKeys([
    { key: 'Escape', does: 'Back to the table', run: () => go('/table') },
    ...(greys !== null && !answered
      ? patches.map((_, i) => ({
          key: String(i + 1),
          does: `Patch ${i + 1}`,
          run: () => toggle(i),
        }))
      : []),
  ]);
  return (
    <main className="page split screen-page">
      <div className="say">
        <h1 className="text-[22px] font-normal">Check this screen</h1>
        <span className="small text-[16px]">
          as bright as you use it, night colours and filters off, no lamp on the glass
        </span>
        <span className="gap" />
        <Link className="btn quiet" to="/table">
          To the table <kbd>Esc</kbd>
        </Link>
      </div>
      <section className="work">
        <h2>
          1. Three greys<small>look at them with the rest of the screen covered, if you can</small>
        </h2>
        <div className="greys" aria-hidden="true">
          {SCREEN_GREYS.map((g) => (
            <i key={g} style={{ background: g }} />
          ))}
        </div>
        <div className="flex flex-wrap gap-2">
          <button
            type="button"
            className="btn"
            aria-pressed={greys === true}
            disabled={answered}
            onClick={() => setGreys(true)}
          >
            All three are plain grey
          </button>
          <button
            type="button"
            className="btn"
            aria-pressed={greys === false}
            disabled={answered}
            onClick={() => setGreys(false)}
          >
            One looks pink, green or blue
          </button>
        </div>
        {greys !== null && (
          <>
            <h2 className="mt-5">
              2. Eight patches
              <small>
                touch each in which you see a second square; look for as long as you like
              </small>
            </h2>
            <Patches patches={patches} seen={seen} answered={answered} toggle={toggle} />
          </>
        )}
      </section>
      <ScreenResult
        answered={answered}
        score={score}
        greys={greys}
        before={before}
        answer={answer}
        seen={seen}
      />
    </main>
  );
}

/** Eight patches, to be touched where a second square is seen. */
function Patches({
  patches,
  seen,
  answered,
  toggle,
}: {
  patches: Patch8[];
  seen: readonly number[];
  answered: boolean;
  toggle: (i: number) => void;
}) {
  return (
    <div className="patches" role="group" aria-label="Patches">
      {patches.map((p, i) => (
        <button
          type="button"
          key={i}
          aria-pressed={seen.includes(i)}
          aria-label={`Patch ${i + 1}${seen.includes(i) ? ', a square in it' : ''}`}
          disabled={answered}
          onClick={() => toggle(i)}
          style={{ background: p.outer }}
        >
          <i style={{ background: p.inner ?? p.outer }} />
          <span>{patchWords({ answered, p, seen, i })}</span>
        </button>
      ))}
    </div>
  );
}

/** What a patch says: its number, or how it was answered. */
function patchWords({
  answered,
  p,
  seen,
  i,
}: {
  answered: boolean;
  p: Patch8;
  seen: readonly number[];
  i: number;
}) {
  if (answered) {
    if ((p.inner !== null) === seen.includes(i)) return 'right';
    if (p.inner) return 'has one';
    return 'has none';
  }
  return i + 1;
}

/** Why it is asked, or how the screen did. */
function ScreenResult({
  answered,
  score,
  greys,
  before,
  answer,
  seen,
}: {
  answered: boolean;
  score: { readonly right: number; readonly passed: boolean };
  greys: boolean | null;
  before: ScreenCheck | null;
  answer: () => void;
  seen: readonly number[];
}) {
  return (
    <section className="paper" aria-label="Result">
      {answered ? (
        <>
          <h2>This screen</h2>
          <p className="text-[21px] font-semibold leading-tight" data-testid="screen-said">
            {score.passed ? 'It will do.' : 'Do not judge colours on it.'}
          </p>
          <p className="mt-1">
            {score.right} of 8 patches right; the greys looked {greys ? 'plain' : 'tinted'}.
          </p>
          <p className="mt-2">
            {score.passed
              ? 'Steps of three, as most drills have, can be seen here. A finer step, or another lamp on the glass, may not.'
              : 'Try it brighter, without night colours, away from the window, or take another device. It says something of screen, light and eyes together, and nothing of anybody’s eyes alone: it is kept on this device and tells nobody.'}
          </p>
        </>
      ) : (
        <>
          <h2>Why</h2>
          <p>
            Cups drawn on a poor screen train the eye wrong. Five of the eight patches hold a square
            that differs by 3, what a middling colour drill asks for; seven of eight right, and
            plain greys, will do.
          </p>
          {before && (
            <p className="mt-3">
              <b>Last time</b>, {dayText(before.at)}:{' '}
              {before.passed ? 'it would do' : 'it would not do'}, {before.right} of 8.
            </p>
          )}
        </>
      )}
      <div className="foot">
        {answered ? (
          <Link className="btn" to="/table/colour">
            Read a colour
          </Link>
        ) : (
          <button type="button" className="btn go" disabled={greys === null} onClick={answer}>
            {greys === null
              ? 'Look at the greys first'
              : `That is all: ${seen.length} with a square`}
          </button>
        )}
      </div>
    </section>
  );
}
