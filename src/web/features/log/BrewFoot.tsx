import { Link } from 'react-router';
import type { BrewState } from '#core/brews';
import type { Seconds } from '#core/units';
import type { Plan } from '#contracts/brewPlan';
import type { Brew } from '#contracts/brews';
import { Refractometer } from './Refractometer';

/** What can be done with this brew now. */
export function BrewFoot({
  state,
  brew,
  s,
  next,
  plan,
}: {
  state: BrewState;
  brew: Brew;
  s: Seconds | null;
  next: { id: string; at: number; verdict: string } | null;
  plan: Plan;
}) {
  return (
    <div className="foot flex-wrap">
      {state.kind === 'pulled' && (
        <Link className="btn go" to={`/judge/${brew.id}`}>
          Judge the cup
        </Link>
      )}
      {s !== null && state.kind !== 'abandoned' && (
        <Link className="btn" to={`/table/colour?brew=${brew.id}`}>
          Read the colour
        </Link>
      )}
      {brew.verdict && (
        <Link className="btn" to={`/log/${brew.id}/taste`}>
          Taste again <kbd>A</kbd>
        </Link>
      )}
      {s !== null && state.kind !== 'abandoned' && <Refractometer brew={brew} />}
      {next && (
        <Link className="btn" to={`/log/${next.id}`}>
          Next of this tea <kbd>K</kbd>
        </Link>
      )}
      <Link
        className="btn"
        to={`/start?tea=${brew.tea.id}&vessel=${brew.vesselId ?? ''}&water=${plan.water}`}
      >
        Brew again
      </Link>
    </div>
  );
}
