import type { Page } from '@playwright/test';
import { BarDriver } from '../drivers/BarDriver';
import { expect, PEOPLE, test } from '../fixtures/shop';

// Every page on a phone and on a tablet: nothing that is touched or read lies outside the screen, and what can be
// touched does not move when an answer comes late.

const records = async (page: Page, path: string) =>
  (await (await page.request.get(path)).json()) as Record<
    string,
    { id: string; name: string; siteId: string }[]
  >;

async function pagesOf(page: Page): Promise<string[]> {
  const book = await records(page, '/api/book');
  const shelf = await records(page, '/api/vessels');
  const log = await records(page, '/api/brews');
  const cold = await records(page, '/api/batches');
  const kettles = await records(page, '/api/kettles');
  const tea = book.teas?.find((t) => t.name === 'Tolvane Amber')?.id ?? '';
  const vessel = shelf.vessels?.find((v) => v.name === 'White pot');
  const tastings = await records(page, `/api/tastings?siteId=${vessel?.siteId ?? ''}`);
  const ofTea = ['', '/board', '/versions', '/whatif', '/advice', '/fit', '/colours'].map(
    (p) => `/book/${tea}${p}`,
  );
  return [
    '/',
    '/start',
    `/start?tea=${tea}`,
    '/book',
    '/book/new',
    '/book/stock',
    ...ofTea,
    '/shelf',
    '/shelf/new',
    `/shelf/${vessel?.id ?? ''}`,
    `/shelf/kettles/${kettles.kettles?.[0]?.id ?? ''}`,
    '/log',
    '/log/trends',
    '/log/corrections',
    `/log/${log.brews?.[0]?.id ?? ''}`,
    `/log/${log.brews?.[0]?.id ?? ''}/taste`,
    '/cold',
    '/cold/start',
    '/cold/plan',
    '/cold/fridge',
    '/school',
    '/school/board',
    '/school/weigh',
    '/school/diagnose',
    '/school/order',
    '/school/scale',
    '/school/spoons',
    '/school/fillLine',
    '/school/which',
    '/school/holding',
    '/school/fair',
    '/school/turns',
    '/school/shift',
    '/school/lesson/heat',
    '/school/lesson/line',
    '/school/lesson/words',
    '/school/courses',
    '/school/leaf/timeLadder',
    '/house/calendar',
    '/house/backups',
    '/house/devices',
    '/house/audit',
    '/house/programs',
    '/house/attached',
    '/house/hours',
    '/house/limits',
    ...(cold.batches ?? []).flatMap((b) => [`/cold/${b.id}`, `/cold/${b.id}/judge`]),
    '/table',
    '/table/new',
    '/table/new?lesson=leafAgain',
    '/table/colour',
    '/table/screen',
    ...(tastings.tastings ?? []).map((t) => `/table/${t.id}`),
    '/house',
    '/house/exchange',
  ];
}

/** What lies beyond the right or left edge and cannot be scrolled to by itself, or runs out of its part of the page. */
const outside = (page: Page) =>
  page.evaluate(() => {
    const scrollsByItself = (e: Element): boolean => {
      for (let x = e.parentElement; x && x !== document.body; x = x.parentElement) {
        const { overflowX } = getComputedStyle(x);
        if ((overflowX === 'auto' || overflowX === 'scroll') && x.scrollWidth > x.clientWidth + 1)
          return true;
      }
      return false;
    };
    const spilled = [...document.querySelectorAll('main > .work, main > .paper')]
      .filter(
        (e) => getComputedStyle(e).overflowY === 'visible' && e.scrollHeight > e.clientHeight + 20,
      )
      .map((e) => `${e.className}: ${e.scrollHeight} px in ${e.clientHeight}`);
    const seen = [
      ...document.querySelectorAll('button, a, input, select, textarea, h1, h2, p, td'),
    ];
    const beyond = seen.flatMap((e) => {
      const r = e.getBoundingClientRect();
      const hidden =
        r.width === 0 ||
        getComputedStyle(e).visibility === 'hidden' ||
        e.closest('.visually-hidden');
      if (hidden || (r.right <= innerWidth + 1 && r.left >= -1) || scrollsByItself(e)) return [];
      return [
        `${e.tagName} ${(e.textContent ?? '').slice(0, 30)}: ${Math.round(r.left)} to ${Math.round(r.right)}`,
      ];
    });
    return [...spilled, ...beyond];
  });

/** An answer is drawn before the next comes, ms. */
const APART_MS = 80;
/**
 * Answers come one by one, the last first or in an order that is drawn: whatever is drawn from one alone is drawn.
 * Runs in the page, before anything of it: a route of the browser would switch off its cache, and every page would be
 * compiled anew.
 */
function answerOneByOne({ order, apart }: { order: 'last' | 'drawn'; apart: number }): void {
  const MULTIPLIER = 48_271;
  const MODULUS = 2_147_483_647;
  let chance = 7 + location.pathname.length;
  const drawn = (n: number): number => {
    chance = (chance * MULTIPLIER) % MODULUS;
    return chance % n;
  };
  const waiting: (() => void)[] = [];
  const reallyFetch = globalThis.fetch;
  globalThis.fetch = async (...asked) => {
    const [what] = asked;
    const { pathname } = new URL(what instanceof Request ? what.url : String(what), location.href);
    if (pathname.startsWith('/api/')) await new Promise<void>((resolve) => waiting.push(resolve));
    return reallyFetch(...asked);
  };
  setInterval(() => {
    if (waiting.length === 0) return;
    const [next] = order === 'last' ? waiting.splice(-1) : waiting.splice(drawn(waiting.length), 1);
    next?.();
  }, apart);
  Object.assign(globalThis, { answersWaiting: () => waiting.length });
}
/** Every answer is here, and drawn. */
async function allAnswered(page: Page): Promise<void> {
  const waiting = () =>
    page.evaluate(() =>
      (globalThis as unknown as { answersWaiting: () => number }).answersWaiting(),
    );
  await expect.poll(waiting).toBe(0);
  await page.waitForTimeout(2 * APART_MS);
}

/**
 * Follows every button, link and field from the frame in which it is first drawn, and looks again whenever something of
 * the page has changed, come or been loaded. Runs in the page, before anything of it.
 */
function followTouchables(): void {
  // A scroll bar that comes pushes a page aside by less; a finger still meets what it was on its way to.
  const MISSES_PX = 8;
  const moved: string[] = [];
  const drawnAt = new WeakMap<Element, { left: number; top: number }>();
  const look = () => {
    for (const e of document.querySelectorAll('main :is(button, a, input, select, textarea)')) {
      const { left, top, width } = e.getBoundingClientRect();
      const before = drawnAt.get(e);
      if (before && width > 0 && Math.hypot(left - before.left, top - before.top) > MISSES_PX)
        moved.push(
          `${e.tagName} ${(e.getAttribute('aria-label') ?? e.textContent ?? '').slice(0, 30)}: from ${Math.round(before.left)}, ${Math.round(before.top)} to ${Math.round(left)}, ${Math.round(top)}`,
        );
      if (width > 0) drawnAt.set(e, { left, top });
    }
  };
  let isAsked = false;
  const lookSoon = () => {
    if (isAsked) return;
    isAsked = true;
    requestAnimationFrame(() => {
      isAsked = false;
      look();
    });
  };
  new MutationObserver(lookSoon).observe(document, {
    subtree: true,
    childList: true,
    attributes: true,
    characterData: true,
  });
  addEventListener('load', lookSoon, true);
  document.fonts.addEventListener('loadingdone', lookSoon);
  Object.assign(globalThis, { movedTouchables: moved, lookAtTouchables: look });
}
const moved = (page: Page) =>
  page.evaluate(() => {
    const followed = globalThis as unknown as {
      movedTouchables: string[];
      lookAtTouchables: () => void;
    };
    followed.lookAtTouchables();
    return followed.movedTouchables;
  });

test('what moves is found: buttons and links that go down by a line', async ({ house }) => {
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  await page.addInitScript(followTouchables);
  await page.goto('/book');
  await house.expectDrawn();
  await expect.poll(async () => (await moved(page)).length).toBe(0);
  await page.evaluate(() => {
    const main = document.querySelector('main');
    if (main) main.style.paddingTop = '40px';
  });
  await expect.poll(async () => (await moved(page)).length).toBeGreaterThan(0);
});

for (const [width, height, order] of [
  [390, 844, 'drawn'],
  [820, 1180, 'last'],
] as const) {
  test(`every page at ${width}: nothing lies beyond the edge, nothing moves once it is drawn`, async ({
    house,
  }) => {
    test.slow();
    const { page } = house;
    await house.signIn(PEOPLE.lead);
    await page.setViewportSize({ width, height });
    const paths = await pagesOf(page);
    await page.addInitScript(followTouchables);
    await page.addInitScript(answerOneByOne, { order, apart: APART_MS });
    for (const path of paths) {
      // Bar and start have been seen empty; every other place has the vessels of a full bar at its edge.
      if (path === '/book') await new BarDriver(page).fill();
      await page.goto(path);
      await house.expectDrawn();
      await expect
        .poll(async () => ({ path, out: await outside(page) }))
        .toEqual({ path, out: [] });
      await allAnswered(page);
      expect.soft({ path, moved: await moved(page) }).toEqual({ path, moved: [] });
    }
  });
}

test('on a phone, leaf and start button of a brew, and the Brew button of a tea, are in reach at once', async ({
  house,
}) => {
  const { page } = house;
  const bar = new BarDriver(page);
  await house.signIn(PEOPLE.brewer);
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/start');
  await bar.expectInReach(/\d g .* in \d+ ml, \d+ °C, \d:\d\d/);
  await house.expectInSight('button', /^Water on: start/);
  // It stays there while the shelves are looked through, and starts the brew.
  await page.mouse.move(195, 400);
  await page.mouse.wheel(0, 900);
  await house.expectInSight('button', /^Water on: start/);
  await house.press(/^Water on: start/);
  await expect(page).toHaveURL(/\/$/);
  await bar.expectPlaces(0);
  await page.goto('/book');
  await house.follow(/Tolvane Amber/);
  await house.expectInSight('button', /^Brew/);
});
