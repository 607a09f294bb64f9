// npm run till -- <address> <key> [secret]: a made-up till, for practice and to show how a real one is joined. It reads
// the book, puts an order every half minute and says what becomes of them. With the secret of its key it listens on
// port 8139 for messages (give http://127.0.0.1:8139/ready as the program's address) and checks their signature.
import { createHmac, timingSafeEqual } from 'node:crypto';
import { createServer } from 'node:http';
import { v7 } from 'uuid';
import { giveUp, say } from './lib/say.mjs';

const PORT = 8139;
const EVERY_MS = 30_000;
/** A message whose signature is older than this is somebody's who has listened. */
const OLD_MS = 300_000;
const [address, key, secret = ''] = process.argv.slice(2);
if (!address || !key) giveUp('Which house? npm run till -- http://127.0.0.1:8137 <key> [secret]');

async function ask(path, body) {
  const answer = await fetch(`${address}/api/program/${path}`, {
    method: body ? 'POST' : 'GET',
    headers: { authorization: `Bearer ${key}`, 'content-type': 'application/json' },
    body: body && JSON.stringify(body),
  });
  const told = await answer.json();
  if (!answer.ok) throw new Error(told.message);
  return told;
}
/** True when the house sent it, and not long ago. */
function isSigned(header, body, now) {
  const [, at, mark] = /^t=(\d+),v1=([0-9a-f]{64})$/.exec(header ?? '') ?? [];
  if (!at || Math.abs(now - Number(at)) > OLD_MS) return false;
  const own = createHmac('sha256', secret).update(`${at}.${body}`).digest();
  return timingSafeEqual(own, Buffer.from(mark, 'hex'));
}

const heard = new Set();
if (secret)
  createServer(async (req, res) => {
    let body = '';
    for await (const part of req) body += part;
    if (!isSigned(req.headers['limnos-signature'], body, Date.now()))
      return res.writeHead(401).end();
    const { id, order } = JSON.parse(body);
    // A message may come twice: its id says that it is the same.
    if (!heard.has(id)) say(`Ready: ${order.forWhom}`);
    heard.add(id);
    return res.writeHead(204).end();
  }).listen(PORT, '127.0.0.1', () => say(`Listens on http://127.0.0.1:${PORT}/ready`));

const { teas } = await ask('book').catch((error) => giveUp(error.message));
let n = 0;
async function order() {
  n += 1;
  const tea = teas[Math.floor(Math.random() * teas.length)];
  const put = await ask('orders', { id: v7(), teaId: tea.id, forWhom: `ticket ${n}` });
  say(`${put.forWhom}: ${tea.name}, ${put.state}`);
  if (!secret)
    for (const o of (await ask('orders')).orders.filter((o) => o.state === 'ready'))
      if (!heard.has(o.id) && heard.add(o.id)) say(`Ready: ${o.forWhom}`);
}
await order();
setInterval(() => order().catch((error) => say(error.message)), EVERY_MS);
