import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { isCold, methodFor } from '#core/recipes';
import { lotInUse, recipeFor } from '#core/teas';
import { type Millilitres, millilitres } from '#core/units';
import type { Lot, Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { useBar } from '../../entities/brews/useBar';
import { useSession } from '../../entities/people/session';
import { useBookQuery } from '../../entities/teas/api';
import { useVesselsQuery } from '../../entities/vessels/api';
import { useVesselsInUse } from '../../entities/vessels/useVesselsInUse';

const CUP_VESSELS = new Set(['lidded', 'tasting']);
/** A vessel that suits a tea: short steeps go in cups, the rest in pots and mugs. */
const suits = (tea: Tea, v: Vessel) =>
  (tea.method === 'liddedCup' || tea.method === 'tastingSet') === CUP_VESSELS.has(v.kind);

/** Tea, vessel and water as chosen, or the likeliest: what was brewed last, in a vessel that is free. */
export function useChoice() {
  const [params] = useSearchParams();
  const { site } = useSession();
  const book = useBookQuery();
  const shelf = useVesselsQuery();
  const { brews, orders, recent } = useBar();
  const [teaId, setTeaId] = useState<string | null>(params.get('tea'));
  const [onTrial, setOnTrial] = useState(params.get('trial') !== null);
  const [lotId, setLotId] = useState<string | null>(params.get('lot'));
  const [vesselId, setVesselId] = useState<string | null>(params.get('vessel'));
  const [water, setWater] = useState<Millilitres | null>(
    Number(params.get('water')) > 0 ? millilitres(Number(params.get('water'))) : null,
  );

  const teas = useMemo(
    () =>
      (book.data?.teas ?? []).filter(
        (t) => !t.retired && t.recipes.some((r) => r.house && !isCold(r.method)),
      ),
    [book.data],
  );
  const vessels = useMemo(
    () =>
      (shelf.data?.vessels ?? []).filter(
        (v) => v.siteId === site.id && !v.retired && v.kind !== 'pitcher',
      ),
    [shelf.data, site.id],
  );
  const inUse = useVesselsInUse(brews);
  const tea =
    teas.find((t) => t.id === teaId) ??
    teas.find((t) => t.id === recent[0]?.teaId) ??
    teas[0] ??
    null;
  const lastVessel = recent.find((r) => r.teaId === tea?.id)?.vesselId;
  const free = vessels.filter((v) => inUse.isFree(v.id));
  const vessel =
    vessels.find((v) => v.id === vesselId) ??
    free.find((v) => v.id === lastVessel) ??
    (tea ? free.find((v) => suits(tea, v)) : undefined) ??
    free[0] ??
    vessels[0] ??
    null;
  const recipe = tea && vessel ? recipeFor(tea, methodFor(vessel)) : null;
  const lot: Lot | null = tea ? (tea.lots.find((l) => l.id === lotId) ?? lotInUse(tea)) : null;
  return {
    trial: recipe?.trial ?? null,
    version: (onTrial ? recipe?.trial : null) ?? recipe?.house ?? null,
    setOnTrial,
    lot,
    pickLot: (l: Lot) => setLotId(l.id),
    orderId: params.get('order'),
    find: params.get('find') !== null,
    orders,
    loading: book.isLoading || shelf.isLoading,
    teas,
    vessels,
    inUse,
    brews,
    tea,
    vessel,
    recent,
    water: water ?? vessel?.mark ?? millilitres(0),
    atMark: water === null || water === vessel?.mark,
    pickTea: (t: Tea) => {
      setTeaId(t.id);
      setLotId(null);
      setOnTrial(false);
      const known = recent.find((r) => r.teaId === t.id)?.vesselId;
      if (!vesselId && known) setWater(null);
    },
    pickVessel: (v: Vessel) => {
      setVesselId(v.id);
      setWater(null);
    },
    pickWater: setWater,
  };
}
export type Choice = ReturnType<typeof useChoice>;
