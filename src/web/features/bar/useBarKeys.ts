import { useState } from 'react';
import type { Order } from '#contracts/brews';
import type { BarItem } from '../../entities/brews/barItems';
import { useGo } from '../../platform/useGo';
import { type KeyBinding, useKeys } from '../../ui/keys';
import type { BarSheet, BrewActs } from './useBrewActs';

/** Keys that do the next thing at a place. */
const PLACE_KEYS = ['q', 'w', 'e', 'r', 't', 'y'];
/** Keys that pick a place: the figures, and the two beside them. */
const PICK_KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0', '-', '='];

type Keys = {
  items: readonly BarItem[];
  first: BarItem | undefined;
  orders: readonly Order[];
  acts: BrewActs;
  locked: boolean;
  onSheet: (sheet: BarSheet) => void;
  onStartOrder: (order: Order) => void;
};
/** The keys of the bar. @returns the place that is picked, counted from 1 */
export function useBarKeys(keys: Keys): number | null {
  const { items, first, orders, acts, locked, onSheet, onStartOrder } = keys;
  const [picked, setPicked] = useState<number | null>(null);
  const go = useGo();
  const at = (place: number | null) => items.find((item) => item.brew.place === place);
  const nextAt = (item: BarItem | undefined) => item && acts.next(item);
  const [order] = orders;
  const chosen = at(picked);

  const ofOrder: KeyBinding[] = order
    ? [{ key: 'u', does: 'Start the first that waits', run: () => onStartOrder(order) }]
    : [];
  const ofPicked: KeyBinding[] =
    chosen && !locked
      ? [
          { key: 's', does: 'Steps of the picked brew', run: () => acts.steps(chosen.brew) },
          {
            key: 'v',
            does: 'The picked brew is right',
            run: () => {
              if (chosen.brew.state.kind === 'pulled') acts.right(chosen.brew);
            },
          },
          { key: 'Escape', does: 'Pick none', run: () => setPicked(null) },
        ]
      : [];
  useKeys([
    { key: 'n', does: 'Start a brew', run: () => !locked && go('/start') },
    {
      key: ' ',
      does: picked ? `The next step at place ${picked}` : 'The next step',
      run: () => nextAt(chosen ?? first),
    },
    ...ofOrder,
    { key: 'c', does: 'Read a code with the camera', run: () => onSheet({ kind: 'scan' }) },
    ...PLACE_KEYS.map((key, i) => ({
      key,
      does: `The next step at place ${i + 1}`,
      run: () => nextAt(at(i + 1)),
    })),
    ...PICK_KEYS.map((key, i) => ({
      key,
      does: `Pick place ${i + 1}: Space does its next step, V is right, S its steps`,
      run: () => setPicked((p) => (p === i + 1 || !at(i + 1) ? null : i + 1)),
    })),
    ...ofPicked,
  ]);
  return picked;
}
