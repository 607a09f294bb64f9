import { useSession } from '../../../entities/people/session';
import { useVesselsQuery } from '../../../entities/vessels/api';
import { VesselDrawing } from '../../../entities/vessels/VesselDrawing';
import type { FigureAsked } from '../drill.worker';

const SCALE = 1;

/** The vessel that is filled to its line, as it stands on the shelf; nothing where the question is of no vessel. */
export function AskedVessel({ question }: { question: FigureAsked }) {
  const { site } = useSession();
  const { data } = useVesselsQuery();
  if (question.drill !== 'scale' || question.given.ask.kind !== 'fillLine') return null;
  const { vesselName, vessel: asked } = question.given;
  const vessel = data?.vessels.find((v) => v.siteId === site.id && v.name === vesselName);
  // One that was changed since it was asked about is not drawn.
  if (!vessel || vessel.brim !== asked.brimMl || vessel.mark !== asked.fillLineMl) return null;
  return (
    <div className="mt-4">
      <VesselDrawing vessel={vessel} scale={SCALE} fill={vessel.mark} water label={vesselName} />
    </div>
  );
}
