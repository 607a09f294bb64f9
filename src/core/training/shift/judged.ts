import { judgedBy } from '../diagnosis/score';
import { SHIFT_S, type ShiftGiven } from './orders';
import { brewsOfShift, type ShiftAnswer, shiftAt } from './play';
import { scoreShift } from './score';

/** Raised whenever the same given would come to another question. */
export const SHIFT_VERSION = 1;
/** Nobody runs a bar by a blind choice. */
export const SHIFT_GUESS = 0;

/** Every order and the mishap are of cups that are there. */
function isWhole({ teas, cups, orders, mishap }: ShiftGiven): boolean {
  const isCup = (cup: number) => cup < cups.length;
  const inTime = orders.every((o, i) => o.at >= (orders[i - 1]?.at ?? 0) && o.at <= SHIFT_S);
  const isNamed =
    mishap.kind !== 'wrongTea' || (isCup(mishap.named) && mishap.order < orders.length);
  const isOfTea = cups.every((c) => c.tea < teas.length);
  return isOfTea && orders.length > 0 && orders.every((o) => isCup(o.cup)) && inTime && isNamed;
}
/** What a shift was worth; null: it is no shift, or a hand did what it could not do. */
export function judgedShift(given: ShiftGiven, { acts }: ShiftAnswer) {
  if (!isWhole(given)) return null;
  const stand = shiftAt(given, acts, SHIFT_S);
  if (!stand) return null;
  const { credit } = scoreShift(brewsOfShift(given, stand));
  const judged = judgedBy(credit);
  return { credit, judged, guess: SHIFT_GUESS, version: SHIFT_VERSION, choices: [] };
}
