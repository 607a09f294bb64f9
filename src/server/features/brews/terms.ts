import { asc, eq, exists, type SQL, sql } from 'drizzle-orm';
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

/** Brews that were noted with a term. */
export const hasTerm = (tx: Tx, term: string): SQL =>
  exists(
    tx
      .select({ one: sql`1` })
      .from(brewTerms)
      .where(sql`${brewTerms.term} = ${term.toLowerCase()} and ${brewTerms.brewId} = ${brews.id}`),
  );

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
