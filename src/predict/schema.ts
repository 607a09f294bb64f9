import { z } from 'zod';
import { JUDGED } from '#core/corrections';
import { AGITATION_NAMES } from '#core/extraction';
import { MATERIAL_NAMES } from '#core/heat';
import { GRADE_NAMES, STYLE_IDS } from '#core/styles';
import { INFUSER_KINDS } from '#core/vessels';
import { documentOf, leafGrams, mark, number, oneOf, waterMl } from '../cases';

// The cases the predict command reads. Units are in the names. Ranges are those of possible brews; inside them the
// model answers, also where it is only an extrapolation.

const style = oneOf(STYLE_IDS, 'style');
const material = oneOf(MATERIAL_NAMES, 'material');
const celsius = number(0, 100);
const seconds = number(0, 7 * 86_400);
const room = {
  material: material.optional(),
  lid: z.boolean().optional(),
  ambientC: number(-30, 60).optional(),
};

const steep = z.strictObject({
  style,
  leafGrams,
  waterMl,
  temperatureC: celsius,
  seconds,
  ...room,
  cosy: z.boolean().optional(),
  grade: oneOf(GRADE_NAMES, 'grade').optional(),
  agitation: oneOf(AGITATION_NAMES, 'agitation').optional(),
  infuser: oneOf(INFUSER_KINDS, 'infuser').optional(),
  basketMl: z.number().gt(0).max(100_000).optional(),
  squeeze: z.boolean().optional(),
  milkMlPerMl: number(0, 5).optional(),
});
const resteeps = z.strictObject({
  style,
  leafGrams,
  fillMl: waterMl,
  temperatureC: celsius,
  seconds: z.array(seconds).min(1).max(50),
  keepFraction: number(0, 1).optional(),
  ...room,
});
const cold = z.strictObject({
  style,
  leafGrams,
  waterMl,
  temperatureC: celsius,
  hours: number(0, 168),
  squeeze: z.boolean().optional(),
  constantTemperature: z.boolean().optional(),
  ...room,
});
const hybrid = z.strictObject({
  style,
  leafGrams,
  material: material.optional(),
  ambientC: number(-30, 60).optional(),
  stages: z
    .array(
      z.strictObject({
        addMl: waterMl,
        temperatureC: celsius,
        seconds,
        lid: z.boolean().optional(),
      }),
    )
    .min(1)
    .max(20),
});
const scaling = z.strictObject({
  style,
  reference: z.strictObject({ leafGrams, waterMl }),
  waterMl,
  kettleC: celsius,
  pourLoss: number(0, 0.5),
  seconds: z
    .number()
    .gt(0)
    .max(7 * 86_400),
  vesselC: celsius,
  ...room,
});
const corrections = z.strictObject({
  style,
  leafGrams,
  waterMl,
  temperatureC: celsius,
  seconds: z.number().gt(0).max(86_400),
  recipe: z.strictObject({
    leafGrams,
    temperatureC: celsius,
    seconds: z.number().gt(0).max(86_400),
  }),
  marks: z.strictObject(
    Object.fromEntries(JUDGED.map((j) => [j, mark.optional()])) as Record<
      (typeof JUDGED)[number],
      z.ZodOptional<typeof mark>
    >,
  ),
});

const vessel = { ml: waterMl, material, lid: z.boolean(), cosy: z.boolean().optional() };
const boiling = z.strictObject({ altitudeM: number(-500, 9000) });
const mix = z.strictObject({
  parts: z
    .array(z.strictObject({ ml: waterMl, temperatureC: celsius }))
    .min(1)
    .max(50),
});
const split = z.strictObject({ grams: waterMl, hotC: celsius, coldC: celsius, targetC: celsius });
const contact = z.strictObject({
  waterGrams: waterMl,
  waterC: celsius,
  material,
  capacityMl: waterMl.optional(),
  vesselC: number(-30, 300),
  leafGrams: number(0, 5000),
  leafC: number(-30, 100),
});
const cooling = z.strictObject({ ...vessel, startC: celsius, ambientC: number(-30, 60), seconds });
const wait = z.strictObject({
  ...vessel,
  startC: celsius,
  ambientC: number(-30, 60),
  targetC: number(-30, 100),
});
const plans = z.strictObject({
  waterGrams: waterMl,
  targetSlurryC: celsius,
  altitudeM: number(-500, 9000),
  vesselC: number(-30, 300),
  material,
  leafGrams: number(0, 5000),
  coldC: celsius,
  ambientC: number(-30, 60),
  pourLoss: number(0, 0.5),
  kettle: z.strictObject({ ml: waterMl, material, lid: z.boolean() }),
});

const lab = z.tuple([number(0, 100), number(-200, 200), number(-200, 200)]);
const depthMm = z.number().gt(0).max(500);
const strength = z.strictObject({ style, strength: number(0, 100), depthMm });
// The colour model extrapolates a little past boiling; its checks go there.
const colourSteep = z.strictObject({
  style,
  seconds,
  temperatureC: number(0, 120),
  leafRatio: number(0, 100),
  depthMm,
});
const difference = z.strictObject({ a: lab, b: lab });
const packets = z.strictObject({ text: z.string().max(2000) });

/** A steep of the colour model has a leaf ratio, one of the brewing model leaf and water. */
const anySteep = z.union([steep, colourSteep]);
/** What goes in by kind of case. */
export const CASE_INPUTS = {
  steep,
  resteeps,
  cold,
  hybrid,
  scaling,
  corrections,
  boiling,
  mix,
  split,
  contact,
  cooling,
  wait,
  plans,
  strength,
  difference,
  packets,
} as const;
export const COLOUR_STEEP = colourSteep;
export type CaseKind = keyof typeof CASE_INPUTS;
export type CaseInput<K extends CaseKind> = z.infer<(typeof CASE_INPUTS)[K]>;
export type ColourSteepInput = z.infer<typeof colourSteep>;

/** The whole document, for its JSON Schema. */
export const PredictDocument = documentOf('predict', { ...CASE_INPUTS, steep: anySteep });
