import type { z } from 'zod';
import type { OwnUnits } from '#contracts/sites';
import { useSetMyUnitsMutation } from '../../entities/people/api';
import { useSession } from '../../entities/people/session';
import { failureOf } from '../../platform/api';

const VOLUMES = [
  [null, 'as the site'],
  ['ml', 'ml'],
  ['usFlOz', 'US fl oz'],
  ['imperialFlOz', 'UK fl oz'],
] as const;
const HEATS = [
  [null, 'as the site'],
  ['C', '°C'],
  ['F', '°F'],
] as const;

/** What the person signed in reads in, on every device. */
export function MyUnits() {
  const { name, units } = useSession();
  const [set, { error }] = useSetMyUnitsMutation();
  const mine: z.infer<typeof OwnUnits> = units ?? { volume: null, temperature: null };
  const pick = (over: Partial<typeof mine>) => void set(over);
  return (
    <section>
      <h2>
        {name} reads<small>on every device; cards on the wall stay as the site</small>
      </h2>
      <div className="flex flex-wrap gap-3 mt-2 items-center">
        <span>Volumes in</span>
        {VOLUMES.map(([v, words]) => (
          <button
            type="button"
            key={words}
            className="btn slim"
            aria-label={`Volumes: ${words}`}
            aria-pressed={mine.volume === v}
            onClick={() => pick({ volume: v })}
          >
            {words}
          </button>
        ))}
        <span className="ml-4">Heat in</span>
        {HEATS.map(([t, words]) => (
          <button
            type="button"
            key={words}
            className="btn slim"
            aria-label={`Heat: ${words}`}
            aria-pressed={mine.temperature === t}
            onClick={() => pick({ temperature: t })}
          >
            {words}
          </button>
        ))}
      </div>
      {error && (
        <p className="fault" role="alert">
          {failureOf(error).message}
        </p>
      )}
    </section>
  );
}
