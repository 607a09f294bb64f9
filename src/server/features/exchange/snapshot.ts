import type { HouseSpoon } from '#contracts/kettles';
import type { Version } from '#contracts/recipes';
import type { Site } from '#contracts/sites';
import type { Lot, Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import type { Tx } from '../../db/pool';
import { allSites } from '../people';
import { allSpoons } from '../spoons';
import { allLots, allTeas, allVersions, vocabularyOf } from '../teas';
import { allVessels } from '../vessels';

/** The house as an import finds it. */
export type Here = {
  readonly teas: readonly Tea[];
  readonly lots: readonly Lot[];
  readonly versions: readonly Version[];
  readonly vessels: readonly Vessel[];
  readonly spoons: readonly HouseSpoon[];
  readonly sites: readonly Site[];
  readonly vocabulary: readonly string[];
};
export const readHere = async (tx: Tx): Promise<Here> => ({
  teas: await allTeas(tx),
  lots: await allLots(tx),
  versions: await allVersions(tx),
  vessels: await allVessels(tx),
  spoons: await allSpoons(tx),
  sites: await allSites(tx),
  vocabulary: await vocabularyOf(tx),
});
