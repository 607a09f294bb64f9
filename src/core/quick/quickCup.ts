import type { Brewing } from '#core/cup';
import { contactFactor, LEAST_HELD, SQUEEZED, VENTING } from '#core/extraction';
import { coolingRate } from '#core/heat';
import { EXP_CELLS, EXP_END, EXP_TABLE } from '#core/numeric';
import { MAPS, MASKED, unbound, WEIGHT } from '#core/taste';
import { logOf } from './logOf';
import * as rowPlaces from './rows';

// The same model as `brewCup`, for screens that need thousands of cups at once: tolerance studies, corrections,
// charts. No objects are made on the way. `quick.test.ts` holds it to the readable version.

/** Where each value stands in what `quickCup` fills. Indices 0..10; body and bitter dose in g/L. */
export const CUP = {
  strength: 0,
  bitterness: 1,
  astringency: 2,
  sweetness: 3,
  aroma: 4,
  stewed: 5,
  colour: 6,
  liquor: 7,
  tds: 8,
  caffeine: 9,
  yieldPercent: 10,
  body: 11,
  bitterDose: 12,
  /** Seven solutes in g/L from here. */
  solutes: 13,
} as const;
/** Room for one cup. */
export const newCup = (): Float64Array => new Float64Array(20);

/** The maps in the order of `CUP`. */
const MAP_LIST = [
  MAPS.strength,
  MAPS.bitterness,
  MAPS.astringency,
  MAPS.sweetness,
  MAPS.aroma,
  MAPS.stewed,
  MAPS.colour,
];
/** A dose below this, g/L, tastes of nothing. */
const SMALLEST = 1e-12;
/** Leaf with less than this of it closed is open. */
const OPEN = 1e-7;

/**
 * Makes the function with its tables and constants in its own scope: an engine folds those into the code, where
 * variables of a bundled module are read anew each time (half again the time of a cup, measured).
 */
function makeQuickCup(): (b: Brewing, out: Float64Array) => void {
  const {
    AROMA,
    fillRow,
    needRows,
    OPENING,
    PARTITION,
    RATE_OVER_PARTITION,
    ROW,
    ROWS_PER_DEGREE,
    rowsFor,
    STEW,
    TABLE_END,
    VENT,
  } = rowPlaces;
  const row1 = ROW;
  const atPartition = PARTITION;
  const atOver = RATE_OVER_PARTITION;
  const exps = EXP_TABLE;
  const cells = EXP_CELLS;
  const perCell = 1 / EXP_CELLS;
  const end = EXP_END;
  const held = new Float64Array(14); // leaf mg, then liquor mg
  const single = new Float64Array(ROW * 2);
  const logHalf = Float64Array.from(MAP_LIST, ([half]) => Math.log(half));
  const steepness = Float64Array.from(MAP_LIST, ([, n]) => n);

  /** As `expOfMinus`, in this scope. */
  const expMinus = (y: number): number => {
    if (y >= end) return 0;
    const cell = (y * cells) | 0;
    const f = y - cell * perCell;
    return (exps[cell] as number) * (1 - f + 0.5 * f * f);
  };
  /** Between a row and the next one. */
  const lerp = (rows: Float64Array, i: number, w: number): number => {
    const v = rows[i] as number;
    return v + w * ((rows[i + row1] as number) - v);
  };

  /** How far a liquor that began `theta0` above its room is above it, `e` = exp(-a t) later. */
  const above = (theta0: number, a: number, k: number, e: number): number =>
    theta0 <= 0 ? theta0 * e : (a * theta0 * e) / (a + k * theta0 * (1 - e));

  /** Pours off and tastes what `held` has. */
  function finish(b: Brewing, out: Float64Array, stew: number): void {
    const { character: c, leaf, water } = b;
    const milk = b.milk ?? 0;
    const after = 1 + (b.waterAfter ?? 0);
    const by = 1 / (water * after * (1 + milk));
    let tds = 0;
    for (let i = 0; i < 7; i++) {
      const g = (held[7 + i] as number) * by;
      out[13 + i] = g;
      tds += g;
    }
    const swe = (held[8] as number) * by;
    const caf = (held[9] as number) * by;
    const cat = (held[10] as number) * by;
    const tan = (held[11] as number) * by;
    const pig = (held[12] as number) * by;
    const lat = (held[13] as number) * by;
    const bind = milk === 0 ? 1 : unbound(milk);
    const body = 0.7 * swe + caf + cat + 1.2 * tan + 1.2 * pig + 0.8 * lat;
    const bitterDose =
      WEIGHT.caffeine * caf +
      WEIGHT.catechin * c.potency * cat +
      WEIGHT.tannin * tan * (0.5 * bind + 0.5);
    out[0] = body;
    out[1] = bitterDose;
    out[2] = (tan + WEIGHT.dryCatechin * cat + 0.2 * pig) * bind;
    out[3] = swe + 0.7 * lat;
    out[4] = 1000 * (held[7] as number) * by;
    out[5] = c.stew * (tan + 0.5 * cat) * Math.sqrt(stew / 180);
    out[6] = pig + 0.08 * tan;
    // Doses to indices, as the readable `onScale`.
    for (let i = 0; i < 7; i++) {
      const dose = out[i] as number;
      let index = 0;
      if (dose >= SMALLEST) {
        const y = (steepness[i] as number) * ((logHalf[i] as number) - logOf(dose));
        const e = expMinus(y < 0 ? -y : y);
        index = y < 0 ? 10 / (1 + e) : (10 * e) / (1 + e);
      }
      out[i] = index;
    }
    out[3] = (out[3] as number) * (1 - (MASKED * (out[1] as number)) / 10);
    const liquor = water - Math.min(water, c.held * leaf) * (b.squeeze ? SQUEEZED : 1);
    out[7] = liquor * after;
    out[8] = tds;
    out[9] = (held[9] as number) * (liquor / water);
    out[10] = (tds * after * (1 + milk) * liquor) / (10 * leaf);
    out[11] = body;
    out[12] = bitterDose;
  }

  return (b, out) => {
    const { character: c, leaf, water, time } = b;
    if (!(water > 0) || !(leaf > 0) || !(time >= 0))
      throw new RangeError('a steep needs water, leaf and time');
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
    let theta0 = b.temperature - ambient;
    let a = 0;
    let k = 0;
    let rows: Float64Array = single;
    if (constant) fillRow(single, 0, b.temperature, c.sensitivity);
    else {
      const rate = coolingRate({
        volume: water,
        material: b.material ?? 'porcelain',
        lid,
        cosy: b.cosy,
      });
      a = rate.a;
      k = rate.b;
      rows = rowsFor(c.sensitivity);
    }
    // exp(-a t) at the middles of whole panels by its steps; only the last, cut one is worked out.
    const sixth = expMinus(6 * a);
    let closed = 1;
    let stew = 0;
    // Seconds in the water before this stretch: a new one begins whenever the leaf goes back.
    let before = 0;
    for (let n = 0; ; n++) {
      const leafOut = b.outs?.[n];
      const isLast = leafOut === undefined || leafOut.after >= time;
      const span = (isLast ? time : leafOut.after) - before;
      let middle = expMinus(1.5 * a);
      let step = 1;
      for (let j = 0; ; j++) {
        const from = constant ? (span * j * j) / 16 : 3 * j * j;
        if (constant ? j > 3 : from >= span) break;
        const stop = constant ? (span * (j + 1) * (j + 1)) / 16 : 3 * (j + 1) * (j + 1);
        const to = stop < span ? stop : span;
        const dt = to - from;
        let row = 0;
        let w = 0;
        if (!constant) {
          const e = stop <= span ? middle : expMinus(a * (from + to) * 0.5);
          step *= sixth;
          middle *= step;
          const place =
            Math.min(TABLE_END, Math.max(0, ambient + above(theta0, a, k, e))) * ROWS_PER_DEGREE;
          const whole = place | 0;
          row = whole * row1;
          w = place - whole;
          if (rows[row + OPENING] === 0 || rows[row + row1 + OPENING] === 0)
            needRows(rows, row, c.sensitivity);
        }
        let effective = contact * dt;
        if (closed > OPEN) {
          const opening = c.wetting * lerp(rows, row + OPENING, w);
          const still = expMinus(dt / opening);
          effective = contact * (dt - opening * closed * (1 - still));
          closed *= still;
        }
        stew += dt * lerp(rows, row + STEW, w);
        for (let i = 0; i < 6; i++) {
          // Written out: this is most of the work.
          const at = row + i;
          const rate = rows[at] as number;
          const part = rows[at + atPartition] as number;
          const over = rows[at + atOver] as number;
          const kr = (part + w * ((rows[at + row1 + atPartition] as number) - part)) * ratio;
          const l = held[i + 1] as number;
          const q = held[i + 8] as number;
          // With phi = kr/(1 + kr): the gap to rest is phi (l + q) - q, and the rate over phi is rate + rate/kr.
          const gap = (kr * l - q) / (1 + kr);
          if (gap > 0) {
            const y =
              effective *
              (rate +
                w * ((rows[at + row1] as number) - rate) +
                (over + w * ((rows[at + row1 + atOver] as number) - over)) * dryness);
            let moved = gap;
            if (y < end) {
              const cell = (y * cells) | 0;
              const f = y - cell * perCell;
              moved = gap * (1 - (exps[cell] as number) * (1 - f + 0.5 * f * f));
            }
            held[i + 1] = l - moved;
            held[i + 8] = q + moved;
          }
        }
        const d = lerp(rows, row + AROMA, w) * effective;
        const v = venting * lerp(rows, row + VENT, w) * dt;
        const ed = expMinus(d);
        const ev = expMinus(v);
        const l = held[0] as number;
        held[7] =
          (held[7] as number) * ev +
          l * (Math.abs(v - d) < 1e-6 ? d * ed : (d * (ed - ev)) / (v - d));
        held[0] = l * ed;
      }
      if (isLast) break;
      before = leafOut.after;
      // The leaf is out: the liquor cools, stews on, and its aroma goes to the air.
      const { lasted } = leafOut;
      let row = 0;
      let w = 0;
      if (!constant) {
        const e = expMinus(a * (span + lasted / 2));
        const place =
          Math.min(TABLE_END, Math.max(0, ambient + above(theta0, a, k, e))) * ROWS_PER_DEGREE;
        const whole = place | 0;
        row = whole * row1;
        w = place - whole;
        if (rows[row + OPENING] === 0 || rows[row + row1 + OPENING] === 0)
          needRows(rows, row, c.sensitivity);
        theta0 = above(theta0, a, k, expMinus(a * (span + lasted)));
      }
      stew += lasted * lerp(rows, row + STEW, w);
      held[7] = (held[7] as number) * expMinus(venting * lerp(rows, row + VENT, w) * lasted);
    }
    finish(b, out, stew);
  };
}

/**
 * Fills `out` with the cup of one steep. Agrees with `brewCup` to 1e-4 (1e-3 on indices). Not re-entrant.
 * @throws {RangeError} on no water, no leaf or negative time.
 */
export const quickCup = makeQuickCup();
