import { type CoolingRate, waitUntil } from '#core/heat';
import {
  type Celsius,
  celsius,
  minutesText,
  numberText,
  temperatureText,
  toFahrenheit,
} from '#core/units';
import type { Kettle } from '#contracts/kettles';
import { Angle, XTicks, YTicks } from '../../ui/chart/Axes';
import { type At, Curve, Drawn, Level, Plot } from '../../ui/chart/Plot';
import { LevelMark } from '../../ui/LevelMark';
import { ticksTo } from '../../ui/ticks';
import { curveOf, type KettleFacts, scaledRate } from './kettle';

const WIDTH = 760;
const HEIGHT = 300;
const MARGIN = { left: 46, bottom: 30, top: 16, right: 10 };
const LOW = 55;
const HIGH = 102;
/** Heats one waits for, C. */
const WAITED_FOR = [90, 80, 70];
/** Two curves that end nearer than this are not named, C. */
const APART = 1;
/** A fit less sure than this is said to be, share. */
const UNSURE = 0.15;

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
  const { fit, ambient } = facts;
  const readings = kettle.readings.filter((r) => r.kind === 'cooling');
  const minutes = Math.max(30, Math.ceil(Math.max(0, ...readings.map((r) => r.seconds)) / 300) * 5);
  const curves = curvesOf(facts, minutes);
  const degreesOf = (t: number) => (unit === 'F' ? Math.round(toFahrenheit(celsius(t))) : t);
  const waits = WAITED_FOR.flatMap((heat) => {
    const s = waitUntil(curves.start, celsius(heat), ambient, curves.rate);
    return s !== null && s > 0 && s / 60 <= minutes ? [{ heat, s }] : [];
  });
  const cools = waits.map((w) => `${degreesOf(w.heat)} degrees at ${minutesText(w.s)}`);
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
      <div className="cooling">
        <Plot
          width={WIDTH}
          height={HEIGHT}
          margin={MARGIN}
          x={[0, minutes]}
          y={[LOW, HIGH]}
          label={`It cools to ${cools.join(', ') || 'nothing marked'}; ${readings.length} readings`}
        >
          {waits.map((w) => (
            <Level key={w.heat} y={w.heat} look="fine" />
          ))}
          <Angle left={0} right={minutes} top={HIGH} bottom={LOW} />
          <YTicks ticks={[60, 70, 80, 90, 100]} text={(t) => `${degreesOf(t)}°`} at={0} />
          <XTicks ticks={ticksTo(minutes, 5)} text={(m) => minuteWords(m, minutes)} at={LOW} />
          {curves.band.map((points, i) => (
            <Curve key={i} points={points} look="band" />
          ))}
          {fit.kind === 'fitted' && <Curve points={curves.usual} look="before" />}
          <Curve points={curves.own} look={fit.kind === 'fitted' ? 'now' : 'before'} />
          <Drawn>
            {({ x, y }) =>
              readings.map((r) => (
                <circle
                  key={r.id}
                  cx={x(r.seconds / 60)}
                  cy={y(r.celsius)}
                  r="5.5"
                  fill="var(--paper)"
                  stroke="var(--ink)"
                  strokeWidth="1.8"
                />
              ))
            }
          </Drawn>
          {waits.map((w) => (
            <Wait
              key={w.heat}
              {...w}
              text={`${degreesOf(w.heat)} °${unit} at ${minutesText(w.s)}`}
            />
          ))}
          {fit.kind === 'fitted' && (
            <CurveNames own={curves.own.at(-1)} usual={curves.usual.at(-1)} />
          )}
        </Plot>
      </div>
      {fit.kind === 'fitted' && fit.error > UNSURE && (
        <p className="small">
          Dashed: the curve may lie anywhere between. {numberText(fit.error * 100, 0)} % is much:
          take a reading later in the cooling.
        </p>
      )}
    </>
  );
}

function minuteWords(m: number, last: number): string {
  if (m === 0) return 'off the boil';
  return m === last ? `${m} min` : String(m);
}

/** The kettle's own curve, how far it may be off, and the usual one of its kind; minutes by degrees. */
function curvesOf({ fit, before, boiling, ambient }: KettleFacts, minutes: number) {
  const fitted = fit.kind === 'fitted';
  const rate = fitted ? fit.rate : before;
  const start: Celsius = fitted ? (Object.values(fit.starts).at(-1) ?? boiling) : boiling;
  const along = (by: CoolingRate): At[] =>
    curveOf(start, ambient, by, minutes).map((p) => ({ x: p.m, y: p.t }));
  return {
    rate,
    start,
    own: along(rate),
    usual: along(before),
    band: fitted
      ? [
          along(scaledRate(rate, 1 + 2 * fit.error)),
          along(scaledRate(rate, Math.max(0.1, 1 - 2 * fit.error))),
        ]
      : [],
  };
}

/** When it has cooled so far: words at the side where there is room. */
function Wait({ heat, s, text }: { heat: number; s: number; text: string }) {
  return (
    <Drawn>
      {({ x, y }) => {
        const [at, level] = [x(s / 60), y(heat)];
        const late = at > WIDTH * 0.62;
        return (
          <g>
            <LevelMark x={at} y={level} size={12} />
            <text
              x={late ? at - 12 : at + 11}
              y={late ? level + 20 : level - 6}
              textAnchor={late ? 'end' : 'start'}
              fontSize="16"
              fontWeight="700"
              fill="var(--ink)"
            >
              {text}
            </text>
          </g>
        );
      }}
    </Drawn>
  );
}

/** Which curve is which, at their ends, where they are apart. */
function CurveNames({ own, usual }: { own: At | undefined; usual: At | undefined }) {
  if (!own || !usual || Math.abs(own.y - usual.y) <= APART) return null;
  const above = usual.y > own.y;
  return (
    <Drawn>
      {({ x, y }) => (
        <>
          <text
            x={x(usual.x)}
            y={y(usual.y) + (above ? -8 : 20)}
            fontSize="14"
            textAnchor="end"
            fill="var(--ink-2)"
          >
            before: the usual of its kind
          </text>
          <text
            x={x(own.x)}
            y={y(own.y) + (above ? 22 : -10)}
            fontSize="14"
            fontWeight="700"
            textAnchor="end"
            fill="var(--ink)"
          >
            this kettle
          </text>
        </>
      )}
    </Drawn>
  );
}
