export { CUP, newCup, quickCup } from './quickCup';
