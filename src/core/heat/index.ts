export { boilingAt, boilingAtPressure, pressureAt } from './boiling';
export { mixWater, splitWater, waterDensity, type Split, type WaterPart } from './mixing';
export {
  afterPour,
  arrivalFor,
  beforePour,
  engagedHeatCapacity,
  firstContact,
  inColdVessel,
  LEAF_SPECIFIC_HEAT,
  MATERIAL_NAMES,
  MATERIALS,
  POUR_LOSS,
  wallHeatCapacity,
  WARMED_WALL,
  WATER_SPECIFIC_HEAT,
  type Contact,
  type Material,
} from './contact';
export {
  cooled,
  coolingRate,
  followed,
  waitUntil,
  type CoolingRate,
  type CoolingVessel,
} from './cooling';
export {
  fitCooling,
  fitPourLoss,
  simulatedKettle,
  type CoolingFit,
  type CoolingReading,
  type PourLossFit,
  type PouredReading,
} from './fitKettle';
export {
  fitOfKettle,
  houseKettle,
  type HouseKettle,
  type KettleFit,
  type KettleRecord,
} from './houseKettle';
export { nearestSetting, settingsOf, type SetPoints } from './setPoints';
export { planWater, type Kettle, type WaterPlan, type WaterWish } from './plan';
