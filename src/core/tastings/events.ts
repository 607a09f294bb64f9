import type { Attribute, Mark } from '#core/corrections';
import type { ColourStrength } from '#core/fitting';
import type { Taster } from './exercise';

export type Sheet = {
  readonly marks: Readonly<Partial<Record<Attribute | 'colour', Mark>>>;
  readonly words: readonly string[];
  /** Of the opened leaf; the others are of smell and taste. */
  readonly leafWords?: readonly string[] | undefined;
  /** How much it is liked, 0 to 10; asked of everybody, answered by who wants to. */
  readonly liking?: number | undefined;
  /** 0 to 10, where the exercise asks for amounts. */
  readonly scores?: Readonly<Partial<Record<Attribute, number>>> | undefined;
};

export type TastingAct =
  | { readonly kind: 'start' }
  | { readonly kind: 'pour' | 'pull'; readonly cup: number }
  | { readonly kind: 'weigh'; readonly cup: number; readonly grams: number; readonly water: number }
  /** An instrument's word of a cup: dissolved solids in g/L, or strength by colour against the house cup. */
  | {
      readonly kind: 'measure';
      readonly cup: number;
      readonly solids?: number | undefined;
      readonly colour?: ColourStrength | undefined;
    }
  | { readonly kind: 'exclude'; readonly cup: number; readonly reason: string }
  | { readonly kind: 'swap'; readonly a: string; readonly b: string }
  | { readonly kind: 'leave'; readonly taster: string; readonly reason: string }
  | { readonly kind: 'keep'; readonly taster: string; readonly code: string; readonly sheet: Sheet }
  | {
      readonly kind: 'handIn';
      readonly taster: string;
      readonly order: readonly string[] | null;
      readonly choice: string | null;
    }
  | { readonly kind: 'reveal' }
  | { readonly kind: 'stop'; readonly reason: string }
  | { readonly kind: 'undo'; readonly of: string };

export type TastingEvent = {
  readonly id: string;
  readonly at: number;
  readonly by: Taster;
  readonly act: TastingAct;
};
