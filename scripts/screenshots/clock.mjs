// Always the same afternoon, so that a picture changes only when a screen does.
const AFTERNOON = Date.parse('2026-03-11T14:20:00Z');
/** By how much that afternoon is ahead of this machine's clock, ms. */
export const AHEAD = AFTERNOON - Date.now();
export const now = () => Date.now() + AHEAD;

/** Shifts a page's clock to that afternoon. */
export function shiftClock(by) {
  const RealDate = Date;
  globalThis.Date = /** @type {any} */ (
    class extends RealDate {
      constructor(/** @type {any[]} */ ...given) {
        super(.../** @type {[any]} */ (given.length === 0 ? [RealDate.now() + by] : given));
      }
      /** @override */
      static now() {
        return RealDate.now() + by;
      }
    }
  );
}
