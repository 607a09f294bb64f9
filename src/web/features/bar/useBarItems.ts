import { useMemo, useRef } from 'react';
import type { EpochMs } from '#core/units';
import type { BarBrew } from '../../entities/brews/barBrews';
import { type BarItem, barItems, reuseItems } from '../../entities/brews/barItems';
import { useUnits } from '../../entities/people/session';

/** The brews as they are drawn now; an item that is drawn as before is the same object as before. */
export function useBarItems(brews: readonly BarBrew[], now: EpochMs): readonly BarItem[] {
  const { volume, temperature } = useUnits();
  const before = useRef<readonly BarItem[]>([]);
  return useMemo(() => {
    before.current = reuseItems(before.current, barItems(brews, now, { volume, temperature }));
    return before.current;
  }, [brews, now, volume, temperature]);
}
