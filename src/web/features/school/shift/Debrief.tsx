import {
  debriefOf,
  DRILLS,
  judgedShift,
  liquorOfMade,
  type OrderDebrief,
  type ShiftAct,
  type ShiftGiven,
} from '#core/training';
import { Cup } from '../../../entities/teas/Cup';
import { useGo } from '../../../platform/useGo';
import { useKeys } from '../../../ui/keys';
import { AnswerFoot } from '../AnswerFoot';
import { DrillHead } from '../DrillHead';
import type { Place } from '../Sitting';
import { VERDICT_WORDS } from '../verdictWords';

/** After a shift: the worst cup first, each with what came of it and why. */
export function Debrief({
  given,
  acts,
  place,
  onNext,
  onDispute,
}: {
  given: ShiftGiven;
  acts: readonly ShiftAct[];
  place: Place;
  onNext: () => void;
  onDispute: () => void;
}) {
  const go = useGo();
  const worth = judgedShift(given, { acts });
  const debriefs = debriefOf(given, acts);
  const whole = debriefs.filter((d) => d.score.credit === 1).length;
  const isLast = place.at === place.of;
  useKeys([
    { key: ' ', does: isLast ? 'Done' : 'Next shift', run: onNext },
    { key: 'Escape', does: 'Leave: the shift is kept', run: () => go('/school') },
  ]);
  return (
    <main className="page split diagnose">
      <DrillHead
        title={DRILLS.shift.name}
        words={`${place.at} of ${place.of}, level ${given.level}`}
      />
      <section className="work" role="group" aria-label="The orders" tabIndex={0}>
        <h2>The orders, worst cup first</h2>
        <p className="small">Large cup: the cup that you served. Small cup: the house cup.</p>
        <ol className="debrief">
          {debriefs.map((d) => (
            <Order key={d.order} debrief={d} />
          ))}
        </ol>
      </section>
      <section className="paper" aria-label="Answer">
        <h2>The shift</h2>
        <div role="status">
          <p className="text-[32px] font-semibold leading-[1.15]">
            {worth ? VERDICT_WORDS[worth.judged] : ''}
          </p>
          <p>
            {whole} of {given.orders.length} orders are right.
          </p>
        </div>
        <p className="mt-4">
          Before you pour, look which leaf is due when the new steep ends. It is better to wait 20
          seconds than to lift two leaves at the same moment.
        </p>
        <p className="small mt-4">A shift counts as three questions.</p>
        <div className="foot">
          <AnswerFoot isLast={isLast} next="Next shift" onNext={onNext} onDispute={onDispute} />
        </div>
      </section>
    </main>
  );
}

const creditWords = (credit: number): string => {
  if (credit === 1) return 'right';
  return credit > 0 ? 'nearly' : 'not yet';
};
function Order({
  debrief: { order, tea, vessel, score, pull, taste, why, advice, cups },
}: {
  debrief: OrderDebrief;
}) {
  return (
    <li>
      <div className="debrief-cups">
        {cups && (
          <>
            <Cup liquor={liquorOfMade(cups.made)} size={72} label="This cup" />
            <Cup liquor={liquorOfMade(cups.house)} size={48} label="The house cup" />
          </>
        )}
      </div>
      <div>
        <p className="text-[19px]">
          <b>
            Order {order + 1}, {creditWords(score.credit)}.
          </b>{' '}
          <span className="tea">{tea}</span>, {vessel}
        </p>
        <p>
          {pull} {taste}
        </p>
        {why.map((line) => (
          <p key={line}>{line}</p>
        ))}
        {advice !== null && <p className="small">{advice}</p>}
      </div>
    </li>
  );
}
