import type { Dispatch } from 'react';
import { isColdCup } from '#core/tastings';
import { celsius, millilitres, numberText, temperatureText, volumeText } from '#core/units';
import { useUnits } from '../../../entities/people/session';
import { Note } from '../../../ui/Note';
import { COMPARED_WORDS, WAY_WORDS } from '../cups';
import { clockWords, type SetUpEvent, type SetUpPlan, type SetUpState, tightWords } from './model';

/** What is weighed and heated for all cups together. */
function WeighOut({ state, plan: { cups } }: { state: SetUpState; plan: SetUpPlan }) {
  const units = useUnits();
  const { compares } = state.exercise;
  const oneLeaf = compares === 'steep' || compares === 'poured';
  const each = oneLeaf ? `${cups[0]?.grams} g, once` : cups.map((c) => `${c.grams} g`).join(', ');
  const leaf = cups.reduce((sum, c) => sum + c.grams, 0);
  const poured = compares === 'poured' ? cups.slice(0, 1) : cups;
  const water = millilitres(poured.reduce((sum, c) => sum + c.water, 0));
  const hottest = celsius(Math.max(...cups.map((c) => c.celsius)));
  const isCold = cups.some(isColdCup);
  const withLeaf =
    cups.length > 1 && !oneLeaf ? `Together ${numberText(leaf, 2)} g of leaf and` : 'With';
  return (
    <>
      <h2>Weigh out</h2>
      <p className="text-[19px]">
        {each}. {withLeaf} {volumeText(water, units.volume)} of water at{' '}
        {temperatureText(hottest, units.temperature)}
        {isCold ? ' for the hot cup, cold for the others' : ''}.
      </p>
    </>
  );
}
/** Glasses of one extract: it stands ready, and only the water differs. */
const Glasses = () => (
  <>
    <h2>One extract</h2>
    <p>
      The extract was brewed before, in the fridge. Pour the same amount of cold extract into every
      glass first, then the same amount of each water. Hot water goes into the middle: glass breaks
      from sudden heat.
    </p>
  </>
);
function OneClock({ plan: { schedule, cups } }: { plan: SetUpPlan }) {
  const isCold = cups.some(isColdCup);
  return (
    <>
      <h2 className="mt-3">One clock</h2>
      <p>
        {clockWords(schedule, cups.filter((c) => !isColdCup(c)).length)} {tightWords(schedule)}
      </p>
      {isCold && (
        <p>
          The cold cups are brewed before, covered, in the fridge: they stand ready when the clock
          starts. Let the hot cup cool down to them.
        </p>
      )}
      {schedule.kind === 'together' && !isCold && (
        <p className="small">Taste when all are near 55 °C.</p>
      )}
    </>
  );
}
/** What a dial-in or a calibration is for. */
function About({ kind }: { kind: SetUpState['exercise']['kind'] }) {
  if (kind === 'dialIn')
    return (
      <>
        <h2 className="mt-3">Round by round</h2>
        <p>
          Everybody marks this cup against the house cup as they know it. What is off is corrected,
          and the corrected cup is beside this one in the next round, until every mark is within
          half a step. It may take days; the lot waits.
        </p>
      </>
    );
  if (kind === 'calibration')
    return (
      <>
        <h2 className="mt-3">What it shows</h2>
        <p>
          Each taster scores every bowl 0 to 10. The result says how far each taster is from the
          others, and how far apart the two bowls of one cup were scored.
        </p>
      </>
    );
  return null;
}
/** Whether the cups differ in one thing alone; where not, whoever sets it up says that it is meant so. */
function LikeForLike({
  state,
  plan: { alike, asksWhy },
  dispatch,
}: {
  state: SetUpState;
  plan: SetUpPlan;
  dispatch: Dispatch<SetUpEvent>;
}) {
  const { compares, way } = state.exercise;
  const what = compares ? COMPARED_WORDS[compares] : WAY_WORDS[way];
  const others = alike.alsoDiffers.map((w) => WAY_WORDS[w]).join(' and the ');
  return (
    <>
      <h2 className="mt-3">Like for like</h2>
      {!asksWhy && <p>Only the {what} differs.</p>}
      {asksWhy && (
        <Note bad>
          {alike.same
            ? `The ${what} is the same in every cup: there is nothing to tell.`
            : `Besides the ${what}, the ${others} differs: what is tasted cannot be laid to one of them.`}
        </Note>
      )}
      {asksWhy && (
        <label className="check">
          <input
            type="checkbox"
            checked={state.meant}
            onChange={(e) => dispatch({ type: 'meantSet', meant: e.target.checked })}
          />
          It is meant so
        </label>
      )}
    </>
  );
}

/** What is to be done for this tasting, and what to take care of. */
export function ToDo(props: {
  state: SetUpState;
  plan: SetUpPlan;
  dispatch: Dispatch<SetUpEvent>;
}) {
  const { state, plan } = props;
  const { allergens } = state.tea;
  const isExtract = state.exercise.compares === 'glass';
  return (
    <>
      {isExtract ? (
        <Glasses />
      ) : (
        <>
          <WeighOut state={state} plan={plan} />
          <OneClock plan={plan} />
        </>
      )}
      <About kind={state.exercise.kind} />
      {plan.comparesOne && <LikeForLike {...props} />}
      <p className="cautions mt-3">
        <span>
          <b>Scalds:</b> pour with the cups on the table, never while somebody holds one.
        </span>
        {allergens && (
          <span className="strong">
            <b>Allergens: {allergens}.</b> Ask every taster.
          </span>
        )}
      </p>
    </>
  );
}
