import { expect } from '@playwright/test';
import { v7 } from 'uuid';
import { PEOPLE, test } from '../fixtures/shop';

test('a till gets a key, its order waits up next on the bar, and its key is ended', async ({
  house,
  shop,
  request,
}) => {
  await house.signIn(PEOPLE.lead);
  await house.page.goto('/house/programs');
  await house.expectSaid('No program has a key yet.');
  await house.press('New key');
  await house.type('Name of the program', 'Till at the door');
  await house.type('Where the program hears that an order is ready', 'the door');
  await house.press('Make the key');
  await house.expectOneFault('An address begins with http:// or https://.');
  await house.type('Where the program hears that an order is ready', '');
  await house.untick('put orders');
  await house.untick('read the book');
  await house.press('Make the key');
  await house.expectOneFault('Choose what it may do.');
  await house.tick('put orders');
  await house.tick('read the book');
  await house.press('Make the key');
  const headers = { authorization: `Bearer ${await house.figureText('program-key')}` };
  await house.press('Done');
  await house.expectSaid(/put orders, read the book; not used yet/);

  const at = (path: string) => `${shop.address}/api/program/${path}`;
  const { teas } = await (await request.get(at('book'), { headers })).json();
  const data = { id: v7(), teaId: teas[0].id, forWhom: 'ticket 31' };
  expect((await request.post(at('orders'), { headers, data })).status()).toBe(200);
  await house.goTo('Bar');
  await house.expectSaid(/ticket 31/);

  await house.page.goto('/house/programs');
  await house.expectSaid(/; used just now/);
  await house.press('End the key of Till at the door');
  await house.press('End the key now of Till at the door');
  await house.expectSaid(/ended just now/);
  expect((await request.get(at('book'), { headers })).status()).toBe(401);
});
