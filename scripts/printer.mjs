// npm run printer -- [port] [folder]: a simulated label printer for practice: listens on 9100, takes ZPL and ESC/POS, and
// draws each label as a picture into the folder (.data/printed), saying what stands on it.
import { mkdirSync } from 'node:fs';
import { createServer } from 'node:net';
import { join, resolve } from 'node:path';
import sharp from 'sharp';
import { labelsOf } from './lib/drawnLabel.mjs';
import { ROOT } from './lib/prepare.mjs';
import { say } from './lib/say.mjs';

const [port = '9100', given] = process.argv.slice(2);
const folder = given ? resolve(given) : join(ROOT, '.data/printed');
/** More than this is no label. */
const MOST_BYTES = 1_000_000;
mkdirSync(folder, { recursive: true });
let drawn = 0;

async function draw(bytes) {
  const labels = labelsOf(bytes);
  if (labels.length === 0) say('That was no label.');
  for (const { svg, words, copies } of labels) {
    drawn += 1;
    const file = join(folder, `label-${String(drawn).padStart(3, '0')}.png`);
    await sharp(Buffer.from(svg)).png().toFile(file);
    say(`${file}${copies > 1 ? `, ${copies} times` : ''}\n  ${words.join('\n  ')}`);
  }
}
createServer((socket) => {
  const parts = [];
  let size = 0;
  socket.on('data', (d) => {
    size += d.length;
    if (size > MOST_BYTES) socket.destroy();
    else parts.push(d);
  });
  socket.on('end', () => void draw(Buffer.concat(parts)).catch((e) => say(e.message)));
  socket.on('error', () => undefined);
}).listen(Number(port), '127.0.0.1', () =>
  say(
    `A simulated label printer listens on 127.0.0.1:${port}. Labels go to ${folder}. Ctrl-C stops it.`,
  ),
);
