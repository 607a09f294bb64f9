import type { Context } from './context';
import { boilWords, heatOf } from './heatOf';
import { leafOf } from './leafOf';
import type { Packet, PacketPart } from './packet';
import { quantitiesOf } from './quantities';
import { timesOf } from './timesOf';
import { type Token, tokensOf } from './tokens';
import { waterOf } from './waterOf';

/** A packet's text clause by clause, with whether anything in it was read. */
function partsOf(text: string, tokens: readonly Token[], read: ReadonlySet<number>): PacketPart[] {
  const parts: PacketPart[] = [];
  let start = 0;
  let isRead = false;
  const close = (end: number) => {
    const piece = text.slice(start, end).trim();
    if (piece !== '') parts.push({ text: piece, read: isRead });
    start = end;
    isRead = false;
  };
  tokens.forEach((t, i) => {
    if (read.has(i)) isRead = true;
    const ends = t.kind === 'symbol' && ['.', ',', ';', ')'].includes(t.text);
    const decimal =
      t.text === '.' && tokens[i + 1]?.start === t.end && tokens[i + 1]?.kind === 'word';
    if (ends && !decimal) close(t.end);
  });
  close(text.length);
  return parts;
}

/**
 * What a packet's words say, in SI; null for what is not in them or not clear.
 * Reads English, German, French and Spanish. A wrong figure is worse than none.
 * @example readPacket('1 tsp per cup, 80 C, 2-3 minutes').time // { from: 120, to: 180 }
 */
export function readPacket(text: string): Packet {
  const tokens = tokensOf(text);
  const context: Context = { tokens, quantities: quantitiesOf(tokens) };
  const leaf = leafOf(context);
  const water = waterOf(context, leaf);
  const { wait, steep } = timesOf(context);
  const heat = heatOf(context, wait);
  const read = new Set<number>();
  for (const field of [leaf, water, wait, steep, heat]) {
    for (const q of field?.used ?? []) for (let i = q.first; i < q.end; i++) read.add(i);
  }
  if (heat && heat.used.length === 0) for (const i of boilWords(context).at) read.add(i);
  return {
    leaf: leaf?.value ?? null,
    water: water?.value ?? null,
    heat: heat?.value ?? null,
    wait: wait?.value ?? null,
    time: steep?.value ?? null,
    parts: partsOf(text, tokens, read),
  };
}
