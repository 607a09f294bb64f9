import type { Multipliers } from '#core/styles';
import {
  cupName,
  expectedCups,
  LEAF_LESSONS,
  leafCautions,
  type LeafLessonId,
  type PlannedCup,
  valueText,
} from '#core/tastings';
import { numberText } from '#core/units';
import { dayOnPaper, onSheets, type Paper } from '../prints';
import { HEIGHT, info, MARGIN, WIDTH } from '../prints';
import { writerOn } from '../prints';
import type { PaperSite } from './paperSite';
import type { Found } from './repository';

/** Where the columns of the table of cups begin, mm. */
const COLUMNS = [MARGIN, 40, 72, 92, 116, 138, 160, 182];
const HEADS = ['code', 'cup', 'leaf', 'water', 'heat', 'time', 'strength', 'bitterness'];

export type TrainerSheet = Pick<Found, 'tea' | 'version' | 'setBy'> & {
  readonly fitted: Multipliers | null;
  readonly allergens: string;
  readonly t: Pick<Found['t'], 'at' | 'vessel' | 'exercise'> & { readonly lesson: LeafLessonId };
};
const figuresOf = (plan: PlannedCup, { units }: PaperSite): string[] =>
  (['grams', 'water', 'celsius', 'seconds'] as const).map((w) => valueText(w, plan[w], units));

/** The sheet of whoever runs a lesson: what to set out, to ask and to expect. Tasters do not see it. */
export function trainerSheetOf(
  { t, tea, fitted, allergens, version, setBy }: TrainerSheet,
  site: PaperSite,
): Promise<Buffer> {
  const lesson = LEAF_LESSONS[t.lesson];
  const made = { tea: { ...tea, fitted }, recipe: version.recipe, vessel: t.vessel };
  const { cups } = t.exercise;
  const plans = cups.map((c) => c.plan);
  const expected = expectedCups(made, plans);
  return onSheets(WIDTH, HEIGHT, info(`Trainer’s sheet: ${lesson.title}`), [
    (p: Paper) => {
      const page = writerOn(p);
      page.para(lesson.title, { face: 'bold', size: 8 });
      const at = [tea.name, t.vessel.name, dayOnPaper(t.at, site), `run by ${setBy.name}`];
      page.para(at.join(', '), { size: 3.6, after: 5 });
      for (const caution of leafCautions(t.lesson, allergens))
        page.para(caution, { face: 'bold', size: 3.6 });
      page.para('Set out', { face: 'bold', size: 4.6 });
      page.para(lesson.setOut, { size: 4, after: 4 });
      page.table(
        HEADS,
        cups.map(({ plan, codes }, i) => [
          codes.join(', '),
          cupName(plan) || String(i + 1),
          ...figuresOf(plan, site),
          numberText(expected[i]?.strength ?? 0, 1),
          numberText(expected[i]?.bitterness ?? 0, 1),
        ]),
        COLUMNS,
      );
      page.para(
        'Strength and bitterness, 0 to 10, are what the model expects of this tea here. If the table tastes otherwise, the table is right: keep its marks.',
        { size: 3.2, after: 5 },
      );
      page.para('Ask', { face: 'bold', size: 4.6 });
      page.para(lesson.ask, { size: 4, after: 4 });
      page.para(
        'Everybody looks, smells the leaf, smells the cup and tastes, and says nothing until all sheets are submitted.',
        { size: 4, after: 4 },
      );
      page.para('Teach, after the reveal', { face: 'bold', size: 4.6 });
      page.para(lesson.teach, { size: 4 });
    },
  ]);
}
