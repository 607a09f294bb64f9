import { asc } from 'drizzle-orm';
import { ALL_RIGHT, type Verdict } from '#core/corrections';
import { seeded } from '#core/numeric';
import { startingRecipe } from '#core/recipes';
import { sampleDrillCup } from '#core/testing';
import {
  BREWER_SKILLS,
  type DiagnosisGiven,
  drawDiagnosis,
  drawOrder,
  DrillHouse,
  lessonAdded,
  type Level,
  type Turn,
  USUAL_COURSES,
  workDiagnosis,
} from '#core/training';
import type { TastedCup } from '#contracts/brewEvents';
import type { Brew } from '#contracts/brews';
import type { Version } from '#contracts/recipes';
import type { DrillAnswer, Practice, SchoolSettings } from '#contracts/training';
import { drillAnswers, signEvents, spoonWeighings } from '../src/server/db/schema/index';
import { type Begun, begunHouse, BITTER_PROPOSAL, brewBody, newId } from './house';

// What is practised is kept once, is worth what the server works out, and is read by its person and by leads alone.

const CUP = sampleDrillCup();
const HOUSE = new DrillHouse([CUP]);
const drawn = (seed: number, level: Level = 3): DiagnosisGiven =>
  drawDiagnosis(HOUSE, level, seeded(seed));
/** What somebody who knows it answers. */
function rightAnswer(given: DiagnosisGiven) {
  const d = workDiagnosis(given);
  const [bracket] = d.brackets.filter((b) => d.levers[b.lever] === 'right');
  const turn: Turn = bracket
    ? { lever: bracket.lever, size: bracket.best }
    : { lever: 'vessel', act: 'basket' };
  return { cause: d.right[0], turns: [turn] };
}

let h: Begun;
beforeEach(async () => {
  h = await begunHouse();
});
afterEach(() => h.close());

const body = (given: DiagnosisGiven, over: object = {}) => ({
  ...{ id: newId(), siteId: h.ids.site, at: h.now(), seed: 7, ms: 41_000 },
  task: { drill: 'diagnose', given, answer: rightAnswer(given), ...over },
});
const send = (what: object, by: keyof Begun['callers'] = 'trainee') =>
  h.callers[by].post('/api/training/answers', what);
const own = async (by: keyof Begun['callers'] = 'trainee') =>
  (await h.callers[by].get('/api/training').expect(200)).body as Practice;

test('an answer is kept once however often it is sent, and is worth what the server works out', async () => {
  const given = drawn(11);
  const what = body(given);
  for (let i = 0; i < 2; i++)
    expect((await send(what).expect(200)).body).toMatchObject({
      ...{ id: what.id, drill: 'diagnose', level: given.level, judged: 'right', disputed: false },
    });
  const wrong = body(drawn(12), {
    answer: { cause: 'noLid', turns: [{ lever: 'water', size: 5 }] },
  });
  const answer = (await send(wrong).expect(200)).body as DrillAnswer;
  expect(answer.credit).toBeLessThan(0.5);
  expect((await own()).answers.map((a) => a.id)).toEqual([what.id, wrong.id]);
});
test('a question that cannot be is refused, and so is one that no longer adds up', async () => {
  const given = drawn(13);
  const nothing = { ...given, faults: [{ id: 'long', size: 1 }] };
  await send(body(given, { given: nothing })).expect(422);
  await send(body(given, { given: { ...given, level: 9 } })).expect(422);
  await send(body(given, { answer: { cause: 'magic', turns: [] } })).expect(422);
  expect((await own()).answers).toEqual([]);
});
test('an order of cups is kept by how it was set; darkest first is asked again', async () => {
  const given = drawOrder([CUP], 3, seeded(5));
  const letters = [...given.shuffle.keys()].sort(
    (a, b) => (given.shuffle[a] ?? 0) - (given.shuffle[b] ?? 0),
  );
  const task = (order: readonly number[]) =>
    body(drawn(11), { drill: 'order', given, answer: { letters: order } });
  expect((await send(task(letters)).expect(200)).body).toMatchObject({
    ...{ drill: 'order', credit: 1, judged: 'right', guess: 0 },
  });
  await send(task([...letters].reverse())).expect(422);
  await send(task(letters.map(() => 0))).expect(422);
  await send(task(letters.slice(0, 5))).expect(422);
  const strange = { ...given, shuffle: given.shuffle.map(() => 0) };
  await send(body(drawn(11), { drill: 'order', given: strange, answer: { letters } })).expect(422);
  const short = { ...given, shuffle: [0, 1, 2, 3, 4] };
  const far = { letters: [0, 1, 2, 3, 7] };
  await send(body(drawn(11), { drill: 'order', given: short, answer: far })).expect(422);
  expect((await own()).answers).toHaveLength(1);
});
test('everybody reads their own; the board is for leads, by name', async () => {
  await send(body(drawn(14)));
  await send(body(drawn(15)), 'brewer');
  expect((await own('brewer')).answers).toHaveLength(1);
  await h.callers.trainee.get('/api/training/board').expect(403);
  await h.callers.brewer.get('/api/training/board').expect(403);
  const { people } = (await h.callers.lead.get('/api/training/board').expect(200)).body as {
    people: Practice[];
  };
  expect(people.map((p) => [p.person.name, p.answers.length])).toEqual([
    ['Brewer B.', 1],
    ['Lead L.', 0],
    ['Trainee T.', 1],
  ]);
  // Sent by another person the same id is not theirs.
  const mine = body(drawn(16));
  await send(mine).expect(200);
  await send(mine, 'brewer').expect(404);
});
test('“I say it is wrong” is its own person’s, and goes to the leads with the question', async () => {
  const given = drawn(17);
  const mine = body(given);
  await send(mine).expect(200);
  await h.callers.brewer.post(`/api/training/answers/${mine.id}/dispute`, {}).expect(404);
  await h.callers.trainee.post(`/api/training/answers/${mine.id}/dispute`, {}).expect(200);
  const board = (await h.callers.lead.get('/api/training/board').expect(200)).body;
  expect(board.disputed).toMatchObject([{ answerId: mine.id, by: 'Trainee T.', task: { given } }]);
});
test('a lead settles a dispute once: a wrong question stays out, a right one counts again; nobody settles their own', async () => {
  const disputed = async (seed: number, by: keyof Begun['callers'] = 'trainee') => {
    const mine = body(drawn(seed));
    await send(mine, by).expect(200);
    await h.callers[by].post(`/api/training/answers/${mine.id}/dispute`, {}).expect(200);
    return mine.id;
  };
  const settle = (id: string, isWrong: boolean, by: keyof Begun['callers'] = 'lead') =>
    h.callers[by].post(`/api/training/answers/${id}/settle`, { isWrong });
  const [wrong, right] = [await disputed(18), await disputed(19)];
  await settle(wrong, true, 'trainee').expect(403);
  expect((await settle(wrong, true).expect(200)).body).toMatchObject({ disputed: true });
  expect((await settle(right, false).expect(200)).body).toMatchObject({ disputed: false });
  // What is settled is settled: by its person, and by the next lead.
  await h.callers.trainee.post(`/api/training/answers/${right}/dispute`, {}).expect(200);
  await settle(wrong, false).expect(200);
  expect((await own()).answers.map((a) => a.disputed)).toEqual([true, false]);
  expect((await h.callers.lead.get('/api/training/board').expect(200)).body.disputed).toEqual([]);
  await settle(await disputed(20, 'lead'), true).expect(403);
});
test('a sign-off: asked for by its person, signed and withdrawn by a lead, never by oneself', async () => {
  const trainee = (await own()).person.id;
  const lead = (await own('lead')).person.id;
  const sign = (over: object, by: keyof Begun['callers']) =>
    h.callers[by].post('/api/training/signs', {
      ...{ id: newId(), siteId: h.ids.site, personId: trainee, skill: 'correct' },
      ...{ kind: 'asked', until: null, note: '' },
      ...over,
    });
  await sign({}, 'brewer').expect(403);
  await sign({}, 'trainee').expect(200);
  await sign({ kind: 'signed' }, 'trainee').expect(403);
  await sign({ kind: 'signed' }, 'brewer').expect(403);
  await sign({ kind: 'signed', personId: lead }, 'lead').expect(403);
  const id = newId();
  for (let i = 0; i < 2; i++)
    await sign({ id, kind: 'signed', note: 'Two cups at the bar.' }, 'lead').expect(200);
  await sign({ kind: 'signed', until: '2001-01-01' }, 'lead').expect(422);
  await sign({ kind: 'withdrawn' }, 'lead').expect(422);
  expect((await own()).signs.map((s) => [s.kind, s.by, s.note])).toEqual([
    ['asked', 'Trainee T.', ''],
    ['signed', 'Lead L.', 'Two cups at the bar.'],
  ]);
});

test('a record as a file is read by its person and by leads of the site, without times', async () => {
  await send(body(drawn(21))).expect(200);
  const { person } = await own();
  const path = `/api/training/record/${person.id}.csv`;
  const mine = await h.callers.trainee.get(path).expect(200);
  expect(mine.headers['content-type']).toContain('text/csv');
  const lines = mine.text.trim().split('\r\n');
  expect(lines[0]).toBe('day,kind,skill,drill,level,credit,verdict,reported_wrong,until,note,by');
  expect(lines[1]).toContain(',answer,Correct,Diagnose the cup,3,');
  expect(mine.text).not.toContain('41000');
  expect((await h.callers.lead.get(path).expect(200)).text).toBe(mine.text);
  await h.callers.brewer.get(path).expect(404);
  await h.callers.trainee.get(`/api/training/record/${newId()}.csv`).expect(404);
});

/** Signs skills of the trainee, by the lead. */
async function signed(personId: string, skills: readonly string[]): Promise<void> {
  for (const skill of skills)
    await h.callers.lead
      .post('/api/training/signs', {
        ...{ id: newId(), siteId: h.ids.site, personId, skill },
        ...{ kind: 'signed', until: null, note: '' },
      })
      .expect(200);
}
test('a trainee becomes a brewer by a lead’s word, once the skills are signed, and in no other way', async () => {
  const trainee = (await own()).person.id;
  const rise = (by: keyof Begun['callers'] = 'lead', id = trainee) =>
    h.callers[by].post(`/api/training/people/${id}/brewer`, {});
  await rise('trainee').expect(403);
  await rise('brewer').expect(403);
  await signed(trainee, ['measure', 'heat', 'steep']);
  const early = await rise().expect(422);
  expect(early.body.message).toBe('Not signed yet: Judge taste, Rescue.');
  const past = await h.callers.lead
    .patch(`/api/people/${trainee}`, { rev: 1, role: 'brewer' })
    .expect(422);
  expect(past.body.fields.role).toContain('in School');
  await signed(trainee, ['taste', 'rescue']);
  for (let i = 0; i < 2; i++)
    expect((await rise().expect(200)).body).toMatchObject({ role: 'brewer', rev: 2 });
  // Whoever was signed in as a trainee signs in again.
  await h.callers.trainee.get('/api/training').expect(401);
  const lead = (await own('lead')).person.id;
  await rise('lead', lead).expect(422);
  await rise('lead', newId()).expect(404);
});
test('the record of somebody who left is removed: sign-offs are gone, answers have no name, site or hour', async () => {
  const trainee = (await own()).person.id;
  const mine = body(drawn(22));
  await send(mine).expect(200);
  await send(body(drawn(23)), 'brewer').expect(200);
  await signed(trainee, ['measure']);
  const remove = (by: keyof Begun['callers'] = 'lead') =>
    h.callers[by].delete(`/api/training/people/${trainee}`);
  await remove('brewer').expect(403);
  expect((await remove().expect(422)).body.message).toContain('no longer works here');
  await h.callers.lead.patch(`/api/people/${trainee}`, { rev: 1, active: false }).expect(200);
  expect((await remove().expect(200)).body).toEqual({ answers: 1, signs: 1 });
  expect((await remove().expect(200)).body).toEqual({ answers: 0, signs: 0 });
  const [kept, other] = await h.db.select().from(drillAnswers).orderBy(asc(drillAnswers.personId));
  expect(kept).toMatchObject({ personId: null, siteId: null, ms: 40_000, drill: 'diagnose' });
  expect(kept?.id).not.toBe(mine.id);
  expect(kept?.day).toMatch(/-01$/);
  expect(kept?.at.toISOString()).toBe(`${kept?.day}T00:00:00.000Z`);
  expect(kept?.given).toEqual(mine.task.given);
  // Of others nothing changes.
  expect(other).toMatchObject({ ms: 41_000, siteId: h.ids.site });
  expect(await h.db.select().from(signEvents)).toEqual([]);
  await h.callers.lead.get(`/api/training/record/${trainee}.csv`).expect(200);
});

test('what was seen at the bar: pulls of a person in their window, heat read on the leaf against the card', async () => {
  expect((await own('brewer')).seen).toEqual([]);
  // Water on four minutes ago.
  const begun = h.now() - 240_000;
  const { body: started } = await h.callers.brewer
    .post('/api/brews', brewBody(h, { at: begun }))
    .expect(200);
  const { recipe, onLeaf } = (started as Brew).plan;
  const event = (what: object) =>
    h.callers.brewer.post(`/api/brews/${(started as Brew).id}/events`, { id: newId(), ...what });
  await event({ kind: 'reading', at: begun + 20_000, celsius: onLeaf - 2 }).expect(200);
  await event({ kind: 'pull', at: begun + 1000 * recipe.window.best }).expect(200);
  const seen = [
    { of: 'readings', good: 1, n: 1, holds: false },
    { of: 'pulls', good: 1, n: 1, holds: false },
  ];
  expect((await own('brewer')).seen).toEqual(seen);
  expect((await own()).seen).toEqual([]);
  const { people } = (await h.callers.lead.get('/api/training/board').expect(200)).body as {
    people: Practice[];
  };
  expect(people.find((p) => p.person.name === 'Brewer B.')?.seen).toEqual(seen);
});

/** A judged cup of the brewer, with what is done to it before and after. */
async function judgedCup(marks: Partial<Verdict>, weighed: number, minutesAgo: number) {
  const begun = h.now() - minutesAgo * 60_000;
  const { body: started } = await h.callers.brewer
    .post('/api/brews', brewBody(h, { at: begun }))
    .expect(200);
  const { id, plan } = started as Brew;
  const event = (what: object, who: 'brewer' | 'lead' = 'brewer') =>
    h.callers[who].post(`/api/brews/${id}/events`, { id: newId(), ...what });
  const grams = Math.round(100 * weighed * plan.leaf) / 100;
  await event({ kind: 'step', at: begun, key: 'weigh', outcome: 'done', grams }).expect(200);
  await event({ kind: 'pull', at: begun + 1000 * plan.recipe.window.best }).expect(200);
  const judgedAt = begun + 1000 * (plan.recipe.window.best + 30);
  const verdict = { ...ALL_RIGHT, ...marks };
  const tooEarly = { kind: 'tasteAgain', cup: 'served', at: judgedAt, verdict };
  expect((await event(tooEarly).expect(409)).body.details.why).toBe('notJudged');
  const judge = {
    kind: 'judge',
    at: judgedAt,
    verdict,
    proposal: BITTER_PROPOSAL,
    accepted: true,
    remark: '',
  };
  await event(judge).expect(200);
  return (cup: TastedCup, seen: Partial<Verdict>, who: 'brewer' | 'lead') =>
    event(
      { kind: 'tasteAgain', cup, at: judgedAt + 1000, verdict: { ...ALL_RIGHT, ...seen } },
      who,
    ).expect(200);
}
test('what was seen at the bar: leaf weighed, corrections, and cups that were tasted again', async () => {
  const bitter = await judgedCup({ bitterness: 2, colour: 1 }, 1.02, 40);
  const better = await judgedCup({ bitterness: 1, colour: 2 }, 1.2, 20);
  // A lead’s look at the cup as it was served is set against the colour; a brewer’s own look is not.
  await bitter('served', { colour: 0 }, 'lead');
  await better('served', { colour: -1 }, 'lead');
  await bitter('served', { colour: -2 }, 'brewer');
  // After the rescue one came nearer, one did not.
  await bitter('rescued', { bitterness: 1 }, 'brewer');
  await better('rescued', { bitterness: -2, colour: 1 }, 'lead');
  expect((await own('brewer')).seen).toEqual([
    { of: 'leafWeighed', good: 1, n: 2, holds: false },
    { of: 'pulls', good: 2, n: 2, holds: false },
    { of: 'colours', good: 1, n: 2, holds: false },
    // The second cup followed the first correction, with as many marks off; nothing has followed the second.
    { of: 'corrections', good: 0, n: 1, holds: false },
    { of: 'rescues', good: 1, n: 2, holds: false },
  ]);
});
const weigh = (over: object, by: keyof Begun['callers'] = 'trainee') =>
  h.callers[by].post('/api/training/weighings', {
    ...{ id: newId(), siteId: h.ids.site, at: h.now(), teaId: h.ids.tea, spoon: 'dessertSpoon' },
    ...{ singles: [2.3, 2.4, 2.5, 2.6, 2.7], ...over },
  });
test('five spoons weighed one by one: kept once, the last five count, and they go with the record', async () => {
  const id = newId();
  for (let i = 0; i < 2; i++) await weigh({ id, at: h.now() - 60_000 }).expect(200);
  expect(await h.db.select().from(spoonWeighings)).toHaveLength(1);
  expect((await own()).seen).toEqual([{ of: 'spoonsWeighed', good: 1, n: 1, holds: true }]);
  await weigh({ id }, 'brewer').expect(404);
  await weigh({ singles: [2, 2.4, 2.5, 2.6, 3] }).expect(200);
  expect((await own()).seen).toEqual([{ of: 'spoonsWeighed', good: 0, n: 1, holds: false }]);
  await weigh({ singles: [2, 2, 2, 2] }).expect(422);
  await weigh({ singles: [2, 2, 2, 2, 0] }).expect(422);
  await weigh({ spoon: 'shovel' }).expect(422);
  await weigh({ teaId: newId() }).expect(404);
  await h.callers.lead.patch(`/api/people/${h.ids.trainee}`, { rev: 1, active: false }).expect(200);
  await h.callers.lead.delete(`/api/training/people/${h.ids.trainee}`).expect(200);
  expect(await h.db.select().from(spoonWeighings)).toEqual([]);
});
test('a recipe from a packet: anybody drafts it, a lead takes it, and that is seen of who drafted it', async () => {
  const packet = { ...startingRecipe('black-whole'), origin: 'the packet: 2 g per 200 ml' };
  const draft = (over: object, by: keyof Begun['callers'] = 'trainee') =>
    h.callers[by].post(`/api/teas/${h.ids.tea}/versions`, {
      ...{ id: newId(), method: 'pot', basedOn: 1, as: 'draft', recipe: packet },
      ...{ reason: 'From the packet', settles: [], ...over },
    });
  for (const as of ['house', 'trial']) await draft({ as }).expect(403);
  await draft({ settles: [newId()] }).expect(403);
  const kept = (await draft({}).expect(200)).body as Version;
  expect(kept).toMatchObject({ state: 'draft', number: 2, author: { name: 'Trainee T.' } });
  expect((await own()).seen).toEqual([{ of: 'draftsTaken', good: 0, n: 1, holds: false }]);
  const move = (to: string, by: keyof Begun['callers']) =>
    h.callers[by].post(`/api/versions/${kept.id}/state`, { to });
  await move('house', 'trainee').expect(403);
  await move('trial', 'lead').expect(200);
  await move('retired', 'lead').expect(200);
  expect((await own()).seen).toEqual([{ of: 'draftsTaken', good: 1, n: 1, holds: true }]);
  // What is the house’s own, and a lead’s own draft, are no sign of either.
  const { body: leads } = await draft({ basedOn: 2 }, 'lead').expect(200);
  await h.callers.lead
    .post(`/api/versions/${(leads as Version).id}/state`, { to: 'house' })
    .expect(200);
  expect((await own('lead')).seen).toEqual([]);
  expect((await own('brewer')).seen).toEqual([]);
});
test('a lead says what is taught and what a brewer is signed for; everybody reads it, nobody else changes it', async () => {
  const schoolOf = async (who: 'trainee' | 'lead') =>
    ((await h.callers[who].get('/api/training').expect(200)).body as { school: SchoolSettings })
      .school;
  expect(await schoolOf('trainee')).toEqual({
    ...{ courses: USUAL_COURSES, brewerSkills: BREWER_SKILLS },
  });
  const courses = lessonAdded(USUAL_COURSES, 'discard', 'firstDay');
  const own = { courses, brewerSkills: ['heat'] };
  const change = (body: object, who: 'brewer' | 'lead' = 'lead') =>
    h.callers[who].patch('/api/training/school', body);
  await change(own, 'brewer').expect(403);
  await change({ ...own, courses: { ...courses, cold: ['discard'] } }).expect(422);
  await change({ ...own, brewerSkills: [] }).expect(422);
  await change(own).expect(200);
  expect(await schoolOf('trainee')).toEqual(own);
  // From now on one skill is enough for this house.
  const promote = () => h.callers.lead.post(`/api/training/people/${h.ids.trainee}/brewer`, {});
  const refused = await promote().expect(422);
  expect(JSON.stringify(refused.body)).toContain('Not signed yet: Heat.');
});
