/**
 * The rows a query finds.
 * @param {import('mysql2/promise').Connection} db
 * @param {string} sql
 * @param {unknown[]} [values]
 * @returns {Promise<any[]>}
 */
export async function rowsOf(db, sql, values) {
  const [rows] = await db.query(sql, values);
  return /** @type {any[]} */ (rows);
}
