import { seeded } from '#core/numeric';
import {
  choicesOf,
  drawFigure,
  drawPick,
  drawShift,
  type DrillFacts,
  type Figure,
  type FigureDrillName,
  type FigureQuestion,
  figureWords,
  GIVEN_BYTES,
  handsThrough,
  isFigureDrill,
  judgedFigure,
  judgedPicks,
  judgedShift,
  judgeTask,
  type Level,
  type PickDrillName,
  type PickQuestion,
  type ShiftGiven,
  STEADY,
  workFigure,
  workPick,
} from '#core/training';

// What every drawn question has to keep, whichever drill it is of: used by the tests and by the long run.

/** Printed where a figure is missing. */
const BROKEN = /NaN|undefined|null|Infinity|\[object/;

export type Found = { readonly fault: string | null; readonly level: Level };
const ok = (level: Level): Found => ({ fault: null, level });

function faultOfChoices(figure: Figure, level: Level): string | null {
  const choices = choicesOf(figure, level);
  if (choices === null) return null;
  if (choices.length < 4) return 'three wrong choices beside the right one, or none';
  const wrong = choices.filter((c) => c !== figure.shown);
  if (wrong.length !== choices.length - 1) return 'the right choice comes twice';
  const near = wrong.filter((c) => judgedFigure(figure, c) !== 'wrong');
  return near.length > 0 ? `a wrong choice is not wrong: ${near.join(', ')}` : null;
}
function faultOfFigure(question: FigureQuestion, figure: Figure): string | null {
  const words = figureWords(question);
  const said = [
    ...[words.known, words.asked, words.question, words.lesson, ...words.working],
    ...(figure.impossible ? [] : [words.text(figure.shown), words.inCup(figure.shown)]),
  ];
  if (words.working.length === 0) return 'it is not worked out';
  if (said.some((s) => BROKEN.test(s))) return `broken words: ${said.find((s) => BROKEN.test(s))}`;
  if (figure.impossible) return words.cannot === null ? 'no way to say that it cannot be' : null;
  const { least, most, step } = words.rule;
  const isOnRule = figure.truth >= least && figure.truth <= most && step > 0;
  if (!isOnRule) return `off its rule: ${figure.truth} of ${least} to ${most}`;
  if (judgedFigure(figure, figure.shown) !== 'right') return `its own figure is not right`;
  if (figure.mistakes.some((m) => BROKEN.test(words.mistake(m.id))))
    return 'a mistake without words';
  return null;
}
function checkFigure(question: FigureQuestion): string | null {
  const figure = workFigure(question);
  if (!figure) return 'no fair question';
  const value = figure.impossible ? 'cannot' : figure.shown;
  const worth = judgeTask({ ...question, answer: { value } });
  return (
    faultOfFigure(question, figure) ??
    faultOfChoices(figure, question.given.level) ??
    (worth?.credit === 1 ? null : 'the right answer is not judged right')
  );
}
function checkPick(question: PickQuestion): string | null {
  const worked = workPick(question);
  if (!worked) return 'no fair question';
  const { parts, known, working, lesson } = worked;
  const said = [...known, ...working, lesson, ...parts.map((p) => p.asked)];
  if (said.some((s) => BROKEN.test(s))) return `broken words: ${said.find((s) => BROKEN.test(s))}`;
  for (const part of parts) {
    const ids = new Set(part.options.map((o) => o.id));
    if (ids.size !== part.options.length || ids.size < 2) return 'options come twice, or lack';
    if (part.right.some((id) => !ids.has(id))) return 'what is right is not offered';
    if (!part.many && part.right.length !== 1) return 'not one right answer';
  }
  const picks = parts.map((p) => p.right);
  if (judgeTask({ ...question, answer: { picks } })?.credit !== 1)
    return 'the right answer is not judged right';
  for (const [i, part] of parts.entries())
    for (const option of part.options) {
      if (part.right.includes(option.id)) continue;
      const other = picks.map((p, n) => (n === i ? [option.id] : p));
      if (judgedPicks(worked, { picks: other }) === 'right') return `${option.id} is right too`;
    }
  return null;
}

function checkShift(given: ShiftGiven): string | null {
  const worth = judgedShift(given, handsThrough(given, STEADY));
  if (worth?.judged !== 'right') return 'steady hands do not run it';
  const nobody = judgedShift(given, { acts: [] });
  return nobody?.credit === 0 ? null : 'nothing done is worth something';
}

/** What is wrong with the shift that a chance draws; null: nothing. */
export function checkDrawnShift(facts: DrillFacts, level: Level, seed: number): Found {
  const given = drawShift(facts.shift, level, seeded(seed));
  const kept = JSON.stringify(given);
  const isSame = kept === JSON.stringify(drawShift(facts.shift, level, seeded(seed)));
  if (!isSame) return { ...ok(level), fault: 'the same chance draws another' };
  if (kept.length > GIVEN_BYTES) return { ...ok(level), fault: `${kept.length} bytes` };
  return { fault: checkShift(given), level: given.level };
}
/** What is wrong with the question that a chance draws; null: nothing. */
export function checkDrawn(
  drill: FigureDrillName | PickDrillName,
  facts: DrillFacts,
  level: Level,
  seed: number,
): Found {
  const draw = () =>
    isFigureDrill(drill)
      ? drawFigure(drill, facts, level, seeded(seed))
      : drawPick(drill, facts, level, seeded(seed));
  const question = draw();
  const kept = JSON.stringify(question);
  if (kept !== JSON.stringify(draw()))
    return { ...ok(level), fault: 'the same chance draws another' };
  if (kept.length > GIVEN_BYTES) return { ...ok(level), fault: `${kept.length} bytes` };
  const fault = isFigureDrill(question.drill)
    ? checkFigure(question as FigureQuestion)
    : checkPick(question as PickQuestion);
  return { fault, level: question.given.level };
}
