import type { BoardVessel, Round } from '#core/recipes';
import { numberText, volumeText } from '#core/units';
import type { Version } from '#contracts/recipes';
import type { Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { useUnits } from '../../../entities/people/session';
import { houseLiquorOf } from '../../../entities/teas/liquor';
import { VesselDrawing } from '../../../entities/vessels/VesselDrawing';
import { clockText } from '../../../ui/days';

/** One round of pours: when it is poured and lifted, and what goes into each vessel. */
export function RoundOfPours({
  number,
  round,
  cup,
  tea,
  house,
  vesselOf,
}: {
  number: number;
  round: Round;
  /** A cup of the service, ml. */
  cup: number;
  tea: Tea;
  house: Version;
  vesselOf: (b: BoardVessel) => Vessel;
}) {
  const { volume } = useUnits();
  return (
    <div className="round">
      <div>
        <b>Round {number}</b>
        <span className="small">pour on</span>
        <b className="t">{clockText(round.pourFrom)}</b>
        {round.pours.length > 1 && <span className="small">then each 0:30</span>}
        <span className="small">lift from</span>
        <b className="t">{clockText(round.liftFrom)}</b>
      </div>
      <div className="shelfline">
        {round.pours.map((p) => (
          <div key={p.vessel.id}>
            <VesselDrawing
              vessel={vesselOf(p.vessel)}
              scale={0.56}
              label=""
              bowl={false}
              fill={p.water}
              leaf={p.card.leaf}
              liquor={houseLiquorOf(tea, house.recipe)}
              level
            />
            <p>
              <b>{numberText(p.card.leaf)} g</b>{' '}
              <span className="small">
                {vesselOf(p.vessel).name}
                {Math.abs(p.water - vesselOf(p.vessel).mark) > 1
                  ? ` to ${volumeText(p.water, volume)}`
                  : ''}
                , {numberText(p.card.liquor / cup)} cups
              </span>
            </p>
          </div>
        ))}
      </div>
    </div>
  );
}
