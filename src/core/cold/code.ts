/** Figures and letters that are not taken for one another: no I, L, O, U. */
const SIGNS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';
const BITS_A_SIGN = 5;
const SIGN_COUNT = 6;
/** Ranks are summed by this: a prime, so that any one wrong sign shows. */
const CHECKED_BY = 31;

/**
 * What a label calls a batch: the last thirty bits of its id as six signs, and a seventh that checks them. A tablet
 * without a network prints the same.
 * @throws {RangeError} on an id that is no UUID.
 * @example batchCode('019c0000-0000-7000-8000-000000000001') // '0000011'
 */
export function batchCode(id: string): string {
  const hex = id.replaceAll('-', '');
  if (!/^[0-9a-f]{32}$/i.test(hex)) throw new RangeError(`no batch has the id ${id}`);
  const bits = Number.parseInt(hex.slice(-8), 16) % 2 ** (BITS_A_SIGN * SIGN_COUNT);
  const ranks = Array.from(
    { length: SIGN_COUNT },
    (_, i) => Math.floor(bits / 2 ** (BITS_A_SIGN * (SIGN_COUNT - 1 - i))) % SIGNS.length,
  );
  const check = ranks.reduce((a, b) => a + b, 0) % CHECKED_BY;
  return [...ranks, check].map((r) => SIGNS[r]).join('');
}
