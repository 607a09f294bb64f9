const SETTLED = 900;

/** The House, with what leads look after: devices, backups, programs, who did what. */
export async function houseScene({ page, settle, role, go, pictureOf, tile }) {
  const take = async () => tile('house', await pictureOf(), { of: 5, columns: 3 });
  await go('/house/backups', SETTLED);
  await role('button', 'Make a backup now').click();
  await settle(4500);
  await go('/house', SETTLED);
  await take();
  await go('/house/devices', SETTLED);
  await role('button', 'New device').click();
  await page.getByLabel('Name of the device').fill('Left tablet');
  await role('button', 'Make a code').click();
  await settle();
  await take();
  await go('/house/backups', SETTLED);
  await take();
  await go('/house/programs', SETTLED);
  await role('button', 'New key').click();
  await page.getByLabel('Name of the program').fill('Till at the door');
  await role('button', 'Make the key').click();
  await settle();
  await take();
  await go('/house/audit', SETTLED);
  await take();
}
