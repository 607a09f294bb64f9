import { z } from 'zod';
import { type Material, MATERIAL_NAMES } from '#core/heat';
import type {
  AgainGiven,
  FigureAnswer,
  FigureDrillName,
  FillAsk,
  FillGiven,
  HeatAsk,
  HeatGiven,
  MatchGiven,
  PacketGiven,
  PlanAsk,
  PlanGiven,
  RescueAsk,
  RescueGiven,
  RescueKind,
  ScaleGiven,
  SpoonsGiven,
} from '#core/training';
import { VESSEL_KINDS, type VesselKind } from '#core/vessels';
import { DrillCup, Figure, Level, Name, Seconds, taskBody, Water } from './drillParts';
import { oneOf } from './primitives';
import { Style } from './recipes';

// Drills whose answer is a figure: questions as they were drawn, with their answers.

const FigureAnswerBody = z.strictObject({
  value: z.union([Figure(0.01, 100_000), z.literal('cannot')]),
}) satisfies z.ZodType<FigureAnswer>;
const KnownLeafBody = z.strictObject({ leafGrams: Figure(0.1, 500), waterMl: Water });
const ScaleGivenBody = z.strictObject({
  tea: Name,
  vesselName: Name,
  level: Level,
  reference: KnownLeafBody,
  second: KnownLeafBody.nullable(),
  vessel: z.strictObject({ brimMl: Water, fillLineMl: Water, namedMl: Water.nullable() }),
  heldMlPerG: Figure(0, 10),
  ask: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('fillLine') }),
    z.strictObject({ kind: z.literal('water'), ml: Water }),
    z.strictObject({ kind: z.literal('liquor'), ml: Water }),
    z.strictObject({ kind: z.literal('pints'), count: Figure(0.5, 10), uk: z.boolean() }),
  ]),
}) satisfies z.ZodType<ScaleGiven>;
const SpoonMl = Figure(0.5, 100);
const SpoonsGivenBody = z.strictObject({
  tea: Name,
  vesselName: Name,
  level: Level,
  leafGrams: Figure(0.1, 500),
  waterMl: Water,
  weighing: z.strictObject({ spoonMl: SpoonMl, spoons: Figure(1, 100), grams: Figure(0.01, 1000) }),
  weighedName: Name,
  spoonMl: SpoonMl,
  spoonName: Name,
  otherGramsPerMl: Figure(0.001, 2).nullable(),
}) satisfies z.ZodType<SpoonsGiven>;
const HeatKettleBody = z.strictObject({
  ml: Water,
  material: oneOf<Material>(MATERIAL_NAMES),
  lid: z.boolean(),
  rate: z.strictObject({ a: Figure(0, 1), b: Figure(0, 1) }).nullish(),
});
const HeatGivenBody = z.strictObject({
  cup: DrillCup,
  warmed: z.boolean(),
  site: z.strictObject({
    altitudeM: Figure(-500, 6000),
    measuredBoilingC: Figure(60, 101).nullable(),
    ambientC: Figure(-10, 50),
    coldC: Figure(0, 50),
    pourLoss: Figure(0, 0.5),
  }),
  kettle: HeatKettleBody,
  ask: oneOf<HeatAsk>(['splash', 'wait', 'set', 'landing']),
  fahrenheit: z.boolean(),
  level: Level,
}) satisfies z.ZodType<HeatGiven>;
const FillGivenBody = z.strictObject({
  vessel: z.strictObject({
    name: Name,
    kind: oneOf<VesselKind>(VESSEL_KINDS),
    brimMl: Water,
    fillLineMl: Water,
  }),
  wantedMl: Water,
  ask: oneOf<FillAsk>(['line', 'words', 'ticks', 'ml', 'flOz']),
  level: Level,
}) satisfies z.ZodType<FillGiven>;
const PacketGivenBody = z.strictObject({
  tea: Name,
  style: Style,
  vesselName: Name,
  waterMl: Water,
  text: z.string().max(200),
  gramsPerMl: Figure(0.001, 2),
  level: Level,
}) satisfies z.ZodType<PacketGiven>;
const AgainGivenBody = z.strictObject({
  cup: DrillCup,
  later: z
    .array(z.strictObject({ earliest: Seconds, best: Seconds, latest: Seconds }))
    .max(20)
    .readonly(),
  inBags: z.boolean(),
  root: Figure(0, 0.9),
  past: z.array(Seconds).min(1).max(12).readonly(),
  level: Level,
}) satisfies z.ZodType<AgainGiven>;

const MatchGivenBody = z.strictObject({
  cup: DrillCup,
  wanted: Figure(10, 500),
  start: Figure(10, 500),
  level: Level,
}) satisfies z.ZodType<MatchGiven>;

const RescueGivenBody = z.strictObject({
  cup: DrillCup,
  kind: oneOf<RescueKind>(['over', 'weak', 'blend', 'extract', 'lost']),
  chance: z.number().int().min(0).max(4_294_967_295),
  ask: oneOf<RescueAsk>(['act', 'amount', 'mark']),
  level: Level,
}) satisfies z.ZodType<RescueGiven>;
const DayMinutes = z
  .number()
  .int()
  .min(0)
  .max(2 * 24 * 60);
const PlanGivenBody = z.strictObject({
  cold: z.strictObject({
    tea: Name,
    style: Style,
    doseGPer100Ml: Figure(0.01, 50),
    earliestH: Figure(0.1, 72),
    latestH: Figure(0.1, 72),
  }),
  pitcher: z.strictObject({ name: Name, fillLineMl: Water, brimMl: Water }),
  chillH: Figure(0, 24),
  serviceAt: DayMinutes,
  open: z.strictObject({ from: DayMinutes, to: DayMinutes }),
  glasses: z.number().int().min(1).max(500),
  glassMl: Figure(20, 1000),
  ask: oneOf<PlanAsk>(['time', 'leaf', 'pitchers']),
  level: Level,
}) satisfies z.ZodType<PlanGiven>;

const figureTask = <D extends FigureDrillName, G extends z.ZodType>(drill: D, given: G) =>
  taskBody(drill, given, FigureAnswerBody);
export const FIGURE_TASKS = [
  figureTask('spoons', SpoonsGivenBody),
  figureTask('fillLine', FillGivenBody),
  figureTask('scale', ScaleGivenBody),
  figureTask('packet', PacketGivenBody),
  figureTask('splash', HeatGivenBody),
  figureTask('wait', HeatGivenBody),
  figureTask('landing', HeatGivenBody),
  figureTask('again', AgainGivenBody),
  figureTask('match', MatchGivenBody),
  figureTask('rescue', RescueGivenBody),
  figureTask('plan', PlanGivenBody),
] as const;
