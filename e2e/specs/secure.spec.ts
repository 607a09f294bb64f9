import { expect, test } from '@playwright/test';
import { BarDriver } from '../drivers/BarDriver';
import { HouseDriver } from '../drivers/HouseDriver';
import { PEOPLE } from '../fixtures/shop';
import { SecondHost } from '../fixtures/secondHost';
// @ts-expect-error -- plain JavaScript of the scripts
import { startHouse } from '../../scripts/lib/started.mjs';

const HOST = 'teahouse.local';
const there = new SecondHost();
let house: { address: string; help: string; stop(): Promise<void>; remove(): void } | null = null;
test.beforeAll(async () => {
  test.setTimeout(120_000);
  there.join();
  house = await startHouse({
    flags: ['--demo', '--shop'],
    env: { LIMNOS_SHOP_HOST: HOST, LIMNOS_SHOP_IP: there.shopAddress },
  });
});
test.afterAll(async () => {
  await house?.stop();
  house?.remove();
  there.leave();
});

test('a tablet of the shop is let in by the plain page, and has all that a secure address gives: offline, camera, a screen that stays on', async () => {
  test.setTimeout(120_000);
  if (!house) throw new Error('the house is not there');
  const { address, help } = house;
  // The plain page helps it in, and knows nothing of the house.
  const stranger = await there.browser(HOST, null);
  const page = await stranger.newPage();
  await page.goto(help);
  await expect(page.getByRole('heading', { name: 'Let this device in' })).toBeVisible();
  await expect(page.getByText(/^([0-9A-F]{2} ){31}[0-9A-F]{2}$/)).toBeVisible();
  expect((await page.goto(`${help}/api/house`))?.status()).toBe(404);
  await page.goto(help);
  const certificate = await (await page.request.get(`${help}/authority.crt`)).text();
  await expect(page.getByRole('link', { name: address })).toBeVisible();
  // Until it is let in, the browser warns of a stranger.
  await expect(page.goto(address)).rejects.toThrow(/ERR_CERT_AUTHORITY_INVALID/);
  await stranger.close();

  const browser = await there.browser(HOST, certificate);
  const context = await browser.newContext({
    baseURL: address,
    viewport: { width: 1280, height: 800 },
    serviceWorkers: 'allow',
    permissions: ['camera', 'screen-wake-lock'],
  });
  const tablet = new HouseDriver(await context.newPage());
  const first = await tablet.page.goto('/');
  expect(first?.headers()['strict-transport-security']).toBe('max-age=15552000');
  const byNumber = address.replace(HOST, there.shopAddress);
  const bare = await tablet.page.goto(byNumber);
  expect([bare?.status(), bare?.headers()['strict-transport-security']]).toEqual([200, undefined]);
  await tablet.page.goto('/');
  await tablet.signInByHand(PEOPLE.lead);
  expect((await context.cookies()).map((c) => [c.httpOnly, c.secure, c.sameSite])).toEqual([
    [true, true, 'Strict'],
  ]);
  const given = await tablet.page.evaluate(async () => {
    const camera = await navigator.mediaDevices.getUserMedia({ video: true });
    const tracks = camera.getVideoTracks().length;
    for (const track of camera.getTracks()) track.stop();
    const lock = await navigator.wakeLock.request('screen');
    const awake = !lock.released;
    await lock.release();
    await navigator.serviceWorker.ready;
    return { secure: isSecureContext, tracks, awake };
  });
  expect(given).toEqual({ secure: true, tracks: 1, awake: true });

  const bar = new BarDriver(tablet.page);
  await bar.start({ tea: 'Tolvane Amber', vessel: 'White pot' });
  await tablet.expectAllSaved();
  // Which devices are in, and how the next one comes in.
  await tablet.goTo('House');
  await expect(tablet.page.getByText(address)).toBeVisible();
  await expect(tablet.page.getByRole('row', { name: /Ilsa V\.\s*Harbour room/ })).toBeVisible();

  // The network is away: the page is there all the same, and the brew on it.
  await tablet.goTo('Bar');
  await context.setOffline(true);
  await tablet.page.reload();
  await bar.expectState('Tolvane Amber', 'Steeping');
  await context.setOffline(false);
  await browser.close();
});
