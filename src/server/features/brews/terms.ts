import { and, asc, eq, exists, inArray, type SQL, sql } from 'drizzle-orm';
import { type Observed, observedTerms } from '#core/brews';
import type { Tx } from '../../db/pool';
import { brews, brewTerms } from '../../db/schema';

// The terms a judged cup is found by in the log: an index over what was observed.

/** Terms of one brew anew; null: it has none any more. */
export async function keepTerms(tx: Tx, brewId: string, observed: Observed | null): Promise<void> {
  await tx.delete(brewTerms).where(eq(brewTerms.brewId, brewId));
  const terms = observed === null ? [] : observedTerms(observed);
  if (terms.length === 0) return;
  // To the database two spellings may be one word ("thé", "the"): it keeps the first.
  await tx
    .insert(brewTerms)
    .ignore()
    .values(terms.map((term) => ({ term, brewId })));
}

/** So few brews with a term are looked at one by one. */
const FEW = 1000;
/** Brews that were noted with a term, and how they are best found. */
export type NotedWith =
  { readonly kind: 'never' } | { readonly kind: 'few' | 'many'; readonly where: SQL };
export async function notedWith(tx: Tx, asked: string): Promise<NotedWith> {
  const term = asked.toLowerCase();
  const some = await tx
    .select({ id: brewTerms.brewId })
    .from(brewTerms)
    .where(eq(brewTerms.term, term))
    .limit(FEW + 1);
  if (some.length === 0) return { kind: 'never' };
  if (some.length <= FEW)
    return {
      kind: 'few',
      where: inArray(
        brews.id,
        some.map(({ id }) => id),
      ),
    };
  const has = tx
    .select({ one: sql`1` })
    .from(brewTerms)
    .where(and(eq(brewTerms.term, term), eq(brewTerms.brewId, brews.id)));
  return { kind: 'many', where: exists(has) };
}

/** More terms than this are no list to pick from. */
const MOST_TERMS = 400;
/** Every term that a cup of this house was noted with. */
export const knownTerms = async (tx: Tx): Promise<string[]> =>
  (
    await tx
      .selectDistinct({ term: brewTerms.term })
      .from(brewTerms)
      .orderBy(asc(brewTerms.term))
      .limit(MOST_TERMS)
  ).map(({ term }) => term);
