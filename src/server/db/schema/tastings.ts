import {
  type AnyMySqlColumn,
  boolean,
  index,
  int,
  mysqlEnum,
  mysqlTable,
  primaryKey,
  uniqueIndex,
  varchar,
} from 'drizzle-orm/mysql-core';
import {
  type Exercise,
  type ExerciseKind,
  type LeafLessonId,
  STAGES,
  type TastingAct,
} from '#core/tastings';
import type { KeptFit } from '#contracts/fits';
import type { VesselFields } from '#contracts/vessels';
import { lots, teas, versions, vessels } from './book';
import { id, instant, json, name } from './columns';
import { people, sites } from './people';

export const tastings = mysqlTable(
  'tastings',
  {
    id: id('id').primaryKey(),
    siteId: id('site_id')
      .notNull()
      .references(() => sites.id),
    teaId: id('tea_id')
      .notNull()
      .references(() => teas.id),
    lotId: id('lot_id').references(() => lots.id),
    versionId: id('version_id')
      .notNull()
      .references(() => versions.id),
    kind: varchar('kind', { length: 20 }).$type<ExerciseKind>().notNull(),
    /** Cups, codes, tasters and their orders, as drawn when it was set up. */
    exercise: json<Exercise>('exercise').notNull(),
    /** The lesson it belongs to; kept beside the exercise to be found. */
    lesson: varchar('lesson', { length: 20 }).$type<LeafLessonId>(),
    /** The round of a dial-in before it. */
    afterId: id('after_id').references((): AnyMySqlColumn => tastings.id),
    /** Null: set up before it was kept. */
    vesselId: id('vessel_id').references(() => vessels.id),
    /** The vessel as it was then. */
    vessel: json<VesselFields>('vessel').notNull(),
    /** Follows from the events; kept for lists. */
    stage: mysqlEnum('stage', STAGES).notNull(),
    handedIn: int('handed_in').notNull(),
    setBy: id('set_by')
      .notNull()
      .references(() => people.id),
    at: instant('at').notNull(),
    /** By which code guests sit down, and until when they may; null: it has no seats for guests. */
    guestCode: varchar('guest_code', { length: 6 }),
    guestsUntil: instant('guests_until'),
  },
  (t) => [
    uniqueIndex('tastings_guest_code').on(t.guestCode),
    index('tastings_site').on(t.siteId, t.at),
    index('tastings_tea').on(t.teaId, t.stage),
  ],
);
/** Who tastes at a table; follows from the exercise and the events, and is kept to find what one person tasted. */
export const tastingSeats = mysqlTable(
  'tasting_seats',
  {
    tastingId: id('tasting_id')
      .notNull()
      .references(() => tastings.id),
    personId: id('person_id')
      .notNull()
      .references(() => people.id),
    /** A sheet of this person was submitted. */
    submitted: boolean('submitted').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.tastingId, t.personId] }),
    index('tasting_seats_person').on(t.personId, t.submitted),
  ],
);
/** Guests who sat down: a name, no account. Only the hash of the pass is kept. */
export const tastingGuests = mysqlTable(
  'tasting_guests',
  {
    /** Of the seat in the exercise. */
    id: id('id').primaryKey(),
    tastingId: id('tasting_id')
      .notNull()
      .references(() => tastings.id),
    name: name('name').notNull(),
    passHash: varchar('pass_hash', { length: 64 }).notNull(),
    at: instant('at').notNull(),
  },
  (t) => [
    uniqueIndex('tasting_guests_pass').on(t.passHash),
    index('tasting_guests_tasting').on(t.tastingId),
  ],
);
/** Everything that happened at a table, once each and in order. */
export const tastingEvents = mysqlTable(
  'tasting_events',
  {
    id: id('id').primaryKey(),
    tastingId: id('tasting_id')
      .notNull()
      .references(() => tastings.id),
    seq: int('seq').notNull(),
    at: instant('at').notNull(),
    received: instant('received').notNull(),
    personId: id('person_id')
      .notNull()
      .references(() => people.id),
    /** The guest who wrote it; the person is then whoever set the table up. */
    guestId: id('guest_id').references(() => tastingGuests.id),
    act: json<TastingAct>('act').notNull(),
  },
  (t) => [uniqueIndex('tasting_events_order').on(t.tastingId, t.seq)],
);
/** Fits of a tea to this house, each with what it was drawn from; at most one of a tea is in use. */
export const teaFits = mysqlTable(
  'tea_fits',
  {
    id: id('id').primaryKey(),
    teaId: id('tea_id')
      .notNull()
      .references(() => teas.id),
    state: mysqlEnum('state', ['inUse', 'aside']).notNull(),
    fit: json<KeptFit['fit']>('fit').notNull(),
    personId: id('person_id')
      .notNull()
      .references(() => people.id),
    at: instant('at').notNull(),
  },
  (t) => [index('fits_tea').on(t.teaId, t.state)],
);
