import { type Packet, type PacketMeaning, packetMeanings, readPacket } from '#core/packets';
import {
  densityOf,
  type Method,
  packetKettle,
  packetStart,
  type StartingPoint,
  styleStarts,
  type Weighing,
} from '#core/recipes';
import { type StyleId, styleOf } from '#core/styles';
import { type Celsius, type Grams, gramsPer100Ml } from '#core/units';
import type { HouseSpoon } from '#contracts/kettles';
import type { Site } from '#contracts/sites';
import type { Vessel } from '#contracts/vessels';

/** The tea as far as it is known, and the house it is read in. */
export type PacketSetting = {
  readonly packet: string;
  readonly style: StyleId;
  readonly method: Method;
  readonly weighing: Weighing | null;
  readonly bag: Grams | null;
  readonly site: Site;
  readonly spoons: readonly HouseSpoon[];
  readonly vessels: readonly Vessel[];
  /** The pot that "per pot" means, and which of its meanings is taken; null: not chosen, the likeliest. */
  readonly vesselId: string | null;
  readonly meaning: number | null;
};
export type PacketView = {
  readonly read: Packet;
  readonly meanings: readonly PacketMeaning[];
  readonly taken: PacketMeaning | null;
  /** In the kettle as it is poured, after any wait. */
  readonly kettle: Celsius | null;
  /** As a first recipe; null where the packet says nothing a recipe can use. */
  readonly start: StartingPoint | null;
  /** What must be known before the packet's measure becomes grams. */
  readonly missing: 'weighing' | 'bag' | 'scoop' | 'vessel' | null;
};

function missingFor(read: Packet, s: PacketSetting, scoops: readonly unknown[]) {
  const { leaf, water } = read;
  if (!leaf || !water) return null;
  if (water.kind === 'vessels' && s.vesselId === null) return 'vessel';
  if (leaf.weighs !== null || leaf.unit === 'g' || leaf.unit === 'pinch') return null;
  if (leaf.unit === 'bag') return s.bag === null ? 'bag' : null;
  if (leaf.unit === 'scoop' && scoops.length === 0) return 'scoop';
  return s.weighing === null ? 'weighing' : null;
}

/** A packet's words read for one tea in this house. */
export function viewPacket(s: PacketSetting): PacketView {
  const read = readPacket(s.packet);
  const scoops = s.spoons.filter((spoon) => spoon.own && !spoon.retired);
  const pot = s.vessels.find((v) => v.id === s.vesselId) ?? null;
  const usual = styleStarts(s.style)[0]?.recipe.dose ?? styleOf(s.style).start.dose;
  const meanings = packetMeanings(read, {
    density: s.weighing && densityOf(s.weighing),
    bag: s.bag,
    scoops,
    vessel: pot && { name: pot.name, water: pot.mark },
    usual: gramsPer100Ml(usual),
  });
  const likeliest = meanings.find((m) => m.likeliest) ?? null;
  const taken = (s.meaning === null ? null : meanings[s.meaning]) ?? likeliest;
  return {
    read,
    meanings,
    taken,
    kettle: packetKettle(read, s.site),
    start: packetStart(s.style, read, taken, s.site, s.method),
    missing: missingFor(read, s, scoops),
  };
}
