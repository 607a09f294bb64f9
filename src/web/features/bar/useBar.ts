import { useMemo } from 'react';
import type { Brew, BrewEventBody } from '#contracts/brews';
import { cardOf, planOf } from '#contracts/plan';
import type { Lot, Tea, Version } from '#contracts/book';
import type { Vessel } from '#contracts/shelf';
import { begin } from '#core/timing';
import { temperatureText, volumeText, type Millilitres } from '#core/units';
import { now } from '../../app/clock';
import { newId } from '../../app/ids';
import { queued } from '../../app/outbox';
import { useBarQuery } from '../../app/records';
import { useSession, useUnits } from '../../app/session';
import { useAppDispatch, useAppSelector } from '../../app/store';
import { toastShown } from '../../app/toasts';
import { barOf, sayingOf, phaseOf, type BarBrew } from './brews';
import { minutesText } from '#core/units';

const POLL_MS = 2500;
const PLACES = 12;

/** The bar of this site, asked for again every few seconds while the page is seen. */
export function useBar() {
  const { data, isLoading, isError } = useBarQuery(undefined, { pollingInterval: POLL_MS, skipPollingIfUnfocused: true });
  const waiting = useAppSelector((s) => s.outbox.waiting);
  const brews = useMemo(() => barOf(data?.brews ?? [], waiting), [data?.brews, waiting]);
  return { brews, recent: data?.recent ?? [], isLoading, isError };
}

/** "6.5 g in 500 ml. 80 °C on the leaf" in this site's units. */
export function usePourWords(): (brew: Brew) => string {
  const units = useUnits();
  return (b) => `${b.plan.leaf} g in ${volumeText(b.plan.water, units.volume)}, ${temperatureText(b.plan.temperature, units.temperature)}.`;
}

/** `Omit` that keeps each member of a union apart. */
type Without<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never;
let seq = 0;
const nextSeq = () => Date.now() * 1000 + (seq = (seq + 1) % 1000);

export type StartAsked = { tea: Tea; lot: Lot | null; version: Version; vessel: Vessel; water: Millilitres; warmed: boolean; warming: boolean };

/** What hands do: start a brew, or something to one that is there. Done here at once, kept on the server as soon as it can be. */
export function useHands() {
  const dispatch = useAppDispatch();
  const session = useSession();
  const me = { id: session.personId, name: session.name };
  const pour = usePourWords();
  const send = (brew: Brew, what: Without<BrewEventBody, 'id' | 'at'>) => {
    const body = { id: newId(), at: Math.round(now()), ...what } as BrewEventBody;
    dispatch(queued({ kind: 'event', id: body.id, seq: nextSeq(), brewId: brew.id, body, by: me }));
  };
  return {
    send,
    start({ tea, lot, version, vessel, water, warmed, warming }: StartAsked, taken: readonly BarBrew[]): boolean {
      const pourOf = { tea, lot, version, vessel, site: session.site, water, warmed };
      const card = cardOf(pourOf);
      if (card.kind !== 'card') return false;
      const at = Math.round(now());
      const places = new Set(taken.map((b) => b.place));
      const place = Array.from({ length: PLACES }, (_, i) => i + 1).find((p) => !places.has(p)) ?? PLACES;
      const id = newId();
      const body = { id, siteId: session.site.id, teaId: tea.id, lotId: lot?.id ?? null, versionId: version.id, vesselId: vessel.id, water, warmed, warming, place, at };
      const brew: Brew = {
        id, siteId: session.site.id, place, tea: { id: tea.id, name: tea.name, style: tea.style }, lot: lot && { id: lot.id, name: lot.name }, vesselId: vessel.id, versionId: version.id, versionNumber: version.number,
        plan: planOf(card, pourOf), state: begin(at as never, warming) as Brew['state'], startedBy: me, startedAt: at, pulledBy: null, judgedBy: null, verdict: null, proposal: null, accepted: null, remark: '',
      };
      dispatch(queued({ kind: 'start', id, seq: nextSeq(), body, brew }));
      return true;
    },
    /** The one thing a brew wants next: water on, or the pull. Judging opens its own page. */
    next(brew: BarBrew): void {
      if (brew.state.kind === 'warming') return send(brew, { kind: 'waterOn' });
      if (brew.state.kind !== 'steeping') return;
      const saying = sayingOf(brew, phaseOf(brew, now()), pour);
      send(brew, { kind: 'pull' });
      const s = (now() - brew.state.waterOn) / 1000;
      const { window } = brew.plan.recipe;
      const how = s < window.earliest ? `${minutesText(window.earliest - s)} before its window` : s > window.latest ? `late by ${minutesText(s - window.latest)}` : 'in its window';
      dispatch(toastShown({ text: `${brew.tea.name} ${brew.plan.pull.done.toLowerCase()} at ${minutesText(s)}, ${how}.${saying.name === 'late' ? ' Taste it.' : ''}`, undo: { kind: 'undoPull', brewId: brew.id } }));
    },
  };
}
