import { type KeyboardEvent, type PointerEvent, useRef } from 'react';
import { LevelMark } from './LevelMark';

type Props = {
  name: string;
  value: number;
  range: readonly [number, number];
  step: number;
  tick: number;
  text: (v: number) => string;
  figure: string;
  unit: string;
  /** Where the open mark stands; null: none is shown. */
  house: number | null;
  window?: readonly [number, number];
  /** A rule from 0 stops one step short of it, unless nothing at all is an answer. */
  zero?: boolean;
  onValue: (v: number) => void;
};
const WIDTH = 452;
const LINE = 26;
/** Room for the last figures. */
const PAD = 18;

/** One control as a rule: filled mark now, open mark house, bracket its window. Arrows move it, with Shift by ten. */
export function Rule({
  name,
  value,
  range: [low, high],
  step,
  tick,
  text,
  figure,
  unit,
  house,
  window: w,
  zero = false,
  onValue,
}: Props) {
  const line = useRef<SVGSVGElement>(null);
  const x = (v: number) =>
    PAD + ((Math.min(high, Math.max(low, v)) - low) / (high - low)) * (WIDTH - 2 * PAD);
  const set = (v: number) =>
    onValue(
      Number(
        Math.min(
          high,
          Math.max(low === 0 && zero === false ? step : low, Math.round(v / step) * step),
        ).toFixed(3),
      ),
    );
  const at = (e: PointerEvent) => {
    const box = line.current?.getBoundingClientRect();
    if (box)
      set(
        low +
          ((((e.clientX - box.left) / box.width) * WIDTH - PAD) / (WIDTH - 2 * PAD)) * (high - low),
      );
  };
  const onKey = (e: KeyboardEvent) => {
    const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[e.key];
    if (!by) return;
    e.preventDefault();
    set(value + by * step * (e.shiftKey ? 10 : 1));
  };
  const ticks = Array.from(
    { length: Math.floor((high - low) / tick) + 1 },
    (_, i) => Math.ceil(low / tick) * tick + i * tick,
  ).filter((t) => t <= high);
  return (
    <div className="rule-row">
      <span className="name">{name}</span>
      <span className="value">
        {figure}
        <i>{unit}</i>
      </span>
      <svg
        ref={line}
        width={WIDTH}
        height="52"
        viewBox={`0 0 ${WIDTH} 52`}
        tabIndex={0}
        role="slider"
        aria-label={name}
        aria-valuemin={low}
        aria-valuemax={high}
        aria-valuenow={value}
        aria-valuetext={text(value)}
        onKeyDown={onKey}
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          at(e);
        }}
        onPointerMove={(e) => {
          if (e.buttons) at(e);
        }}
      >
        <rect x="0" y="0" width={WIDTH} height="52" fill="transparent" />
        {w && (
          <path
            d={`M${x(w[0])} ${LINE - 1}v-9H${x(w[1])}v9`}
            fill="none"
            stroke="var(--accent)"
            strokeWidth="3"
          />
        )}
        <path d={`M0 ${LINE}H${WIDTH}`} stroke="var(--ink)" strokeWidth="2" />
        {ticks.map((t) => (
          <g key={t}>
            <path d={`M${x(t)} ${LINE}v5`} stroke="var(--ink)" strokeWidth="1" />
            <text x={x(t)} y={LINE + 20} fontSize="13" textAnchor="middle" fill="var(--ink-2)">
              {text(t)}
            </text>
          </g>
        ))}
        {house !== null && house !== value && (
          <LevelMark x={x(house)} y={LINE - 1} size={12} className="open" />
        )}
        <LevelMark x={x(value)} y={LINE - 1} size={18} />
      </svg>
      <button
        type="button"
        className="btn step"
        aria-label={`Less ${name.toLowerCase()}`}
        onClick={() => set(value - step)}
      >
        −
      </button>
      <button
        type="button"
        className="btn step"
        aria-label={`More ${name.toLowerCase()}`}
        onClick={() => set(value + step)}
      >
        +
      </button>
    </div>
  );
}
