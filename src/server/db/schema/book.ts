import {
  boolean,
  date,
  double,
  index,
  int,
  mysqlEnum,
  mysqlTable,
  primaryKey,
  unique,
  varchar,
} from 'drizzle-orm/mysql-core';
import type { PooledMarks } from '#core/corrections';
import type { Recipe } from '#core/recipes';
import { SITE_REASON_LETTERS, SITE_REASONS } from '#core/teas';
import type { Grams, Millilitres, Millimetres } from '#core/units';
import type { LotFields, TeaFields, TeaSwatches } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { bytes, id, instant, json, name } from './columns';
import { people, sites } from './people';

export const teas = mysqlTable(
  'teas',
  {
    id: id('id').primaryKey(),
    name: name('name').notNull(),
    style: varchar('style', { length: 20 }).$type<TeaFields['style']>().notNull(),
    method: varchar('method', { length: 20 }).$type<TeaFields['method']>().notNull(),
    words: varchar('words', { length: 200 }).notNull(),
    allergens: varchar('allergens', { length: 200 }).notNull(),
    note: varchar('note', { length: 500 }).notNull(),
    leaf: json<TeaFields['leaf']>('leaf').notNull(),
    blend: varchar('blend', { length: 200 }).notNull(),
    packet: varchar('packet', { length: 500 }).notNull(),
    caffeine: varchar('caffeine', { length: 120 }).notNull(),
    cautions: varchar('cautions', { length: 300 }).notNull(),
    colour: json<NonNullable<TeaFields['colour']>>('colour'),
    swatches: json<TeaSwatches>('swatches'),
    weighing: json<NonNullable<TeaFields['weighing']>>('weighing'),
    spoon: varchar('spoon', { length: 36 }).notNull(),
    rev: int('rev').notNull(),
    retired: boolean('retired').notNull(),
  },
  (t) => [index('teas_name').on(t.name)],
);
/** Never changed but for its state: brews point at the version they used, for ever. */
export const versions = mysqlTable(
  'recipe_versions',
  {
    id: id('id').primaryKey(),
    teaId: id('tea_id')
      .notNull()
      .references(() => teas.id),
    method: varchar('method', { length: 20 }).$type<TeaFields['method']>().notNull(),
    number: int('number').notNull(),
    state: mysqlEnum('state', ['draft', 'trial', 'house', 'retired']).notNull(),
    recipe: json<Recipe>('recipe').notNull(),
    reason: varchar('reason', { length: 300 }).notNull(),
    authorId: id('author_id')
      .notNull()
      .references(() => people.id),
    /** The author's name in the house it was brought from; null for one of this house. */
    authorThere: varchar('author_there', { length: 60 }),
    at: instant('at').notNull(),
    /** The lead who put a draft on trial or took it for the house; null: it was no draft, or nobody did. */
    takenBy: id('taken_by').references(() => people.id),
    /** Made from the advice of all cups: what was expected of its own cups. */
    expected: json<PooledMarks>('expected'),
  },
  (t) => [
    index('version_author').on(t.authorId),
    unique('version_number').on(t.teaId, t.method, t.number),
    index('version_state').on(t.teaId, t.state),
  ],
);
/** What a site brews in the place of the house's recipe, and why. */
export const siteRecipes = mysqlTable(
  'site_recipes',
  {
    siteId: id('site_id')
      .notNull()
      .references(() => sites.id),
    teaId: id('tea_id')
      .notNull()
      .references(() => teas.id),
    method: varchar('method', { length: 20 }).$type<TeaFields['method']>().notNull(),
    versionId: id('version_id')
      .notNull()
      .references(() => versions.id),
    why: mysqlEnum('why', SITE_REASONS).notNull(),
    words: varchar('words', { length: SITE_REASON_LETTERS }).notNull(),
    personId: id('person_id')
      .notNull()
      .references(() => people.id),
    at: instant('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.siteId, t.teaId, t.method] })],
);
/** Leaf of one arrival. */
export const lots = mysqlTable(
  'lots',
  {
    id: id('id').primaryKey(),
    teaId: id('tea_id')
      .notNull()
      .references(() => teas.id),
    name: name('name').notNull(),
    arrived: date('arrived', { mode: 'string' }),
    bestBefore: date('best_before', { mode: 'string' }),
    harvest: varchar('harvest', { length: 60 }).notNull(),
    note: varchar('note', { length: 300 }).notNull(),
    state: mysqlEnum('state', ['new', 'dialledIn', 'inUse', 'finished']).notNull(),
    weighing: json<NonNullable<LotFields['weighing']>>('weighing'),
    /** The recipe version dialled in for it. */
    versionId: id('version_id').references(() => versions.id),
    rev: int('rev').notNull(),
  },
  (t) => [index('lots_tea').on(t.teaId, t.state)],
);
/** The dry leaf, one a tea: made small and without metadata before it is kept. */
export const photos = mysqlTable(
  'photos',
  {
    id: id('id').primaryKey(),
    teaId: id('tea_id')
      .notNull()
      .references(() => teas.id),
    body: bytes('body').notNull(),
  },
  (t) => [unique('photo_tea').on(t.teaId)],
);
export const vessels = mysqlTable(
  'vessels',
  {
    id: id('id').primaryKey(),
    siteId: id('site_id')
      .notNull()
      .references(() => sites.id),
    name: name('name').notNull(),
    kind: varchar('kind', { length: 20 }).$type<Vessel['kind']>().notNull(),
    brim: double('brim_ml').$type<Millilitres>().notNull(),
    mark: double('mark_ml').$type<Millilitres>().notNull(),
    infuser: varchar('infuser', { length: 20 }).$type<Vessel['infuser']>().notNull(),
    basket: double('basket_ml').$type<Millilitres>(),
    material: varchar('material', { length: 20 }).$type<Vessel['material']>().notNull(),
    wallGrams: double('wall_g').$type<Grams>(),
    lid: boolean('lid').notNull(),
    cosy: boolean('cosy').notNull(),
    strainer: mysqlEnum('strainer', ['liftsOut', 'staysIn']).notNull(),
    dead: double('dead_ml').$type<Millilitres>().notNull(),
    covers: double('covers_ml').$type<Millilitres>(),
    basketDepth: double('basket_depth_mm').$type<Millimetres>(),
    /** Its weights, empty and filled: read and written together. */
    weighed: json<NonNullable<Vessel['weighed']>>('weighed'),
    rev: int('rev').notNull(),
    retired: boolean('retired').notNull(),
  },
  (t) => [index('vessels_site').on(t.siteId)],
);
