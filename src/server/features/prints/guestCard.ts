import { toCardInput } from '#core/brews';
import {
  bagsText,
  type Card,
  type CardFault,
  computeCard,
  recipeAsWeighed,
  spoonsText,
  type Wish,
  wishWords,
} from '#core/recipes';
import { styleOf } from '#core/styles';
import {
  type Millilitres,
  millilitres,
  minutesText,
  numberText,
  type SpoonKind,
  SPOONS,
  temperatureText,
  volumeText,
  type VolumeUnit,
} from '#core/units';
import { leafActWords, MARK_SHARE, vesselOfTyped } from '#core/vessels';
import type { Version } from '#contracts/recipes';
import type { Site } from '#contracts/sites';
import type { Tea } from '#contracts/teas';
import { caffeineOnPaper } from './caffeine';
import type { Face } from './fonts';
import { onSheets, type Paper } from './page';

/** A pot at the guest's home, and how they measure there. */
export type GuestPot = {
  /** What they pour on. */
  readonly water: Millilitres;
  readonly spoon: SpoonKind;
  readonly volume: VolumeUnit;
  readonly degrees: 'C' | 'F';
  readonly wish: Wish;
};
export type GuestSize = 'a6' | 'label62';
export type GuestCard = {
  readonly tea: Tea;
  readonly version: Version;
  readonly site: Site;
  readonly pot: GuestPot;
  readonly size: GuestSize;
};

/** A home pot is porcelain, filled to its usual share, the leaf loose in it. */
const homePot = (water: Millilitres) =>
  vesselOfTyped(
    {
      ...({ kind: 'pot', material: 'porcelain', infuser: 'free', strainer: 'liftsOut' } as const),
      holds: millilitres(water / MARK_SHARE),
    },
    'your pot',
  );
/** The card of a tea in the guest's own pot, counted in their own spoons. */
export function guestPour({ tea, version, site, pot }: Omit<GuestCard, 'size'>): Card | CardFault {
  const vessel = homePot(pot.water);
  const { water, wish } = pot;
  const { warm } = version.recipe;
  const input = toCardInput({ tea, version, vessel, site, water, warmed: warm, wish });
  const { weighing } = input.tea;
  // Once a spoon of the tea is weighed the guest's own spoon does; until then it is the spoon of the recipe.
  const recipe = weighing
    ? { ...recipeAsWeighed(input.recipe, weighing), spoons: null }
    : input.recipe;
  return computeCard({ ...input, recipe, tea: { ...input.tea, spoon: SPOONS[pot.spoon] } });
}

/** What the guest measures out. */
function leafWords(card: Card): { large: string; small: string } {
  const grams = `${numberText(card.leaf)} g`;
  if (card.bags) return { large: bagsText(card.bags), small: `${grams} of leaf` };
  if (card.spoons && card.countsSpoons)
    return { large: spoonsText(card.spoons), small: `of this tea: about ${grams} on a scale` };
  if (card.spoons)
    return { large: spoonsText(card.spoons), small: `of this tea: ${grams} on a scale` };
  return { large: grams, small: 'on a scale' };
}
/** The heat for a kettle at home. */
function heatWords({ temperature, heat, warmed }: Card, degrees: 'C' | 'F') {
  const kettle =
    heat.kind === 'reachable'
      ? `kettle at ${temperatureText(heat.kettleSetting, degrees)}`
      : 'straight off the boil';
  return {
    large: temperatureText(temperature, degrees),
    small: `on the leaf: ${kettle}, pot ${warmed ? 'warmed first' : 'cold'}`,
  };
}

type Line = { readonly words: string; readonly face: Face };
/** All that is written under the figures, in its order. */
function linesOf({ tea, version, site, pot }: GuestCard, card: Card): Line[] {
  const { recipe } = version;
  const again = recipe.later.map((w) => minutesText(w.best)).join(', ');
  const plain = (words: string): Line => ({ words, face: 'sans' });
  const milk = card.milk > 0 ? `Milk: ${volumeText(card.milk, pot.volume)} for the whole pot.` : '';
  const addsMilk = card.milk > 0 && !/\bmilk\b/i.test(tea.allergens);
  const allergens = [tea.allergens, addsMilk && 'milk'].filter(Boolean).join(', ');
  return [
    plain(`${recipe.lid ? 'Lid on' : 'Lid off'}. Then take the leaf out, or pour the pot empty.`),
    ...(again ? [plain(`The same leaf again: ${again}.`)] : []),
    ...(milk ? [plain(milk)] : []),
    ...(tea.blend ? [plain(`Blend: ${tea.blend}.`)] : []),
    allergens
      ? { words: `Allergens: ${allergens}`, face: 'heavy' }
      : plain('No allergens noted: ask if you must be sure.'),
    plain(`${caffeineOnPaper(tea)} ${tea.cautions}`.trim()),
    plain('Boiling water and steam scald.'),
    ...(site.safety?.cardWords ? [plain(site.safety.cardWords)] : []),
    plain(`Our house recipe ${version.number}. ${site.name}.`),
  ];
}

/** Where things stand on each paper, mm. */
const LAYOUT = {
  a6: { width: 105, margin: 8, name: 9, row: 14, large: 6.4, small: 3.2, text: 3.5 },
  label62: { width: 62, margin: 2.5, name: 6, row: 10.5, large: 4.6, small: 2.5, text: 2.6 },
} as const;
const A6_HEIGHT = 148;
/** Letters of so many mm are about half as wide as they are high. */
const LETTER = 0.47;
const LEADING = 1.3;

/** Height that so many words take, before anything is drawn. */
const heightOf = (words: string, size: number, width: number): number =>
  Math.ceil((words.length * size * LETTER) / width) * size * LEADING;

/** A take-home card: one tea in the guest's own pot, spoons and units. */
export function guestCard(asked: GuestCard): Promise<Buffer> | null {
  const card = guestPour(asked);
  if (card.kind !== 'card') return null;
  const { tea, pot, size } = asked;
  const at = LAYOUT[size];
  const width = at.width - 2 * at.margin;
  const lines = linesOf(asked, card);
  const head = at.margin + heightOf(tea.name, at.name, width) + 2 * at.small * LEADING;
  const rows = 4 * at.row;
  const written = lines.reduce(
    (sum, { words }) => sum + heightOf(words, at.text, width) + at.text * 0.45,
    0,
  );
  const height = size === 'a6' ? A6_HEIGHT : Math.ceil(head + rows + written + 4 * at.margin);
  return onSheets(at.width, height, { title: `${tea.name}: guest card`, author: '' }, [
    (p) => {
      const below = drawHead(p, asked, at, width);
      const figures = drawFigures(p, card, pot, at, below);
      drawLines(p, lines, at, width, figures + at.text);
    },
  ]);
}

type Layout = (typeof LAYOUT)[GuestSize];
function drawHead(p: Paper, { tea, pot }: GuestCard, at: Layout, width: number): number {
  const face = { face: 'book', size: at.name, width } as const;
  p.text(tea.name, at.margin, at.margin, { ...face, lineGap: -1 });
  let y = at.margin + p.heightOf(tea.name, face) + 0.5;
  const wished = wishWords(pot.wish);
  const under = [styleOf(tea.style).kind, tea.words, wished && `made ${wished}`]
    .filter(Boolean)
    .join(', ');
  p.text(under, at.margin, y, { size: at.small, width });
  y += p.heightOf(under, { face: 'sans', size: at.small, width }) + 1;
  p.line(at.margin, y, at.width - at.margin, y, 0.6);
  return y;
}
function drawFigures(p: Paper, card: Card, pot: GuestPot, at: Layout, y: number): number {
  const { earliest, best, latest } = card.window;
  const take = leafActWords({ kind: 'pot', infuser: 'free', strainer: 'liftsOut' }, 0);
  const rows = [
    { of: 'Leaf', ...leafWords(card) },
    {
      ...{ of: 'Water', large: volumeText(card.water, pot.volume) },
      small: `pours ${volumeText(card.liquor, pot.volume)} of tea`,
    },
    { of: 'Heat', ...heatWords(card, pot.degrees) },
    {
      ...{ of: 'Time', large: minutesText(best) },
      small: `${minutesText(earliest)} to ${minutesText(latest)}; then ${take.verb.toLowerCase()}`,
    },
  ];
  const left = at.margin + 3.6 * at.small;
  rows.forEach(({ of, large, small }, i) => {
    const top = y + i * at.row;
    p.text(of, at.margin, top + 1.6, { size: at.small });
    p.text(large, left, top + 0.9, { face: 'bold', size: at.large });
    p.text(small, left, top + at.large * 1.3 + 0.7, { size: at.small });
    p.line(at.margin, top + at.row, at.width - at.margin, top + at.row, 0.2);
  });
  return y + rows.length * at.row;
}
function drawLines(p: Paper, lines: readonly Line[], at: Layout, width: number, from: number) {
  let y = from;
  for (const { words, face } of lines) {
    p.text(words, at.margin, y, { face, size: at.text, width });
    y += p.heightOf(words, { face, size: at.text, width }) + at.text * 0.45;
  }
}
