import { seconds } from '#core/units';
import { foundBest, foundTimeProposal } from './foundTime';

test('a time found by tasting is kept to 5 s; the recipe’s own is no news', () => {
  expect(foundBest(seconds(240), seconds(106.4))).toBe(105);
  expect(foundBest(seconds(240), seconds(242))).toBeNull();
  expect(foundBest(seconds(45), seconds(1))).toBe(5);
  expect(foundTimeProposal(seconds(240), seconds(238), '3:58 right')).toBeNull();
});
test('it says how far from the recipe, and what was tasted', () => {
  const shorter = foundTimeProposal(seconds(240), seconds(105), '0:45 much too thin, 1:45 right');
  expect(shorter).toMatchObject({
    ...{ lever: 'shorter', headline: '2:15 shorter', expected: null },
    change: 'Best at 1:45; the recipe has 4:00.',
    turns: [{ lever: 'shorter', from: 240, to: 105 }],
  });
  expect(shorter?.reason).toContain('0:45 much too thin, 1:45 right');
  expect(foundTimeProposal(seconds(60), seconds(90), '1:30 right')?.headline).toBe('0:30 longer');
});
