export { doseOf, MAPS, MARK, onScale, plusMinus, type HillMap } from './maps';
export {
  bitterDoseOf,
  bodyOf,
  MASKED,
  sweetDoseOf,
  tasteOf,
  unbound,
  WEIGHT,
  type Taste,
} from './taste';
export { BITE_BEGINS, BITE_INTENSE, caffeineWords, cupWords, tasteWord } from './words';
export { differenceWords, JUST_NOTICEABLE } from './compare';
