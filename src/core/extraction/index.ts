export {
  SOLUTE_WORDS,
  SOLUTES,
  at,
  eachSolute,
  NO_SOLUTES,
  sumOf,
  type BySolute,
  type Solute,
} from './solutes';
export {
  ACTIVATION,
  AGITATION,
  AGITATION_NAMES,
  coldness,
  GAS_CONSTANT,
  LIMITS,
  PARTITION_AT_90,
  PARTITION_HEAT,
  RATE_AT_90,
  STEWING_ENERGY,
  VENTING,
  WETTING_ENERGY,
  type Agitation,
} from './constants';
export { contactFactor, crowdFactor, type LeafContact } from './contact';
export {
  dryLeaf,
  hold,
  LEAST_HELD,
  pourOff,
  rateOf,
  shareAtRest,
  SQUEEZED,
  type Infusion,
  type Poured,
  type Setting,
} from './infusion';
export {
  constantPanels,
  coolingPanels,
  heatAfter,
  heatedPanels,
  steep,
  steepInTime,
  type Heat,
  type LeafOut,
  type Panel,
} from './steep';
