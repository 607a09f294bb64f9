import { z } from 'zod';
import type { Celsius, Grams, Millilitres } from '#core/units';
import { Id, Instant, quantity, Text } from './primitives';
import { MarkBody, ObservedBody, ProposalBody, VerdictBody } from './verdicts';

// What happens to a brew, from the water to the verdict.

/** Out of a pot at once, ml. */
export const PouredMl = quantity<Millilitres>({ min: 1, max: 20_000 });

export const COLOUR_WAYS = ['reference', 'rim', 'instrument'] as const;
/** Which cup is tasted again: as it was served, or what it was made into. */
export const TASTED_CUPS = ['served', 'rescued'] as const;
export type TastedCup = (typeof TASTED_CUPS)[number];
export const Strength = z.number().min(0.01).max(20);
export const SolidsBody = z.number().min(0.1).max(60);
/** One thing that happened to a brew. A repeated id gets the same answer again. */
export const BrewEventBody = z.discriminatedUnion('kind', [
  z.strictObject({ id: Id, at: Instant, kind: z.literal('waterOn') }),
  z.strictObject({
    id: Id,
    at: Instant,
    kind: z.literal('pull'),
    /** By eye, because of its colour: the step that was seen. Absent: by the clock, or by its taste. */
    seen: MarkBody.optional(),
    /** By its taste: how it was found. */
    mark: MarkBody.optional(),
    /** One cup is poured, ml, and the rest stays on the leaf. Absent: the steep ends for all of it. */
    cup: PouredMl.optional(),
  }),
  /** The leaf comes out to be tasted, and goes in again. */
  z.strictObject({ id: Id, at: Instant, kind: z.literal('leafOut') }),
  z.strictObject({ id: Id, at: Instant, kind: z.literal('leafIn'), mark: MarkBody.optional() }),
  /** Tasted with the leaf in; how it was found, where that was said. */
  z.strictObject({ id: Id, at: Instant, kind: z.literal('taste'), mark: MarkBody.optional() }),
  /** One more cup of what stays on the leaf, or hot water on that leaf again. */
  z.strictObject({
    id: Id,
    at: Instant,
    kind: z.literal('pour'),
    what: z.enum(['cup', 'refill']),
    ml: PouredMl,
  }),
  z.strictObject({ id: Id, at: Instant, kind: z.literal('undoPull') }),
  /** The leaf goes back into the cup for so many seconds more. */
  z.strictObject({
    id: Id,
    at: Instant,
    kind: z.literal('leafBack'),
    seconds: z.number().int().min(10).max(600),
  }),
  /** Off the bar without a verdict. */
  z.strictObject({ id: Id, at: Instant, kind: z.literal('close') }),
  z.strictObject({
    id: Id,
    at: Instant,
    kind: z.literal('step'),
    key: z.string().max(12),
    outcome: z.enum(['done', 'skipped']),
    grams: quantity<Grams>({ min: 0, max: 40_000 }).optional(),
    celsius: quantity<Celsius>({ min: -20, max: 110 }).optional(),
  }),
  z.strictObject({
    id: Id,
    at: Instant,
    kind: z.literal('reading'),
    celsius: quantity<Celsius>({ min: -20, max: 110 }),
  }),
  /**
   * How strong its colour says it is, against the house cup: from a picture or an instrument. The picture is not
   * kept.
   */
  z.strictObject({
    id: Id,
    at: Instant,
    kind: z.literal('colour'),
    way: z.enum(COLOUR_WAYS),
    strength: Strength,
    low: Strength,
    high: Strength,
    depthCm: z.number().min(0.3).max(20),
  }),
  /** Dissolved solids of it by refractometer, cooled and zeroed on its water. */
  z.strictObject({ id: Id, at: Instant, kind: z.literal('solids'), gramsPerLitre: SolidsBody }),
  /** Pulled and judged together with another of the same tea. */
  z.strictObject({ id: Id, at: Instant, kind: z.literal('pair'), with: Id }),
  /** Pulled on a shared tablet: it was me. */
  z.strictObject({ id: Id, at: Instant, kind: z.literal('claim') }),
  /** Tasted once more after it was judged: by a lead as it was served, or by anybody after it was rescued. */
  z.strictObject({
    id: Id,
    at: Instant,
    kind: z.literal('tasteAgain'),
    cup: z.enum(TASTED_CUPS),
    verdict: VerdictBody,
  }),
  /** Takes the last thing that was done to it back. */
  z.strictObject({ id: Id, at: Instant, kind: z.literal('undo'), of: Id }),
  z.strictObject({ id: Id, at: Instant, kind: z.literal('abandon'), reason: Text(200) }),
  z.strictObject({
    id: Id,
    at: Instant,
    kind: z.literal('judge'),
    verdict: VerdictBody,
    proposal: ProposalBody,
    accepted: z.boolean(),
    remark: Text(200),
    observed: ObservedBody.optional(),
  }),
]);
export type BrewEventBody = z.infer<typeof BrewEventBody>;
