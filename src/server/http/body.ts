import express, { type Request, type RequestHandler, type Response } from 'express';
import { type Brings, MOST_BYTES } from '#contracts/endpoint';
import { AppError } from './errors';

/** Lists and objects within each other, at most: a record has six. */
export const DEEPEST = 24;
const [OPENS, CLOSES] = [new Set([...Buffer.from('[{')]), new Set([...Buffer.from(']}')])];
const [QUOTE, BACKSLASH] = Buffer.from('"\\');

/** How deep lists and objects stand within each other in JSON text, found without reading it. */
export function depthOf(json: Uint8Array): number {
  let [depth, deepest, quoted] = [0, 0, false];
  for (let i = 0; i < json.length; i++) {
    const byte = json[i] as number;
    if (quoted) {
      if (byte === BACKSLASH) i += 1;
      else if (byte === QUOTE) quoted = false;
    } else if (byte === QUOTE) quoted = true;
    else if (OPENS.has(byte)) deepest = Math.max(deepest, ++depth);
    else if (CLOSES.has(byte)) depth -= 1;
  }
  return deepest;
}
function refuseDeep(_req: unknown, _res: unknown, json: Buffer): void {
  if (depthOf(json) > DEEPEST)
    throw new AppError('input.invalid', 400, 'The request is nested too deeply.');
}
/** Half of a character, as a name cut in the middle of one ends with, cannot be kept: a mark stands for it. */
const wholeCharacters = (_key: string, value: unknown): unknown =>
  typeof value === 'string' ? value.toWellFormed() : value;

// Packed bodies are not taken: a few bytes can unpack to gigabytes, and our own page never sends any.
const json = (limit: number) =>
  express.json({ limit, inflate: false, verify: refuseDeep, reviver: wholeCharacters });
const bytes = (limit: number) => express.raw({ limit, inflate: false, type: () => true });
const READERS: Readonly<Record<Brings, RequestHandler>> = {
  open: json(MOST_BYTES.open),
  usual: json(MOST_BYTES.usual),
  book: json(MOST_BYTES.book),
  picture: bytes(MOST_BYTES.picture),
};

/** Reads the body of a request; called when it is known who sends it. @throws 4xx on what cannot be read */
export const readBody = (brings: Brings, req: Request, res: Response): Promise<void> =>
  new Promise((done, failed) => {
    READERS[brings](req, res, (error?: unknown) => {
      if (error) failed(error as Error);
      else done();
    });
  });
