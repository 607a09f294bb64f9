import { int, mysqlEnum, mysqlTable, tinyint, varchar } from 'drizzle-orm/mysql-core';
import { id, name } from './columns';
import { sites } from './people';

/** Label printers of the sites' networks. */
export const printers = mysqlTable('printers', {
  id: id('id').primaryKey(),
  siteId: id('site_id')
    .notNull()
    .references(() => sites.id),
  name: name('name').notNull(),
  language: mysqlEnum('language', ['zpl', 'escpos']).notNull(),
  host: varchar('host', { length: 120 }).notNull(),
  port: int('port').notNull(),
  dots: tinyint('dots').notNull(),
});
