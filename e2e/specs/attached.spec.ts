import type { AddressInfo } from 'node:net';
import { createServer, type Server } from 'node:net';
import { expect } from '@playwright/test';
import { PEOPLE, test } from '../fixtures/shop';

// A label printer of the shop's network, as a simulated one on this machine.

let server: Server;
const taken: string[] = [];
test.beforeEach(async () => {
  taken.length = 0;
  server = createServer((socket) => {
    let text = '';
    socket.on('data', (d) => {
      text += d.toString('utf8');
    });
    socket.on('end', () => taken.push(text));
    socket.on('error', () => undefined);
  });
  await new Promise<void>((r) => server.listen(0, '127.0.0.1', r));
});
test.afterEach(() => {
  server.close();
});

test('a lead adds a label printer and tries it; the label of a tea is printed; one that is off is said so', async ({
  house,
}) => {
  const { port } = server.address() as AddressInfo;
  await house.signIn(PEOPLE.lead);
  await house.page.goto('/house/attached');
  await house.press('New printer');
  await house.type('Name of the printer', 'Door printer');
  await house.type('Address in this network', 'http://door/');
  await house.type('Port', String(port), { exact: true });
  await house.press('Add the printer');
  await house.expectFault(/An address is as 192\.168\.1\.40/);
  await house.type('Address in this network', '127.0.0.1');
  await house.press('Add the printer');
  await house.press('Print a test label on Door printer');
  await house.expectSaid(/The printer took the label/);
  await expect.poll(() => taken.length).toBe(1);
  expect(taken[0]).toContain('Test label by Ilsa V.');

  await house.page.goto('/book');
  await house.followFirst(/Iveline First/);
  await house.press('Print on Door printer');
  await house.expectSaid(/Sent to Door printer\./);
  await expect.poll(() => taken.length).toBe(2);
  expect(taken[1]).toContain('Iveline First');

  await new Promise((r) => server.close(r));
  await house.press('Print on Door printer');
  await house.expectFault(/Door printer cannot be reached\. Check that the printer is on/);
});
