// The tests' own clock: they never see what day it is. `npm run test:dates` moves it.

/** When every test begins: a Wednesday afternoon, in the zone the tests' browser is in. */
export const TEST_INSTANT = Date.parse(process.env.LIMNOS_TEST_INSTANT ?? '2026-03-11T14:20:00Z');
/** The zone of servers and browsers of the tests. */
export const TEST_ZONE = process.env.LIMNOS_TEST_ZONE ?? 'Europe/London';

/** A clock that starts at the tests' instant and runs on from there. */
export function testClock(): () => number {
  const began = Date.now();
  return () => TEST_INSTANT + (Date.now() - began);
}
