import { simulatedKettle } from '#core/heat';
import { seeded } from '#core/numeric';
import { celsius, millilitres, seconds } from '#core/units';
import type { Kettle } from '#contracts/kettles';
import { sampleSite } from '../../testing/samples';
import { factsOf, waitTable } from './kettle';

const site = { ...sampleSite, altitudeM: 0 };
const kettle = (readings: Kettle['readings'] = []): Kettle => ({
  id: 'k',
  siteId: 's',
  rev: 1,
  retired: false,
  name: 'Tall kettle',
  kind: 'kettle',
  volume: millilitres(1200),
  material: 'stainless',
  lid: false,
  setPoints: null,
  note: '',
  readings,
});
const read = (times: number, loss: number): Kettle['readings'] => {
  const k = simulatedKettle(
    seeded(3),
    { volume: millilitres(1000), material: 'stainless', lid: false },
    { times, loss },
  );
  const by = { id: 'p', name: 'Lead L.' };
  const common = {
    boil: 'b',
    water: millilitres(1000),
    ambient: celsius(20),
    simulated: true,
    at: 0,
    by,
  };
  return [
    ...[0, 3, 8, 15, 24].map((m, i) => ({
      id: String(i),
      kind: 'cooling' as const,
      seconds: seconds(m * 60),
      celsius: k.reading(seconds(m * 60)),
      kettleCelsius: null,
      ...common,
    })),
    {
      id: 'p',
      kind: 'poured',
      seconds: seconds(0),
      celsius: k.poured(seconds(0)),
      kettleCelsius: celsius(100),
      ...common,
    },
  ];
};

test('without readings the usual kettle of its make is taken, and says what is missing', () => {
  const facts = factsOf(kettle(), site);
  expect(facts.fit).toMatchObject({ kind: 'tooFew', need: 'readings' });
  expect(facts.loss).toBeNull();
  const table = waitTable(facts, site);
  expect(table[0]).toMatchObject({ kind: 'outOfReach' });
  const at80 = table.find((l) => l.leaf === 80);
  // Common practice: off the boil for a while with the lid open, 80 C on the leaf takes some minutes in a litre kettle.
  expect(at80?.kind === 'reachable' && at80.wait && at80.wait > 240 && at80.wait < 1200).toBe(true);
});
test('a kettle that cools faster waits less, and one that loses more in the pour is set higher', () => {
  const line = (k: Kettle) => waitTable(factsOf(k, site), site).find((l) => l.leaf === 80);
  const [usual, fast, lossy] = [
    line(kettle(read(1, 0.07))),
    line(kettle(read(1.5, 0.07))),
    line(kettle(read(1, 0.12))),
  ];
  if (usual?.kind !== 'reachable' || fast?.kind !== 'reachable' || lossy?.kind !== 'reachable')
    throw new Error('80 C is in reach');
  expect((fast.wait ?? 0) / (usual.wait ?? 1)).toBeCloseTo(1 / 1.5, 1);
  expect(lossy.kettleAt).toBeGreaterThan(usual.kettleAt + 2);
  expect(lossy.cold ?? 0).toBeLessThan(usual.cold ?? 0);
});
test('on a mountain what boils at 94.5 cannot bring 95 to the leaf, and says what is the most', () => {
  const hut = { ...site, altitudeM: 1650 };
  const [first] = waitTable(factsOf(kettle(), hut), hut);
  expect(first?.kind === 'outOfReach' && first.most > 80 && first.most < 94).toBe(true);
});
