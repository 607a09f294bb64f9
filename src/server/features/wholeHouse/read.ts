import { createInterface } from 'node:readline';
import type { Readable } from 'node:stream';
import { Ajv2020, type ValidateFunction } from 'ajv/dist/2020.js';
import { type Entry, openPromise, type ZipFile } from 'yauzl';
import { invalid } from '../../http/errors';
import { MANIFEST, Manifest, recordsOf } from './manifest';
import type { Row } from './rows';
import { rowSchema } from './schemas';
import { type Table, TABLES } from './tables';

/** A picture is never larger than the database takes. */
const MOST_PICTURE_BYTES = 16_777_215;
const NO_HOUSE = 'This is no house that Limnos has taken out.';
const refuse = (why: string) => invalid({ file: why });

/** A file that holds a whole house, opened to be read; nothing of it is believed yet. */
export class HouseFile {
  private constructor(
    private readonly zip: ZipFile,
    private readonly entries: ReadonlyMap<string, Entry>,
    readonly manifest: Manifest,
  ) {}

  /** @throws in words when it is none, is of another version, or lacks a file */
  static async open(path: string, migrations: number): Promise<HouseFile> {
    const zip = await openPromise(path, { lazyEntries: true, autoClose: false }).catch(() => {
      throw refuse(NO_HOUSE);
    });
    try {
      const entries = new Map<string, Entry>();
      for await (const entry of zip.eachEntry()) entries.set(entry.fileName, entry);
      const manifest = await readManifest(zip, entries.get(MANIFEST));
      if (manifest.migrations !== migrations)
        throw refuse(
          manifest.migrations > migrations
            ? 'It was made by a newer Limnos: bring this program up to date first.'
            : 'It was made by an older Limnos: bring that house up to date first, then take it out again.',
        );
      const lacking = TABLES.find((t) => !entries.has(recordsOf(t.name)));
      if (lacking) throw refuse(`${recordsOf(lacking.name)} is not in the file.`);
      return new HouseFile(zip, entries, manifest);
    } catch (error) {
      zip.close();
      throw error;
    }
  }
  close(): void {
    this.zip.close();
  }
  /** The rows of a table in their order. @throws with file and line at what is not as its schema says */
  async *rowsOf(table: Table): AsyncGenerator<{ row: Row; line: number }> {
    const file = recordsOf(table.name);
    const valid = validatorOf(table);
    const input = await this.stream(file);
    const lines = createInterface({ input, crlfDelay: Infinity });
    // What breaks the stream would leave the lines waiting.
    let broken: unknown = null;
    input.once('error', (error) => {
      broken = error;
      lines.close();
    });
    let line = 0;
    for await (const text of lines) {
      line += 1;
      if (text.trim() !== '') yield { row: rowOf(text, valid, `${file}, line ${line}`), line };
    }
    if (broken) throw refuse(`${file} is damaged.`);
  }
  /** @throws when it is not there, or too large */
  async picture(name: string): Promise<Buffer> {
    const entry = this.entries.get(name);
    if (!entry) throw refuse(`The picture ${name} is not in the file.`);
    if (entry.uncompressedSize > MOST_PICTURE_BYTES) throw refuse(`${name} is too large.`);
    const parts: Buffer[] = [];
    for await (const part of await this.stream(name)) parts.push(part as Buffer);
    return Buffer.concat(parts);
  }
  private stream(name: string): Promise<Readable> {
    return this.zip.openReadStreamPromise(this.entries.get(name) as Entry);
  }
}

async function readManifest(zip: ZipFile, entry: Entry | undefined): Promise<Manifest> {
  if (!entry || entry.uncompressedSize > 1_000_000) throw refuse(NO_HOUSE);
  let text = '';
  for await (const part of await zip.openReadStreamPromise(entry)) text += String(part);
  const read = Manifest.safeParse(parsed(text));
  if (!read.success) throw refuse(NO_HOUSE);
  return read.data;
}
function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

const ajv = new Ajv2020({ strict: true });
const validators = new Map<string, ValidateFunction>();
function validatorOf(table: Table): ValidateFunction {
  const made = validators.get(table.name) ?? ajv.compile(rowSchema(table));
  validators.set(table.name, made);
  return made;
}
function rowOf(text: string, valid: ValidateFunction, where: string): Row {
  const row = parsed(text);
  if (row === undefined) throw refuse(`${where}: this is no JSON.`);
  if (valid(row)) return row as Row;
  const [fault] = valid.errors ?? [];
  throw refuse(
    `${where}: ${fault?.instancePath.slice(1) || 'the record'} ${fault?.message ?? ''}.`,
  );
}
