import type { Column, Table } from './tables';

const TYPES = {
  id: {
    type: 'string',
    pattern: '^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$',
    description: 'A UUID, RFC 9562',
  },
  text: { type: 'string' },
  whole: { type: 'integer' },
  number: { type: 'number' },
  yesNo: { type: 'boolean' },
  instant: {
    type: 'string',
    pattern: String.raw`^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3}Z$`,
    description: 'An instant, ISO 8601, Greenwich',
  },
  date: { type: 'string', pattern: String.raw`^\d{4}-\d\d-\d\d$`, description: 'A date, ISO 8601' },
  json: {},
  picture: {
    type: 'string',
    pattern: String.raw`^pictures/[\w./-]+$`,
    description: 'Where the picture lies in this file',
  },
} as const;

function typeOf(column: Column): object {
  const base = {
    ...TYPES[column.kind],
    ...(column.most !== null && { maxLength: column.most }),
    ...(column.values !== null && { enum: column.values }),
  };
  // JSON of any shape: null is one of them.
  if (!column.nullable || column.kind === 'json') return base;
  return { anyOf: [base, { type: 'null' }] };
}

/** What a row of a table is, as JSON Schema (draft 2020-12's words, none newer). */
export const rowSchema = (table: Table) => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title: table.name,
  type: 'object',
  properties: Object.fromEntries(table.columns.map((c) => [c.name, typeOf(c)])),
  required: table.columns.map((c) => c.name),
  additionalProperties: false,
});
