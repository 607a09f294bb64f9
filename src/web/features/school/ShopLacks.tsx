import { useState } from 'react';
import { nextSaturday, SKILLS, skillsLacking } from '#core/training';
import type { Practice } from '#contracts/training';

/** Of those who work on a day: which skills nobody has signed. Who works is typed each time, and is not saved. */
export function ShopLacks({ people, today }: { people: readonly Practice[]; today: string }) {
  const [day, setDay] = useState(() => nextSaturday(today));
  const [away, setAway] = useState<readonly string[]>([]);
  const working = people.filter((p) => !away.includes(p.person.id));
  const lacking = skillsLacking(working, day);
  const toggle = (id: string) =>
    setAway((ids) => (ids.includes(id) ? ids.filter((i) => i !== id) : [...ids, id]));
  return (
    <section className="mt-6" aria-label="What the shop lacks">
      <h2>
        What the shop lacks<small>skills that nobody who works that day has</small>
      </h2>
      <div className="flex flex-wrap items-center gap-2 mt-2">
        <label className="flex items-center gap-2">
          On
          <input
            type="date"
            className="box"
            value={day}
            required
            onChange={(e) => setDay(e.target.value === '' ? nextSaturday(today) : e.target.value)}
          />
        </label>
        <span role="group" aria-label="Who works" className="flex flex-wrap gap-2">
          {people.map(({ person }) => (
            <button
              key={person.id}
              type="button"
              className="btn slim"
              aria-pressed={!away.includes(person.id)}
              onClick={() => toggle(person.id)}
            >
              {person.name}
            </button>
          ))}
        </span>
      </div>
      <p className="mt-2" role="status">
        {lackWords(
          working.length,
          lacking.map((s) => SKILLS[s]),
        )}
      </p>
    </section>
  );
}
function lackWords(working: number, lacking: readonly string[]): string {
  if (working === 0) return 'Choose who works.';
  return lacking.length === 0
    ? 'Every skill is signed for somebody who works that day.'
    : `Nobody is signed off for: ${lacking.join(', ')}.`;
}
