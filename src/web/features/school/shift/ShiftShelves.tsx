import { memo, useMemo } from 'react';
import { colourOfBrew, type Liquor, tint } from '#core/colour';
import {
  houseCupOf,
  isSteeping,
  type OrderStand,
  type ShiftCup,
  type ShiftHand,
  type ShiftStand,
  steepedS,
} from '#core/training';
import { grams, millilitres, seconds } from '#core/units';
import { Plate } from '../../../entities/brews/Plate';
import { AxisLabels, Tube } from '../../../entities/brews/Tube';
import type { BarLayout } from '../../../entities/brews/useBarLayout';
import { VesselDrawing } from '../../../entities/vessels/VesselDrawing';
import { oneTap } from '../../../ui/keys';
import { handAt } from './model';
import { handWords, vesselStatus } from './words';

type Standing = {
  readonly index: number;
  readonly cup: ShiftCup;
  /** What stands in the vessel, or the order that waits for it. */
  readonly order: OrderStand | null;
  readonly orderNumber: number | null;
};
function standingAt(stand: ShiftStand, cup: ShiftCup, index: number): Standing {
  const next = handAt(stand, index);
  const order = next ? (stand.orders[next.order] ?? null) : null;
  return { index, cup, order, orderNumber: next ? next.order + 1 : null };
}
const windowOf = (cup: ShiftCup) => ({
  earliest: seconds(cup.earliest),
  best: seconds(cup.seconds),
  latest: seconds(cup.latest),
});

/** The vessels of the shift as the bar draws them. */
export function ShiftShelves({
  stand,
  cups,
  layout,
  now,
  picked,
  onHand,
}: {
  stand: ShiftStand;
  cups: readonly ShiftCup[];
  layout: BarLayout;
  now: number;
  picked: number;
  onHand: (cup: number) => void;
}) {
  const standing = cups.map((cup, i) => standingAt(stand, cup, i));
  const { columns } = layout;
  const rows = Array.from({ length: Math.ceil(cups.length / columns) }, (_, r) =>
    standing.slice(r * columns, (r + 1) * columns),
  );
  return (
    <div
      className="shelves scroll"
      style={{ ['--time' as string]: layout.time, ['--time-line' as string]: layout.timeLine }}
      role="group"
      aria-label="Vessels"
      tabIndex={0}
    >
      {rows.map((row, r) =>
        layout.kind === 'phone' ? (
          row.map((s) => (
            <PhoneRow key={s.index} {...{ s, layout, now }} onHand={() => onHand(s.index)} />
          ))
        ) : (
          <div
            className="shelf"
            key={r}
            style={{ gridTemplateColumns: `44px repeat(${columns}, ${layout.columnWidth})` }}
          >
            <AxisLabels axis={layout.axis} />
            {Array.from({ length: columns }, (_, c) => {
              const s = row[c];
              return s ? (
                <Drawn key={s.index} {...{ s, layout, now }} />
              ) : (
                <div key={`f${c}`} className="free" style={{ height: layout.axis.height }} />
              );
            })}
            <div
              className="pull"
              style={{
                ...{ top: layout.axis.pull, right: 'auto' },
                width: row.length * layout.columnPx,
              }}
            />
            <div />
            {row.map((s) => (
              <Controls
                key={s.index}
                {...{ s, now, isPicked: picked === s.index }}
                hand={handAt(stand, s.index)?.hand ?? null}
                onHand={() => onHand(s.index)}
              />
            ))}
          </div>
        ),
      )}
    </div>
  );
}

/** The liquor in the vessel, anew each second of the shift; null: there is none. */
function useLiquor({ cup, order }: Standing, now: number): Liquor | null {
  const exact = order && steepedS(order, now);
  const steeped = exact === null ? null : Math.floor(exact);
  return useMemo(
    () =>
      steeped === null
        ? null
        : colourOfBrew({ ...houseCupOf(cup).brew, time: seconds(steeped) }, seconds(steeped)),
    [cup, steeped],
  );
}
const leftOf = ({ cup, order }: Standing, now: number): number | null =>
  order && isSteeping(order) ? (order.pouredS ?? 0) + cup.seconds - now : null;

/** The vessel with its liquor, drawn anew only when a shade of it changes. */
const Vessel = memo(
  function Vessel({
    s: { cup, order },
    scale,
    liquor,
  }: {
    s: Standing;
    scale: number;
    liquor: Liquor | null;
  }) {
    const isOn = order !== null && order.pouredS !== null && order.pulledS === null;
    return (
      <VesselDrawing
        vessel={{
          ...{ kind: cup.kind, brim: millilitres(cup.capacityMl), mark: millilitres(cup.waterMl) },
          ...{ infuser: cup.infuser, material: cup.material },
          basket: cup.basketMl === null ? null : millilitres(cup.basketMl),
        }}
        scale={scale}
        fill={liquor ? millilitres(cup.waterMl) : undefined}
        liquor={liquor}
        leaf={isOn ? grams(cup.leafGrams) : grams(0)}
        lid={cup.lid && isOn && order.lid === 'on'}
        level
        bowl={false}
        label=""
      />
    );
  },
  (a, b) =>
    a.scale === b.scale &&
    a.s.cup === b.s.cup &&
    a.s.order?.lid === b.s.order?.lid &&
    a.s.order?.pulledS === b.s.order?.pulledS &&
    (a.liquor ? tint(a.liquor, 5) : '') === (b.liquor ? tint(b.liquor, 5) : ''),
);

function Drawn({ s, layout, now }: { s: Standing; layout: BarLayout; now: number }) {
  const { cup, order, orderNumber } = s;
  const { axis, scale, vesselLeft } = layout;
  const liquor = useLiquor(s, now);
  const status = vesselStatus(cup, order, now);
  const isPulled = order !== null && order.pulledS !== null;
  return (
    <div className={`field ${status.name}`} style={{ height: axis.height }}>
      {!isPulled && (
        <svg width={48} height={axis.height} viewBox={`0 0 48 ${axis.height}`} aria-hidden="true">
          <Tube
            axis={axis}
            window={windowOf(cup)}
            left={leftOf(s, now)}
            colour={liquor ? tint(liquor) : null}
          />
        </svg>
      )}
      <div className="shift-vessel" style={{ left: vesselLeft }}>
        <Vessel s={s} scale={scale} liquor={liquor} />
      </div>
      <div className="label">
        <span className="tea">{cup.tea}</span>
        <span className="where">
          {s.index + 1} · {cup.vessel}
          {orderNumber !== null && `, order ${orderNumber}`}
          {order?.lid === 'off' && ', lid off'}
        </span>
      </div>
    </div>
  );
}
const isUrgent = (name: string) => name === 'window' || name === 'past';
function buttonLook(name: string): string {
  if (name === 'late') return 'late';
  return isUrgent(name) ? 'go' : '';
}

function Controls({
  s,
  now,
  hand,
  isPicked,
  onHand,
}: {
  s: Standing;
  now: number;
  hand: ShiftHand | null;
  isPicked: boolean;
  onHand: () => void;
}) {
  const status = vesselStatus(s.cup, s.order, now);
  return (
    <div className={`under ${status.name} ${isPicked ? 'picked' : ''}`} data-vessel={s.cup.vessel}>
      <Plate status={status} />
      <p className="step">{status.step}</p>
      <div className="act">
        <button
          type="button"
          className={`btn ${buttonLook(status.name)}`}
          disabled={hand === null}
          onClick={oneTap(onHand)}
        >
          {hand === null ? 'Free' : handWords(hand, s.cup, s.order, now)}
          <span className="visually-hidden">: {s.cup.vessel}</span>
        </button>
      </div>
    </div>
  );
}
/** On a phone a vessel is a row that is one button. */
function PhoneRow({
  s,
  layout: { axis, scale },
  now,
  onHand,
}: {
  s: Standing;
  layout: BarLayout;
  now: number;
  onHand: () => void;
}) {
  const { cup, order, orderNumber } = s;
  const liquor = useLiquor(s, now);
  const status = vesselStatus(cup, order, now);
  const isPulled = order !== null && order.pulledS !== null;
  return (
    <button
      type="button"
      className={`row ${status.name}`}
      onClick={oneTap(onHand)}
      disabled={order === null}
      aria-label={`${cup.vessel}, ${cup.tea}: ${status.over.toLowerCase()} ${status.figure}`}
    >
      <span className="shift-phone" style={{ height: axis.height }}>
        <svg width={48} height={axis.height} viewBox={`0 0 48 ${axis.height}`} aria-hidden="true">
          {!isPulled && (
            <Tube
              {...{ axis, window: windowOf(cup), left: leftOf(s, now), x: 18, width: 12 }}
              colour={liquor ? tint(liquor) : null}
            />
          )}
        </svg>
        <span className="shift-vessel" style={{ left: 44 }}>
          <Vessel s={s} scale={scale} liquor={liquor} />
        </span>
      </span>
      <span className="w">
        <span className="tea">{cup.tea}</span>
        <span className="pos">
          {cup.vessel}
          {orderNumber === null ? '' : `, order ${orderNumber}`}. {status.step}
        </span>
      </span>
      <span className="plate">
        <span>{status.over.split(',')[0]}</span>
        <b className={status.figure.length > 4 ? 'long' : ''}>
          {status.late && <i>+</i>}
          {status.figure}
        </b>
      </span>
    </button>
  );
}
