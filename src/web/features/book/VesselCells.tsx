import type { Liquor } from '#core/colour';
import { volumeText } from '#core/units';
import type { Vessel } from '#contracts/vessels';
import { useUnits } from '../../entities/people/session';
import { VesselDrawing } from '../../entities/vessels/VesselDrawing';

/** The first cells of a vessel's row in a scaling table: drawn to its mark, and its name. */
export function VesselCells({
  vessel,
  liquor,
  note,
}: {
  vessel: Vessel;
  /** Null: plain water, as in a pitcher for the fridge. */
  liquor: Liquor | null;
  note?: string;
}) {
  return (
    <>
      <td className="v">
        <VesselDrawing
          vessel={vessel}
          scale={0.31}
          pad={1}
          mark={false}
          label=""
          bowl={false}
          fill={vessel.mark}
          liquor={liquor}
          water={liquor === null}
        />
      </td>
      <td className="l">
        {vessel.name}
        {note && <span className="small"> {note}</span>}
      </td>
    </>
  );
}

/** A vessel in which this is not brewed, over the other columns: why. */
export function RefusedVessel({
  vessel,
  why,
  columns,
}: {
  vessel: Vessel;
  why: string;
  columns: number;
}) {
  const { volume } = useUnits();
  return (
    <tr>
      <td className="v">
        <VesselDrawing vessel={vessel} scale={0.31} pad={1} mark={false} label="" bowl={false} />
      </td>
      <td className="l">{vessel.name}</td>
      <td>{volumeText(vessel.mark, volume)}</td>
      <td colSpan={columns} className="fault">
        {why}
      </td>
    </tr>
  );
}
