import { v7 } from 'uuid';
import { ColdDriver } from '../drivers/ColdDriver';
import { HouseDriver } from '../drivers/HouseDriver';
import { expect, PEOPLE, test } from '../fixtures/shop';

test('a batch is judged as any cup: the marks, one correction, the lead is told, water for what is left', async ({
  house,
  tablet,
}) => {
  const cold = new ColdDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  await cold.open();
  await cold.openBatch('Cold pitcher');
  await house.expectSaid(/305\sml left/);
  await house.page.keyboard.press('j');
  await house.expectSaid(/As when lifted at the best time\./);
  await house.touch('radio', 'Strength: full');
  await house.expectSaid(/less leaf|shorter/);
  await house.press('hazy', { exact: true });
  await house.expectSaid(/Check the water first/);
  await house.expectSaid(/Add \d+\sml cold water to the 305\sml left/);
  await house.press('Water added');
  await house.press('Keep, tell the lead');
  await house.expectSaid(/tasted: full; hazy; “.*” for the next batch, Dov R\./);
  await house.expectSaid(/of water added, Dov R\./);
  await house.expectAllSaved();
  const lead = new HouseDriver(await tablet());
  await lead.signIn(PEOPLE.lead);
  await lead.page.goto('/book');
  await lead.follow(/Sennet Hollow/);
  await lead.expectSaid(/Found full\./);
  await lead.follow('The batch');
  await lead.expectSaid(/tasted: full/);
});

test('a probe: the lead adds it, its readings stand in the log, one that cannot be is not believed, an ended key opens nothing', async ({
  house,
  shop,
}) => {
  const cold = new ColdDriver(house.page);
  await house.signIn(PEOPLE.lead);
  await cold.open();
  await house.follow('Fridge log');
  await house.press('Add probe');
  await house.expectFault('Give it a name.');
  await house.type('Name of the new probe', 'Top shelf');
  await house.press('Add probe');
  const key = await cold.probeKey();
  const send = (celsius: number, hoursAgo: number) =>
    house.page.request.post('/api/probe-readings', {
      headers: { authorization: `Bearer ${key}` },
      data: { celsius, at: Math.round(shop.now() - hoursAgo * 3_600_000) },
    });
  for (const [celsius, ago] of [
    [4.4, 0.05],
    [60, 0],
  ] as const)
    expect((await send(celsius, ago)).status()).toBe(200);
  await house.expectSaid(/Top shelf: probe not believed: no fridge has that temperature\./);
  await house.expectSaid(/4\.4\s°C/);
  await house.press('End key of Top shelf');
  await house.expectNone('button', 'End key of Top shelf');
  expect((await send(4, 0)).status()).toBe(401);
});

test('readings from a file: a fault is said by its row, then the file is added once', async ({
  house,
  shop,
}) => {
  await house.signIn(PEOPLE.lead);
  await house.page.goto('/cold/fridge');
  // A reading is known by its second, and the probe read every quarter of an hour: a second that is free is looked for.
  const week = `from=${shop.now() - 7 * 86_400_000}&to=${shop.now()}`;
  const kept = await house.page.request.get(`/api/cold/record.json?${week}&zone=UTC`);
  const { temperatures } = (await kept.json()) as { temperatures: { at: string }[] };
  const secondOf = (at: number | string) => Math.floor(new Date(at).getTime() / 1000);
  const taken = new Set(temperatures.map((reading) => secondOf(reading.at)));
  const time = (hoursAgo: number) => {
    let at = shop.now() - hoursAgo * 3_600_000;
    while (taken.has(secondOf(at))) at -= 1000;
    return new Date(at).toISOString();
  };
  const [first, second] = [time(3), time(2)];
  const choose = (lines: readonly string[]) =>
    house.give('File of readings', {
      name: 'readings.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(['at,celsius', ...lines].join('\n')),
    });
  await choose([`${first},4.1`, '2026-02-30T08:00Z,4']);
  await house.expectSaid(/Row 3, at: .*2026-02-30T08:00Z.* is no time\./);
  await choose([`${first},4.1`, `${second},19.5`]);
  await house.expectSaid(/^Found: 2 readings/);
  await house.press('Add 2 readings');
  await house.expectSaid(/^Added: 2 readings/);
  await house.expectThere('cell', /19\.5/);
});

test('a record that was given out comes in again: looked at, then added once', async ({
  house,
  shop,
}) => {
  await house.signIn(PEOPLE.lead);
  await new ColdDriver(house.page).open();
  await house.unfold('Record for an inspection');
  const week = `from=${shop.now() - 7 * 86_400_000}&to=${shop.now()}`;
  const given = await house.page.request.get(`/api/cold/record.json?${week}&zone=UTC`);
  const record = (await given.json()) as {
    begun: { id: string; events: { id: string; kind: string }[] }[];
  };
  const ended = record.begun.find((b) => b.events.some((e) => e.kind === 'discard'));
  if (!ended) throw new Error('no batch of the week was thrown out');
  const events = ended.events.map((e) => ({ ...e, id: v7() }));
  const choose = (begun: readonly object[]) =>
    house.give('File of a record', {
      name: 'record.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify({ begun, temperatures: [] })),
    });
  await choose([{ ...ended, id: v7(), events, vesselId: v7(), vesselName: 'Far jar' }]);
  await house.expectSaid(/No vessel of this site is called “Far jar”\./);
  await choose([...record.begun, { ...ended, id: v7(), events }]);
  await house.expectSaid(/^Found: 1 batch and 0 readings\./);
  await house.press('Add 1 batch and 0 readings');
  await house.expectSaid(/^Added: 1 batch and 0 readings\./);
});

test('the calendar address: made, shown once, read by a program, ended by a new one', async ({
  house,
}) => {
  await house.signIn(PEOPLE.lead);
  await house.page.goto('/house/calendar');
  await house.expectSaid('This site has no calendar address yet.');
  await house.press('Make an address');
  const address = await house.figureText('calendar-address');
  const feed = await house.page.request.get(address);
  expect(feed.headers()['content-type']).toContain('text/calendar');
  expect(await feed.text()).toContain('SUMMARY:Lift Marrowick Broken\\, Cold jar');
  await house.page.reload();
  await house.expectSaid(/In use: an address made .* by Ilsa V\./);
  await house.press('Make a new address');
  await house.expectSaid(/The address in use ends at once\./);
  await house.press('End the old address, make a new one');
  await house.expectSaid('The new address:');
  expect((await house.page.request.get(address)).status()).toBe(410);
});

test('more of a batch: poured into another pitcher, its start corrected, its end chosen by a lead with a reason', async ({
  house,
}) => {
  const cold = new ColdDriver(house.page);
  await house.signIn(PEOPLE.lead);
  await cold.open();
  await cold.openBatch('Cold pitcher');
  await house.unfold(/^More/);
  await house.choose('Pour into', 'Small pitcher');
  await house.press('Move the liquor');
  await house.expectSaid(/Small pitcher, 305\sml/);
  await house.expectSaid(/from Cold pitcher into Small pitcher, Ilsa V\./);
  await house.press('Change the end');
  await house.expectFault(/Give the reason\.|That is not after/);
  await house.page.keyboard.press('z');
  await house.expectSaid(/Cold pitcher, 305\sml/);
  await house.expectAllSaved();
  await cold.open();
  await cold.expectState('Cold pitcher', /305\sml/);
});
