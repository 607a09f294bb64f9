import { Drawn } from './Plot';

const TICK = 5;

/** Ticks with their words under the chart, along the level `at`; words that would cover `except` stay away. */
export function XTicks({
  ticks,
  text,
  at,
  except,
}: {
  ticks: readonly number[];
  text: (v: number) => string;
  at: number;
  /** Something else is written here, so many px wide either way. */
  except?: { at: number; px: number };
}) {
  const last = ticks.at(-1);
  return (
    <Drawn>
      {({ x, y }) =>
        ticks.map((v) => (
          <g key={v}>
            <path d={`M${x(v)} ${y(at)}v${TICK}`} stroke="var(--ink)" />
            {(!except || Math.abs(x(v) - x(except.at)) > except.px) && (
              <text
                x={x(v)}
                y={y(at) + TICK + 17}
                fontSize="14"
                textAnchor={v === 0 && v !== last ? 'start' : 'middle'}
                fill="var(--ink-2)"
              >
                {text(v)}
              </text>
            )}
          </g>
        ))
      }
    </Drawn>
  );
}

/** Ticks with their words at the left of the chart, along the moment `at`. */
export function YTicks({
  ticks,
  text,
  at,
}: {
  ticks: readonly number[];
  text: (v: number) => string;
  at: number;
}) {
  return (
    <Drawn>
      {({ x, y }) =>
        ticks.map((v) => (
          <g key={v}>
            <path d={`M${x(at)} ${y(v)}h${-TICK}`} stroke="var(--ink)" />
            <text
              x={x(at) - TICK - 5}
              y={y(v) + 5}
              fontSize="14"
              textAnchor="end"
              fill="var(--ink-2)"
            >
              {text(v)}
            </text>
          </g>
        ))
      }
    </Drawn>
  );
}

/** The two axes as one angle, from the top down and to the right. */
export function Angle({
  left,
  bottom,
  top,
  right,
}: {
  left: number;
  bottom: number;
  top: number;
  right: number;
}) {
  return (
    <Drawn>
      {({ x, y }) => (
        <path
          d={`M${x(left)} ${y(top)}V${y(bottom)}H${x(right)}`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
      )}
    </Drawn>
  );
}

/** The house recipe on the axis: a mark of its own and its words. */
export function HouseMark({ x: at, y: low, text }: { x: number; y: number; text: string }) {
  return (
    <Drawn>
      {({ x, y }) => (
        <>
          <path d={`M${x(at)} ${y(low)}l-7 -11h14z`} fill="var(--ink)" />
          <text
            x={x(at)}
            y={y(low) + TICK + 17}
            fontSize="14"
            fontWeight="700"
            textAnchor="middle"
            fill="var(--ink)"
          >
            {text}
          </text>
        </>
      )}
    </Drawn>
  );
}

/** A stretch of the axis, bracketed. */
export function Bracket({
  from,
  to,
  y: low,
  look = 'accent',
}: {
  from: number;
  to: number;
  y: number;
  look?: 'accent' | 'ink';
}) {
  return (
    <Drawn>
      {({ x, y }) => (
        <path
          d={`M${x(from)} ${y(low) - 2}v-9H${x(to)}v9`}
          fill="none"
          stroke={look === 'accent' ? 'var(--accent)' : 'var(--ink)'}
          strokeWidth="3"
        />
      )}
    </Drawn>
  );
}
