import { z } from 'zod';
import { endpoint } from './endpoint';
import { Id } from './primitives';

export const CARD_SIZES = ['a4', 'a5', 'a6'] as const;
/** A tea's wall card as a PDF; its vessels are those of the site named, or the three largest that suit. */
export const printWallCard = endpoint({
  method: 'GET', path: '/api/teas/:id/wall.pdf', access: 'trainee', params: z.strictObject({ id: Id }),
  query: z.strictObject({ size: z.enum(CARD_SIZES).default('a5'), vessels: z.string().regex(/^[0-9a-f-]{36}(,[0-9a-f-]{36}){0,3}$/).optional() }),
  response: z.unknown(),
});
