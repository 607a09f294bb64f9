import { and, count, eq } from 'drizzle-orm';
import {
  advance,
  type BrewState,
  endedByTaste,
  firstCup,
  inWaterUntil,
  isNothing,
  leafInAgain,
  leafPutBack,
  poursWith,
  pullKind,
  tastedWithLeafIn,
} from '#core/brews';
import { isRight, type Verdict, verdictWords } from '#core/corrections';
import { type Wish, wishWords } from '#core/recipes';
import { type EpochMs, epochMs, type Seconds, seconds, secondsBetween } from '#core/units';
import type { BrewEventBody } from '#contracts/brewEvents';
import type { Brew } from '#contracts/brews';
import type { Tx } from '../../db/pool';
import { brewEvents, brews, leadNotes, orders } from '../../db/schema';
import { instantOf } from '../../http/clocks';
import { AppError, notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { mustWorkAt } from '../../http/sites';
import { inVessel } from '../vessels';
import { columnsOf, snapshotOf } from './columns';
import { isLeafUnused, returnPockets } from './pocketed';
import { refusal, refused } from './refusals';
import { brewById, type BrewRow, eventById, stateOf, steepingAt } from './repository';
import { announce, requireBrew } from './shared';
import { keepTerms } from './terms';
import { undoLast } from './undo';

/** Two devices' clocks may differ by so much, ms. */
const CLOCKS_APART = 60_000;
/** A brew is a few dozen acts; more is a device gone wild. */
const MOST_EVENTS = 300;

/**
 * When it happened. Where the server's own clock is behind what it has written of this brew, it was started with a
 * wrong clock: the last known moment counts then, so that nobody is stuck with the brew.
 */
function momentOf(row: BrewRow, given: number, now: number): EpochMs {
  const last = (row.pulled ?? row.startedAt).getTime();
  return now < last ? epochMs(last) : instantOf(given, now);
}
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
      await requireBrew(tx, row.id),
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
      await requireBrew(tx, row.id),
      'tooMany',
      `This brew has ${MOST_EVENTS} records. Limnos keeps no more for one brew.`,
    );
}

/** What a lead reads of a cup that strayed: a cup made for a guest says so. */
const foundWords = (verdict: Verdict, wish: Wish | null | undefined): string =>
  [verdictWords(verdict), ...(wish ? [`made for a guest: ${wishWords(wish)}`] : [])].join('; ');

/** A step of a judged cup that was done before it was judged, and arrives late: the scale of a tablet without a network. */
const wasDoneBefore = ({ state, ended }: Pick<BrewRow, 'state' | 'ended'>, at: EpochMs): boolean =>
  state === 'judged' && ended !== null && at <= ended.getTime();
/** The columns an event sets. @throws the refusal when the brew cannot take it. */
async function changed(
  tx: Tx,
  row: BrewRow,
  e: Exclude<BrewEventBody, { kind: 'undo' }>,
  at: EpochMs,
  who: Signed,
): Promise<Partial<BrewRow>> {
  const brew = () => requireBrew(tx, row.id);
  switch (e.kind) {
    case 'step': {
      if (!row.open && !wasDoneBefore(row, at)) throw refusal('alreadyJudged', await brew());
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
    case 'taste': {
      const state = stateOf(row);
      if (state.kind !== 'steeping') {
        const why = state.kind === 'warming' ? 'notSteeping' : 'alreadyPulled';
        throw refusal(state.kind === 'tasting' ? 'leafIsOut' : why, await brew());
      }
      return tastedWithLeafIn(row, inWaterUntil(state, at) ?? seconds(0), e.mark);
    }
    case 'pour': {
      const pours = poursWith(row, stateOf(row), { at, what: e.what, ml: e.ml });
      if (pours === null)
        throw refused(await brew(), 'notOnLeaf', 'This brew has no liquor on its leaf.');
      return { pours };
    }
    case 'colour':
    case 'solids':
      // It stands in the brew's story; nothing of the brew itself changes by it.
      if (row.pulled === null || row.state === 'abandoned')
        throw refusal('notPulled', await brew());
      return {};
    case 'tasteAgain':
      // The verdict of the brew stays as it was: this is another look at the cup.
      if (row.verdict === null)
        throw refused(await brew(), 'notJudged', 'Judge this cup before it is tasted again.');
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
        const held = row.vesselId && (await inVessel(tx, row.siteId, row.vesselId));
        if (held && held.id !== row.id)
          throw refused(await brew(), 'vesselInUse', `${held.tea} is in its vessel by now.`);
      }
      const step = advance(stateOf(row), { kind: e.kind, at });
      if (step.kind === 'refused') throw refusal(step.why, await brew());
      return {
        ...columnsOf(step.state),
        ...(await extras(tx, row, e, { state: step.state, at }, who)),
      };
    }
  }
}

const NOT_PULLED = {
  pulledBy: null,
  pulledDevice: null,
  timing: null,
  seen: null,
  error: null,
  pours: null,
  crowded: false,
} as const;
/** How an ended steep is kept: by the clock, by the colour that was seen, or by its taste. */
function pullOf(
  row: BrewRow,
  before: BrewState,
  { seen, mark }: Extract<BrewEventBody, { kind: 'pull' }>,
  steeped: Seconds,
) {
  const byTaste = endedByTaste(row, before, steeped, mark);
  if (seen !== undefined) return { ...byTaste, timing: 'byEye' as const, seen };
  if (byTaste) return { ...byTaste, timing: 'byTaste' as const };
  const { window } = row.plan.recipe;
  return {
    timing: pullKind(steeped, window),
    error: Math.round((steeped - window.best) * 10) / 10,
  };
}
/** What a step of the state machine sets besides the state. */
async function extras(
  tx: Tx,
  row: BrewRow,
  e: BrewEventBody,
  { state, at }: { state: BrewState; at: EpochMs },
  who: Signed,
): Promise<Partial<BrewRow>> {
  const before = stateOf(row);
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
        ...pullOf(row, before, e, steeped),
        ...(e.cup !== undefined && { pours: firstCup(row.plan, steeped, e.cup) }),
        crowded,
      };
    }
    case 'leafIn':
      return before.kind === 'tasting' ? leafInAgain(row, before, { at, mark: e.mark }) : {};
    case 'leafBack':
      return before.kind === 'pulled'
        ? { ...NOT_PULLED, ...leafPutBack(row, before, at, e.seconds) }
        : {};
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
        observed: e.observed && !isNothing(e.observed) ? e.observed : null,
        correction: correctionOf(e),
      };
    case 'abandon':
      return { remark: e.reason };
    default:
      return {};
  }
}

/** What became of the correction. */
function correctionOf(e: Extract<BrewEventBody, { kind: 'judge' }>) {
  if (e.proposal.lever === 'keep') return 'none';
  if (e.accepted) return 'taken';
  return 'notTaken';
}

/**
 * Adds one thing that happened to a brew, in the transaction `tx`. The first of two wins; the second is refused with
 * the name of the first. A repeated id changes nothing.
 */
export async function addEventIn(
  tx: Tx,
  id: string,
  given: BrewEventBody,
  who: Signed,
  now: number,
): Promise<Brew> {
  const [row] = await tx.select().from(brews).where(eq(brews.id, id)).for('update');
  if (!row) throw notFound('That brew');
  const known = await eventById(tx, given.id);
  if (known && (known.brewId !== id || known.kind !== given.kind))
    throw refused(
      await requireBrew(tx, id),
      'idTaken',
      'This record belongs to another brew. Nothing was changed.',
    );
  if (known) return requireBrew(tx, id);
  if (who.lockedAs !== null && given.kind !== 'pull' && given.kind !== 'undo')
    throw new AppError('session.locked', 423, 'This tablet is locked: type a PIN first.');
  mustWorkAt(who, row.siteId);
  const at = momentOf(row, given.at, now);
  await refuseImpossible(tx, row, given.kind, at);
  const kept = {
    id: given.id,
    brewId: id,
    kind: given.kind,
    at: new Date(at),
    received: new Date(now),
    personId: who.lockedAs === null ? who.personId : null,
    device: who.lockedAs,
    body: given,
    undone: false,
  };
  let queue = false;
  if (given.kind === 'undo') {
    queue = await undoLast(tx, row, given.of, who);
    await tx.insert(brewEvents).values(kept);
  } else {
    const set = await changed(tx, row, given, at, who);
    await tx.insert(brewEvents).values({ ...kept, before: snapshotOf(row) });
    if (Object.keys(set).length > 0) await tx.update(brews).set(set).where(eq(brews.id, id));
    if (set.observed) await keepTerms(tx, id, set.observed);
    if (given.kind === 'judge' && given.accepted && given.proposal.lever !== 'keep') {
      await tx.insert(leadNotes).values({
        id: given.id,
        teaId: row.teaId,
        brewId: id,
        personId: who.personId,
        at: new Date(at),
        headline: given.proposal.headline,
        change: given.proposal.change,
        found: foundWords(given.verdict, row.plan.wish),
      });
    }
  }
  if (given.kind === 'abandon') {
    queue =
      (
        await tx
          .update(orders)
          .set({ state: 'waiting' })
          .where(and(eq(orders.brewId, id), eq(orders.state, 'started')))
      )[0].affectedRows > 0;
    if (isLeafUnused(row, given.reason)) await returnPockets(tx, row);
  }
  const brew = await requireBrew(tx, id);
  await announce(tx, brew, queue, now);
  return brew;
}
