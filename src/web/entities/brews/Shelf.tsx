import { Fragment, type ReactNode } from 'react';
import { type Liquor, tint } from '#core/colour';
import type { Window } from '#core/recipes';
import { oneTap } from '../../ui/keys';
import type { BrewStatus } from './status';
import { type Axis, AxisLabels, Tube } from './Tube';
import type { BarLayout } from './useBarLayout';

// Vessels on a shelf under the pull line, as the bar and a shift of School draw them.

/** One place of a shelf: what is drawn on it, and what stands under it. */
export type Slot = {
  readonly key: string | number;
  readonly drawn: ReactNode;
  readonly under: ReactNode;
};
/** A shelf with the time axis at its left and the pull line through its vessels. */
export function ShelfRow({
  layout: { axis, columns, columnWidth, columnPx },
  slots,
  free = () => null,
}: {
  layout: BarLayout;
  /** As many as there are columns; undefined: the place is free. */
  slots: readonly (Slot | undefined)[];
  /** What stands in a free place. */
  free?: (column: number) => ReactNode;
}) {
  const taken = slots.reduce((n, slot, c) => (slot ? c + 1 : n), 0);
  return (
    <div
      className="shelf"
      style={{ gridTemplateColumns: `44px repeat(${columns}, ${columnWidth})` }}
    >
      <AxisLabels axis={axis} />
      {slots.map((slot, c) =>
        slot ? (
          <Fragment key={slot.key}>{slot.drawn}</Fragment>
        ) : (
          <div key={c} className="free" style={{ height: axis.height }}>
            {free(c)}
          </div>
        ),
      )}
      <div className="pull" style={{ top: axis.pull, right: 'auto', width: taken * columnPx }} />
      <div />
      {slots.map((slot, c) =>
        slot ? <Fragment key={slot.key}>{slot.under}</Fragment> : <div key={c} />,
      )}
    </div>
  );
}

type Steep = {
  readonly window: Window;
  /** Seconds until best; null: the water is not on. */
  readonly left: number | null;
  readonly liquor: Liquor | null;
};
/** A vessel on its shelf beside its tube, with its name. */
export function VesselField({
  name,
  layout: { axis, vesselLeft },
  window,
  left,
  liquor,
  tube,
  tea,
  where,
  children,
}: Steep & {
  name: BrewStatus['name'];
  layout: BarLayout;
  /** Whether the tube is drawn: not of a vessel whose leaf is out. */
  tube: boolean;
  tea: string;
  where: ReactNode;
  /** The vessel. */
  children: ReactNode;
}) {
  return (
    <div className={`field ${name}`} style={{ height: axis.height }}>
      {tube && (
        <svg width={48} height={axis.height} viewBox={`0 0 48 ${axis.height}`} aria-hidden="true">
          <Tube {...{ axis, window, left }} colour={liquor ? tint(liquor) : null} />
        </svg>
      )}
      <div className="standing" style={{ left: vesselLeft }}>
        {children}
      </div>
      <div className="label">
        <span className="tea">{tea}</span>
        <span className="where">{where}</span>
      </div>
    </div>
  );
}

/** Where a vessel stands in a row of a phone, px. */
const ROW_VESSEL_LEFT = 44;
const TOO_LONG = 4;
/** On a phone a vessel is a row that is one button. */
export function VesselRow({
  status,
  axis,
  window,
  left,
  liquor,
  isDrained,
  tea,
  words,
  label,
  disabled = false,
  onPress,
  children,
}: Steep & {
  status: Pick<BrewStatus, 'name' | 'short' | 'figure' | 'late'>;
  axis: Axis;
  isDrained: boolean;
  tea: string;
  words: ReactNode;
  label: string;
  disabled?: boolean;
  onPress: () => void;
  /** The vessel. */
  children: ReactNode;
}) {
  return (
    <button
      type="button"
      className={`row ${status.name}`}
      disabled={disabled}
      onClick={oneTap(onPress)}
      aria-label={label}
    >
      <span className="drawn" style={{ height: axis.height }}>
        <svg width={48} height={axis.height} viewBox={`0 0 48 ${axis.height}`} aria-hidden="true">
          {!isDrained && (
            <>
              <Tube
                {...{ axis, window, left, x: 18, width: 12 }}
                colour={liquor ? tint(liquor) : null}
              />
              <path d={`M14 ${axis.pull}H46`} stroke="var(--ink)" strokeWidth="1.5" />
            </>
          )}
        </svg>
        <span className="standing" style={{ left: ROW_VESSEL_LEFT }}>
          {children}
        </span>
      </span>
      <span className="w">
        <span className="tea">{tea}</span>
        <span className="pos">{words}</span>
      </span>
      <span className="plate">
        <span>{status.short}</span>
        <b className={status.figure.length + (status.late ? 1 : 0) > TOO_LONG ? 'long' : ''}>
          {status.late && <i>+</i>}
          {status.figure}
        </b>
      </span>
    </button>
  );
}
