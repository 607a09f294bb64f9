export { capital, countWord, degrees, minutesText, numberText, readingText, signedText, temperatureText, volumeParts, volumeText } from './format';
export {
  celsius, epochMs, grams, gramsPer100Ml, gramsPerMl, kilopascals, metres, millilitres, millimetres, seconds,
  type Celsius, type EpochMs, type Grams, type GramsPer100Ml, type GramsPerMl, type Kilopascals, type Metres,
  type Millilitres, type Millimetres, type Quantity, type Seconds,
} from './quantity';
export {
  fromFahrenheit, fromMl, GRAMS_PER_OUNCE, later, ML_PER, packetFahrenheit, secondsBetween, toFahrenheit, toMl,
  type VolumeUnit,
} from './convert';
export { SPOON_KINDS, SPOONS, type Spoon, type SpoonKind } from './spoons';
export { parseDuration, parseNumber, parseTemperature, parseVolume, parseWithin, type Parsed } from './parse';
