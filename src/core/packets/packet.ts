import type { Celsius, Grams, Millilitres, Seconds } from '#core/units';
import type { Quantity } from './readers';
import type { LeafUnit } from './vocabulary';

// A supplier's advice is kept as it was printed. What it means is read from it each time: nothing of it is stored.

/** Leaf as a packet measures it. */
export type PacketLeaf = {
  readonly low: number;
  readonly high: number;
  readonly unit: LeafUnit;
  readonly heaped: boolean;
  /** What that much weighs, where the packet says both: "1 bag (2 g)". */
  readonly weighs: Grams | null;
};
/** Water in ml where the packet says it; else cups or vessels of a size it does not say. */
export type PacketWater =
  | { readonly kind: 'ml'; readonly ml: Millilitres }
  | { readonly kind: 'cups'; readonly cups: number }
  | { readonly kind: 'vessels'; readonly vessels: number };
export type TimeRange = { readonly from: Seconds; readonly to: Seconds };
/** A stretch of the packet's text and whether anything was read from it. */
export type PacketPart = { readonly text: string; readonly read: boolean };
/** What a packet says, in SI. Each field is null where the packet does not say it, or not clearly. */
export type Packet = {
  readonly leaf: PacketLeaf | null;
  readonly water: PacketWater | null;
  /** Of the water as the packet means it: in the kettle. Boiling is 100, also where a wait follows. */
  readonly heat: { readonly low: Celsius; readonly high: Celsius } | null;
  /** How long the boiled water stands before it is poured. */
  readonly wait: TimeRange | null;
  /** The first steep. */
  readonly time: TimeRange | null;
  /** The packet's text in order, clause by clause. */
  readonly parts: readonly PacketPart[];
};

/** Something read, and the amounts it was read from; null where the packet does not say it, or not clearly. */
export type Field<T> = { readonly value: T; readonly used: readonly Quantity[] } | null;
