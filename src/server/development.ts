// What `npm run dev` needs of the server, in one file that is read again whenever it changes.
export { createApp } from './app';
export { migrateDb, openDb, openPool } from './db/pool';
export { seedDemo } from './demo';
export { openWork } from './work/pool';
