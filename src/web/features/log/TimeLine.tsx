import { colourOfBrew, tint } from '#core/colour';
import { minutesText, seconds, secondsBetween } from '#core/units';
import type { Brew } from '#contracts/brews';
import { brewMade } from '../../entities/brews/made';
import { useUnits } from '../../entities/people/session';
import { LevelMark } from '../../ui/LevelMark';
import { Nothing } from '../../ui/Note';
import { AXIS_WIDTH, type Mark, marksOf, onOf, spanOf } from './timeLineMarks';
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

/** The liquor is drawn in so many pieces. */
const STRIPS = 40;

/** Planned stands over the line with open marks, real hangs under it with filled ones; the liquor as it deepened. */
export function TimeLine({ brew }: { brew: Brew }) {
  const units = useUnits();
  const { planned, real } = marksOf(brew, units);
  const on = onOf(brew);
  if (on === null) return <Nothing>No water was poured.</Nothing>;
  const { window } = brew.plan.recipe;
  const { x, last, ticks } = spanOf(brew, real);
  const steeped = 'pulled' in brew.state ? secondsBetween(on, brew.state.pulled) : 0;
  const depths = depthsOf(real, x);
  const heights = depthsOf(planned, x).map((d) => (d === 46 ? 66 : 30));
  const bottom = 110 + Math.max(...depths, 46) + 40;
  const shown = Math.min(steeped, last);
  return (
    <svg
      viewBox={`0 0 ${AXIS_WIDTH} ${bottom + 64}`}
      style={{ width: '100%', maxWidth: 880, height: 'auto' }}
      role="img"
      aria-label={`Planned ${planned.map((m) => m.title).join(', ')}; real ${real.map((m) => `${m.title} ${m.text}`).join(', ')}`}
    >
      <path d={`M0 110H${AXIS_WIDTH}`} stroke="var(--ink)" strokeWidth="2.5" />
      <text x={AXIS_WIDTH} y="98" fontSize="15" fontWeight="700" textAnchor="end" fill="var(--ink)">
        planned
      </text>
      <text
        x={AXIS_WIDTH}
        y="132"
        fontSize="15"
        fontWeight="700"
        textAnchor="end"
        fill="var(--ink)"
      >
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
      {steeped > 0 && <LiquorStrip brew={brew} shown={shown} x={x} y={bottom} />}
      <path d={`M0 ${bottom + 32}H${AXIS_WIDTH}`} stroke="var(--ink)" strokeWidth="1.2" />
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

/** The liquor as it deepened, over so many seconds of the steep. */
function LiquorStrip({
  brew,
  shown,
  x,
  y,
}: {
  brew: Brew;
  shown: number;
  x: (s: number) => number;
  y: number;
}) {
  const width = x(shown) - x(0);
  return (
    <>
      {Array.from({ length: STRIPS }, (_, i) => {
        const s = seconds(((i + 0.5) / STRIPS) * shown);
        return (
          <rect
            key={i}
            x={x((i / STRIPS) * shown)}
            y={y}
            width={width / STRIPS + 0.8}
            height="18"
            fill={tint(colourOfBrew(brewMade(brew, s), s))}
          />
        );
      })}
      <rect
        x={x(0)}
        y={y}
        width={width}
        height="18"
        fill="none"
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
      <text x={x(shown) + 8} y={y + 14} fontSize="14" fill="var(--ink-2)">
        liquor
      </text>
    </>
  );
}
