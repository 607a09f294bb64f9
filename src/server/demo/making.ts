import { v7 } from 'uuid';
import type { Random } from '#core/numeric';
import type { Site } from '#contracts/sites';
import type { Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import type { Db } from '../db/pool';
import type { Cast } from './brews';

/** The demo is the same for the same day. */
export const SEED = 20_260_412;
export const DAY = 86_400_000;

/** Ids by chance, of a moment. */
export const idMaker = (random: Random) => (ms: number) =>
  v7({ msecs: ms, random: Uint8Array.from({ length: 16 }, () => Math.floor(random() * 256)) });

/** For which moment it is made, and how many days of brews lie before it. */
export type When = { readonly now: number; readonly days: number };
/** What the demo is made with: where it goes, its chance, its ids and its day. */
export type Making = When & {
  readonly db: Db;
  readonly random: Random;
  readonly makeId: (ms: number) => string;
};
/** Long before the first brew: sites, people and teas are as old as this, ms. */
export const longAgo = ({ now }: Making): number => now - 200 * DAY;

/** What is there before the first brew. */
export type Shop = {
  readonly sites: readonly Site[];
  readonly teas: readonly Tea[];
  readonly vessels: readonly Vessel[];
  readonly cast: readonly Cast[];
};
/** By the key each site has in the demo's data. */
export type SiteIds = ReadonlyMap<string, string>;
