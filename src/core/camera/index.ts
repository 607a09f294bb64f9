export { daylight, LAMP_NAMES, LAMPS, renderCups, type Lamp, type Poured, type Shot } from './camera';
export { renderSample, SAMPLE_PHOTOS, type SamplePhoto } from './samples';
export { simulatedReader } from './reader';
