import { z } from 'zod';

export const FORMAT = 'limnos-house';
export const VERSION = 1;
export const MANIFEST = 'house.json';
export const recordsOf = (table: string) => `records/${table}.jsonl`;
export const sheetOf = (table: string) => `sheets/${table}.csv`;
export const schemaOf = (table: string) => `schema/${table}.schema.json`;

/** The first file of a house that was taken out. */
export const Manifest = z.object({
  format: z.literal(FORMAT),
  version: z.literal(VERSION),
  made: z.iso.datetime(),
  /** How many changes of the tables the program knew. */
  migrations: z.int(),
  sites: z.array(z.string()),
  /** Rows of each table. */
  rows: z.record(z.string(), z.int().min(0)),
});
export type Manifest = z.infer<typeof Manifest>;

export const readMe = ({ made, sites }: Manifest, leftOut: Readonly<Record<string, string>>) =>
  `A whole house of Limnos: ${sites.join(', ')}. Taken out ${made}.

house.json   what this file is, and how many records it has of each kind
records/     the records: one file a kind, one JSON object a line
schema/      what each record is, as JSON Schema
sheets/      the same records as tables (CSV, UTF-8), to look at and to count with; they are not read back
pictures/    pictures of teas and of cups

Bring it in on a machine with an empty house: npm run whole-house -- in FILE

Not in it, for they are secret or of the moment:
${Object.entries(leftOut)
  .map(([table, why]) => `  ${table.padEnd(18)}${why}`)
  .join('\n')}
  PINs and passphrases; keys of fridge probes.
Names of people and what they did are in it: keep it as you keep those.
`;
