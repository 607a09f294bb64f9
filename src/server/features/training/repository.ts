import { and, asc, desc, eq, gte, inArray, sql } from 'drizzle-orm';
import type { Drill, Skill } from '#core/training';
import type { DrillAnswer, SignEventBody, SpoonWeighing } from '#contracts/training';
import type { Tx } from '../../db/pool';
import { drillAnswers, people, signEvents, spoonWeighings, tastingSeats } from '../../db/schema';

export type AnswerRow = typeof drillAnswers.$inferSelect;
export const asAnswer = (a: AnswerRow): DrillAnswer => ({
  id: a.id,
  at: a.at.getTime(),
  day: a.day,
  drill: a.drill as Drill,
  level: a.level,
  credit: a.credit,
  guess: a.guess,
  judged: a.judged,
  ms: a.ms,
  disputed: a.dispute === 'open' || a.dispute === 'wrong',
});
export async function answerById(tx: Tx, id: string): Promise<AnswerRow | undefined> {
  const [row] = await tx.select().from(drillAnswers).where(eq(drillAnswers.id, id));
  return row;
}
/** Answers of those people since then, by person, in the order of time. */
export async function answersSince(
  tx: Tx,
  personIds: readonly string[],
  since: number,
): Promise<Map<string, DrillAnswer[]>> {
  const found = new Map<string, DrillAnswer[]>(personIds.map((id) => [id, []]));
  if (personIds.length === 0) return found;
  const rows = await tx
    .select()
    .from(drillAnswers)
    .where(
      and(inArray(drillAnswers.personId, [...personIds]), gte(drillAnswers.at, new Date(since))),
    )
    .orderBy(asc(drillAnswers.at), asc(drillAnswers.id));
  for (const row of rows) found.get(row.personId ?? '')?.push(asAnswer(row));
  return found;
}
export async function weighingById(
  tx: Tx,
  id: string,
): Promise<{ personId: string; weighing: SpoonWeighing } | undefined> {
  const [row] = await tx.select().from(spoonWeighings).where(eq(spoonWeighings.id, id));
  if (!row) return undefined;
  const { teaId, spoon, singles } = row;
  const weighing = { id, at: row.at.getTime(), teaId, spoon, singles: [...singles] };
  return { personId: row.personId, weighing };
}
/** What people of a site say is wrong, the newest first. */
export const disputedAt = (tx: Tx, siteId: string) =>
  tx
    .select({ a: drillAnswers, by: people.name })
    .from(drillAnswers)
    .innerJoin(people, eq(people.id, drillAnswers.personId))
    .where(and(eq(drillAnswers.siteId, siteId), eq(drillAnswers.dispute, 'open')))
    .orderBy(desc(drillAnswers.at));

const signRows = (tx: Tx) =>
  tx
    .select({ s: signEvents, by: people.name })
    .from(signEvents)
    .innerJoin(people, eq(people.id, signEvents.byId));
type SignRow = Awaited<ReturnType<typeof signRows>>[number];
const asSign = ({ s, by }: SignRow): SignEventBody => ({
  id: s.id,
  skill: s.skill as Skill,
  kind: s.kind,
  day: s.day,
  until: s.until,
  note: s.note,
  by,
});
export async function signById(tx: Tx, id: string): Promise<SignEventBody | undefined> {
  const [row] = await signRows(tx).where(eq(signEvents.id, id));
  return row && asSign(row);
}
/** Sign-offs of those people, by person, in the order in which they came. */
export async function signsOf(
  tx: Tx,
  personIds: readonly string[],
): Promise<Map<string, SignEventBody[]>> {
  const found = new Map<string, SignEventBody[]>(personIds.map((id) => [id, []]));
  if (personIds.length === 0) return found;
  const rows = await signRows(tx)
    .where(inArray(signEvents.personId, [...personIds]))
    .orderBy(asc(signEvents.at), asc(signEvents.id));
  for (const row of rows) found.get(row.s.personId)?.push(asSign(row));
  return found;
}
/** Answers are kept to so many ms once nobody is named beside them. */
const COARSE_MS = 10_000;
/**
 * Sign-offs and weighed spoons of a person are deleted, and where they tasted is not found by person any more; answers
 * lose person, site, hour and day of the month, and their ids, which tell the moment they were made.
 */
export async function removeTrainingOf(
  tx: Tx,
  personId: string,
): Promise<{ answers: number; signs: number }> {
  await tx.delete(spoonWeighings).where(eq(spoonWeighings.personId, personId));
  await tx.delete(tastingSeats).where(eq(tastingSeats.personId, personId));
  const [signs] = await tx.delete(signEvents).where(eq(signEvents.personId, personId));
  // Of the site's day, for both: the instant alone may be in the month before or after.
  const month = sql`date_format(${drillAnswers.day}, '%Y-%m-01')`;
  const [answers] = await tx
    .update(drillAnswers)
    .set({
      ...{ id: sql`uuid()`, personId: null, siteId: null },
      ...{ at: month, day: month },
      ms: sql`${COARSE_MS} * round(${drillAnswers.ms} / ${COARSE_MS})`,
    })
    .where(eq(drillAnswers.personId, personId));
  return { answers: answers.affectedRows, signs: signs.affectedRows };
}
