export {
  cupsAt,
  daylight,
  LAMP_NAMES,
  LAMPS,
  photographed,
  renderCups,
  type Lamp,
  type Poured,
  type Shot,
} from './camera';
export { renderSample, sampleFile, SAMPLE_PHOTOS, type SamplePhoto } from './samples';
export { simulatedReader } from './reader';
