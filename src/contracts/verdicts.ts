import { z } from 'zod';
import { CLARITIES, MOST_WORDS, type Observed } from '#core/brews';
import {
  type Mark,
  type Proposal,
  PROPOSED_LEVERS,
  TURNED_LEVERS,
  type Verdict,
} from '#core/corrections';
import type { Millilitres } from '#core/units';
import { quantity } from './primitives';

// What is said of a judged cup, and what is proposed for it.

export const MarkBody = z.union([
  z.literal(-2),
  z.literal(-1),
  z.literal(0),
  z.literal(1),
  z.literal(2),
]) satisfies z.ZodType<Mark>;
export const VerdictBody = z.strictObject({
  colour: MarkBody,
  strength: MarkBody,
  bitterness: MarkBody,
  astringency: MarkBody,
  sweetness: MarkBody,
  aroma: MarkBody,
}) satisfies z.ZodType<Verdict>;
const Index = z.number().min(0).max(10);
const IndicesBody = z.strictObject({
  strength: Index,
  bitterness: Index,
  astringency: Index,
  sweetness: Index,
  aroma: Index,
  colour: Index,
});
/** A correction as it was proposed and what was expected of it, kept with the brew. */
export const ProposalBody = z.strictObject({
  rowId: z.string().max(40),
  lever: z.enum(PROPOSED_LEVERS),
  headline: z.string().max(120),
  change: z.string().max(300),
  reason: z.string().max(500),
  turns: z
    .array(z.strictObject({ lever: z.enum(TURNED_LEVERS), from: z.number(), to: z.number() }))
    .max(3)
    .readonly(),
  expected: z.strictObject({ now: IndicesBody, then: IndicesBody }).nullable(),
  second: z.strictObject({ headline: z.string().max(120), change: z.string().max(300) }).nullable(),
  partly: z.boolean(),
  cup: z.strictObject({
    kind: z.enum(['returnLeaf', 'hotWater', 'coldWater', 'split', 'none']),
    water: quantity<Millilitres>({ min: 0, max: 20_000 }),
    text: z.string().max(500),
    share: z.number().min(0.05).max(0.95).optional(),
  }),
}) satisfies z.ZodType<Proposal>;
const WordsBody = z
  .array(z.string().trim().min(1).max(40, 'At most 40 letters a word.'))
  .max(MOST_WORDS, `At most ${MOST_WORDS} words.`)
  .readonly();
/** What was seen and said of a cup beside its marks. */
export const ObservedBody = z.strictObject({
  clarity: z.enum(CLARITIES).nullable(),
  words: WordsBody,
  leaf: WordsBody,
}) satisfies z.ZodType<Observed>;
