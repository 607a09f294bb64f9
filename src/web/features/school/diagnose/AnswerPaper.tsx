import {
  afterTurns,
  type DiagnosisScore,
  FAULT_LESSONS,
  faultSentence,
  houseCupOf,
  liquorOfMade,
  madeWith,
  TASTED,
  tasteOfMade,
  turnWords,
} from '#core/training';
import { numberText } from '#core/units';
import { Cup } from '../../../entities/teas/Cup';
import type { CupAsked } from '../drill.worker';
import { VERDICT_WORDS } from '../verdictWords';
import { GapBars } from './GapBars';
import { answerOf, type Drilling } from './model';

const LABELS: Readonly<Record<(typeof TASTED)[number], string>> = {
  strength: 'Strength',
  bitterness: 'Bitter',
  astringency: 'Drying',
  sweetness: 'Sweet',
  aroma: 'Aroma',
  stewed: 'Stewed',
};

/** Before the answer: what is still to be chosen. */
export function Waiting({ lacks }: { lacks: string | null }) {
  return (
    <>
      <h2>Answer</h2>
      <p className="mt-2" role="status">
        {lacks ?? 'Every part is chosen.'}
      </p>
      <p className="small mt-4">
        Each taste word compares this cup with the house cup. Fault, lever and size each count. Two
        levers can both be right.
      </p>
    </>
  );
}

/** What it was, what the turn comes to, and one sentence of the trade. */
export function Answered({
  question: { given, diagnosis },
  state,
  score,
}: {
  question: CupAsked;
  state: Drilling;
  score: DiagnosisScore;
}) {
  const house = houseCupOf(given.cup);
  const turns = answerOf(state)?.turns ?? [];
  const after = afterTurns(house, given.faults, turns);
  const gapsAfter = tasteOfMade(after).map((x, i) => x - (diagnosis.house[i] ?? 0));
  const words = turns.map((t) => (t.lever === 'vessel' ? 'vessel' : turnWords(t.lever, t.size)));
  const cups = [
    { liquor: liquorOfMade(diagnosis.made), words: 'this cup' },
    { liquor: liquorOfMade(after), words: words.join(', ') },
    { liquor: liquorOfMade(madeWith(house, [])), words: 'house' },
  ];
  return (
    <>
      <h2>Answer</h2>
      <div role="status">
        <p className="text-[32px] font-semibold leading-[1.15]">
          {VERDICT_WORDS[score.judged]}
          {score.judged === 'right' && score.size === 1 ? ', within the bracket' : ''}
        </p>
        {given.faults.map((fault) => (
          <p key={fault.id}>
            {faultSentence(fault, given.cup)} {FAULT_LESSONS[fault.id]}
          </p>
        ))}
      </div>
      <div className="porcelain three">
        {cups.map((c) => (
          <figure key={c.words}>
            <Cup liquor={c.liquor} size={88} label={c.words} />
            <figcaption>{c.words}</figcaption>
          </figure>
        ))}
      </div>
      <GapBars
        labels={TASTED.map((t) => LABELS[t])}
        before={diagnosis.beside.gaps}
        after={gapsAfter}
      />
      <p className="small">Solid: this cup. Outlined: after the correction. The line: house.</p>
      <p className="small">This answer counts {numberText(100 * score.credit, 0)} of 100.</p>
    </>
  );
}
