import { begin, planAgain } from '#core/brews';
import { type EpochMs, epochMs, secondsBetween } from '#core/units';
import type { Brew, StartBrew } from '#contracts/brews';
import { BAR_SLOTS } from '#contracts/limits';
import type { Who } from '#contracts/primitives';
import { newId } from '../../platform/ids';
import { allOf, type BarBrew } from './barBrews';

// A brew as it begins. What is planned from a card is in starts.ts, which the bar does not need at once.

/** The bar and whoever starts something on it, at one moment. */
export type Moment = { readonly taken: readonly BarBrew[]; readonly by: Who; readonly at: EpochMs };
/** A start as it is written: the request, and the brew as the server will answer it. */
export type Start = {
  readonly kind: 'start';
  readonly id: string;
  readonly body: StartBrew;
  readonly brew: Brew;
};

/** The first free place of the bar, counted from 1; null when twelve are on. */
export function freePlace(taken: readonly BarBrew[]): number | null {
  const places = new Set(allOf(taken).map((b) => b.place));
  return Array.from({ length: BAR_SLOTS }, (_, i) => i + 1).find((p) => !places.has(p)) ?? null;
}
/** A brew to which nothing has happened yet. */
export const untouched = (id: string, startedBy: Who, startedAt: number) => ({
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
export const asStart = (body: StartBrew, brew: Brew): Start => ({
  kind: 'start',
  id: body.id,
  body,
  brew,
});

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
