import { COOL_TO_JUDGE, stepsOf, stepWords, toModelInput } from '#core/brews';
import { colourOfBrew, tint } from '#core/colour';
import { verdictWords } from '#core/corrections';
import { heatOf } from '#core/cup';
import { heatAfter } from '#core/extraction';
import {
  type Celsius,
  degrees,
  type EpochMs,
  minutesText,
  numberText,
  readingText,
  seconds,
  secondsBetween,
  temperatureText,
} from '#core/units';
import type { Brew } from '#contracts/brews';
import { useUnits } from '../../entities/people/session';
import { clockText } from '../../ui/days';
import { LevelMark } from '../../ui/LevelMark';
import { Nothing } from '../../ui/Note';

const W = 800;
const LONGEST_BEFORE = 120;
type Mark = { readonly at: number; readonly title: string; readonly text: string };
type Units = ReturnType<typeof useUnits>;

/** The stretch of time a brew's page shows, s from water on; long waits at either end are cut short. */
function spanOf(brew: Brew, marks: readonly Mark[]) {
  const { window } = brew.plan.recipe;
  const first = Math.max(-LONGEST_BEFORE, Math.min(0, ...marks.map((m) => m.at)) - 10);
  const last = Math.min(
    window.latest * 2.2 + 60,
    Math.max(window.latest * 1.15, ...marks.map((m) => m.at)),
  );
  const x = (s: number) =>
    16 + ((Math.max(first, Math.min(last, s)) - first) / (last - first)) * (W - 130);
  const every =
    last - first <= 120 ? 30 : last - first < 420 ? 60 : last - first < 1200 ? 120 : 300;
  return {
    x,
    first,
    last,
    ticks: Array.from({ length: Math.floor(last / every) + 1 }, (_, i) => i * every),
  };
}
const onOf = ({ state }: Brew): EpochMs | null => ('waterOn' in state ? state.waterOn : null);

function marksOf(brew: Brew, units: Units): { planned: Mark[]; real: Mark[] } {
  const { state, plan } = brew;
  const { window } = plan.recipe;
  const on = onOf(brew);
  if (on === null) return { planned: [], real: [] };
  const steps = stepsOf(plan);
  const planned: Mark[] = [
    {
      at: 0,
      title: 'water on',
      text: `${Math.round(plan.water)} ml at ${temperatureText(plan.temperature, units.temperature)}`,
    },
    ...steps
      .filter((s) => s.kind === 'stir')
      .map((s) => ({ at: s.due ?? 0, title: 'stir', text: minutesText(s.due ?? 0) })),
    {
      at: window.best,
      title: `best ${minutesText(window.best)}`,
      text: `${minutesText(window.earliest)} to ${minutesText(window.latest)}`,
    },
    { at: window.best + COOL_TO_JUDGE, title: 'judge', text: 'cool enough' },
  ];
  const real: Mark[] = brew.marks.map((m) => {
    const step = steps.find((s) => s.key === m.key);
    const words = step ? stepWords(step, plan, units).done.toLowerCase() : m.key;
    return {
      at: secondsBetween(on, m.at),
      title: m.outcome === 'skipped' ? `${words}: left out` : words,
      text: m.grams ? `${numberText(m.grams)} g` : clockText(m.at),
    };
  });
  if (brew.startedAt < on - 1000)
    real.push({
      at: (brew.startedAt - on) / 1000,
      title: plan.warmed && !plan.steep ? 'warming' : 'made ready',
      text: minutesText((on - brew.startedAt) / 1000),
    });
  real.push({ at: 0, title: 'water on', text: clockText(on) });
  if ('pulled' in state) {
    const s = secondsBetween(on, state.pulled);
    real.push({
      at: s,
      title: `${plan.pull.done.toLowerCase()} ${minutesText(s)}`,
      text: brew.pulledBy
        ? `by ${brew.pulledBy.name}`
        : brew.pulledDevice
          ? `on the ${brew.pulledDevice}`
          : '',
    });
  }
  if (state.kind === 'judged')
    real.push({
      at: secondsBetween(on, state.judged),
      title: brew.verdict ? 'judged' : 'off the bar',
      text: brew.verdict ? verdictWords(brew.verdict) : 'not judged',
    });
  return { planned, real: real.sort((a, b) => a.at - b.at) };
}

/** Depths at which words hang so that none covers another's leader. */
const DEPTHS = [46, 90, 134];
const WIDE = 118;
function depthsOf(marks: readonly Mark[], x: (s: number) => number): number[] {
  const ends = DEPTHS.map(() => -Infinity);
  return marks.map((m) => {
    const at = x(m.at);
    const free = ends.findIndex((end) => at >= end);
    const row = free < 0 ? ends.indexOf(Math.min(...ends)) : free;
    ends[row] = at + WIDE;
    return DEPTHS[row] as number;
  });
}

/** Planned stands over the line with open marks, real hangs under it with filled ones; the liquor as it deepened. */
export function TimeLine({ brew }: { brew: Brew }) {
  const units = useUnits();
  const { planned, real } = marksOf(brew, units);
  const on = onOf(brew);
  if (on === null) return <Nothing>No water was poured.</Nothing>;
  const { window } = brew.plan.recipe;
  const { x, last, ticks } = spanOf(brew, real);
  const steeped = 'pulled' in brew.state ? secondsBetween(on, brew.state.pulled) : 0;
  const strips = 40;
  const depths = depthsOf(real, x);
  const heights = depthsOf(planned, x).map((d) => (d === 46 ? 66 : 30));
  const bottom = 110 + Math.max(...depths, 46) + 40;
  const shown = Math.min(steeped, last);
  return (
    <svg
      viewBox={`0 0 ${W} ${bottom + 64}`}
      style={{ width: '100%', maxWidth: 880, height: 'auto' }}
      role="img"
      aria-label={`Planned ${planned.map((m) => m.title).join(', ')}; real ${real.map((m) => `${m.title} ${m.text}`).join(', ')}`}
    >
      <path d={`M0 110H${W}`} stroke="var(--ink)" strokeWidth="2.5" />
      <text x={W} y="98" fontSize="15" fontWeight="700" textAnchor="end" fill="var(--ink)">
        planned
      </text>
      <text x={W} y="132" fontSize="15" fontWeight="700" textAnchor="end" fill="var(--ink)">
        real
      </text>
      <path
        d={`M${x(window.earliest)} 107v-10H${x(window.latest)}v10`}
        fill="none"
        stroke="var(--accent)"
        strokeWidth="3"
      />
      {/* Leaders lie under every word: where they cross a label of another mark the label covers them. */}
      {planned.map(
        (m, i) =>
          m.at <= last && (
            <path
              key={`${m.title}${m.at}`}
              d={`M${x(m.at)} 96V${(heights[i] ?? 66) - 26}`}
              stroke="var(--line-2)"
            />
          ),
      )}
      {real.map((m, i) => (
        <path
          key={`${m.title}${m.at}`}
          d={`M${x(m.at)} 122V${110 + (depths[i] ?? 46) + 20}`}
          stroke="var(--line-2)"
        />
      ))}
      {planned.map((m, i) => {
        const top = heights[i] ?? 66;
        return (
          m.at <= last && (
            <g key={`${m.title}${m.at}`} className="over-leaders">
              <LevelMark x={x(m.at)} y={109} size={13} className="open" />
              <text x={x(m.at) + 5} y={top - 16} fontSize="15" fontWeight="700" fill="var(--ink)">
                {m.title}
              </text>
              <text x={x(m.at) + 5} y={top + 1} fontSize="14" fill="var(--ink-2)">
                {m.text}
              </text>
            </g>
          )
        );
      })}
      {real.map((m, i) => {
        const low = 110 + (depths[i] ?? 46);
        return (
          <g key={`${m.title}${m.at}`} className="over-leaders">
            <path d={`M${x(m.at)} 112l-6.5 10.5h13z`} fill="var(--ink)" />
            <text x={x(m.at) + 5} y={low + 2} fontSize="15" fontWeight="700" fill="var(--ink)">
              {m.title}
            </text>
            <text x={x(m.at) + 5} y={low + 19} fontSize="14" fill="var(--ink-2)">
              {m.text}
            </text>
          </g>
        );
      })}
      {steeped > 0 &&
        Array.from({ length: strips }, (_, i) => {
          const s = seconds(((i + 0.5) / strips) * shown);
          return (
            <rect
              key={i}
              x={x((i / strips) * shown)}
              y={bottom}
              width={(x(shown) - x(0)) / strips + 0.8}
              height="18"
              fill={tint(colourOfBrew(toModelInput(brew.plan, brew.tea.style, s), s))}
            />
          );
        })}
      {steeped > 0 && (
        <rect
          x={x(0)}
          y={bottom}
          width={x(shown) - x(0)}
          height="18"
          fill="none"
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
      )}
      {steeped > 0 && (
        <text x={x(shown) + 8} y={bottom + 14} fontSize="14" fill="var(--ink-2)">
          liquor
        </text>
      )}
      <path d={`M0 ${bottom + 32}H${W}`} stroke="var(--ink)" strokeWidth="1.2" />
      {ticks.map((t) => (
        <g key={t}>
          <path d={`M${x(t)} ${bottom + 32}v6`} stroke="var(--ink)" />
          <text x={x(t)} y={bottom + 54} fontSize="13" textAnchor="middle" fill="var(--ink-2)">
            {minutesText(t)}
          </text>
        </g>
      ))}
    </svg>
  );
}

/**
 * What a thermometer should have shown so long after the water went on: the plan's heat, cooling as its vessel does.
 */
export function plannedHeat(brew: Brew, s: number): Celsius | null {
  if (s < 0) return null;
  const b = toModelInput(brew.plan, brew.tea.style, seconds(s));
  return heatAfter(heatOf(b), b.water, seconds(s));
}

/** Planned heat dashed, readings as open circles joined: on the same axis of time as what was done. */
export function HeatCourse({ brew }: { brew: Brew }) {
  const units = useUnits();
  const on = onOf(brew);
  if (on === null || brew.readings.length === 0) return null;
  const { x, last } = spanOf(brew, marksOf(brew, units).real);
  const readings = brew.readings
    .map((r) => ({ at: secondsBetween(on, r.at), celsius: r.celsius }))
    .filter((r) => r.at <= last)
    .sort((a, b) => a.at - b.at);
  const plan = Array.from({ length: 41 }, (_, i) => (i / 40) * last).flatMap((s) => {
    const t = plannedHeat(brew, s);
    return t === null ? [] : [{ at: s, celsius: t }];
  });
  const all = [...readings, ...plan].map((p) => p.celsius);
  const [high, low] = [
    Math.ceil((Math.max(...all) + 2) / 10) * 10,
    Math.floor((Math.min(...all) - 2) / 10) * 10,
  ];
  const y = (t: number) => 16 + ((high - t) / Math.max(10, high - low)) * 120;
  const line = (list: readonly { at: number; celsius: number }[]) =>
    list.map((p, i) => `${i ? 'L' : 'M'}${x(p.at).toFixed(1)} ${y(p.celsius).toFixed(1)}`).join('');
  return (
    <svg
      viewBox={`0 0 ${W} 150`}
      style={{ width: '100%', maxWidth: 880, height: 'auto' }}
      role="img"
      aria-label={`Heat: ${readings.map((r) => `${readingText(r.celsius, units.temperature)} after ${minutesText(r.at)}`).join(', ')}`}
    >
      {Array.from({ length: (high - low) / 10 + 1 }, (_, i) => (low + i * 10) as Celsius).map(
        (t) => (
          <g key={t}>
            <path d={`M34 ${y(t)}H${W - 100}`} stroke="var(--line)" />
            <text x="28" y={y(t) + 4} fontSize="13" textAnchor="end" fill="var(--ink-2)">
              {degrees(t, units.temperature)}°
            </text>
          </g>
        ),
      )}
      <path
        d={line(plan)}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="1.5"
        strokeDasharray="6 4"
      />
      <path d={line(readings)} fill="none" stroke="var(--ink)" strokeWidth="2.5" />
      {readings.map((r) => (
        <circle
          key={r.at}
          cx={x(r.at)}
          cy={y(r.celsius)}
          r="5.5"
          fill="var(--ground)"
          stroke="var(--ink)"
          strokeWidth="2"
        />
      ))}
      <text x={W - 96} y={y(plan.at(-1)?.celsius ?? low) + 4} fontSize="14" fill="var(--ink-2)">
        planned
      </text>
    </svg>
  );
}
