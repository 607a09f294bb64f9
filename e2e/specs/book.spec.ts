import { BarDriver } from '../drivers/BarDriver';
import { BookDriver } from '../drivers/BookDriver';
import { expect, PEOPLE, test } from '../fixtures/shop';

test('a new tea in the order it is learnt: packet, weighing, start, card; the packet’s spoon is asked about', async ({
  house,
}) => {
  await house.signIn(PEOPLE.lead);
  const book = new BookDriver(house.page);
  await book.newTea('Quern Dusk');
  await book.type('What the packet says, word for word', '1 tbsp per cup, 185 F, 2-3 minutes');
  await book.choose('Style', 'green, pan-fired');
  await book.expectPacket(
    /Leaf\s*1 level tablespoon \(15 ml\)\s*Water\s*a cup\s*Heat\s*85 °C in the kettle, about 80 °C on the leaf\s*First steep\s*2:00 to 3:00\s*Weigh a spoon of this tea/,
  );
  await book.choose('Spoon', 'dessert spoon, 10 ml');
  await book.type('Weighed', '5,1; 5,3; 5,2');
  await house.expectSaid('One dessert spoon holds 5.2 g ±0.1, 3 weighed.');
  // 7.8 g: in a teacup 5.2 g per 100 ml, in a metric cup 3.12; a teaspoon would be a third.
  await book.expectPacket(/a metric cup likeliest\s*250 ml\s*7\.8 g\s*3\.12/);
  await book.expectPacket(/2\.3 times the usual 1\.33\. With a teaspoon it would be 1\.04/);
  await book.press('green, pan-fired, school "light", 2 g per 300 ml');
  await expect(book.field('Leaf')).toHaveValue('0.667');
  await book.press('the packet, its cup taken as a metric cup');
  await expect(book.field('Leaf')).toHaveValue('3.12');
  await book.type('Leaf', '1,3');
  await book.type('Blended with', 'almond pieces');
  await house.expectSaid(/nuts in the blend, and not among the allergens/);
  await book.press('Add nuts');
  await book.press('malty');
  await book.press('Add the tea');
  await house.expectSaid('Quern Dusk');
  await house.expectSaid(/From the packet, its cup taken as a metric cup: not dialled in yet/);
  await house.expectSaidOnce('Allergens: nuts.');
});

test('a recipe is entered in spoons and shown in spoons; without a weighing its grams are about right', async ({
  house,
}) => {
  await house.signIn(PEOPLE.lead);
  const book = new BookDriver(house.page);
  await book.newTea('Quern Dusk');
  await book.choose('Style', 'green, pan-fired');
  await book.choose('Leaf is measured', 'in spoons');
  await book.type('Spoons', '1,3');
  await book.choose('Spoon that is counted', 'US tablespoon, 14.8 ml');
  await book.type('Water for these spoons', '8 fl oz');
  await book.press('Add the tea');
  await house.expectSaid('Count in quarters of a spoon: 1, 1.25, 1.5 or 1¾.');
  await book.type('Spoons', '1');
  await house.expectSaid(/About 1\.56 g per 100 ml, by the form of the leaf/);
  await book.press('Add the tea');
  await house.expectSaid(/leaf, about 1\.56 g per 100 ml\s*1\s*level US tablespoon per 237 ml/);
  await house.press(/^Brew/);
  const bar = new BarDriver(house.page);
  await bar.chooseVessel('Grey pot');
  // 800 ml at one to 236.6: 3.38, to the quarter.
  await expect(bar.card()).toContainText('3½spoons');
  await expect(bar.card()).toContainText(/about 12\.9 g: no spoon of this tea weighed yet/);
  await house.press(/Water on: start/);
  await house.expectAllSaved();
  await bar.expectOnBar('Quern Dusk');
});

test('a lot arrives, is brewed, dialled in and put in use; the brew knows it; its history tells', async ({
  house,
}) => {
  await house.signIn(PEOPLE.lead);
  const book = new BookDriver(house.page);
  await book.open('Tolvane Amber');
  await book.press('New lot');
  await book.type('Name', 'Lot 20');
  await house.type('Best before', '2026-01-01');
  await book.press('Add the lot');
  await house.expectSaid('Lot 20 is new.');
  await house.expectSaid(/best before was \d+ days ago/);
  await house.follow('Brew it');
  await expect(new BarDriver(house.page).card()).toContainText('Lot 20, new: to be dialled in');
  await house.press(/Water on: start/);
  await house.expectAllSaved();
  const started = (await (await house.page.request.get('/api/bar')).json()) as {
    brews: { lot: { name: string } }[];
  };
  expect(started.brews.map((b) => b.lot.name)).toEqual(['Lot 20']);
  await book.open('Tolvane Amber');
  await book.press(/It is right on version 2/);
  await house.expectSaid('dialled in, version 2');
  await book.press('Edit Lot 20');
  await book.choose('Stands', 'in use');
  await house.expectSaid('Lot 19 is then finished.');
  await book.press('Save the lot');
  await expect(book.lot('Lot 19')).toContainText('finished');
  await book.press('Edit Lot 20');
  await book.openHistory(0);
  await book.expectChanges(/Ilsa V\..*state: dialledIn inUse/s);
});

test('another method has its own recipe and versions; a draft goes on trial, then to the house', async ({
  house,
}) => {
  await house.signIn(PEOPLE.lead);
  const book = new BookDriver(house.page);
  await book.open('Orrin Hearth');
  await book.choose('Recipe for another method', 'fridge brew');
  await expect(book.field('Best')).toHaveValue('10:00 h');
  await book.type('Best', '9 h');
  await book.type('Water goes on at', '60');
  await book.press('Keep as draft');
  await house.expectSaid(/Cold water goes on here: at most 30 °C/);
  await book.type('Water goes on at', '6');
  await book.press('Keep as draft');
  await house.expectSaid(
    'Orrin Hearth: Fridge brew, version 1 is a draft.'.replace('Fridge', 'fridge'),
  );
  await house.expectSaid('No house recipe as fridge brew yet.');
  await book.press('Put on trial');
  await house.expectSaid(/version 1 is on trial/);
  await book.press('Make it the house recipe');
  await house.expectSaid(/In our pitchers/);
  await house.expectWords('row', /Cold pitcher/, '10 g');
  await house.expectSaid(/The local food code and the site’s own plan decide/);
  await book.press('Pot');
  await house.expectThere('row', /Grey pot/);
});

test('a kettle is read, fitted and reckoned with: the made-up one first', async ({ house }) => {
  const book = new BookDriver(house.page);
  await house.signIn(PEOPLE.lead);
  await house.goTo('Shelf');
  await house.follow('New kettle');
  await house.type('Name', 'Little kettle');
  await house.type('Holds, full', '50');
  await house.press('Put it on the shelf');
  await house.expectSaid('A kettle holds 200 ml to 40 l.');
  await house.type('Holds, full', '500 ml');
  await house.untick('Its lid stays on while water waits');
  await house.press('Put it on the shelf');
  await house.expectSaid(/The usual of its kind, not measured\. Two readings/);
  await house.press('Practise with a simulated kettle');
  await house.press('It boils: start');
  // Thirty times as fast: ten seconds here are five minutes of cooling.
  for (const reading of [1, 2, 3, 4]) {
    await expect
      .poll(async () => Number((await house.figureText('off-the-boil')).split(':')[0]))
      .toBeGreaterThanOrEqual(2 * (reading - 1));
    // A machine that stands still for longer than the page waits for an answer: pressed again.
    await expect(async () => {
      await house.press('Keep the reading');
      await expect
        .poll(() => book.readingsKept(), { timeout: 12_000 })
        .toBeGreaterThanOrEqual(reading);
    }).toPass({ timeout: 60_000 });
  }
  await house.type('Thermometer', '140');
  await house.press('Keep the reading');
  await house.expectSaid(/Water boils at 100 °C here: 140 °C cannot be/);
  await house.press('Done', { exact: true });
  await house.expectFigure(
    'standing',
    /Fitted to this kettle, its rate good to \d+ %.*It cools \d+ % faster/,
  );
  await house.press('Use this kettle at Harbour room');
  await house.expectSaid('Recipe cards of Harbour room use this kettle.');
});

test('a vessel weighed once by a scale on a serial port: lines of text become what it holds', async ({
  house,
}) => {
  const { page } = house;
  await page.addInitScript(() => {
    // A scale that sends lines, and takes its weights from the test.
    const scale = { weight: 0, send: null as ((line: string) => void) | null };
    Object.assign(window, { theScale: scale });
    const readable = new ReadableStream<Uint8Array>({
      start(c) {
        const timer = setInterval(() => {
          try {
            c.enqueue(new TextEncoder().encode(`ST,GS,+ ${scale.weight.toFixed(1)} g\r\n`));
          } catch {
            clearInterval(timer);
          }
        }, 60);
      },
    });
    Object.defineProperty(navigator, 'serial', {
      value: {
        requestPort: () =>
          Promise.resolve({
            open: () => Promise.resolve(),
            close: () => Promise.resolve(),
            readable,
          }),
      },
    });
  });
  await house.signIn(PEOPLE.lead);
  await house.goTo('Shelf');
  await house.follow(/White pot/);
  await house.press(/Weigh it/);
  await house.press('Keep what it holds');
  await house.expectSaid('Weigh the empty vessel first.');
  await house.press('Choose the scale');
  for (const [g, words] of [
    [412.3, 'empty'],
    [911.4, 'to the mark'],
    [1031.2, 'to the brim'],
  ] as const) {
    await page.evaluate((w) => {
      (window as unknown as { theScale: { weight: number } }).theScale.weight = w;
    }, g);
    await house.expectFigureIs('weight', String(g));
    await house.press(new RegExp(`Take it: ${words}`));
  }
  // 499.1 g of water at 20 °C are 500.0 ml (0.99820 g/ml, handbook); 618.9 g are 620.0.
  await house.type('Water at', '20');
  await house.expectFigureIs('volume-toMark', '500 ml');
  await house.expectFigureIs('volume-toBrim', '620 ml');
  await house.press('Keep what it holds');
  await house.expectSaid(/412 g · deep basket · weighed/);
});

test('a table is brought in: faults by row and column, one answered, one left out; then taken back', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  await house.goTo('House');
  await house.follow('Out and in');
  const csv =
    'tea;method;leaf;water (ml);heat;best\nSennet Hollow;pot;6,5 g;500;78;2:00\nKestry Pearl;pot;1 tbs;300;82;3:00\nSennet Holow;pot;7 g;500;80;2:00\nCorrow Light;pot;8 g;480;hot;2:30\n';
  await house.give('File to bring in', {
    name: 'autumn.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(csv),
  });
  await house.expectSaid('4 rows, semicolons, decimal comma: found out by itself');
  await house.expectSaid('3 faults in 3 rows');
  await house.expectWords('row', /3 leaf 1 tbs Teaspoon or tablespoon/, 'open');
  await page.keyboard.press('2');
  await house.expectSaid('2 faults in 2 rows');
  await house.press('Leave row 4 out');
  await house.expectSaid('1 fault in 1 row');
  await house.press('Bring in 2');
  await house.expectSaid('autumn.csv is in: 0 added, 2 changed.');
  const trial = async () =>
    (
      (await (await page.request.get('/api/book')).json()) as {
        teas: { name: string; trial: { recipe: { temperature: number } } | null }[];
      }
    ).teas.find((t) => t.name === 'Sennet Hollow')?.trial;
  expect((await trial())?.recipe.temperature).toBe(78);
  await house.press('Take it back');
  await house.expectSaid(/taken back/);
  expect(await trial()).toBeNull();
  await house.give('File to bring in', {
    name: 'letter.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from('Dear Maren,\nhere it is.'),
  });
  await house.expectSaid(/The file cannot be read\..*Nothing was written/);
});

test('a tea is found with keys only: letters, arrows, Enter; the list is narrowed and ordered', async ({
  house,
}) => {
  const { page } = house;
  const book = new BookDriver(page);
  await house.signIn(PEOPLE.lead);
  await house.goTo('Book');
  await page.keyboard.press('/');
  await house.expectFieldFocus('Find a tea');
  await page.keyboard.type('lot 11');
  await page.keyboard.press('ArrowDown');
  await book.expectLit('Sennet Hollow');
  await page.keyboard.press('ArrowUp');
  await book.expectLit('Corrow Light');
  await page.keyboard.press('Enter');
  await house.expectThere('heading', 'Corrow Light');
  await house.type('Find a tea', '');
  await house.choose('Show', 'with a new lot');
  await book.expectTeas(/Sennet Hollow/);
  await house.choose('Show', 'no caffeine');
  await house.type('Find a tea', 'malty');
  await house.expectSaid('No tea, no caffeine, has “malty” in its name, kind, words or lots.');
});

test('five spoons of a tea on the made-up scale: each is taken when it stands still', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  const book = new BookDriver(page);
  await book.open('Osk Flower');
  await book.press('Edit the tea');
  await book.type('Weighed', '');
  await book.press('Weigh them on the scale');
  await book.press('Practise with a simulated scale');
  await book.press('2 g');
  await book.press(/Take this spoon/);
  await expect(book.field('Weighed')).toHaveValue(/^(1\.9|2|2\.1)$/);
  await book.press('0.5 g');
  await house.expectFigureIs('weight', /^2\.[456]$/);
  await book.press(/Take this spoon/);
  await expect(book.field('Weighed')).toHaveValue(/^(1\.9|2|2\.1); 2\.[456]$/);
  await book.press('Enough spoons');
  await book.press('Save the tea');
  await house.expectThere('heading', 'Osk Flower');
});

test('a cup that was judged off becomes the reason of a version', async ({ house }) => {
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  const teas = (
    (await (await page.request.get('/api/brews?verdict=off')).json()) as {
      brews: { tea: { name: string } }[];
    }
  ).brews;
  const book = new BookDriver(page);
  await book.open(teas[0]?.tea.name ?? '');
  await book.press(/New version/);
  await book.field('From a tasted cup').selectOption({ index: 1 });
  await expect(book.field('Why')).toHaveValue(/^Tasted \d+ \w+ \d\d:\d\d, .+: .+/);
  await book.press('Put on trial');
  await house.expectSaid(/version \d+ is on trial/);
  await new BookDriver(page).version(1).expectHere('Tasted');
});

test('a packet’s words become figures, with its wait and its pot; they are taken into the first recipe', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  await page.goto('/book/new');
  await house.type('Name', 'Tarrow Mist', { exact: true });
  await house.type(
    'What the packet says, word for word',
    'Boil, let it stand 4 minutes. 8 g per pot, steep 1 1/2 minutes. Whisper to the leaf.',
  );
  await house.expectFigure('packet', 'boiled, left 4:00');
  await house.expectFigure('packet', 'Not understood: Whisper to the leaf.');
  await house.choose('The packet’s pot is', 'White pot, 500 ml');
  await house.expectFigure('packet', '1.6');
  await house.press('Use the packet’s figures in the first recipe');
  await house.expectSaid('The recipe below has the packet’s figures.');
  await house.expectField('Best', '1:30', { exact: true });
  await house.expectField('Leaf', '1.6', { exact: true });
  const heat = Number(await house.fieldText('Water on the leaf'));
  expect(heat).toBeGreaterThan(80);
  expect(heat).toBeLessThan(93);
});

test('words that claim an effect on health are said while typed, and asked about before a card is printed', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  const book = new BookDriver(page);
  await book.open('Tolvane Amber');
  // Without such words a card opens at once.
  const [plain] = await Promise.all([
    page.waitForEvent('popup'),
    house.follow('A5', { exact: true }),
  ]);
  await plain.close();
  await house.press(/^Edit the tea/);
  await book.type('Tasting words', 'malty, boosts immunity');
  await house.expectSaid(/“boosts immunity” may claim an effect on health/);
  await house.press('Save the tea');
  await house.expectThere('button', /^Edit the tea/);
  await house.expectSaid(/malty, boosts immunity/);
  await house.follow('A5', { exact: true });
  const asked = house.inside('dialog', 'Does this claim an effect on health?');
  await asked.expectSaid(/words: “boosts immunity”/);
  await asked.press('Do not print');
  await house.expectNone('dialog', 'Does this claim an effect on health?');
  await house.follow('Label, 62 mm');
  const [paper] = await Promise.all([
    page.waitForEvent('popup'),
    asked.follow('Print these words'),
  ]);
  await paper.close();
  await house.expectNone('dialog', 'Does this claim an effect on health?');
});
