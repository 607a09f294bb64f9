import { differenceCiede2000, modeLab65, useMode } from 'culori/fn';
import type { Lab } from './appearance';

type Lab65 = { mode: 'lab65'; l: number; a: number; b: number };
let known: ((x: Lab65, y: Lab65) => number) | null = null;
/** Made when first asked for, so that a page which compares no colours does not carry it. */
function ciede2000(x: Lab65, y: Lab65): number {
  if (!known) {
    useMode(modeLab65);
    known = differenceCiede2000();
  }
  return known(x, y);
}
const lab65 = ([l, a, b]: Lab): Lab65 => ({ mode: 'lab65', l, a, b });

/** CIEDE2000 of two Lab colours (D65): "does it look different". About 1 is just seen side by side on a good screen. */
export const deltaE00 = (x: Lab, y: Lab): number => ciede2000(lab65(x), lab65(y));
/** Euclidean distance in Lab: the better measure for fitting, where sensor noise is round. */
export const distance = (x: Lab, y: Lab): number =>
  Math.hypot(x[0] - y[0], x[1] - y[1], x[2] - y[2]);
