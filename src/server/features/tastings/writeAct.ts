import { eq } from 'drizzle-orm';
import {
  type Exercise,
  foldTasting,
  missing,
  type Refusal,
  type Taster,
  type TastingAct,
  type TastingEvent,
  validateAct,
} from '#core/tastings';
import type { Tx } from '../../db/pool';
import { tastingEvents, tastings } from '../../db/schema';
import { AppError } from '../../http/errors';
import { appendEvents } from '../live';
import { eventsAt, type Found, seatTasters } from './repository';

function words(
  why: Refusal,
  act: TastingAct,
  e: Exercise,
  events: readonly TastingEvent[],
): string {
  const now = foldTasting(e, events);
  const name =
    'taster' in act ? (now.tasters.find((t) => t.id === act.taster)?.name ?? 'That taster') : '';
  switch (why) {
    case 'over':
      return now.stage === 'revealed'
        ? 'It is revealed: nothing is changed after that.'
        : 'This tasting was stopped.';
    case 'notStarted':
      return 'The water is not on yet.';
    case 'alreadyStarted':
      return `${events.find((x) => x.act.kind === 'start')?.by.name ?? 'Somebody'} started the clock before you.`;
    case 'noSuchCup':
      return 'There is no such cup.';
    case 'noSuchTaster':
      return 'That person does not taste here.';
    case 'noSuchCode':
      return 'No bowl of yours has that code.';
    case 'notYours':
      return 'That is for whoever runs this tasting.';
    case 'alreadyHandedIn':
      return `${name} has submitted a sheet. The first sheet is kept.`;
    case 'anothersSheet':
      return `${name} wrote this sheet. Only ${name} can change it.`;
    case 'notPulled':
      return 'It is not poured off yet.';
    case 'notPoured':
      return 'There is no water on that cup yet.';
    case 'alreadyPulled':
      return 'It is poured off already.';
    case 'sheetsMissing':
      return `Still missing: ${missing(now)
        .map((t) => t.name)
        .join(', ')}.`;
    case 'orderIncomplete':
      return 'Put every cup in its place first.';
    case 'choiceMissing':
      return 'Choose one of your bowls first.';
    case 'nothingHandedIn':
      return 'Nobody has submitted a sheet: there is nothing to reveal.';
    case 'cannotUndo':
      return 'That cannot be taken back.';
  }
}

type Written = {
  readonly id: string;
  readonly at: number;
  readonly act: TastingAct;
  readonly received: number;
  readonly by: Taster;
  /** Whoever set it up, or a lead. */
  readonly runs: boolean;
  /** The guest's seat; null: somebody who works here. */
  readonly guestId: string | null;
};
/**
 * One act at a table, under the lock that the caller holds: allowed or refused by what has happened so far. A repeated
 * id changes nothing. @returns everything that happened, with it @throws 403 or 409 where it is refused
 */
export async function writeAct(
  tx: Tx,
  f: Found,
  { id, at, act, received, by, runs, guestId }: Written,
): Promise<TastingEvent[]> {
  const { exercise } = f.t;
  const events = await eventsAt(tx, f.t.id);
  if (events.some((e) => e.id === id)) return events;
  const why = validateAct(exercise, events, act, { id: by.id, runs });
  if (why)
    throw new AppError(
      'table.refused',
      why === 'notYours' ? 403 : 409,
      words(why, act, exercise, events),
      { details: { why } },
    );
  const all = [...events, { id, at, by, act }];
  await tx.insert(tastingEvents).values({
    ...{ id, tastingId: f.t.id, seq: all.length, act, guestId },
    ...{ at: new Date(at), received: new Date(received) },
    // A guest has no account: whoever set the table up let them in.
    personId: guestId === null ? by.id : f.setBy.id,
  });
  const after = foldTasting(exercise, all);
  const handedIn = after.tasters.filter((t) => t.handedIn !== null).length;
  await tx.update(tastings).set({ stage: after.stage, handedIn }).where(eq(tastings.id, f.t.id));
  if (act.kind === 'handIn') await seatTasters(tx, f.t.id, after);
  await appendEvents(tx, f.t.siteId, [['table', f.t.id]], received);
  return all;
}
