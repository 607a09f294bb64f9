import { customType, datetime, varchar } from 'drizzle-orm/mysql-core';

/** MariaDB keeps JSON as text; the pool hands it over as text, so that a JSON string value survives. */
export const json = <T>(name: string) =>
  customType<{ data: T; driverData: string }>({
    dataType: () => 'json',
    toDriver: (v) => JSON.stringify(v),
    fromDriver: (v) => JSON.parse(v) as T,
  })(name);
/**
 * A client-made UUIDv7. MariaDB keeps it as 16 bytes, which sort by the time, and takes and gives the usual text. Every
 * index of a brew holds six of them: as text they were two thirds of an index.
 */
export const id = customType<{ data: string; driverData: string }>({ dataType: () => 'uuid' });
/** An instant to the millisecond, UTC. */
export const instant = (name: string) => datetime(name, { fsp: 3, mode: 'date' });
export const name = (column: string) => varchar(column, { length: 60 });
/** Bytes, to 16 MB. */
export const bytes = customType<{ data: Buffer }>({ dataType: () => 'mediumblob' });
