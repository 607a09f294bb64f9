import { getTableColumns, getTableName, is } from 'drizzle-orm';
import { getTableConfig, MySqlTable } from 'drizzle-orm/mysql-core';
import * as schema from '../../db/schema';

/** What stays behind, and why. A house that is brought in pairs its devices and makes its keys anew. */
export const LEFT_OUT: Readonly<Record<string, string>> = {
  sessions: 'Who is signed in where',
  signin_misses: 'Wrong PINs of the moment',
  devices: 'Paired devices: a code pairs each anew',
  feed: 'News to open pages, kept for a day',
  feed_heads: 'News to open pages, kept for a day',
  programs: 'Keys of programs: a lead makes new ones',
  program_messages: 'Messages to those programs',
  calendar_tokens: 'Secret addresses of calendars: a lead makes new ones',
};
/** What is not written of a row that goes along: what stands in its place when it is brought in. */
export const BLANKED: Readonly<Record<string, Readonly<Record<string, (id: string) => unknown>>>> =
  {
    // No secret matches it: a lead gives everybody a new one.
    people: { secret_hash: () => '' },
    // No key has such a hash: a hash is of other letters.
    probes: { key_hash: (id) => id.padEnd(64, '-') },
    orders: { program_id: () => null },
  };

export type Kind =
  'id' | 'text' | 'whole' | 'number' | 'yesNo' | 'instant' | 'date' | 'json' | 'picture';
export type Column = {
  readonly name: string;
  readonly kind: Kind;
  readonly nullable: boolean;
  /** Texts: the most letters. */ readonly most: number | null;
  readonly values: readonly string[] | null;
};
export type Table = {
  readonly name: string;
  readonly columns: readonly Column[];
  /** Its rows are written in this order. */ readonly key: readonly string[];
};

const KINDS: readonly (readonly [RegExp, Kind])[] = [
  [/^uuid$/, 'id'],
  [/^boolean$/, 'yesNo'],
  [/^(tinyint|int|bigint)/, 'whole'],
  [/^(double|decimal)/, 'number'],
  [/^datetime/, 'instant'],
  [/^date$/, 'date'],
  [/^json$/, 'json'],
  [/^mediumblob$/, 'picture'],
  [/^(char|varchar|enum|text)/, 'text'],
];
function kindOf(sqlType: string): Kind {
  const found = KINDS.find(([is]) => is.test(sqlType));
  if (!found) throw new Error(`No open form is known for ${sqlType}.`);
  return found[1];
}

function tableOf(table: MySqlTable): Table {
  const { name, columns, primaryKeys } = getTableConfig(table);
  const blank = BLANKED[name] ?? {};
  const alone = columns.filter((c) => c.primary).map((c) => c.name);
  return {
    name,
    key: alone.length > 0 ? alone : (primaryKeys[0]?.columns.map((c) => c.name) ?? []),
    columns: columns
      .filter((c) => !(c.name in blank))
      .map((c) => {
        const sqlType = c.getSQLType();
        const most = /^(?:char|varchar)\((\d+)\)$/.exec(sqlType)?.[1];
        return {
          name: c.name,
          kind: kindOf(sqlType),
          nullable: !c.notNull,
          most: most === undefined ? null : Number(most),
          values: c.enumValues ? [...c.enumValues] : null,
        };
      }),
  };
}

const all = (Object.values(schema) as unknown[]).filter((t): t is MySqlTable => is(t, MySqlTable));

/** What a table refers to comes before it. */
function inOrder(): MySqlTable[] {
  const order: MySqlTable[] = [];
  const put = (table: MySqlTable) => {
    if (order.includes(table)) return;
    for (const f of getTableConfig(table).foreignKeys) {
      const to = f.reference().foreignTable as MySqlTable;
      if (to !== table) put(to);
    }
    order.push(table);
  };
  all.forEach(put);
  return order;
}

/** Every table that goes along, each after those that it refers to. */
export const TABLES: readonly Table[] = inOrder()
  .filter((t) => !(getTableName(t) in LEFT_OUT))
  .map(tableOf);
/** Of every table, also of those that stay behind. */
export const ALL_TABLES: readonly string[] = all.map((t) => getTableName(t));
/** All columns of a table as the database has them. */
export const columnsOf = (name: string): string[] =>
  Object.values(getTableColumns(all.find((t) => getTableName(t) === name) as MySqlTable)).map(
    (c) => c.name,
  );
