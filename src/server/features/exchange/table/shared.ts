import { PACKET_SPOON_ML, type PacketSpoon } from '#core/packets';
import { densityOf } from '#core/recipes';
import { measureOf } from '#core/teas';
import { numberText, oneBlank, parseNumber } from '#core/units';
import type { Fault } from '#contracts/exchange';
import type { Tea } from '#contracts/teas';
import { nearest } from '../cells';
import { RowReader } from '../rowReader';
import type { Here } from '../snapshot';
import type { Step } from '../steps';

export type Doing = { readonly here: Here; readonly by: string; readonly now: number };

export type Out = { readonly steps: Step[]; readonly faults: Fault[]; same: number };

export type Read = RowReader<string>;

/** The tea a row names; a near name is asked about. */
export function teaNamed(r: Read, here: Here): Tea | null {
  const says = r.says('tea');
  const tea = here.teas.find((t) => t.name.toLowerCase() === says.toLowerCase());
  if (tea) return tea;
  const near = nearest(
    says,
    here.teas.map((t) => t.name),
  );
  if (says === '') r.fault('tea', 'This cell is empty.');
  else if (near)
    r.fault('tea', `No such tea. Nearest: ${near}.`, 'open', '', [{ words: near, says: near }]);
  else r.fault('tea', 'No such tea in the book. Bring the teas in first.');
  return null;
}

export function twice(r: Read, column: string, seen: Map<string, number>, key: string): void {
  const before = seen.get(key);
  if (before !== undefined) r.fault(column, `The same as row ${before}.`);
  else seen.set(key, r.row);
}

const SPOON_CELL =
  /^(.*?) ?(?:level|heaped)? ?(tsps?|teaspoons?|tbsps?|tablespoons?|dsps?|dessert ?spoons?|tbs|spoons?|scoops?)\.?$/i;

/** Grams of leaf in a cell: by weight, or by spoons of this tea; a spoon that may be either is asked about. */
export function leafIn(r: Read, tea: Tea, water: number): number | null {
  const says = r.says('leaf');
  const m = SPOON_CELL.exec(oneBlank(says));
  if (!m) return r.number('leaf', { min: 0.1, max: 2000, unit: 'g', required: true });
  const count = parseNumber(m[1] || '1');
  if (count.kind === 'bad') {
    r.fault('leaf', count.why);
    return null;
  }
  const { weighing } = measureOf(tea);
  if (!weighing) {
    r.fault('leaf', `${tea.name} has not been weighed: how many grams a spoon holds is not known.`);
    return null;
  }
  const held = (s: PacketSpoon) =>
    Math.round(count.value * densityOf(weighing) * PACKET_SPOON_ML[s] * 10) / 10;
  const word = (m[2] ?? '').toLowerCase();
  const kind: PacketSpoon | null = spoonIn(word);
  if (kind) {
    r.fault(
      'leaf',
      `Spoons of this tea: one ${kind === 'dessertSpoon' ? 'dessert spoon' : kind} holds ${numberText(held(kind) / count.value, 2)} g.`,
      'read',
      `read as ${numberText(held(kind))} g`,
    );
    return held(kind);
  }
  r.fault(
    'leaf',
    `Teaspoon or tablespoon? For this tea ${numberText(held('teaspoon'))} g or ${numberText(held('tablespoon'))} g in ${Math.round(water)} ml.`,
    'open',
    '',
    [
      {
        words: `Teaspoon, ${numberText(held('teaspoon'))} g`,
        says: `${numberText(held('teaspoon'))} g`,
      },
      {
        words: `Tablespoon, ${numberText(held('tablespoon'))} g`,
        says: `${numberText(held('tablespoon'))} g`,
      },
    ],
  );
  return null;
}

/** The kitchen spoon a word means. */
function spoonIn(word: string): PacketSpoon | null {
  if (/^(tsp|tea)/.test(word)) return 'teaspoon';
  if (/^(tbsp|table)/.test(word)) return 'tablespoon';
  if (/^d/.test(word)) return 'dessertSpoon';
  return null;
}
