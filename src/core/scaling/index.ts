export { leafFor, taperExponent, type KnownGood, type Scaling } from './dose';
