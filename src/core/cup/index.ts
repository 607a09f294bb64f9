export {
  blend,
  brewAgain,
  brewCup,
  brewInStages,
  cupInTime,
  cupOf,
  dilute,
  heatOf,
  leafAfter,
  settingOf,
  type Brewing,
  type Cup,
  type Resteep,
  type Stage,
} from './cup';
export {
  CUP_EVERY,
  cupByCup,
  cupFrom,
  emptiedPot,
  leftIn,
  potAt,
  refilled,
  strengthsOfCups,
  taperedLeaf,
  type Pot,
  type PotPour,
  type PouredCup,
} from './emptied';
export { outsideLimits } from './limits';
export { POT_GRADIENT, strengthAlongPour, strengthsInARow } from './pour';
