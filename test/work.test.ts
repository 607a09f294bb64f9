// Threads that are given too much, or something that never ends.
import { openWork } from '../src/server/work/pool';
import { task } from '../src/server/work/task';

const never = () => {
  throw new Error('run on this thread');
};
const SPIN = task<[], never>('spin', never);
const ECHO = task<[string, number], unknown>('echo', never);
const FAIL = task<[], unknown>('fail', never);
const open = (mostMs: number) => openWork(new URL('./slowWorker.mjs', import.meta.url), { mostMs });

test('what never ends is ended, its asker told, and the next is done', async () => {
  const work = open(1500);
  await expect(work.run(SPIN)).rejects.toMatchObject({ status: 422, code: 'input.invalid' });
  expect(await work.run(ECHO, 'a', 1)).toEqual(['a', 1]);
  await work.close();
});
test('when too many wait, the others are asked to come again; those that wait are done', async () => {
  const work = open(60_000);
  const all = await Promise.allSettled(
    Array.from({ length: 80 }, (_, i) => work.run(ECHO, 'b', i)),
  );
  const refused = all.flatMap((a) => (a.status === 'rejected' ? [a.reason] : []));
  expect(all.length - refused.length).toBeGreaterThanOrEqual(48);
  expect(refused.length).toBeGreaterThan(0);
  for (const r of refused) expect(r).toMatchObject({ status: 503, code: 'server.busy' });
  await work.close();
});
test('a kept answer is the same one again, and only for the same things', async () => {
  const work = open(60_000);
  const first = await work.kept(ECHO as never, 'c', 1);
  expect(await work.kept(ECHO as never, 'c', 1)).toBe(first);
  expect(await work.kept(ECHO as never, 'c', 2)).not.toBe(first);
  const [a, b] = await Promise.all([
    work.kept(ECHO as never, 'd', 3),
    work.kept(ECHO as never, 'd', 3),
  ]);
  expect(a).toBe(b);
  await expect(work.kept(FAIL as never)).rejects.toThrow('as asked');
  await work.close();
});
