import { lacksForBrewer, type Skill, SKILLS } from '#core/training';
import type { Practice } from '#contracts/training';
import { useMakeBrewerMutation } from '../../entities/training/api';
import { failureOf } from '../../platform/api';
import { Note } from '../../ui/Note';

/** Trainees and what is still to be signed before a lead can make each of them a brewer. */
export function NewBrewers({
  people,
  today,
  wanted,
}: {
  people: readonly Practice[];
  today: string;
  /** Skills that are signed before, by this house's list. */
  wanted: readonly Skill[];
}) {
  const [make, making] = useMakeBrewerMutation();
  const trainees = people.filter((p) => p.person.role === 'trainee');
  if (trainees.length === 0) return null;
  return (
    <section className="mt-6" aria-label="Trainees">
      <h2>
        Trainees
        <small>
          a trainee becomes a brewer once {wanted.map((s) => SKILLS[s]).join(', ')} are signed
        </small>
      </h2>
      <ul className="list-none p-0">
        {trainees.map(({ person, signs }) => {
          const lacks = lacksForBrewer(signs, today, wanted);
          return (
            <li key={person.id} className="flex flex-wrap items-center gap-3 mt-2">
              <b>{person.name}</b>
              {lacks.length > 0 ? (
                <span>Not signed yet: {lacks.map((s) => SKILLS[s]).join(', ')}.</span>
              ) : (
                <button
                  type="button"
                  className="btn go"
                  disabled={making.isLoading}
                  onClick={() => void make(person.id)}
                >
                  Make {person.name} a brewer
                </button>
              )}
            </li>
          );
        })}
      </ul>
      {making.error && <Note bad>{failureOf(making.error).message}</Note>}
      {making.data && (
        <p className="mt-2" role="status">
          {making.data.name} is a brewer now, and signs in again with the same PIN.
        </p>
      )}
    </section>
  );
}
