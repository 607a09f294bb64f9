import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { HouseDriver } from '../drivers/HouseDriver';
import { ShopServer } from '../fixtures/server';
import { deviceIn, PEOPLE, test } from '../fixtures/shop';

test('backups: the house says there is none, a lead makes one, one that fails says why, the schedule is kept', async ({
  browser,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'limnos-backups-'));
  const shop = new ShopServer('demo', null, 'dist/web', {
    LIMNOS_BACKUPS: folder,
    LIMNOS_BACKUP_PROGRAM: 'e2e/host/backupProgram.mjs',
  });
  await shop.start();
  const device = await deviceIn(browser, shop);
  const house = new HouseDriver(await device.newPage());
  await house.signIn(PEOPLE.lead);
  await house.goTo('House');
  await house.expectOneFault('None yet: a fault of the disk would take everything');
  await house.follow('Backups');
  await house.expectOneFault('There is no backup of this house yet. Make one now.');

  await house.press('Make a backup now');
  await house.expectDisabled('button', 'A backup is being made ...');
  await house.expectSaid('2 sites, 6 people, 24 teas');
  await house.expectSaid('restored and compared: 1 table, 24 rows');
  await house.expectEnabled('button', 'Make a backup now');
  await house.expectNone('alert', /./);

  writeFileSync(join(folder, 'fails'), '');
  await house.press('Make a backup now');
  await house.expectOneFault('No backup was made. The disk is full.');

  // What is typed wrong is said beside it, and stays.
  await house.expectSaid('only by hand');
  await house.tick('Make a backup every day');
  await house.type(/^At, on the clock of/, '25:00');
  await house.press('Save the schedule');
  await house.expectOneFault('A time is 00:00 to 23:59.');
  await house.expectField(/^At, on the clock of/, '25:00');
  await house.type(/^At, on the clock of/, '03:30');
  await house.type('Weeks', '8');
  await house.press('Save the schedule');
  await house.expectSaid(/the next on .* 03:30/);
  await house.page.reload();
  await house.expectField('Weeks', '8');

  await house.follow('To the house');
  await house.expectSaid(/The newest was made/);
  await device.close();
  await shop.stop();
  rmSync(folder, { recursive: true, force: true });
});
test('backups are for leads', async ({ house }) => {
  await house.signIn(PEOPLE.brewer);
  await house.page.goto('/house/backups');
  await house.expectSaid('A lead sees the backups.');
});
