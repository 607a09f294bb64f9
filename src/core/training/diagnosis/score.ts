import { type Bracket, isSized, type Turn } from './cures';
import type { Cause, Diagnosis } from './diagnosis';
import { type CureLever, type FaultName, FAULTS } from './faults';
import { isPair, partsOf } from './pairs';

/** What a learner answers. Of two faults two turns. */
export type DiagnosisAnswer = { readonly cause: Cause; readonly turns: readonly Turn[] };
export type Judged = 'right' | 'near' | 'wrong';
export type DiagnosisScore = {
  readonly fault: number;
  readonly lever: number;
  readonly size: number;
  readonly credit: number;
  readonly judged: Judged;
};

const SHARE = { fault: 0.4, lever: 0.3, size: 0.3 } as const;
const WORTH = { right: 1, half: 0.5, no: 0 } as const;
const RIGHT = 0.85;
const NEAR = 0.5;
/** What credit is called. */
export function judgedBy(credit: number): Judged {
  if (credit >= RIGHT - 1e-9) return 'right';
  return credit >= NEAR - 1e-9 ? 'near' : 'wrong';
}

const partsOfCause = (cause: Cause): readonly FaultName[] =>
  isPair(cause) ? partsOf(cause) : [cause];
/** The share of the truth that was named; a tie is as good. */
function faultScore({ right, faults }: Diagnosis, cause: Cause): number {
  if (right.includes(cause)) return 1;
  if (faults.length === 1) return 0;
  const named = partsOfCause(cause).filter((p) => faults.some((f) => f.id === p)).length;
  return named / faults.length;
}
const isIn = (brackets: readonly Bracket[], lever: CureLever, size: number): boolean =>
  brackets.some((b) => b.lever === lever && size >= b.low - 1e-9 && size <= b.high + 1e-9);
function turnScore(d: Diagnosis, turn: Turn): { lever: number; size: number } {
  const lever = WORTH[d.levers[turn.lever]];
  const isEnough =
    turn.lever === 'vessel'
      ? d.right.flatMap(partsOfCause).some((id) => FAULTS[id].act === turn.act)
      : isSized(turn.lever) && isIn(d.brackets, turn.lever, turn.size);
  return { lever, size: isEnough ? lever : 0 };
}
/** What an answer is worth, 0 to 1: two fifths the fault, the rest the lever and how far it was turned. */
export function scoreDiagnosis(d: Diagnosis, { cause, turns }: DiagnosisAnswer): DiagnosisScore {
  const scored = turns.map((turn) => turnScore(d, turn));
  const isTwice = new Set(turns.map((t) => t.lever)).size < turns.length;
  const mean = (of: 'lever' | 'size') =>
    (scored.reduce((sum, s) => sum + s[of], 0) / Math.max(scored.length, d.faults.length)) *
    (isTwice ? 0.5 : 1);
  const [fault, lever, size] = [faultScore(d, cause), mean('lever'), mean('size')];
  const credit = SHARE.fault * fault + SHARE.lever * lever + SHARE.size * size;
  return { fault, lever, size, credit, judged: judgedBy(credit) };
}
