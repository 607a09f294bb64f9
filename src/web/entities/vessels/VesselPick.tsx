import { millilitres, volumeText } from '#core/units';
import type { Vessel } from '#contracts/vessels';
import { PickList } from '../../ui/PickList';
import { useUnits } from '../people/session';

/** Picks a vessel of the shelf by its name, in a sentence. */
export function VesselPick({
  vessel,
  vessels,
  onPick,
}: {
  vessel: Vessel;
  vessels: readonly Vessel[];
  onPick: (vessel: Vessel) => void;
}) {
  const { volume } = useUnits();
  return (
    <PickList
      label="Vessel"
      shown={vessel.name}
      chosen={vessel}
      choices={vessels.map((v) => ({
        value: v,
        text: `${v.name}, ${volumeText(millilitres(v.mark), volume)}`,
      }))}
      onPick={onPick}
    />
  );
}
