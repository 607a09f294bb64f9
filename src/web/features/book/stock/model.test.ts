import { startingRecipe } from '#core/recipes';
import { grams } from '#core/units';
import type { LotStock, Pockets } from '#contracts/stock';
import type { Tea } from '#contracts/teas';
import { baggedTeas, costWords, moneyText, pocketsWords, stockLines, usualCurrency } from './model';

const TODAY = '2026-03-11';
const teaOf = (name: string, over: Partial<Tea> = {}) =>
  ({
    ...{ id: name, name, style: 'oolong-light', retired: false, recipes: [] },
    house: { recipe: { ...startingRecipe('oolong-light'), dose: 1.2, later: [] } },
    lots: [{ id: `${name} lot`, name: 'Lot 1', bestBefore: null, arrived: null }],
    ...over,
  }) as unknown as Tea;
const kept = (name: string, over: Partial<LotStock> = {}): LotStock => ({
  ...{ lotId: `${name} lot`, teaId: name, used: grams(0), perDay: grams(10), price: null },
  counted: { grams: grams(500), at: 0, by: { id: 'p', name: 'Somebody' } },
  ...over,
});

test('who needs somebody comes first: gone within the week, then by name; a lot without stock is no line', () => {
  const teas = [teaOf('C'), teaOf('B'), teaOf('A'), teaOf('D')];
  const lines = stockLines(teas, [kept('A'), kept('B', { used: grams(480) }), kept('C')], TODAY);
  expect(lines.map(({ tea }) => tea.name)).toEqual(['B', 'A', 'C']);
  expect(lines.map(({ needsLead }) => needsLead)).toEqual([true, false, false]);
});
test('a lot past its best before needs somebody too', () => {
  const old = { id: 'A lot', name: 'Lot 1', bestBefore: '2026-03-01', arrived: null };
  const [line] = stockLines([teaOf('A', { lots: [old] as never })], [kept('A')], TODAY);
  expect(line?.needsLead).toBe(true);
});
test('a cup by hand: 1.8 g at 8 for 100 g is 0.144; an oolong carries it over its four steeps', () => {
  const price = { per100g: 8, currency: 'EUR' };
  expect(costWords({ tea: teaOf('A'), kept: kept('A', { price }) })).toBe(
    `${moneyText(0.036, 'EUR')} over 4 steeps, ${moneyText(0.144, 'EUR')} for one`,
  );
  const broken = teaOf('A', { style: 'black-broken' });
  expect(costWords({ tea: broken, kept: kept('A', { price }) })).toBe(moneyText(0.144, 'EUR'));
  expect(costWords({ tea: teaOf('A'), kept: kept('A') })).toBeNull();
  expect(costWords({ tea: teaOf('A', { house: null }), kept: kept('A', { price }) })).toBeNull();
});
test('a new price begins in the money of the others', () => {
  const gbp = kept('A', { price: { per100g: 1, currency: 'GBP' } });
  expect(usualCurrency([kept('B'), gbp])).toBe('GBP');
  expect(usualCurrency([])).toBe('EUR');
});
test('only teas brewed by the bag are filled into pockets', () => {
  const recipes = [{ method: 'bag', house: { recipe: { bag: 2.5 } } }];
  const bagged = teaOf('A', { recipes: recipes as never });
  expect(baggedTeas([bagged, teaOf('B')]).map(({ tea, bag }) => [tea.name, bag])).toEqual([
    ['A', 2.5],
  ]);
  const filled = { left: 7, filled: 20, grams: 2.5 } as Pockets;
  expect(pocketsWords(filled)).toBe('7 of 20 pockets of 2.5 g left');
});
