import type { Pool } from 'mysql2/promise';

/** What is only ever added to. */
const TABLES = ['audit', 'changes'] as const;
/**
 * From now on the database refuses to change or take away what was kept of who did what. The application's own account
 * may not take these guards away: it has no right to triggers or tables.
 *
 * @throws where the account may not make them
 */
export async function keepAppendOnly(owners: Pool): Promise<void> {
  for (const table of TABLES)
    for (const [name, event] of [
      ['kept', 'UPDATE'],
      ['stays', 'DELETE'],
    ] as const)
      await owners.query(
        `CREATE TRIGGER IF NOT EXISTS ${table}_${name} BEFORE ${event} ON ${table} FOR EACH ROW
         SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'this table is only ever added to'`,
      );
}
