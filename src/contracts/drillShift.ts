import { z } from 'zod';
import { type ShiftAnswer, type ShiftGiven, type ShiftHand } from '#core/training';
import { VESSEL_KINDS, type VesselKind } from '#core/vessels';
import { DrillCup, Figure, Level, Seconds, taskBody } from './drillParts';
import { oneOf } from './primitives';

// A shift as it was drawn, with what the hands did.

const TEA = { tea: true, style: true, fitted: true } as const;
const SITE = { ambientC: true, boilingC: true, pourLoss: true } as const;
const At = Figure(0, 600);
const Index = z.number().int().min(0).max(11);
const MishapBody = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.enum(['spilled', 'kettleEmpty', 'lidOff', 'calledAway']),
    at: At,
  }),
  z.strictObject({ kind: z.literal('wrongTea'), at: At, order: Index, named: Index }),
]);
const ShiftGivenBody = z.strictObject({
  level: Level,
  site: DrillCup.pick(SITE),
  teas: z.array(DrillCup.pick(TEA)).min(1).max(8).readonly(),
  cups: z
    .array(
      z.strictObject({
        ...DrillCup.omit({ ...SITE, ...TEA }).shape,
        tea: Index,
        kind: oneOf<VesselKind>(VESSEL_KINDS),
        earliest: Seconds,
        latest: Seconds,
      }),
    )
    .min(1)
    .max(8)
    .readonly(),
  orders: z
    .array(z.strictObject({ at: At, cup: Index }))
    .min(1)
    .max(12)
    .readonly(),
  mishap: MishapBody,
}) satisfies z.ZodType<ShiftGiven>;
const HANDS: readonly ShiftHand[] = ['pour', 'pull', 'serve', 'lid'];
const ShiftAnswerBody = z.strictObject({
  acts: z
    .array(z.strictObject({ at: At, hand: oneOf<ShiftHand>(HANDS), order: Index }))
    .max(100)
    .readonly(),
}) satisfies z.ZodType<ShiftAnswer>;

export const SHIFT_TASK = taskBody('shift', ShiftGivenBody, ShiftAnswerBody);
