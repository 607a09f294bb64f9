import { BarDriver } from '../drivers/BarDriver';
import { expect, PEOPLE, test } from '../fixtures/shop';

test('a tea is fitted to this house: a cup left out, used by the card from then on, set aside again', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  await house.goTo('Book');
  await page.getByRole('link', { name: /Marrowick Broken/ }).click();
  const tea = page.url();
  await page.getByRole('link', { name: 'Fit it to this house' }).click();
  await expect(page.getByTestId('fit-words')).toContainText(/say \w+ cups of this house/);
  const words = await page.getByTestId('fit-words').textContent();
  await page.getByRole('button', { name: 'Leave out' }).first().click();
  await expect(page.getByTestId('fit-words')).not.toHaveText(words ?? '');
  await expect(page.locator('.fit-cups tr.out')).toHaveCount(1);
  await page.keyboard.press('Shift+1');
  await expect(page.getByRole('tab', { name: 'Strength' })).toHaveAttribute(
    'aria-selected',
    'true',
  );
  await page.getByRole('button', { name: 'Use from now on' }).click();
  await house.expectSaid(/Marrowick Broken is fitted to this house, by \w+ cups\./);
  await expect(page.getByTestId('in-use')).toContainText('This fit is in use');
  const id = /book\/([^/]+)/.exec(tea)?.[1] ?? '';
  const vessels = (
    (await (await page.request.get('/api/vessels')).json()) as {
      vessels: { id: string; name: string }[];
    }
  ).vessels;
  await page.goto(
    `/start?tea=${id}&vessel=${vessels.find((v) => v.name === 'Grey pot')?.id ?? ''}`,
  );
  await expect(page.getByTestId('forecast')).toContainText('Fitted to this house');
  await page.goto(tea);
  await expect(page.getByText(/Cup colour: fitted to this house/)).toBeVisible();
  await page.getByRole('link', { name: 'What its own cups say' }).click();
  await page.getByRole('button', { name: 'Set aside' }).click();
  await house.expectSaid(/set aside: its style again/);
  await page.getByText(/Fits taken, 1/).click();
  await page.getByRole('button', { name: 'Use it again' }).click();
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
  await page.getByRole('button', { name: 'Refractometer' }).click();
  await page.getByLabel('Dissolved, %').fill('32');
  await expect(page.getByRole('alert')).toContainText(/at most 6 %/);
  await page.getByLabel('Dissolved, %').fill('0,32 %');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await house.expectSaid(/0\.32 % kept/);
  await house.expectAllSaved();
  await expect(page.locator('.paper')).toContainText('0.32 % dissolved');
  const name = (await page.locator('h1.tea').textContent()) ?? '';
  await house.goTo('Book');
  await page.getByRole('link', { name: new RegExp(name) }).click();
  await page.getByRole('link', { name: /Fit it to this house|What its own cups say/ }).click();
  await expect(page.getByTestId('fit-words')).toBeVisible();
  await expect(page.getByRole('cell', { name: '0.32 %' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Use from now on' })).toHaveCount(0);
});

test('a cup to rescue: the answer first, then what it comes to before anything is poured; the next one is another', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.trainee);
  await page.goto('/table/rescue?seed=4');
  await page.getByRole('button', { name: 'Fault: change' }).click();
  await page.getByRole('option', { name: 'over-steeped' }).click();
  await expect(page.getByText('How much hot water goes in?')).toBeVisible();
  await expect(page.getByTestId('rescue-said')).toHaveCount(0);
  const rule = page.getByRole('slider', { name: 'Water' });
  await rule.focus();
  await page.keyboard.press('Space');
  await expect(page.getByTestId('rescue-said')).toContainText('Off');
  // What would have been right is told, and the rule goes on showing what it would come to.
  const best = Number(
    /about (\d+) ml comes/.exec((await page.locator('.paper').textContent()) ?? '')?.[1],
  );
  expect(best).toBeGreaterThan(0);
  for (let i = 0; i < best / 5; i++) await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('heading', { name: new RegExp(`With ${best} ml`) })).toBeVisible();
  await expect(page.locator('.paper [aria-live]')).not.toContainText(/stronger|lighter/);
  await page.getByRole('button', { name: /^The next cup/ }).click();
  await expect(page.getByTestId('rescue-said')).toHaveCount(0);
  await expect(page.getByText('0 of 1 right')).toBeVisible();
  for (const kind of ['too weak', 'two to blend', 'an extract to let down']) {
    await page.getByRole('button', { name: 'Fault: change' }).click();
    await page.getByRole('option', { name: kind }).click();
    await page.getByRole('button', { name: /that is my answer/ }).click();
    await expect(page.getByTestId('rescue-said')).toBeVisible();
  }
});

test('colours of a tea: predicted, then measured with what is wrong said beside its row, drawn so from then on, and back', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  await house.goTo('Book');
  await page.getByRole('link', { name: /Marrowick Broken/ }).click();
  const cup = () =>
    page.locator('main svg[width="68"] radialGradient stop').first().getAttribute('stop-color');
  const before = await cup();
  await page.getByRole('link', { name: 'Its colours' }).click();
  await expect(page.getByTestId('colours-words')).toContainText('Predicted, not measured');
  const [pdf] = await Promise.all([
    page.request.get(
      (await page.getByRole('link', { name: 'Swatch strip to print' }).getAttribute('href')) ?? '',
    ),
  ]);
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
  await page.getByRole('button', { name: 'Type what was measured' }).click();
  for (const [i, l] of [78, 60, 160].entries()) {
    await page.getByLabel(`Cup ${i + 1}, L*`).fill(String(l));
    await page.getByLabel(`Cup ${i + 1}, a*`).fill('12,5');
    await page.getByLabel(`Cup ${i + 1}, b*`).fill('58');
  }
  await page.getByRole('button', { name: 'Keep these' }).click();
  await expect(page.getByRole('alert')).toHaveText('L* is 0 to 100.');
  await page.getByLabel('Cup 3, L*').fill('45');
  await page.getByRole('button', { name: 'Keep these' }).click();
  await house.expectSaid(/drawn in its measured colours/);
  await expect(page.getByTestId('colours-words')).toContainText(
    'Measured in this house by Ilsa V.',
  );
  await expect(page.locator('.swatch-strip figure')).toHaveCount(3);
  await page.keyboard.press('Escape');
  await expect(page.getByText(/Cup colour: as measured here/)).toBeVisible();
  expect(await cup()).not.toBe(before);
  await page.getByRole('link', { name: 'Its measured colours' }).click();
  await page.getByRole('button', { name: 'Measure again' }).click();
  await page.getByRole('button', { name: 'Practise with a simulated reader' }).click();
  await expect(page.getByLabel('Cup 1, L*')).not.toHaveValue('78');
  await page.getByRole('button', { name: 'Leave' }).click();
  await page.getByRole('button', { name: 'Back to predicted' }).click();
  await expect(page.getByTestId('colours-words')).toContainText('Predicted, not measured');
});

test('a screen is checked by eye: greys, then eight patches, kept on the device', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.trainee);
  await page.goto('/table/screen');
  await expect(page.getByRole('button', { name: 'Look at the greys first' })).toBeDisabled();
  await page.getByRole('button', { name: 'All three are plain grey' }).click();
  const patches = page.getByRole('group', { name: 'Patches' }).getByRole('button');
  await expect(patches).toHaveCount(8);
  // An eye that sees every square.
  const squares = await patches.evaluateAll((all) =>
    all.flatMap((b, i) =>
      getComputedStyle(b).backgroundColor !==
      getComputedStyle(b.querySelector('i') as Element).backgroundColor
        ? [i]
        : [],
    ),
  );
  expect(squares).toHaveLength(5);
  for (const i of squares) await page.keyboard.press(String(i + 1));
  await page.getByRole('button', { name: 'That is all: 5 with a square' }).click();
  await expect(page.getByTestId('screen-said')).toHaveText('It will do.');
  await page.reload();
  await expect(page.getByText(/it would do, 8 of 8/)).toBeVisible();
  await page.getByRole('button', { name: 'One looks pink, green or blue' }).click();
  await page.getByRole('button', { name: /^That is all: 0/ }).click();
  await expect(page.getByTestId('screen-said')).toHaveText('Do not judge colours on it.');
});
