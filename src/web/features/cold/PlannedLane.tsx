import { Link } from 'react-router';
import { type DueBatch, type InTheWay, inTheWay } from '#core/coldPlan';
import { tint } from '#core/colour';
import { clockTime, type SiteClock, weekdayAndTime } from '#core/time';
import { type EpochMs, millilitres, volumeText } from '#core/units';
import { LANE, type LaneTime, ServiceBands, xOf } from '../../entities/batches/Lane';
import { liquorOfStyle } from '../../entities/batches/liquor';
import { lengthWords } from '../../entities/batches/words';
import { useClock, useSession, useUnits } from '../../entities/people/session';
import { useVesselsQuery } from '../../entities/vessels/api';
import { VesselDrawing } from '../../entities/vessels/VesselDrawing';
import { LevelMark } from '../../ui/LevelMark';
import { useMovePlanned } from './useMovePlanned';
import { type PlannedHere, startPathOf } from './usePlanned';

const VESSEL_SCALE = 0.3;

/** A batch that is to be begun: everything about it is dashed. */
export function PlannedName({ batch: b, now }: { batch: PlannedHere; now: EpochMs }) {
  const units = useUnits();
  const clock = useClock();
  const { data } = useVesselsQuery();
  const vessel = data?.vessels.find((v) => v.id === b.vesselId);
  const { site } = useSession();
  const { start, lift } = b as PlannedHere & DueBatch;
  const { hours } = site;
  const inWay = inTheWay(
    { start, lift },
    now,
    b.earliest,
    hours && { zone: hours.zone, week: hours },
  );
  return (
    <Link className="cold-name" to={startPathOf(b)}>
      <span className="vessel-place planned">
        {vessel && <VesselDrawing vessel={vessel} scale={VESSEL_SCALE} label="" />}
      </span>
      <span className="grid">
        <b className="tea">{b.teaName}</b>
        <span className="small">
          {b.vesselName}, {volumeText(millilitres(b.water), units.volume)}
        </span>
        <span className={`cold-state ${now > start ? 'due' : 'plain'}`}>
          {now > start ? 'put leaf in now' : `put leaf in ${weekdayAndTime(clock, start)}`}
        </span>
        {inWay && <span className="cold-state soon">{inWayWords(inWay, lift, clock)}</span>}
      </span>
    </Link>
  );
}

/** What has come in the way of a planned batch, and what to do. */
function inWayWords(inWay: InTheWay, lift: EpochMs, clock: SiteClock): string {
  switch (inWay.kind) {
    case 'late':
      return `${lengthWords(inWay.minutes)} late: still right for ${weekdayAndTime(clock, lift)}`;
    case 'tooLate':
      return `${lengthWords(inWay.minutes)} late: lift from ${weekdayAndTime(clock, inWay.liftFrom)}. Plan again`;
    case 'nobodyThere':
      return `nobody is there ${weekdayAndTime(clock, inWay.at)}. Plan again`;
  }
}

/** Its hours: leaf in, lift, and when the last of it is poured. */
export function PlannedLane({
  batch: b,
  now,
  time,
}: {
  batch: PlannedHere;
  now: EpochMs;
  time: LaneTime;
}) {
  const clock = useClock();
  const { by, hands } = useMovePlanned(b, now, time);
  const x = (at: number) => Math.max(-4, Math.min(time.width + 4, xOf(time, at)));
  const top = LANE.line - (b.water / 1000) * LANE.perLitre;
  const [start, lift, until] = [x(b.start), x(b.lift), x(b.until ?? b.lift)];
  const path = `M${start} ${LANE.line}V${top}H${lift}L${until} ${LANE.line}`;
  const words = `leaf in ${clockTime(clock, b.start as EpochMs)}`;
  return (
    <svg
      className="cold-lane"
      width={time.width}
      height={LANE.height}
      role="img"
      aria-label={`${b.teaName}, planned: leaf in ${weekdayAndTime(clock, b.start as EpochMs)}, lift ${weekdayAndTime(clock, b.lift as EpochMs)}`}
    >
      <ServiceBands time={time} height={LANE.height} />
      <g className="movable" transform={`translate(${by} 0)`} {...hands}>
        <path d={`${path}Z`} fill={tint(liquorOfStyle(b.style), 3)} opacity={0.35} />
        <path className="ahead" d={path} />
      </g>
      <path className="done" d={`M0 ${LANE.line}H${time.width}`} />
      {start < time.width && start > 90 && (
        <text x={start - 6} y={LANE.line - 8} textAnchor="end">
          {words}
        </text>
      )}
      {lift > 0 && lift < time.width && (
        <>
          <LevelMark x={lift} y={top - 1} size={11} />
          <text x={lift} y={top - 16} textAnchor="middle">
            {clockTime(clock, b.lift as EpochMs)}
          </text>
        </>
      )}
      <path className="now" d={`M${x(now)} 0V${LANE.height}`} />
    </svg>
  );
}
