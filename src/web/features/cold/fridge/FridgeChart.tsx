import { useMemo } from 'react';
import {
  type FridgeAir,
  keptOf,
  limitsOf,
  liquorAlong,
  unknownGaps,
  USUAL_LIMITS,
} from '#core/cold';
import { clockTime, daysAfter, siteDate, wallMoment, weekdayAndTime } from '#core/time';
import { type Celsius, celsius, type EpochMs, epochMs, readingText } from '#core/units';
import type { ColdBatch } from '../../../entities/batches/standing';
import { useClock, useLimits, useUnits } from '../../../entities/people/session';
import { XTicks, YTicks } from '../../../ui/chart/Axes';
import { type At, Curve, Drawn, Level, Plot } from '../../../ui/chart/Plot';
import { useWidth } from '../useWidth';

/** It is as wide as there is room, so that its words stay as large. */
const [WIDEST, HEIGHT] = [780, 320];
const MARGIN = { left: 50, right: 70, top: 16, bottom: 44 };
const HOUR_MS = 3_600_000;
/** So much of the past is drawn. */
const SHOWN_HOURS = 96;
/** A point of the liquor's curve each so many minutes. */
const STEP_MINUTES = 15;
/** The chart reaches at least so high, C, however cold the fridge was. */
const LEAST_TOP = 9;
const [LOWEST, HIGHEST] = [0, 30];
const TICKS = [0, 2, 4, 6, 8, 10, 15, 20, 25];
/** More readings than this are drawn smaller. */
const CROWDED = 60;

type Props = {
  air: FridgeAir;
  batches: readonly ColdBatch[];
  chosen: ColdBatch | undefined;
  now: EpochMs;
  onChoose: (id: string) => void;
};
/** Air as it was read, and the liquor of one batch as it followed. */
export function FridgeChart({ air, batches, chosen, now, onChoose }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>();
  return (
    <div>
      <h2>
        Air and liquor
        <small>
          dots: air as read. {chosen && `Thick: liquor of ${chosen.vesselName}, computed. `}Above
          the dashed line, minutes count as warm
        </small>
      </h2>
      {batches.length > 1 && (
        <div className="flex flex-wrap gap-2 mt-2" role="group" aria-label="Batch">
          {batches.map((b) => (
            <button
              type="button"
              key={b.id}
              className="btn slim"
              aria-pressed={b.id === chosen?.id}
              onClick={() => onChoose(b.id)}
            >
              {b.vesselName}
            </button>
          ))}
        </div>
      )}
      <div ref={ref}>
        {width > 0 && (
          <AirPlot air={air} chosen={chosen} now={now} width={Math.min(width, WIDEST)} />
        )}
      </div>
      {chosen && <Caption batch={chosen} />}
    </div>
  );
}
function Caption({ batch }: { batch: ColdBatch }) {
  const clock = useClock();
  const { coldAt } = batch.kept;
  return (
    <p className="small">
      {batch.tea.name}, {batch.vesselName}: leaf in {weekdayAndTime(clock, batch.leafIn)},{' '}
      {coldAt === null ? 'not cold yet' : `cold from ${weekdayAndTime(clock, coldAt)}`}. The liquor
      follows the air slowly: an opened door counts little, a power cut fully.
    </p>
  );
}

/** A stretch in which nothing was read. */
const NoReading = ({
  left,
  right,
  top,
  bottom,
}: {
  left: number;
  right: number;
  top: number;
  bottom: number;
}) => (
  <g>
    <rect
      x={left}
      y={top}
      width={right - left}
      height={bottom - top}
      fill="var(--warn)"
      opacity="0.08"
    />
    <text x={(left + right) / 2} y={top + 16} fontSize="14" textAnchor="middle" fill="var(--warn)">
      no reading
    </text>
  </g>
);

/** "Sun 8": a phone has no room for the month. */
const dayWords = (at: number): string =>
  new Date(at).toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric' });
/** The limits of a batch; without one a gap is what a person's readings leave. */
const limitsOfAny = (b: ColdBatch | undefined) => b?.plan.keeping ?? USUAL_LIMITS;

/** The plot itself: readings, limit, liquor, and stretches nobody knows of. */
function AirPlot({
  air,
  chosen,
  now,
  width,
}: Pick<Props, 'air' | 'chosen' | 'now'> & { width: number }) {
  const units = useUnits();
  const clock = useClock();
  const { limit } = useLimits();
  const from = epochMs(now - SHOWN_HOURS * HOUR_MS);
  const liquor = useLiquor(chosen, air, from, now);
  const read = air.readings.filter((r) => r.at >= from).map((r): At => ({ x: r.at, y: r.celsius }));
  const top = Math.max(LEAST_TOP, ...read.map((p) => p.y + 1), ...liquor.map((p) => p.y + 0.5));
  const [high, low] = [Math.min(top, HIGHEST), LOWEST];
  const gaps = unknownGaps(air, limitsOfAny(chosen)).filter((g) => g.to > from);
  return (
    <Plot
      width={width}
      height={HEIGHT}
      margin={MARGIN}
      x={[from, now]}
      y={[low, high]}
      label={chartWords(read, limit, liquor, chosen, units)}
    >
      <YTicks
        ticks={TICKS.filter((t) => t <= high)}
        text={(t) => readingText(celsius(t), units.temperature)}
        at={from}
      />
      <XTicks ticks={midnights(clock.zone, from, now)} text={dayWords} at={low} />
      <Level y={limit} look="limit" />
      <Curve points={read} look="join" />
      <Curve points={liquor.filter((p) => p.y <= high)} look="strong" />
      <Drawn>
        {({ x, y }) => (
          <>
            {gaps.map((g) => (
              <NoReading
                key={g.from}
                left={x(Math.max(g.from, from))}
                right={x(g.to)}
                top={y(high)}
                bottom={y(low)}
              />
            ))}
            {read.map((p) => (
              <circle
                key={p.x}
                cx={x(p.x)}
                cy={y(Math.min(p.y, high))}
                r={read.length > CROWDED ? 2 : 4}
                fill={p.y > limit ? 'var(--warn)' : 'var(--ink)'}
              />
            ))}
            <text x={x(now) + 6} y={y(limit) + 4} fontSize="14" fill="var(--ink-2)">
              {readingText(limit, units.temperature)}
            </text>
            {chosen && chosen.leafIn > from && (
              <text
                x={x(chosen.leafIn)}
                y={y(low) - 8}
                fontSize="14"
                textAnchor="end"
                fill="var(--ink-2)"
              >
                leaf in {clockTime(clock, chosen.leafIn)}
              </text>
            )}
          </>
        )}
      </Drawn>
    </Plot>
  );
}
function useLiquor(b: ColdBatch | undefined, air: FridgeAir, from: EpochMs, now: EpochMs): At[] {
  const house = useLimits();
  return useMemo(
    () =>
      b
        ? liquorAlong(
            keptOf(b, b.now, air),
            limitsOf(b.plan, b.now.state, house),
            now,
            STEP_MINUTES,
          )
            .filter((p) => p.at >= from)
            .map((p) => ({ x: p.at, y: p.liquor }))
        : [],
    // eslint-disable-next-line react-hooks/exhaustive-deps -- readings and events are what moves it, once a minute
    [b, air.readings, air.gaps, house, now],
  );
}
function midnights(zone: string, from: EpochMs, now: EpochMs): number[] {
  const first = siteDate(zone, from);
  return Array.from(
    { length: 6 },
    (_, i) => wallMoment(zone, daysAfter(first, i), '00:00').at,
  ).filter((t) => t > from && t < now);
}
function chartWords(
  read: readonly At[],
  limit: Celsius,
  liquor: readonly At[],
  chosen: ColdBatch | undefined,
  units: ReturnType<typeof useUnits>,
): string {
  const warmest = (all: readonly At[]) =>
    readingText(celsius(Math.max(...all.map((p) => p.y))), units.temperature);
  return [
    read.length === 0
      ? 'No reading in these days.'
      : `Air at most ${warmest(read)}; the limit is ${readingText(limit, units.temperature)}.`,
    chosen && liquor.length > 0
      ? `Liquor of ${chosen.vesselName} now ${readingText(celsius(liquor.at(-1)?.y ?? 0), units.temperature)}.`
      : '',
  ].join(' ');
}
