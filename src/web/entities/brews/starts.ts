import { begin, cardOf, planAgain, planOf, toCardInput } from '#core/brews';
import type { HouseKettle } from '#core/heat';
import { cardForCups, type CupsAsked, methodFor, NO_WISH, type Wish } from '#core/recipes';
import { type EpochMs, epochMs, type Millilitres, secondsBetween } from '#core/units';
import type { Brew, StartBrew } from '#contracts/brews';
import { BAR_SLOTS } from '#contracts/limits';
import type { Who } from '#contracts/primitives';
import type { Site } from '#contracts/sites';
import type { Lot, Tea, Version } from '#contracts/teas';
import { type BrewedVessel, vesselFactsOf } from '#contracts/vesselFacts';
import { newId } from '../../platform/ids';
import { allOf, type BarBrew } from './barBrews';

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
type Moment = { readonly taken: readonly BarBrew[]; readonly by: Who; readonly at: EpochMs };
/** A start as it is written: the request, and the brew as the server will answer it. */
type Start = {
  readonly kind: 'start';
  readonly id: string;
  readonly body: StartBrew;
  readonly brew: Brew;
};

/** The first free place of the bar, counted from 1; null when twelve are on. */
function freePlace(taken: readonly BarBrew[]): number | null {
  const places = new Set(allOf(taken).map((b) => b.place));
  return Array.from({ length: BAR_SLOTS }, (_, i) => i + 1).find((p) => !places.has(p)) ?? null;
}
/** A brew to which nothing has happened yet. */
const untouched = (id: string, startedBy: Who, startedAt: number) => ({
  id,
  leafId: id,
  pairedId: null,
  marks: [],
  readings: [],
  pulledDevice: null,
  timing: null,
  startedBy,
  startedAt,
  pulledBy: null,
  judgedBy: null,
  verdict: null,
  proposal: null,
  accepted: null,
  remark: '',
});
const asStart = (body: StartBrew, brew: Brew): Start => ({
  kind: 'start',
  id: body.id,
  body,
  brew,
});

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

/** The next steep of a brew's leaf; null when it was not lifted, the leaf is spent or the bar is full. */
export function nextSteepWrite(before: BarBrew, { taken, by, at: atMs }: Moment): Start | null {
  if (!('pulled' in before.state)) return null;
  const { plan } = planAgain(
    before.plan,
    before.tea.style,
    secondsBetween(before.state.waterOn, before.state.pulled),
  );
  const place = freePlace(taken);
  if (!plan || place === null) return null;
  const at = Math.round(atMs);
  const id = newId();
  const body = {
    id,
    siteId: before.siteId,
    teaId: before.tea.id,
    lotId: before.lot?.id ?? null,
    versionId: before.versionId,
    vesselId: before.vesselId,
    water: plan.water,
    warmed: true,
    warming: true,
    place,
    at,
    after: before.id,
    orderId: null,
  };
  return asStart(body, {
    ...untouched(id, by, at),
    siteId: before.siteId,
    kettle: before.kettle,
    leafId: before.leafId,
    place,
    method: before.method,
    tea: before.tea,
    lot: before.lot,
    vesselId: before.vesselId,
    versionId: before.versionId,
    versionNumber: before.versionNumber,
    plan,
    state: begin(epochMs(at), true) as Brew['state'],
  });
}
