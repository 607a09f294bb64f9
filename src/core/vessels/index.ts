export { MARK_SHARE, vesselOfTyped, type TypedPot } from './typedPot';
export { basketShape, coveringVolume, RELEASE_FLOOR, type BasketShape } from './basket';
export {
  PROFILES,
  solveVessel,
  VESSEL_KINDS,
  type Profile,
  type SolvedVessel,
  type VesselKind,
} from './profile';
export {
  basketCrowding,
  basketVolume,
  fillFault,
  leastToCover,
  heldWater,
  INFUSER_KINDS,
  INFUSERS,
  liquorYield,
  mostLeaf,
  type FillFault,
  type InfuserKind,
  type VesselFacts,
} from './fill';
export {
  LEAF_ACT_WORDS,
  LEAF_ACTS,
  leafAct,
  leafActWords,
  type LeafAct,
  type LeafActWords,
  type Strainer,
} from './leafAct';
export {
  bowlPath,
  extent,
  lidPaths,
  partPaths,
  penFor,
  profilePath,
  spoutPath,
  type Pen,
} from './paths';
export { vesselFaults } from './faults';
