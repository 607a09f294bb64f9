/** A framed point of a chart, and what stands beside it. */
export type Labelled = { readonly x: number; readonly y: number; readonly words: string };
export type LabelPlace = {
  readonly x: number;
  readonly y: number;
  readonly anchor: 'start' | 'end';
};
export type Box = {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
};

/** A bold letter of the chart is about so wide, px. */
const LETTER = 7.4;
/** From the point to its words: past the frame. */
const BESIDE = 18;
/** Half a frame. */
const FRAME = 12;
/** Where words may stand, the best place first: beside the point, then lower, then higher. */
const PLACES = [0, 26, -26].flatMap((down) => [
  { side: 1, down },
  { side: -1, down },
]);

function boxOf({ words }: Labelled, { x, y, anchor }: LabelPlace): Box {
  const wide = words.length * LETTER;
  const left = anchor === 'start' ? x : x - wide;
  return { left, right: left + wide, top: y - 12, bottom: y + 5 };
}
const meet = (a: Box, b: Box): boolean =>
  a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;
const outsideOf = (box: Box, chart: Box): boolean =>
  box.left < chart.left || box.right > chart.right || box.top < chart.top;

/**
 * A place for the words of each framed point, in which they meet neither other words nor a frame, nor leave the chart;
 * where there is none, beside the point.
 *
 * @param chart - where words may be, px; its bottom is not looked at
 * @param others - other words that are there
 */
export function placeLabels(
  points: readonly Labelled[],
  chart: Box,
  others: readonly Box[] = [],
): LabelPlace[] {
  const frames = points.map(({ x, y }) => ({
    left: x - FRAME,
    right: x + FRAME,
    top: y - FRAME,
    bottom: y + FRAME,
  }));
  const taken: Box[] = [...others];
  return points.map((p, i) => {
    const places = PLACES.map(({ side, down }): LabelPlace => ({
      x: p.x + side * BESIDE,
      y: p.y + 1 + down,
      anchor: side > 0 ? 'start' : 'end',
    }));
    const isFree = (place: LabelPlace) => {
      const box = boxOf(p, place);
      const met = [...taken, ...frames.filter((_, j) => j !== i)].some((o) => meet(o, box));
      return !met && !outsideOf(box, chart);
    };
    const inChart = places.find((place) => !outsideOf(boxOf(p, place), chart));
    const place = places.find(isFree) ?? inChart ?? (places[0] as LabelPlace);
    taken.push(boxOf(p, place));
    return place;
  });
}
