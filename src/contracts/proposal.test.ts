import fc from 'fast-check';
import { ATTRIBUTE_NAMES, type Mark, propose, type Verdict } from '#core/corrections';
import { startingRecipe } from '#core/recipes';
import { characterOf, STYLE_IDS } from '#core/styles';
import { grams, millilitres, seconds } from '#core/units';
import { ProposalBody } from '#contracts/verdicts';

const mark = fc.constantFrom<Mark>(-2, -1, 0, 1, 2);
const marks = [...ATTRIBUTE_NAMES, 'colour'] as const;
const verdict = fc.record(
  Object.fromEntries(marks.map((name) => [name, mark])),
) as fc.Arbitrary<Verdict>;

test('whatever is proposed for a cup can be kept with it: the contract takes every proposal, whole', () => {
  const rescues = new Set<string>();
  fc.assert(
    fc.property(
      verdict,
      fc.constantFrom(...STYLE_IDS),
      fc.integer({ min: 100, max: 600 }),
      fc.double({ min: 0.4, max: 2, noNaN: true }),
      fc.boolean(),
      (found, style, volume, late, warmed) => {
        const recipe = startingRecipe(style);
        const water = millilitres(volume);
        const proposal = propose({
          verdict: found,
          recipe,
          style,
          warmed,
          crowding: null,
          brew: {
            character: characterOf(style),
            leaf: grams((recipe.dose * water) / 100),
            water,
            temperature: recipe.temperature,
            time: seconds(recipe.window.best * late),
          },
        });
        rescues.add(proposal.cup.kind);
        expect(ProposalBody.parse(proposal)).toEqual(proposal);
      },
    ),
    { seed: 20260311, numRuns: 120 },
  );
  expect([...rescues].sort()).toEqual(['hotWater', 'none', 'returnLeaf', 'split']);
});
