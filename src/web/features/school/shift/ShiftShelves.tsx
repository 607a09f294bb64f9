import { memo, useMemo } from 'react';
import { colourOfBrew, type Liquor, tint } from '#core/colour';
import {
  houseCupOf,
  type OrderStand,
  type ShiftCup,
  type ShiftHand,
  type ShiftStand,
  steepedS,
} from '#core/training';
import { grams, millilitres, seconds } from '#core/units';
import { Plate } from '../../../entities/brews/Plate';
import { ShelfRow, VesselField, VesselRow } from '../../../entities/brews/Shelf';
import type { BarLayout } from '../../../entities/brews/useBarLayout';
import { VesselDrawing } from '../../../entities/vessels/VesselDrawing';
import { oneTap } from '../../../ui/keys';
import { handAt } from './model';
import { handWords, type VesselStatus, vesselStatus, windowOf } from './words';

/** A vessel as it stands: with its tea, or with the order that waits for it. */
type Standing = {
  readonly index: number;
  readonly cup: ShiftCup;
  readonly order: OrderStand | null;
  /** What the guests of the shift call it. */
  readonly orderNumber: number | null;
  readonly hand: ShiftHand | null;
  readonly status: VesselStatus;
};
function standingAt(stand: ShiftStand, cup: ShiftCup, index: number, now: number): Standing {
  const next = handAt(stand, index);
  const order = next ? (stand.orders[next.order] ?? null) : null;
  return {
    ...{ index, cup, order, orderNumber: next ? next.order + 1 : null },
    ...{ hand: next?.hand ?? null, status: vesselStatus(cup, order, now) },
  };
}

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
  const standing = cups.map((cup, i) => standingAt(stand, cup, i, now));
  const { columns } = layout;
  const rows = Array.from({ length: Math.ceil(cups.length / columns) }, (_, r) =>
    Array.from({ length: columns }, (_column, c) => standing[r * columns + c]),
  );
  return (
    <div
      className="shelves scroll"
      style={{ ['--time' as string]: layout.time, ['--time-line' as string]: layout.timeLine }}
      role="group"
      aria-label="Vessels"
      tabIndex={0}
    >
      {layout.kind === 'phone'
        ? standing.map((s) => (
            <OnPhone key={s.index} {...{ s, layout, now }} onHand={() => onHand(s.index)} />
          ))
        : rows.map((row, r) => (
            <ShelfRow
              key={r}
              layout={layout}
              slots={row.map(
                (s) =>
                  s && {
                    key: s.index,
                    drawn: <Drawn {...{ s, layout, now }} />,
                    under: (
                      <Controls
                        s={s}
                        isPicked={picked === s.index}
                        onHand={() => onHand(s.index)}
                      />
                    ),
                  },
              )}
            />
          ))}
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
const isDrained = ({ status }: Standing): boolean => status.name === 'pulled';
const orderText = ({ orderNumber, order }: Standing): string =>
  [orderNumber === null ? '' : `, order ${orderNumber}`, order?.lid === 'off' ? ', lid off' : '']
    .filter(Boolean)
    .join('');

function Drawn({ s, layout, now }: { s: Standing; layout: BarLayout; now: number }) {
  const liquor = useLiquor(s, now);
  return (
    <VesselField
      {...{ name: s.status.name, layout, window: windowOf(s.cup), left: s.status.left, liquor }}
      tube={!isDrained(s)}
      tea={s.cup.tea}
      where={`${s.index + 1} · ${s.cup.vessel}${orderText(s)}`}
    >
      <Vessel s={s} scale={layout.scale} liquor={liquor} />
    </VesselField>
  );
}
function buttonLook(name: string): string {
  if (name === 'late') return 'late';
  return name === 'window' || name === 'past' ? 'go' : '';
}
function Controls({
  s: { cup, hand, status },
  isPicked,
  onHand,
}: {
  s: Standing;
  isPicked: boolean;
  onHand: () => void;
}) {
  return (
    <div className={`under ${status.name} ${isPicked ? 'picked' : ''}`} data-vessel={cup.vessel}>
      <Plate status={status} />
      <p className="step">{status.step}</p>
      <div className="act">
        <button
          type="button"
          className={`btn ${buttonLook(status.name)}`}
          disabled={hand === null}
          onClick={oneTap(onHand)}
        >
          {handWords(hand, status)}
          <span className="visually-hidden">: {cup.vessel}</span>
        </button>
      </div>
    </div>
  );
}
function OnPhone({
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
  const { cup, status, hand } = s;
  const liquor = useLiquor(s, now);
  return (
    <VesselRow
      {...{ status, axis, window: windowOf(cup), left: status.left, liquor }}
      isDrained={isDrained(s)}
      tea={cup.tea}
      words={`${cup.vessel}${orderText(s)}. ${status.step}`}
      label={`${handWords(hand, status)}: ${cup.vessel}, ${cup.tea}, ${status.over.toLowerCase()} ${status.figure}`}
      disabled={hand === null}
      onPress={onHand}
    >
      <Vessel s={s} scale={scale} liquor={liquor} />
    </VesselRow>
  );
}
