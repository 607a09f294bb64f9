import { weekdayAndTime } from '#core/time';
import { readingText } from '#core/units';
import type { FridgeReading } from '#contracts/fridge';
import { useClock, useLimits, useUnits } from '../../../entities/people/session';

/** So many are shown; the record has all. */
const SHOWN = 40;

/** What was read, the newest first. */
export function Readings({ readings }: { readings: readonly FridgeReading[] }) {
  const units = useUnits();
  const clock = useClock();
  const { limit } = useLimits();
  if (readings.length === 0)
    return <p className="mt-4">No reading yet. Type what the thermometer of the fridge shows.</p>;
  return (
    <>
      <h2 className="mt-4">
        Readings<small>the newest first</small>
      </h2>
      <table className="grid-table plain">
        <thead>
          <tr>
            <th className="l">when</th>
            <th>air</th>
            <th className="l">by</th>
          </tr>
        </thead>
        <tbody>
          {readings
            .slice(-SHOWN)
            .reverse()
            .map((r) => (
              <tr key={r.id}>
                <td className="l">{weekdayAndTime(clock, r.at)}</td>
                <td className={r.celsius > limit ? 'text-warn font-semibold' : ''}>
                  {readingText(r.celsius, units.temperature)}
                </td>
                <td className="l">
                  {r.by}
                  {r.source === 'probe' && <span className="small"> probe</span>}
                </td>
              </tr>
            ))}
        </tbody>
      </table>
    </>
  );
}
