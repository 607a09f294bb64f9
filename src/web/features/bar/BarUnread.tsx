import { type Asked, isUnread, Unread } from '../../platform/Awaited';

/** Height of the line above running brews, px; none while the bar is here or on its way. */
export const barUnreadHeight = (bar: Asked): number => (isUnread(bar) ? 76 : 0);

/** What stands on the bar is not known here, which is not the same as nothing. */
export const BarUnread = ({ bar, room }: { bar: Asked; room: string }) => (
  <Unread what="the bar" of={[bar]} room={room}>
    Brews may be running that are not shown here: look at the vessels.
  </Unread>
);
