import { seeded } from '#core/numeric';
import { sampleDrillFacts } from '#core/testing';
import { drawFigure, drawPick, drawTurns, type DrillTask, workFigure } from '#core/training';
import { disputeWords } from './disputeWords';

const FACTS = sampleDrillFacts();

test('a figure: what was asked, the right figure, the one that was answered', () => {
  const question = drawFigure('scale', FACTS, 3, seeded(2));
  const { shown } = workFigure(question) ?? {};
  const words = disputeWords({ ...question, answer: { value: 99 } } as DrillTask);
  expect(words).toContain('How much leaf?');
  expect(words).toContain(`Right answer: ${shown} g. Given answer: 99 g.`);
});
test('a figure that cannot be had is said in words', () => {
  const question = drawFigure('again', FACTS, 5, seeded(3));
  const words = disputeWords({ ...question, answer: { value: 'cannot' } } as DrillTask);
  expect(words).toMatch(/Given answer: Not again: the leaf is spent\./);
});
test('picks: each part with what was right and what was picked', () => {
  const question = drawPick('which', FACTS, 3, seeded(2));
  const words = disputeWords({
    ...question,
    answer: { picks: [['a'], ['b'], ['a']] },
  } as DrillTask);
  expect(words.match(/Right answer: (Left|Right):/g)).toHaveLength(3);
});
test('a pour: what came into each cup', () => {
  const given = drawTurns(FACTS, 1, seeded(1));
  const pours = [{ cup: 0, ml: 100.4 }];
  expect(disputeWords({ drill: 'turns', given, answer: { pours } })).toContain(
    'Poured: 100, 0 ml.',
  );
});
