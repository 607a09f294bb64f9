import { differenceCiede2000 } from 'culori';
import type { Lab } from './appearance';

const ciede2000 = differenceCiede2000();
const lab65 = ([l, a, b]: Lab) => ({ mode: 'lab65' as const, l, a, b });

/** CIEDE2000 of two Lab colours (D65): "does it look different". About 1 is just seen side by side on a good screen. */
export const deltaE00 = (x: Lab, y: Lab): number => ciede2000(lab65(x), lab65(y));
/** Euclidean distance in Lab: the better measure for fitting, where sensor noise is round. */
export const distance = (x: Lab, y: Lab): number => Math.hypot(x[0] - y[0], x[1] - y[1], x[2] - y[2]);
