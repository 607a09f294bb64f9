export { normal, pick, seeded, type Random } from './random';
