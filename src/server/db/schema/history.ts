import { index, mysqlTable, varchar } from 'drizzle-orm/mysql-core';
import { id, instant, json } from './columns';
import { people } from './people';
import type { Change, Thing } from '#contracts/history';

/** Everything a lead changed: what it was and what it became. Only ever added to. */
export const changes = mysqlTable('changes', {
  id: id('id').primaryKey(),
  thing: varchar('thing', { length: 12 }).$type<Thing>().notNull(),
  thingId: varchar('thing_id', { length: 36 }).notNull(),
  lines: json<Change['lines']>('lines').notNull(),
  personId: id('person_id').notNull().references(() => people.id),
  at: instant('at').notNull(),
}, (t) => [index('changes_thing').on(t.thing, t.thingId, t.at)]);
