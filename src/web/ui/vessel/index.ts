export { DrawingPatterns, LevelMark, VesselDrawing, type VesselDrawingProps } from './Vessel';
export { Cup } from './Cup';
export { SteepRule } from './SteepRule';
export { AxisLabels, Tube, type Axis } from './Tube';
