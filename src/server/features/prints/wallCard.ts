import { CUP_DEPTH_CM, tint } from '#core/colour';
import {
  bagsText,
  type Card,
  handlingWords,
  houseLiquor,
  leewayWords,
  quartersText,
  spoonName,
  spoonsText,
} from '#core/recipes';
import { styleOf } from '#core/styles';
import { degrees, minutesText, numberText, temperatureText, volumeText } from '#core/units';
import {
  basketShape,
  leafActWords,
  partPaths,
  penFor,
  profilePath,
  type SolvedVessel,
  solveVessel,
  spoutPath,
} from '#core/vessels';
import { waterAdvice } from '#core/water';
import type { Version } from '#contracts/recipes';
import type { Site } from '#contracts/sites';
import type { Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { caffeineOnPaper } from './caffeine';
import { drawCode } from './code';
import { A5, type CardSize, dayOnPaper, onCards, type Paper } from './page';

export type WallCard = {
  readonly tea: Tea;
  readonly version: Version;
  readonly site: Site;
  readonly pours: readonly { vessel: Vessel; card: Card }[];
  readonly brewUrl: string;
  readonly size: CardSize;
};

const LEFT = 11;
const RIGHT = A5.width - LEFT;
const WIDE = RIGHT - LEFT;
/** Vessels stand at this many mm of paper to the mm of vessel. */
/** Ticks so many seconds apart on a rule up to so long: [up to, apart]. */
const TICKS = [
  [90, 15],
  [420, 60],
] as const;
const VESSEL_SCALE = 0.105;
const WALL_MM = 3.4;

/** The wall card: heat and time to be read across a room, leaf for each vessel, a code that opens the brew. */
export const wallCard = (w: WallCard): Promise<Buffer> =>
  onCards(w.size, { title: `${w.tea.name}: wall card`, author: w.version.author.name }, [
    (p) => drawCard(p, w),
  ]);
/** The whole book, a card a page. */
export const wholeBook = (
  cards: readonly WallCard[],
  size: CardSize,
  title: string,
): Promise<Buffer> =>
  onCards(
    size,
    { title, author: '' },
    cards.map((w) => (p: Paper) => drawCard(p, w)),
  );

function drawCard(p: Paper, w: WallCard) {
  const below = head(p, w);
  heatAndTime(p, w, below);
  steepRule(p, w, below + 33);
  const rows = vessels(p, w, below + 55);
  foot(p, w, Math.max(rows + 3, 162));
}

function head(p: Paper, { tea, version }: WallCard): number {
  const room = WIDE - 34;
  let size = 15.5;
  while (size > 8 && p.heightOf(tea.name, { face: 'book', size, width: room }) > 36) size -= 0.5;
  p.text(tea.name, LEFT, 9, { face: 'book', size, width: room, lineGap: -2.5 });
  const under = 9 + p.heightOf(tea.name, { face: 'book', size, width: room }) - 1;
  p.text([styleOf(tea.style).kind, tea.words].filter(Boolean).join(', '), LEFT, under, {
    size: 4.4,
    width: room,
  });
  const liquor = houseLiquor(tea, version.recipe, version.recipe.window.best);
  const [x, y, r] = [RIGHT - 13.5, 25, 13.5];
  p.path(`M${-r} 0A${r} ${r} 0 1 0 ${r} 0A${r} ${r} 0 1 0 ${-r} 0Z`, x, y, {
    stroke: 0.3,
    fill: '#f7f8f8',
  });
  p.disc(
    x,
    y,
    r - 1,
    Array.from(
      { length: 11 },
      (_, i) =>
        [
          i / 10,
          tint(liquor, CUP_DEPTH_CM * Math.sqrt(Math.max(0.02, 1 - (0.96 * (i / 10)) ** 4))),
        ] as const,
    ),
  );
  const line = Math.max(46, under + 7);
  p.line(LEFT, line, RIGHT, line, 0.9);
  return line;
}

/** What stands most often in a list; the first of those that stand equally often. */
function commonest(list: readonly string[]): string | undefined {
  const times = (x: string) => list.filter((y) => y === x).length;
  return [...list].sort((a, b) => times(b) - times(a))[0];
}

function heatAndTime(p: Paper, { version, site, pours }: WallCard, y: number) {
  const { recipe } = version;
  const scale = site.temperatureUnit;
  p.text('water on the leaf', LEFT, y + 3, { size: 4.8 });
  // One word for all vessels of the card, where they differ the one of most.
  const headings = pours.map((pour) => leafActWords(pour.vessel, recipe.handling.root).heading);
  p.text(commonest(headings) ?? 'lift at', RIGHT, y + 3, { size: 4.8, align: 'right' });
  const figure = String(degrees(recipe.temperature, scale));
  p.text(figure, LEFT, y + 5.5, { face: 'bold', size: 23 });
  p.text(`°${scale}`, LEFT + p.widthOf(figure, 'bold', 23) + 1.5, y + 16, { size: 11 });
  p.text(minutesText(recipe.window.best), RIGHT, y + 5.5, {
    face: 'bold',
    size: 23,
    align: 'right',
  });
  p.line(LEFT, y + 31.5, RIGHT, y + 31.5, 0.35);
}

function steepRule(p: Paper, { version }: WallCard, y: number) {
  const { earliest, best, latest } = version.recipe.window;
  const end = Math.ceil((latest * 1.35) / 30) * 30;
  const x = (t: number) => LEFT + (t / end) * WIDE;
  const line = y + 11;
  p.line(LEFT, line, RIGHT, line, 0.5);
  p.path(`M${x(earliest)} ${line - 0.6}V${line - 5}H${x(latest)}V${line - 0.6}`, 0, 0, {
    stroke: 0.9,
  });
  p.path(`M${x(best)} ${line - 0.3}l-2.6 -4h5.2z`, 0, 0, { fill: 'black' });
  for (let t: number = latest; t < end; t += end / 80)
    p.line(x(t) + 0.6, line - 0.8, x(t) + 0.6, line - 2.8, 0.4);
  p.text(minutesText(earliest), x(earliest) - 1.5, line - 8.6, {
    face: 'bold',
    size: 4.8,
    align: 'right',
  });
  p.text(minutesText(latest), x(latest) + 1.5, line - 8.6, { face: 'bold', size: 4.8 });
  const step = TICKS.find(([upTo]) => end <= upTo)?.[1] ?? 120;
  for (let t = 0; t <= end; t += step) {
    p.line(x(t), line, x(t), line + 1.8, 0.35);
    const words = minutesText(t);
    const w = p.widthOf(words, 'sans', 4.2);
    p.text(words, Math.min(RIGHT - w, Math.max(LEFT, x(t) - w / 2)), line + 2.2, { size: 4.2 });
  }
}

function vessels(p: Paper, { pours, site }: WallCard, y: number): number {
  const row = pours.length > 3 ? 15 : 18;
  pours.forEach(({ vessel, card }, i) => {
    const base = y + (i + 1) * row;
    drawVessel(p, vessel, LEFT + 12, base);
    p.text(vessel.name, LEFT + 29, base - 13.5, { face: 'bold', size: 5.2 });
    p.text(volumeText(card.water, site.volumeUnit), LEFT + 29, base - 7, { size: 5 });
    const inSpoons = card.countsSpoons ? card.spoons : null;
    const amount = inSpoons ? quartersText(inSpoons.quarters) : numberText(card.leaf);
    p.text(amount, LEFT + 97 - 3, base - 16.2, { face: 'bold', size: 13, align: 'right' });
    if (!inSpoons) p.text('g', LEFT + 95, base - 9.4, { size: 6.4 });
    const counted = inSpoons
      ? `${spoonName(inSpoons.spoon, inSpoons.quarters).replace('level ', '')}, ${numberText(card.leaf)} g`
      : countedOf(card);
    if (counted) p.text(counted, RIGHT - 25, base - 12.5, { size: 4.2, width: 25, align: 'right' });
    p.line(LEFT, base, RIGHT, base, 0.35);
  });
  return y + pours.length * row;
}

/** Bags or spoons for so much leaf. */
function countedOf(card: Card) {
  if (card.bags) return bagsText(card.bags);
  if (card.spoons) return spoonsText(card.spoons).replace('level ', '');
  return null;
}

/** A vessel in section on its line, at one scale for all: outline, level at the mark, basket. */
function drawVessel(p: Paper, v: Vessel, x: number, base: number) {
  const solved: SolvedVessel = solveVessel(v.kind, v.brim);
  const pen = penFor(VESSEL_SCALE);
  const foot = base - 0.9;
  if (v.kind === 'pot')
    p.path(spoutPath(pen, solved, WALL_MM), x, foot, { stroke: 0.25, fill: 'white' });
  for (const d of partPaths(pen, solved, WALL_MM)) p.path(d, x, foot, { stroke: 0.25 });
  p.path(profilePath(pen, solved, WALL_MM / 2, false), x, foot, { stroke: 0.4, fill: 'white' });
  const level = solved.levelOf(v.mark);
  const half = solved.radiusAt(level) * VESSEL_SCALE;
  const at = foot - level * VESSEL_SCALE;
  p.line(x - half, at, x + half, at, 0.25);
  p.path('M0 0l-1 -1.5h2z', x - half * 0.4, at, { fill: 'black' });
  if (v.basket !== null && v.infuser !== 'free' && v.kind !== 'release') {
    const b = basketShape(solved, v.basket);
    const [w, top, floor] = [
      b.halfWidth * VESSEL_SCALE,
      solved.height * VESSEL_SCALE,
      b.floor * VESSEL_SCALE,
    ];
    p.path(`M${-w} ${-top}V${-floor}H${w}V${-top}`, x, foot, { stroke: 0.25, dash: 0.5 });
  }
}

/** Whose recipe the card has. */
function ownOrHouse({ tea, version, site }: WallCard): string {
  const own = tea.recipes.find((r) => r.method === version.method)?.site;
  return own ? `Recipe of ${site.name}` : 'House recipe';
}
function foot(p: Paper, w: WallCard, y: number) {
  const { tea, version, pours, site } = w;
  const { recipe } = version;
  const first = pours[0]?.card;
  const kettle = kettleWords(first, site);
  const handling = [kettle, recipe.warm ? 'vessel warmed' : '', recipe.lid ? 'lid on' : 'lid off']
    .filter(Boolean)
    .join(', ');
  const room = WIDE - 30;
  let at = y;
  const line = (words: string, face: 'sans' | 'heavy') => {
    p.text(words, LEFT, at, { face, size: 5, width: room });
    at += p.heightOf(words, { face, size: 5, width: room }) + 2;
  };
  line(
    [
      `${handling}.`,
      ...handlingWords(recipe),
      recipe.note,
      recipe.later.length
        ? `Then again ${recipe.later.map((w) => minutesText(w.best)).join(', ')}.`
        : '',
      leewayWords(recipe),
    ]
      .filter(Boolean)
      .join(' '),
    'sans',
  );
  if (tea.allergens) line(`Allergens: ${tea.allergens}`, 'heavy');
  p.text(
    [
      [
        caffeineOnPaper(tea),
        tea.cautions,
        'Boiling water and steam scald.',
        site.safety?.cardWords,
        ...waterAdvice(site.water),
      ]
        .filter(Boolean)
        .join(' '),
      'Cup as printed: judge by the tea, not by the ink.',
      `${ownOrHouse(w)} ${version.number}, ${version.author.name}, ${dayOnPaper(version.at, site)}. Scan to brew.`,
    ].join('\n'),
    LEFT,
    Math.min(at, A5.height - 24),
    { size: 3.4, width: room, lineGap: 0.5 },
  );
  drawCode(p, w.brewUrl, RIGHT - 24, A5.height - 11 - 24, 24);
}

/** What the kettle is set to. */
function kettleWords(first: Card | undefined, site: Site) {
  if (first) {
    if (first.heat.kind === 'reachable')
      return `Kettle ${temperatureText(first.heat.kettleSetting, site.temperatureUnit)}`;
    return 'Straight off the boil';
  }
  return '';
}
