import { type Asked, Unread } from '../../platform/Awaited';

/** What stands on the bar is not known here, which is not the same as nothing. */
export const BarUnread = ({ of }: { of: readonly Asked[] }) => (
  <section aria-label="The bar cannot be read">
    <Unread what="the bar" of={of} />
    <p>Other brews may be running: look at the vessels.</p>
  </section>
);
