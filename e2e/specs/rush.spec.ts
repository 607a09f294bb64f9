import QRCode from 'qrcode';
import { BarDriver } from '../drivers/BarDriver';
import { HouseDriver } from '../drivers/HouseDriver';
import { LogDriver } from '../drivers/LogDriver';
import { expect, PEOPLE, test } from '../fixtures/shop';

test('twelve brews stand on one screen, wide and narrow; the thirteenth is refused in words', async ({
  house,
}) => {
  const bar = new BarDriver(house.page);
  await house.signIn(PEOPLE.lead);
  await bar.fill();
  await bar.expectPlaces(12);
  await bar.expectAllInSight();
  await house.expectDisabled('button', /^Twelve are on/);
  await house.page.setViewportSize({ width: 820, height: 1180 });
  await bar.expectPlaces(12);
  await bar.expectAllInSight();
  await house.page.setViewportSize({ width: 390, height: 844 });
  await bar.expectRows(12);
});

test('figures pick a vessel, Space does its hand, V says it is right, Z takes each back', async ({
  house,
}) => {
  const bar = new BarDriver(house.page);
  const { keyboard } = house.page;
  await house.signIn(PEOPLE.brewer);
  await bar.began(100, { tea: 'Tolvane Amber', vessel: 'White pot' }, 1);
  await bar.began(60, { tea: 'Iveline First', vessel: 'Glass pot' }, 2);
  await bar.expectPlaces(2);
  await keyboard.press('1');
  await keyboard.press(' ');
  await bar.expectState('Tolvane Amber', 'Lifted at');
  await bar.expectState('Iveline First', 'Steeping, left');
  await keyboard.press('v');
  await bar.expectGone('Tolvane Amber');
  await house.expectSaid('Tolvane Amber: right. Kept.');
  await keyboard.press('z');
  await bar.expectState('Tolvane Amber', 'Lifted at');
  await keyboard.press('z');
  await bar.expectState('Tolvane Amber', 'Steeping, left');
  await house.expectAllSaved();
  await house.page.reload();
  await bar.expectState('Tolvane Amber', 'Steeping, left');
  await keyboard.press('Shift+Digit7');
  await expect(house.page).toHaveURL(/\/log$/);
});

test('steps: confirmed by a touch, left out, or confirmed by the pour; the brew’s page has them all', async ({
  house,
}) => {
  const bar = new BarDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  const id = await bar.began(-1, { tea: 'Tolvane Amber', vessel: 'White pot' });
  await expect(bar.step('Tolvane Amber')).toContainText('Warm it, a third full');
  await bar.confirmStep('Tolvane Amber');
  await expect(bar.step('Tolvane Amber')).toContainText('Leaf 6 g');
  await bar.more('Tolvane Amber', 'Steps and readings');
  const steps = house.inside('dialog');
  await steps.atItem('Leaf 6 g').press('Leave out');
  await steps.atItem('Leaf 6 g').expectHere('left out');
  await steps.type('Thermometer in it', 'warm');
  await steps.press('Keep it');
  await steps.expectFault('"warm" is not a temperature');
  await steps.expectField('Thermometer in it', 'warm');
  await house.page.keyboard.press('Escape');
  await bar.pull('Tolvane Amber');
  await bar.expectState('Tolvane Amber', 'Steeping, left');
  await bar.more('Tolvane Amber', 'Steps and readings');
  await steps.type('Thermometer in it', '88.5');
  await steps.press('Keep it');
  await steps.expectHere(/88\.5\s°C at/);
  await house.page.keyboard.press('Escape');
  await bar.pull('Tolvane Amber');
  await house.expectAllSaved();
  await house.page.goto(`/log/${id}`);
  await house.expectThere('img', /real .*warmed.*leaf in: left out.*water on.*lifted/);
  await house.expectThere('img', /^Heat: 88\.5\s°C after/);
  await house.unfold(/Everything that was done to it/);
  await new LogDriver(house.page).expectEvents('leaf in, left out');
});

test('start as you pour: the clock begins by itself as the weight rises', async ({ house }) => {
  const bar = new BarDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  await bar.began(-1, { tea: 'Tolvane Amber', vessel: 'White pot' });
  await bar.more('Tolvane Amber', 'Steps and readings');
  const steps = house.inside('dialog');
  await steps.press('Start as you pour');
  await steps.press('Practise with a simulated scale');
  await steps.expectFigureIs('weight', /^-?0/);
  await bar.expectState('Tolvane Amber', 'Warming, will steep');
  await steps.press('100 g', { exact: true });
  await bar.expectState('Tolvane Amber', 'Steeping, left');
});

test('the queue: filled from a card, moved by key and by hand, started by U, seen on the other tablet', async ({
  house,
  tablet,
}) => {
  const bar = new BarDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  await bar.began(10, { tea: 'Orrin Hearth', vessel: 'Grey pot' });
  // The button that starts a brew has another place on a bar that was empty.
  await bar.expectOnBar('Orrin Hearth');
  for (const [tea, vessel] of [
    ['Tolvane Amber', 'White pot'],
    ['Sennet Hollow', 'Small pot'],
    ['Iveline First', 'Glass pot'],
  ] as const) {
    await bar.openStart();
    await bar.chooseTea(tea);
    await bar.chooseVessel(vessel);
    await bar.putInQueue(`for ${tea}`);
  }
  await bar.expectQueue(['Tolvane Amber', 'Sennet Hollow', 'Iveline First']);
  const other = new HouseDriver(await tablet());
  const otherBar = new BarDriver(other.page);
  await other.signIn(PEOPLE.other);
  await otherBar.expectQueue(['Tolvane Amber', 'Sennet Hollow', 'Iveline First']);
  await bar.takeQueued('Iveline First');
  await house.page.keyboard.press('Shift+ArrowUp');
  await bar.expectQueue(['Tolvane Amber', 'Iveline First', 'Sennet Hollow']);
  await otherBar.expectQueue(['Tolvane Amber', 'Iveline First', 'Sennet Hollow']);
  await bar.dragQueued('Sennet Hollow', 'Tolvane Amber');
  await bar.expectQueue(['Sennet Hollow', 'Tolvane Amber', 'Iveline First']);
  await house.page.mouse.move(10, 10);
  await house.page.keyboard.press('u');
  await bar.expectOnBar('Sennet Hollow');
  await bar.expectQueue(['Tolvane Amber', 'Iveline First']);
  await otherBar.expectOnBar('Sennet Hollow');
  await otherBar.expectQueue(['Tolvane Amber', 'Iveline First']);
  await house.page.keyboard.press('z');
  await bar.expectGone('Sennet Hollow');
  await bar.expectQueue(['Sennet Hollow', 'Tolvane Amber', 'Iveline First']);
});

test('the other tablet sees it at once, though it asks for nothing: what was done, and by whom', async ({
  tablet,
}) => {
  const [one, two] = [new HouseDriver(await tablet()), new HouseDriver(await tablet())];
  const [barOne, barTwo] = [new BarDriver(one.page), new BarDriver(two.page)];
  await one.signIn(PEOPLE.brewer);
  await two.signIn(PEOPLE.other);
  await two.expectSaidOnce('Nothing on the bar.');
  await two.page.route('**/api/bar', (r) => r.abort());
  await barOne.start({ tea: 'Tolvane Amber', vessel: 'White pot' });
  await barTwo.expectOnBar('Tolvane Amber');
  await barOne.pull('Tolvane Amber');
  await barTwo.expectState('Tolvane Amber', 'Lifted at');
  await barTwo.expectState('Tolvane Amber', 'Dov R.');
});

test('one that would meet another is said on the card and offered later; on the bar it waits its seconds', async ({
  house,
}) => {
  const bar = new BarDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  await bar.began(2, { tea: 'Tolvane Amber', vessel: 'White pot' });
  await bar.expectOnBar('Tolvane Amber');
  await bar.openStart();
  await bar.chooseTea('Orrin Hearth');
  await bar.chooseVessel('Glass pot');
  const card = house.inside('region', 'The card');
  await card.expectHere(/Poured now, it meets Tolvane Amber, place 1, at \d\d:\d\d/);
  await card.press(/^Get it ready, pour in 0:[24]0/);
  await bar.expectState('Orrin Hearth', /Wait 0:[24]0, then pour/);
});

test('the same leaf again: its time from the recipe, then from the model; it remembers its steeps', async ({
  house,
}) => {
  const bar = new BarDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  await bar.standsSince(120, { tea: 'Sennet Hollow', vessel: 'White pot' });
  await bar.pull('Sennet Hollow');
  await bar.more('Sennet Hollow', /^Steep again: 2\. in 3:00$|^Steep again: 2\. in 3:00,/);
  await house.expectSaid(/Sennet Hollow, steep 2: 3:00, as its recipe has it/);
  await bar.expectPlaces(2);
  await bar.expectVessel('steep 2');
  await bar.place(2).press(/^Water on/);
  await bar.place(2).expectHere('Steeping, left');
  await house.expectAllSaved();
  await house.page.reload();
  await bar.expectVessel('steep 2');
});

test('one that stands past the sixth place is in sight, though few are left', async ({ house }) => {
  const bar = new BarDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  await bar.began(100, { tea: 'Tolvane Amber', vessel: 'White pot' }, 1);
  await bar.began(20, { tea: 'Ostrey Deep', vessel: 'Lidded cup' }, 7);
  await bar.expectPlaces(2);
  await bar.expectAllInSight();
});

test('two pots of one tea are lifted and judged in one touch', async ({ house }) => {
  const bar = new BarDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  const begun = Date.now();
  await bar.began(100, { tea: 'Tolvane Amber', vessel: 'White pot' }, 1);
  await bar.began(95, { tea: 'Tolvane Amber', vessel: 'Glass pot' }, 2);
  await bar.expectPlaces(2);
  await bar.place(2).press(/^More/);
  await house.touch('menuitem', 'Put together with White pot');
  await bar.expectPlaces(1);
  await bar.expectVessel('White pot + Glass pot');
  await bar.pull('Tolvane Amber');
  const said = /Tolvane Amber, 2 vessels, lifted at (\d+):(\d\d)/;
  await house.expectSaid(said);
  const [, minutes, seconds] = said.exec(await house.allText()) ?? [];
  const liftedAt = 60 * Number(minutes) + Number(seconds);
  const clock = (s: number) => `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`;
  // The younger one of the two began five seconds later.
  const either = [0, 4, 5, 6].map((less) => clock(liftedAt - less));
  // As long as the older one stood, and this test took.
  expect(liftedAt).toBeGreaterThanOrEqual(95);
  expect(liftedAt).toBeLessThanOrEqual(101 + (Date.now() - begun) / 1000);
  await bar.right('Tolvane Amber');
  await bar.expectPlaces(0);
  await house.expectAllSaved();
  await house.goTo('Log');
  await new LogDriver(house.page).expectLine(
    2,
    ['Tolvane Amber', 'right'],
    new RegExp(`${either.join('|')}|−`),
  );
});

test('a shared tablet locks: a steep is lifted as the tablet’s, the rest asks for a PIN; somebody owns it', async ({
  house,
}) => {
  const bar = new BarDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  await bar.began(100, { tea: 'Tolvane Amber', vessel: 'White pot' }, 1);
  await bar.began(-1, { tea: 'Iveline First', vessel: 'Glass pot' }, 2);
  await bar.expectPlaces(2);
  await house.page.keyboard.press('l');
  await house.expectSaid(/Locked\. A steep can still be lifted/);
  await house.expectAllSaved();
  await house.page.reload();
  await house.expectSaid(/Locked\. A steep can still be lifted/);
  await house.expectNone('link', /Book/);
  await expect(bar.hand('Iveline First')).toBeDisabled();
  for (const key of ['2', ' ', 'w', 'z']) await house.page.keyboard.press(key);
  await bar.expectState('Iveline First', 'Warming, will steep');
  await house.page.keyboard.press('n');
  await expect(house.page).toHaveURL(/\/$/);
  await house.page.goto('/log');
  await expect(house.page).toHaveURL(/\/$/);
  await bar.pull('Tolvane Amber');
  await bar.expectState('Tolvane Amber', 'Lifted at');
  await bar.expectState('Tolvane Amber', 'Counter tablet');
  await bar.expectState('Tolvane Amber', 'PIN to judge it');
  await house.expectAllSaved();
  await house.press(/^Locked/);
  await house.pick(PEOPLE.other.name);
  await house.enterSecret(PEOPLE.other.secret);
  await bar.more('Tolvane Amber', 'It was me who ended the steep');
  await bar.expectState('Tolvane Amber', 'Tam O.');
  await house.expectAllSaved();
});

test('a locked tablet that is carried to another site and unlocked there shows that site’s bar alone', async ({
  house,
  tablet,
}) => {
  const bar = new BarDriver(house.page);
  const left = new HouseDriver(await tablet());
  await house.signIn(PEOPLE.other);
  await house.expectSaid('Nothing on the bar.');
  await house.page.keyboard.press('l');
  await house.press(/^Locked/);
  await house.press(/^Ridge hut/);
  await house.pick(PEOPLE.other.name);
  await house.enterSecret(PEOPLE.other.secret);
  await house.expectSaid('Nothing on the bar.');
  // From here on it knows only what the event stream says.
  await house.cutOff('**/api/bar');
  await left.signIn(PEOPLE.brewer);
  await new BarDriver(left.page).began(20, { tea: 'Sennet Hollow', vessel: 'Grey pot' });
  await bar.began(20, { tea: 'Tolvane Amber', vessel: 'Iron pot' });
  await bar.expectOnBar('Tolvane Amber');
  await bar.expectPlaces(1);
});

test('a scanner that types opens the card in every place, and its letters do nothing else', async ({
  house,
}) => {
  const bar = new BarDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  await bar.began(50, { tea: 'Tolvane Amber', vessel: 'White pot' }, 5);
  await bar.expectPlaces(1);
  const book = (await (await house.page.request.get('/api/book')).json()) as {
    teas: { id: string; name: string }[];
  };
  const tea = book.teas.find((t) => t.name === 'Iveline First');
  const scan = (code: string) =>
    house.page.evaluate((text) => {
      // A scanner's own pace, whatever this machine's is.
      [...text, 'Enter'].forEach((key, i) => {
        const typed = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true });
        Object.defineProperty(typed, 'timeStamp', { value: 1e6 + i * 5 });
        document.body.dispatchEvent(typed);
      });
    }, code);
  await scan(`http://old.host:1/start?tea=${tea?.id ?? ''}`);
  await expect(bar.card()).toContainText('Iveline First');
  await house.page.goto('/');
  await bar.expectState('Tolvane Amber', 'Steeping, left');
  await scan('http://elsewhere/123456');
  await house.expectSaid('That code is not of a card here.');
});

test('the camera reads a card’s code', async ({ tablet }) => {
  const page = await tablet();
  const house = new HouseDriver(page);
  await house.signIn(PEOPLE.brewer);
  const book = (await (await page.request.get('/api/book')).json()) as {
    teas: { id: string; name: string }[];
  };
  const { modules } = QRCode.create(
    `http://x.y/start?tea=${book.teas.find((t) => t.name === 'Iveline First')?.id ?? ''}`,
    { errorCorrectionLevel: 'M' },
  );
  // A made-up camera that looks at the code.
  await page.evaluate(
    ({ size, data }) => {
      const canvas = document.createElement('canvas');
      [canvas.width, canvas.height] = [640, 480];
      const ink = canvas.getContext('2d');
      if (!ink) return;
      const draw = () => {
        ink.fillStyle = '#ddd';
        ink.fillRect(0, 0, 640, 480);
        ink.fillStyle = '#111';
        for (let i = 0; i < data.length; i++)
          if (data[i]) ink.fillRect(160 + (i % size) * 8, 60 + Math.floor(i / size) * 8, 8, 8);
      };
      draw();
      setInterval(draw, 100);
      navigator.mediaDevices.getUserMedia = () => Promise.resolve(canvas.captureStream(10));
    },
    { size: modules.size, data: [...modules.data].map(Number) },
  );
  await page.keyboard.press('c');
  await house.expectWords('region', 'The card', 'Iveline First');
});

test('what is due is seen across the room: a still frame, another for late, none when switched off', async ({
  house,
}) => {
  const bar = new BarDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  await bar.standsSince(400, { tea: 'Tolvane Amber', vessel: 'White pot' });
  await bar.expectFrame('late');
  const moving = await house.page.evaluate(
    () =>
      document
        .getAnimations()
        .filter((a) => a.effect && Number(a.effect.getComputedTiming().iterations ?? 1) > 1).length,
  );
  expect(moving).toBe(0);
  await house.goTo('Book');
  await house.expectFigureThere('across');
  await house.press(/Not you/);
  await house.untick(/A frame round the screen/);
  await house.expectNoFigure('across');
  await house.touch('radio', 'Quiet');
  await house.expectChecked('radio', 'Quiet');
});
