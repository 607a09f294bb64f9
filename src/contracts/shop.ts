import { z } from 'zod';
import { Bytes, endpoint } from './endpoint';
import { ROUTES } from './routes';

/** How tablets reach this house, and which listen now. */
export const getShop = endpoint(ROUTES.getShop, {
  response: z.strictObject({
    /** Null: this house is served to its own machine only. */ address: z.string().nullable(),
    /** The plain page that helps a device in. */ help: z.string().nullable(),
    /** Of the house's own authority; null where devices trust the certificate already. */
    fingerprint: z.string().nullable(),
    devices: z.array(z.strictObject({ name: z.string(), siteId: z.string(), since: z.number() })),
  }),
});
/** The help page's address as a code. */
export const getShopCode = endpoint(ROUTES.getShopCode, {
  // An SVG picture.
  response: Bytes,
});
