import { char, customType, datetime, varchar } from 'drizzle-orm/mysql-core';

/** MariaDB keeps JSON as text; the pool hands it over as text, so that a JSON string value survives. */
export const json = <T>(name: string) =>
  customType<{ data: T; driverData: string }>({
    dataType: () => 'json',
    toDriver: (v) => JSON.stringify(v),
    fromDriver: (v) => JSON.parse(v) as T,
  })(name);
/** A client-made UUIDv7. */
export const id = (name: string) => char(name, { length: 36 });
/** An instant to the millisecond, UTC. */
export const instant = (name: string) => datetime(name, { fsp: 3, mode: 'date' });
export const name = (column: string) => varchar(column, { length: 60 });
/** Bytes, to 16 MB. */
export const bytes = customType<{ data: Buffer }>({ dataType: () => 'mediumblob' });
