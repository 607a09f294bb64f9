import { EXERCISES, LEAF_LESSONS } from '#core/tastings';
import {
  COURSE_IDS,
  courseAs,
  lessonsDone,
  seenWords,
  signWords,
  SKILLS,
  skillsOf,
} from '#core/training';
import { epochMs, numberText } from '#core/units';
import type { Practice, SchoolSettings } from '#contracts/training';
import { HEIGHT, info, MARGIN, onSheets, WIDTH, writerOn } from '../prints';

/** Where the columns begin, mm. */
const OF_SKILLS = [MARGIN, 50, 68, 90, 162];
const OF_COURSES = [MARGIN, 60];
const OF_SIGNS = [MARGIN, 42, 82, 112, 142];
const OF_TABLES = [MARGIN, 42, 72];
/** So many of the last sign-offs and tables fit on the page. */
const LAST = 10;
const [SMALL, PLAIN, HEAD] = [2.9, 3.5, 4.4];

type Table = Practice['tables'][number];
const partWords = ({ sat, led }: Table): string =>
  [led && 'led', sat && 'tasted'].filter(Boolean).join(', ');
export const tableWords = ({ kind, lesson }: Table): string =>
  lesson ? LEAF_LESSONS[lesson].title : EXERCISES[kind].label;

/** One person’s record on a page: each skill, the courses, the last sign-offs and tables. How long anything took is not on it. */
export function trainingPaper(
  { person, answers, seen, signs, tables }: Practice,
  { courses }: SchoolSettings,
  now: number,
  today: string,
): Promise<Buffer> {
  return onSheets(WIDTH, HEIGHT, info(`Training record of ${person.name}`), [
    (p) => {
      const page = writerOn(p);
      page.para(person.name, { face: 'bold', size: 8 });
      page.para(`${person.role}, training record on ${today}`, { size: PLAIN, after: 5 });
      page.table(
        ['skill', 'level', 'answers', 'seen in the shop', 'signed'],
        skillsOf(answers, signs, epochMs(now), today).map((s) => [
          SKILLS[s.skill],
          s.evidence.n > 0 ? numberText(100 * s.evidence.bound, 0) : '',
          String(s.answers),
          seenWords(s.skill, seen),
          signWords(s.sign, (day) => day),
        ]),
        OF_SKILLS,
      );
      page.table(
        ['course', 'lessons done'],
        COURSE_IDS.map((id) => {
          const course = courseAs(courses, id);
          const done = lessonsDone(course, { answers, tables });
          return [course.title, `${done} of ${course.lessons.length}`];
        }),
        OF_COURSES,
      );
      if (signs.length > 0) {
        page.para('Sign-offs, the last first', { face: 'bold', size: HEAD });
        page.table(
          ['day', 'skill', '', 'until', 'by'],
          [...signs]
            .reverse()
            .slice(0, LAST)
            .map((s) => [s.day, SKILLS[s.skill], s.kind, s.until ?? '', s.by]),
          OF_SIGNS,
        );
      }
      if (tables.length > 0) {
        page.para('Tastings, the last first', { face: 'bold', size: HEAD });
        page.table(
          ['day', '', 'what'],
          tables.slice(0, LAST).map((t) => [t.day, partWords(t), tableWords(t)]),
          OF_TABLES,
        );
      }
      page.para(
        'A level is the lowest skill that the last 30 answers at level 3 can mean, out of 100. A figure signs nothing: a lead has seen the hands and tasted the cup. The record as CSV has every answer and every note.',
        { size: SMALL },
      );
    },
  ]);
}
