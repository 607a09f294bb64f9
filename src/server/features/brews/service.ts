import { and, count, eq } from 'drizzle-orm';
import type { z } from 'zod';
import { advance, type BrewState, pullKind, type Step } from '#core/brews';
import { isRight, verdictWords } from '#core/corrections';
import { methodFor } from '#core/recipes';
import { epochMs, minutesText, secondsBetween } from '#core/units';
import type { Bar, Brew, BrewEventBody, Happened, startBrew } from '#contracts/brews';
import { BAR_SLOTS } from '#contracts/limits';
import { cardFaultWords, cardOf, planAgain, planOf, withLeafBack } from '#contracts/plan';
import { lotInUse } from '#contracts/recipeSelection';
import { inTransaction } from '../../db/inTransaction';
import type { Tx } from '../../db/pool';
import { brewEvents, brews, leadNotes, orders } from '../../db/schema';
import type { Deps } from '../../deps';
import { AppError, invalid, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { mayRead, mustWorkAt } from '../../http/sites';
import { appendEvents, type LiveHub } from '../live';
import { lockSite, siteById } from '../people';
import { lotById, teaById, versionById } from '../teas';
import { vesselById } from '../vessels';
import { waitingOrders } from './orders';
import { photoOf } from './photo';
import {
  brewById,
  type BrewRow,
  busyIn,
  eventById,
  eventsOf,
  headOf,
  lastEvent,
  nextOfTea,
  openBrews,
  pullErrors,
  recentPours,
  stateOf,
  steepingAt,
  steepsOf,
  takenPlaces,
} from './queries';

const RECENT = 6;
/** A device's clock may run this far ahead before it is held back to ours, ms. */
const MAX_CLOCK_LEAD_MS = 2000;
/** What waited on a device longer than this is no brew of the bar any more, ms. */
const LONGEST_WAIT = 35 * 86_400_000;
/** Two devices' clocks may differ by so much, ms. */
const CLOCKS_APART = 60_000;
/** A brew is a few dozen acts; more is a device gone wild. */
const MOST_EVENTS = 300;
/** A start that comes so much later was made offline, by a book that was right when it was made, ms. */
const MADE_OFFLINE = 600_000;

const REFUSALS: Record<Extract<Step, { kind: 'refused' }>['why'], string> = {
  alreadyOn: 'The water is on already.',
  alreadyPulled: 'The steep is over already.',
  notSteeping: 'The water is not on yet.',
  notPulled: 'It is still steeping: end the steep first.',
  alreadyJudged: 'It is judged already.',
  ended: 'This brew was given up.',
  beforeWater: 'The pull lies before the water.',
};
const refused = (brew: Brew, why: string, words: string) =>
  new AppError('brew.refused', 409, `${brew.tea.name}: ${words}`, { details: { why } });

function refusal(why: Extract<Step, { kind: 'refused' }>['why'], brew: Brew): AppError {
  const by = brew.pulledBy?.name ?? brew.pulledDevice;
  if (
    why === 'alreadyPulled' &&
    (brew.state.kind === 'pulled' || brew.state.kind === 'judged') &&
    by
  ) {
    const s = secondsBetween(brew.state.waterOn, brew.state.pulled);
    return new AppError(
      'brew.alreadyPulled',
      409,
      `${by} ended the steep of ${brew.tea.name} at ${minutesText(s)}, before you.`,
      { details: { by, seconds: s } },
    );
  }
  return refused(brew, why, REFUSALS[why]);
}

/** The columns a state is kept in. */
function columnsOf(state: BrewState) {
  const waterOn = 'waterOn' in state ? new Date(state.waterOn) : undefined;
  const pulled = 'pulled' in state ? new Date(state.pulled) : null;
  const ended =
    state.kind === 'judged'
      ? new Date(state.judged)
      : state.kind === 'abandoned'
        ? new Date(state.at)
        : null;
  return {
    state: state.kind,
    open: state.kind !== 'judged' && state.kind !== 'abandoned',
    ...(waterOn ? { waterOn } : {}),
    ...(state.kind === 'abandoned' ? {} : { pulled }),
    ended,
  };
}

const DATES = ['waterOn', 'pulled', 'ended'] as const;
/** What an event can change of a brew, as it is: kept with the event, to take it back with. */
function snapshotOf(b: BrewRow) {
  const {
    state,
    open,
    waterOn,
    pulled,
    pulledBy,
    pulledDevice,
    ended,
    judgedBy,
    timing,
    error,
    crowded,
    plan,
    marks,
    readings,
    verdictKind,
    verdict,
    proposal,
    accepted,
    correction,
    remark,
    pairedId,
  } = b;
  return {
    state,
    open,
    waterOn,
    pulled,
    pulledBy,
    pulledDevice,
    ended,
    judgedBy,
    timing,
    error,
    crowded,
    plan,
    marks,
    readings,
    verdictKind,
    verdict,
    proposal,
    accepted,
    correction,
    remark,
    pairedId,
  };
}
const restored = (kept: Record<string, unknown>) =>
  Object.fromEntries(
    Object.entries(kept).map(([k, v]) => [
      k,
      v !== null && (DATES as readonly string[]).includes(k) ? new Date(v as string) : v,
    ]),
  ) as ReturnType<typeof snapshotOf>;

/** Habits are read from so many brews. */
const PULLS = 120;

export function createBrewService({ db, now }: Deps, live: Pick<LiveHub, 'nudge'>) {
  const instant = (ms: number) => epochMs(Math.min(ms, now() + MAX_CLOCK_LEAD_MS));
  const must = async (tx: Tx, id: string): Promise<Brew> => {
    const brew = await brewById(tx, id);
    if (!brew) throw notFound('That brew');
    return brew;
  };
  /** In one transaction that ends by telling the site's pages; then this process's own at once. */
  async function told<T extends { siteId: string }>(work: (tx: Tx) => Promise<T>): Promise<T> {
    const done = await inTransaction(db, work);
    live.nudge(done.siteId);
    return done;
  }
  const freePlace = async (tx: Tx, siteId: string, wished: number): Promise<number> => {
    const taken = new Set(await takenPlaces(tx, siteId));
    const free = Array.from({ length: BAR_SLOTS }, (_, i) => i + 1).filter((p) => !taken.has(p));
    if (free[0] === undefined)
      throw new AppError(
        'brew.barFull',
        409,
        'Twelve are on the bar: judge one or clear it first.',
      );
    return free.includes(wished) ? wished : free[0];
  };

  /**
   * What a brew is made of: worked out here again from the records, or, for leaf that was steeped already, from its
   * last steep.
   */
  async function planned(tx: Tx, given: z.infer<typeof startBrew.body>) {
    const [tea, version, vessel, site] = [
      await teaById(tx, given.teaId),
      await versionById(tx, given.versionId),
      await vesselById(tx, given.vesselId),
      await siteById(tx, given.siteId),
    ];
    if (!tea || !version || version.teaId !== tea.id) throw notFound('That recipe');
    if (!site) throw notFound('That site');
    if (given.after === null && version.state === 'retired' && given.at > now() - MADE_OFFLINE)
      throw new AppError(
        'brew.cannot',
        409,
        `${tea.name}: version ${version.number} is retired. Choose the tea again: the book has a newer version.`,
      );
    if (!vessel || vessel.retired || vessel.siteId !== site.id) throw notFound('That vessel');
    const busy = await busyIn(tx, site.id, vessel.id);
    if (busy)
      throw new AppError(
        'brew.vesselInUse',
        409,
        `${vessel.name} is in use: ${busy.startedBy.name} started ${busy.tea.name} in it.`,
      );
    if (given.after !== null) {
      const before = await must(tx, given.after);
      const last = (await steepsOf(tx, before.leafId)).at(-1);
      if (
        !('pulled' in before.state) ||
        before.vesselId !== vessel.id ||
        before.siteId !== site.id ||
        last?.id !== before.id
      )
        throw refused(before, 'notLast', 'Its leaf has moved on since.');
      const again = planAgain(
        before.plan,
        before.tea.style,
        secondsBetween(before.state.waterOn, before.state.pulled),
      );
      if (!again.plan)
        throw new AppError(
          'brew.spent',
          409,
          `${before.tea.name}: ${again.next.kind === 'spent' ? again.next.why : ''}`,
        );
      return {
        site,
        vessel,
        lotId: before.lot?.id ?? null,
        versionId: before.versionId,
        plan: again.plan,
        leafId: before.leafId,
        teaId: before.tea.id,
      };
    }
    const lot = given.lotId === null ? lotInUse(tea) : await lotById(tx, given.lotId);
    if (lot === undefined || (lot && lot.teaId !== tea.id)) throw notFound('That lot');
    const pour = { tea, lot, version, vessel, site, water: given.water, warmed: given.warmed };
    const card = cardOf(pour);
    if (card.kind !== 'card')
      throw new AppError(
        'brew.cannot',
        422,
        `${tea.name} in the ${vessel.name}: ${cardFaultWords(card)}`,
      );
    return {
      site,
      vessel,
      lotId: lot?.id ?? null,
      versionId: version.id,
      plan: planOf(card, pour),
      leafId: given.id,
      teaId: tea.id,
    };
  }

  /**
   * Takes the last thing done to a brew back: its columns as they were, and what else came of it. Whether the queue
   * changed by it.
   */
  async function undo(tx: Tx, row: BrewRow, of: string, who: Signed): Promise<boolean> {
    const event = await eventById(tx, of);
    const brew = await must(tx, row.id);
    if (event?.undone) return false;
    if (!event || event.brewId !== row.id || !event.before)
      throw refused(brew, 'cannotUndo', 'That cannot be taken back.');
    if (who.lockedAs !== null && (event.kind !== 'pull' || event.device !== who.lockedAs))
      throw new AppError('session.locked', 423, 'This tablet is locked: type a PIN first.');
    if ((await lastEvent(tx, row.id))?.id !== of)
      throw refused(brew, 'movedOn', 'Something else was done to it since.');
    const before = restored(event.before);
    if (before.state === 'warming' || before.state === 'steeping') {
      const busy = await busyIn(tx, row.siteId, row.vesselId);
      if (busy && busy.id !== row.id)
        throw refused(brew, 'vesselInUse', `${busy.tea.name} is in its vessel by now.`);
    }
    const place = before.open && !row.open ? await freePlace(tx, row.siteId, row.place) : row.place;
    await tx
      .update(brews)
      .set({ ...before, place })
      .where(eq(brews.id, row.id));
    await tx.update(brewEvents).set({ undone: true }).where(eq(brewEvents.id, of));
    if (event.kind === 'judge') await tx.delete(leadNotes).where(eq(leadNotes.id, of));
    return (
      event.kind === 'abandon' &&
      (
        await tx
          .update(orders)
          .set({ state: 'started' })
          .where(and(eq(orders.brewId, row.id), eq(orders.state, 'waiting')))
      )[0].affectedRows > 0
    );
  }

  return {
    bar: async (siteId: string): Promise<Bar> => {
      // The number first: what is read after it is at least as new.
      const seq = await headOf(db, siteId);
      return {
        now: now(),
        seq,
        brews: await openBrews(db, siteId),
        orders: await waitingOrders(db, siteId),
        recent: await recentPours(db, siteId, RECENT),
      };
    },

    /** Starts a brew, or the next steep of one. A repeated id gets the same brew. */
    start: (given: z.infer<typeof startBrew.body>, who: Signed): Promise<Brew> =>
      told(async (tx) => {
        // Under the lock, so that the same start sent twice at once finds the first one's brew.
        mustWorkAt(who, given.siteId);
        await lockSite(tx, given.siteId);
        const there = await brewById(tx, given.id);
        if (there) return there;
        if (given.at < now() - LONGEST_WAIT)
          throw invalid({
            at: 'This brew began more than a month ago. The bar does not take a brew that old.',
          });
        const { site, vessel, lotId, versionId, plan, leafId, teaId } = await planned(tx, given);
        const place = await freePlace(tx, site.id, given.place);
        const at = new Date(instant(given.at));
        await tx.insert(brews).values({
          id: given.id,
          siteId: site.id,
          teaId,
          lotId,
          vesselId: vessel.id,
          versionId,
          method: methodFor(vessel),
          leafId,
          pairedId: null,
          kettle: site.kettle.name,
          place,
          plan,
          marks: [],
          readings: [],
          crowded: false,
          correction: 'none',
          state: given.warming ? 'warming' : 'steeping',
          open: true,
          startedAt: at,
          startedBy: who.personId,
          waterOn: given.warming ? null : at,
          verdictKind: 'unjudged',
          remark: '',
        });
        await tx.insert(brewEvents).values({
          id: given.id,
          brewId: given.id,
          kind: 'start',
          at,
          received: new Date(now()),
          personId: who.personId,
          body: given,
          undone: false,
        });
        const filled =
          given.orderId === null
            ? 0
            : (
                await tx
                  .update(orders)
                  .set({ state: 'started', brewId: given.id })
                  .where(
                    and(
                      eq(orders.id, given.orderId),
                      eq(orders.siteId, site.id),
                      eq(orders.state, 'waiting'),
                    ),
                  )
              )[0].affectedRows;
        const brew = await must(tx, given.id);
        await appendEvents(
          tx,
          site.id,
          filled > 0
            ? [
                ['brew', given.id],
                ['queue', null],
              ]
            : [['brew', given.id]],
          now(),
        );
        return brew;
      }),

    /** One thing that happened. First wins; the second is told by whom. */
    event: (id: string, given: BrewEventBody, who: Signed): Promise<Brew> =>
      told(async (tx) => {
        const [row] = await tx.select().from(brews).where(eq(brews.id, id)).for('update');
        if (!row) throw notFound('That brew');
        const known = await eventById(tx, given.id);
        if (known && (known.brewId !== id || known.kind !== given.kind))
          throw refused(
            await must(tx, id),
            'idTaken',
            'This record belongs to another brew. Nothing was changed.',
          );
        if (known) return must(tx, id);
        if (who.lockedAs !== null && given.kind !== 'pull' && given.kind !== 'undo')
          throw new AppError('session.locked', 423, 'This tablet is locked: type a PIN first.');
        mustWorkAt(who, row.siteId);
        const at = instant(given.at);
        await refuseImpossible(tx, row, given.kind, at);
        const kept = {
          id: given.id,
          brewId: id,
          kind: given.kind,
          at: new Date(at),
          received: new Date(now()),
          personId: who.lockedAs === null ? who.personId : null,
          device: who.lockedAs,
          body: given,
          undone: false,
        };
        let queue = false;
        if (given.kind === 'undo') {
          queue = await undo(tx, row, given.of, who);
          await tx.insert(brewEvents).values(kept);
        } else {
          const set = await changed(tx, row, given, at, who);
          await tx.insert(brewEvents).values({ ...kept, before: snapshotOf(row) });
          if (Object.keys(set).length > 0) await tx.update(brews).set(set).where(eq(brews.id, id));
          if (given.kind === 'judge' && given.accepted && given.proposal.lever !== 'keep') {
            await tx.insert(leadNotes).values({
              id: given.id,
              teaId: row.teaId,
              brewId: id,
              personId: who.personId,
              at: new Date(at),
              headline: given.proposal.headline,
              change: given.proposal.change,
              found: verdictWords(given.verdict),
            });
          }
        }
        if (given.kind === 'abandon')
          queue =
            (
              await tx
                .update(orders)
                .set({ state: 'waiting' })
                .where(and(eq(orders.brewId, id), eq(orders.state, 'started')))
            )[0].affectedRows > 0;
        const brew = await must(tx, id);
        await appendEvents(
          tx,
          row.siteId,
          queue
            ? [
                ['brew', id],
                ['queue', null],
              ]
            : [['brew', id]],
          now(),
        );
        return brew;
      }),

    async one(id: string, who: Signed) {
      const brew = await must(db, id);
      mayRead(who, brew.siteId);
      const next = await nextOfTea(db, brew);
      const steeps = (await steepsOf(db, brew.leafId)).map((s, i) => ({
        id: s.id,
        number: s.plan.steep?.number ?? i + 1,
        steeped: s.waterOn && s.pulled ? (s.pulled.getTime() - s.waterOn.getTime()) / 1000 : null,
      }));
      const events: Happened[] = (await eventsOf(db, id)).map(({ e, by }) => ({
        id: e.id,
        at: e.at.getTime(),
        by: by ?? e.device ?? '',
        undone: e.undone,
        what: 'kind' in e.body ? e.body : { kind: 'start' as const },
      }));
      return {
        brew,
        events,
        steeps,
        next: next
          ? {
              id: next.id,
              at: next.startedAt,
              verdict: next.verdict ? verdictWords(next.verdict) : 'not judged',
            }
          : null,
        photo: await photoOf(db, id),
      };
    },
    pulls: async (teaId: string, siteId: string) => ({
      errors: await pullErrors(db, teaId, siteId, PULLS),
    }),
  };

  /** @throws when it cannot have happened then, or when there is no end of it */
  async function refuseImpossible(
    tx: Tx,
    row: BrewRow,
    kind: BrewEventBody['kind'],
    at: number,
  ): Promise<void> {
    const first =
      kind === 'judge' && row.pulled !== null ? row.pulled.getTime() : row.startedAt.getTime();
    if (at < first - CLOCKS_APART)
      throw refused(
        await must(tx, row.id),
        'tooEarly',
        kind === 'judge'
          ? 'This judgement is dated before the end of the steep.'
          : 'This record is dated before the start of the brew.',
      );
    const [kept] = await tx
      .select({ n: count() })
      .from(brewEvents)
      .where(eq(brewEvents.brewId, row.id));
    if ((kept?.n ?? 0) >= MOST_EVENTS)
      throw refused(
        await must(tx, row.id),
        'tooMany',
        `This brew has ${MOST_EVENTS} records. Limnos keeps no more for one brew.`,
      );
  }

  /** The columns an event sets. @throws the refusal when the brew cannot take it. */
  async function changed(
    tx: Tx,
    row: BrewRow,
    e: Exclude<BrewEventBody, { kind: 'undo' }>,
    at: ReturnType<typeof instant>,
    who: Signed,
  ): Promise<Partial<BrewRow>> {
    const brew = () => must(tx, row.id);
    switch (e.kind) {
      case 'step': {
        if (!row.open) throw refusal('alreadyJudged', await brew());
        return {
          marks: [
            ...row.marks,
            {
              key: e.key,
              at,
              outcome: e.outcome,
              ...(e.grams === undefined ? {} : { grams: e.grams }),
              ...(e.celsius === undefined ? {} : { celsius: e.celsius }),
            },
          ],
        };
      }
      case 'reading':
        return { readings: [...row.readings, { at, celsius: e.celsius }] };
      case 'colour':
      case 'solids':
        // It stands in the brew's story; nothing of the brew itself changes by it.
        if (row.pulled === null || row.state === 'abandoned')
          throw refusal('notPulled', await brew());
        return {};
      case 'pair': {
        const other = await brewById(tx, e.with);
        if (!other || other.siteId !== row.siteId || other.id === row.id)
          throw notFound('The other pot');
        if (
          other.tea.id !== row.teaId ||
          other.versionId !== row.versionId ||
          other.state.kind !== row.state ||
          !row.open
        )
          throw refused(
            await brew(),
            'notAlike',
            'Only two of one tea and recipe, as far as each other, go together.',
          );
        return { pairedId: other.pairedId ?? other.id };
      }
      case 'claim':
        if (row.pulledBy !== null || row.pulledDevice === null)
          throw refused(await brew(), 'claimed', 'Somebody has said already that it was them.');
        return { pulledBy: who.personId };
      default: {
        if (e.kind === 'leafBack') {
          const busy = await busyIn(tx, row.siteId, row.vesselId);
          if (busy && busy.id !== row.id)
            throw refused(await brew(), 'vesselInUse', `${busy.tea.name} is in its vessel by now.`);
        }
        const step = advance(stateOf(row), { kind: e.kind, at });
        if (step.kind === 'refused') throw refusal(step.why, await brew());
        return { ...columnsOf(step.state), ...(await extras(tx, row, e, step.state, who)) };
      }
    }
  }
}

const NOT_PULLED = {
  pulledBy: null,
  pulledDevice: null,
  timing: null,
  error: null,
  crowded: false,
} as const;
/** What a step of the state machine sets besides the state. */
async function extras(
  tx: Tx,
  row: BrewRow,
  e: BrewEventBody,
  state: BrewState,
  who: Signed,
): Promise<Partial<BrewRow>> {
  const { window } = row.plan.recipe;
  switch (e.kind) {
    case 'pull': {
      if (state.kind !== 'pulled') return {};
      const steeped = secondsBetween(state.waterOn, state.pulled);
      // What is lifted together with it does not ask for another hand.
      const leadOf = (b: { id: string; pairedId: string | null }) => b.pairedId ?? b.id;
      const others = (await steepingAt(tx, row.siteId, row.id)).filter(
        (o) => leadOf(o) !== leadOf(row),
      );
      const crowded = others.some(
        (o) =>
          o.waterOn && (state.pulled - o.waterOn.getTime()) / 1000 >= o.plan.recipe.window.earliest,
      );
      return {
        pulledBy: who.lockedAs === null ? who.personId : null,
        pulledDevice: who.lockedAs,
        timing: pullKind(steeped, window),
        error: Math.round((steeped - window.best) * 10) / 10,
        crowded,
      };
    }
    case 'leafBack': {
      if (row.waterOn === null || row.pulled === null) return {};
      const steeped = secondsBetween(epochMs(row.waterOn.getTime()), epochMs(row.pulled.getTime()));
      return { ...NOT_PULLED, plan: withLeafBack(row.plan, steeped, e.seconds) };
    }
    case 'undoPull':
      return NOT_PULLED;
    case 'judge':
      return {
        judgedBy: who.personId,
        verdict: e.verdict,
        verdictKind: isRight(e.verdict) ? 'right' : 'off',
        proposal: e.proposal,
        accepted: e.accepted,
        remark: e.remark,
        correction: e.proposal.lever === 'keep' ? 'none' : e.accepted ? 'taken' : 'notTaken',
      };
    case 'abandon':
      return { remark: e.reason };
    default:
      return {};
  }
}
export type Brewing = ReturnType<typeof createBrewService>;
