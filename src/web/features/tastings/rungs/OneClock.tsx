import type { Tasting } from '#core/tastings';
import { minutesText } from '#core/units';
import type { OpenTasting } from '#contracts/tastings';
import { ticksTo } from '../../../ui/ticks';
import { LEFT, RIGHT, STRIPS, WIDTH } from './places';

/** The liquor as it darkens along the steep, with its minutes. */
export function LiquorStrip({
  strip,
  x,
  end,
}: {
  strip: readonly string[];
  x: (s: number) => number;
  end: number;
}) {
  return (
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
      {ticksTo(end, end > 420 ? 120 : 60).map((s) => (
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
    </>
  );
}

/** Where each cup is to be poured, and where it was. */
export function Pours({
  e,
  now,
  x,
  end,
}: {
  e: OpenTasting['exercise'];
  now: Tasting;
  x: (s: number) => number;
  end: number;
}) {
  return e.cups.map((c, i) => {
    const s = now.cups[i];
    const done =
      s?.pulled !== null && s?.poured !== null && s
        ? ((s.pulled ?? 0) - (s.poured ?? 0)) / 1000
        : null;
    return (
      <g key={i}>
        {done !== null && (
          <path d={`M${x(Math.min(end, done))} 3v22`} stroke="var(--ink)" strokeWidth="3" />
        )}
        <path
          d={`M${x(c.plan.seconds)} 26l7 11h-14z`}
          fill={done === null ? 'var(--ink)' : 'var(--ground)'}
          stroke="var(--ink)"
          strokeWidth="1.6"
        />
      </g>
    );
  });
}

/** How long the one clock has run. */
export function ClockHand({
  since,
  end,
  x,
}: {
  since: number | null;
  end: number;
  x: (s: number) => number;
}) {
  return (
    since !== null &&
    since <= end && (
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
    )
  );
}
