import { useMemo } from 'react';
import { type Attribute, ATTRIBUTES, type Mark, MARKS } from '#core/corrections';
import { brewOfCup, expectedMarks, housePour, type LadderResult, valueText } from '#core/tastings';
import { liquorOfCup } from '#core/tastings';
import type { OpenTasting } from '#contracts/tastings';
import { useUnits } from '../../entities/people/session';
import { Cup } from '../../entities/teas/Cup';
import { predictionBasis } from '../../entities/teas/predictionBasis';
import { Bracket, HouseMark, XTicks } from '../../ui/chart/Axes';
import { type At, Curve, Drawn, Level, Plot, type Scales, type Span } from '../../ui/chart/Plot';
import { ticksTo } from '../../ui/ticks';

const WIDTH = 824;
const LEVEL = 46;
/** The strip of cups stands in front of the chart's upper part. */
const MARGIN = { left: 112, right: 22, top: 111, bottom: 40 };
/** Half a level over the highest mark, and room for the axis under the lowest. */
const HIGHEST = 2.5;
const AXIS = -2 - 30 / LEVEL;
const HEIGHT = MARGIN.top + MARGIN.bottom + (HIGHEST - AXIS) * LEVEL;
const BLOCK = 22;
const POINTS = 60;
/** Beyond this the model's line is not drawn: there is no mark there. */
const BEYOND = 2.35;

type Props = {
  view: OpenTasting;
  result: LadderResult;
  attribute: Attribute;
  target: number;
};

/** Every taster's mark at the cup as it really was; the model's line with half a mark either way; where it begins. */
export function MarksChart({ view, result, attribute, target }: Props) {
  const units = useUnits();
  const { way } = view.exercise;
  const found = result.attributes[attribute];
  const used = result.cups.filter((c) => c.excluded === null);
  const values = used.map((c) => c.value);
  const ends = endsOf(way, [...values, target]);
  const line = useExpected(view, attribute, ends);
  const text = (v: number) => valueText(way, v, units);
  const counts = found.counts.map(
    (c) => `${text(c.value)}, ${c.little} too little, ${c.right} right, ${c.much} too much`,
  );
  const levelOf = (m: number) => (m === 0 ? 'right' : 'fine');
  return (
    <div
      className="marks-chart"
      tabIndex={0}
      role="group"
      aria-label="Marks of every taster"
      style={{ width: WIDTH }}
    >
      <CupStrip view={view} used={used} ends={ends} text={text} />
      <Plot
        width={WIDTH}
        height={HEIGHT}
        margin={MARGIN}
        x={ends}
        y={[AXIS, HIGHEST]}
        label={`${ATTRIBUTES[attribute].label}: ${counts.join('; ')}`}
      >
        {MARKS.map((m) => (
          <Level key={m} y={m} look={levelOf(m)} />
        ))}
        <Drawn>
          {({ x, y }) =>
            MARKS.map((m) => (
              <text
                key={m}
                x={x(ends[0]) - 12}
                y={y(m) + 5}
                fontSize="15"
                fontWeight={m === 0 ? 700 : 400}
                textAnchor="end"
                fill="var(--ink)"
              >
                {ATTRIBUTES[attribute].words[m]}
              </text>
            ))
          }
        </Drawn>
        <Curve points={shifted(line, 0)} look="now" />
        <Curve points={shifted(line, 0.5)} look="band" />
        <Curve points={shifted(line, -0.5)} look="band" />
        <Blocks result={result} attribute={attribute} />
        <Level y={AXIS} look="axis" />
        <XTicks
          ticks={ticksOf(way, values, ends)}
          text={text}
          at={AXIS}
          except={{ at: target, px: 50 }}
        />
        {found.begins.kind === 'between' && <BeginsIn {...found.begins} />}
        <HouseMark x={target} y={AXIS} text={`${text(target)}, house`} />
      </Plot>
      <p className="small">
        {result.tasters.map((t) => `${t.name.charAt(0)} for ${t.name}`).join(', ')} Each block is
        one mark at the cup as it really was. Line: the model,{' '}
        {predictionBasis(view.tea).toLowerCase()}; dashed: half a mark either way.
      </p>
    </div>
  );
}

type Way = OpenTasting['exercise']['way'];
/** From where to where the axis reaches: time begins at 0, other steps have some room at either end. */
function endsOf(way: Way, values: readonly number[]): Span {
  const [least, most] = [Math.min(...values), Math.max(...values)];
  if (way === 'seconds') return [0, most * 1.06];
  const room = most - least || 1;
  return [least - room * 0.15, most + room * 0.12];
}
/** Whole minutes, every other one where there are many; for other steps the cups themselves. */
function ticksOf(way: Way, values: readonly number[], [, high]: Span): readonly number[] {
  if (way !== 'seconds') return values;
  const minutes = ticksTo(high, 60);
  return minutes.filter((s) => minutes.length < 9 || s % 120 === 0);
}
function shifted(points: readonly At[], by: number): At[] {
  return points.map((p) => ({ x: p.x, y: p.y + by })).filter((p) => Math.abs(p.y) <= BEYOND);
}

/** The marks that the model expects along the axis. */
function useExpected(view: OpenTasting, attribute: Attribute, [low, high]: Span): At[] {
  const { way, cups } = view.exercise;
  const house = useMemo(() => {
    const { tea, version, vessel } = view;
    return brewOfCup(
      { tea, recipe: version.recipe, vessel },
      housePour(version.recipe, cups[0]?.plan.water ?? vessel.mark),
    );
    // eslint-disable-next-line react-hooks/exhaustive-deps -- a tasting's recipe and vessel never change
  }, [view.id]);
  return useMemo(() => {
    const values = Array.from({ length: POINTS + 1 }, (_, i) =>
      Math.max(low + ((high - low) * i) / POINTS, way === 'seconds' ? 1 : 0.1),
    );
    return expectedMarks(house, way, attribute, values).map((y, i) => ({ x: values[i] ?? 0, y }));
  }, [house, way, attribute, low, high]);
}

/** The cups over their places, in front of porcelain. */
function CupStrip({
  view,
  used,
  ends: [low, high],
  text,
}: {
  view: OpenTasting;
  used: LadderResult['cups'];
  ends: Span;
  text: (v: number) => string;
}) {
  const of = { tea: view.tea, recipe: view.version.recipe, vessel: view.vessel };
  const x = (v: number) =>
    MARGIN.left + ((v - low) / (high - low)) * (WIDTH - MARGIN.left - MARGIN.right);
  return (
    <div className="porcelain-strip">
      {used.map((c) => {
        const plan = view.exercise.cups[c.cup]?.plan;
        return plan ? (
          <span key={c.cup} style={{ left: x(c.value) }}>
            <Cup size={50} liquor={liquorOfCup(of, plan, c.seconds ?? plan.seconds)} />
            <em>
              <b>{c.code}</b> {text(c.value)}
            </em>
          </span>
        ) : null;
      })}
    </div>
  );
}

/** Marks at one level stand side by side, in rows where the next cup is near. */
function Blocks({ result, attribute }: { result: LadderResult; attribute: Attribute }) {
  const { marks } = result.attributes[attribute];
  const used = result.cups.filter((c) => c.excluded === null);
  const initials = new Map(result.tasters.map((t) => [t.id, t.name.charAt(0)]));
  return (
    <Drawn>
      {(scales) => {
        const perRow = perRowOf(
          used.map((c) => c.value),
          scales.x,
        );
        return used.flatMap((c) =>
          MARKS.flatMap((mark) => {
            const here = marks.filter((k) => k.cup === c.cup && k.mark === mark);
            return here.map((k, i) => {
              const at = placeOf({ i, n: here.length, perRow, value: c.value, mark }, scales);
              return <Block key={k.tasterId} {...at} letter={initials.get(k.tasterId) ?? ''} />;
            });
          }),
        );
      }}
    </Drawn>
  );
}
/** So many blocks fit side by side before they reach the next cup's. */
function perRowOf(values: readonly number[], x: Scales['x']): number {
  const places = [...values].sort((a, b) => a - b).map(x);
  const gaps = places.slice(1).map((p, i) => p - (places[i] ?? 0));
  return Math.max(1, Math.floor(Math.min(WIDTH, ...gaps) / (BLOCK + 2)));
}
/** Upper left corner of the block that is the i-th of n at this mark. */
function placeOf(
  {
    i,
    n,
    perRow,
    value,
    mark,
  }: { i: number; n: number; perRow: number; value: number; mark: Mark },
  { x, y }: Scales,
): { x: number; y: number } {
  const rows = Math.ceil(n / perRow);
  const row = Math.floor(i / perRow);
  const inRow = Math.min(perRow, n - row * perRow);
  return {
    x: x(value) - (inRow * (BLOCK + 1)) / 2 + (i % perRow) * (BLOCK + 1),
    y: y(mark) - BLOCK / 2 + (row - (rows - 1) / 2) * (BLOCK + 1),
  };
}
function Block({ x, y, letter }: { x: number; y: number; letter: string }) {
  return (
    <g>
      <rect x={x} y={y} width={BLOCK} height={BLOCK} fill="var(--ink)" />
      <text
        x={x + BLOCK / 2}
        y={y + BLOCK / 2 + 5.5}
        fontSize="15"
        fontWeight="700"
        textAnchor="middle"
        fill="var(--ground)"
      >
        {letter}
      </text>
    </g>
  );
}

/** Between which cups the attribute goes over right. */
function BeginsIn({ from, to }: { from: number; to: number }) {
  return (
    <>
      <Bracket from={from} to={to} y={AXIS} />
      <Drawn>
        {({ x, y }) => (
          <text
            x={(x(from) + x(to)) / 2}
            y={y(AXIS) - 17}
            fontSize="14"
            fontWeight="700"
            textAnchor="middle"
            fill="var(--ink)"
          >
            begins in here
          </text>
        )}
      </Drawn>
    </>
  );
}
