export {
  aloneOf,
  ERROR_SOURCES,
  studyNow,
  toleranceStudy,
  USUAL,
  type Errors,
  type ErrorSource,
  type Scatter,
  type Spread,
  type Study,
} from './study';
export { attentionOf, ENOUGH_PULLS } from './habits';
