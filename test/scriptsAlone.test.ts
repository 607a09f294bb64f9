import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
// @ts-expect-error -- plain JavaScript of the backup command
import { onlyOne } from '../scripts/lib/onlyOne.mjs';
// @ts-expect-error -- plain JavaScript of the backup command
import { readSealed, sealOf, writeSealed } from '../scripts/lib/sealed.mjs';

const folder = mkdtempSync(join(tmpdir(), 'limnos-alone-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe('one script at a time', () => {
  const place = join(folder, '.running');
  test('the second finds it taken; what a dead one left is taken over', () => {
    writeFileSync(place, '999999999');
    const leave = onlyOne(place) as () => void;
    expect(readFileSync(place, 'utf8')).toBe(String(process.pid));
    leave();
    expect(existsSync(place)).toBe(false);
  });
  test('a live script keeps its place', async () => {
    const script = join(folder, 'scripts');
    const child = spawn(process.execPath, [
      '-e',
      'setInterval(() => {}, 1000); console.log("runs")',
      `${script}/other.mjs`,
    ]);
    await new Promise((r) => child.stdout.once('data', r));
    writeFileSync(place, String(child.pid));
    expect(onlyOne(place)).toBeNull();
    child.kill();
    await new Promise((r) => child.once('exit', r));
    expect(onlyOne(place)).not.toBeNull();
  });
});

describe('under a passphrase', () => {
  const file = join(folder, 'sealed');
  const read = async (passphrase: string): Promise<string> => {
    let text = '';
    for await (const part of (await readSealed(file, passphrase)) as Readable)
      text += (part as Buffer).toString('utf8');
    return text;
  };
  test.each([0, 1, 15, 16, 17, 100_000])('%d letters come back as they were', async (n) => {
    const text = 'grüner Tee '.repeat(n).slice(0, n);
    await writeSealed(Readable.from([Buffer.from(text)]), file, 'nine quiet kettles');
    expect((await sealOf(file)).N).toBe(131_072);
    expect(await read('nine quiet kettles')).toBe(text);
  });
  test('the same text twice is not the same file', async () => {
    const write = async () => {
      await writeSealed(Readable.from([Buffer.from('same')]), file, 'nine quiet kettles');
      return readFileSync(file);
    };
    expect((await write()).equals(await write())).toBe(false);
  });
  test('any changed byte after the first line, and a shorter file, are refused', async () => {
    await writeSealed(Readable.from([Buffer.from('a house')]), file, 'nine quiet kettles');
    const bytes = readFileSync(file);
    const start = bytes.indexOf('\n') + 1;
    for (let i = start; i < bytes.length; i++) {
      const changed = Buffer.from(bytes);
      changed[i] = (changed[i] ?? 0) ^ 1;
      writeFileSync(file, changed);
      await expect(read('nine quiet kettles')).rejects.toThrow(
        /another one, or the file was changed/,
      );
    }
    writeFileSync(file, bytes.subarray(0, -1));
    await expect(read('nine quiet kettles')).rejects.toThrow(
      /another one, or the file was changed/,
    );
  });
  test('without a passphrase it is the plain stream', async () => {
    await writeSealed(Readable.from([Buffer.from('plain')]), file, '');
    expect(await sealOf(file)).toBeNull();
    expect(await read('')).toBe('plain');
  });
});
