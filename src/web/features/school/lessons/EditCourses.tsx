import { useState } from 'react';
import {
  BREWER_SKILLS,
  COURSE_IDS,
  courseAs,
  type CourseId,
  type CourseLists,
  lessonAdded,
  type LessonId,
  lessonMoved,
  lessonOf,
  lessonsLeftOut,
  lessonTakenOut,
  type Skill,
  SKILL_NAMES,
  SKILLS,
  USUAL_COURSES,
} from '#core/training';
import type { SchoolSettings } from '#contracts/training';
import { useSetSchoolMutation } from '../../../entities/training/api';
import { failureOf } from '../../../platform/api';
import { Note } from '../../../ui/Note';
import { PickList } from '../../../ui/PickList';

/** Which lessons each course has and in which order, and what a brewer is signed for. Kept once it is saved. */
export function EditCourses({ first, onDone }: { first: SchoolSettings; onDone: () => void }) {
  const [{ courses, brewerSkills }, change] = useState(first);
  const [save, { isLoading, error }] = useSetSchoolMutation();
  const setCourses = (lists: CourseLists) => change({ courses: lists, brewerSkills });
  const submit = async () => {
    const saved = await save({ courses, brewerSkills });
    if ('data' in saved) onDone();
  };
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        void submit();
      }}
    >
      <div className="courses">
        {COURSE_IDS.map((id) => (
          <CourseList key={id} id={id} lists={courses} onChange={setCourses} />
        ))}
      </div>
      <BrewerSkills
        chosen={brewerSkills}
        onChange={(skills) => change({ courses, brewerSkills: skills })}
      />
      {error && <Note bad>{failureOf(error).message}</Note>}
      <div className="flex flex-wrap gap-2 mt-4">
        <button type="submit" className="btn go" disabled={isLoading || brewerSkills.length === 0}>
          Save the lists
        </button>
        <button
          type="button"
          className="btn"
          onClick={() => change({ courses: USUAL_COURSES, brewerSkills: [...BREWER_SKILLS] })}
        >
          The usual lists
        </button>
        <button type="button" className="btn quiet" onClick={onDone}>
          Leave the lists <kbd>Esc</kbd>
        </button>
      </div>
    </form>
  );
}

function CourseList({
  id,
  lists,
  onChange,
}: {
  id: CourseId;
  lists: CourseLists;
  onChange: (lists: CourseLists) => void;
}) {
  const { title, lessons } = courseAs(lists, id);
  const others = lessonsLeftOut(lists);
  return (
    <section aria-label={title}>
      <h2>{title}</h2>
      <ol className="list-none p-0">
        {lessons.map((lesson, i) => (
          <li key={lesson.id} className="mt-1">
            <span className="block">
              {i + 1} · {lesson.title}
            </span>
            <LessonActs
              title={lesson.title}
              isFirst={i === 0}
              isLast={i === lessons.length - 1}
              onMove={(by) => onChange(lessonMoved(lists, lesson.id, by))}
              onTakeOut={() => onChange(lessonTakenOut(lists, lesson.id))}
            />
          </li>
        ))}
      </ol>
      {others.length > 0 && (
        <PickList<LessonId>
          label={`Add a lesson to ${title}`}
          shown="Add a lesson"
          choices={others.map((lesson) => ({ value: lesson, text: lessonOf(lesson).title }))}
          onPick={(lesson) => onChange(lessonAdded(lists, lesson, id))}
        />
      )}
    </section>
  );
}
function LessonActs({
  title,
  isFirst,
  isLast,
  onMove,
  onTakeOut,
}: {
  title: string;
  isFirst: boolean;
  isLast: boolean;
  onMove: (by: 1 | -1) => void;
  onTakeOut: () => void;
}) {
  return (
    <span className="flex gap-1">
      <button
        type="button"
        className="btn quiet slim"
        aria-label={`Earlier: ${title}`}
        disabled={isFirst}
        onClick={() => onMove(-1)}
      >
        Earlier
      </button>
      <button
        type="button"
        className="btn quiet slim"
        aria-label={`Later: ${title}`}
        disabled={isLast}
        onClick={() => onMove(1)}
      >
        Later
      </button>
      <button
        type="button"
        className="btn quiet slim"
        aria-label={`Take out: ${title}`}
        onClick={onTakeOut}
      >
        Take out
      </button>
    </span>
  );
}

/** What a trainee is signed for before a lead can make them a brewer. */
function BrewerSkills({
  chosen,
  onChange,
}: {
  chosen: readonly Skill[];
  onChange: (skills: Skill[]) => void;
}) {
  const toggled = (skill: Skill) =>
    SKILL_NAMES.filter((s) => (s === skill ? !chosen.includes(s) : chosen.includes(s)));
  return (
    <>
      <h2 className="mt-4">
        A brewer is signed for<small>before a trainee becomes one</small>
      </h2>
      <div className="toggles" role="group" aria-label="A brewer is signed for">
        {SKILL_NAMES.map((skill) => (
          <button
            key={skill}
            type="button"
            className="toggle"
            aria-pressed={chosen.includes(skill)}
            onClick={() => onChange(toggled(skill))}
          >
            {SKILLS[skill]}
          </button>
        ))}
      </div>
      {chosen.length === 0 && (
        <p className="fault" role="alert">
          Choose at least one skill.
        </p>
      )}
    </>
  );
}
