import type { Fault } from '#contracts/exchange';

export type BookFile = { readonly name: string; readonly text: string };

export const keyOf = (f: Fault) => `${f.row}:${f.column}`;
