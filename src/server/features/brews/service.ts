import { eq } from 'drizzle-orm';
import { cardFaultWords, cardOf, planOf } from '#contracts/plan';
import type { z } from 'zod';
import type { Bar, Brew, BrewEventBody, LogQuery, startBrew } from '#contracts/brews';
import { advance, pullTiming, type BrewState, type Step } from '#core/timing';
import { isRight, verdictWords } from '#core/correction';
import { epochMs, minutesText, secondsBetween } from '#core/units';
import type { Deps } from '../../deps';
import { inTransaction } from '../../db/inTransaction';
import type { Tx } from '../../db/pool';
import { brewEvents, brews, leadNotes } from '../../db/schema/index';
import { AppError, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { siteById } from '../accounts';
import { lotById, teaById, versionById } from '../book';
import { lotInUse } from '#contracts/book';
import { vesselById } from '../shelf';
import { brewById, brewers, busyIn, eventById, lockSite, logCounts, logPage, nextOfTea, openBrews, pullErrors, recentPours, stateOf, takenPlaces } from './queries';

const PLACES = 12;
const RECENT = 6;
/** A device's clock may run this far ahead before it is held back to ours, ms. */
const AHEAD = 2000;

const REFUSALS: Record<Extract<Step, { kind: 'refused' }>['why'], string> = {
  alreadyOn: 'The water is on already.', alreadyPulled: 'It is lifted already.', notSteeping: 'The water is not on yet.', notPulled: 'It is still steeping: lift it first.',
  alreadyJudged: 'It is judged already.', ended: 'This brew was given up.', beforeWater: 'The pull lies before the water.',
};

function refusal(why: Extract<Step, { kind: 'refused' }>['why'], brew: Brew): AppError {
  if (why === 'alreadyPulled' && (brew.state.kind === 'pulled' || brew.state.kind === 'judged') && brew.pulledBy) {
    const s = secondsBetween(brew.state.waterOn, brew.state.pulled);
    return new AppError('brew.alreadyPulled', 409, `${brew.pulledBy.name} ${brew.plan.pull.done.toLowerCase()} ${brew.tea.name} at ${minutesText(s)}, before you.`, { details: { by: brew.pulledBy.name, seconds: s } });
  }
  return new AppError('brew.refused', 409, `${brew.tea.name}: ${REFUSALS[why]}`, { details: { why } });
}

/** The columns a state is kept in. */
function columnsOf(state: BrewState) {
  const waterOn = 'waterOn' in state ? new Date(state.waterOn) : undefined;
  const pulled = 'pulled' in state ? new Date(state.pulled) : null;
  const ended = state.kind === 'judged' ? new Date(state.judged) : state.kind === 'abandoned' ? new Date(state.at) : null;
  return { state: state.kind, open: state.kind !== 'judged' && state.kind !== 'abandoned', ...(waterOn ? { waterOn } : {}), ...(state.kind === 'abandoned' ? {} : { pulled }), ended };
}

/** Habits are read from so many brews. */
const PULLS = 120;

export function brewing({ db, now }: Deps) {
  const instant = (ms: number) => epochMs(Math.min(ms, now() + AHEAD));
  const must = async (tx: Tx, id: string): Promise<Brew> => {
    const brew = await brewById(tx, id);
    if (!brew) throw notFound('That brew');
    return brew;
  };

  return {
    bar: async (siteId: string): Promise<Bar> => ({ now: now(), brews: await openBrews(db, siteId), recent: await recentPours(db, siteId, RECENT) }),

    /** Starts a brew; the card is worked out here again, from the records. A repeated id gets the same brew. */
    start: (given: z.infer<typeof startBrew.body>, who: Signed): Promise<Brew> => inTransaction(db, async (tx) => {
      const there = await brewById(tx, given.id);
      if (there) return there;
      await lockSite(tx, given.siteId);
      const [tea, version, vessel, site] = [await teaById(tx, given.teaId), await versionById(tx, given.versionId), await vesselById(tx, given.vesselId), await siteById(tx, given.siteId)];
      if (!tea || !version || version.teaId !== tea.id) throw notFound('That recipe');
      if (!site) throw notFound('That site');
      if (!vessel || vessel.retired || vessel.siteId !== site.id) throw notFound('That vessel');
      const busy = await busyIn(tx, vessel.id);
      if (busy) throw new AppError('brew.vesselInUse', 409, `${vessel.name} is in use: ${busy.startedBy.name} started ${busy.tea.name} in it.`);
      const lot = given.lotId === null ? lotInUse(tea) : await lotById(tx, given.lotId);
      if (lot === undefined || (lot && lot.teaId !== tea.id)) throw notFound('That lot');
      const pour = { tea, lot, version, vessel, site, water: given.water, warmed: given.warmed };
      const card = cardOf(pour);
      if (card.kind !== 'card') throw new AppError('brew.cannot', 422, `${tea.name} in the ${vessel.name}: ${cardFaultWords(card)}`);
      const taken = new Set(await takenPlaces(tx, site.id));
      const free = Array.from({ length: PLACES }, (_, i) => i + 1).filter((p) => !taken.has(p));
      const place = free.includes(given.place) ? given.place : (free[0] ?? PLACES);
      const at = new Date(instant(given.at));
      await tx.insert(brews).values({
        id: given.id, siteId: site.id, teaId: tea.id, lotId: lot?.id ?? null, vesselId: vessel.id, versionId: version.id, place, plan: planOf(card, pour),
        state: given.warming ? 'warming' : 'steeping', open: true, startedAt: at, startedBy: who.personId, waterOn: given.warming ? null : at, verdictKind: 'unjudged', remark: '',
      });
      await tx.insert(brewEvents).values({ id: given.id, brewId: given.id, kind: 'start', at, received: new Date(now()), personId: who.personId, body: given });
      return must(tx, given.id);
    }),

    /** One thing that happened. First wins; the second is told by whom. */
    event: (id: string, given: BrewEventBody, who: Signed): Promise<Brew> => inTransaction(db, async (tx) => {
      const [row] = await tx.select().from(brews).where(eq(brews.id, id)).for('update');
      if (!row) throw notFound('That brew');
      if (await eventById(tx, given.id)) return must(tx, id);
      const at = instant(given.at);
      const step = advance(stateOf(row), { kind: given.kind, at });
      if (step.kind === 'refused') throw refusal(step.why, await must(tx, id));
      await tx.insert(brewEvents).values({ id: given.id, brewId: id, kind: given.kind, at: new Date(at), received: new Date(now()), personId: who.personId, body: given });
      await tx.update(brews).set({ ...columnsOf(step.state), ...extras(given, step.state, row.plan.recipe.window, who) }).where(eq(brews.id, id));
      if (given.kind === 'judge' && given.accepted && given.proposal.lever !== 'keep') {
        await tx.insert(leadNotes).values({ id: given.id, teaId: row.teaId, brewId: id, personId: who.personId, at: new Date(at), headline: given.proposal.headline, change: given.proposal.change, found: verdictWords(given.verdict) });
      }
      return must(tx, id);
    }),

    async one(id: string) {
      const brew = await must(db, id);
      const next = await nextOfTea(db, brew);
      return { brew, next: next ? { id: next.id, at: next.startedAt, verdict: next.verdict ? verdictWords(next.verdict) : 'not judged' } : null };
    },
    pulls: async (teaId: string, siteId: string) => ({ errors: await pullErrors(db, teaId, siteId, PULLS) }),
    async log(q: LogQuery) {
      return { ...(await logPage(db, q)), counts: await logCounts(db, q), people: await brewers(db) };
    },
  };
}

/** What an event sets besides the state. */
function extras(e: BrewEventBody, state: BrewState, window: Brew['plan']['recipe']['window'], who: Signed) {
  switch (e.kind) {
    case 'pull':
      return state.kind === 'pulled' ? { pulledBy: who.personId, timing: pullTiming(secondsBetween(state.waterOn, state.pulled), window) } : {};
    case 'undoPull':
      return { pulledBy: null, timing: null };
    case 'judge':
      return { judgedBy: who.personId, verdict: e.verdict, verdictKind: isRight(e.verdict) ? ('right' as const) : ('off' as const), proposal: e.proposal, accepted: e.accepted, remark: e.remark };
    case 'abandon':
      return { remark: e.reason };
    case 'waterOn':
      return {};
  }
}
export type Brewing = ReturnType<typeof brewing>;
