import { ATTRIBUTE_NAMES, nearestMark, predict } from '#core/corrections';
import { normal, pick, type Random, shuffled } from '#core/numeric';
import type { Multipliers } from '#core/styles';
import { MARK } from '#core/taste';
import {
  brewOfCup,
  type Compared,
  type ExerciseKind,
  type Factor,
  foldTasting,
  housePour,
  isPouredAtStart,
  ladderTimes,
  type LeafLessonId,
  type PlannedCup,
  rungs,
  scheduleFor,
  setUp,
  type Sheet,
  type Taster,
  type TastingAct,
  type TastingEvent,
} from '#core/tastings';
import { FIRST_VOCABULARY } from '#core/teas';
import type { Site } from '#contracts/sites';
import type { Tea } from '#contracts/teas';
import { vesselFactsOf } from '#contracts/vesselFacts';
import type { Vessel } from '#contracts/vessels';
import type { tastingEvents, tastings, tastingSeats } from '../db/schema';
import { LEAVES } from './leaves';

type Rows = {
  tastings: (typeof tastings.$inferInsert)[];
  events: (typeof tastingEvents.$inferInsert)[];
  seats: (typeof tastingSeats.$inferInsert)[];
};
type Around = {
  readonly site: Site;
  readonly teas: readonly Tea[];
  readonly vessels: readonly Vessel[];
  readonly people: readonly Taster[];
  /** The lot that came last, by tea. */ readonly newLots: ReadonlyMap<string, string>;
  readonly now: number;
  readonly makeId: (ms: number) => string;
};
const DAY = 86_400_000;
/** A taster differs from the model by so much, in marks, and from one cup to the next. */
const TASTER_SD = 0.35;
const CUP_SD = 0.3;

type Asked = {
  readonly tea: string;
  readonly kind: ExerciseKind;
  readonly way: Factor;
  readonly compares?: Compared;
  readonly lesson?: LeafLessonId;
  readonly daysAgo: number;
  readonly cups: (house: PlannedCup) => readonly PlannedCup[];
  /** The leaf that is tasted, where it is not the tea's usual; of the lot that came last. */
  readonly newLot?: Multipliers;
};
const ladderOf = (way: 'seconds' | 'celsius') => (house: PlannedCup) =>
  (way === 'seconds'
    ? ladderTimes(house.seconds, 4)
    : rungs(way, house.celsius - 10, Math.min(98, house.celsius + 11), 4)
  ).map((v) => ({ ...house, [way]: v }));
const ASKED: readonly Asked[] = [
  {
    tea: 'Marrowick Broken',
    kind: 'ladder',
    way: 'seconds',
    daysAgo: 9,
    cups: ladderOf('seconds'),
  },
  { tea: 'Sennet Hollow', kind: 'ladder', way: 'celsius', daysAgo: 16, cups: ladderOf('celsius') },
  {
    tea: 'Tolvane Amber',
    kind: 'triangle',
    way: 'grams',
    daysAgo: 30,
    cups: (house) => [house, { ...house, grams: Number((house.grams * 1.2).toFixed(2)) }],
  },
  {
    tea: 'Sennet Hollow',
    kind: 'dialIn',
    way: 'seconds',
    daysAgo: 1,
    cups: (house) => [house],
    newLot: { rate: 1.3, pool: 1, bite: 1.15, sensitivity: 1 },
  },
  {
    tea: 'Corrow Roast',
    kind: 'comparison',
    way: 'seconds',
    compares: 'infuser',
    lesson: 'infusers',
    daysAgo: 21,
    cups: (house) => (['free', 'ball'] as const).map((infuser) => ({ ...house, infuser })),
  },
  {
    tea: 'Tolvane Amber',
    kind: 'calibration',
    way: 'seconds',
    daysAgo: 25,
    cups: (house) => [house, { ...house, seconds: Math.round((house.seconds * 1.5) / 5) * 5 }],
  },
];

/** What was tasted together, all but a dial-in of a new lot at its end; each from the model with human error. */
export function pastTastings(
  random: Random,
  { site, teas, vessels, people, newLots, now, makeId }: Around,
): Rows {
  const out: Rows = { tastings: [], events: [], seats: [] };
  const vessel = vessels.find((v) => v.kind === 'tasting') ?? vessels[0];
  for (const { tea: name, kind, way, compares, lesson, daysAgo, cups: cupsOf, newLot } of ASKED) {
    const tea = teas.find((t) => t.name === name);
    const recipe = tea?.house?.recipe;
    const [setBy] = people;
    if (!tea?.house || !recipe || !vessel || !setBy) continue;
    const house = housePour(recipe, vessel.mark);
    const exercise = setUp(
      { kind, way, asks: 'strength', compares, lesson, cups: cupsOf(house), tasters: people },
      random,
    );
    // In the quiet hour after the rush.
    const start = Math.floor(now / DAY) * DAY - daysAgo * DAY + 16.6 * 3_600_000;
    const id = makeId(start - 600_000);
    const events: TastingEvent[] = [];
    let at = start;
    const does = (by: Taster, act: TastingAct, after: number) => {
      at = Math.max(at, start + after * 1000);
      events.push({ id: makeId(at), at: Math.round(at), by, act });
    };
    does(setBy, { kind: 'start' }, 0);
    for (const m of scheduleFor(exercise).moments)
      if (!(isPouredAtStart(scheduleFor(exercise).kind) && m.act === 'pour'))
        does(setBy, { kind: m.act, cup: m.cup }, m.at + Math.abs(normal(random, 1.5, 1)));
    const of = (c: PlannedCup, leaf: Multipliers | null) =>
      predict(brewOfCup({ tea: { style: tea.style, fitted: leaf }, recipe, vessel }, c));
    const own = LEAVES[tea.name] ?? null;
    const right = of(house, own);
    const truth = foldTasting(exercise, events);
    const cupOf = (code: string) => truth.cupOf[code] ?? 0;
    const tasted = (code: string) => of(exercise.cups[cupOf(code)]?.plan ?? house, newLot ?? own);
    for (const [i, taster] of people.entries()) {
      const habit = normal(random, 0, TASTER_SD);
      const served = exercise.servings[taster.id] ?? [];
      const keep = (code: string, sheet: Sheet) =>
        does(taster, { kind: 'keep', taster: taster.id, code, sheet }, 700 + i * 40);
      const words = () => (random() < 0.6 ? [pick(random, FIRST_VOCABULARY)] : []);
      if (kind === 'ladder' || kind === 'dialIn' || kind === 'comparison') {
        for (const code of served)
          keep(code, {
            marks: Object.fromEntries(
              ATTRIBUTE_NAMES.map((a) => [
                a,
                nearestMark(
                  (tasted(code)[a] - right[a]) / MARK + habit + normal(random, 0, CUP_SD),
                ),
              ]),
            ),
            words: words(),
          });
        const order = [...served].sort(
          (a, b) =>
            (exercise.cups[cupOf(a)]?.plan[way] ?? 0) - (exercise.cups[cupOf(b)]?.plan[way] ?? 0),
        );
        if (i === 2 && order.length > 2) order.push(...order.splice(-2).reverse());
        does(
          taster,
          {
            kind: 'handIn',
            taster: taster.id,
            order: kind === 'ladder' ? order : null,
            choice: null,
          },
          900 + i * 30,
        );
      } else if (kind === 'calibration') {
        for (const code of served)
          keep(code, {
            marks: {},
            words: words(),
            scores: Object.fromEntries(
              ATTRIBUTE_NAMES.map((a) => [
                a,
                Math.max(
                  0,
                  Math.min(
                    10,
                    Math.round((tasted(code)[a] + (habit + normal(random, 0, CUP_SD)) * MARK) * 2) /
                      2,
                  ),
                ),
              ]),
            ),
          });
        does(
          taster,
          { kind: 'handIn', taster: taster.id, order: null, choice: null },
          900 + i * 30,
        );
      } else {
        const odd =
          served.find((c) => served.filter((o) => cupOf(o) === cupOf(c)).length === 1) ?? '';
        does(
          taster,
          {
            kind: 'handIn',
            taster: taster.id,
            order: null,
            choice: random() < 0.7 ? odd : (shuffled(served, random)[0] ?? odd),
          },
          600 + i * 40,
        );
      }
    }
    does(setBy, { kind: 'reveal' }, 1200);
    out.tastings.push({
      id,
      siteId: site.id,
      teaId: tea.id,
      lotId: (newLot && newLots.get(tea.id)) ?? tea.lots[0]?.id ?? null,
      versionId: tea.house.id,
      kind,
      lesson: lesson ?? null,
      exercise,
      vesselId: vessel.id,
      vessel: vesselFactsOf(vessel),
      stage: 'revealed',
      handedIn: people.length,
      setBy: setBy.id,
      at: new Date(start - 600_000),
    });
    out.seats.push(...people.map((p) => ({ tastingId: id, personId: p.id, submitted: true })));
    out.events.push(
      ...events.map((e, seq) => ({
        id: e.id,
        tastingId: id,
        seq: seq + 1,
        at: new Date(e.at),
        received: new Date(e.at),
        personId: e.by.id,
        act: e.act,
      })),
    );
  }
  return out;
}
