import { z } from 'zod';
import { Bytes, endpoint } from './endpoint';
import { SpoonFields } from './kettles';
import { Id, Name, Who } from './primitives';
import { MethodName, RecipeBody, VERSION_STATES } from './recipes';
import { ROUTES } from './routes';
import { LotFields, TeaFields } from './teas';
import { VesselFields } from './vessels';

export const ExchangeVersion = z.strictObject({
  id: Id,
  method: MethodName,
  number: z.number().int().min(1).max(100_000),
  state: z.enum(VERSION_STATES),
  recipe: RecipeBody,
  reason: z.string().max(300),
  author: z.string().max(60),
  at: z.number().int(),
});
export const ExchangeTea = TeaFields.extend({
  id: Id,
  retired: z.boolean(),
  lots: z.array(LotFields.extend({ id: Id })),
  recipes: z.array(ExchangeVersion),
});
export const ExchangeVessel = VesselFields.extend({ id: Id, site: Name, retired: z.boolean() });
export const ExchangeSpoon = SpoonFields.extend({ id: Id, retired: z.boolean() });
/** The whole book and its measures in one document; docs/formats/book.md. */
export const ExchangeFile = z.strictObject({
  format: z.literal('limnos-book'),
  version: z.literal(1),
  vocabulary: z.array(z.string().max(30)).max(80),
  spoons: z.array(ExchangeSpoon),
  teas: z.array(ExchangeTea),
  vessels: z.array(ExchangeVessel),
});
export type ExchangeFile = z.infer<typeof ExchangeFile>;

export const TABLES = ['teas', 'lots', 'recipes', 'vessels'] as const;
export type TableName = (typeof TABLES)[number];

/** What is wrong at one place of a file: by row and column, with what will be made of it. */
export const Fault = z.strictObject({
  row: z.number().int(),
  column: z.string(),
  says: z.string(),
  why: z.string(),
  /** Refused: the row is left out. Open: left out until answered. Read: taken as `as` says. */
  will: z.enum(['refused', 'open', 'read']),
  as: z.string(),
  /** What it can be answered with: the words of a button, and what the cell then says. */
  answers: z.array(z.strictObject({ words: z.string(), says: z.string() })),
});
export type Fault = z.infer<typeof Fault>;
export const PlannedChange = z.strictObject({
  row: z.number().int(),
  what: z.enum(['added', 'changed']),
  thing: z.string(),
  name: z.string(),
  how: z.string(),
});
export type PlannedChange = z.infer<typeof PlannedChange>;
export const Preview = z.strictObject({
  kind: z.enum(['json', ...TABLES]),
  rows: z.number().int(),
  found: z.string(),
  counts: z.strictObject({
    added: z.number().int(),
    changed: z.number().int(),
    same: z.number().int(),
    open: z.number().int(),
    refused: z.number().int(),
  }),
  faults: z.array(Fault),
  changes: z.array(PlannedChange),
  /** The header and the rows about each fault, as they were read; empty for JSON. */
  header: z.array(z.string()),
  shown: z.array(z.strictObject({ row: z.number().int(), cells: z.array(z.string()) })),
});
export type Preview = z.infer<typeof Preview>;

const Given = {
  name: z.string().max(200),
  text: z.string().max(8_000_000),
  /** What a table holds; null: found out by its header. */
  table: z.enum(TABLES).nullable(),
  /** Answers to open faults: "row:column" to what the cell should say; empty text leaves the row out. */
  answers: z.record(z.string(), z.string().max(200)),
};
export const Import = z.strictObject({
  id: Id,
  at: z.number(),
  by: Who,
  name: z.string(),
  counts: z.strictObject({ added: z.number().int(), changed: z.number().int() }),
  undone: z.boolean(),
});
export type Import = z.infer<typeof Import>;

/** Reads a file and tells what it would do; nothing is written. */
export const previewImport = endpoint(ROUTES.previewImport, {
  body: z.strictObject(Given),
  brings: 'book',
  response: Preview,
});
/** Does it, in one transaction. A repeated id does it once. */
export const runImport = endpoint(ROUTES.runImport, {
  body: z.strictObject({ ...Given, id: Id }),
  brings: 'book',
  response: Import,
});
export const listImports = endpoint(ROUTES.listImports, {
  response: z.strictObject({ imports: z.array(Import) }),
});
/** Takes a whole import back, while nothing it brought was brewed or changed. */
export const undoImport = endpoint(ROUTES.undoImport, {
  params: z.strictObject({ id: Id }),
  response: Import,
});
export const exportBook = endpoint(ROUTES.exportBook, { response: Bytes });
/** Everything, in open forms, as one ZIP file. */
export const exportHouse = endpoint(ROUTES.exportHouse, { response: Bytes });
export const exportTable = endpoint(ROUTES.exportTable, {
  params: z.strictObject({ table: z.enum(TABLES) }),
  query: z.strictObject({ comma: z.enum(['point', 'comma']).default('point') }),
  response: Bytes,
});
