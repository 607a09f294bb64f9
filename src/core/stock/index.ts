export {
  isRunningOut,
  leafCost,
  leafText,
  RATE_DAYS,
  rateFrom,
  stockOf,
  stockWords,
  usedPerDay,
  type Counted,
  type Stock,
  type Use,
} from './stock';
