import type { FigureQuestion } from '#core/training';
import { type Millilitres, millilitres } from '#core/units';
import { useSession } from '../../../entities/people/session';
import { useVesselsQuery } from '../../../entities/vessels/api';
import { VesselDrawing } from '../../../entities/vessels/VesselDrawing';
import { FillScene } from './FillScene';
import { MatchScene } from './MatchScene';
import { RescueScene } from './RescueScene';

type Props = {
  question: FigureQuestion;
  /** What is pulled so far; null: nothing yet. */
  value: number | null;
  isDone: boolean;
  /** What it should have been. */
  truth: number;
  onValue: (value: number) => void;
};

/** What is drawn beside the rule, where there is something to see. */
export function FigureScene({ question, value, isDone, truth, onValue }: Props) {
  switch (question.drill) {
    case 'scale': {
      const { ask, vessel, vesselName } = question.given;
      return ask.kind === 'fillLine' ? (
        <ShelfVessel
          {...{ name: vesselName, brimMl: vessel.brimMl }}
          fill={millilitres(vessel.fillLineMl)}
        />
      ) : null;
    }
    case 'splash': {
      const { ask, cup } = question.given;
      return ask === 'splash' ? (
        <ShelfVessel
          {...{ name: cup.vessel, brimMl: cup.capacityMl }}
          fill={millilitres(isDone ? truth : (value ?? 0))}
        />
      ) : null;
    }
    case 'fillLine':
      return <FillScene {...{ given: question.given, value, isDone, truth, onValue }} />;
    case 'match':
      return <MatchScene {...{ given: question.given, value }} />;
    case 'rescue':
      return <RescueScene {...{ given: question.given, value }} />;
    default:
      return null;
  }
}

const SCALE = 1.4;
/** A vessel of the shelf with so much water in it; one that was changed since it was asked about is not drawn. */
function ShelfVessel({ name, brimMl, fill }: { name: string; brimMl: number; fill: Millilitres }) {
  const { site } = useSession();
  const { data } = useVesselsQuery();
  const vessel = data?.vessels.find((v) => v.siteId === site.id && v.name === name);
  if (!vessel || vessel.brim !== brimMl) return null;
  return (
    <div className="mt-4">
      <VesselDrawing vessel={vessel} scale={SCALE} fill={fill} water label={name} />
    </div>
  );
}
