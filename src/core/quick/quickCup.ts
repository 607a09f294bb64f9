import { expOfMinus } from './expOfMinus';
import { logOf } from './logOf';
import { AROMA, fillRow, OPENING, PARTITION, RATE_OVER_PARTITION, ROW, ROWS_PER_DEGREE, rowsFor, STEW, TABLE_END, VENT } from './rows';
import type { Brewing } from '#core/cup';
import { contactFactor, LEAST_HELD, SQUEEZED, VENTING } from '#core/extraction';
import { coolingRate } from '#core/heat';
import { MAPS, MASKED, unbound, WEIGHT, type HillMap } from '#core/taste';

// The same model as `brewCup`, for screens that need thousands of cups at once: tolerance studies, corrections,
// charts. No objects are made on the way. `quick.test.ts` holds it to the readable version.

/** Where each value stands in what `quickCup` fills. Indices 0..10; body and bitter dose in g/L. */
export const CUP = {
  strength: 0, bitterness: 1, astringency: 2, sweetness: 3, aroma: 4, stewed: 5, colour: 6, liquor: 7, tds: 8, caffeine: 9, yieldPercent: 10, body: 11, bitterDose: 12,
  /** Seven solutes in g/L from here. */
  solutes: 13,
} as const;
/** Room for one cup. */
export const newCup = (): Float64Array => new Float64Array(20);

/** As the readable `onScale`. */
function onScale(dose: number, map: HillMap): number {
  if (dose < SMALLEST) return 0;
  const y = map[1] * (logOf(map[0]) - logOf(dose));
  const e = expOfMinus(y < 0 ? -y : y);
  return y < 0 ? 10 / (1 + e) : (10 * e) / (1 + e);
}
/** A dose below this, g/L, tastes of nothing. */
const SMALLEST = 1e-12;

const held = new Float64Array(14); // leaf mg, then liquor mg
const single = new Float64Array(ROW * 2);
/** Between a row and the next one. */
const lerp = (rows: Float64Array, i: number, w: number): number => {
  const v = rows[i] as number;
  return v + w * ((rows[i + ROW] as number) - v);
};

/**
 * Fills `out` with the cup of one steep. Agrees with `brewCup` to 1e-4 (1e-3 on indices). Not re-entrant.
 * @throws {RangeError} on no water, no leaf or negative time.
 */
export function quickCup(b: Brewing, out: Float64Array): void {
  const { character: c, leaf, water, time } = b;
  if (!(water > 0) || !(leaf > 0) || !(time >= 0)) throw new RangeError('a steep needs water, leaf and time');
  const lid = b.lid ?? true;
  const constant = b.constant === true;
  const contact = contactFactor(c, b);
  for (let i = 0; i < 7; i++) {
    held[i] = (c.extractable[i] as number) * leaf;
    held[7 + i] = 0;
  }
  const ratio = water / (Math.max(c.held, LEAST_HELD) * leaf);
  const dryness = 1 / ratio;
  const venting = lid ? 1 : VENTING.open;
  const ambient = b.ambient ?? 20;
  const theta0 = b.temperature - ambient;
  let a = 0;
  let k = 0;
  let rows: Float64Array = single;
  if (constant) fillRow(single, 0, b.temperature, c.sensitivity);
  else {
    const rate = coolingRate({ volume: water, material: b.material ?? 'porcelain', lid, cosy: b.cosy });
    a = rate.a;
    k = rate.b;
    rows = rowsFor(c.sensitivity);
  }
  let closed = 1; // exp(-opened)
  let stew = 0;
  for (let j = 0; ; j++) {
    const from = constant ? (time * j * j) / 16 : 3 * j * j;
    if (constant ? j > 3 : from >= time) break;
    const next = constant ? (time * (j + 1) * (j + 1)) / 16 : 3 * (j + 1) * (j + 1);
    const to = next < time ? next : time;
    const dt = to - from;
    let row = 0;
    let w = 0;
    if (!constant) {
      const e = expOfMinus(a * (from + to) * 0.5);
      const t = ambient + (theta0 <= 0 ? theta0 * e : (a * theta0 * e) / (a + k * theta0 * (1 - e)));
      const place = (t < 0 ? 0 : t > TABLE_END ? TABLE_END : t) * ROWS_PER_DEGREE;
      const whole = place | 0;
      row = whole * ROW;
      w = place - whole;
    }
    const opening = c.wetting * lerp(rows, row + OPENING, w);
    const still = expOfMinus(dt / opening);
    const effective = contact * (dt - opening * closed * (1 - still));
    closed *= still;
    stew += dt * lerp(rows, row + STEW, w);
    for (let i = 0; i < 6; i++) {
      const kr = lerp(rows, row + PARTITION + i, w) * ratio;
      const l = held[i + 1] as number;
      const q = held[i + 8] as number;
      // With phi = kr/(1 + kr): the gap to rest is phi (l + q) - q, and the rate over phi is rate + rate/kr.
      const gap = (kr * l - q) / (1 + kr);
      if (gap > 0) {
        const moved = gap * (1 - expOfMinus(effective * (lerp(rows, row + i, w) + lerp(rows, row + RATE_OVER_PARTITION + i, w) * dryness)));
        held[i + 1] = l - moved;
        held[i + 8] = q + moved;
      }
    }
    const d = lerp(rows, row + AROMA, w) * effective;
    const v = venting * lerp(rows, row + VENT, w) * dt;
    const ed = expOfMinus(d);
    const ev = expOfMinus(v);
    const l = held[0] as number;
    held[7] = (held[7] as number) * ev + l * (Math.abs(v - d) < 1e-6 ? d * ed : (d * (ed - ev)) / (v - d));
    held[0] = l * ed;
  }
  finish(b, out, stew);
}

/** Pours off and tastes what `held` has. */
function finish(b: Brewing, out: Float64Array, stew: number): void {
  const { character: c, leaf, water } = b;
  const milk = b.milk ?? 0;
  const after = 1 + (b.waterAfter ?? 0);
  const by = 1 / (water * after * (1 + milk));
  let tds = 0;
  for (let i = 0; i < 7; i++) {
    const g = (held[7 + i] as number) * by;
    out[CUP.solutes + i] = g;
    tds += g;
  }
  const swe = (held[8] as number) * by;
  const caf = (held[9] as number) * by;
  const cat = (held[10] as number) * by;
  const tan = (held[11] as number) * by;
  const pig = (held[12] as number) * by;
  const lat = (held[13] as number) * by;
  const bind = milk === 0 ? 1 : unbound(milk);
  const liquor = water - Math.min(water, c.held * leaf) * (b.squeeze ? SQUEEZED : 1);
  const body = 0.7 * swe + caf + cat + 1.2 * tan + 1.2 * pig + 0.8 * lat;
  const bitterDose = WEIGHT.caffeine * caf + WEIGHT.catechin * c.potency * cat + WEIGHT.tannin * tan * (0.5 * bind + 0.5);
  const bitterness = onScale(bitterDose, MAPS.bitterness);
  out[CUP.strength] = onScale(body, MAPS.strength);
  out[CUP.bitterness] = bitterness;
  out[CUP.astringency] = onScale((tan + WEIGHT.dryCatechin * cat + 0.2 * pig) * bind, MAPS.astringency);
  out[CUP.sweetness] = onScale(swe + 0.7 * lat, MAPS.sweetness) * (1 - (MASKED * bitterness) / 10);
  out[CUP.aroma] = onScale(1000 * (held[7] as number) * by, MAPS.aroma);
  out[CUP.stewed] = onScale(c.stew * (tan + 0.5 * cat) * Math.sqrt(stew / 180), MAPS.stewed);
  out[CUP.colour] = onScale(pig + 0.08 * tan, MAPS.colour);
  out[CUP.liquor] = liquor * after;
  out[CUP.tds] = tds;
  out[CUP.caffeine] = (held[9] as number) * (liquor / water);
  out[CUP.yieldPercent] = (tds * after * (1 + milk) * liquor) / (10 * leaf);
  out[CUP.body] = body;
  out[CUP.bitterDose] = bitterDose;
}
