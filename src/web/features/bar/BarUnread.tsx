import { type Asked, Unread } from '../../platform/Awaited';

/** Height of the line above running brews, px. */
export const BAR_UNREAD_HEIGHT = 76;

/** What stands on the bar is not known here, which is not the same as nothing. */
export const BarUnread = ({ of, room }: { of: readonly Asked[]; room: string }) => (
  <Unread what="the bar" of={of} room={room}>
    Brews may be running that are not shown here: look at the vessels.
  </Unread>
);
