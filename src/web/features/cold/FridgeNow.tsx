import { fridgeReadingFault } from '#core/cold';
import { weekdayAndTime } from '#core/time';
import { type Celsius, celsius, parseTemperature, readingText } from '#core/units';
import type { FridgeReading } from '#contracts/fridge';
import { useClock, useUnits } from '../../entities/people/session';
import { TypedPick } from '../../ui/TypedPick';

/** What the fridge had at the last reading; typed in two touches. */
export function FridgeNow({
  last,
  onRead,
}: {
  last: FridgeReading | undefined;
  onRead: (read: Celsius) => void;
}) {
  const units = useUnits();
  const clock = useClock();
  const read = (text: string) => {
    const typed = parseTemperature(text, units.temperature);
    if (typed.kind === 'bad') return typed;
    const why = fridgeReadingFault(typed.value);
    return why ? { kind: 'bad' as const, why } : typed;
  };
  return (
    <>
      <TypedPick
        label={`Fridge, °${units.temperature}`}
        text={last ? readingText(last.celsius, units.temperature) : 'not read yet'}
        typed=""
        read={read}
        onValue={(v) => onRead(celsius(v))}
      />
      {last && <span className="small">at {weekdayAndTime(clock, last.at)}</span>}
    </>
  );
}
