import { PassThrough, Readable, Transform } from 'node:stream';
// @ts-expect-error -- plain JavaScript of the scripts
import { passOn } from '../scripts/lib/backup.mjs';

const plain = () => new Transform({ transform: (bytes, _encoding, done) => done(null, bytes) });

test('what a slow packer has not taken yet is in the file before its last line', async () => {
  const parts = Array.from({ length: 60 }, (_, i) => Buffer.alloc(16_384, i));
  const to = new PassThrough();
  const taken: Buffer[] = [];
  const reading = (async () => {
    for await (const bytes of to) {
      taken.push(bytes as Buffer);
      await new Promise((r) => setTimeout(r, 2));
    }
  })();
  await passOn(Readable.from(parts), plain(), to);
  to.end('last line');
  await reading;
  expect(Buffer.concat(taken).toString('latin1')).toBe(
    `${Buffer.concat(parts).toString('latin1')}last line`,
  );
});
