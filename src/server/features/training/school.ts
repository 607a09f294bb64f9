import {
  BREWER_SKILLS,
  COURSE_IDS,
  courseAs,
  lessonOf,
  SKILLS,
  USUAL_COURSES,
} from '#core/training';
import type { SchoolSettings } from '#contracts/training';
import type { Tx } from '../../db/pool';
import { house } from '../../db/schema';

/** What the house teaches; as is usual until a lead changes it. */
export async function schoolOf(tx: Tx): Promise<SchoolSettings> {
  const [row] = await tx.select({ school: house.school }).from(house);
  return row?.school ?? { courses: USUAL_COURSES, brewerSkills: [...BREWER_SKILLS] };
}
/** As the history says it: each course with the titles of its lessons. */
export const schoolWords = ({ courses, brewerSkills }: SchoolSettings) => ({
  ...Object.fromEntries(
    COURSE_IDS.map((id) => [
      courseAs(courses, id).title,
      courses[id].map((lesson) => lessonOf(lesson).title).join(', '),
    ]),
  ),
  brewer: brewerSkills.map((skill) => SKILLS[skill]).join(', '),
});
