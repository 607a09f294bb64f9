import { useMemo } from 'react';
import { Link } from 'react-router';
import { servicesOf, wantedOn } from '#core/coldPlan';
import {
  clockTime,
  daysAfter,
  hourText,
  MINUTE_MS,
  type SiteClock,
  siteDate,
  wallMoment,
} from '#core/time';
import type { EpochMs } from '#core/units';
import { useColdPlanQuery } from '../../entities/batches/api';
import { Lane, type LaneService, type LaneTime, xOf } from '../../entities/batches/Lane';
import { liquorOfBatch } from '../../entities/batches/liquor';
import { type ColdBatch, leftIn, sharesVessel } from '../../entities/batches/standing';
import { StateLine } from '../../entities/batches/StateLine';
import { whereWords } from '../../entities/batches/words';
import { useClock, useSession, useUnits } from '../../entities/people/session';
import { useVesselsQuery } from '../../entities/vessels/api';
import { VesselDrawing } from '../../entities/vessels/VesselDrawing';
import { weekdayText } from '../../ui/days';
import { PlannedLane, PlannedName } from './PlannedLane';
import type { PlannedHere } from './usePlanned';
import { useWidth } from './useWidth';

const VESSEL_SCALE = 0.3;
/** An hour is so wide, px; a screen shows as many as it has room for. */
const HOUR_PX = { days: 11, day: 44 } as const;
/** How far one sees at once: some days, or one. */
export type LaneView = keyof typeof HOUR_PX;
/** Names of days nearer than this to each other would run into one another, px. */
const DAY_ROOM = 86;
const DAYS_SHOWN = 8;
/** Services nearer than this to each other are one stretch. */
const TOGETHER_MS = 3_600_000;
/** Room of the glasses that are wanted, px. */
const WORDS_ROOM = 56;

type Props = {
  batches: readonly ColdBatch[];
  /** Those that are to be begun, under what stands. */
  planned: readonly PlannedHere[];
  chosen: ColdBatch | undefined;
  now: EpochMs;
  from: EpochMs;
  view: LaneView;
  onChoose: (id: string) => void;
};

/** Each batch on its own line: what it is at the left, its hours at the right; on a phone the left alone. */
export function Lanes({ batches, planned, chosen, now, from, view, onChoose }: Props) {
  const clock = useClock();
  const [ref, width] = useWidth<HTMLDivElement>();
  const services = useServices(from);
  const time: LaneTime = { from, hours: width / HOUR_PX[view], width, services };
  return (
    <div className="cold-lanes">
      <div className="cold-head" aria-hidden="true">
        <p className="font-semibold text-[16px]">
          Batches<small className="small block font-normal">height: what is left</small>
        </p>
        <div ref={ref}>{width > 0 && <Hours time={time} now={now} />}</div>
      </div>
      <ul aria-label="Batches, by what is to be done first">
        {batches.map((b) => (
          <li
            key={b.id}
            className={`cold-row ${b.id === chosen?.id ? 'chosen' : ''}`}
            onPointerDown={() => onChoose(b.id)}
          >
            <BatchName batch={b} batches={batches} now={now} />
            {width > 0 && <Lane batch={b} now={now} time={time} clock={clock} />}
          </li>
        ))}
      </ul>
      <ul aria-label="Planned batches">
        {planned.map((b) => (
          <li key={b.id} className="cold-row">
            <PlannedName batch={b} now={now} />
            {width > 0 && <PlannedLane batch={b} now={now} time={time} />}
          </li>
        ))}
      </ul>
    </div>
  );
}

/** What a batch is, with its pitcher as full as it stands. */
function BatchName({
  batch: b,
  batches,
  now,
}: {
  batch: ColdBatch;
  batches: readonly ColdBatch[];
  now: EpochMs;
}) {
  const units = useUnits();
  const clock = useClock();
  const { data } = useVesselsQuery();
  const vessel = data?.vessels.find((v) => v.id === b.vesselId);
  return (
    <Link className="cold-name" to={`/cold/${b.id}`}>
      <span className="vessel-place">
        {vessel && (
          <VesselDrawing
            vessel={vessel}
            scale={VESSEL_SCALE}
            label=""
            fill={leftIn(b)}
            liquor={liquorOfBatch(b)}
            leaf={b.now.state.kind === 'infusing' ? b.plan.leaf : undefined}
          />
        )}
      </span>
      <span className="grid">
        <b className="tea">{b.tea.name}</b>
        <span className="small">{whereWords(b, units)}</span>
        <StateLine batch={b} now={now} clock={clock} />
        {sharesVessel(b, batches) && <span className="cold-state soon">two batches in one</span>}
        {b.unsaved && <span className="small">not saved yet</span>}
      </span>
    </Link>
  );
}

/** Services of the days in sight, with the glasses wanted of all teas. */
function useServices(from: EpochMs): LaneService[] {
  const { site } = useSession();
  const { data } = useColdPlanQuery();
  const { hours } = site;
  const day = hours && siteDate(hours.zone, from);
  const demand = data?.plan.demand;
  return useMemo(() => {
    if (!hours || !day) return [];
    return servicesOf(hours.zone, hours, day, DAYS_SHOWN).map((s) => ({
      from: s.from,
      to: s.to,
      glasses: (demand ?? []).reduce((sum, d) => sum + (wantedOn(d, s.date)[s.index] ?? 0), 0),
    }));
  }, [hours, day, demand]);
}
/** "14 cold" over services that lie together; where the clock stands, and outside, nothing is said. */
function demandWords(time: LaneTime, now: EpochMs) {
  const together: { from: EpochMs; to: EpochMs; glasses: number }[] = [];
  for (const s of time.services ?? []) {
    const last = together.at(-1);
    if (last && s.from - last.to < TOGETHER_MS) {
      last.to = s.to;
      last.glasses += s.glasses;
    } else together.push({ ...s });
  }
  return together
    .map((s) => ({
      from: s.from,
      x: (xOf(time, s.from) + xOf(time, s.to)) / 2,
      words: s.glasses > 0 ? `${s.glasses} cold` : '',
    }))
    .filter(({ x }) => x > WORDS_ROOM && x < time.width - WORDS_ROOM / 2)
    .filter(({ x }) => x < xOf(time, now) - WORDS_ROOM / 2 || x > xOf(time, now) + 2 * WORDS_ROOM);
}

/** Hours have their words where they are so wide, px, and each third one of them. */
const HOURS_SAID_FROM = 30;
const HOURS_SAID = [3, 6, 9, 12, 15, 18, 21];
/** Hours of the days in sight, where there is room for their words and nothing else stands. */
function hourWords(
  time: LaneTime,
  days: readonly string[],
  { zone, region }: SiteClock,
  taken: readonly number[],
): { readonly x: number; readonly words: string }[] {
  if (time.width / time.hours < HOURS_SAID_FROM) return [];
  return days
    .flatMap((day) =>
      HOURS_SAID.map((hour) => {
        const { at } = wallMoment(zone, day, hourText(hour, 0, 24));
        return { x: xOf(time, at), words: hourText(hour, 0, region.hours) };
      }),
    )
    .filter(({ x }) => x > 0 && x < time.width - WORDS_ROOM)
    .filter(({ x }) => taken.every((t) => Math.abs(t - x) > WORDS_ROOM));
}

/** The days and hours over the lanes, and now. */
function Hours({ time, now }: { time: LaneTime; now: EpochMs }) {
  const clock = useClock();
  const first = siteDate(clock.zone, time.from);
  const dates = Array.from({ length: DAYS_SHOWN }, (_, i) => daysAfter(first, i));
  const days = dates.map((d) => wallMoment(clock.zone, d, '00:00').at);
  const noons = days.map((d) => d + 12 * 60 * MINUTE_MS);
  const nowX = xOf(time, now);
  const [DAY_Y, LINE_Y] = [18, 44];
  const demand = demandWords(time, now);
  const taken = [nowX + WORDS_ROOM / 2, ...demand.map((d) => d.x)];
  return (
    <svg className="cold-lane" width={time.width} height={LINE_Y + 6}>
      {hourWords(time, dates, clock, taken).map(({ x, words }) => (
        <text key={x} className="hour" x={x} y={LINE_Y - 6} textAnchor="middle">
          {words}
        </text>
      ))}
      {demand.map(({ from, x, words }) => (
        <text key={from} className="wanted" x={x} y={LINE_Y - 6} textAnchor="middle">
          {words}
        </text>
      ))}
      <path className="done" d={`M0 ${LINE_Y}H${time.width}`} />
      {days.map((d, i) => {
        const x = Math.max(0, xOf(time, d));
        const next = xOf(time, days[i + 1] ?? Infinity);
        if (x > time.width - DAY_ROOM || next - x < DAY_ROOM) return null;
        return (
          <text key={d} className="day" x={x + 4} y={DAY_Y}>
            {weekdayText(Math.max(d, time.from))}
          </text>
        );
      })}
      {noons.map((n) => (
        <path key={n} className="done" d={`M${xOf(time, n)} ${LINE_Y}v6`} />
      ))}
      {nowX >= 0 && nowX <= time.width && (
        <>
          <path className="now" d={`M${nowX} 22V${LINE_Y + 6}`} />
          <text x={nowX + 6} y={38}>
            now {clockTime(clock, now)}
          </text>
        </>
      )}
    </svg>
  );
}
