import { useEffect, useState } from 'react';
import type { Axis } from '../../ui/vessel';

export type BarLayout = { readonly kind: 'desk' | 'tablet' | 'phone'; readonly columns: number; readonly axis: Axis; readonly scale: number; readonly columnWidth: string; readonly columnPx: number; readonly time: string; readonly timeLine: string; readonly vesselLeft: number };

function layoutFor(width: number, height: number): BarLayout {
  if (width < 600) return { kind: 'phone', columns: 1, axis: { height: 100, pull: 36, k: 19 }, scale: 0.46, columnWidth: '', columnPx: 0, time: '54px', timeLine: '52px', vesselLeft: 42 };
  if (width < 1000) return { kind: 'tablet', columns: 3, axis: { height: 218, pull: 90, k: 38 }, scale: 0.76, columnWidth: 'minmax(0, 250px)', columnPx: 250, time: '96px', timeLine: '84px', vesselLeft: 56 };
  const field = Math.max(220, Math.min(318, height - 482));
  return { kind: 'desk', columns: 6, axis: { height: field, pull: Math.round(0.415 * field), k: Math.round(0.1635 * field) }, scale: field < 300 ? 0.7 : 0.86, columnWidth: 'minmax(0, 202px)', columnPx: 202, time: '86px', timeLine: '76px', vesselLeft: 42 };
}

/** The bar's measures for this window, as docs/look.md gives them. */
export function useBarLayout(): BarLayout {
  const [layout, setLayout] = useState(() => layoutFor(innerWidth, innerHeight));
  useEffect(() => {
    const measure = () => setLayout(layoutFor(innerWidth, innerHeight));
    addEventListener('resize', measure);
    return () => removeEventListener('resize', measure);
  }, []);
  return layout;
}
