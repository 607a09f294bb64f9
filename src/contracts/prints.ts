import { z } from 'zod';
import { MILK_AMOUNTS } from '#core/recipes';
import { SPOON_KINDS } from '#core/units';
import { Bytes, endpoint } from './endpoint';
import { Id } from './primitives';
import { ROUTES } from './routes';
import { VolumeChoice } from './sites';

export const CARD_SIZES = ['a4', 'a5', 'a6'] as const;
/** A tea's wall card as a PDF; its vessels are those of the site named, or the three largest that suit. */
export const printWallCard = endpoint(ROUTES.printWallCard, {
  params: z.strictObject({ id: Id }),
  query: z.strictObject({
    size: z.enum(CARD_SIZES).default('a5'),
    vessels: z
      .string()
      .regex(/^[0-9a-f-]{36}(,[0-9a-f-]{36}){0,3}$/)
      .optional(),
  }),
  response: Bytes,
});
/** Its colours along the steep, to lay beside a cup. */
export const printSwatches = endpoint(ROUTES.printSwatches, {
  params: z.strictObject({ id: Id }),
  response: Bytes,
});
export const printLabel = endpoint(ROUTES.printLabel, {
  params: z.strictObject({ id: Id }),
  response: Bytes,
});
/** A take-home card of one tea, for a pot of any size in the guest's own spoons and units. */
export const printGuest = endpoint(ROUTES.printGuest, {
  params: z.strictObject({ id: Id }),
  query: z.strictObject({
    size: z.enum(['a6', 'label62']).default('a6'),
    /** ml poured on. */
    water: z.coerce.number().min(50).max(5000),
    spoon: z.enum(SPOON_KINDS).default('metricTeaspoon'),
    volume: VolumeChoice.default('ml'),
    degrees: z.enum(['C', 'F']).default('C'),
    strength: z.enum(['-1', '0', '1']).default('0'),
    milk: z.enum(MILK_AMOUNTS).default('none'),
  }),
  response: Bytes,
});
/** The house recipe in a pot at home, as schema.org's Recipe: for the house's own web page. */
export const getRecipeJsonLd = endpoint(ROUTES.getRecipeJsonLd, {
  params: z.strictObject({ id: Id }),
  query: z.strictObject({
    /** ml poured on. */
    water: z.coerce.number().min(50).max(5000).default(500),
    milk: z.enum(MILK_AMOUNTS).default('none'),
  }),
  response: Bytes,
});
/** Every tea's card, one a page. */
export const printBook = endpoint(ROUTES.printBook, {
  query: z.strictObject({ size: z.enum(CARD_SIZES).default('a5') }),
  response: Bytes,
});
/** Every tea in one vessel to its mark, for the pocket or as a label 62 mm wide. */
export const printPocket = endpoint(ROUTES.printPocket, {
  params: z.strictObject({ id: Id }),
  query: z.strictObject({ size: z.enum(['a6', 'label62']).default('a6') }),
  response: Bytes,
});
/** A vessel filled in steps: leaf for each tea at each. */
export const printScaling = endpoint(ROUTES.printScaling, {
  params: z.strictObject({ id: Id }),
  response: Bytes,
});
export const printSpoons = endpoint(ROUTES.printSpoons, { response: Bytes });
