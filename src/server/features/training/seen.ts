import { and, desc, eq, gt, inArray, isNotNull, isNull, ne, notInArray, or } from 'drizzle-orm';
import { leafShareOf } from '#core/brews';
import { offBy } from '#core/corrections';
import { isFromPacket } from '#core/recipes';
import {
  BATCHES_SEEN,
  batchesSeen,
  calibrationSeen,
  COLOURS_SEEN,
  coloursSeen,
  CORRECTIONS_SEEN,
  correctionsSeen,
  DRAFTS_SEEN,
  draftsTakenSeen,
  HEAT_SEEN,
  heatSeen,
  isBatchRight,
  LADDERS_SEEN,
  laddersSeen,
  LEAF_SEEN,
  leafWeighedSeen,
  PULLS_SEEN,
  pullsSeen,
  RESCUES_SEEN,
  rescuesSeen,
  type Seen,
  spoonsWeighedSeen,
  tablesLedSeen,
} from '#core/training';
import { type Outcome, outcomeOf } from '#core/trends';
import type { Practice } from '#contracts/training';
import type { Tx } from '../../db/pool';
import { brewEvents, brews, people, spoonWeighings, versions } from '../../db/schema';
import { batchesEndedOf } from '../batches';
import { tableResult } from './tables';

/** Brews that are looked through for what is not done to every one: leaf weighed, heat read, tasted again. */
const LOOKED_THROUGH = 100;

/** Whether the last pulls of a person were in their window, the oldest first. */
async function pullsOf(tx: Tx, personId: string): Promise<boolean[]> {
  const rows = await tx
    .select({ timing: brews.timing })
    .from(brews)
    .where(
      and(
        ...[eq(brews.pulledBy, personId), isNotNull(brews.pulled), isNotNull(brews.timing)],
        // A steep that was ended by its colour or its taste was never by the clock.
        notInArray(brews.timing, ['byEye', 'byTaste']),
      ),
    )
    .orderBy(desc(brews.pulled))
    .limit(PULLS_SEEN);
  return rows.map((r) => r.timing === 'inWindow').reverse();
}
/** Of the brews a person began: leaf on the scale as a share of the card, and heat on the leaf against it, °C. */
async function measuredBy(tx: Tx, personId: string): Promise<{ leaf: number[]; heat: number[] }> {
  const rows = await tx
    .select({ readings: brews.readings, marks: brews.marks, plan: brews.plan })
    .from(brews)
    .where(and(eq(brews.startedBy, personId), ne(brews.state, 'abandoned')))
    .orderBy(desc(brews.startedAt))
    .limit(LOOKED_THROUGH);
  const leaf = rows.flatMap(({ marks, plan }) => leafShareOf(plan, marks) ?? []);
  const heat = rows.flatMap(({ readings, plan }) => {
    const [first] = readings;
    return first ? [first.celsius - plan.onLeaf] : [];
  });
  return {
    leaf: leaf.slice(0, LEAF_SEEN).reverse(),
    heat: heat.slice(0, HEAT_SEEN).reverse(),
  };
}

/** The last cups a person judged, the newest first, and how each was tasted again. */
async function judgedBy(tx: Tx, personId: string) {
  const cups = await tx
    .select({ id: brews.id, verdict: brews.verdict })
    .from(brews)
    .where(and(eq(brews.judgedBy, personId), isNotNull(brews.verdict)))
    .orderBy(desc(brews.startedAt))
    .limit(LOOKED_THROUGH);
  if (cups.length === 0) return [];
  const ids = cups.map((cup) => cup.id);
  const again = await tx
    .select({ brewId: brewEvents.brewId, body: brewEvents.body, by: people.id, role: people.role })
    .from(brewEvents)
    .innerJoin(people, eq(people.id, brewEvents.personId))
    .where(
      and(
        inArray(brewEvents.brewId, ids),
        eq(brewEvents.kind, 'tasteAgain'),
        eq(brewEvents.undone, false),
      ),
    )
    .orderBy(desc(brewEvents.at));
  return cups.flatMap(({ id, verdict }) => {
    if (!verdict) return [];
    const of = again.flatMap(({ brewId, body, by, role }) =>
      brewId === id && 'kind' in body && body.kind === 'tasteAgain'
        ? [{ cup: body.cup, verdict: body.verdict, isOfLead: role === 'lead' && by !== personId }]
        : [],
    );
    return [{ verdict, again: of }];
  });
}
type JudgedCups = Awaited<ReturnType<typeof judgedBy>>;
/** Colour marks of a person against a lead's of the same cup, as it was served; the oldest first. */
const coloursApart = (cups: JudgedCups): number[] =>
  cups
    .flatMap(({ verdict, again }) => {
      const lead = again.find((a) => a.cup === 'served' && a.isOfLead);
      return lead ? [verdict.colour - lead.verdict.colour] : [];
    })
    .slice(0, COLOURS_SEEN)
    .reverse();
/** Marks off before a rescue and after it; the oldest first. */
const rescuesOf = (cups: JudgedCups) =>
  cups
    .flatMap(({ verdict, again }) => {
      const rescued = again.find((a) => a.cup === 'rescued');
      return rescued ? [{ before: offBy(verdict), after: offBy(rescued.verdict) }] : [];
    })
    .slice(0, RESCUES_SEEN)
    .reverse();

/** The next judged cup of its tea after each of a person's last corrections; the oldest first. */
async function correctionsOf(tx: Tx, personId: string): Promise<Outcome[]> {
  const taken = await tx
    .select({
      ...{ verdict: brews.verdict, teaId: brews.teaId, siteId: brews.siteId },
      startedAt: brews.startedAt,
    })
    .from(brews)
    .where(and(eq(brews.judgedBy, personId), eq(brews.correction, 'taken')))
    .orderBy(desc(brews.startedAt))
    .limit(CORRECTIONS_SEEN);
  const outcomes = await Promise.all(
    taken.map(async ({ verdict, teaId, siteId, startedAt }) => {
      const [next] = await tx
        .select({ verdict: brews.verdict })
        .from(brews)
        .where(
          and(
            ...[eq(brews.teaId, teaId), eq(brews.siteId, siteId), gt(brews.startedAt, startedAt)],
            isNotNull(brews.verdict),
          ),
        )
        .orderBy(brews.startedAt)
        .limit(1);
      return verdict && next?.verdict ? outcomeOf(verdict, next.verdict) : null;
    }),
  );
  return outcomes.filter((outcome) => outcome !== null).reverse();
}
/** Whether the last cold batches of a person were right, the oldest first; those taken back are no batches. */
async function batchesOf(tx: Tx, personId: string): Promise<boolean[]> {
  const ended = await batchesEndedOf(tx, personId, 2 * BATCHES_SEEN);
  return ended
    .flatMap((b) => isBatchRight(b) ?? [])
    .slice(0, BATCHES_SEEN)
    .reverse();
}
type Tables = Practice['tables'];
/** Kendall's tau of a person's last ladders, the oldest first. */
async function tausOf(tx: Tx, personId: string, tables: Tables): Promise<number[]> {
  const ladders = tables.filter((t) => t.sat && t.kind === 'ladder').slice(0, LADDERS_SEEN);
  const results = await Promise.all(ladders.map((t) => tableResult(tx, t.id)));
  return results.flatMap((r) => r?.ordering(personId) ?? []).reverse();
}
/** Of the last calibration a person sat in: which attributes were flagged. */
async function flaggedOf(tx: Tx, personId: string, tables: Tables): Promise<boolean[]> {
  const last = tables.find((t) => t.sat && t.kind === 'calibration');
  return last ? ((await tableResult(tx, last.id))?.flagged(personId) ?? []) : [];
}
/** The last spoons a person weighed one by one; null: none. */
async function spoonsOf(tx: Tx, personId: string) {
  const [last] = await tx
    .select({ singles: spoonWeighings.singles })
    .from(spoonWeighings)
    .where(eq(spoonWeighings.personId, personId))
    .orderBy(desc(spoonWeighings.at))
    .limit(1);
  return last?.singles ?? null;
}
/** Of the recipes a person drafted from a packet: whether another took them; the oldest first. */
async function draftsOf(tx: Tx, personId: string): Promise<boolean[]> {
  const rows = await tx
    .select({ recipe: versions.recipe, takenBy: versions.takenBy, state: versions.state })
    .from(versions)
    .where(
      and(
        eq(versions.authorId, personId),
        isNull(versions.authorThere),
        or(eq(versions.state, 'draft'), isNotNull(versions.takenBy)),
      ),
    )
    .orderBy(desc(versions.at));
  return rows
    .filter(({ recipe, takenBy }) => isFromPacket(recipe) && takenBy !== personId)
    .slice(0, DRAFTS_SEEN)
    .map(({ takenBy }) => takenBy !== null)
    .reverse();
}
/** What was seen of a person at the bar, at the table and of cold batches. */
export async function seenOf(tx: Tx, personId: string, tables: Tables): Promise<Seen[]> {
  const led = tables.filter((t) => t.led).map((t) => t.kind);
  const measured = await measuredBy(tx, personId);
  const cups = await judgedBy(tx, personId);
  const seen = [
    leafWeighedSeen(measured.leaf),
    spoonsWeighedSeen(await spoonsOf(tx, personId)),
    draftsTakenSeen(await draftsOf(tx, personId)),
    heatSeen(measured.heat),
    pullsSeen(await pullsOf(tx, personId)),
    laddersSeen(await tausOf(tx, personId, tables)),
    coloursSeen(coloursApart(cups)),
    calibrationSeen(await flaggedOf(tx, personId, tables)),
    correctionsSeen(await correctionsOf(tx, personId)),
    rescuesSeen(rescuesOf(cups)),
    batchesSeen(await batchesOf(tx, personId)),
    tablesLedSeen(led),
  ];
  return seen.filter((s) => s !== null);
}
