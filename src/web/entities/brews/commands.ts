import { useMemo } from 'react';
import type { StartBrew, Brew, BrewEventBody, Order } from '#contracts/brews';
import { BAR_SLOTS } from '#contracts/limits';
import { cardOf, planAgain, planOf } from '#contracts/plan';
import type { Lot, Tea, Version } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { ALL_RIGHT } from '#core/corrections';
import { methodFor } from '#core/recipes';
import { begin, pullTiming } from '#core/brews';
import { epochMs, minutesText, numberText, secondsBetween, type Millilitres } from '#core/units';
import { now } from '../../platform/clock';
import { newId } from '../../platform/ids';
import { queueWrite } from '../../platform/outbox/outbox';
import { useSession } from '../people/session';
import { useAppDispatch, useAppSelector } from '../../platform/store';
import { toastShown } from '../../platform/toasts';
import type { BrewUndo } from './undo';
import type { BrewWrite } from './writes';
import { allOf, barOf, ordersOf, type BarBrew } from './barBrews';
import { useBarQuery } from './api';
import type { BarItem } from './status';

/** The bar is asked for so often while nothing tells of it, and while the stream does, ms. */
const POLL_MS = 2500;
const LIVE_POLL_MS = 30_000;

/** The bar of this site: told as it happens, asked for every few seconds while the stream is down. */
export function useBar() {
  const live = useAppSelector((s) => s.live.on);
  const { data, isLoading, isError } = useBarQuery(undefined, {
    pollingInterval: live ? LIVE_POLL_MS : POLL_MS,
    skipPollingIfUnfocused: true,
  });
  const waiting = useAppSelector((s) => s.outbox.waiting);
  const brews = useMemo(() => barOf(data?.brews ?? [], waiting), [data?.brews, waiting]);
  const orders = useMemo(() => ordersOf(data?.orders ?? [], waiting), [data?.orders, waiting]);
  return { brews, orders, recent: data?.recent ?? [], isLoading, isError };
}

/** `Omit` that keeps each member of a union apart. */
type Without<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never;
type Done = Without<BrewEventBody, 'id' | 'at'>;

export type StartAsked = {
  tea: Tea;
  lot: Lot | null;
  version: Version;
  vessel: Vessel;
  water: Millilitres;
  warmed: boolean;
  warming: boolean;
  orderId?: string | null;
};
/** Between two orders, or past either end. */
const rankBetween = (before: Order | undefined, after: Order | undefined): number =>
  before && after
    ? (before.rank + after.rank) / 2
    : before
      ? before.rank + 1
      : after
        ? after.rank - 1
        : 0;

/**
 * What hands do: start a brew, or something to one that is there. Done here at once, kept on the server as soon as it
 * can be.
 */
export function useBrewCommands() {
  const dispatch = useAppDispatch();
  const session = useSession();
  const locked = useAppSelector((s) => s.settings.locked) || session.lockedAs !== null;
  const device = useAppSelector((s) => s.settings.deviceName);
  const me = locked ? { id: '', name: device } : { id: session.personId, name: session.name };

  /** Says what was done, and offers to take it back. */
  const say = (text: string, undo: BrewUndo) => dispatch(toastShown({ text, undo }));
  /** Does it, and returns what takes it back. */
  const send = (brew: Brew, what: Done): { eventId: string; before: Brew } => {
    const body = { id: newId(), at: Math.round(now()), ...what } as BrewEventBody;
    dispatch(queueWrite<BrewWrite>({ kind: 'event', id: body.id, brewId: brew.id, body, by: me }));
    return { eventId: body.id, before: brew };
  };
  /** The same to a brew and to all that goes with it; said, with Undo. */
  const both = (brew: BarBrew, what: Done, text: string) => {
    const of = allOf([brew]).map((b) => send(b, what));
    say(text, { kind: 'events', of });
  };
  const nameOf = (brew: BarBrew) =>
    brew.partners.length ? `${brew.tea.name}, ${allOf([brew]).length} vessels,` : brew.tea.name;
  const place = (taken: readonly BarBrew[]): number | null => {
    const places = new Set(allOf(taken).map((b) => b.place));
    return Array.from({ length: BAR_SLOTS }, (_, i) => i + 1).find((p) => !places.has(p)) ?? null;
  };
  const begun = (body: StartBrew, brew: Brew) => {
    dispatch(queueWrite<BrewWrite>({ kind: 'start', id: body.id, body, brew }));
    return brew;
  };
  const fresh = (id: string, at: number) => ({
    id,
    siteId: session.site.id,
    leafId: id,
    pairedId: null,
    kettle: session.site.kettle.name,
    marks: [],
    readings: [],
    pulledDevice: null,
    timing: null,
    startedBy: me,
    startedAt: at,
    pulledBy: null,
    judgedBy: null,
    verdict: null,
    proposal: null,
    accepted: null,
    remark: '',
  });

  return {
    locked,
    send,
    start(
      { tea, lot, version, vessel, water, warmed, warming, orderId = null }: StartAsked,
      taken: readonly BarBrew[],
    ): Brew | null {
      const pourOf = { tea, lot, version, vessel, site: session.site, water, warmed };
      const card = cardOf(pourOf);
      const free = place(taken);
      if (card.kind !== 'card' || free === null) return null;
      const at = Math.round(now());
      const id = newId();
      const body = {
        id,
        siteId: session.site.id,
        teaId: tea.id,
        lotId: lot?.id ?? null,
        versionId: version.id,
        vesselId: vessel.id,
        water,
        warmed,
        warming,
        place: free,
        at,
        after: null,
        orderId,
      };
      return begun(body, {
        ...fresh(id, at),
        place: free,
        method: methodFor(vessel),
        tea: { id: tea.id, name: tea.name, style: tea.style },
        lot: lot && { id: lot.id, name: lot.name },
        vesselId: vessel.id,
        versionId: version.id,
        versionNumber: version.number,
        plan: planOf(card, pourOf),
        state: begin(epochMs(at), warming) as Brew['state'],
      });
    },
    /** Says that it was started, with Undo. */
    said(brew: Brew): void {
      say(
        `${brew.tea.name} ${brew.state.kind === 'warming' ? 'is on the bar' : 'is steeping'} in the ${brew.plan.vessel.name}.`,
        { kind: 'start', brew },
      );
    },
    /** The next steep of the same leaf; false when it is spent or the bar is full. */
    again(before: BarBrew, taken: readonly BarBrew[]): boolean {
      if (!('pulled' in before.state)) return false;
      const { plan } = planAgain(
        before.plan,
        before.tea.style,
        secondsBetween(before.state.waterOn, before.state.pulled),
      );
      const free = place(taken);
      if (!plan || free === null) return false;
      const at = Math.round(now());
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
        place: free,
        at,
        after: before.id,
        orderId: null,
      };
      const brew = begun(body, {
        ...fresh(id, at),
        leafId: before.leafId,
        place: free,
        method: before.method,
        tea: before.tea,
        lot: before.lot,
        vesselId: before.vesselId,
        versionId: before.versionId,
        versionNumber: before.versionNumber,
        plan,
        state: begin(epochMs(at), true) as Brew['state'],
      });
      say(
        `${before.tea.name}, steep ${plan.steep?.number ?? 2}: ${minutesText(plan.recipe.window.best)}, ${plan.steep?.by === 'recipe' ? 'as its recipe has it' : 'by the model, to the first cup’s strength'}.`,
        { kind: 'start', brew },
      );
      return true;
    },
    /** The one thing a brew wants next: water on, a stir at its moment, or the pull. Judging opens its own page. */
    next({ brew, step, status }: BarItem): void {
      // A locked tablet lifts and does nothing else: whatever else it sent would wait for a PIN, with every lift
      // behind it.
      if (locked && brew.state.kind !== 'steeping') return;
      const name = nameOf(brew);
      if (!locked && step?.step.kind === 'stir')
        return both(
          brew,
          { kind: 'step', key: step.step.key, outcome: 'done' },
          `${name} stirred.`,
        );
      if (brew.state.kind === 'warming')
        return both(brew, { kind: 'waterOn' }, `${name}: water on.`);
      if (brew.state.kind !== 'steeping') return;
      const s = secondsBetween(brew.state.waterOn, now());
      const { window } = brew.plan.recipe;
      const timing = pullTiming(s, window);
      const how =
        timing === 'early'
          ? `${minutesText(window.earliest - s)} before its window`
          : timing === 'late'
            ? `late by ${minutesText(s - window.latest)}`
            : 'in its window';
      both(
        brew,
        { kind: 'pull' },
        `${name} ${brew.plan.pull.done.toLowerCase()} at ${minutesText(s)}, ${how}.${status.name === 'late' ? ' Taste it.' : ''}`,
      );
    },
    /** A step done, or left out. */
    step(
      brew: BarBrew,
      key: string,
      outcome: 'done' | 'skipped',
      words: string,
      weighed?: Pick<Extract<BrewEventBody, { kind: 'step' }>, 'grams'>,
    ): void {
      both(
        brew,
        { kind: 'step', key, outcome, ...weighed },
        `${brew.tea.name}: ${words.toLowerCase()}${outcome === 'skipped' ? ', left out' : ''}.`,
      );
    },
    /** "Right" in one touch. */
    right(brew: BarBrew, proposal: Extract<BrewEventBody, { kind: 'judge' }>['proposal']): void {
      both(
        brew,
        { kind: 'judge', verdict: ALL_RIGHT, proposal, accepted: false, remark: '' },
        `${brew.tea.name}: right. Kept.`,
      );
    },
    judge(
      brew: BarBrew,
      what: Without<Extract<Done, { kind: 'judge' }>, 'kind'>,
      text: string,
    ): void {
      both(brew, { kind: 'judge', ...what }, text);
    },
    close: (brew: BarBrew) =>
      both(brew, { kind: 'close' }, `${brew.tea.name} is off the bar, not judged.`),
    giveUp: (brew: BarBrew, reason: string) =>
      both(
        brew,
        { kind: 'abandon', reason },
        `${brew.tea.name} given up: ${reason.toLowerCase()}.`,
      ),
    steepOn: (brew: BarBrew) => {
      for (const b of allOf([brew])) send(b, { kind: 'undoPull' });
    },
    /** The leaf goes back for so many seconds: the bar's clock asks for it again. */
    leafBack: (brew: BarBrew, more: number) =>
      both(
        brew,
        { kind: 'leafBack', seconds: more },
        `${nameOf(brew)}: leaf back for ${minutesText(more)}.`,
      ),
    claim: (brew: BarBrew) => {
      for (const b of allOf([brew]))
        if (b.pulledBy === null && b.pulledDevice !== null) send(b, { kind: 'claim' });
    },
    reading: (brew: BarBrew, celsius: Extract<BrewEventBody, { kind: 'reading' }>['celsius']) =>
      both(
        { ...brew, partners: [] },
        { kind: 'reading', celsius },
        `${brew.tea.name}: reading kept.`,
      ),
    colour: (brew: Brew, what: Without<Extract<Done, { kind: 'colour' }>, 'kind'>) =>
      both(
        { ...brew, unsaved: false, partners: [] },
        { kind: 'colour', ...what },
        `${brew.tea.name}: colour kept.`,
      ),
    solids: (brew: Brew, gramsPerLitre: number) =>
      both(
        { ...brew, unsaved: false, partners: [] },
        { kind: 'solids', gramsPerLitre },
        `${brew.tea.name}: ${numberText(gramsPerLitre / 10, 2)} % kept.`,
      ),
    pair: (brew: BarBrew, lead: BarBrew) =>
      both(
        { ...brew, partners: [] },
        { kind: 'pair', with: lead.id },
        `${brew.plan.vessel.name} goes with ${lead.plan.vessel.name}: pulled and judged together.`,
      ),

    order: {
      add(
        o: {
          tea: { id: string; name: string };
          vesselId: string | null;
          water: Millilitres | null;
          forWhom: string;
        },
        queue: readonly Order[],
      ): void {
        const id = newId();
        const body = {
          id,
          siteId: session.site.id,
          teaId: o.tea.id,
          vesselId: o.vesselId,
          water: o.water,
          forWhom: o.forWhom,
          rank: rankBetween(queue.at(-1), undefined),
          at: Math.round(now()),
        };
        const order: Order = { ...body, teaName: o.tea.name, by: me };
        dispatch(queueWrite<BrewWrite>({ kind: 'order', id, body, order }));
        say(`${o.tea.name} is up next${o.forWhom ? `, ${o.forWhom}` : ''}.`, {
          kind: 'order',
          order,
          body: { state: 'dropped' },
        });
      },
      change(order: Order, body: { rank?: number; state?: 'waiting' | 'dropped' }): void {
        dispatch(
          queueWrite<BrewWrite>({
            kind: 'orderChange',
            id: newId(),
            orderId: order.id,
            body,
            order,
          }),
        );
      },
      drop(order: Order): void {
        this.change(order, { state: 'dropped' });
        say(`${order.teaName} is off the queue.`, {
          kind: 'order',
          order,
          body: { state: 'waiting' },
        });
      },
      /** To a place in the queue, counted from 0 without it. */
      move(order: Order, to: number, queue: readonly Order[]): void {
        const rest = queue.filter((o) => o.id !== order.id);
        this.change(order, { rank: rankBetween(rest[to - 1], rest[to]) });
      },
    },
    /** Takes back what a toast said. */
    undo(u: BrewUndo): void {
      if (u.kind === 'events')
        for (const { eventId, before } of u.of) {
          const body: BrewEventBody = {
            id: newId(),
            at: Math.round(now()),
            kind: 'undo',
            of: eventId,
          };
          dispatch(
            queueWrite<BrewWrite>({
              kind: 'event',
              id: body.id,
              brewId: before.id,
              body,
              by: me,
              restores: before,
            }),
          );
        }
      else if (u.kind === 'start') send(u.brew, { kind: 'abandon', reason: 'Started by mistake' });
      else this.order.change(u.order, u.body);
    },
  };
}
