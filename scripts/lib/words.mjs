import { randomInt } from 'node:crypto';

const LETTERS = 'abcdefghkmnprstwxyz';
const groups = (sizes) =>
  sizes
    .map((n) => Array.from({ length: n }, () => LETTERS[randomInt(LETTERS.length)]).join(''))
    .join('-');
/** Sixteen letters in four groups: 68 bits. */
export const passphrase = () => groups([4, 4, 4, 4]);
/** The word by which whoever started the server is known on an empty house's first page: two of four letters. */
export const claimWord = () => groups([4, 4]);
