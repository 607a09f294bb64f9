const BITS = 9;
const CELLS = 1 << BITS;
const MIDDLE = Float64Array.from({ length: CELLS }, (_, i) => 1 + (i + 0.5) / CELLS);
const LOG = MIDDLE.map(Math.log);
const INVERSE = MIDDLE.map((m) => 1 / m);
const number = new Float64Array(1);
const words = new Uint32Array(number.buffer);
/** Which of the two words holds sign, exponent and the mantissa's head. */
const HEAD = new Uint32Array(new Float64Array([1]).buffer)[0] === 0 ? 1 : 0;

/** ln x for a normal x > 0, within 5e-10: exponent and the mantissa's cell from its bits, a cubic inside the cell. */
export function logOf(x: number): number {
  number[0] = x;
  const head = words[HEAD] as number;
  const cell = (head >>> (20 - BITS)) & (CELLS - 1);
  words[HEAD] = (head & 0xfffff) | 0x3ff00000;
  const d = (number[0] as number) * (INVERSE[cell] as number) - 1;
  return ((head >>> 20) - 1023) * Math.LN2 + (LOG[cell] as number) + d * (1 - d * (0.5 - d / 3));
}
