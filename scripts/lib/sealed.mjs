// A file under a passphrase: one line that says how it was sealed, then AES-256-GCM, then the tag that shows a change.
// The key is made of the passphrase by scrypt (RFC 7914).
import { createCipheriv, createDecipheriv, randomBytes, scrypt } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { open, stat } from 'node:fs/promises';
import { PassThrough, Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';

export const WRONG_PASSPHRASE = 'The passphrase is another one, or the file was changed.';
const FORMAT = 'limnos-sealed';
const VERSION = 1;
const TAG_BYTES = 16;
/** N as OWASP's password storage sheet has it for scrypt, 2026: 2^17, 128 MiB while the key is made. */
const COST = { N: 131_072, r: 8, p: 1, maxmem: 256 * 1024 * 1024 };
/** The longest first line that is read. */
const HEAD_BYTES = 400;

const keyOf = (passphrase, salt, cost) =>
  new Promise((resolve, reject) =>
    scrypt(passphrase, salt, 32, { ...COST, ...cost }, (error, key) =>
      error ? reject(error) : resolve(key),
    ),
  );

/** Writes a stream to a file that only its owner reads; sealed when there is a passphrase. */
export async function writeSealed(from, file, passphrase) {
  const to = createWriteStream(file, { mode: 0o600 });
  if (!passphrase) return pipeline(from, to);
  const salt = randomBytes(16);
  const iv = randomBytes(12);
  const { N, r, p } = COST;
  const head = {
    format: FORMAT,
    version: VERSION,
    salt: salt.toString('base64'),
    iv: iv.toString('base64'),
    N,
    r,
    p,
  };
  to.write(`${JSON.stringify(head)}\n`);
  const cipher = createCipheriv('aes-256-gcm', await keyOf(passphrase, salt, {}), iv);
  const tagged = new Transform({
    transform: (bytes, _encoding, done) => done(null, bytes),
    flush: (done) => done(null, cipher.getAuthTag()),
  });
  return pipeline(from, cipher, tagged, to);
}

/** How a file was sealed; null when it was not. */
export async function sealOf(file) {
  const handle = await open(file);
  try {
    const { buffer, bytesRead } = await handle.read(Buffer.alloc(HEAD_BYTES), 0, HEAD_BYTES, 0);
    const line = buffer.subarray(0, bytesRead).toString('latin1').split('\n')[0];
    if (!line.startsWith(`{"format":"${FORMAT}"`)) return null;
    return { ...JSON.parse(line), length: line.length + 1 };
  } finally {
    await handle.close();
  }
}

/**
 * Reads what `writeSealed` wrote. A changed file, or another passphrase, fails at its end at the latest: what was read
 * until then must not be used.
 * @throws in words when a passphrase is needed and none is given
 */
export async function readSealed(file, passphrase) {
  const seal = await sealOf(file);
  if (!seal) return createReadStream(file);
  if (seal.version !== VERSION)
    throw new Error('It was made by a newer Limnos: bring this program up to date first.');
  if (!passphrase) throw new Error(`${file} is under a passphrase: set LIMNOS_BACKUP_PASSPHRASE.`);
  const { size } = await stat(file);
  const handle = await open(file);
  const tag = Buffer.alloc(TAG_BYTES);
  await handle.read(tag, 0, TAG_BYTES, size - TAG_BYTES);
  await handle.close();
  const { N, r, p } = seal;
  const key = await keyOf(passphrase, Buffer.from(seal.salt, 'base64'), { N, r, p });
  const decipher = createDecipheriv('aes-256-gcm', key, Buffer.from(seal.iv, 'base64'));
  decipher.setAuthTag(tag);
  const out = new PassThrough();
  const end = size - TAG_BYTES - 1;
  const source =
    end < seal.length ? Readable.from([]) : createReadStream(file, { start: seal.length, end });
  source.once('error', (error) => out.destroy(error));
  decipher.once('error', () => out.destroy(new Error(WRONG_PASSPHRASE)));
  // Whoever has read enough lets the file go.
  out.once('close', () => source.destroy());
  source.pipe(decipher).pipe(out);
  return out;
}
