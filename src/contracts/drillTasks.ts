import { z } from 'zod';
import {
  type Attribute,
  ATTRIBUTE_NAMES,
  type Circumstance,
  CIRCUMSTANCES,
} from '#core/corrections';
import { type Material, MATERIAL_NAMES } from '#core/heat';
import {
  type AgainGiven,
  type CausesGiven,
  CURE_LEVERS,
  type DiagnosisAnswer,
  type DiagnosisGiven,
  type DrillTask,
  FACTS,
  FAIR_FACTS,
  type FairFact,
  type FairGiven,
  FAULT_NAMES,
  type FigureAnswer,
  type FigureDrillName,
  type FillAsk,
  type FillGiven,
  type HeatAsk,
  type HeatGiven,
  type HoldingGiven,
  type MatchGiven,
  type OrderAnswer,
  type OrderGiven,
  type PacketGiven,
  PAIR_NAMES,
  type PickAnswer,
  type PickDrillName,
  type PlanAsk,
  type PlanGiven,
  type RescueAsk,
  type RescueGiven,
  type RescueKind,
  type ScaleGiven,
  type SpoonsGiven,
  type TurnsAnswer,
  type TurnsGiven,
  type WhichGiven,
} from '#core/training';
import { INFUSER_KINDS, type InfuserKind, VESSEL_KINDS, type VesselKind } from '#core/vessels';
import { VerdictBody } from './brews';
import { oneOf } from './primitives';
import { MultipliersBody, Style } from './teas';

// Questions of drills as they were drawn, with their answers.

const Figure = (min: number, max: number) => z.number().min(min).max(max);
const Level = z.union([z.literal(1), z.literal(2), z.literal(3), z.literal(4), z.literal(5)]);
const DrillCup = z.strictObject({
  tea: z.string().max(120),
  vessel: z.string().max(120),
  style: Style,
  fitted: MultipliersBody.nullable(),
  leafGrams: Figure(0.1, 500),
  waterMl: Figure(10, 20_000),
  temperatureC: Figure(20, 100),
  seconds: Figure(5, 7200),
  warm: z.boolean(),
  lid: z.boolean(),
  material: oneOf<Material>(MATERIAL_NAMES),
  capacityMl: Figure(10, 20_000),
  infuser: oneOf<InfuserKind>(INFUSER_KINDS),
  basketMl: Figure(1, 20_000).nullable(),
  ambientC: Figure(-10, 50),
  boilingC: Figure(60, 101),
  pourLoss: Figure(0, 0.5),
});
/** A question as it was drawn: it can be shown again exactly. */
export const DiagnosisGivenBody = z.strictObject({
  cup: DrillCup,
  faults: z
    .array(z.strictObject({ id: z.enum(FAULT_NAMES), size: Figure(0, 100) }))
    .min(1)
    .max(2)
    .readonly(),
  known: z.array(z.enum(FACTS)).max(FACTS.length).readonly(),
  level: Level,
}) satisfies z.ZodType<DiagnosisGiven>;
const [LEAF, HEAT, TIME, VESSEL, WATER] = CURE_LEVERS;
export const DiagnosisAnswerBody = z.strictObject({
  cause: z.enum([...FAULT_NAMES, ...PAIR_NAMES]),
  turns: z
    .array(
      z.union([
        z.strictObject({ lever: z.enum([LEAF, HEAT, TIME, WATER]), size: Figure(-2000, 2000) }),
        z.strictObject({
          lever: z.literal(VESSEL),
          act: z.enum(['warm', 'lid', 'basket', 'drain']),
        }),
      ]),
    )
    .min(1)
    .max(2)
    .readonly(),
}) satisfies z.ZodType<DiagnosisAnswer>;

const Letters = z.array(z.number().int().min(0).max(7)).min(5).max(8).readonly();
const OrderGivenBody = z.strictObject({
  cup: DrillCup,
  apart: Figure(1, 20),
  shuffle: Letters,
  level: Level,
}) satisfies z.ZodType<OrderGiven>;
const OrderAnswerBody = z.strictObject({ letters: Letters }) satisfies z.ZodType<OrderAnswer>;
const FigureAnswerBody = z.strictObject({
  value: z.union([Figure(0.01, 100_000), z.literal('cannot')]),
}) satisfies z.ZodType<FigureAnswer>;
const Name = z.string().max(120);
const Water = Figure(10, 20_000);
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
const Seconds = Figure(1, 86_400);
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

const TurnsGivenBody = z.strictObject({
  tea: Name,
  vesselName: Name,
  level: Level,
  liquorMl: Water,
  cups: z.number().int().min(2).max(12),
  gradient: Figure(0, 1.9),
}) satisfies z.ZodType<TurnsGiven>;
const TurnsAnswerBody = z.strictObject({
  pours: z
    .array(z.strictObject({ cup: z.number().int().min(0).max(11), ml: Figure(0, 20_000) }))
    .max(200)
    .readonly(),
}) satisfies z.ZodType<TurnsAnswer>;

const PickAnswerBody = z.strictObject({
  picks: z
    .array(z.array(z.string().max(40)).max(12).readonly())
    .min(1)
    .max(6)
    .readonly(),
}) satisfies z.ZodType<PickAnswer>;
const CausesGivenBody = z.strictObject({
  verdict: VerdictBody,
  circumstance: oneOf<Circumstance>(CIRCUMSTANCES).nullable(),
  saidRight: z.array(oneOf<Attribute>(ATTRIBUTE_NAMES)).max(6).readonly(),
  rows: z.array(z.string().max(40)).min(2).max(8).readonly(),
  level: Level,
}) satisfies z.ZodType<CausesGiven>;
const WhichGivenBody = z.strictObject({
  cup: DrillCup,
  kind: oneOf<WhichGiven['kind']>(['hotter', 'longer']),
  by: Figure(1, 40),
  pairs: z
    .array(
      z.strictObject({ temperatureC: Figure(20, 100), seconds: Seconds, isFirst: z.boolean() }),
    )
    .min(1)
    .max(6)
    .readonly(),
  level: Level,
}) satisfies z.ZodType<WhichGiven>;
/** Minutes of a week. */
const Minutes = z.number().int().min(-100_000).max(100_000);
const HoldingGivenBody = z.strictObject({
  tea: Name,
  now: Minutes,
  limits: z.strictObject({
    keepHours: Figure(1, 120),
    counterHours: Figure(0.25, 24),
    limitC: Figure(0, 15),
    warmHours: Figure(0.25, 24),
  }),
  jugs: z
    .array(
      z.strictObject({
        name: Name,
        place: oneOf<HoldingGiven['jugs'][number]['place']>(['fridge', 'counter']),
        madeAt: Minutes.nullable(),
        until: Minutes,
        fridgeC: Figure(-10, 50),
        warmHours: Figure(0, 500),
        onTopOf: Minutes.nullable(),
      }),
    )
    .min(1)
    .max(4)
    .readonly(),
  level: Level,
}) satisfies z.ZodType<HoldingGiven>;
const FairGivenBody = z.strictObject({
  tea: Name,
  planned: oneOf<FairFact>(FAIR_FACTS),
  cups: z
    .array(
      z.strictObject({
        leaf: Figure(0.1, 500),
        water: Water,
        heat: Figure(20, 100),
        time: Seconds,
        warmed: z.boolean(),
        stirred: z.boolean(),
      }),
    )
    .min(2)
    .max(8)
    .readonly(),
  level: Level,
}) satisfies z.ZodType<FairGiven>;

const figureTask = <D extends FigureDrillName, G extends z.ZodType>(drill: D, given: G) =>
  z.strictObject({ drill: z.literal(drill), given, answer: FigureAnswerBody });
const pickTask = <D extends PickDrillName, G extends z.ZodType>(drill: D, given: G) =>
  z.strictObject({ drill: z.literal(drill), given, answer: PickAnswerBody });
/** A question of a drill with its answer. */
export const DrillTaskBody = z.discriminatedUnion('drill', [
  z.strictObject({
    drill: z.literal('diagnose'),
    given: DiagnosisGivenBody,
    answer: DiagnosisAnswerBody,
  }),
  z.strictObject({ drill: z.literal('order'), given: OrderGivenBody, answer: OrderAnswerBody }),
  z.strictObject({ drill: z.literal('turns'), given: TurnsGivenBody, answer: TurnsAnswerBody }),
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
  pickTask('words', CausesGivenBody),
  pickTask('which', WhichGivenBody),
  pickTask('holding', HoldingGivenBody),
  pickTask('fair', FairGivenBody),
]) satisfies z.ZodType<DrillTask>;
