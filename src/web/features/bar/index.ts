export { BarPage } from './Page';
export { RunningStrip } from './Strip';
export { BarWatch } from './Watch';
export { BrewWorking } from './Working';
export { ScannerWedge } from './wedge';
export {
  allOf,
  apartFrom,
  clockText,
  handsOf,
  houseCup,
  liquorAfter,
  liquorOf,
  phaseOf,
  sayingOf,
  swatchOf,
  vesselsInUse,
  type BarBrew,
} from './brews';
export { useBarLayout } from './useLayout';
export { useBar, useHands } from './useBar';
