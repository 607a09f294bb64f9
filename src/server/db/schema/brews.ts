import { boolean, index, mysqlEnum, mysqlTable, tinyint, varchar } from 'drizzle-orm/mysql-core';
import { lots, teas, versions, vessels } from './book';
import { id, instant, json } from './columns';
import { people, sites } from './people';
import type { Brew, BrewEventBody, Plan } from '#contracts/brews';
import type { Verdict } from '#core/correction';

export const brews = mysqlTable('brews', {
  id: id('id').primaryKey(),
  siteId: id('site_id').notNull().references(() => sites.id),
  teaId: id('tea_id').notNull().references(() => teas.id),
  lotId: id('lot_id').references(() => lots.id),
  vesselId: id('vessel_id').notNull().references(() => vessels.id),
  versionId: id('version_id').notNull().references(() => versions.id),
  place: tinyint('place').notNull(),
  plan: json<Plan>('plan').notNull(),
  state: mysqlEnum('state', ['warming', 'steeping', 'pulled', 'judged', 'abandoned']).notNull(),
  /** Not yet judged or abandoned: it stands on the bar. */
  open: boolean('open').notNull(),
  startedAt: instant('started_at').notNull(),
  startedBy: id('started_by').notNull().references(() => people.id),
  waterOn: instant('water_on'),
  pulled: instant('pulled'),
  pulledBy: id('pulled_by').references(() => people.id),
  ended: instant('ended'),
  judgedBy: id('judged_by').references(() => people.id),
  timing: mysqlEnum('timing', ['early', 'inWindow', 'late']),
  verdictKind: mysqlEnum('verdict_kind', ['right', 'off', 'unjudged']).notNull(),
  verdict: json<Verdict>('verdict'),
  proposal: json<NonNullable<Brew['proposal']>>('proposal'),
  accepted: boolean('accepted'),
  remark: varchar('remark', { length: 200 }).notNull(),
}, (t) => [
  index('brews_open').on(t.siteId, t.open),
  index('brews_newest').on(t.startedAt, t.id),
  index('brews_site').on(t.siteId, t.startedAt, t.id),
  index('brews_tea').on(t.teaId, t.startedAt, t.id),
  index('brews_lot').on(t.lotId, t.startedAt, t.id),
  index('brews_person').on(t.startedBy, t.startedAt, t.id),
  index('brews_verdict').on(t.verdictKind, t.startedAt, t.id),
]);
/** Everything that happened, once each: the id is made on the device. */
export const brewEvents = mysqlTable('brew_events', {
  id: id('id').primaryKey(),
  brewId: id('brew_id').notNull().references(() => brews.id),
  kind: varchar('kind', { length: 20 }).$type<BrewEventBody['kind'] | 'start'>().notNull(),
  at: instant('at').notNull(),
  received: instant('received').notNull(),
  personId: id('person_id').notNull().references(() => people.id),
  body: json<unknown>('body').notNull(),
}, (t) => [index('events_brew').on(t.brewId, t.at)]);
export const leadNotes = mysqlTable('lead_notes', {
  id: id('id').primaryKey(),
  teaId: id('tea_id').notNull().references(() => teas.id),
  brewId: id('brew_id').notNull().references(() => brews.id),
  personId: id('person_id').notNull().references(() => people.id),
  at: instant('at').notNull(),
  headline: varchar('headline', { length: 120 }).notNull(),
  change: varchar('change_text', { length: 200 }).notNull(),
  found: varchar('found', { length: 200 }).notNull(),
  settled: instant('settled'),
  settledBy: id('settled_by').references(() => people.id),
}, (t) => [index('notes_tea').on(t.teaId, t.settled)]);
