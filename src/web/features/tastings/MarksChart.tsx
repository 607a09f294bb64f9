import { useMemo } from 'react';
import { type Attribute, ATTRIBUTES, MARKS } from '#core/corrections';
import { brewOfCup, expectedMarks, housePour, type LadderResult, valueText } from '#core/tastings';
import type { OpenTasting } from '#contracts/tastings';
import { useUnits } from '../../entities/people/session';
import { Cup } from '../../entities/teas/Cup';
import { predictionBasis } from '../../entities/teas/predictionBasis';
import { liquorOfCup } from './cups';

const WIDTH = 824;
const [LEFT, RIGHT] = [112, 22];
const LEVEL = 46;
const TOP = 134;
const BASE = TOP + LEVEL * 4 + 30;
const BLOCK = 22;
const POINTS = 60;

/** Every taster's mark at the cup as it really was; the model's line with half a mark either way; where it begins. */
export function MarksChart({
  view,
  result,
  attribute,
  target,
}: {
  view: OpenTasting;
  result: LadderResult;
  attribute: Attribute;
  target: number;
}) {
  const units = useUnits();
  const { way, cups } = view.exercise;
  const at = result.attributes[attribute];
  const used = result.cups.filter((c) => c.excluded === null);
  const values = [...used.map((c) => c.value), target];
  const [low, high] =
    way === 'seconds'
      ? [0, Math.max(...values) * 1.06]
      : [
          Math.min(...values) - (Math.max(...values) - Math.min(...values)) * 0.15,
          Math.max(...values) + (Math.max(...values) - Math.min(...values)) * 0.12,
        ];
  const x = (v: number) => LEFT + ((v - low) / (high - low || 1)) * (WIDTH - LEFT - RIGHT);
  const y = (m: number) => TOP + (2 - m) * LEVEL;
  const of = { tea: view.tea, recipe: view.version.recipe, vessel: view.vessel };
  const house = useMemo(
    () => brewOfCup(of, housePour(view.version.recipe, cups[0]?.plan.water ?? view.vessel.mark)),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- a tasting's recipe and vessel never change
    [view.id],
  );
  const line = useMemo(() => {
    const vs = Array.from({ length: POINTS + 1 }, (_, i) =>
      Math.max(low + ((high - low) * i) / POINTS, way === 'seconds' ? 1 : 0.1),
    );
    return expectedMarks(house, way, attribute, vs).map((m, i) => ({ v: vs[i] ?? 0, m }));
  }, [house, way, attribute, low, high]);
  const path = (by: number) =>
    line
      .filter((p) => p.m + by <= 2.35 && p.m + by >= -2.35)
      .map((p, i) => `${i ? 'L' : 'M'}${x(p.v).toFixed(1)} ${y(p.m + by).toFixed(1)}`)
      .join('');
  const initials = new Map(result.tasters.map((t) => [t.id, t.name.charAt(0)]));
  const ticks =
    way === 'seconds'
      ? Array.from({ length: Math.floor(high / 60) + 1 }, (_, i) => i * 60).filter(
          (s, _, all) => all.length < 9 || s % 120 === 0,
        )
      : used.map((c) => c.value);
  const label = `${ATTRIBUTES[attribute].label}: ${at.counts.map((c) => `${valueText(way, c.value, units)}, ${c.little} too little, ${c.right} right, ${c.much} too much`).join('; ')}`;
  // Marks at one level stand side by side, in rows where the next cup is near.
  const near = Math.min(
    WIDTH,
    ...used
      .map((c) => c.value)
      .sort((a, b) => a - b)
      .map((v, i, all) => (i ? x(v) - x(all[i - 1] ?? 0) : WIDTH)),
  );
  const perRow = Math.max(1, Math.floor(near / (BLOCK + 2)));
  const placeOf = (i: number, n: number, value: number, m: number): [number, number] => {
    const rows = Math.ceil(n / perRow);
    const row = Math.floor(i / perRow);
    const inRow = Math.min(perRow, n - row * perRow);
    return [
      x(value) - (inRow * (BLOCK + 1)) / 2 + (i % perRow) * (BLOCK + 1),
      y(m) - BLOCK / 2 + (row - (rows - 1) / 2) * (BLOCK + 1),
    ];
  };
  const begins = at.begins.kind === 'between' ? at.begins : null;
  return (
    <div
      className="marks-chart"
      tabIndex={0}
      role="group"
      aria-label="Marks of every taster"
      style={{ width: WIDTH }}
    >
      <div className="porcelain-strip">
        {used.map((c) => {
          const plan = cups[c.cup]?.plan;
          return plan ? (
            <span key={c.cup} style={{ left: x(c.value) }}>
              <Cup size={50} liquor={liquorOfCup(of, plan, c.seconds ?? plan.seconds)} />
              <em>
                <b>{c.code}</b> {valueText(way, c.value, units)}
              </em>
            </span>
          ) : null;
        })}
      </div>
      <svg
        width={WIDTH}
        height={BASE + 40}
        viewBox={`0 0 ${WIDTH} ${BASE + 40}`}
        role="img"
        aria-label={label}
      >
        {MARKS.map((m) => (
          <g key={m}>
            <path
              d={`M${LEFT - 4} ${y(m)}H${WIDTH}`}
              stroke={m === 0 ? 'var(--ink)' : 'var(--line)'}
              strokeWidth={m === 0 ? 2 : 1}
            />
            <text
              x={LEFT - 12}
              y={y(m) + 5}
              fontSize="15"
              fontWeight={m === 0 ? 700 : 400}
              textAnchor="end"
              fill="var(--ink)"
            >
              {ATTRIBUTES[attribute].words[m]}
            </text>
          </g>
        ))}
        <path d={path(0)} fill="none" stroke="var(--ink)" strokeWidth="2.5" />
        {[0.5, -0.5].map((by) => (
          <path
            key={by}
            d={path(by)}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="1.2"
            strokeDasharray="5 4"
          />
        ))}
        {used.flatMap((c) =>
          MARKS.flatMap((m) => {
            const here = at.marks.filter((k) => k.cup === c.cup && k.mark === m);
            return here.map((k, i) => {
              const [bx, by] = placeOf(i, here.length, c.value, m);
              return (
                <g key={`${c.cup}${m}${k.tasterId}`}>
                  <rect x={bx} y={by} width={BLOCK} height={BLOCK} fill="var(--ink)" />
                  <text
                    x={bx + BLOCK / 2}
                    y={by + BLOCK / 2 + 5.5}
                    fontSize="15"
                    fontWeight="700"
                    textAnchor="middle"
                    fill="var(--ground)"
                  >
                    {initials.get(k.tasterId)}
                  </text>
                </g>
              );
            });
          }),
        )}
        <path d={`M${LEFT} ${BASE}H${WIDTH}`} stroke="var(--ink)" strokeWidth="1.5" />
        {ticks.map((v) => (
          <g key={v}>
            <path d={`M${x(v)} ${BASE}v7`} stroke="var(--ink)" />
            {Math.abs(x(v) - x(target)) > 50 && (
              <text x={x(v)} y={BASE + 24} fontSize="13" textAnchor="middle" fill="var(--ink-2)">
                {valueText(way, v, units)}
              </text>
            )}
          </g>
        ))}
        {begins && (
          <g>
            <path
              d={`M${x(begins.from)} ${BASE - 2}v-9H${x(begins.to)}v9`}
              fill="none"
              stroke="var(--accent)"
              strokeWidth="3"
            />
            <text
              x={(x(begins.from) + x(begins.to)) / 2}
              y={BASE - 17}
              fontSize="14"
              fontWeight="700"
              textAnchor="middle"
              fill="var(--ink)"
            >
              begins in here
            </text>
          </g>
        )}
        <path d={`M${x(target)} ${BASE}l-7 -11h14z`} fill="var(--ink)" />
        <text
          x={x(target)}
          y={BASE + 24}
          fontSize="13"
          fontWeight="700"
          textAnchor="middle"
          fill="var(--ink)"
        >
          {valueText(way, target, units)}, house
        </text>
      </svg>
      <p className="small">
        {result.tasters.map((t) => `${t.name.charAt(0)} for ${t.name}`).join(', ')} Each block is
        one mark at the cup as it really was. Line: the model,{' '}
        {predictionBasis(view.tea).toLowerCase()}; dashed: half a mark either way.
      </p>
    </div>
  );
}
