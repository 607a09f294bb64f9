import { seeded } from '#core/numeric';
import { characterOf } from '#core/styles';
import { bodyOf } from '#core/taste';
import { celsius, epochMs, grams, millilitres, seconds } from '#core/units';
import {
  ageOfMinute,
  chillOf,
  coldAfter,
  type ColdFill,
  coldYield,
  courseAt,
  followingTime,
  followingTimeFrom,
  glassOf,
  hours,
  iceForWarmStart,
  inHours,
  keepingOf,
  type Kept,
  labelTime,
  liquorAlong,
  mendGlass,
  sameBodyAt,
  strengthMeant,
  USUAL_LIMITS,
  waterToWeaken,
} from './index';

const PITCHER: ColdFill = {
  water: millilitres(1000),
  leaf: grams(10),
  material: 'glass',
  capacity: millilitres(1000),
  wallAt: celsius(20),
  leafAt: celsius(20),
  waterAt: celsius(14),
};
const [FRIDGE, LIMIT] = [celsius(4), celsius(5)];

describe('heat in the fridge', () => {
  test('a litre in glass follows the air in about 2.9 h, two in 3.7', () => {
    expect(inHours(followingTime(PITCHER))).toBeCloseTo(2.9, 1);
    const two = { ...PITCHER, water: millilitres(2000), capacity: millilitres(2000) };
    expect(Math.abs(inHours(followingTime(two)) - 3.7)).toBeLessThan(0.1);
  });
  test('two readings show the time constant that made them', () => {
    const tau = hours(3);
    const after = (h: number) => celsius(4 + 12 * Math.exp(-h / 3));
    expect(followingTimeFrom(after(1), after(2.5), FRIDGE, hours(1.5))).toBeCloseTo(tau, 6);
    expect(followingTimeFrom(after(2), after(1), FRIDGE, hours(1))).toBeNull();
  });
  test('the water, or the ice, that is proposed is cold just in time', () => {
    const random = seeded(11);
    for (let i = 0; i < 200; i++) {
      const fill: ColdFill = {
        ...PITCHER,
        water: millilitres(500 + 1500 * random()),
        capacity: millilitres(2000),
        leaf: grams(5 + 20 * random()),
        waterAt: celsius(8 + 14 * random()),
      };
      const air = celsius(2 + 2.5 * random());
      const chill = chillOf(fill, air, LIMIT, hours(4));
      if (chill.inTime) {
        expect(chill.ice).toBe(0);
        continue;
      }
      const colder = chillOf(
        { ...fill, waterAt: celsius(chill.waterAtMost ?? 99) },
        air,
        LIMIT,
        hours(4),
      );
      expect(inHours(colder.coldAfter ?? seconds(0))).toBeCloseTo(4, 6);
      // Ice in place of water: what melts takes 334 J/g and is warmed from 0 C.
      const ice = chill.ice ?? 0;
      const waterHeat = 4.19 * (fill.water - ice) * fill.waterAt - 334 * ice;
      const asWater = celsius(waterHeat / (4.19 * fill.water));
      expect(chillOf({ ...fill, waterAt: asWater }, air, LIMIT, hours(4)).coldAfter).toBeCloseTo(
        hours(4),
        0,
      );
    }
  });
  test('air over the limit never makes it cold; what begins cold is', () => {
    expect(coldAfter(celsius(12), celsius(6), hours(3), LIMIT)).toBeNull();
    expect(coldAfter(celsius(4), celsius(6), hours(3), LIMIT)).toBe(0);
    expect(chillOf(PITCHER, celsius(6), LIMIT, hours(4))).toMatchObject({
      inTime: false,
      waterAtMost: null,
      ice: null,
    });
  });
  test('ice lands a warm start where it should, and is not asked for where it is cold already', () => {
    const [hot, cold] = [
      { water: millilitres(300), at: celsius(80) },
      { water: millilitres(700), at: celsius(10) },
    ];
    const ice = iceForWarmStart(hot, cold, celsius(12));
    const heat = 4.19 * (hot.water * hot.at + (cold.water - ice) * cold.at) - 334 * ice;
    expect(heat / (4.19 * 1000)).toBeCloseTo(12, 6);
    expect(iceForWarmStart(hot, cold, celsius(40))).toBe(0);
  });
});

describe('strength along the hours', () => {
  const steep = { ...PITCHER, character: characterOf('green-steamed'), air: FRIDGE };
  test('body grows with the hours, and warmer air or water brings it sooner', () => {
    const body = (h: number, over: object = {}) =>
      bodyOf(courseAt({ ...steep, ...over }, hours(h)).cup.gramsPerLitre);
    for (let h = 1; h < 24; h++) expect(body(h + 1)).toBeGreaterThan(body(h));
    expect(body(6, { air: celsius(8) })).toBeGreaterThan(body(6));
    expect(body(6, { waterAt: celsius(20) })).toBeGreaterThan(body(6));
  });
  test('in the recipe’s own fridge its window is its own; far colder it is not reached in three days', () => {
    for (const h of [3, 6, 12])
      expect(inHours(sameBodyAt(steep, steep, hours(h)) ?? seconds(0))).toBeCloseTo(h, 3);
    const frozen = { ...steep, air: celsius(-4), waterAt: celsius(0), wallAt: celsius(-4) };
    expect(sameBodyAt(frozen, steep, hours(60))).toBeNull();
  });
  test('pressed leaf gives back two fifths of what it holds; what lies under a tap stays', () => {
    const leaf = { water: millilitres(1000), leaf: grams(20), held: 4 };
    expect(coldYield(leaf)).toBe(920);
    expect(coldYield(leaf, { squeeze: true })).toBeCloseTo(952, 9);
    expect(coldYield(leaf, { dead: 30 })).toBe(890);
  });
});

describe('serving', () => {
  const asked = {
    extractStrength: 8,
    glass: millilitres(220),
    target: 4,
    extractAt: celsius(4),
    waterAt: celsius(90),
  };
  test('a mark asks for 0.8 of strength, and the glass stays where there is any', () => {
    expect([-2, -1, 0, 1, 2].map((m) => strengthMeant(4, m))).toEqual([5.6, 4.8, 4, 3.2, 2.4]);
    expect(strengthMeant(9, -2)).toBe(9.5);
    expect(strengthMeant(1, 2)).toBe(0.5);
  });
  test('a mended glass has the body that was meant, and never runs over', () => {
    const random = seeded(5);
    // Bodies as glassOf parts them: a glass of the extract alone is its whole body.
    const bodyShare = (target: number) =>
      (glassOf({ ...asked, target })?.extract ?? NaN) / asked.glass;
    for (let i = 0; i < 300; i++) {
      const brim = millilitres(220 + Math.floor(random() * 60));
      const to = strengthMeant(4, [-2, -1, 1, 2][Math.floor(random() * 4)] ?? 1);
      const mend = mendGlass(asked, to, brim);
      if (!mend) throw new Error('there is extract enough');
      const left = asked.glass - mend.pourOff;
      const full = left + mend.extract + mend.water;
      expect(full).toBeLessThanOrEqual(brim + 1e-9);
      const body = left * bodyShare(4) + mend.extract;
      expect(body / full).toBeCloseTo(bodyShare(to), 9);
    }
  });
  test('weak cannot be mended by water, nor made stronger than the extract', () => {
    expect(waterToWeaken(millilitres(500), 3, 4)).toBeNull();
    expect(glassOf({ ...asked, target: 8.1 })).toBeNull();
    expect(mendGlass({ ...asked, target: 7.5 }, 8.3, millilitres(250))).toBeNull();
  });
});

describe('keeping', () => {
  const T0 = epochMs(Date.UTC(2026, 4, 4, 20));
  const after = (h: number) => epochMs(T0 + h * 3_600_000);
  const kept = (over: Partial<Kept> = {}): Kept => ({
    method: 'fridge',
    startAt: T0,
    start: celsius(4.5),
    liftAt: after(10),
    tau: hours(3),
    fridge: FRIDGE,
    readings: [],
    ...over,
  });
  const read = (h: number, c: number) => ({ at: after(h), celsius: celsius(c) });
  test('a cold fridge: so many hours from lift, and colder buys nothing', () => {
    expect(keepingOf(kept(), USUAL_LIMITS)).toMatchObject({
      discardAt: after(82),
      because: 'keep',
      warmMinutes: 0,
    });
    expect(keepingOf(kept({ fridge: celsius(1) }), USUAL_LIMITS).discardAt).toBe(after(82));
  });
  test('age by the square-root law: 2.0 at 8 C, 2.9 at 10, 5.9 at 15', () => {
    expect([5, 8, 10, 15].map((t) => Number(ageOfMinute(t, 5).toFixed(1)))).toEqual([
      1, 2, 2.9, 5.9,
    ]);
  });
  test('a counter steep ends four hours after leaf in, whatever follows', () => {
    expect(keepingOf(kept({ method: 'counter', liftAt: after(2) }), USUAL_LIMITS)).toMatchObject({
      discardAt: after(4),
      because: 'counter',
    });
  });
  test('an opened door moves nothing; a power cut overnight ends it', () => {
    const limits = { ...USUAL_LIMITS, gapMinutes: 60 };
    const quarters = (at: (h: number) => number) =>
      Array.from({ length: 160 }, (_, n) => read(n / 4, at(n / 4)));
    const door = keepingOf(kept({ readings: quarters((h) => (h === 20 ? 9 : 4)) }), limits);
    expect(door.discardAt).toBeGreaterThan(after(80));
    const cut = quarters((h) => (h >= 20 && h < 32 ? 14 : 4));
    expect(keepingOf(kept({ readings: cut }), limits)).toMatchObject({ because: 'warm' });
  });
  test('nobody knows a gap: it counts as 8 C until somebody answers it', () => {
    const limits = { ...USUAL_LIMITS, gapMinutes: 60 };
    const gap = [read(0, 4), read(20, 4)];
    expect(keepingOf(kept({ readings: gap }), limits).because).toBe('warm');
    const answered = [{ from: after(0), to: after(20) }];
    expect(keepingOf(kept({ readings: gap, answered }), limits).because).toBe('keep');
  });
  test('a last reading over the limit says what comes of it if it stays', () => {
    const kept7 = keepingOf(
      kept({ readings: [read(0, 4), read(11, 4), read(12, 7.4)] }),
      USUAL_LIMITS,
    );
    expect(kept7.ifStays?.discardAt).toBeLessThan(kept7.discardAt);
    expect(
      keepingOf(kept({ readings: [read(0, 4), read(12, 4.9)] }), USUAL_LIMITS).ifStays,
    ).toBeNull();
  });
  test('warmer air, a later reading or a shorter limit never moves it later', () => {
    const random = seeded(3);
    for (let i = 0; i < 60; i++) {
      const readings = Array.from({ length: 12 }, (_, n) => read(n * 4, 2 + 5 * random()));
      const one = keepingOf(kept({ readings }), USUAL_LIMITS);
      const warmer = readings.map((r) => ({ ...r, celsius: celsius(r.celsius + 1) }));
      expect(keepingOf(kept({ readings: warmer }), USUAL_LIMITS).discardAt).toBeLessThanOrEqual(
        one.discardAt,
      );
      expect(
        keepingOf(kept({ readings }), { ...USUAL_LIMITS, keepHours: 48 }).discardAt,
      ).toBeLessThanOrEqual(one.discardAt);
    }
  });
  test('it ends when its minutes, counted one by one, say so', () => {
    const random = seeded(20_261_201);
    const ends: string[] = [];
    for (let i = 0; i < 300; i++) {
      const readings = Array.from({ length: Math.floor(random() * 6) }, (_, n) =>
        read(n * 9 + 8 * random(), 2 + (random() < 0.3 ? 14 : 4) * random()),
      );
      const leaves = random() * 60;
      const batch = kept({
        ...{ readings, start: celsius(3 + 20 * random()), fridge: celsius(2 + 4.5 * random()) },
        liftAt: after(4 + 20 * random()),
        out:
          random() < 0.3
            ? [{ from: after(leaves), to: after(leaves + 3 * random()), air: celsius(21) }]
            : [],
      });
      let [warm, age, wasCold] = [0, 0, false];
      const end = liquorAlong(batch, USUAL_LIMITS, after(200), 1).find(({ at, liquor }, n) => {
        wasCold ||= liquor <= USUAL_LIMITS.limit;
        const counts = wasCold || n >= USUAL_LIMITS.coolHours * 60;
        if (counts && liquor > USUAL_LIMITS.limit) warm += 1;
        if (at - 60_000 >= batch.liftAt) age += ageOfMinute(liquor, USUAL_LIMITS.limit);
        return warm >= USUAL_LIMITS.warmHours * 60 || age >= USUAL_LIMITS.keepHours * 60;
      });
      const found = keepingOf(batch, USUAL_LIMITS);
      expect([i, found.discardAt, found.warmMinutes]).toEqual([i, end?.at, warm]);
      ends.push(found.because);
    }
    // Every kind of end was among them.
    expect([...new Set(ends)].sort()).toEqual(['aged', 'keep', 'warm']);
  });
  test('labels say the quarter of an hour before', () => {
    expect(labelTime(epochMs(Date.UTC(2026, 4, 8, 7, 59)))).toBe(Date.UTC(2026, 4, 8, 7, 45));
    expect(labelTime(epochMs(Date.UTC(2026, 4, 8, 8)))).toBe(Date.UTC(2026, 4, 8, 8));
  });
});
