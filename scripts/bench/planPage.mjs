// npm run bench:plan-page: the plan in the page. From a typed figure to the first plan drawn, and to the last word of
// the planner, with 14 pitchers, 6 teas and 42 services. Prints JSON.
import { v7 } from 'uuid';
import { openChromium } from '../lib/chromium.mjs';
import { openHouse, percentile, round, signIn } from '../lib/house.mjs';

process.env.LIMNOS_SAY = 'stderr';
const [PITCHERS, TEAS, TYPED] = [14, 6, 24];
const house = await openHouse({ name: 'limnos_plan' });
const server = await house.serve();
const me = await signIn(server.address);

const change = async (path, body) => {
  const answer = await me.post(path, body, 'PATCH');
  if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`);
};
const pitchers = (await me.get('/api/vessels')).vessels.filter(
  (v) => v.siteId === me.site.id && v.kind === 'pitcher' && !v.retired,
);
const { id: _id, rev: _rev, retired: _retired, ...facts } = pitchers[0];
for (let i = pitchers.length; i < PITCHERS; i++)
  await me.post('/api/vessels', { ...facts, name: `Bench pitcher ${i}`, id: v7() });

const { sites } = (await me.get('/api/house')).session;
const { id: siteId, rev, ...site } = sites.find((s) => s.id === me.site.id);
const services = [10, 12, 14, 16, 18, 20].map((h) => [`${h}:00`, `${h + 2}:00`]);
const everyDay = (day) => Array.from({ length: 7 }, () => day);
await change(`/api/sites/${siteId}`, {
  ...site,
  rev,
  hours: {
    zone: 'Europe/London',
    open: everyDay([['08:00', '22:30']]),
    preferred: everyDay([
      ['08:00', '10:00'],
      ['14:30', '16:00'],
      ['21:00', '22:30'],
    ]),
    services: everyDay(services),
  },
});
const cold = me.teas.flatMap((tea) =>
  tea.recipes.filter((r) => r.house && r.method === 'fridge').map(({ house: v }) => ({ tea, v })),
);
const teaIds = cold.map((c) => c.tea.id);
for (let i = teaIds.length; i < TEAS; i++) {
  const { tea, v } = cold[i % cold.length];
  const id = v7();
  const made = await me.post('/api/teas', {
    ...{ id, versionId: v7(), name: `Bench tea ${i}`, style: tea.style, method: 'fridge' },
    ...{ words: '', allergens: '', note: '', blend: '', packet: '', caffeine: '', cautions: '' },
    ...{ leaf: { form: null, season: null, traits: [] }, colour: null },
    ...{ spoon: tea.spoon, weighing: tea.weighing, recipe: v.recipe },
  });
  if (!made.ok) throw new Error(await made.text());
  teaIds.push(id);
}
const { plan } = await me.get('/api/cold/plan');
await change('/api/cold/plan', {
  rev: plan.rev,
  places: PITCHERS,
  batches: [],
  demand: teaIds.map((teaId) => ({
    teaId,
    method: 'fridge',
    glass: 220,
    week: everyDay([1, 1, 1, 1, 1, 0]),
    days: {},
  })),
});

const browser = await openChromium();
const context = await browser.newContext({
  viewport: { width: 1280, height: 800 },
  locale: 'en-GB',
  baseURL: server.address,
  serviceWorkers: 'block',
});
const [name, value] = me.headers.cookie.split('=');
await context.addCookies([{ name, value, url: server.address }]);
const page = await context.newPage();
await page.goto('/cold/plan');
const isDone = () =>
  !document.querySelector('[aria-label="The plan"] [role=status]')?.textContent?.match(/Looking/);
await page.locator('[aria-label="The plan"] .facts').waitFor();
await page.waitForFunction(isDone);

/** Types a figure in the first box, and waits until the plan of it is drawn: how long, and to the planner's last word. */
const typed = (glasses) =>
  page.evaluate(
    (text) =>
      new Promise((resolve) => {
        const part = document.querySelector('[aria-label="The plan"]');
        // Of the day after tomorrow: what is typed for today may be over already.
        const box = document.querySelectorAll('input.glasses')[2];
        const wanted = () => part.querySelector('.facts span')?.textContent ?? '';
        const before = wanted();
        const setValue = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;
        setValue.call(box, text);
        box.dispatchEvent(new Event('input', { bubbles: true }));
        requestAnimationFrame(() => {
          const began = performance.now();
          let first = null;
          const look = () => {
            if (first === null && wanted() !== before) first = performance.now() - began;
            const isLooking = part.querySelector('[role=status]')?.textContent?.match(/Looking/);
            if (first !== null && !isLooking) {
              resolve({ first, last: performance.now() - began });
              return;
            }
            requestAnimationFrame(look);
          };
          box.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
          requestAnimationFrame(look);
        });
      }),
    String(glasses),
  );
const found = [];
for (let i = 0; i < TYPED; i++) found.push(await typed(5 + ((i + 1) % 3)));
const of = (what) => {
  // The first of them compile; what is meant is a page in use.
  const list = found.slice(4).map((f) => f[what]);
  return { median: round(percentile(list, 0.5), 0), worst: round(Math.max(...list), 0) };
};
console.log(
  JSON.stringify({ bench: 'plan-page', firstMs: of('first'), lastMs: of('last') }, null, 1),
);
await browser.close();
await house.close();
