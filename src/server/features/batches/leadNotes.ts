import { eq } from 'drizzle-orm';
import { verdictWords } from '#core/corrections';
import type { Batch } from '#contracts/batches';
import type { BatchEventBody } from '#contracts/batchEvents';
import type { Tx } from '../../db/pool';
import { leadNotes } from '../../db/schema';
import type { Signed } from '../../http/route';

/** A correction that the taster wants the lead to see becomes a note at the tea; taken back, the note goes. */
export async function tellLead(
  tx: Tx,
  batch: Batch,
  given: BatchEventBody,
  who: Signed,
): Promise<void> {
  if (given.kind === 'undo') {
    await tx.delete(leadNotes).where(eq(leadNotes.id, given.of));
    return;
  }
  if (given.kind !== 'taste' || !given.accepted || given.proposal.lever === 'keep') return;
  await tx.insert(leadNotes).values({
    id: given.id,
    teaId: batch.tea.id,
    batchId: batch.id,
    personId: who.personId,
    at: new Date(given.at),
    headline: given.proposal.headline,
    change: given.proposal.change,
    found: verdictWords(given.verdict),
  });
}
