import { z } from 'zod';
import { DISCARD_REASON_NAMES, type DiscardReason } from '#core/cold';
import type { Celsius } from '#core/units';
import { At, Ml, Place, Poured } from './batchPlan';
import { Id, Instant, oneOf, quantity, Text } from './primitives';
import { ObservedBody, ProposalBody, VerdictBody } from './verdicts';

const lift = {
  kind: z.literal('lift'),
  /** As measured; null: as reckoned. */
  yield: Ml.nullable(),
  squeezed: z.boolean(),
};
/** Of warm-then-cold: the cold water is on. */
const coldOn = { kind: z.literal('coldOn') };
const pour = {
  kind: z.literal('pour'),
  ml: Poured,
  glasses: z.number().int().min(1).max(200).nullable(),
};
const dilute = { kind: z.literal('dilute'), ml: Poured };
const count = { kind: z.literal('count'), ml: Ml };
const discard = {
  kind: z.literal('discard'),
  ml: Ml,
  reason: oneOf<DiscardReason>(DISCARD_REASON_NAMES),
};
const taste = {
  kind: z.literal('taste'),
  verdict: VerdictBody,
  proposal: ProposalBody,
  /** The lead is to see the correction. */
  accepted: z.boolean(),
  remark: z.string().max(200),
  observed: ObservedBody.optional(),
};
const endChosen = { until: At, reason: Text(200) };
const shorten = { kind: z.literal('shorten'), ...endChosen };
const override = { kind: z.literal('override'), ...endChosen };
const NamedVessel = z.strictObject({ id: Id, name: z.string().max(60) });
const decant = { kind: z.literal('decant'), from: NamedVessel, to: NamedVessel };
/** Out of the fridge or into it; `air`: of the place it stands in now. */
const shelve = {
  kind: z.literal('shelve'),
  place: Place,
  air: quantity<Celsius>({ min: -5, max: 45 }),
};
const retime = { kind: z.literal('retime'), from: At, to: At };
/** A label was printed that says so. */
const label = { kind: z.literal('label'), until: At };
/** The double of that batch. */
const voided = { kind: z.literal('void'), double: Id };
const undo = { kind: z.literal('undo'), of: Id };
const made = { id: Id, at: Instant };
/** One thing done to a batch. A repeated id gets the same answer again. */
export const BatchEventBody = z.discriminatedUnion('kind', [
  z.strictObject({ ...made, ...lift }),
  z.strictObject({ ...made, ...coldOn }),
  z.strictObject({ ...made, ...pour }),
  z.strictObject({ ...made, ...dilute }),
  z.strictObject({ ...made, ...count }),
  z.strictObject({ ...made, ...discard }),
  z.strictObject({ ...made, ...taste }),
  z.strictObject({ ...made, ...label }),
  z.strictObject({ ...made, ...shorten }),
  z.strictObject({ ...made, ...override }),
  z.strictObject({ ...made, ...decant }),
  z.strictObject({ ...made, ...shelve }),
  z.strictObject({ ...made, ...retime }),
  z.strictObject({ ...made, ...voided }),
  z.strictObject({ ...made, ...undo }),
]);
export type BatchEventBody = z.infer<typeof BatchEventBody>;

/** What happened to a batch, by whom. */
const kept = { id: Id, at: At, by: z.string(), flag: z.string().nullable() };
export const BatchHappened = z.discriminatedUnion('kind', [
  z.strictObject({ ...kept, ...lift }),
  z.strictObject({ ...kept, ...coldOn }),
  z.strictObject({ ...kept, ...pour }),
  z.strictObject({ ...kept, ...dilute }),
  z.strictObject({ ...kept, ...count }),
  z.strictObject({ ...kept, ...discard }),
  z.strictObject({ ...kept, ...taste }),
  z.strictObject({ ...kept, ...label }),
  z.strictObject({ ...kept, ...shorten }),
  z.strictObject({ ...kept, ...override }),
  z.strictObject({ ...kept, ...decant }),
  z.strictObject({ ...kept, ...shelve }),
  z.strictObject({ ...kept, ...retime }),
  z.strictObject({ ...kept, ...voided }),
  z.strictObject({ ...kept, ...undo }),
]);
export type BatchHappened = z.infer<typeof BatchHappened>;
