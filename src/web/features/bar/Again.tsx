import { methodFor } from '#core/recipes';
import { recipeFor } from '#core/teas';
import { minutesText } from '#core/units';
import { useBar } from '../../entities/brews/useBar';
import { useBookQuery } from '../../entities/teas/api';
import { Cup } from '../../entities/teas/Cup';
import { houseLiquorOf } from '../../entities/teas/liquor';
import { useVesselsQuery } from '../../entities/vessels/api';
import { useVesselsInUse } from '../../entities/vessels/useVesselsInUse';
import { useGo } from '../../platform/useGo';

export type Recent = ReturnType<typeof useBar>['recent'];

/** What was brewed last, one touch from its card. */
export function Again({ recent, most }: { recent: Recent; most: number }) {
  const go = useGo();
  const { data: book } = useBookQuery();
  const { data: shelf } = useVesselsQuery();
  const { brews } = useBar();
  const inUse = useVesselsInUse(brews);
  const list = recent
    .flatMap((r) => {
      const [tea, vessel] = [
        book?.teas.find((t) => t.id === r.teaId),
        shelf?.vessels.find((v) => v.id === r.vesselId && !v.retired),
      ];
      const house = tea && vessel && recipeFor(tea, methodFor(vessel))?.house;
      return tea && house && vessel ? [{ tea, house, vessel, water: r.water }] : [];
    })
    .slice(0, most);
  if (list.length === 0) return null;
  return (
    <div className="again">
      <h2>Again</h2>
      {list.map(({ tea, house, vessel, water }) => (
        <button
          type="button"
          key={tea.id}
          onClick={() =>
            go(
              inUse.isFree(vessel.id)
                ? `/start?tea=${tea.id}&vessel=${vessel.id}&water=${water}`
                : `/start?tea=${tea.id}`,
            )
          }
        >
          <Cup liquor={houseLiquorOf(tea, house.recipe)} size={34} />
          <span>
            <span className="tea">{tea.name}</span>
            <span className="small">
              {vessel.name}
              {inUse.isFree(vessel.id)
                ? `, ${minutesText(house.recipe.window.best)}`
                : ' is in use'}
            </span>
          </span>
        </button>
      ))}
    </div>
  );
}
