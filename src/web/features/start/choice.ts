import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { isCold, methodFor, type Wish } from '#core/recipes';
import { lotInUse, recipeFor } from '#core/teas';
import type { Lot, Tea } from '#contracts/teas';
import type { BrewedVessel } from '#contracts/vesselFacts';
import type { Vessel, VesselFields } from '#contracts/vessels';
import { orderFromSearch } from '../../entities/brews/orderSearch';
import type { ChosenKettle } from '../../entities/brews/starts';
import { useBar } from '../../entities/brews/useBar';
import { useSiteKettles } from '../../entities/kettles/useSiteKettles';
import { useSession } from '../../entities/people/session';
import { useBookQuery } from '../../entities/teas/api';
import { useVesselsQuery } from '../../entities/vessels/api';
import { useVesselsInUse } from '../../entities/vessels/useVesselsInUse';
import { type Amount, TO_MARK } from './pour';

/** As a link asks for it: cups, water, or the mark. */
function amountOf(params: URLSearchParams): Amount {
  const { cups, water } = orderFromSearch(params);
  if (cups) return { kind: 'cups', cups };
  return water === null ? TO_MARK : { kind: 'water', water };
}
const wishOf = (params: URLSearchParams): Wish => orderFromSearch(params).wish;
/** Water to the mark of the vessel is the mark. */
const amountAt = (amount: Amount, vessel: BrewedVessel | null): Amount =>
  amount.kind === 'water' && amount.water === vessel?.mark ? TO_MARK : amount;

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
  const [amount, setAmount] = useState<Amount>(() => amountOf(params));
  const [wish, setWish] = useState<Wish>(() => wishOf(params));

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
  const { kettles, usual, isLoading: awaitsKettles } = useSiteKettles();
  const [kettleId, setKettleId] = useState<string | null>(null);
  const [pot, setPot] = useState<VesselFields | null>(null);
  const inUse = useVesselsInUse(brews);
  const tea =
    teas.find((t) => t.id === teaId) ??
    teas.find((t) => t.id === recent[0]?.teaId) ??
    teas[0] ??
    null;
  const lastVessel = recent.find((r) => r.teaId === tea?.id)?.vesselId;
  const free = vessels.filter((v) => inUse.isFree(v.id));
  const onShelf =
    vessels.find((v) => v.id === vesselId) ??
    free.find((v) => v.id === lastVessel) ??
    (tea ? free.find((v) => suits(tea, v)) : undefined) ??
    free[0] ??
    vessels[0] ??
    null;
  const vessel: BrewedVessel | null = pot ? { ...pot, id: null } : onShelf;
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
    loading: book.isLoading || shelf.isLoading || awaitsKettles,
    /** Without these nothing can be said of what the house has. */
    asked: [book, shelf],
    unread: book.data === undefined || shelf.data === undefined,
    teas,
    vessels,
    inUse,
    brews,
    tea,
    vessel,
    recent,
    amount: amountAt(amount, vessel),
    wish,
    setWish,
    kettles,
    kettle: kettles.find((k) => k.id === kettleId) ?? usual,
    pickKettle: (k: ChosenKettle) => setKettleId(k.id),
    pickTea: (t: Tea) => {
      setTeaId(t.id);
      setLotId(null);
      setOnTrial(false);
      const known = recent.find((r) => r.teaId === t.id)?.vesselId;
      if (!vesselId && known) setAmount(TO_MARK);
    },
    /** A pot that is not on the shelf. */
    pickPot: (typed: VesselFields) => {
      setPot(typed);
      if (amount.kind === 'water') setAmount(TO_MARK);
    },
    pickVessel: (id: string) => {
      setPot(null);
      setVesselId(id);
      // Cups are cups in any vessel; a volume was meant for the one it was typed for.
      if (amount.kind === 'water') setAmount(TO_MARK);
    },
    pickAmount: setAmount,
  };
}
export type Choice = ReturnType<typeof useChoice>;
