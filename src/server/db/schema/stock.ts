import { double, index, int, mysqlTable, varchar } from 'drizzle-orm/mysql-core';
import { lots, teas } from './book';
import { id, instant } from './columns';
import { people, sites } from './people';

/** The leaf of a lot: its last count, and its price. What was used since follows from the log. */
export const lotStock = mysqlTable('lot_stock', {
  lotId: id('lot_id')
    .primaryKey()
    .references(() => lots.id),
  /** Null: nobody counted it. */
  grams: double('grams'),
  countedAt: instant('counted_at'),
  countedBy: id('counted_by').references(() => people.id),
  /** Null: it has no price. */
  per100g: double('price_per_100g'),
  currency: varchar('currency', { length: 3 }),
});
/** Bags or pockets that were filled ahead. */
export const pockets = mysqlTable(
  'pockets',
  {
    id: id('id').primaryKey(),
    siteId: id('site_id')
      .notNull()
      .references(() => sites.id),
    teaId: id('tea_id')
      .notNull()
      .references(() => teas.id),
    lotId: id('lot_id').references(() => lots.id),
    grams: double('grams').notNull(),
    filled: int('filled').notNull(),
    left: int('left_n').notNull(),
    at: instant('at').notNull(),
    personId: id('person_id')
      .notNull()
      .references(() => people.id),
    rev: int('rev').notNull().default(1),
  },
  (t) => [index('pockets_tea').on(t.teaId, t.siteId, t.at)],
);
