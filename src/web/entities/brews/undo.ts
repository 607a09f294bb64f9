import type { Brew, Order } from '#contracts/brews';

/** What Undo takes back: something done to one brew or several, a start, or a change of the queue. */
export type BrewUndo =
  | {
      readonly kind: 'events';
      readonly of: readonly { readonly eventId: string; readonly before: Brew }[];
    }
  | { readonly kind: 'start'; readonly brew: Brew }
  | {
      readonly kind: 'order';
      readonly order: Order;
      readonly body: { readonly rank?: number; readonly state?: 'waiting' | 'dropped' };
    };
