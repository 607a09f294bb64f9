export { normal, pick, seeded, shuffled, type Random } from './random';
export { EXP_CELLS, EXP_END, EXP_TABLE, expOfMinus } from './expTable';
export { atLeast } from './binomial';
export { countQuantile } from './counts';
