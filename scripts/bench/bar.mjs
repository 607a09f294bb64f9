// npm run bench:bar: the bar in the page, with twelve vessels running. Touch to drawn effect and long tasks at a 4x
// slower processor, work while idle, first load, and how far the shown time is from the server's. Load and touch are
// measured in turn with a bare page of the same React, router and store: machines differ, ratios less. Prints JSON.
import { fork } from 'node:child_process';
import { join } from 'node:path';
import { barRoute } from '../lib/bundle.mjs';
import { openChromium } from '../lib/chromium.mjs';
import { needVessels, openHouse, percentile, round, signIn, startBody } from '../lib/house.mjs';
import { cleanEnv, ROOT } from '../lib/prepare.mjs';
import { serveBarePage } from './barePage.mjs';

process.env.LIMNOS_SAY = 'stderr';
const house = await openHouse({ days: 3, name: 'limnos_bar' });
const server = await house.serve();
const me = await signIn(server.address);
const TEAS = me.teas.filter((t) => t.house && t.method === 'pot');
async function fillBar(caller, ago = (i) => 20 + i * 9) {
  const vessels = (await needVessels(caller, 20)).filter((v) => v.kind === 'pot').slice(0, 12);
  const ids = [];
  for (const [i, v] of vessels.entries()) {
    // Of a whole second, as a page starts them.
    const at = (Math.floor(Date.now() / 1000) - ago(i)) * 1000;
    const body = startBody(caller, TEAS[i], v, { place: i + 1, at });
    if ((await caller.post('/api/brews', body)).ok) ids.push(body.id);
  }
  return ids;
}
await fillBar(me);
const browser = await openChromium();
const open = async (address, slow = 1, script) => {
  const context = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    baseURL: address,
    serviceWorkers: 'block',
  });
  const [name, value] = me.headers.cookie.split('=');
  await context.addCookies([{ name, value, url: address }]);
  const page = await context.newPage();
  // As on a tablet somebody is signed in on; nothing else is kept there yet.
  await page.addInitScript(() => localStorage.setItem('limnos.signedIn', '1'));
  if (script) await page.addInitScript(script);
  const cdp = await context.newCDPSession(page);
  await cdp.send('Performance.enable');
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: slow });
  return { context, page, cdp };
};
const out = {
  bench: 'bar',
  route: { jsGzipBytes: barRoute(join(ROOT, 'dist/web')).bytes, wanted: 200_000 },
};

const bare = await serveBarePage();
const MEDIAN = 0.5;

// First load, signed in, 4x slower: the bar and the bare page in turn.
const WATCH_LOAD = () => {
  window.found = { lcp: 0, cls: 0, blocked: 0 };
  new PerformanceObserver((l) => {
    for (const e of l.getEntries()) window.found.lcp = e.startTime;
  }).observe({ type: 'largest-contentful-paint', buffered: true });
  new PerformanceObserver((l) => {
    for (const e of l.getEntries()) if (!e.hadRecentInput) window.found.cls += e.value;
  }).observe({ type: 'layout-shift', buffered: true });
  new PerformanceObserver((l) => {
    for (const e of l.getEntries()) window.found.blocked += Math.max(0, e.duration - 50);
  }).observe({ type: 'longtask', buffered: true });
};
async function loadOf(address, ready) {
  const { context, page } = await open(address, 4, WATCH_LOAD);
  await page.goto('/');
  await ready(page);
  await page.waitForTimeout(2500);
  const found = await page.evaluate(() => window.found);
  await context.close();
  return found;
}
const barReady = (page) => page.locator('.under').nth(11).waitFor();
const bareReady = (page) => page.getByRole('button').waitFor();
const loads = { bar: [], bare: [] };
for (let i = 0; i < 5; i++) {
  loads.bar.push(await loadOf(server.address, barReady));
  loads.bare.push(await loadOf(bare.address, bareReady));
}
const medianOf = (of, k) =>
  percentile(
    loads[of].map((l) => l[k]),
    MEDIAN,
  );
const ratio = (k) => round(medianOf('bar', k) / medianOf('bare', k), 2);
out.firstLoad = {
  lcpMs: round(medianOf('bar', 'lcp')),
  lcpTimesBare: ratio('lcp'),
  wantedLcpTimesBare: 2.2,
  blockedMs: round(medianOf('bar', 'blocked')),
  blockedTimesBare: ratio('blocked'),
  wantedBlockedTimesBare: 2,
  cls: round(medianOf('bar', 'cls'), 3),
  wantedCls: 0.02,
  bare: { lcpMs: round(medianOf('bare', 'lcp')), blockedMs: round(medianOf('bare', 'blocked')) },
  slow: '4x',
  runs: loads.bar.length,
};

// Touch to drawn effect.
const WATCH_TOUCHES = () => {
  window.took = [];
  window.long = [];
  new PerformanceObserver((l) => {
    for (const e of l.getEntries())
      if (e.interactionId && (e.name === 'pointerup' || e.name === 'click' || e.name === 'keydown'))
        window.took.push({ touch: e.interactionId, ms: e.duration });
  }).observe({ type: 'event', durationThreshold: 16, buffered: true });
  new PerformanceObserver((l) => {
    for (const e of l.getEntries()) window.long.push(e.duration);
  }).observe({ type: 'longtask', buffered: false });
};
/** How long each touch took, ms. One touch is several events: the longest of them is the touch. */
async function touchesOf(page, touches) {
  const took = Object.values(
    await page.evaluate(() =>
      window.took.reduce((by, t) => ({ ...by, [t.touch]: Math.max(by[t.touch] ?? 0, t.ms) }), {}),
    ),
  );
  // An act under 16 ms is not reported: it counts as 16.
  return [...took, ...Array.from({ length: Math.max(0, touches - took.length) }, () => 16)];
}
async function bareTouches() {
  const { context, page } = await open(bare.address, 4, WATCH_TOUCHES);
  await page.goto('/');
  await bareReady(page);
  await page.waitForTimeout(2000);
  const touches = 40;
  for (let i = 0; i < touches; i++) {
    await page.getByRole('button').click();
    await page.waitForTimeout(300);
  }
  const ms = await touchesOf(page, touches);
  await context.close();
  return ms;
}
const bareMs = await bareTouches();
{
  const { context, page } = await open(server.address, 4, WATCH_TOUCHES);
  await page.goto('/');
  await page.locator('.under').nth(11).waitFor();
  await page.waitForTimeout(4000);
  await page.evaluate(() => {
    window.took = [];
    window.long = [];
  });
  // What hands do: pull, take back, pick by key. Each is measured by the browser itself, from the touch to the next
  // paint.
  let touches = 0;
  // By the place on the screen: the driver's own looking for a button runs in the page, and would be counted.
  const middle = async (locator) => {
    const r = await locator.boundingBox();
    return [r.x + r.width / 2, r.y + r.height / 2];
  };
  const touch = async (locator) => {
    const at = await middle(locator);
    await page.waitForTimeout(150);
    await page.mouse.click(at[0], at[1]);
    await page.waitForTimeout(350);
  };
  // Three rounds over the twelve: one touch that meets something else is not the twentieth of so few.
  for (let round = 0; round < 3; round++)
    for (let i = 0; i < 12; i++) {
      await touch(page.locator('.under').nth(i).locator('.act .btn').first());
      await touch(page.locator('.toast button', { hasText: 'Undo' }).last());
      await page.keyboard.press(['1', '2', '3', '4', '5', '6', '7', '8', '9', '0', '-', '='][i]);
      await page.waitForTimeout(250);
      touches += 3;
    }
  const ms = await touchesOf(page, touches);
  await page.evaluate(() => {
    window.long = [];
  });
  await page.waitForTimeout(20_000);
  const long = await page.evaluate(() => window.long);
  out.touch = {
    touches,
    p50: percentile(ms, 0.5),
    p95: percentile(ms, 0.95),
    most: Math.max(...ms),
    bareP95: percentile(bareMs, 0.95),
    p95TimesBare: round(percentile(ms, 0.95) / percentile(bareMs, 0.95), 2),
    wantedP95TimesBare: 2,
    slow: '4x',
  };
  out.longTasksOver100msIn20s = {
    n: long.filter((d) => d > 100).length,
    longest: long.length ? Math.max(...long) : 0,
    wanted: 0,
    slow: '4x',
  };
  await context.close();
}

// Work while idle, at full speed.
{
  const { context, page, cdp } = await open(server.address);
  await page.goto('/');
  await page.locator('.under').nth(11).waitFor();
  await page.waitForTimeout(4000);
  const task = async () =>
    (await cdp.send('Performance.getMetrics')).metrics.find((m) => m.name === 'TaskDuration').value;
  const from = await task();
  await page.waitForTimeout(20_000);
  out.idle = {
    percentOfACore: round((((await task()) - from) / 20) * 100, 2),
    wanted: 3,
    vessels: 12,
  };
  await context.close();
}

// Shown time against the server's: the instants at which figures change, on the script's own clock, which is the
// server's.
async function timerErrors(
  name,
  { page, place = 1, waterOn, best, latest, seconds = 6, offset = 0 },
) {
  const sync = [];
  for (let i = 0; i < 7; i++) {
    const a = Date.now();
    const p = await page.evaluate(() => performance.timeOrigin * 0 + window.realNow());
    const b = Date.now();
    sync.push({ lag: b - a, shift: (a + b) / 2 - p });
  }
  const shift = sync.sort((a, b) => a.lag - b.lag)[0].shift;
  const flips = await page.evaluate(
    ({ place, ms }) =>
      new Promise((done) => {
        const el = document.querySelector(`.under[data-place="${place}"] .plate b`);
        const list = [];
        const watch = new MutationObserver(() =>
          list.push({ at: window.realNow(), text: el.textContent }),
        );
        watch.observe(el, { childList: true, characterData: true, subtree: true });
        setTimeout(() => {
          watch.disconnect();
          done(list);
        }, ms);
      }),
    { place, ms: seconds * 1000 },
  );
  const errors = flips.flatMap(({ at, text }) => {
    const late = text.startsWith('+');
    const m = /(\d+):(\d+)(?:\s*h)?$/.exec(text.replace('+', ''));
    if (!m) return [];
    const shown = /h$/.test(text)
      ? Number(m[1]) * 3600 + Number(m[2]) * 60
      : Number(m[1]) * 60 + Number(m[2]);
    const elapsed = (at + shift + offset - waterOn) / 1000;
    // Left is rounded up, lateness down: a figure comes when its second begins.
    // At latest itself the count begins anew: whichever of the two is shown is meant.
    return [
      Math.min(
        ...(late ? [best + shown, latest + shown] : [best - shown]).map((due) =>
          Math.abs(elapsed - due),
        ),
      ),
    ];
  });
  return { name, changes: errors.length, worst: round(Math.max(...errors), 3), wanted: 0.1 };
}
const REAL = () => {
  const t = performance.now.bind(performance);
  const origin = performance.timeOrigin;
  window.realNow = () => origin + t();
};
const bar = await me.get('/api/bar');
const one = bar.brews.find((b) => b.place === 12);
const facts = {
  place: 12,
  waterOn: one.state.waterOn,
  best: one.plan.recipe.window.best,
  latest: one.plan.recipe.window.latest,
};
out.timer = [];
{
  const a = await open(server.address, 1, REAL);
  await a.page.goto('/');
  await a.page.locator('.under').nth(11).waitFor();
  await a.page.waitForTimeout(1500);
  out.timer.push(await timerErrors('as it is', { page: a.page, ...facts }));
  await a.page.reload();
  await a.page.locator('.under').nth(11).waitFor();
  await a.page.waitForTimeout(1500);
  out.timer.push(await timerErrors('after a reload', { page: a.page, ...facts }));
  await a.cdp.send('Emulation.setCPUThrottlingRate', { rate: 6 });
  out.timer.push(await timerErrors('6x slower tab', { page: a.page, ...facts }));
  await a.context.close();
  const moved = await open(server.address, 1, () => {
    const t = performance.now.bind(performance);
    const o = performance.timeOrigin;
    window.realNow = () => o + t();
    const d = Date.now;
    Date.now = () => d() + 7 * 60_000;
  });
  await moved.page.goto('/');
  await moved.page.locator('.under').nth(11).waitFor();
  await moved.page.waitForTimeout(1500);
  out.timer.push(await timerErrors('device clock 7 min ahead', { page: moved.page, ...facts }));
  await moved.context.close();
}
// An hour of sleep: the server's and the wall clock go on by an hour, the page's steady counter does not.
{
  const child = fork(join(ROOT, 'dist/server/main.mjs'), {
    cwd: ROOT,
    execArgv: ['--import', join(ROOT, 'scripts/lib/laterClock.mjs')],
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    env: cleanEnv({
      DATABASE_URL: house.database.url(house.name),
      PORT: '0',
      LIMNOS_SEED: 'demo',
      LIMNOS_DEMO_DAYS: '3',
      LOG_LEVEL: 'silent',
    }),
  });
  const { port } = await new Promise((r) => child.once('message', r));
  const address = `http://127.0.0.1:${port}`;
  const s = await open(address, 1, () => {
    const t = performance.now.bind(performance);
    const o = performance.timeOrigin;
    window.realNow = () => o + t();
    const d = Date.now;
    let ahead = 0;
    Date.now = () => d() + ahead;
    window.sleepAnHour = () => {
      ahead += 3_600_000;
    };
  });
  await s.page.goto('/');
  await s.page.locator('.under').nth(11).waitFor();
  await s.page.waitForTimeout(1500);
  // No answer of the server may mend it: the page has to know by itself.
  await s.context.setOffline(true);
  child.kill('SIGUSR2');
  await s.page.evaluate(() => window.sleepAnHour());
  await s.page.waitForTimeout(1200);
  const slept = await s.page.locator('.under[data-place="12"] .plate b').textContent();
  const elapsed = (Date.now() + 3_600_000 - facts.waterOn) / 1000 - facts.latest;
  const m = /(\d+):(\d+)/.exec(slept);
  out.timer.push({
    name: 'after an hour of sleep, without the server',
    shown: slept,
    dueSeconds: round(elapsed),
    offSeconds:
      m === null
        ? null
        : round(Math.abs(Number(m[1]) * 60 + Number(m[2]) - Math.floor(elapsed)), 0),
    said: 'read within a second',
  });
  child.kill('SIGTERM');
  await s.context.close();
}
console.log(JSON.stringify(out, null, 2));
await browser.close();
bare.close();
await house.close();
