import { BarDriver } from '../drivers/BarDriver';
import { BookDriver } from '../drivers/BookDriver';
import { SchoolDriver } from '../drivers/SchoolDriver';
import { expect, PEOPLE, test } from '../fixtures/shop';

test('a tea is fitted to this house: a cup left out, used by the card from then on, set aside again', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  await house.goTo('Book');
  await house.follow(/Marrowick Broken/);
  const tea = page.url();
  await house.follow('Fit it to this house');
  await house.expectFigure('fit-words', /say \w+ cups of this house/);
  const words = await house.figureText('fit-words');
  await house.pressFirst('Leave out');
  await house.expectFigureNot('fit-words', words);
  await new BookDriver(page).expectLeftOut(1);
  await page.keyboard.press('Shift+1');
  await house.expectOn('tab', 'Strength');
  await house.press('Use from now on');
  await house.expectSaid(/Marrowick Broken is fitted to this house, by \w+ cups\./);
  await house.expectFigure('in-use', 'This fit is in use');
  const id = /book\/([^/]+)/.exec(tea)?.[1] ?? '';
  const vessels = (
    (await (await page.request.get('/api/vessels')).json()) as {
      vessels: { id: string; name: string }[];
    }
  ).vessels;
  await page.goto(
    `/start?tea=${id}&vessel=${vessels.find((v) => v.name === 'Grey pot')?.id ?? ''}`,
  );
  await house.expectFigure('forecast', 'Fitted to this house');
  await page.goto(tea);
  await house.expectSaidOnce(/Cup colour: fitted to this house/);
  await house.follow('How this tea was fitted');
  await house.press('Set aside');
  await house.expectSaid(/set aside: its style again/);
  await house.unfold(/Fits taken, 1/);
  await house.press('Use it again');
  await house.expectSaid(/rests on the fit of/);
  await page.keyboard.press('Escape');
  await expect(page).toHaveURL(tea);
});

test('a brewer reads what the cups say and cannot use it; a refractometer’s figure is typed at the brew', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.brewer);
  await new BarDriver(page).openFinished({ tea: 'Tolvane Amber', vessel: 'White pot' });
  await house.press('Refractometer');
  await house.type('Dissolved, %', '32');
  await house.expectFault(/at most 6 %/);
  await house.type('Dissolved, %', '0,32 %');
  await house.press('Keep', { exact: true });
  await house.expectSaid(/0\.32 % kept/);
  await house.expectAllSaved();
  await house.expectWords('region', 'What happened', '0.32 % dissolved');
  await house.goTo('Book');
  await house.follow(/Tolvane Amber/);
  await house.follow(/Fit it to this house|How this tea was fitted/);
  await house.expectFigureThere('fit-words');
  await house.expectThere('cell', '0.32 %');
  await house.expectNone('button', 'Use from now on');
});

test('colours of a tea: predicted, then measured with what is wrong said beside its row, drawn so from then on, and back', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  await house.goTo('Book');
  await house.follow(/Marrowick Broken/);
  const book = new BookDriver(page);
  const before = await book.cupColour();
  await house.follow('Its colours');
  await house.expectFigure('colours-words', 'Predicted, not measured');
  const [pdf] = await Promise.all([page.request.get(await house.leadsTo('Swatch strip to print'))]);
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
  await house.press('Type what was measured');
  for (const [i, l] of [78, 60, 160].entries()) {
    await house.type(`Cup ${i + 1}, L*`, String(l));
    await house.type(`Cup ${i + 1}, a*`, '12,5');
    await house.type(`Cup ${i + 1}, b*`, '58');
  }
  await house.press('Keep these');
  await house.expectFault(/^L\* is 0 to 100\.$/);
  await house.type('Cup 3, L*', '45');
  await house.press('Keep these');
  await house.expectSaid(/drawn in its measured colours/);
  await house.expectFigure('colours-words', 'Measured in this house by Ilsa V.');
  await book.expectSwatches(3);
  await page.keyboard.press('Escape');
  await house.expectSaidOnce(/Cup colour: as measured here/);
  expect(await book.cupColour()).not.toBe(before);
  await house.follow('Its measured colours');
  await house.press('Measure again');
  await house.press('Practise with a simulated reader');
  await house.expectFieldNot('Cup 1, L*', '78');
  await house.press('Leave');
  await house.press('Back to predicted');
  await house.expectFigure('colours-words', 'Predicted, not measured');
});

test('a screen is checked by eye: greys, then eight patches, kept on the device', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.trainee);
  await page.goto('/table/screen');
  await house.expectDisabled('button', 'Look at the greys first');
  await house.press('All three are plain grey');
  const squares = await new SchoolDriver(page).patchesWithSquare(8);
  expect(squares).toHaveLength(5);
  for (const i of squares) await page.keyboard.press(String(i + 1));
  await house.press('That is all: 5 with a square');
  await house.expectFigureIs('screen-said', 'It will do.');
  await page.reload();
  await house.expectSaidOnce(/it would do, 8 of 8/);
  await house.press('One looks pink, green or blue');
  await house.press(/^That is all: 0/);
  await house.expectFigureIs('screen-said', 'Do not judge colours on it.');
});

test('what the cups say: a recipe that is off is named with its change, a cup is left out, the change goes on trial', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  await page.goto('/book');
  await house.follow(/Lammer Breaks/);
  await house.expectThere('heading', 'Versions');
  const tea = page.url();
  await page.keyboard.press('c');
  await house.expectFigure('advice-words', /^Change the recipe/);
  await house.expectSaid(/^Less leaf/);
  const counted = async () =>
    Number(/(\d+) judged cups/.exec(await house.figureText('advice-words'))?.[1]);
  const before = await counted();
  await house.pressFirst(/^Leave out: cup of/);
  await house.type('Why is it left out?', 'the vessel was not clean');
  await house.press('Leave the cup out');
  await expect.poll(counted).toBe(before - 1);
  await house.expectSaid('Left out by Ilsa V.: the vessel was not clean');
  await house.press(/^Count again: cup of/);
  await expect.poll(counted).toBe(before);
  await house.press('Make it a trial');
  await expect(page).toHaveURL(tea);
  await house.expectSaid(/is on trial\./);
  // The message may be there before the page of the tea, and its keys.
  await house.expectThere('heading', 'Versions');
  await page.keyboard.press('c');
  const made = house.inside('region', /^Version \d+ as expected and as seen$/);
  await made.expectSaid(/made from this advice; no judged cups so far/);
  await made.expectThere('row', /^Strength .* not yet$/);
  // A recipe that is right is left as it is.
  await page.goto('/book');
  await house.follow(/Tolvane Amber/);
  await house.expectThere('heading', 'Versions');
  await page.keyboard.press('c');
  await house.expectFigure('advice-words', /^Keep the recipe/);
});
