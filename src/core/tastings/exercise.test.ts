import { seeded } from '#core/numeric';
import { houseBrew, startingRecipe } from '#core/recipes';
import { seconds } from '#core/units';
import { cupsAt, ladder, table, tasted, TASTERS, U } from '../testing/ladderTable';
import {
  adviceOf,
  expectedMarks,
  headlineOf,
  howSure,
  ladderTimes,
  likeForLike,
  missing,
  nextMoment,
  resultOf,
  rungs,
  scheduleFor,
  scheduleOf,
  setUp,
  type Taster,
} from '.';

describe('setting up', () => {
  test('one clock for a ladder of time; all else is lifted together, one hand apart', () => {
    expect(scheduleFor(setUp(ladder(), seeded(1)))).toMatchObject({
      kind: 'oneClock',
      length: 300,
      tight: [],
    });
    const together = scheduleOf(cupsAt(180, 60, 120), 'together');
    expect(together.moments.filter((m) => m.act === 'pull').map((m) => m.at)).toEqual([
      180, 190, 200,
    ]);
    for (const cup of [0, 1, 2]) {
      const [pour, pull] = ['pour', 'pull'].map(
        (act) => together.moments.find((m) => m.cup === cup && m.act === act)?.at ?? 0,
      );
      expect((pull ?? 0) - (pour ?? 0)).toBe([180, 60, 120][cup]);
    }
    expect(scheduleOf(cupsAt(60, 63), 'oneClock').tight).toHaveLength(1);
  });
  test('rungs are even in proportion, heat even in degrees, rounded to what a hand does', () => {
    expect(rungs('seconds', 45, 300, 4)).toEqual([45, 85, 160, 300]);
    expect(rungs('celsius', 70, 95, 6)).toEqual([70, 75, 80, 85, 90, 95]);
    expect(rungs('grams', 1, 4, 3)).toEqual([1, 2, 4]);
  });
  test.each([
    // As trainers set it up: common practice.
    [240, 4, [45, 120, 240, 360]],
    [180, 4, [30, 90, 180, 270]],
    [300, 4, [60, 150, 300, 480]],
    [90, 4, [15, 45, 90, 150]],
    [30, 4, [5, 15, 30, 45]],
    [240, 3, [120, 240, 360]],
    [240, 5, [45, 120, 240, 360, 480]],
  ])('a ladder about %i s in %i cups has round times and the house time', (house, n, times) =>
    expect(ladderTimes(house, n)).toEqual(times),
  );
  test('whatever the house time: as many cups as asked for, each later than the one before, the house time among them', () => {
    for (let house = 10; house <= 1200; house += 7) {
      for (const n of [2, 3, 4, 5, 6]) {
        const times = ladderTimes(house, n);
        expect(times).toContain(house);
        expect(times).toHaveLength(n);
        times.slice(1).forEach((t, i) => expect(t).toBeGreaterThan(times[i] ?? Infinity));
      }
    }
    expect(() => ladderTimes(240, 7)).toThrow(RangeError);
  });
  test('like for like: only what is meant may differ', () => {
    expect(likeForLike(cupsAt(45, 120), 'seconds')).toMatchObject({
      differs: ['seconds'],
      alsoDiffers: [],
      same: false,
    });
    expect(
      likeForLike(
        [
          { grams: 1.8, water: 150, celsius: 96, seconds: 45 },
          { grams: 2.2, water: 151, celsius: 96, seconds: 90 },
        ],
        'seconds',
      ).alsoDiffers,
    ).toEqual(['grams']);
    expect(likeForLike(cupsAt(90, 91), 'seconds').same).toBe(true);
  });
  test('a triangle: three bowls a taster, two alike, no code served twice to one', () => {
    const e = setUp(
      { kind: 'triangle', way: 'grams', asks: 'strength', cups: cupsAt(90, 90), tasters: TASTERS },
      seeded(4),
    );
    for (const t of TASTERS) expect(new Set(e.servings[t.id]).size).toBe(3);
  });
});

describe('at the table', () => {
  test('water on all at once; each cup is lifted by its own clock, and what is next is known', () => {
    const t = table(ladder());
    expect(t.now().stage).toBe('set');
    expect(t.does({ kind: 'pull', cup: 0 })).toBe('notStarted');
    t.does({ kind: 'start' });
    expect(t.does({ kind: 'start' })).toBe('alreadyStarted');
    expect(nextMoment(t.exercise, t.now())).toEqual({ cup: 0, act: 'pull', at: t.start + 45_000 });
    t.does({ kind: 'pull', cup: 0 });
    expect(t.does({ kind: 'pull', cup: 0 })).toBe('alreadyPulled');
    expect(nextMoment(t.exercise, t.now())?.cup).toBe(1);
    expect(t.does({ kind: 'undo', of: 'e1' })).toBeNull();
    expect(nextMoment(t.exercise, t.now())?.cup).toBe(0);
  });
  test('the reveal waits for every sheet; a sheet is handed in once; after the reveal nothing is changed', () => {
    const t = table(ladder());
    t.brewed();
    expect(t.now().stage).toBe('tasting');
    expect(t.sheet(TASTERS[1] as Taster, [0, 0, 1, 2])).toBeNull();
    expect(t.sheet(TASTERS[1] as Taster, [2, 2, 2, 2])).toBe('alreadyHandedIn');
    expect(t.does({ kind: 'reveal' })).toBe('sheetsMissing');
    for (const x of [0, 2, 3]) t.sheet(TASTERS[x] as Taster, [0, 0, 1, 1]);
    expect(t.does({ kind: 'reveal' }, { id: 'd', runs: false })).toBe('notYours');
    expect(t.does({ kind: 'reveal' })).toBeNull();
    expect(t.does({ kind: 'swap', a: t.code(0), b: t.code(1) })).toBe('over');
    expect(
      t.does({ kind: 'handIn', taster: 'd', order: [], choice: null }, { id: 'd', runs: false }),
    ).toBe('alreadyHandedIn');
  });
  test('one leaves half-way: the rest are revealed; coming back, the sheet still counts', () => {
    const t = table(ladder());
    t.brewed();
    for (const x of [0, 1, 2]) t.sheet(TASTERS[x] as Taster, [0, 0, 1, 1]);
    t.does(
      {
        kind: 'keep',
        taster: 't',
        code: t.code(0),
        sheet: { marks: { bitterness: 0 }, words: [] },
      },
      { id: 't', runs: false },
    );
    expect(missing(t.now())).toHaveLength(1);
    t.does({ kind: 'leave', taster: 't', reason: 'called away' });
    expect(missing(t.now())).toHaveLength(0);
    expect(t.sheet(TASTERS[3] as Taster, [0, 0, 1, 1])).toBeNull();
    expect(t.now().tasters.find((x) => x.id === 't')).toMatchObject({
      left: null,
      handedIn: expect.any(Number),
    });
  });
  test('nobody writes another’s sheet but who runs it, and that is kept', () => {
    const t = table(ladder());
    t.brewed();
    expect(
      t.does(
        {
          kind: 'handIn',
          taster: 'p',
          order: t.exercise.cups.map((c) => c.codes[0] ?? ''),
          choice: null,
        },
        { id: 'd', runs: false },
      ),
    ).toBe('notYours');
    expect(t.does({ kind: 'handIn', taster: 'p', order: [t.code(0)], choice: null })).toBe(
      'orderIncomplete',
    );
    expect(
      t.does({
        kind: 'handIn',
        taster: 'p',
        order: t.exercise.cups.map((c) => c.codes[0] ?? ''),
        choice: null,
      }),
    ).toBeNull();
    expect(t.now().tasters.find((x) => x.id === 'p')?.enteredBy).toMatchObject({ id: 'i' });
  });
});

describe('what it showed', () => {
  test('bitterness begins between two rungs; the target stays where half call it right', () => {
    const r = tasted().result();
    expect(r.attributes.bitterness.begins).toEqual({ kind: 'between', from: 121, to: 181 });
    expect(headlineOf(r.attributes.bitterness, 'bitterness', 'seconds', 180, U)).toEqual({
      strong: 'Bitterness begins between 2:01 and 3:01',
      rest: ' for this table. The house target, 3:00, stays: two of four call it right at 3:01.',
    });
    expect(adviceOf(r, 'seconds', { target: 180, latest: 240 }, U)).toMatchObject({
      kind: 'keep',
      latest: null,
    });
    expect(adviceOf(r, 'seconds', { target: 120, latest: 240 }, U)).toMatchObject({
      kind: 'keep',
      latest: 150,
      headline: 'Keep 2:00. Tighten latest from 4:00 to 2:30.',
    });
    expect(adviceOf(r, 'seconds', { target: 300, latest: 360 }, U)).toMatchObject({
      kind: 'less',
      to: 181,
    });
    expect(r.tasters.map((x) => x.ordering?.inversions)).toEqual([0, 0, 1, 0]);
    const sure = howSure(r, 'bitterness', 'seconds', 180, U).join(' ');
    expect(sure).toContain('three of four in true order; by chance one in 24 each');
    expect(sure).toContain('2 of 4 (95 %: 7 to 93 %, exact)');
    expect(sure).toContain('Four tasters can prove nothing');
  });
  test('a spilled cup is left out, with its reason; a misread code counts for the cup that was in it', () => {
    const t = table(ladder());
    t.brewed();
    t.does({ kind: 'exclude', cup: 3, reason: 'spilled' });
    t.does({ kind: 'swap', a: t.code(0), b: t.code(2) });
    // The bowl called by the first code held the third cup.
    for (const x of TASTERS) t.sheet(x, [2, 0, -2, null], [t.code(2), t.code(1), t.code(0)]);
    const r = t.result();
    expect(r.attributes.bitterness.begins).toEqual({ kind: 'between', from: 121, to: 181 });
    expect(r.tasters.every((x) => x.ordering?.inversions === 0)).toBe(true);
    expect(howSure(r, 'bitterness', 'seconds', 180, U).at(-1)).toMatch(
      /^Left out: \d{3}, spilled\.$/,
    );
    expect(r.cups.find((c) => c.cup === 0)?.code).toBe(t.code(2));
  });
  test('all marks equal, one taster only, no marks at all: nothing is claimed', () => {
    const equal = table(ladder());
    equal.brewed();
    for (const x of TASTERS) equal.sheet(x, [0, 0, 0, 0]);
    expect(equal.result().attributes.bitterness).toMatchObject({
      begins: { kind: 'never', upTo: 301 },
      agreement: null,
      effect: null,
    });
    expect(
      headlineOf(equal.result().attributes.bitterness, 'bitterness', 'seconds', 180, U).strong,
    ).toBe('No bitterness up to 5:01');
    const alone = table(ladder(undefined, [TASTERS[0] as Taster]));
    alone.brewed();
    alone.sheet(TASTERS[0] as Taster, [0, 0, 1, 2]);
    expect(howSure(alone.result(), 'bitterness', 'seconds', 180, U).join(' ')).toContain(
      'One taster can prove nothing',
    );
    expect(alone.result().attributes.aroma.begins.kind).toBe('noMarks');
    expect(headlineOf(alone.result().attributes.aroma, 'aroma', 'seconds', 180, U).strong).toBe(
      'Nobody marked aroma',
    );
  });
  test('marks that rise and fall again have no one place', () => {
    const t = table(ladder());
    t.brewed();
    for (const x of TASTERS) t.sheet(x, [0, 1, 0, 1]);
    expect(t.result().attributes.bitterness.begins.kind).toBe('unclear');
  });
  test('a triangle and a pair are counted against guessing, with what would have been needed', () => {
    const t = table({
      kind: 'triangle',
      way: 'grams',
      asks: 'strength',
      cups: cupsAt(90, 90),
      tasters: TASTERS,
    });
    t.does({ kind: 'start' });
    for (const cup of [0, 1]) {
      t.does({ kind: 'pour', cup });
      t.does({ kind: 'pull', cup });
    }
    for (const x of TASTERS) {
      const served = t.exercise.servings[x.id] ?? [];
      const cup = (c: string) => t.now().cupOf[c];
      const odd = served.find((c) => served.filter((o) => cup(o) === cup(c)).length === 1) ?? '';
      expect(
        t.does(
          { kind: 'handIn', taster: x.id, order: null, choice: '000' },
          { id: x.id, runs: false },
        ),
      ).toBe('choiceMissing');
      t.does(
        {
          kind: 'handIn',
          taster: x.id,
          order: null,
          choice: x.id === 't' ? (served.find((c) => c !== odd) ?? '') : odd,
        },
        { id: x.id, runs: false },
      );
    }
    const r = resultOf(t.exercise, t.now());
    expect(r).toMatchObject({ kind: 'choice', n: 4, right: 3, fewest: 3 });
    expect(r.kind === 'choice' ? r.chance : 0).toBeCloseTo(1 / 9, 9);
  });
  test('the model’s line passes the house cup at "right" and rises with time', () => {
    const recipe = startingRecipe('black-broken');
    const house = houseBrew({ style: 'black-broken', fitted: null }, recipe);
    const marks = expectedMarks(house, 'seconds', 'bitterness', [30, house.time, 600]);
    expect(marks[1]).toBeCloseTo(0, 9);
    expect(marks[0]).toBeLessThan(-0.5);
    expect(marks[2]).toBeGreaterThan(0.5);
    expect(seconds(house.time)).toBe(house.time);
  });
});
