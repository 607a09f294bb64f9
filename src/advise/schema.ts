import { z } from 'zod';
import { JUDGED } from '#core/corrections';
import { STYLE_IDS } from '#core/styles';
import { documentOf, leafGrams, mark, number, oneOf, waterMl } from '../cases';

// The cases the advise command reads. Units are in the names.

const dose = z.strictObject({
  gPer100ml: number(0.05, 20),
  temperatureC: number(40, 100),
  seconds: number(5, 1800),
});
const marks = z
  .strictObject(
    Object.fromEntries(JUDGED.map((index) => [index, mark.optional()])) as Record<
      (typeof JUDGED)[number],
      z.ZodOptional<typeof mark>
    >,
  )
  .refine((given) => Object.keys(given).length > 0, 'a cup has at least one mark');
const cup = z.strictObject({
  plan: dose,
  seconds: number(1, 1800),
  leafGrams: leafGrams.optional(),
  temperatureC: number(40, 100).optional(),
  tasterSd: number(0.05, 2).optional(),
  marks,
});
const advise = z.strictObject({
  style: oneOf(STYLE_IDS, 'style'),
  waterMl,
  recipe: dose,
  lid: z.boolean().optional(),
  priorSd: number(0.05, 5).optional(),
  cups: z.array(cup).max(5000),
});
export const CASE_INPUTS = { advise } as const;
export type AdviseInput = z.infer<typeof advise>;
export const AdviseDocument = documentOf('advise', CASE_INPUTS);
