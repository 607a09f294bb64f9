import type { Tea } from '#contracts/book';
import type { Site } from '#contracts/house';
import type { Vessel } from '#contracts/shelf';
import { ATTRIBUTE_NAMES, type Mark } from '#core/correction';
import { normal, pick, type Random } from '#core/numeric';
import { brewingOf } from '#core/recipes';
import { expectedMarks, houseCupOf, rungs, scheduleFor, setUp, shuffled, tastingOf, type ExerciseKind, type PlannedCup, type TastingAct, type TastingEvent, type Taster, type Way } from '#core/tasting';
import { grams, millilitres, seconds } from '#core/units';
import { LEAVES } from './leaves';
import { FIRST_VOCABULARY } from '#core/teas';
import type { tastingEvents, tastings } from '../db/schema/index';

type Rows = { tastings: (typeof tastings.$inferInsert)[]; events: (typeof tastingEvents.$inferInsert)[] };
type Around = { readonly site: Site; readonly teas: readonly Tea[]; readonly vessels: readonly Vessel[]; readonly people: readonly Taster[]; readonly now: number; readonly makeId: (ms: number) => string };
const DAY = 86_400_000;
/** A taster differs from the model by so much, in marks, and from one cup to the next. */
const TASTER_SD = 0.35;
const CUP_SD = 0.3;
const toMark = (x: number): Mark => Math.max(-2, Math.min(2, Math.round(x))) as Mark;

/** What was tasted together: a ladder, a triangle and a ladder of leaf, revealed; each from the model with human error. */
export function pastTastings(random: Random, { site, teas, vessels, people, now, makeId }: Around): Rows {
  const out: Rows = { tastings: [], events: [] };
  const vessel = vessels.find((v) => v.kind === 'tasting') ?? vessels[0];
  const asked: readonly [string, ExerciseKind, Way, number][] = [['Marrowick Broken', 'ladder', 'seconds', 9], ['Sennet Hollow', 'ladder', 'celsius', 16], ['Tolvane Amber', 'triangle', 'grams', 30]];
  for (const [name, kind, way, daysAgo] of asked) {
    const tea = teas.find((t) => t.name === name);
    const recipe = tea?.house?.recipe;
    const [setBy] = people;
    if (!tea?.house || !recipe || !vessel || !setBy) continue;
    const house = houseCupOf(recipe, vessel.mark);
    const cups = kind !== 'ladder' ? [house, { ...house, [way]: Number((house[way] * 1.2).toFixed(2)) }]
      : (way === 'seconds' ? rungs(way, house.seconds * 0.25, house.seconds * 1.7, 4) : rungs(way, house.celsius - 10, Math.min(98, house.celsius + 11), 4)).map((v) => ({ ...house, [way]: v }));
    const exercise = setUp({ kind, way, asks: 'strength', cups, tasters: people }, random);
    // In the quiet hour after the rush.
    const start = Math.floor(now / DAY) * DAY - daysAgo * DAY + 16.6 * 3_600_000;
    const id = makeId(start - 600_000);
    const events: TastingEvent[] = [];
    let at = start;
    const does = (by: Taster, act: TastingAct, after: number) => { at = Math.max(at, start + after * 1000); events.push({ id: makeId(at), at: Math.round(at), by, act }); };
    does(setBy, { kind: 'start' }, 0);
    for (const m of scheduleFor(exercise).moments) if (!(scheduleFor(exercise).kind === 'oneClock' && m.act === 'pour')) does(setBy, { kind: m.act, cup: m.cup }, m.at + Math.abs(normal(random, 1.5, 1)));
    const of = (c: PlannedCup) => brewingOf({ tea: { style: tea.style, fitted: LEAVES[tea.name] ?? null }, recipe, vessel, leaf: grams(c.grams), water: millilitres(c.water), onLeaf: c.celsius as never, time: seconds(c.seconds) });
    const truth = tastingOf(exercise, events);
    for (const [i, taster] of people.entries()) {
      const habit = normal(random, 0, TASTER_SD);
      const served = exercise.servings[taster.id] ?? [];
      const cupOf = (code: string) => truth.cupOf[code] ?? 0;
      if (kind === 'ladder') {
        for (const code of served) {
          const marks = Object.fromEntries(ATTRIBUTE_NAMES.map((a) => [a, toMark((expectedMarks(of(house), way, a, [exercise.cups[cupOf(code)]?.plan[way] ?? house[way]])[0] ?? 0) + habit + normal(random, 0, CUP_SD))]));
          does(taster, { kind: 'keep', taster: taster.id, code, sheet: { marks, words: random() < 0.6 ? [pick(random, FIRST_VOCABULARY)] : [] } }, 700 + i * 40);
        }
        const order = [...served].sort((a, b) => (exercise.cups[cupOf(a)]?.plan[way] ?? 0) - (exercise.cups[cupOf(b)]?.plan[way] ?? 0));
        if (i === 2) order.push(...order.splice(-2).reverse());
        does(taster, { kind: 'handIn', taster: taster.id, order, choice: null }, 900 + i * 30);
      } else {
        const odd = served.find((c) => served.filter((o) => cupOf(o) === cupOf(c)).length === 1) ?? '';
        does(taster, { kind: 'handIn', taster: taster.id, order: null, choice: random() < 0.7 ? odd : (shuffled(served, random)[0] ?? odd) }, 600 + i * 40);
      }
    }
    does(setBy, { kind: 'reveal' }, 1200);
    out.tastings.push({ id, siteId: site.id, teaId: tea.id, lotId: tea.lots[0]?.id ?? null, versionId: tea.house.id, kind, exercise, vessel: factsOf(vessel), stage: 'revealed', handedIn: people.length, setBy: setBy.id, at: new Date(start - 600_000) });
    out.events.push(...events.map((e, seq) => ({ id: e.id, tastingId: id, seq: seq + 1, at: new Date(e.at), received: new Date(e.at), personId: e.by.id, act: e.act })));
  }
  return out;
}
function factsOf({ id: _id, siteId: _siteId, rev: _rev, retired: _retired, ...facts }: Vessel) {
  return facts;
}
