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
};

/**
 * The rows a full bar is drawn in leave so much for a field, after head, next row, edge and what stands under a
 * shelf, px.
 */
const DESK_REST = 52 + 58 + 60 + 2 * 178 + 12;
const TABLET_REST = 52 + 78 + 60 + 4 * 158 + 6;

/** The measures of a window of so many px for so many brews. Pure. */
export function layoutFor(width: number, height: number, many: number): BarLayout {
  const full = many > 6;
  if (width < 600)
    return {
      kind: 'phone',
      full,
      columns: 1,
      axis: { height: 100, pull: 36, k: 19 },
      scale: 0.46,
      columnWidth: '',
      columnPx: 0,
      time: '54px',
      timeLine: '52px',
      vesselLeft: 42,
    };
  if (width < 1000) {
    if (full) {
      const field = Math.max(
        64,
        Math.min(134, Math.floor((height - TABLET_REST) / Math.ceil(many / 3))),
      );
      return {
        kind: 'tablet',
        full,
        columns: 3,
        axis: { height: field, pull: Math.round(0.42 * field), k: Math.round(0.157 * field) },
        scale: field > 100 ? 0.46 : 0.34,
        columnWidth: 'minmax(0, 250px)',
        columnPx: 250,
        time: '64px',
        timeLine: '58px',
        vesselLeft: 56,
      };
    }
    return {
      kind: 'tablet',
      full,
      columns: 3,
      axis: { height: 218, pull: 90, k: 38 },
      scale: 0.76,
      columnWidth: 'minmax(0, 250px)',
      columnPx: 250,
      time: '96px',
      timeLine: '84px',
      vesselLeft: 56,
    };
  }
  if (full) {
    const field = Math.max(86, Math.min(150, Math.floor((height - DESK_REST) / 2)));
    return {
      kind: 'desk',
      full,
      columns: 6,
      axis: { height: field, pull: Math.round(0.418 * field), k: Math.round(0.157 * field) },
      scale: field > 110 ? 0.52 : 0.38,
      columnWidth: 'minmax(0, 202px)',
      columnPx: 202,
      time: '70px',
      timeLine: '66px',
      vesselLeft: 42,
    };
  }
  const field = Math.max(220, Math.min(318, height - 506));
  return {
    kind: 'desk',
    full,
    columns: 6,
    axis: { height: field, pull: Math.round(0.415 * field), k: Math.round(0.1635 * field) },
    scale: field < 300 ? 0.7 : 0.86,
    columnWidth: 'minmax(0, 202px)',
    columnPx: 202,
    time: '86px',
    timeLine: '76px',
    vesselLeft: 42,
  };
}

/** The bar's measures for this window and so many brews. */
export function useBarLayout(many: number): BarLayout {
  const [[width, height], setSize] = useState(() => [innerWidth, innerHeight] as const);
  useEffect(() => {
    const measure = () => setSize([innerWidth, innerHeight]);
    addEventListener('resize', measure);
    return () => removeEventListener('resize', measure);
  }, []);
  return useMemo(() => layoutFor(width, height, many), [width, height, many]);
}
