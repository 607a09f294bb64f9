// The listening half of soak/live.mjs: so many clients on one event stream, each counting what it hears.
import http from 'node:http';

let clients = [];
/** A write is told with the instant the hand did it: the last mark of the brew that is told of. */
const instant = (data) => {
  const marks = /"marks":\[(.*?)\],"readings"/.exec(data)?.[1];
  return marks ? Number(/.*"at":(\d+)/.exec(marks)?.[1]) : NaN;
};
function listen({ address, cookie }, index) {
  const me = { seen: new Map(), delays: [], twice: 0 };
  http.get(`${address}/api/live`, { headers: { cookie }, agent: false }, (res) => {
    let text = '';
    res.setEncoding('utf8');
    res.on('data', (chunk) => {
      text += chunk;
      for (let end = text.indexOf('\n\n'); end >= 0; end = text.indexOf('\n\n')) {
        const block = text.slice(0, end);
        text = text.slice(end + 2);
        if (!block.startsWith('id: ') || !block.includes('event: brew')) continue;
        const id = Number(/^id: (\d+)/.exec(block)?.[1]);
        if (me.seen.has(id)) me.twice += 1;
        me.seen.set(id, true);
        // Every tenth client times it: the rest count.
        if (index % 10 === 0) {
          const at = instant(block);
          if (at) me.delays.push(Date.now() - at);
        }
      }
    });
  });
  return me;
}
process.on('message', (/** @type {any} */ m) => {
  if (m === 'tell') {
    const all = new Set(clients.flatMap((c) => [...c.seen.keys()]));
    const delays = clients.flatMap((c) => c.delays).sort((a, b) => a - b);
    const at = (p) => delays[Math.min(delays.length - 1, Math.floor(p * delays.length))];
    process.send({
      each: all.size,
      missing: clients.reduce((s, c) => s + (all.size - c.seen.size), 0),
      twice: clients.reduce((s, c) => s + c.twice, 0),
      delay: { p50: at(0.5), p95: at(0.95), p99: at(0.99), most: delays.at(-1) },
    });
  } else {
    clients = Array.from({ length: m.clients }, (_, i) => listen(m, i));
    setTimeout(() => process.send('ready'), 3000);
  }
});
