import { randomInt } from 'node:crypto';

const LETTERS = 'abcdefghkmnprstwxyz';
/** The word by which whoever started the server is known on an empty house's first page: two of four letters. */
export const claimWord = () =>
  [4, 4]
    .map((n) => Array.from({ length: n }, () => LETTERS[randomInt(LETTERS.length)]).join(''))
    .join('-');
