import { index, int, mysqlEnum, mysqlTable, varchar } from 'drizzle-orm/mysql-core';
import type { ProgramRight, ReadyMessage } from '#contracts/programs';
import { id, instant, json, name } from './columns';
import { people, sites } from './people';

/** Programs with a key: only its hash is kept; what signs messages to them is kept as it is. */
export const programs = mysqlTable(
  'programs',
  {
    id: id('id').primaryKey(),
    siteId: id('site_id')
      .notNull()
      .references(() => sites.id),
    name: name('name').notNull(),
    rights: json<ProgramRight[]>('rights').notNull(),
    keyHash: varchar('key_hash', { length: 64 }).notNull(),
    hook: varchar('hook', { length: 300 }),
    secret: varchar('secret', { length: 64 }),
    made: instant('made').notNull(),
    madeBy: id('made_by')
      .notNull()
      .references(() => people.id),
    used: instant('used'),
    ended: instant('ended'),
  },
  (t) => [index('programs_key').on(t.keyHash)],
);
/** What is sent to the addresses of programs, until it is taken. */
export const programMessages = mysqlTable(
  'program_messages',
  {
    id: id('id').primaryKey(),
    programId: id('program_id')
      .notNull()
      .references(() => programs.id),
    body: json<ReadyMessage>('body').notNull(),
    at: instant('at').notNull(),
    due: instant('due').notNull(),
    tries: int('tries').notNull(),
    state: mysqlEnum('state', ['waiting', 'taken', 'lost']).notNull(),
  },
  (t) => [index('program_messages_due').on(t.state, t.due)],
);
