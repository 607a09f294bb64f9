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
            <Patches patches={patches} seen={seen} answered={answered} onTouch={toggle} />
          </>
        )}
      </section>
      <section className="paper" aria-label="Result">
        {answered ? (
          <HowItDid score={score} plainGreys={greys ?? false} />
        ) : (
          <WhyAsked before={before} />
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
    </main>
  );
}

/** Eight patches, to be touched where a second square is seen. */
function Patches({
  patches,
  seen,
  answered,
  onTouch,
}: {
  patches: readonly Patch8[];
  seen: readonly number[];
  answered: boolean;
  onTouch: (patch: number) => void;
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
          onClick={() => onTouch(i)}
          style={{ background: p.outer }}
        >
          <i style={{ background: p.inner ?? p.outer }} />
          <span>{answered ? resultOf(p, seen.includes(i)) : i + 1}</span>
        </button>
      ))}
    </div>
  );
}
/** How a patch was answered, and what is in it where that was wrong. */
function resultOf(patch: Patch8, isSeen: boolean): string {
  if ((patch.inner !== null) === isSeen) return 'right';
  return patch.inner ? 'has one' : 'has none';
}

function HowItDid({
  score,
  plainGreys,
}: {
  score: { readonly right: number; readonly passed: boolean };
  plainGreys: boolean;
}) {
  return (
    <>
      <h2>This screen</h2>
      <p className="text-[21px] font-semibold leading-tight" data-testid="screen-said">
        {score.passed ? 'It will do.' : 'Do not judge colours on it.'}
      </p>
      <p className="mt-1">
        {score.right} of 8 patches right; the greys looked {plainGreys ? 'plain' : 'tinted'}.
      </p>
      <p className="mt-2">
        {score.passed
          ? 'Steps of three, as most drills have, can be seen here. A finer step, or another lamp on the glass, may not.'
          : 'Try it brighter, without night colours, away from the window, or take another device. The test shows screen, light and eyes together, and nothing of anybody’s eyes alone: the result is kept on this device and is shown to nobody else.'}
      </p>
    </>
  );
}

function WhyAsked({ before }: { before: ScreenCheck | null }) {
  return (
    <>
      <h2>Why</h2>
      <p>
        Cups drawn on a poor screen train the eye wrong. Five of the eight patches hold a square
        that differs by 3, what a middling colour drill asks for; seven of eight right, and plain
        greys, will do.
      </p>
      {before && (
        <p className="mt-3">
          <b>Last time</b>, {dayText(before.at)}:{' '}
          {before.passed ? 'it would do' : 'it would not do'}, {before.right} of 8.
        </p>
      )}
    </>
  );
}
