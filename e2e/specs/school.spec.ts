import { BarDriver } from '../drivers/BarDriver';
import { HouseDriver } from '../drivers/HouseDriver';
import { SchoolDriver } from '../drivers/SchoolDriver';
import { expect, PEOPLE, test } from '../fixtures/shop';

const answers = async (
  house: HouseDriver,
): Promise<{ id: string; drill: string; judged: string }[]> =>
  (
    (await (await house.page.request.get('/api/training')).json()) as {
      answers: { id: string; drill: string; judged: string }[];
    }
  ).answers;

test('a trainee diagnoses cups by keys and by touch; each is kept, and the lead sees what they come to', async ({
  house,
  tablet,
}) => {
  const school = new SchoolDriver(house.page);
  await house.signIn(PEOPLE.trainee);
  const before = (await answers(house)).length;
  await school.beginDiagnosing();
  await house.expectDisabled('button', /^Submit/);
  await house.expectSaid('Choose the fault.');
  await school.answerByKeys();
  await school.nextCup();
  await house.expectSaid(/^2 of 6/);
  await school.answerByTouch();
  await house.press('This question is wrong');
  await house.expectSaid(/Kept for the leads\./);
  await house.expectAllSaved();
  expect((await answers(house)).length).toBe(before + 2);
  await house.page.goto('/school');
  await house.press('Ask for sign-off: Correct');
  await house.expectSaid(/Correct: sign-off asked for\./);

  const lead = new HouseDriver(await tablet());
  await lead.signIn(PEOPLE.lead);
  await lead.page.goto('/school/board');
  await lead.expectSaid(/Questions reported as wrong/);
  await lead.press('The question is right');
  await lead.expectUnsaid(/Questions reported as wrong/);
  await lead.press(/^Correct of Pela M\.: .*asked/);
  await lead.type('What was seen', 'Two cups at the bar, both named.');
  await lead.press('Sign', { exact: true });
  await lead.expectSaid(/Correct of Pela M\.: signed until/);
  await house.page.goto('/school');
  await house.expectThere('row', /Correct.*until/);
});

test('the same cup comes again until it is answered, here and on another device', async ({
  house,
  tablet,
}) => {
  const school = new SchoolDriver(house.page);
  await house.signIn(PEOPLE.trainee);
  await school.beginDiagnosing();
  const asked = await school.said();
  await house.follow(/^Leave/);
  await school.beginDiagnosing();
  expect(await school.said()).toBe(asked);
  const other = new HouseDriver(await tablet());
  await other.signIn(PEOPLE.trainee);
  const there = new SchoolDriver(other.page);
  await there.beginDiagnosing();
  expect(await there.said()).toBe(asked);
});

test('without a network a drill goes on, and its answers arrive once', async ({ house }) => {
  const { page } = house;
  const school = new SchoolDriver(page);
  await house.signIn(PEOPLE.trainee);
  const before = (await answers(house)).length;
  await school.beginDiagnosing();
  await page.context().setOffline(true);
  await school.answerByKeys();
  await school.nextCup();
  await school.answerByTouch();
  await house.expectUnsaved(2);
  await page.context().setOffline(false);
  await house.expectAllSaved();
  expect((await answers(house)).length).toBe(before + 2);
  const ids = (await answers(house)).map((a) => a.id);
  expect(new Set(ids).size).toBe(ids.length);
});

test('cups are set in order by letter and figure, a step is taken back, and the answer is kept', async ({
  house,
}) => {
  const school = new SchoolDriver(house.page);
  await house.signIn(PEOPLE.trainee);
  const before = (await answers(house)).length;
  await school.beginOrdering();
  await house.expectDisabled('button', /^Submit: eight cups to place/);
  await school.placeByKeys();
  await house.expectSaid(/Every cup has its place\./);
  await house.page.keyboard.press('z');
  await house.expectDisabled('button', /^Submit: one cup to place/);
  await house.page.keyboard.press('Enter');
  await house.press('Submit', { exact: true });
  await house.expectSaid(/Right|Nearly|Not yet/);
  await house.expectAllSaved();
  expect((await answers(house)).length).toBe(before + 1);
  await house.press(/^Next round/);
  await house.expectSaid(/^2 of 2/);
});

test('a cup is dragged to a place and away again', async ({ house }) => {
  const school = new SchoolDriver(house.page);
  await house.signIn(PEOPLE.trainee);
  await school.beginOrdering();
  await school.dragCup('Cup C', 'Place 2');
  await house.expectThere('button', 'Place 2, cup C');
  await school.dragCup('Cup D', 'Place 3');
  await house.expectThere('button', 'Place 3, cup D');
  await house.expectDisabled('button', /^Submit: six cups to place/);
  await school.dragCup('Place 2', 'Place 5');
  await house.expectThere('button', 'Place 5, cup C');
  await house.expectThere('button', 'Place 2, empty');
  await house.page.keyboard.press('z');
  await house.expectThere('button', 'Place 2, cup C');
});

test('leaf is scaled by keys and spoons are counted by typing; the answer and its working are said', async ({
  house,
}) => {
  const school = new SchoolDriver(house.page);
  await house.signIn(PEOPLE.trainee);
  const before = (await answers(house)).length;
  await house.page.goto('/school');
  await house.expectSaid('To practise');
  await house.page.keyboard.press('f');
  await house.expectSaid('How much leaf?');
  await school.answerFigureByKeys();
  await house.expectSaid(/Right|Nearly|Not yet/);
  await house.expectSaid(/^Leaf: /);
  await house.page.keyboard.press(' ');
  await house.expectSaid(/^2 of 6/);
  await house.page.keyboard.press('Escape');
  await house.expectSaid('To practise');
  await house.page.keyboard.press('p');
  await house.expectSaid('How many spoons?');
  await school.answerFigureByTouch('1.5');
  await house.expectSaid(/Right|Nearly|Not yet/);
  await house.expectSaid(/level|weigh/);
  await house.expectAllSaved();
  expect((await answers(house)).length).toBe(before + 2);
});

test('colour drills without colours: set in order by taste words, matched by lightness', async ({
  house,
}) => {
  const school = new SchoolDriver(house.page);
  await house.signIn(PEOPLE.trainee);
  await school.beginOrdering();
  await school.showCupsAs('Taste in words');
  await school.placeByWords();
  await house.press('Submit', { exact: true });
  await house.expectSaid('Right');
  await house.expectSaid('Every cup is in its place.');
  await school.open('match');
  await school.showCupsAs('Lightness as figures');
  await school.matchByFigures();
  await house.press(/^Submit/);
  await house.expectSaid('Right');
});

const FIGURES = [
  'fillLine',
  'packet',
  'splash',
  'wait',
  'landing',
  'again',
  'match',
  'rescue',
  'plan',
];
const PICKS = ['turns', 'words', 'which', 'holding', 'fair'];
for (const drills of [FIGURES, PICKS])
  test(`each is answered by keys alone, and kept: ${drills.join(', ')}`, async ({ house }) => {
    test.slow();
    const school = new SchoolDriver(house.page);
    await house.signIn(PEOPLE.trainee);
    const before = (await answers(house)).length;
    for (const drill of drills) {
      await school.open(drill);
      await school.answerAnything();
      await house.expectSaid(/^(Right|Nearly|Not yet)$/);
      await house.expectThere('button', /^Next question/);
    }
    await house.expectAllSaved();
    expect((await answers(house)).length).toBe(before + drills.length);
  });

test('a shift is run step by step by keys; it is kept, and counts once', async ({ house }) => {
  const school = new SchoolDriver(house.page);
  await house.signIn(PEOPLE.trainee);
  const before = (await answers(house)).length;
  await school.openShift();
  await school.runShift();
  await house.expectSaid(/^\d+ of \d+ orders are right/);
  await house.expectAllSaved();
  const now = await answers(house);
  expect(now.length).toBe(before + 1);
  expect(now.at(-1)).toMatchObject({ drill: 'shift', judged: 'right' });
});
test('on a phone a shift runs by touch, its clock stands when somebody stops it', async ({
  house,
}) => {
  const { page } = house;
  await page.setViewportSize({ width: 390, height: 844 });
  await house.signIn(PEOPLE.trainee);
  await new SchoolDriver(page).openShift();
  await house.press(/^Begin,/);
  await house.press(/Ordered, will steep/i);
  await house.press(/^Stop the clock/);
  await house.expectThere('button', /Steeping, left/i);
  await house.press(/Steeping, left/i);
  await house.expectSaid('Your hands are not free yet.');
  await house.press(/^Start the clock/);
  await house.expectThere('button', /^Stop the clock/);
});

test('water is pulled to a line by hand; a figure key never leaves the page of a drill', async ({
  house,
}) => {
  const { page } = house;
  const school = new SchoolDriver(page);
  await house.signIn(PEOPLE.trainee);
  await school.open('fillLine');
  for (const key of ['3', '7', '0']) await page.keyboard.press(key);
  expect(new URL(page.url()).pathname).toBe('/school/fillLine');
  await school.pullWater(0.5);
  await house.expectThere('img', /water to (4[89]|5[0-2])(\.5)? % of the height/);
  await house.press(/^Submit/);
  await house.expectSaid(/^(Right|Nearly|Not yet)$/);
  await house.expectAllSaved();
});

test('poured by touch: a tap is half a cup, Z takes it back', async ({ house }) => {
  const school = new SchoolDriver(house.page);
  await house.signIn(PEOPLE.trainee);
  await school.open('turns');
  await house.press(/^Half a cup 1/);
  await house.expectThere('img', /^Cup 1: \d+ % full/);
  await house.page.keyboard.press('z');
  await house.expectThere('img', 'Cup 1: empty');
  await house.expectDisabled('button', /^Submit/);
});

test('what is due is offered on the trainee’s empty bar; a sitting takes the skills in turn', async ({
  house,
}) => {
  const school = new SchoolDriver(house.page);
  await house.signIn(PEOPLE.trainee);
  await house.expectSaid(/^Due today at School: .*Correct\. \d+ questions, about \d minutes\./);
  await house.follow('Practise');
  await house.expectSaid(/^1 of \d+/);
  const drills = [await school.drill()];
  for (const place of [2, 3]) {
    await school.answerAnything();
    await house.page.keyboard.press(' ');
    await house.expectSaid(new RegExp(`^${place} of \\d+`));
    drills.push(await school.drill());
  }
  expect(new Set(drills).size).toBe(3);
  await house.page.keyboard.press('Escape');
  await house.expectSaid('To practise');
  await house.expectAllSaved();
});

test('a trainee is made a brewer once the skills are signed; the record of somebody who left is removed', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  await page.goto('/school/board');
  const trainees = house.inside('region', 'Trainees');
  await trainees.expectHere('Pela M.');
  await trainees.expectHere(/Not signed yet: Measure, Heat/);
  for (const skill of ['Measure', 'Heat', 'Steep and pull', 'Judge taste', 'Rescue']) {
    await house.press(new RegExp(`^${skill} of Pela M\\.`));
    await house.press('Sign', { exact: true });
    await house.expectNone('button', 'Sign', { exact: true });
  }
  await house.press('Make Pela M. a brewer');
  await house.expectSaid(/^Pela M\. is a brewer now/);
  await page.goto('/house');
  await house.press('Edit Pela M.');
  await house.untick('Works here');
  await house.press('Save');
  // The form closes once it is saved.
  await house.expectNone('checkbox', 'Works here');
  await house.press('Edit Pela M.');
  await house.press('Remove the record');
  await house.press(/^Remove the record of Pela M\. for good/);
  await house.expectSaid(/^Removed: 5 sign-offs\. \d+ answers have no name now\.$/);
});
test('an answer that is saved while one’s record is being read is not taken off the page again', async ({
  house,
}) => {
  const { page } = house;
  const school = new SchoolDriver(page);
  await house.signIn(PEOPLE.trainee);
  await page.goto('/school/lesson/spoon');
  await house.expectWords('region', 'The course', 'Count the spoons');
  await page.keyboard.press('Enter');
  await house.expectThere('button', /^Submit/);
  // The record is read before the answer is saved, and comes back after it.
  let isRead = () => {};
  const read = new Promise<void>((resolve) => (isRead = resolve));
  const saved = page.waitForResponse('**/api/training/answers');
  await page.route('**/api/training/answers', async (route) => {
    await read;
    await route.continue();
  });
  await page.route('**/api/training', async (route) => {
    const response = await route.fetch();
    isRead();
    await saved;
    await route.fulfill({ response }).catch(() => undefined);
  });
  await school.answerAnything();
  await house.expectSaid(/^(Right|Nearly|Not yet)$/);
  await page.keyboard.press('Escape');
  await house.expectAllSaved();
  await house.expectWords('region', 'First day', '1 of 6 lessons done');
  await page.unrouteAll({ behavior: 'ignoreErrors' });
});

test('the first day: a lesson is read, done by its drill, and the next one is offered', async ({
  house,
}) => {
  const { page } = house;
  const school = new SchoolDriver(page);
  await house.signIn(PEOPLE.trainee);
  await page.goto('/school');
  const course = house.inside('region', 'First day');
  await course.expectHere('Your spoon and this tea');
  await course.expectHere('0 of 6 lessons done');
  await page.keyboard.press('y');
  await house.expectWords('region', 'The course', 'Count the spoons');
  await house.inside('table').expectHere('Corrow Roast');
  await page.keyboard.press('Enter');
  await house.expectThere('button', /^Submit/);
  await school.answerAnything();
  await house.expectSaid(/^(Right|Nearly|Not yet)$/);
  await page.keyboard.press('Escape');
  await course.expectHere('Where the water stops');
  await course.expectHere('1 of 6 lessons done');
  // Each page says its caution first, and shows what this house has.
  await page.goto('/school/lesson/heat');
  await house.expectSaidOnce(/^Caution\. Boiling water and steam scald/);
  await house.inside('table').expectHere(/Water boils here at *100 °C/);
});
test('the board says which skills nobody has signed of those who work on a day', async ({
  house,
}) => {
  await house.signIn(PEOPLE.lead);
  await house.page.goto('/school/board');
  const lacks = house.inside('region', 'What the shop lacks');
  await lacks.expectSaid(/^Nobody is signed off for: Scale, /);
  await lacks.expectUnsaid(/Measure/);
  for (const name of ['Dov R.', 'Tam O.']) await lacks.press(name);
  await lacks.expectSaid(/^Nobody is signed off for: Measure, /);
});

test('after a cup that strayed, one drill that fits it is offered: two questions', async ({
  house,
}) => {
  const bar = new BarDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  await bar.began(245, { tea: 'Tolvane Amber', vessel: 'White pot' }, 1);
  await bar.expectPlaces(1);
  await bar.pull('Tolvane Amber');
  await bar.judge('Tolvane Amber');
  await bar.mark('Bitter: bitter');
  await house.press('Keep', { exact: true });
  await house.follow('Practise this');
  await house.expectSaid(/^1 of 2/);
  await house.expectAllSaved();
});

test('a lead changes what is taught: the lists are kept, a trainee takes the lessons in their new order', async ({
  house,
  tablet,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  await page.goto('/school/courses');
  await house.press(/^Change the lists/);
  const firstDay = house.inside('region', 'First day');
  await firstDay.press('Take out: Your spoon and this tea');
  await firstDay.press('Earlier: From boil to leaf');
  await firstDay.press(/^Add a lesson to First day/);
  await house.touch('option', 'Your spoon and this tea');
  await house.press('Heat', { exact: true });
  await house.press('Save the lists');
  await house.expectThere('button', /^Change the lists/);
  await firstDay.expectFirstAndLast('1 · From boil to leaf', '6 · Your spoon and this tea');
  const other = new HouseDriver(await tablet());
  await other.signIn(PEOPLE.trainee);
  await other.page.goto('/school');
  await other.expectWords('region', 'First day', 'From boil to leaf');
  await page.goto('/school/board');
  await house.inside('region', 'Trainees').expectUnsaid(/Not signed yet: .*Heat/);
});
test('five spoons are weighed, and a recipe is drafted from a packet: both are seen in the record', async ({
  house,
  tablet,
}) => {
  await house.signIn(PEOPLE.trainee);
  await house.page.goto('/school/weigh');
  await house.type('Spoon 1, g', 'a lot');
  await house.expectFault('is not a number');
  for (const [i, weight] of ['2.3', '2.4', '2.5', '2.6', '2.7'].entries())
    await house.type(`Spoon ${i + 1}, g`, weight);
  await house.expectSaid('Even: the spoons differ by 6.3 %.');
  await house.press(/^Keep these five/);
  await house.expectSaid('Kept in your record.');
  await house.expectAllSaved();
  // A trainee drafts; whatever is brewed by others is for a lead.
  await house.page.goto('/book');
  await house.follow(/Tolvane Amber/);
  await house.press(/^Draft a version/);
  await house.expectUnsaid('Put on trial');
  await house.press(/^the packet/);
  await house.type('Why', 'As the packet has it');
  await house.press('Keep as draft');
  await house.expectSaid(/As the packet has it/);
  const lead = new HouseDriver(await tablet());
  await lead.signIn(PEOPLE.lead);
  await lead.page.goto('/book');
  await lead.follow(/Tolvane Amber/);
  await lead.press('Put on trial');
  await lead.expectSaid(/version 3 is on trial/);
  await house.page.goto('/school');
  await house.expectSaid(/weighings of five even spoons/);
  await house.expectSaid(/packets made a recipe that a lead took/);
});
