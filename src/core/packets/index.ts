export {
  packetMeanings,
  PACKET_SPOON_ML,
  PINCH_GRAMS,
  type HouseScoop,
  type PacketFacts,
  type PacketMeaning,
  type PacketSpoon,
} from './meanings';
export {
  type Packet,
  type PacketLeaf,
  type PacketPart,
  type PacketWater,
  type TimeRange,
} from './packet';
export { readPacket } from './readPacket';
export { type LeafUnit } from './vocabulary';
