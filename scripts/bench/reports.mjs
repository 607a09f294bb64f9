// npm run bench:reports: twenty tea books and reports are asked for at once; how long does the bar wait for its own?
import { openHouse, percentile, round, signIn } from '../lib/house.mjs';
import { say } from '../lib/say.mjs';

const AT_ONCE = 20;
const house = await openHouse({ days: 21, name: 'limnos_bench' });
const { address } = await house.serve();
const lead = await signIn(address);
const file = async (path) => {
  const from = performance.now();
  const res = await fetch(address + path, { headers: lead.headers });
  const { byteLength } = await res.arrayBuffer();
  return { status: res.status, byteLength, ms: performance.now() - from };
};
const { tastings } = await lead.get(`/api/tastings?siteId=${lead.site.id}`);
const revealed = tastings.filter((t) => t.stage === 'revealed').map((t) => t.id);
const asked = Array.from({ length: AT_ONCE }, (_, i) =>
  i % 2 === 0
    ? `/api/print/book.pdf?size=${['a4', 'a5', 'a6'][i % 3]}`
    : `/api/tastings/${revealed[i % revealed.length]}/report.pdf`,
);
/** The bar asks again as soon as it is answered. */
async function bar(until) {
  const taken = [];
  while (!until.over) taken.push((await file(`/api/bar?siteId=${lead.site.id}`)).ms);
  return taken;
}
const quiet = [];
for (let i = 0; i < 50; i++) quiet.push((await file(`/api/bar?siteId=${lead.site.id}`)).ms);
const until = { over: false };
const waits = bar(until);
const files = await Promise.all(asked.map(file));
until.over = true;
const loaded = await waits;
say(
  `bar alone: median ${round(percentile(quiet, 0.5))} ms, longest ${round(Math.max(...quiet))} ms`,
);
say(
  `bar while ${AT_ONCE} papers are made (${loaded.length} reads): median ${round(percentile(loaded, 0.5))} ms, 99 of 100 ${round(percentile(loaded, 0.99))} ms, longest ${round(Math.max(...loaded))} ms (wanted 150)`,
);
say(
  `papers: ${files.filter((f) => f.status === 200).length} of ${AT_ONCE} made, the last after ${round(Math.max(...files.map((f) => f.ms)) / 1000)} s`,
);
await house.close();
process.exit(0);
