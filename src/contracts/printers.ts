import { z } from 'zod';
import { PRINTER_DOTS, PRINTER_LANGUAGES, type PrinterDots } from '#core/labels';
import { endpoint } from './endpoint';
import { Id, Name, oneOf } from './primitives';
import { ROUTES } from './routes';
import { ZoneName } from './sites';

/** A name or an address of the shop's network, without port. */
const Host = z
  .string()
  .trim()
  .min(1, 'Type its address.')
  .max(120, 'At most 120 letters.')
  .regex(/^[A-Za-z0-9.:_-]+$/, 'An address is as 192.168.1.40 or labels.local.');

/** A label printer of a site, reached over its network. */
export const Printer = z.strictObject({
  id: Id,
  siteId: Id,
  name: z.string(),
  language: z.enum(PRINTER_LANGUAGES),
  host: z.string(),
  port: z.number(),
  /** Of its head, to the millimetre. */
  dots: z.number(),
});
export type Printer = z.infer<typeof Printer>;

export const listPrinters = endpoint(ROUTES.listPrinters, {
  response: z.strictObject({ printers: z.array(Printer) }),
});
/** A repeated id is the same printer. */
export const addPrinter = endpoint(ROUTES.addPrinter, {
  body: z.strictObject({
    id: Id,
    siteId: Id,
    name: Name,
    language: oneOf(PRINTER_LANGUAGES),
    host: Host,
    port: z.number().int('Whole numbers.').min(1).max(65_535),
    dots: z
      .number()
      .refine((n): n is PrinterDots => PRINTER_DOTS.includes(n as PrinterDots), '8 or 12.'),
  }),
  response: Printer,
});
export const removePrinter = endpoint(ROUTES.removePrinter, {
  params: z.strictObject({ id: Id }),
  response: z.strictObject({ removed: z.literal(true) }),
});
/** What a label is of; a test says who printed it and when. */
export const LabelOf = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('batch'), id: Id, zone: ZoneName }),
  z.strictObject({ kind: z.literal('tea'), id: Id }),
  z.strictObject({ kind: z.literal('test'), zone: ZoneName }),
]);
export type LabelOf = z.infer<typeof LabelOf>;
/** Sent to the printer now: sent again it is printed again. */
export const printOn = endpoint(ROUTES.printOn, {
  params: z.strictObject({ id: Id }),
  body: z.strictObject({ of: LabelOf, copies: z.number().int().min(1).max(50) }),
  response: z.strictObject({ bytes: z.number() }),
});
