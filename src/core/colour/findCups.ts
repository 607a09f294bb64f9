import { absorbanceOf, reduced } from './absorbance';
import { type Circle, circleCandidates } from './circleVotes';
import { type Edge, fitEdge } from './edgeFit';
import type { CupAt, Pixels } from './patch';

/** Pictures are searched at most so wide or high, px; edges are then placed in a finer one. */
const SEARCH_SIZE = 200;
const EDGE_SIZE = 480;
/** Circles looked at more closely. */
const MOST_CANDIDATES = 24;
/** A smaller liquor has too few pixels to be measured, px of radius: see `liquorPatch`. */
const LEAST_RADIUS = 23;
/** Moving a circle by hand looks for an edge this far inside and outside of it, as shares of its radius. */
const SNAP_REACH = 0.35;

const scaled = (c: Circle, by: number): Circle => ({ x: c.x * by, y: c.y * by, r: c.r * by });
const asCup = (e: Edge, by: number): CupAt => ({
  x: e.x * by,
  y: e.y * by,
  r: e.r * by,
  rim: e.rim === null ? null : e.rim * by,
});
/** Two circles that share liquor cannot both be cups. */
const overlaps = (a: Circle, b: Circle): boolean =>
  Math.hypot(a.x - b.x, a.y - b.y) < Math.max(a.r, b.r) + 0.5 * Math.min(a.r, b.r);

/**
 * Finds the liquor of poured cups: circles, or slight ellipses, whose inside takes more light of some colour than the
 * porcelain around them. Only what is sure is returned; nothing is a better answer than a wrong circle.
 * @param most at most so many, from left to right.
 */
export function findCups(p: Pixels, most = 2): CupAt[] {
  const fine = absorbanceOf(p, EDGE_SIZE);
  const toFine = Math.max(1, Math.ceil(Math.max(fine.width, fine.height) / SEARCH_SIZE));
  const coarse = reduced(fine, toFine);
  const edges = circleCandidates(coarse, MOST_CANDIDATES)
    .map((c) => fitEdge(fine, scaled(c, toFine), 0.2))
    .filter((e): e is Edge => e !== null && e.r * fine.step >= LEAST_RADIUS)
    .sort((a, b) => b.score - a.score);
  const cups: Edge[] = [];
  for (const edge of edges) {
    if (cups.length < most && !cups.some((c) => overlaps(c, edge))) cups.push(edge);
  }
  return cups.map((e) => asCup(e, fine.step)).sort((a, b) => a.x - b.x);
}

/** The liquor's edge nearest a circle that was drawn by hand; null where none is near it. */
export function snapCup(p: Pixels, drawn: CupAt): CupAt | null {
  const fine = absorbanceOf(p, EDGE_SIZE);
  const edge = fitEdge(fine, scaled(drawn, 1 / fine.step), SNAP_REACH);
  return edge && asCup(edge, fine.step);
}
