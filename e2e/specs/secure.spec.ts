import { expect, test } from '@playwright/test';
// @ts-expect-error -- plain JavaScript of the scripts
import { startHouse } from '../../scripts/lib/started.mjs';
import { BarDriver } from '../drivers/BarDriver';
import { Hands } from '../drivers/Hands';
import { HouseDriver } from '../drivers/HouseDriver';
import { SecondHost } from '../fixtures/secondHost';
import { PEOPLE } from '../fixtures/shop';

const HOST = 'teahouse.local';
const there = new SecondHost();
type Started = { address: string; help: string; stop(): Promise<void>; remove(): void };
let house: Started | null = null;
test.describe.configure({ mode: 'serial' });
test.afterAll(() => there.leave());
/** One house, started with these flags, for the tests beside it. */
function inHouse(...flags: string[]): void {
  test.beforeAll(async () => {
    const { name, missing } = there.network;
    // Without the right to make a network the same is tried on this machine alone, and the report says so.
    if (name === null) test.info().annotations.push({ type: 'one host', description: missing });
    house = await startHouse({
      flags: ['--demo', '--shop', ...flags],
      env: { LIMNOS_SHOP_HOST: HOST, LIMNOS_SHOP_IP: there.network.shopAddress },
    });
  });
  test.afterAll(async () => {
    await house?.stop();
    house?.remove();
    house = null;
  });
}

async function tabletComesIn(): Promise<void> {
  if (!house) throw new Error('the house is not there');
  const { address, help } = house;
  // The plain page helps it in, and knows nothing of the house.
  const stranger = await there.browser(HOST, null);
  const page = await stranger.newPage();
  const hands = new Hands(page);
  await page.goto(help);
  await hands.expectThere('heading', 'Add this device');
  await hands.expectSaidOnce(/^([0-9A-F]{2} ){31}[0-9A-F]{2}$/);
  expect((await page.goto(`${help}/api/house`))?.status()).toBe(404);
  await page.goto(help);
  const certificate = await (await page.request.get(`${help}/authority.crt`)).text();
  await hands.expectThere('link', address);
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
  const byNumber = address.replace(HOST, there.network.shopAddress);
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
  await tablet.follow('Devices');
  await tablet.expectSaidOnce(address);
  await tablet.expectThere('row', /Ilsa V\.\s*Harbour room/);

  // The network is away: the page is there all the same, and the brew on it.
  await tablet.goTo('Bar');
  await context.setOffline(true);
  await tablet.page.reload();
  await bar.expectState('Tolvane Amber', 'Steeping');
  await context.setOffline(false);
  await browser.close();
}

async function refusedAllTheSame(): Promise<void> {
  if (!house) throw new Error('the house is not there');
  const { address, help } = house;
  const certificate = await (await fetch(`${help}/authority.crt`)).text();
  const browser = await there.browser(HOST, certificate);
  const context = await browser.newContext({ baseURL: address });
  const page = await context.newPage();
  await page.goto('/');
  /** A request as a page of that address can send it: its status and its code. */
  const send = (path: string, body?: string, headers: Record<string, string> = {}) =>
    page.evaluate(
      async ([at, text, more]) => {
        const res = await fetch(at, {
          method: text === undefined ? 'GET' : 'POST',
          ...(text === undefined ? {} : { body: text }),
          headers: { 'content-type': 'application/json', ...more },
        });
        const said = (await res.json().catch(() => ({}))) as Record<string, unknown>;
        return { status: res.status, code: said.code, said };
      },
      [path, body, headers] as const,
    );
  const json = (v: unknown) => JSON.stringify(v);
  const { sites } = (await send('/api/house')).said as { sites: { id: string; name: string }[] };
  const [here, elsewhere] = ['Harbour room', 'Ridge hut'].map(
    (name) => sites.find((s) => s.name === name)?.id ?? '',
  );
  const people = (await send(`/api/sites/${here}/names`)).said.people as {
    id: string;
    name: string;
  }[];
  const idOf = (name: string) => people.find((p) => p.name === name)?.id ?? '';
  const signIn = (name: string, secret: string) =>
    send('/api/session', json({ personId: idOf(name), siteId: here, secret }));

  // Nobody: no large body, no unpacking, no address that cannot be read.
  expect((await send('/api/exchange/preview', 'x', { 'content-encoding': 'gzip' })).status).toBe(
    401,
  );
  expect((await send('/api/session', json({ personId: ' '.repeat(5000) }))).status).toBe(413);
  expect((await send('/api/teas/%E0%A4%A')).status).toBe(400);
  // A burst of PINs.
  const guesses = await Promise.all(
    Array.from({ length: 12 }, (_, i) => signIn(PEOPLE.other.name, String(5000 + i))),
  );
  expect(guesses.filter((g) => g.status === 200)).toEqual([]);
  expect(guesses.filter((g) => g.status === 429).length).toBeGreaterThanOrEqual(6);
  // A brewer: their own site, this century, lists that end.
  expect((await signIn(PEOPLE.brewer.name, PEOPLE.brewer.secret)).status).toBe(200);
  const { teas } = (await send('/api/book')).said as { teas: { id: string }[] };
  const id = () => crypto.randomUUID();
  const order = (siteId: string, forWhom = '') =>
    json({
      id: id(),
      siteId,
      teaId: teas[0]?.id,
      vesselId: null,
      water: null,
      forWhom,
      rank: 1,
      at: Date.now(),
    });
  expect((await send('/api/orders', order(elsewhere ?? ''))).status).toBe(403);
  expect((await send('/api/orders', order(here ?? '', '🍵'.slice(0, 1)))).status).toBe(200);
  expect((await send('/api/orders', `{"id":${'['.repeat(5000)}`)).status).toBe(400);
  expect((await send(`/api/brews?siteId=${elsewhere}`)).status).toBe(403);
  expect((await send('/api/shop')).status).toBe(403);
  // A lead: pictures that are none, tables that are made to hold the server up.
  expect((await signIn(PEOPLE.lead.name, PEOPLE.lead.secret)).status).toBe(200);
  const photo = await send(`/api/teas/${teas[0]?.id}/photo?id=${id()}`, '<svg/>');
  expect([photo.status, photo.said.message]).toEqual([
    422,
    'This is not a picture that can be read: JPEG, PNG or WebP.',
  ]);
  const table = `tea,heat,best\nA,9${' '.repeat(1900)}!,4:00\n`;
  const preview = await send(
    '/api/exchange/preview',
    json({ name: 'a.csv', text: table.repeat(2), table: null, answers: {} }),
  );
  expect(preview.status).toBe(200);
  await browser.close();
}

const TABLET =
  'a shop’s tablet comes in by the plain page and has offline, camera and a screen that stays on';
test.describe('one process', () => {
  inHouse();
  test(TABLET, tabletComesIn);
  test(
    'what is refused on the machine itself is refused over the shop’s address too',
    refusedAllTheSame,
  );
});
test.describe('two processes behind nginx', () => {
  inHouse('--processes=2');
  test(TABLET, tabletComesIn);
});
