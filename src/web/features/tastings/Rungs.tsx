import { useMemo } from 'react';
import { tint } from '#core/colour';
import { cupName, scheduleFor, type Tasting, valueText } from '#core/tastings';
import { grams, millilitres, minutesText } from '#core/units';
import type { OpenTasting } from '#contracts/tastings';
import { useUnits } from '../../entities/people/session';
import { Cup } from '../../entities/teas/Cup';
import { VesselDrawing } from '../../entities/vessels/VesselDrawing';
import { liquorOfCup } from './cups';

const WIDTH = 824;
const [LEFT, RIGHT] = [54, 40];
const LINE = 190;
const STRIPS = 60;
/**
 * Cups nearer than this are drawn smaller; nearer than the least they are moved apart, and their marks keep the true
 * place, px.
 */
const NEAR = 120;
const LEAST = 132;
function apart(places: readonly number[]): number[] {
  const order = [...places.keys()].sort((a, b) => (places[a] ?? 0) - (places[b] ?? 0));
  const out = [...places];
  order.forEach((i, n) => {
    const before = order[n - 1];
    if (before !== undefined) out[i] = Math.max(out[i] ?? 0, (out[before] ?? 0) + LEAST);
    else out[i] = Math.max(out[i] ?? 0, LEAST / 2);
  });
  [...order].reverse().forEach((i, n, back) => {
    const after = back[n - 1];
    out[i] = Math.min(
      out[i] ?? 0,
      after === undefined ? WIDTH - LEAST / 2 : (out[after] ?? WIDTH) - LEAST,
    );
  });
  return out;
}

/** The cups of a table: on the time axis at their pours where one clock runs, else side by side. */
export function Rungs({
  view,
  now,
  t,
  next,
  codeOf,
}: {
  view: OpenTasting;
  now: Tasting;
  t: number;
  next: number | null;
  codeOf: (cup: number) => string;
}) {
  const units = useUnits();
  const { exercise: e, vessel } = view;
  const of = useMemo(
    () => ({ tea: view.tea, recipe: view.version.recipe, vessel }),
    [view.tea, view.version.recipe, vessel],
  );
  const schedule = scheduleFor(e);
  const onClock = schedule.kind === 'oneClock';
  const end = Math.max(60, ...e.cups.map((c) => c.plan.seconds)) * 1.1;
  const x = (s: number) => LEFT + (s / end) * (WIDTH - LEFT - RIGHT);
  const places = apart(
    e.cups.map((c, i) =>
      onClock ? x(c.plan.seconds) : LEFT + ((i + 0.5) / e.cups.length) * (WIDTH - LEFT - RIGHT),
    ),
  );
  const sorted = [...places].sort((a, b) => a - b);
  const gap = Math.min(...sorted.slice(1).map((p, i) => p - (sorted[i] ?? 0)), WIDTH);
  const small =
    vessel.kind === 'tasting' || vessel.kind === 'lidded'
      ? gap >= NEAR
        ? 1.18
        : 0.8
      : gap >= NEAR
        ? 0.55
        : 0.4;
  const strip = useMemo(
    () =>
      e.cups[0]
        ? Array.from({ length: STRIPS }, (_, i) =>
            tint(
              liquorOfCup(
                of,
                e.cups[0]?.plan ?? { grams: 1, water: 100, celsius: 90, seconds: 60 },
                (end * (i + 0.5)) / STRIPS,
              ),
            ),
          )
        : [],
    [of, e.cups, end],
  );
  const since = now.started === null ? null : (t - now.started) / 1000;
  const step = end > 420 ? 120 : 60;
  return (
    <div
      className="rung-field"
      tabIndex={0}
      role="group"
      aria-label="The cups"
      style={{ height: onClock ? 288 : 250 }}
    >
      {e.cups.map((c, i) => {
        const s = now.cups[i];
        const steeped = s && s.poured !== null ? ((s.pulled ?? t) - s.poured) / 1000 : 0;
        const off =
          s && s.poured !== null && s.pulled !== null ? Math.round(steeped - c.plan.seconds) : 0;
        const liquor =
          s && s.poured !== null
            ? liquorOfCup(of, { ...c.plan, grams: s.grams, water: s.water }, steeped)
            : null;
        return (
          <div
            key={i}
            className={`rung ${s?.excluded ? 'out' : ''}`}
            style={{ left: places[i], height: LINE }}
          >
            <b>{codeOf(i)}</b>
            <span className={next === i ? 'font-bold' : ''}>
              {s?.excluded
                ? s.excluded
                : s?.pulled !== null
                  ? `poured ${minutesText(steeped)}${off ? `, ${off > 0 ? '+' : '−'}${Math.abs(off)} s` : ''}`
                  : onClock
                    ? `pour at ${minutesText(c.plan.seconds)}`
                    : [
                        cupName(c.plan) ||
                          (e.kind === 'dialIn'
                            ? i === e.cups.length - 1
                              ? 'this round'
                              : 'the round before'
                            : e.kind === 'calibration' || e.way === 'seconds'
                              ? ''
                              : valueText(e.way, c.plan[e.way], units)),
                        minutesText(c.plan.seconds),
                      ]
                        .filter(Boolean)
                        .join(', ')}
            </span>
            <i>
              {s?.pulled !== null && liquor ? (
                <Cup
                  liquor={liquor}
                  size={gap >= NEAR ? 84 : 56}
                  label={`${codeOf(i)}, poured off`}
                />
              ) : (
                <VesselDrawing
                  vessel={vessel}
                  scale={small}
                  label={`${codeOf(i)}${liquor ? ', steeping' : ', dry'}`}
                  fill={liquor ? millilitres(c.plan.water) : millilitres(0)}
                  liquor={liquor}
                  leaf={grams(c.plan.grams)}
                  wet={liquor !== null}
                  lid={liquor !== null && vessel.lid}
                  bowl={false}
                  mark={false}
                />
              )}
            </i>
          </div>
        );
      })}
      <svg
        width={WIDTH}
        height={onClock ? 96 : 8}
        viewBox={`0 0 ${WIDTH} ${onClock ? 96 : 8}`}
        style={{ position: 'absolute', left: 0, top: LINE }}
        aria-hidden="true"
      >
        <path d={`M0 1.5H${WIDTH}`} stroke="var(--ink)" strokeWidth="3" />
        {onClock && (
          <>
            {strip.map((c, i) => (
              <rect
                key={i}
                x={x((end * i) / STRIPS)}
                y="3"
                width={(WIDTH - LEFT - RIGHT) / STRIPS + 0.6}
                height="22"
                fill={c}
              />
            ))}
            <rect
              x={LEFT}
              y="3"
              width={WIDTH - LEFT - RIGHT}
              height="22"
              fill="none"
              stroke="var(--ink)"
              strokeWidth="1.3"
            />
            {Array.from({ length: Math.floor(end / step) + 1 }, (_, i) => i * step).map((s) => (
              <g key={s}>
                <path d={`M${x(s)} 25v8`} stroke="var(--ink)" />
                <text
                  x={x(s)}
                  y="47"
                  fontSize="13"
                  fill="var(--ink-2)"
                  textAnchor={s === 0 ? 'start' : 'middle'}
                >
                  {minutesText(s)}
                </text>
              </g>
            ))}
            {e.cups.map((c, i) => {
              const s = now.cups[i];
              const done =
                s?.pulled !== null && s?.poured !== null && s
                  ? ((s.pulled ?? 0) - (s.poured ?? 0)) / 1000
                  : null;
              return (
                <g key={i}>
                  {done !== null && (
                    <path
                      d={`M${x(Math.min(end, done))} 3v22`}
                      stroke="var(--ink)"
                      strokeWidth="3"
                    />
                  )}
                  <path
                    d={`M${x(c.plan.seconds)} 26l7 11h-14z`}
                    fill={done === null ? 'var(--ink)' : 'var(--ground)'}
                    stroke="var(--ink)"
                    strokeWidth="1.6"
                  />
                </g>
              );
            })}
            {since !== null && since <= end && (
              <g>
                <path d={`M${x(since)} 0v62`} stroke="var(--ink)" strokeWidth="2" />
                <rect x={x(since) - 28} y="62" width="56" height="25" fill="var(--ink)" />
                <text
                  x={x(since)}
                  y="81"
                  fontSize="18"
                  fontWeight="700"
                  fill="var(--ground)"
                  textAnchor="middle"
                >
                  {minutesText(since)}
                </text>
              </g>
            )}
          </>
        )}
      </svg>
    </div>
  );
}
