import { z } from 'zod';
import type { Quantity } from '#core/units';

/** A number with its unit in the type; bounds are given beside each use. The one place that hides the cast. */
export const quantity = <Q extends Quantity<string>>(bounds: {
  min: number;
  max: number;
}): z.ZodType<Q, Q> => z.number().min(bounds.min).max(bounds.max) as unknown as z.ZodType<Q, Q>;

/** Made where the record is made, so that a repeated write is harmless. */
export const Id = z.uuid();
/** ms since 1970; this century. */
export const Instant = z.number().int().min(946_684_800_000).max(4_102_444_800_000);
/** The same within an address. */
export const InstantText = z.coerce.number().pipe(Instant);
export const Name = z.string().trim().min(1, 'Give it a name.').max(60, 'At most 60 letters.');
export const Text = (max: number) => z.string().trim().max(max, `At most ${max} letters.`);
export const Who = z.strictObject({ id: Id, name: z.string() });
export type Who = z.infer<typeof Who>;

/** A picture's bytes, as the body of a request. */
export const PictureBytes = z.custom<Uint8Array>(
  (v) => v instanceof Uint8Array && v.length > 0,
  'The picture is empty.',
);

/** One of the core's own names. */
export const oneOf = <T extends string>(names: readonly T[]) =>
  z.enum(names as readonly [T, ...T[]]);
