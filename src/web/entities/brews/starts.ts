import { begin, cardOf, planOf, toCardInput } from '#core/brews';
import type { HouseKettle } from '#core/heat';
import { cardForCups, type CupsAsked, methodFor, NO_WISH, type Wish } from '#core/recipes';
import { epochMs, type Millilitres } from '#core/units';
import type { Brew } from '#contracts/brews';
import type { Version } from '#contracts/recipes';
import type { Site } from '#contracts/sites';
import type { Lot, Tea } from '#contracts/teas';
import { type BrewedVessel, vesselFactsOf } from '#contracts/vesselFacts';
import { newId } from '../../platform/ids';
import { asStart, freePlace, type Moment, type Start, untouched } from './begun';

/** What somebody asked for on the start card. */
export type StartAsked = {
  readonly site: Site;
  readonly tea: Tea;
  readonly lot: Lot | null;
  readonly version: Version;
  readonly vessel: BrewedVessel;
  readonly water: Millilitres;
  readonly warmed: boolean;
  /** The vessel is warmed first, so the water is not on yet. */
  readonly warming: boolean;
  readonly orderId?: string | null;
  readonly wish?: Wish;
  readonly cups?: CupsAsked | null;
  /** Its time is to be found by tasting. */
  readonly explore?: boolean;
  /** Less leaf, for so many cups poured one by one. */
  readonly taper?: number | null;
  /** The kettle its water is heated in; absent: the site's usual one. */
  readonly kettle?: ChosenKettle | null;
};
/** A kettle of the site, as a pour reckons with it. */
export type ChosenKettle = HouseKettle & { readonly id: string };
/** The start of a brew from its card; null when the bar is full or there is no card for this vessel. */
export function startWrite(asked: StartAsked, { taken, by, at: atMs }: Moment): Start | null {
  const { site, tea, lot, version, vessel, warmed, warming, orderId = null } = asked;
  const { wish = NO_WISH, cups = null, explore = false, kettle = null, taper = null } = asked;
  const { water, card } = cups
    ? cardForCups(toCardInput(asked), cups)
    : { water: asked.water, card: cardOf(asked) };
  const place = freePlace(taken);
  if (card.kind !== 'card' || place === null) return null;
  const at = Math.round(atMs);
  const id = newId();
  const body = {
    id,
    siteId: site.id,
    teaId: tea.id,
    lotId: lot?.id ?? null,
    versionId: version.id,
    vesselId: vessel.id,
    pot: vessel.id === null ? vesselFactsOf(vessel) : null,
    water,
    warmed,
    warming,
    place,
    at,
    after: null,
    orderId,
    ...{ wish, cups, explore, taper, kettleId: kettle?.id ?? null },
  };
  return asStart(body, {
    ...untouched(id, by, at),
    siteId: site.id,
    kettle: kettle?.name ?? site.kettle.name,
    place,
    method: methodFor(vessel),
    tea: { id: tea.id, name: tea.name, style: tea.style },
    lot: lot && { id: lot.id, name: lot.name },
    vesselId: vessel.id,
    versionId: version.id,
    versionNumber: version.number,
    plan: planOf(card, { ...asked, vessel: vesselFactsOf(asked.vessel) }),
    state: begin(epochMs(at), warming) as Brew['state'],
  });
}
