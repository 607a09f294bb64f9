import { useEffect, useMemo, useState } from 'react';
import type { Axis } from './Tube';

export type BarLayout = {
  readonly kind: 'desk' | 'tablet' | 'phone';
  readonly columns: number;
  readonly axis: Axis;
  readonly scale: number;
  readonly columnWidth: string;
  readonly columnPx: number;
  readonly time: string;
  readonly timeLine: string;
  readonly vesselLeft: number;
  /**
   * More than six are running, or one stands past the sixth place: the same in less room, without what no hand needs.
   */
  readonly full: boolean;
  /** Three at most are running on a wide screen: each is drawn twice as wide, and is read from across the room. */
  readonly roomy: boolean;
};

/**
 * The rows a full bar is drawn in leave so much for a field, after head, next row, edge and what stands under a
 * shelf, px.
 */
const DESK_REST = 52 + 58 + 60 + 2 * 178 + 12;
const TABLET_REST = 52 + 78 + 60 + 4 * 158 + 6;
/** What else stands over and under the fields of a bar that is not full; more where the time is drawn larger. */
const [ONE_SHELF_REST, ROOMY_REST] = [506, 522];

const PHONE = {
  kind: 'phone',
  columns: 1,
  axis: { height: 100, pull: 36, k: 19 },
  scale: 0.46,
  columnWidth: '',
  columnPx: 0,
  time: '54px',
  timeLine: '52px',
  vesselLeft: 42,
  roomy: false,
} as const;
const TABLET = {
  kind: 'tablet',
  columns: 3,
  columnWidth: 'minmax(0, 250px)',
  columnPx: 250,
  vesselLeft: 56,
  roomy: false,
} as const;
const DESK = {
  kind: 'desk',
  columns: 6,
  columnWidth: 'minmax(0, 202px)',
  columnPx: 202,
  vesselLeft: 42,
  roomy: false,
} as const;
/** So many columns of a roomy bar; with more brews each takes half of that. */
const ROOMY = 3;
const ROOMY_DESK = {
  kind: 'desk',
  columns: ROOMY,
  columnWidth: 'minmax(0, 404px)',
  columnPx: 404,
  vesselLeft: 64,
  roomy: true,
} as const;

const within = (least: number, value: number, most: number) =>
  Math.max(least, Math.min(most, value));
/** An axis of so many px: the shares of its height at which the pull line is, and which half a minute takes. */
const axisOf = (height: number, pull: number, k: number): Axis => ({
  height,
  pull: Math.round(pull * height),
  k: Math.round(k * height),
});

function tabletFor(height: number, many: number, full: boolean): BarLayout {
  if (!full)
    return {
      ...TABLET,
      full,
      axis: { height: 218, pull: 90, k: 38 },
      scale: 0.76,
      time: '96px',
      timeLine: '84px',
    };
  const field = within(64, Math.floor((height - TABLET_REST) / Math.ceil(many / 3)), 134);
  return {
    ...TABLET,
    full,
    axis: axisOf(field, 0.42, 0.157),
    scale: field > 100 ? 0.46 : 0.34,
    time: '64px',
    timeLine: '58px',
  };
}
function deskFor(height: number, many: number, full: boolean): BarLayout {
  if (full) {
    const field = within(86, Math.floor((height - DESK_REST) / 2), 150);
    return {
      ...DESK,
      full,
      axis: axisOf(field, 0.418, 0.157),
      scale: field > 110 ? 0.52 : 0.38,
      time: '70px',
      timeLine: '66px',
    };
  }
  const isRoomy = many <= ROOMY;
  const field = within(220, height - (isRoomy ? ROOMY_REST : ONE_SHELF_REST), 318);
  if (isRoomy)
    return {
      ...ROOMY_DESK,
      full,
      axis: axisOf(field, 0.415, 0.1635),
      scale: field < 300 ? 1 : 1.2,
      time: '128px',
      timeLine: '112px',
    };
  return {
    ...DESK,
    full,
    axis: axisOf(field, 0.415, 0.1635),
    scale: field < 300 ? 0.7 : 0.86,
    time: '86px',
    timeLine: '76px',
  };
}
/** The measures of a window of so many px for so many brews. Pure. */
export function layoutFor(width: number, height: number, many: number): BarLayout {
  const full = many > 6;
  if (width < 600) return { ...PHONE, full };
  return width < 1000 ? tabletFor(height, many, full) : deskFor(height, many, full);
}

/** The bar's measures for this window and so many brews; `taken` px of its height are another part's. */
export function useBarLayout(many: number, taken = 0): BarLayout {
  const [[width, height], setSize] = useState(() => [innerWidth, innerHeight] as const);
  useEffect(() => {
    const measure = () => setSize([innerWidth, innerHeight]);
    addEventListener('resize', measure);
    return () => removeEventListener('resize', measure);
  }, []);
  return useMemo(() => layoutFor(width, height - taken, many), [width, height, taken, many]);
}
