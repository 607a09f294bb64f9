import { useId } from 'react';
import { isStanding, type Level } from '#core/cold';
import { tint } from '#core/colour';
import { clockTime, type SiteClock, weekdayAndTime } from '#core/time';
import type { EpochMs } from '#core/units';
import { LevelMark } from '../../ui/LevelMark';
import { liquorOfBatch } from './liquor';
import { type ColdBatch, leftIn } from './standing';

const HOUR_MS = 3_600_000;
/** A lane is so high, its line stands so far from the top; a litre is drawn so high. */
export const LANE = { height: 84, line: 83, perLitre: 30 } as const;
/** Liquor deepens as it is drawn, quickly first: a drawing’s rule, not the model’s. */
const DEEPENING = Array.from({ length: 7 }, (_, i) => [i / 6, 1 - Math.exp(-3 * (i / 6))] as const);
/** The stretch of time that is shown, and how wide. */
export type LaneTime = {
  readonly from: EpochMs;
  readonly hours: number;
  readonly width: number;
  readonly services?: readonly LaneService[];
};
/** When it is served, and how many glasses are wanted then. */
export type LaneService = {
  readonly from: EpochMs;
  readonly to: EpochMs;
  readonly glasses: number;
};
export const xOf = (t: LaneTime, at: number): number =>
  ((at - t.from) / (t.hours * HOUR_MS)) * t.width;

/** Services as they lie behind the hours. */
export const ServiceBands = ({ time, height }: { time: LaneTime; height: number }) =>
  (time.services ?? []).map((s) => {
    const [from, to] = [Math.max(0, xOf(time, s.from)), Math.min(time.width, xOf(time, s.to))];
    return (
      to > from && (
        <rect key={s.from} className="service" x={from} width={to - from} height={height} />
      )
    );
  });

type Point = readonly [at: number, ml: number];
/** Levels as a line of steps: each holds until the next. */
const steps = (levels: readonly Level[], until: number): Point[] =>
  levels.flatMap(({ at, ml }, i): Point[] => [
    [at, ml],
    [levels[i + 1]?.at ?? until, ml],
  ]);
/** How the level would go on if nothing else were done than the lift. */
function ahead({ now: { state, levels }, window: { best }, plan, kept }: ColdBatch, now: EpochMs) {
  const last = levels.at(-1)?.ml ?? plan.water;
  const lift = Math.max(now, best);
  if (state.kind === 'infusing')
    return steps(
      [
        { at: now, ml: last },
        { at: lift as EpochMs, ml: plan.liquor },
      ],
      Math.max(lift, kept.discardAt),
    );
  return steps([{ at: now, ml: last }], Math.max(now, kept.discardAt));
}

/** A batch along the hours: its level, its window, and where it is thrown out. */
export function Lane({
  batch: b,
  now,
  time,
  clock,
}: {
  batch: ColdBatch;
  now: EpochMs;
  time: LaneTime;
  clock: SiteClock;
}) {
  const x = (at: number) => Math.max(-4, Math.min(time.width + 4, xOf(time, at)));
  const y = (ml: number) => LANE.line - (ml / 1000) * LANE.perLitre;
  const outline = (points: readonly Point[]) =>
    points.map(([at, ml], i) => `${i ? 'L' : 'M'}${x(at).toFixed(1)} ${y(ml).toFixed(1)}`).join('');
  const area = (points: readonly Point[]) => {
    const [first, last] = [points[0], points.at(-1)];
    if (!first || !last) return '';
    return `${outline(points)}L${x(last[0]).toFixed(1)} ${LANE.line}L${x(first[0]).toFixed(1)} ${LANE.line}Z`;
  };
  const past = isStanding(b.now.state) ? steps(b.now.levels, now) : [];
  const future = isStanding(b.now.state) ? ahead(b, now) : [];
  const colour = tint(liquorOfBatch(b), 3);
  const out = x(b.kept.discardAt);
  const top = y(b.plan.water);
  const [earliest, best, latest] = [b.window.earliest, b.window.best, b.window.latest].map(x) as [
    number,
    number,
    number,
  ];
  const shade = useId();
  const until = b.now.state.kind === 'drawn' ? b.now.state.lifted : b.window.best;
  const outWords = `until ${weekdayAndTime(clock, b.kept.discardAt)}`;
  return (
    <svg
      className="cold-lane"
      width={time.width}
      height={LANE.height}
      role="img"
      aria-label={`${b.tea.name}: best ${weekdayAndTime(clock, b.window.best)}, ${outWords}`}
    >
      <linearGradient
        id={shade}
        gradientUnits="userSpaceOnUse"
        x1={xOf(time, b.leafIn)}
        x2={xOf(time, until)}
      >
        {DEEPENING.map(([offset, opacity]) => (
          <stop key={offset} offset={offset} stopColor={colour} stopOpacity={opacity} />
        ))}
      </linearGradient>
      <ServiceBands time={time} height={LANE.height} />
      <path d={area(future)} fill={colour} opacity={0.5} />
      <path d={area(past)} fill={`url(#${shade})`} />
      <path className="ahead" d={outline(future)} />
      <path className="done" d={outline(past)} />
      <path className="done" d={`M0 ${LANE.line}H${time.width}`} />
      {latest > 0 && (
        <>
          <path className="bracket" d={`M${earliest} ${top - 3}v-8H${latest}v8`} />
          <LevelMark x={best} y={top - 1} size={11} />
          <text x={best} y={top - 16} textAnchor="middle">
            {clockTime(clock, b.window.best)}
          </text>
        </>
      )}
      {past.length > 0 && out <= time.width && out > 0 && (
        <>
          <rect x={out} y={LANE.line - 38} width={22} height={38} fill="url(#hatch)" />
          <path className="out" d={`M${out} ${LANE.line - 40}V${LANE.line}`} />
          <text
            className="out-words"
            x={out > 120 ? out + 22 : out}
            y={Math.min(LANE.line - 40, y(leftIn(b))) - 6}
            textAnchor={out > 120 ? 'end' : 'start'}
          >
            {outWords}
          </text>
        </>
      )}
      <path className="now" d={`M${x(now)} 0V${LANE.height}`} />
    </svg>
  );
}
