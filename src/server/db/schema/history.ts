import { boolean, index, mysqlTable, varchar } from 'drizzle-orm/mysql-core';
import type { AuditKind } from '#contracts/audit';
import type { Change, Thing } from '#contracts/history';
import { id, instant, json } from './columns';
import { people } from './people';

/** Everything a lead changed: what it was and what it became. Only ever added to. */
export const changes = mysqlTable(
  'changes',
  {
    id: id('id').primaryKey(),
    thing: varchar('thing', { length: 12 }).$type<Thing>().notNull(),
    thingId: varchar('thing_id', { length: 36 }).notNull(),
    lines: json<Change['lines']>('lines').notNull(),
    personId: id('person_id')
      .notNull()
      .references(() => people.id),
    at: instant('at').notNull(),
  },
  (t) => [index('changes_thing').on(t.thing, t.thingId, t.at), index('changes_at').on(t.at, t.id)],
);
/** Who came in, what was refused, what left by a file. Only ever added to: no foreign key takes a row along. */
export const audit = mysqlTable(
  'audit',
  {
    id: id('id').primaryKey(),
    at: instant('at').notNull(),
    kind: varchar('kind', { length: 12 }).$type<Exclude<AuditKind, 'change'>>().notNull(),
    personId: id('person_id'),
    siteId: id('site_id'),
    address: varchar('address', { length: 60 }).notNull(),
    what: varchar('what', { length: 300 }).notNull(),
    code: varchar('code', { length: 40 }),
  },
  (t) => [index('audit_at').on(t.at, t.id), index('audit_person').on(t.personId, t.at)],
);
/** What was brought in, with all that is needed to take it back. */
export const imports = mysqlTable('imports', {
  id: id('id').primaryKey(),
  at: instant('at').notNull(),
  personId: id('person_id')
    .notNull()
    .references(() => people.id),
  name: varchar('name', { length: 200 }).notNull(),
  counts: json<{ added: number; changed: number }>('counts').notNull(),
  /** Steps as they were done, in order. */
  steps: json<unknown[]>('steps').notNull(),
  undone: boolean('undone').notNull(),
});
