// What ends is started again, and what is stopped is not.
// @ts-expect-error -- plain JavaScript of the scripts
import { keepUp } from '../scripts/lib/supervise.mjs';

process.env.LIMNOS_SAY = 'stderr';
/** Something that runs until it is ended, and counts how often it was begun. */
function sample(fails: (n: number) => boolean = () => false) {
  const begun: { end: () => void; stopped: boolean }[] = [];
  const begin = async () => {
    const n = begun.length;
    if (fails(n)) {
      begun.push({ end: () => undefined, stopped: false });
      throw new Error('not now');
    }
    let end: () => void = () => undefined;
    const ended = new Promise<void>((r) => {
      end = r;
    });
    const one = { end, stopped: false };
    begun.push(one);
    return {
      n,
      ended,
      stop: async () => {
        one.stopped = true;
        end();
      },
    };
  };
  return { begun, begin };
}
const until = async (good: () => boolean) => {
  for (let i = 0; i < 200 && !good(); i++) await new Promise((r) => setTimeout(r, 50));
  expect(good()).toBe(true);
};

test('what ends is begun again; the one at hand is the newest', async () => {
  const { begun, begin } = sample();
  const kept = await keepUp('It', begin);
  expect(kept.now().n).toBe(0);
  begun[0]?.end();
  await until(() => begun.length === 2);
  begun[1]?.end();
  await until(() => begun.length === 3 && kept.now()?.n === 2);
  await kept.stop();
  expect(begun.map((b) => b.stopped)).toEqual([false, false, true]);
});
test('a begin that fails is tried again until it works', async () => {
  const { begun, begin } = sample((n) => n === 1 || n === 2);
  const kept = await keepUp('It', begin);
  begun[0]?.end();
  await until(() => kept.now()?.n === 3);
  await kept.stop();
  expect(begun[3]?.stopped).toBe(true);
});
test('the first begin may fail, and is not tried again', async () => {
  const { begun, begin } = sample(() => true);
  await expect(keepUp('It', begin)).rejects.toThrow('not now');
  expect(begun).toHaveLength(1);
});
test('a stop while it waits to begin again begins nothing more', async () => {
  const { begun, begin } = sample();
  const kept = await keepUp('It', begin);
  begun[0]?.end();
  await new Promise((r) => setTimeout(r, 20));
  await kept.stop();
  await new Promise((r) => setTimeout(r, 400));
  expect(begun).toHaveLength(1);
});
