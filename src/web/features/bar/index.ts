export { BarPage } from './Page';
export { RunningStrip } from './Strip';
export { BarWatch } from './Watch';
export { BrewWorking } from './Working';
export { clockText, houseCup, liquorAfter, liquorOf, phaseOf, sayingOf, swatchOf, type BarBrew } from './brews';
export { useBarLayout } from './useLayout';
export { useBar, useHands, usePourWords } from './useBar';
