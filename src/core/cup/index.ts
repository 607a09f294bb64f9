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
export { outsideLimits } from './limits';
export { POT_GRADIENT, strengthAlongPour, strengthsInARow } from './pour';
