import type { PointerEvent } from 'react';
import { type FillGiven, waterBelow } from '#core/training';
import { millilitres } from '#core/units';
import { penFor, type SolvedVessel, solveVessel } from '#core/vessels';
import { VesselDrawing } from '../../../entities/vessels/VesselDrawing';

/** A vessel is drawn so high, px. */
const DRAWN_HIGH = 230;
/** Lines of a scale lie so far from each other, the first that leaves at most eight of them, ml. */
const SCALE_STEPS = [10, 20, 25, 50, 100, 250, 500];
const MOST_LINES = 8;

/** A vessel whose water is pulled up and down by hand. */
export function FillScene({
  given,
  value,
  isDone,
  truth,
  onValue,
}: {
  given: FillGiven;
  /** Level in percent of the inside height. */
  value: number | null;
  isDone: boolean;
  truth: number;
  onValue: (value: number) => void;
}) {
  const { vessel, ask, wantedMl } = given;
  const { kind, brimMl } = vessel;
  const solved = solveVessel(kind, millilitres(brimMl));
  const level = value ?? 0;
  return (
    <div className="mt-4">
      <VesselDrawing
        vessel={{
          ...{ kind, brim: millilitres(brimMl), mark: millilitres(wantedMl) },
          ...{ basket: null, infuser: 'free', material: 'glass' },
        }}
        scale={DRAWN_HIGH / solved.height}
        fill={millilitres(waterBelow(given, level))}
        water
        // The line that is to be found is seen before the answer at the first level only.
        mark={ask === 'line' || isDone}
        level
        label={
          isDone
            ? `${vessel.name}, water to ${level} %, wanted ${Math.round(truth)} %`
            : `${vessel.name}, water to ${level} % of the height`
        }
        extra={({ scale }) => (
          <>
            {ask === 'ticks' && <ScaleLines {...{ solved, brimMl, scale }} />}
            {!isDone && <Pull {...{ solved, scale, onValue }} />}
          </>
        )}
      />
    </div>
  );
}

/** Lines of a measuring jug on the wall. */
function ScaleLines({
  solved,
  brimMl,
  scale,
}: {
  solved: SolvedVessel;
  brimMl: number;
  scale: number;
}) {
  const { x, y } = penFor(scale);
  const step = SCALE_STEPS.find((s) => brimMl / s <= MOST_LINES) ?? 1000;
  const lines = Array.from({ length: Math.floor(brimMl / step) }, (_, i) => (i + 1) * step);
  return lines.map((ml) => {
    const at = solved.levelOf(millilitres(ml));
    const half = solved.radiusAt(at);
    return (
      <g key={ml}>
        <path d={`M${x(half * 0.55)} ${y(at)}H${x(half)}`} stroke="var(--ink)" strokeWidth="1.5" />
        <text x={x(half * 0.5)} y={y(at) + 4} fontSize="13" textAnchor="end" fill="var(--ink)">
          {ml}
        </text>
      </g>
    );
  });
}
/** The inside as a surface that is pulled; the rule beside it does the same by keys. */
function Pull({
  solved,
  scale,
  onValue,
}: {
  solved: SolvedVessel;
  scale: number;
  onValue: (value: number) => void;
}) {
  const { x, y, px } = penFor(scale);
  const at = (e: PointerEvent<SVGRectElement>) => {
    const box = e.currentTarget.getBoundingClientRect();
    const share = (box.bottom - e.clientY) / box.height;
    onValue(Math.round(200 * Math.min(1, Math.max(0, share))) / 2);
  };
  return (
    <rect
      role="presentation"
      x={x(-solved.radius * 1.1)}
      y={y(solved.height)}
      width={px(solved.radius * 2.2)}
      height={px(solved.height)}
      fill="transparent"
      style={{ cursor: 'ns-resize', touchAction: 'none' }}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        at(e);
      }}
      onPointerMove={(e) => {
        if (e.buttons) at(e);
      }}
    />
  );
}
