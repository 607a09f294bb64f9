import { Link } from 'react-router';
import { type BrewState, knownFrom } from '#core/brews';
import { COLOUR_STEPS, verdictWords } from '#core/corrections';
import { minutesText, volumeText } from '#core/units';
import type { Plan } from '#contracts/brewPlan';
import type { Brew } from '#contracts/brews';
import type { Units } from '../../entities/people/session';
import { Cup } from '../../entities/teas/Cup';
import { houseLiquorOf, swatchOf } from '../../entities/teas/liquor';

/** The cup as it was judged beside the house cup. */
export function JudgedCups({
  plan,
  brew,
  strength,
  verdict,
}: {
  plan: Plan;
  brew: Brew;
  strength: number;
  verdict: NonNullable<Brew['verdict']>;
}) {
  return (
    <div className="cups mt-3" style={{ gridTemplateColumns: '1fr 1fr' }}>
      <div className="grid justify-items-center py-3 text-[#14191d] text-[15px]">
        <Cup liquor={swatchOf(knownFrom(plan, brew.tea.style), plan.recipe, strength)} size={92} />
        judged: {COLOUR_STEPS.find((c) => c.mark === verdict.colour)?.word}
      </div>
      <div className="grid justify-items-center py-3 text-[#14191d] text-[15px]">
        <Cup liquor={houseLiquorOf(knownFrom(plan, brew.tea.style), plan.recipe)} size={92} />
        house
      </div>
    </div>
  );
}

/** The verdict in words, or that there is none. */
export function verdictLine(
  verdict: NonNullable<Brew['verdict']> | null,
  brew: Brew,
  state: BrewState,
) {
  if (verdict) return `${verdictWords(verdict)}${brew.judgedBy ? `, ${brew.judgedBy.name}` : ''}`;
  if (state.kind === 'judged') return 'none kept';
  return 'not judged yet';
}

/** The steeps of this leaf, this one bold. */
export function ItsLeaf({
  steeps,
  brew,
}: {
  steeps: readonly { id: string; number: number; steeped: number | null }[];
  brew: Brew;
}) {
  return (
    <p>
      <b>Its leaf</b>{' '}
      {steeps.map((x, i) => (
        <span key={x.id}>
          {i > 0 && ', '}
          {x.id === brew.id ? (
            <strong>
              {x.number}. {x.steeped === null ? 'steeping' : minutesText(x.steeped)}
            </strong>
          ) : (
            <Link to={`/log/${x.id}`}>
              {x.number}. {x.steeped === null ? 'steeping' : minutesText(x.steeped)}
            </Link>
          )}
        </span>
      ))}
    </p>
  );
}

/** The correction that was proposed, whether it was taken, and what was said of the cup in hand. */
export function WhatWasProposed({
  proposal,
  brew,
  units,
}: {
  proposal: NonNullable<Brew['proposal']> | undefined | null;
  brew: Brew;
  units: Units;
}) {
  return (
    <>
      {proposal && proposal.lever !== 'keep' && (
        <p>
          <b>Proposed</b> {proposal.headline}. {proposal.change} {proposal.reason}
        </p>
      )}
      {proposal && proposal.lever !== 'keep' && (
        <p>
          <b>Taken</b> {brew.accepted ? 'yes, noted for the lead' : 'no'}
        </p>
      )}
      {proposal?.cup.text && (
        <p>
          <b>Cup in hand</b>{' '}
          {proposal.cup.water > 0
            ? `${volumeText(proposal.cup.water, units.volume)} hot water. `
            : ''}
          {proposal.cup.text}
        </p>
      )}
    </>
  );
}
