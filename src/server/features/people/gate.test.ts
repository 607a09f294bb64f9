import { verificationGate } from './gate';

/** A verification that ends when it is told to. */
function held() {
  let end: () => void = () => undefined;
  const ended = new Promise<void>((done) => {
    end = done;
  });
  return { ended, end };
}
const settle = () => new Promise((done) => setImmediate(done));

test('one person’s tries are verified one after another', async () => {
  const through = verificationGate();
  const first = held();
  const begun: string[] = [];
  const all = [
    through('dov', async () => {
      begun.push('first');
      await first.ended;
    }),
    through('dov', async () => {
      begun.push('second');
      return Promise.resolve();
    }),
  ];
  await settle();
  expect(begun).toEqual(['first']);
  first.end();
  await Promise.all(all);
  expect(begun).toEqual(['first', 'second']);
});

test('two people at a time in all; a third waits, and nobody waits behind another’s second try', async () => {
  const through = verificationGate();
  const holds = { dov: held(), again: held(), pela: held(), tam: held() };
  const begun: string[] = [];
  const go = (person: string, name: keyof typeof holds) =>
    through(person, async () => {
      begun.push(name);
      await holds[name].ended;
    });
  const all = [go('dov', 'dov'), go('dov', 'again'), go('pela', 'pela'), go('tam', 'tam')];
  await settle();
  expect(begun).toEqual(['dov', 'pela']);
  holds.pela.end();
  await settle();
  expect(begun).toEqual(['dov', 'pela', 'tam']);
  for (const h of Object.values(holds)) h.end();
  await Promise.all(all);
  expect(begun).toEqual(['dov', 'pela', 'tam', 'again']);
});

test('a verification that fails lets the next one through', async () => {
  const through = verificationGate();
  await expect(through('dov', () => Promise.reject(new Error('no memory')))).rejects.toThrow(
    'no memory',
  );
  await expect(through('dov', () => Promise.resolve('right'))).resolves.toBe('right');
});

test('a flood is sent away with a wait, and the gate works on', async () => {
  const through = verificationGate();
  const hold = held();
  const tries = Array.from({ length: 60 }, () => through('dov', () => hold.ended));
  const ends = tries.map((t) =>
    t.then(
      () => 'verified',
      (e: { status: number; code: string }) => `${e.status} ${e.code}`,
    ),
  );
  await settle();
  hold.end();
  const seen = await Promise.all(ends);
  expect(seen.filter((e) => e === 'verified')).toHaveLength(41);
  expect(seen.filter((e) => e === '429 signin.wait')).toHaveLength(19);
  await expect(through('dov', () => Promise.resolve('right'))).resolves.toBe('right');
});
