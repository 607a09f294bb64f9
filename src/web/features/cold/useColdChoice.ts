import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { inUseWords, planBatch } from '#core/cold';
import { isCold, type Method, METHOD_NAMES } from '#core/recipes';
import { lotInUse, measureOf } from '#core/teas';
import { type Celsius, type Millilitres, millilitres, volumeText } from '#core/units';
import type { VesselKind } from '#core/vessels';
import type { Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { useColdPlanQuery } from '../../entities/batches/api';
import { useCold } from '../../entities/batches/useCold';
import { useBar } from '../../entities/brews/useBar';
import { useLimits, useSession, useUnits } from '../../entities/people/session';
import { useBookQuery } from '../../entities/teas/api';
import { useVesselsQuery } from '../../entities/vessels/api';
import { useVesselsInUse, type VesselsInUse } from '../../entities/vessels/useVesselsInUse';

/** The cold recipes of a tea that are the house's. */
const coldOf = (tea: Tea) => tea.recipes.filter((r) => r.house && isCold(r.method));

const methodOf = (text: string | null): Method | null =>
  METHOD_NAMES.find((m) => m === text) ?? null;

/** What stands in the fridge for hours; a warm start is made in a cup or a glass too. */
const COLD_KINDS: readonly VesselKind[] = ['pitcher'];
const WARM_KINDS: readonly VesselKind[] = ['pitcher', 'lidded', 'mug'];

/** Why a vessel takes no leaf: what is in it; null: it is free. */
function takenWords(
  inUse: VesselsInUse,
  vessel: Vessel,
  volume: (ml: Millilitres) => string,
): string | null {
  const batch = inUse.batchIn.get(vessel.id);
  if (batch) return inUseWords(vessel.name, batch, volume);
  const held = inUse.holds(vessel.id);
  return held === null ? null : `${vessel.name} is in use: ${held}.`;
}

/** Tea, method, pitcher and water as chosen, or the likeliest: the first with a cold recipe, in a pitcher that is free. */
export function useColdChoice() {
  const [params] = useSearchParams();
  const { site } = useSession();
  const units = useUnits();
  const book = useBookQuery();
  const shelf = useVesselsQuery();
  const cold = useCold();
  const kept = useColdPlanQuery();
  const [teaId, setTeaId] = useState<string | null>(params.get('tea'));
  const [method, setMethod] = useState<Method | null>(() => methodOf(params.get('method')));
  const [vesselId, setVesselId] = useState<string | null>(params.get('vessel'));
  const [typedWater, setWaterAt] = useState<Celsius | null>(null);
  const teas = useMemo(
    () => (book.data?.teas ?? []).filter((t) => !t.retired && coldOf(t).length > 0),
    [book.data],
  );
  const inUse = useVesselsInUse(useBar().brews);
  const tea = teas.find((t) => t.id === teaId) ?? teas[0] ?? null;
  const recipes = tea ? coldOf(tea) : [];
  const version = (recipes.find((r) => r.method === method) ?? recipes[0])?.house ?? null;
  const kinds = version?.method === 'warmThenCold' ? WARM_KINDS : COLD_KINDS;
  const vessels = useMemo(
    () =>
      (shelf.data?.vessels ?? []).filter(
        (v) => v.siteId === site.id && !v.retired && kinds.includes(v.kind),
      ),
    [shelf.data, site.id, kinds],
  );
  const vessel =
    vessels.find((v) => v.id === vesselId) ??
    vessels.find((v) => inUse.isFree(v.id)) ??
    vessels[0] ??
    null;
  const lot = tea ? lotInUse(tea) : null;
  const waterAt = typedWater ?? site.coldWater;
  // A planned batch may fill its pitcher less than to the mark.
  const asked = Number(params.get('water'));
  const isAsked = vessel?.id === params.get('vessel') && asked > 0 && asked <= vessel.mark;
  const water = isAsked ? millilitres(asked) : vessel?.mark;
  const { fridge } = cold;
  // The batch of the plan that this is, as long as tea and pitcher are its own.
  const planOfBatch = kept.data?.plan.batches.find(
    (b) => b.id === params.get('planned') && b.teaId === tea?.id && b.vesselId === vessel?.id,
  );
  const limits = useLimits();
  const planned = useMemo(
    () =>
      tea && version && vessel
        ? planBatch({
            tea: { style: tea.style, fitted: tea.fitted, ...measureOf(tea, lotInUse(tea)) },
            recipe: version.recipe,
            method: version.method,
            vessel,
            water: water ?? vessel.mark,
            waterAt,
            air: fridge,
            ambient: site.ambient,
            limits,
          })
        : null,
    [tea, version, vessel, water, waterAt, fridge, site.ambient, limits],
  );
  const volume = (ml: Millilitres) => volumeText(ml, units.volume);
  return {
    loading: book.isLoading || shelf.isLoading || cold.isLoading,
    teas,
    vessels,
    inUse,
    tea,
    lot,
    methods: recipes.map((r) => r.method),
    version,
    vessel,
    water,
    waterAt,
    fridge,
    planned,
    plannedId: planOfBatch?.id ?? null,
    takenBy: vessel && takenWords(inUse, vessel, volume),
    pickTea: (id: string) => {
      setTeaId(id);
      setMethod(null);
    },
    pickMethod: setMethod,
    pickVessel: setVesselId,
    pickWaterAt: setWaterAt,
  };
}
export type ColdChoice = ReturnType<typeof useColdChoice>;
