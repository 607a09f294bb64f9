import { Line, LineChart, ReferenceLine, XAxis, YAxis } from 'recharts';
import { waitUntil } from '#core/heat';
import { celsius, minutesText, numberText, temperatureText, toFahrenheit } from '#core/units';
import type { Kettle } from '#contracts/kettles';
import { LevelMark } from '../../ui/LevelMark';
import { curveOf, type KettleFacts, scaledRate } from './kettle';

const WIDTH = 760;
const HEIGHT = 300;
const AXIS = { left: 46, bottom: 26, top: 16, right: 10 };
const LOW = 55;
const HIGH = 102;

/** Cooling off the boil: readings as open circles, the fit with its error, the usual kettle before it as dots. */
export function Cooling({
  facts,
  kettle,
  unit,
}: {
  facts: KettleFacts;
  kettle: Kettle;
  unit: 'C' | 'F';
}) {
  const { fit, before, boiling, ambient } = facts;
  const readings = kettle.readings.filter((r) => r.kind === 'cooling');
  const minutes = Math.max(30, Math.ceil(Math.max(0, ...readings.map((r) => r.seconds)) / 300) * 5);
  const rate = fit.kind === 'fitted' ? fit.rate : before;
  const start = fit.kind === 'fitted' ? (Object.values(fit.starts).at(-1) ?? boiling) : boiling;
  const error = fit.kind === 'fitted' ? fit.error : 0;
  const curves = [
    curveOf(start, ambient, rate, minutes),
    curveOf(start, ambient, scaledRate(rate, 1 + 2 * error), minutes),
    curveOf(start, ambient, scaledRate(rate, Math.max(0.1, 1 - 2 * error)), minutes),
    curveOf(start, ambient, before, minutes),
  ];
  const data =
    curves[0]?.map((p, i) => ({
      m: p.m,
      own: p.t,
      low: curves[1]?.[i]?.t,
      high: curves[2]?.[i]?.t,
      usual: curves[3]?.[i]?.t,
    })) ?? [];
  const plot = { width: WIDTH - AXIS.left - AXIS.right, height: HEIGHT - AXIS.top - AXIS.bottom };
  const x = (m: number) => AXIS.left + (m / minutes) * plot.width;
  const y = (t: number) => AXIS.top + (1 - (t - LOW) / (HIGH - LOW)) * plot.height;
  const marks = [90, 80, 70].flatMap((t) => {
    const s = waitUntil(start, celsius(t), ambient, rate);
    return s !== null && s > 0 && s / 60 <= minutes ? [{ t, m: s / 60, s }] : [];
  });
  const shownDegrees = (t: number) => (unit === 'F' ? Math.round(toFahrenheit(celsius(t))) : t);
  const last = data.at(-1);
  return (
    <>
      <h2 className="mt-3">
        Cooling off the boil
        <small>
          {readings.length === 0
            ? 'no reading yet: the usual of its kind'
            : `${readings.length} readings, room ${temperatureText(ambient, unit)}`}
        </small>
      </h2>
      <div
        className="cooling"
        role="img"
        aria-label={`It cools to ${marks.map((k) => `${shownDegrees(k.t)} degrees at ${minutesText(k.s)}`).join(', ') || 'nothing marked'}; ${readings.length} readings`}
        style={{ maxWidth: WIDTH, height: HEIGHT }}
      >
        <LineChart
          width={WIDTH}
          height={HEIGHT}
          data={data}
          margin={{ top: AXIS.top, right: AXIS.right, bottom: AXIS.bottom, left: AXIS.left }}
          accessibilityLayer={false}
        >
          <XAxis dataKey="m" type="number" domain={[0, minutes]} hide />
          <YAxis domain={[LOW, HIGH]} hide allowDataOverflow />
          {marks.map((k) => (
            <ReferenceLine key={k.t} y={k.t} stroke="var(--line-2)" />
          ))}
          {fit.kind === 'fitted' && (
            <Line
              dataKey="usual"
              stroke="var(--ink-2)"
              strokeWidth={1.6}
              strokeDasharray="1.5 5"
              dot={false}
              isAnimationActive={false}
            />
          )}
          {fit.kind === 'fitted' && (
            <Line
              dataKey="low"
              stroke="var(--ink)"
              strokeWidth={1}
              strokeDasharray="5 4"
              dot={false}
              isAnimationActive={false}
            />
          )}
          {fit.kind === 'fitted' && (
            <Line
              dataKey="high"
              stroke="var(--ink)"
              strokeWidth={1}
              strokeDasharray="5 4"
              dot={false}
              isAnimationActive={false}
            />
          )}
          <Line
            dataKey="own"
            stroke="var(--ink)"
            strokeWidth={2.5}
            strokeDasharray={fit.kind === 'fitted' ? undefined : '1.5 5'}
            dot={false}
            isAnimationActive={false}
          />
        </LineChart>
        <svg width={WIDTH} height={HEIGHT} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden="true">
          <path
            d={`M${AXIS.left} ${AXIS.top}V${HEIGHT - AXIS.bottom}H${WIDTH - AXIS.right}`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="1.5"
          />
          {[60, 70, 80, 90, 100].map((t) => (
            <g key={t}>
              <path d={`M${AXIS.left} ${y(t)}h-5`} stroke="var(--ink)" />
              <text
                x={AXIS.left - 9}
                y={y(t) + 5}
                fontSize="14"
                textAnchor="end"
                fill="var(--ink-2)"
              >
                {shownDegrees(t)}°
              </text>
            </g>
          ))}
          {Array.from({ length: Math.floor(minutes / 5) + 1 }, (_, i) => i * 5).map((m) => (
            <g key={m}>
              <path d={`M${x(m)} ${HEIGHT - AXIS.bottom}v5`} stroke="var(--ink)" />
              <text
                x={x(m)}
                y={HEIGHT - 6}
                fontSize="14"
                textAnchor={m === 0 ? 'start' : m === minutes ? 'end' : 'middle'}
                fill="var(--ink-2)"
              >
                {m === 0 ? 'off the boil' : m === minutes ? `${m} min` : m}
              </text>
            </g>
          ))}
          {readings.map((r) => (
            <circle
              key={r.id}
              cx={x(r.seconds / 60)}
              cy={y(r.celsius)}
              r="5.5"
              fill="var(--paper)"
              stroke="var(--ink)"
              strokeWidth="1.8"
            />
          ))}
          {marks.map((k) => (
            <g key={k.t}>
              <LevelMark x={x(k.m)} y={y(k.t)} size={12} />
              <text
                x={x(k.m) > WIDTH * 0.62 ? x(k.m) - 12 : x(k.m) + 11}
                y={x(k.m) > WIDTH * 0.62 ? y(k.t) + 20 : y(k.t) - 6}
                textAnchor={x(k.m) > WIDTH * 0.62 ? 'end' : 'start'}
                fontSize="16"
                fontWeight="700"
                fill="var(--ink)"
              >
                {shownDegrees(k.t)} °{unit} at {minutesText(k.s)}
              </text>
            </g>
          ))}
          {last && fit.kind === 'fitted' && Math.abs(last.own - (last.usual ?? 0)) > 1 && (
            <>
              <text
                x={WIDTH - AXIS.right}
                y={y(last.usual ?? 0) + ((last.usual ?? 0) > last.own ? -8 : 20)}
                fontSize="14"
                textAnchor="end"
                fill="var(--ink-2)"
              >
                before: the usual of its kind
              </text>
              <text
                x={WIDTH - AXIS.right}
                y={y(last.own) + ((last.usual ?? 0) > last.own ? 22 : -10)}
                fontSize="14"
                fontWeight="700"
                textAnchor="end"
                fill="var(--ink)"
              >
                this kettle
              </text>
            </>
          )}
        </svg>
      </div>
      {fit.kind === 'fitted' && error > 0.15 && (
        <p className="small">
          Dashed: the curve may lie anywhere between. {numberText(error * 100, 0)} % is much: take a
          reading later in the cooling.
        </p>
      )}
    </>
  );
}
