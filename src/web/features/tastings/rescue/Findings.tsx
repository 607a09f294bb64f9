import {
  bestRescue,
  houseTaste,
  rescued,
  type RescueTask,
  type RescueTaskKind,
  scoreRescue,
} from '#core/corrections';
import { brewCup } from '#core/cup';
import { cupWords, differenceWords } from '#core/taste';
import { capital } from '#core/units';
import type { Tea } from '#contracts/teas';
import { DifferenceBars, differenceSentence } from '../../../entities/brews/DifferenceBars';
import { predictionBasis } from '../../../entities/teas/predictionBasis';

const SAID = {
  right: 'Right: nobody would notice the difference.',
  near: 'Near: within one mark of the house cup.',
  off: 'Off: that is tasted at once.',
} as const;

const LESSON: Readonly<Record<RescueTaskKind, string>> = {
  over: 'Water brings the strength back, not the balance: what was drawn out bitter stays beside what is sweet.',
  weak: 'The steep goes on where it was. Taste every half minute: late in a steep seconds bring bitterness before strength.',
  blend:
    'A blend lies between its two on every line; over and under mend each other better than water mends over.',
  extract:
    'An extract is let down to its cup, not filled up to the rim: measure it once and keep the figure.',
};

/** What is known before anything is poured. */
export function InHand({ task }: { task: RescueTask }) {
  const now = brewCup(task.brew).taste;
  const house = houseTaste(task);
  return (
    <>
      <h2>In hand</h2>
      <p className="text-[19px] font-semibold">{capital(cupWords(now))}.</p>
      <p>
        Against its house cup:{' '}
        {differenceWords(now, house).join(', ') || 'nothing one would notice'}.
      </p>
      {task.weak && <p className="mt-1">The weak one: {cupWords(brewCup(task.weak).taste)}.</p>}
      <p className="small mt-2">
        Decide first. What it comes to is shown before anything is poured.
      </p>
    </>
  );
}

/** How the answer did, and what any other answer would come to. */
export function TheResult({
  task,
  tea,
  first,
  answer,
  text,
}: {
  task: RescueTask;
  tea: Tea;
  /** What was said first; and what is tried now. */
  first: number;
  answer: number;
  text: (answer: number) => string;
}) {
  const best = bestRescue(task);
  const house = houseTaste(task);
  const { taste } = rescued(task, answer);
  return (
    <>
      <h2>The result</h2>
      <p className="text-[21px] font-semibold leading-tight" data-testid="rescue-said">
        {SAID[scoreRescue(task, first)]}
      </p>
      <p className="mt-1">
        You said {text(first)}
        {best === null
          ? ''
          : `; about ${text(Math.round(best / task.step) * task.step)} comes to the house cup’s strength`}
        .
      </p>
      <h2 className="mt-3">
        With {text(answer)}
        <small>beside the house cup</small>
      </h2>
      <p className="text-[19px]" aria-live="polite">
        {differenceSentence(taste, house)}
      </p>
      <DifferenceBars cup={taste} held={house} what="the house cup" />
      <p className="mt-1">{LESSON[task.kind]}</p>
      <p className="small mt-2">
        {predictionBasis(tea)}, ±0.5 of 10. With a real cup: a third less than worked out, taste,
        then the rest. Hot water scalds: pour low and slowly.
      </p>
    </>
  );
}
