import { date, double, index, int, mysqlEnum, mysqlTable, varchar } from 'drizzle-orm/mysql-core';
import { DRILL_NAMES, type DrillTask, SKILL_NAMES } from '#core/training';
import type { Grams } from '#core/units';
import { teas } from './book';
import { id, instant, json } from './columns';
import { people, sites } from './people';

/** What somebody answered, once each; never changed but for a dispute. `given` shows the question again exactly. */
export const drillAnswers = mysqlTable(
  'drill_answers',
  {
    id: id('id').primaryKey(),
    /** Null, and the site too: the record of its person was removed. */
    personId: id('person_id').references(() => people.id),
    siteId: id('site_id').references(() => sites.id),
    at: instant('at').notNull(),
    day: date('day', { mode: 'string' }).notNull(),
    drill: mysqlEnum('drill', DRILL_NAMES as unknown as [string, ...string[]]).notNull(),
    /** Of how questions are drawn and worked out. */
    version: int('version').notNull(),
    level: int('level').notNull(),
    guess: double('guess').notNull(),
    seed: double('seed').notNull(),
    given: json<DrillTask['given']>('given').notNull(),
    choices: json<readonly string[]>('choices').notNull(),
    answer: json<DrillTask['answer']>('answer').notNull(),
    credit: double('credit').notNull(),
    judged: mysqlEnum('judged', ['right', 'near', 'wrong']).notNull(),
    ms: int('ms').notNull(),
    /** Its person says that the question is wrong: open, then what a lead found. Null: nobody does. */
    dispute: mysqlEnum('dispute', ['open', 'wrong', 'right']),
  },
  (t) => [
    index('drill_answers_person').on(t.personId, t.at),
    index('drill_answers_site').on(t.siteId),
  ],
);
/** Spoons of one tea that somebody weighed one by one, to see how even they are. */
export const spoonWeighings = mysqlTable(
  'spoon_weighings',
  {
    id: id('id').primaryKey(),
    personId: id('person_id')
      .notNull()
      .references(() => people.id),
    siteId: id('site_id')
      .notNull()
      .references(() => sites.id),
    teaId: id('tea_id')
      .notNull()
      .references(() => teas.id),
    spoon: varchar('spoon', { length: 36 }).notNull(),
    /** Grams, in the order of weighing. */
    singles: json<readonly Grams[]>('singles').notNull(),
    at: instant('at').notNull(),
  },
  (t) => [index('spoon_weighings_person').on(t.personId, t.at)],
);
/** What is asked for, signed and withdrawn, skill by skill. */
export const signEvents = mysqlTable(
  'sign_events',
  {
    id: id('id').primaryKey(),
    personId: id('person_id')
      .notNull()
      .references(() => people.id),
    siteId: id('site_id')
      .notNull()
      .references(() => sites.id),
    skill: mysqlEnum('skill', SKILL_NAMES as unknown as [string, ...string[]]).notNull(),
    kind: mysqlEnum('kind', ['begun', 'asked', 'signed', 'withdrawn']).notNull(),
    at: instant('at').notNull(),
    day: date('day', { mode: 'string' }).notNull(),
    until: date('until_day', { mode: 'string' }),
    note: varchar('note', { length: 300 }).notNull(),
    byId: id('by_id')
      .notNull()
      .references(() => people.id),
  },
  (t) => [index('sign_events_person').on(t.personId)],
);
