import { BAR_SLOTS } from '#contracts/limits';
import type { BarItem } from '../../entities/brews/barItems';
import { ShelfRow } from '../../entities/brews/Shelf';
import type { BarLayout } from '../../entities/brews/useBarLayout';
import { BrewControls, BrewDrawing } from './Column';
import type { BrewActs } from './useBrewActs';

const SHELF = 6;

type ShelvesProps = {
  shown: readonly BarItem[];
  layout: BarLayout;
  acts: BrewActs;
  locked: boolean;
  picked: number | null;
  free: React.ReactNode;
};

/**
 * Brews in rows of shelves; a place keeps its place, a free one shows nothing but, in the first, what waits or can be
 * brewed again.
 */
export function Shelves({ shown, layout, acts, locked, picked, free: inFree }: ShelvesProps) {
  const last = Math.max(SHELF, ...shown.map((s) => s.brew.place));
  const places = Math.min(BAR_SLOTS, Math.max(SHELF, Math.ceil(last / SHELF) * SHELF));
  const slots = Array.from(
    { length: Math.ceil(places / layout.columns) * layout.columns },
    (_, i) => shown.find((s) => s.brew.place === i + 1),
  );
  const free = slots.findIndex((s, i) => !s && slots.slice(i).every((x) => !x));
  const rows = Array.from({ length: slots.length / layout.columns }, (_, r) =>
    slots.slice(r * layout.columns, (r + 1) * layout.columns),
  ).filter((row, r) => row.some(Boolean) || Math.floor(free / layout.columns) === r);
  return (
    <div
      className="shelves"
      style={{ ['--time' as string]: layout.time, ['--time-line' as string]: layout.timeLine }}
    >
      {rows.map((row, r) => (
        <ShelfRow
          key={r}
          layout={layout}
          slots={row.map(
            (s) =>
              s && {
                key: s.brew.id,
                drawn: <BrewDrawing shown={s} layout={layout} />,
                under: (
                  <BrewControls
                    {...{ shown: s, layout, acts, locked }}
                    picked={picked === s.brew.place}
                  />
                ),
              },
          )}
          free={(c) => (free === r * layout.columns + c && c > 0 ? inFree : null)}
        />
      ))}
    </div>
  );
}
