import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { inflateSync } from 'node:zlib';

const FILES = {
  sans: 'encode-sans/files/encode-sans-latin-400-normal.woff',
  bold: 'encode-sans/files/encode-sans-latin-600-normal.woff',
  heavy: 'encode-sans/files/encode-sans-latin-700-normal.woff',
  book: 'brygada-1918/files/brygada-1918-latin-600-normal.woff',
} as const;
export type Face = keyof typeof FILES;

/** Bytes of the headers and of one entry of the list of tables (W3C, WOFF 1.0; ISO 14496-22). */
const PACKED = { signature: 0x774f4646, header: 44, entry: 20 } as const;
const PLAIN = { header: 12, entry: 16 } as const;
const padded = (length: number): number => (length + 3) & ~3;

/**
 * A font as it was before it was packed as WOFF 1.0. The PDF writer unpacks a WOFF font at every glyph that it sets, in
 * JavaScript, which takes a quarter of a second a paper; a plain font it reads as it is.
 */
export function unpackedFont(woff: Buffer): Buffer {
  if (woff.readUInt32BE(0) !== PACKED.signature) throw new Error('not a WOFF font');
  const count = woff.readUInt16BE(12);
  const tables = Array.from({ length: count }, (_, i) => {
    const at = PACKED.header + i * PACKED.entry;
    const offset = woff.readUInt32BE(at + 4);
    const packed = woff.subarray(offset, offset + woff.readUInt32BE(at + 8));
    const length = woff.readUInt32BE(at + 12);
    return {
      tag: woff.subarray(at, at + 4),
      checksum: woff.readUInt32BE(at + 16),
      bytes: packed.length < length ? inflateSync(packed) : packed,
    };
  });
  const headers = Buffer.alloc(PLAIN.header + count * PLAIN.entry);
  woff.copy(headers, 0, 4, 8);
  const power = Math.floor(Math.log2(count));
  headers.writeUInt16BE(count, 4);
  headers.writeUInt16BE(2 ** power * PLAIN.entry, 6);
  headers.writeUInt16BE(power, 8);
  headers.writeUInt16BE((count - 2 ** power) * PLAIN.entry, 10);
  let offset = headers.length;
  const parts: Buffer[] = [headers];
  tables.forEach(({ tag, checksum, bytes }, i) => {
    const at = PLAIN.header + i * PLAIN.entry;
    tag.copy(headers, at);
    headers.writeUInt32BE(checksum, at + 4);
    headers.writeUInt32BE(offset, at + 8);
    headers.writeUInt32BE(bytes.length, at + 12);
    parts.push(bytes, Buffer.alloc(padded(bytes.length) - bytes.length));
    offset += padded(bytes.length);
  });
  return Buffer.concat(parts);
}

let read: readonly (readonly [Face, Buffer])[] | null = null;
/** The fonts of the papers, which ship with the application. Read once a process. */
export const paperFonts = (): readonly (readonly [Face, Buffer])[] =>
  (read ??= (Object.keys(FILES) as Face[]).map((face) => [
    face,
    unpackedFont(readFileSync(join('node_modules', '@fontsource', FILES[face]))),
  ]));
