import {
  type Cause,
  type CureLever,
  type Diagnosis,
  type DiagnosisAnswer,
  type DiagnosisScore,
  scoreDiagnosis,
  type Turn,
  type VesselAct,
} from '#core/training';

// One question from the first touch to its answer.

/** A turn as it is being chosen. */
export type TurnChosen = {
  readonly lever: CureLever | null;
  readonly size: number;
  readonly act: VesselAct | null;
};
export type Drilling = {
  readonly cause: Cause | null;
  /** One for each fault that the question has. */
  readonly turns: readonly TurnChosen[];
  /** Null until it is submitted. */
  readonly score: DiagnosisScore | null;
};
export type DrillAction =
  | { readonly kind: 'cause'; readonly cause: Cause }
  | { readonly kind: 'lever'; readonly turn: number; readonly lever: CureLever }
  | { readonly kind: 'size'; readonly turn: number; readonly size: number }
  | { readonly kind: 'act'; readonly turn: number; readonly act: VesselAct }
  | { readonly kind: 'undo' }
  | { readonly kind: 'submit'; readonly diagnosis: Diagnosis };

const NO_TURN: TurnChosen = { lever: null, size: 0, act: null };
export const begun = (faults: number): Drilling => ({
  cause: null,
  turns: Array.from({ length: faults }, () => NO_TURN),
  score: null,
});

const turnOf = ({ lever, size, act }: TurnChosen): Turn | null => {
  if (lever === null) return null;
  if (lever === 'vessel') return act && { lever, act };
  return size === 0 ? null : { lever, size };
};
/** The answer, once all of it is chosen. */
export function answerOf({ cause, turns }: Drilling): DiagnosisAnswer | null {
  const chosen = turns.flatMap((t) => turnOf(t) ?? []);
  return cause !== null && chosen.length === turns.length ? { cause, turns: chosen } : null;
}
/** What is missing, in words; null: nothing. */
export function missing({ cause, turns }: Drilling): string | null {
  if (cause === null) return 'Choose the fault.';
  for (const turn of turns) {
    if (turn.lever === null) return 'Choose a lever.';
    if (turnOf(turn) === null)
      return turn.lever === 'vessel' ? 'Choose what is done.' : 'How much?';
  }
  return null;
}
/** The last choice taken back. */
function undone(d: Drilling): Drilling {
  const last = d.turns.findLastIndex((t) => t.lever !== null);
  if (last < 0) return { ...d, cause: null };
  const turn = d.turns[last] ?? NO_TURN;
  const without = turnOf(turn) === null ? NO_TURN : { ...NO_TURN, lever: turn.lever };
  return { ...d, turns: d.turns.map((t, i) => (i === last ? without : t)) };
}
export function drilled(d: Drilling, action: DrillAction): Drilling {
  // What is submitted stays.
  if (d.score !== null) return d;
  const change = (turn: number, to: Partial<TurnChosen>): Drilling => ({
    ...d,
    turns: d.turns.map((t, i) => (i === turn ? { ...t, ...to } : t)),
  });
  switch (action.kind) {
    case 'cause':
      return { ...d, cause: action.cause };
    case 'lever':
      return change(action.turn, { ...NO_TURN, lever: action.lever });
    case 'size':
      return change(action.turn, { size: action.size });
    case 'act':
      return change(action.turn, { act: action.act });
    case 'undo':
      return undone(d);
    case 'submit': {
      const answer = answerOf(d);
      return answer ? { ...d, score: scoreDiagnosis(action.diagnosis, answer) } : d;
    }
  }
}
