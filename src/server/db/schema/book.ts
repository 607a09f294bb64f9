import { boolean, index, int, mysqlEnum, mysqlTable, unique, varchar } from 'drizzle-orm/mysql-core';
import { id, instant, json, name } from './columns';
import { people, sites } from './people';
import type { TeaFields } from '#contracts/book';
import type { VesselFields } from '#contracts/shelf';
import type { Recipe } from '#core/recipes';

export const teas = mysqlTable('teas', {
  id: id('id').primaryKey(),
  name: name('name').notNull(),
  style: varchar('style', { length: 20 }).$type<TeaFields['style']>().notNull(),
  method: varchar('method', { length: 20 }).$type<TeaFields['method']>().notNull(),
  lot: varchar('lot', { length: 60 }).notNull(),
  words: varchar('words', { length: 200 }).notNull(),
  allergens: varchar('allergens', { length: 200 }).notNull(),
  note: varchar('note', { length: 500 }).notNull(),
  weighing: json<TeaFields['weighing']>('weighing'),
  spoon: varchar('spoon', { length: 20 }).$type<TeaFields['spoon']>().notNull(),
  rev: int('rev').notNull(),
  retired: boolean('retired').notNull(),
}, (t) => [index('teas_name').on(t.name)]);
/** Never changed but for its state: brews point at the version they used, for ever. */
export const versions = mysqlTable('recipe_versions', {
  id: id('id').primaryKey(),
  teaId: id('tea_id').notNull().references(() => teas.id),
  number: int('number').notNull(),
  state: mysqlEnum('state', ['draft', 'trial', 'house', 'retired']).notNull(),
  recipe: json<Recipe>('recipe').notNull(),
  reason: varchar('reason', { length: 300 }).notNull(),
  authorId: id('author_id').notNull().references(() => people.id),
  at: instant('at').notNull(),
}, (t) => [unique('version_number').on(t.teaId, t.number), index('version_state').on(t.teaId, t.state)]);
export const vessels = mysqlTable('vessels', {
  id: id('id').primaryKey(),
  siteId: id('site_id').notNull().references(() => sites.id),
  facts: json<VesselFields>('facts').notNull(),
  rev: int('rev').notNull(),
  retired: boolean('retired').notNull(),
}, (t) => [index('vessels_site').on(t.siteId)]);
