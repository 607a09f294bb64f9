import { ATTRIBUTE_NAMES, isRight, nearestMark, type Verdict } from '#core/corrections';
import { normal, type Random } from '#core/numeric';
import type { TastedCup } from '#contracts/brewEvents';
import type { brewEvents, brews } from '../db/schema';
import { DAY } from './making';

// Cups that were tasted once more: after a rescue by whoever judged them, and as they were served by a lead.

/** Of the last days' cups that were off, so many are rescued and tasted again, and so many a lead looks at too. */
const LAST_DAYS = 30;
const RESCUED = 0.06;
const BY_LEAD = 0.05;
/** So long after the verdict. */
const AFTER_MS = 60_000;
/** A lead's eye differs by so much, marks. */
const EYES_APART = 0.7;

/** Most of what was off is gone; now and then nothing changed. */
function afterRescue(random: Random, verdict: Verdict): Verdict {
  const left = random() < 0.85 ? 0.4 : 1;
  const marks = ATTRIBUTE_NAMES.map((a) => [a, nearestMark(left * verdict[a])] as const);
  return { ...verdict, ...Object.fromEntries(marks), colour: nearestMark(left * verdict.colour) };
}
const asLeadSaw = (random: Random, verdict: Verdict): Verdict => ({
  ...verdict,
  colour: nearestMark(verdict.colour + normal(random, 0, EYES_APART)),
});

export function tastedAgain(
  random: Random,
  rows: readonly (typeof brews.$inferInsert)[],
  { lead, now, makeId }: { lead: string | null; now: number; makeId: (ms: number) => string },
): (typeof brewEvents.$inferInsert)[] {
  const recent = rows.filter((r) => r.startedAt.getTime() > now - LAST_DAYS * DAY);
  return recent.flatMap((row) => {
    // Drawn for every brew, so that one of them changes nothing for the rest.
    const chance = random();
    const { verdict, judgedBy, ended } = row;
    if (!verdict || !judgedBy || !ended || isRight(verdict)) return [];
    if (ended.getTime() + AFTER_MS > now) return [];
    const event = (cup: TastedCup, personId: string, marks: Verdict) => {
      const at = ended.getTime() + AFTER_MS;
      const id = makeId(at);
      const body = { id, at, kind: 'tasteAgain', cup, verdict: marks } as const;
      const when = { at: new Date(at), received: new Date(at) };
      const made = { kind: body.kind, personId, device: null, before: null, undone: false };
      return [{ id, brewId: row.id, ...when, ...made, body }];
    };
    if (chance < RESCUED) return event('rescued', judgedBy, afterRescue(random, verdict));
    if (lead !== null && lead !== judgedBy && chance < RESCUED + BY_LEAD)
      return event('served', lead, asLeadSaw(random, verdict));
    return [];
  });
}
